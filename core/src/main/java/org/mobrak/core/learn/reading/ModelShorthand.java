package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What is said in short: numbers without their letters, lists of which one member is spoken of, questions that are numbered. */
final class ModelShorthand {
    private final List<Sentence> sentences;
    private final Map<String, List<Mention>> byKey;

    /**
     * @param byKey every mention of a name; names are completed in it
     */
    ModelShorthand(List<Sentence> sentences, Map<String, List<Mention>> byKey) {
        this.sentences = sentences;
        this.byKey = byKey;
    }

    void complete() {
        shortened();
        lettered();
        unnumber();
        spread();
    }

    private static final Pattern NOT_THE = Pattern.compile(
            "\\b(?:not|never|but not|nor|except) (?:for |on |with )?the (\\d{2,5}[a-z]{0,2})\\b(?![.,]\\d|%| ?(?:mb|gb|percent))");

    /** “The AB-200, not the 205”: the letters are those of the one before. */
    private void shortened() {
        Map<String, Mention> whole = new LinkedHashMap<>();
        byKey.values().forEach(mentions -> whole.put(mentions.get(0).value(), mentions.get(0)));
        for (Sentence sentence : sentences) {
            Matcher found = NOT_THE.matcher(sentence.lower());
            while (found.find()) {
                String said = sentence.value().substring(found.start(1), found.end(1));
                int digits = (int) said.chars().filter(Character::isDigit).count();
                whole.values().stream()
                        .filter(one -> one.sentence().index() <= sentence.index()
                                && sentence.index() - one.sentence().index() <= 3)
                        .filter(one -> SERIES.matcher(one.value()).matches()
                                && one.value().replaceAll("\\D", "").length() == digits)
                        .findFirst()
                        .ifPresent(one -> byKey.computeIfAbsent(
                                        ModelTokens.Token.key(one.value().replaceFirst("\\d.*$", "") + said),
                                        none -> new ArrayList<>())
                                .add(new Mention(
                                        one.value().replaceFirst("\\d.*$", "") + said,
                                        sentence,
                                        found.start(1),
                                        found.end(1),
                                        3,
                                        Stance.AGAINST,
                                        true)));
            }
        }
    }

    private static final Pattern DIGITS_AND_LETTER = Pattern.compile("(\\d{2,5})[A-Z]{1,2}");

    /** “The AB-200 … the 200K”: what is named by its digits and a letter has the letters of the one that is named in full. */
    private void lettered() {
        Map<String, String> whole = new LinkedHashMap<>();
        byKey.values().stream()
                .map(mentions -> mentions.get(0).value())
                .filter(value -> SERIES.matcher(value).matches())
                .forEach(value -> whole.putIfAbsent(
                        value.replaceAll("\\D", ""), value.replaceFirst("(\\d)[A-Za-z]{0,3}$", "$1")));
        for (List<Mention> mentions : List.copyOf(byKey.values())) {
            Mention first = mentions.get(0);
            Matcher shape = DIGITS_AND_LETTER.matcher(first.value());
            String known = shape.matches() ? whole.get(shape.group(1)) : null;
            if (known != null) {
                String full = known + first.value().substring(shape.group(1).length());
                byKey.remove(ModelTokens.Token.key(first.value()));
                mentions.forEach(one -> byKey.computeIfAbsent(ModelTokens.Token.key(full), none -> new ArrayList<>())
                        .add(new Mention(full, one.sentence(), one.start(), one.end(), 3, one.stance(), true)));
            }
        }
    }

    private static final Pattern SERIES = Pattern.compile("[A-Za-z]{1,6}[-_.]?\\d{2,5}[A-Za-z]{0,3}");

    private static final Pattern NUMBERING = Pattern.compile("[a-z]\\d{1,2}");

    private static final int MANY = 4;

    /** “Q1 … Q2 … Q3”: a letter that is counted up numbers questions, and is no model. */
    private void unnumber() {
        Map<Character, Long> counted = new HashMap<>();
        byKey.keySet().stream()
                .filter(key -> NUMBERING.matcher(key).matches())
                .forEach(key -> counted.merge(key.charAt(0), 1L, Long::sum));
        byKey.keySet()
                .removeIf(key -> NUMBERING.matcher(key).matches() && counted.getOrDefault(key.charAt(0), 0L) >= MANY);
    }

    /** What is said of one member of a list is said of all. */
    private void spread() {
        Map<Sentence, List<Mention>> bySentence = new LinkedHashMap<>();
        byKey.values()
                .forEach(mentions -> mentions.forEach(one -> bySentence
                        .computeIfAbsent(one.sentence(), none -> new ArrayList<>())
                        .add(one)));
        bySentence.values().forEach(mentions -> {
            mentions.sort(Comparator.comparingInt(Mention::start));
            for (int i = 1; i < mentions.size(); i++) {
                Mention before = mentions.get(i - 1);
                Mention own = mentions.get(i);
                boolean list = before.start() == own.start() && !before.value().equals(own.value())
                        || own.start() >= before.end()
                                && JOINED.matcher(own.sentence().lower().substring(before.end(), own.start()))
                                        .matches();
                boolean carries = before.stance() == Stance.FOR || before.stance() == Stance.AGAINST;
                // What is said with a condition of its own stays as it is said.
                boolean open = own.stance() == Stance.NONE || own.stance() == Stance.WARY;
                if (list && carries && open) {
                    Mention said = new Mention(
                            own.value(),
                            own.sentence(),
                            own.start(),
                            own.end(),
                            own.shape(),
                            before.stance(),
                            own.worked());
                    mentions.set(i, said);
                    List<Mention> all = byKey.get(ModelTokens.Token.key(own.value()));
                    if (all != null) {
                        all.replaceAll(one -> one == own ? said : one);
                    }
                }
            }
        });
    }

    private static final Pattern JOINED =
            Pattern.compile("(?:\\s?(?:,|/|&|\\+|;|and|or)\\s?){1,2}(?:the |also the )?(?:[a-z0-9 ]{0,3})?");
}
