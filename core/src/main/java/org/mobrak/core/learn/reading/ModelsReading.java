package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;

/**
 * Which model numbers and builds a guide names, and whether it is for them. A word is taken for a model number by several
 * witnesses together: its shape, the words before it, the title, files that are called like it, others that differ in their end.
 */
final class ModelsReading {
    private static final int ENOUGH = 4;

    private final List<String> files;
    private final Map<String, List<Mention>> byKey;
    private final List<Understood.Odd> odd;

    private final Map<String, Integer> scores = new LinkedHashMap<>();
    private final Map<String, Named> models = new LinkedHashMap<>();
    private final Map<String, Named> builds = new LinkedHashMap<>();

    /** A model or a build after all that is said of it. */
    record Named(String value, Stance stance, Read<String> read, List<Mention> mentions) {}

    ModelsReading(List<Sentence> sentences, List<String> files) {
        this.files = files.stream().map(ModelTokens.Token::key).toList();
        ModelMentions mentions = new ModelMentions(sentences);
        byKey = mentions.read();
        odd = mentions.odd();
        new ModelShorthand(sentences, byKey).complete();
    }

    /** Models by their key. */
    Map<String, Named> models() {
        return models;
    }

    /** Builds by their key. */
    Map<String, Named> builds() {
        return builds;
    }

    ModelsReading read() {
        BuildNames names = new BuildNames(byKey);
        List<List<Mention>> ends = names.ends();
        byKey.values().removeAll(ends);
        Set<String> labelled = names.labelled();
        scores.putAll(new ModelScores(byKey, files).read(labelled, ENOUGH));
        scores.forEach((key, score) -> {
            if (score >= ENOUGH) {
                models.put(key, named(key));
            }
        });
        labelled.addAll(names.of(models.keySet(), scores, ENOUGH));
        NavigableSet<String> ordered = new TreeSet<>(models.keySet());
        models.keySet().removeIf(key -> isInFullElsewhere(key, ordered));
        labelled.forEach(key -> {
            models.remove(key);
            builds.put(key, named(key));
        });
        ends.stream()
                .flatMap(List::stream)
                .filter(mention -> mention.stance() == Stance.AGAINST)
                .forEach(mention -> builds.putIfAbsent("*" + mention.value(), ending(mention)));
        first();
        sort();
        return this;
    }

    /** A build of which only the end is named. */
    private static Named ending(Mention mention) {
        String value = "*" + mention.value();
        return new Named(
                value,
                mention.stance(),
                Read.of(value, mention.sentence(), mention.start(), Sure.LIKELY),
                List.of(mention));
    }

    /** In the order in which the guide names them. */
    private void sort() {
        List<Map.Entry<String, Named>> inOrder = new ArrayList<>(models.entrySet());
        inOrder.sort(Comparator.comparingInt((Map.Entry<String, Named> entry) ->
                        entry.getValue().mentions().get(0).sentence().index())
                .thenComparingInt(entry -> entry.getValue().mentions().get(0).start())
                .thenComparing(entry -> entry.getValue().value()));
        models.clear();
        inOrder.forEach(entry -> models.put(entry.getKey(), entry.getValue()));
    }

    /**
     * A short name in the title of what has a longer one is no model of its own; and of “the Q115 … model number Q-115B” the one that
     * is labelled says it in full.
     */
    private boolean isInFullElsewhere(String key, NavigableSet<String> ordered) {
        List<Mention> own = byKey.getOrDefault(key, List.of());
        boolean onlyNamed = own.stream().allMatch(one -> one.stance() == Stance.NONE);
        boolean once = own.size() == 1 && own.stream().noneMatch(Mention::isNumbered);
        // All that begin like it stand right behind it.
        return ordered.tailSet(key, false).stream()
                .takeWhile(other -> other.startsWith(key))
                .filter(models::containsKey)
                .map(other -> byKey.getOrDefault(other, List.of()))
                .anyMatch(longer -> onlyNamed && longer.stream().anyMatch(one -> goesOnBehindAMark(one, key.length()))
                        || once
                                && longer.stream()
                                        .anyMatch(one -> one.isNumbered()
                                                && ModelTokens.Token.key(one.value())
                                                                .length()
                                                        == key.length() + 1));
    }

