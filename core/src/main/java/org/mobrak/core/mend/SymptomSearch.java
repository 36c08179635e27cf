package org.mobrak.core.mend;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.trouble.Symptom;

/** Finds symptoms by the words people use: how many of the words typed begin a word of the symptom. */
public final class SymptomSearch {
    private static final int LONGEST = 200;

    private SymptomSearch() {}

    /** The symptoms that fit best first; all of them, in their order, where nothing is typed. */
    public static List<Symptom> find(List<Symptom> symptoms, String typed) {
        List<String> wanted =
                words(typed.substring(0, Math.min(typed.length(), LONGEST))).toList();
        if (wanted.isEmpty()) {
            return symptoms;
        }
        Map<Symptom, Long> scores =
                symptoms.stream().collect(Collectors.toMap(Function.identity(), symptom -> score(symptom, wanted)));
        return symptoms.stream()
                .filter(symptom -> Objects.requireNonNull(scores.get(symptom)) > 0)
                .sorted(Comparator.comparing(scores::get).reversed())
                .toList();
    }

    private static long score(Symptom symptom, List<String> wanted) {
        List<String> own = Stream.concat(Stream.of(symptom.name()), symptom.words().stream())
                .flatMap(SymptomSearch::words)
                .distinct()
                .toList();
        return wanted.stream()
                .filter(word -> own.stream().anyMatch(one -> one.startsWith(word)))
                .count();
    }

    private static Stream<String> words(String text) {
        return Arrays.stream(text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))
                .filter(word -> word.length() > 1);
    }
}
