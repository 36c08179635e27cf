package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds what looks like a model number, alone, in lists, in ranges and with what is left open. */
final class ModelMentions {
    private static final Pattern RANGE_OF_LETTERS =
            Pattern.compile("\\b([A-Za-z]{0,4}\\d{2,5})([A-Z])\\s?[-–]\\s?([A-Z])\\b");

    /** A number alone, in a list with model numbers. */
    private static final Pattern BARE =
            Pattern.compile("(?:(?<![\\w.])(\\d{3,5}[A-Z][\\w/]*), ?)(\\d{3,5})(?![\\w.%])");

    /** Its last digits are left open. */
    private static final Pattern OPEN = Pattern.compile("[A-Z]{1,5}-[A-Z]{0,3}\\d{1,4}x{1,2}");

    private static final Pattern WITH_WORD =
            Pattern.compile("^ (Lite|Slim|Plus|Mini|Pro|Max|EU|US|Duo|Neo|Duos|LTE)\\b(?! version)");

    private final List<Sentence> sentences;
    private final ModelStance stances;
    private final Map<String, List<Mention>> byKey = new LinkedHashMap<>();
    private final List<Understood.Odd> odd = new ArrayList<>();

    ModelMentions(List<Sentence> sentences) {
        this.sentences = sentences;
        this.stances = new ModelStance(sentences);
    }

    /** By its key, every mention of a name; whoever asked may change it. */
    Map<String, List<Mention>> read() {
        sentences.stream()
                .filter(sentence -> sentence.value().chars().anyMatch(Character::isDigit))
                .forEach(this::mentions);
        return byKey;
    }

    /** What looks like a model number and is none. */
    List<Understood.Odd> odd() {
        return odd;
    }

    private static final Pattern ALIKE = Pattern.compile("[\\p{L}\\d]{1,6}-[\\p{L}\\d]{2,8}");

    /** Letters of another alphabet stand where those of a model number would. */
    private void alike(Sentence sentence) {
        if (sentence.value().chars().noneMatch(one -> one > 0x7f && Character.isLetter(one))) {
            return;
        }
        Matcher found = ALIKE.matcher(sentence.value());
        while (found.find()) {
            boolean foreign = found.group().chars().anyMatch(one -> one > 0x7f && Character.isLetter(one));
            if (foreign
                    && found.group()
                            .replaceAll("[^\\x00-\\x7f]", "O")
                            .matches("[A-Z]{1,5}-[A-Z]{0,2}\\d{1,4}[A-Z]{0,2}")) {
                odd.add(new Understood.Odd(
                        "look-alike",
                        sentence.text().lineAt(found.start()),
                        "“" + found.group() + "” has letters of another alphabet; it was not taken."));
            }
        }
    }

    private void mentions(Sentence sentence) {
        String text = sentence.value();
        alike(sentence);
        Matcher range = RANGE_OF_LETTERS.matcher(text);
        while (range.find()) {
            for (char letter = range.group(2).charAt(0);
                    letter <= range.group(3).charAt(0);
                    letter++) {
                boolean inner = letter != range.group(2).charAt(0);
                add(range.group(1) + letter, sentence, range.start(), range.end(), 3, inner);
            }
        }
        ranges(sentence);
        Matcher bare = BARE.matcher(text);
        while (bare.find()) {
            String digits = bare.group(2);
            String other = bare.group(1);
            if (other != null
                    && ModelTokens.isCandidate(other.replaceFirst("/.*", ""))
                    && other.replaceAll("\\D", "").startsWith(digits.substring(0, 1))) {
                add(digits, sentence, bare.start(2), bare.end(2), 3, false);
            }
        }
        for (ModelTokens.Token token : stances.tokens(sentence)) {
            String[] parts = token.value().split("/");
            Matcher word = WITH_WORD.matcher(text.substring(token.end()));
            if (parts.length == 1
                    && word.find()
                    && !text.substring(token.end() + word.end()).matches("(?s) \\([A-Z]{1,6}[-.]?\\d.*")) {
                add(
                        token.value() + " " + word.group(1),
                        sentence,
                        token.start(),
                        token.end() + word.end(),
                        token.shape(),
                        false);
                continue;
            }
            if (OPEN.matcher(token.value()).matches() && !hasSister(token.value())) {
                int open = token.value().length()
                        - token.value().replaceFirst("x+$", "").length();
                add(
                        token.value().replaceFirst("x+$", "?".repeat(open)),
                        sentence,
                        token.start(),
                        token.end(),
                        token.shape(),
                        true);
                continue;
            }
            add(
                    parts.length > 1 && !isSuffix(parts[1]) && parts[1].length() < 2 ? token.value() : parts[0],
                    sentence,
                    token.start(),
                    token.end(),
                    token.shape(),
                    false);
            for (int i = 1; i < parts.length && parts.length < 12; i++) {
                String base = parts[0].replaceFirst("[A-Za-z]{1,3}$", "");
                if (isSuffix(parts[i])) {
                    add(base + parts[i], sentence, token.start(), token.end(), token.shape(), true);
                } else if (ModelTokens.isCandidate(parts[i]) && parts[i].length() > 2) {
                    add(parts[i], sentence, token.start(), token.end(), token.shape(), false);
                }
            }
        }
    }

    /** “MP-3x or MP-3c”: beside others that end in a small letter the x is one as well. */
    private boolean hasSister(String value) {
        Pattern sister = Pattern.compile(Pattern.quote(value.replaceFirst("x+$", "")) + "[a-wyz]\\b");
        return sentences.stream()
                .anyMatch(sentence -> sister.matcher(sentence.value()).find());
    }

    private static final Pattern RANGE = Pattern.compile(
            "(?<![\\w.])([A-Z]{1,6}[-_.]?)(\\d{2,5})(?: to | - |-|–| through | thru | up to | until | ?\\.{2,3} ?| ?… ?)(?:\\1)?(\\d{2,5})(?![\\w.%])");

    private static final int LONGEST_RANGE = 40;

    /** “AB-500 to AB-504”: those between are named as well. */
    private void ranges(Sentence sentence) {
        Matcher found = RANGE.matcher(sentence.value());
        while (found.find()) {
            int low = Integer.parseInt(found.group(2));
            int high = Integer.parseInt(found.group(3));
            boolean fair =
                    found.group(2).length() == found.group(3).length() && high > low && high - low <= LONGEST_RANGE;
            for (int number = low + 1; fair && number < high; number++) {
                add(
                        found.group(1) + ("%0" + found.group(2).length() + "d").formatted(number),
                        sentence,
                        found.start(),
                        found.end(),
                        3,
                        true);
            }
            if (fair) {
                add(found.group(1) + found.group(3), sentence, found.start(), found.end(), 3, false);
            }
        }
    }

    private static boolean isSuffix(String part) {
        return part.matches("[A-Z]{1,3}");
    }

    private void add(String value, Sentence sentence, int start, int end, int shape, boolean worked) {
        Stance stance = stances.of(sentence, start, end);
        byKey.computeIfAbsent(ModelTokens.Token.key(value), none -> new ArrayList<>())
                .add(new Mention(value, sentence, start, end, shape, stance, worked));
    }
}