    private static boolean goesOnBehindAMark(Mention longer, int length) {
        String value = longer.value();
        return value.length() > length && "_-".indexOf(value.charAt(Math.min(value.length() - 1, length))) >= 0;
    }

    /** Where nothing is told to be in, the phone that is named first and best is what the guide speaks of. */
    private void first() {
        boolean some = models.values().stream().anyMatch(named -> named.stance() == Stance.FOR);
        models.entrySet().stream()
                .filter(entry -> entry.getValue().stance() == Stance.NONE
                        || entry.getValue().stance() == Stance.WARY)
                .filter(entry -> entry.getValue().mentions().stream().noneMatch(one -> one.stance() == Stance.AGAINST))
                .filter(entry -> !some
                        || entry.getValue().mentions().size() > 1
                                && entry.getKey().length() > 2
                                && files.stream().anyMatch(file -> file.contains(entry.getKey())))
                .max(Comparator.comparingInt(entry -> scores.getOrDefault(entry.getKey(), 0) * 4
                        + Math.min(4, entry.getValue().mentions().size())
                        - Math.min(
                                20,
                                entry.getValue().mentions().get(0).sentence().index() / 2)))
                .ifPresent(entry -> models.put(
                        entry.getKey(),
                        new Named(
                                entry.getValue().value(),
                                Stance.FOR,
                                entry.getValue().read().as(Sure.LIKELY),
                                entry.getValue().mentions())));
    }

    /** What looks like a model number and is none, and what is told to be in and to be out. */
    List<Understood.Odd> odd() {
        List<Understood.Odd> all = new ArrayList<>(odd);
        models.values().stream()
                .filter(named -> named.stance() == Stance.AGAINST)
                .forEach(named -> named.mentions().stream()
                        .filter(mention -> mention.stance() == Stance.AGAINST)
                        .filter(mention -> named.mentions().stream()
                                .anyMatch(other -> other.stance() == Stance.FOR
                                        || other.stance() == Stance.NONE && other.isHead()))
                        .findFirst()
                        .ifPresent(mention -> all.add(new Understood.Odd(
                                "contradiction",
                                mention.sentence().text().lineAt(mention.start()),
                                named.value() + " is told to be in and to be out; it was left out."))));
        return all;
    }

    /** What all mentions of a name come to. */
    private Named named(String key) {
        List<Mention> mentions = byKey.getOrDefault(key, List.of());
        long against =
                mentions.stream().filter(one -> one.stance() == Stance.AGAINST).count();
        long wary = mentions.stream().filter(one -> one.stance() == Stance.WARY).count();
        long good = mentions.stream()
                .filter(one -> one.stance() == Stance.FOR || one.stance() == Stance.NONE && one.isHead())
                .count();
        boolean headed = mentions.stream()
                .anyMatch(one -> one.isHead() && one.stance() != Stance.AGAINST && one.stance() != Stance.WARY);
        boolean asked = mentions.stream().allMatch(one -> one.stance() == Stance.UNSURE);
        Stance stance = against > 0 && !(headed && good > against)
                ? Stance.AGAINST
                : asked ? Stance.UNSURE : good > 0 ? Stance.FOR : wary > 0 ? Stance.WARY : Stance.NONE;
        Mention shown = mentions.stream()
                .filter(one -> one.stance() == stance)
                .findFirst()
                .orElse(mentions.get(0));
        Sure sure = shown.worked() ? Sure.GUESS : good > 1 || headed || shown.isLabelled() ? Sure.CERTAIN : Sure.LIKELY;
        String value = ENDS_IN.matcher(shown.before()).find() ? "*" + shown.value() : shown.value();
        return new Named(value, stance, Read.of(value, shown.sentence(), shown.start(), sure), mentions);
    }

    /** “If the build ends in C185”: only its end is told. */
    private static final Pattern ENDS_IN =
            Pattern.compile("\\b(?:build|firmware|number|version)\\b[^.;]{0,12}\\bend(?:s|ing)? (?:in|with|on) \\W?$");
}
