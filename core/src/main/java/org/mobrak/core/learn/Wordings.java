package org.mobrak.core.learn;

import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;

/** The words by which a guide is understood; data, in {@code wordings.yaml}. */
record Wordings(
        List<String> negations,
        List<String> excluding,
        List<String> unsure,
        List<String> support,
        List<String> which,
        List<String> lasts,
        Map<String, List<String>> labels,
        Map<String, List<String>> sections,
        List<Needed> requires,
        List<Needed> gates,
        List<Brought> effects,
        List<String> wipes,
        List<String> kept,
        Map<String, List<String>> partitions,
        List<Family> families,
        Map<String, List<String>> modes,
        List<String> verbs,
        List<String> gather,
        List<String> prepare,
        List<String> prove,
        List<String> remedies,
        List<String> hazards,
        List<String> noreturn,
        List<String> shop,
        List<String> stayzipped,
        List<String> unpack,
        List<String> tools,
        List<String> written,
        List<String> updated,
        List<String> lasting,
        List<String> costs,
        List<String> things,
        List<String> small,
        List<String> worked,
        List<String> failed) {

    /** What may stand beside a figure that is written as a word. */
    private static final List<String> FIGURES =
            List.of("minute", "minutes", "mins", "min", "hour", "battery", "percent");

    /** What goes on from one thing to do to the next. */
    static final List<String> THEN = List.of("then", "now", "first", "next", "finally", "after", "in");

    private static final int LONGEST_LABEL = 40;

    /**
     * A state that must be there, and how people say so.
     *
     * @param items what says it where it stands alone in a list of needs
     */
    record Needed(String fact, String is, List<String> words, List<String> items) {
        Needed {
            items = items == null ? List.of() : List.copyOf(items);
        }

        Fact of() {
            return Fact.ofKey(fact).orElseThrow();
        }
    }

    /** A state that is brought about, and how people say so. */
    record Brought(String fact, String value, List<String> words) {
        Fact of() {
            return Fact.ofKey(fact).orElseThrow();
        }
    }

    /** A kind of way. */
    record Family(String name, List<String> words) {}

    static Wordings shipped() {
        try (InputStream in = Wordings.class.getResourceAsStream("wordings.yaml")) {
            return new YAMLMapper().readValue(in, Wordings.class);
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    /** All phrases that make a line worth listening to, by the word with which they begin. */
    Map<String, List<String>> telling() {
        Stream<List<String>> lists = Stream.of(
                        Stream.of(
                                excluding,
                                wipes,
                                kept,
                                hazards,
                                noreturn,
                                stayzipped,
                                unpack,
                                costs,
                                things,
                                worked,
                                failed),
                        sections.values().stream(),
                        partitions.values().stream(),
                        modes.values().stream(),
                        requires.stream().map(Needed::words),
                        gates.stream().map(Needed::words),
                        effects.stream().map(Brought::words),
                        families.stream().map(Family::words),
                        Stream.of(FIGURES))
                .flatMap(some -> some);
        return lists.flatMap(List::stream).distinct().collect(Collectors.groupingBy(Wordings::firstWord));
    }

    /** The words with which something to do, or what to do if not, begins. */
    Set<String> doing() {
        return Stream.of(verbs, gather, prepare, prove, remedies, THEN)
                .flatMap(List::stream)
                .map(Wordings::firstWord)
                .collect(Collectors.toSet());
    }

    /** The first of some phrases that stands in a lower-case text by itself. */
    static Optional<String> found(String lower, List<String> phrases) {
        return phrases.stream().filter(phrase -> contains(lower, phrase)).findFirst();
    }

    static boolean any(String lower, List<String> phrases) {
        return found(lower, phrases).isPresent();
    }

    /** Whether a phrase stands in a text and is no part of a longer word. */
    static boolean contains(String lower, String phrase) {
        for (int at = lower.indexOf(phrase); at >= 0; at = lower.indexOf(phrase, at + 1)) {
            int end = at + phrase.length();
            boolean before = at == 0
                    || !Character.isLetterOrDigit(lower.charAt(at - 1))
                    || !Character.isLetterOrDigit(phrase.charAt(0));
            boolean after = end == lower.length() || !Character.isLetterOrDigit(lower.charAt(end));
            if (before && after) {
                return true;
            }
        }
        return false;
    }

    /** The key of the first list of which a phrase stands in the text. */
    static Optional<String> key(String lower, Map<String, List<String>> lists) {
        return lists.entrySet().stream()
                .filter(entry -> any(lower, entry.getValue()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** What the words before a line's colon make of that line alone; empty where it has no such label. */
    Optional<String> label(String lower) {
        int colon = lower.indexOf(':');
        if (colon < 0 || colon > LONGEST_LABEL || colon + 1 >= lower.length()) {
            return Optional.empty();
        }
        String label = lower.substring(0, colon).strip();
        return Stream.of(labels, sections)
                .flatMap(lists -> lists.entrySet().stream())
                .filter(list -> list.getValue().contains(label))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** The first word of a lower-case text. */
    static String firstWord(String lower) {
        int end = 0;
        while (end < lower.length() && (Character.isLetter(lower.charAt(end)) || lower.charAt(end) == '\'')) {
            end++;
        }
        return lower.substring(0, end);
    }
}
