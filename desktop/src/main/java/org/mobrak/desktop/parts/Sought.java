package org.mobrak.desktop.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.apache.commons.text.similarity.LevenshteinDistance;

/**
 * Words that somebody types to find something by its name, and how far a name is from them. The name typed whole comes before names
 * that begin so, these before names that hold the words somewhere, and letters that were left out or mistyped come last.
 *
 * @param typed in small letters, without blanks at its ends
 */
public record Sought(String typed) {
    private static final int WHOLE = 0;
    private static final int BEGINS_WITH_WORDS = 1;
    private static final int BEGINS = 2;
    private static final int ELSEWHERE = 10;
    /** What stands beside a name counts less than the name. */
    private static final int BESIDE = 2;

    private static final int PREFIX = 1;
    private static final int WITHIN = 3;
    private static final int LETTERS_LEFT_OUT = 6;
    private static final int MISTYPED = 7;
    private static final int LEAST_TO_GUESS = 4;
    private static final int LEAST_WITHIN = 2;
    private static final LevenshteinDistance ONE_LETTER = new LevenshteinDistance(1);

    /** @param text as it stands in the field */
    public static Sought of(String text) {
        return new Sought(text.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " "));
    }

    public boolean isEmpty() {
        return typed.isEmpty();
    }

    /**
     * How far a thing is from what was typed, smaller being nearer; empty where it is not meant.
     *
     * @param name of the thing
     * @param beside what else it is known by
     */
    public OptionalInt distance(String name, String beside) {
        String plain = name.toLowerCase(Locale.ROOT);
        if (isEmpty() || plain.equals(typed)) {
            return OptionalInt.of(WHOLE);
        }
        if (plain.startsWith(typed)) {
            return OptionalInt.of(Character.isLetterOrDigit(plain.charAt(typed.length())) ? BEGINS : BEGINS_WITH_WORDS);
        }
        int sum = ELSEWHERE;
        List<String> inName = words(plain);
        List<String> besides = words(beside.toLowerCase(Locale.ROOT));
        for (String word : words(typed)) {
            int there = nearest(word, inName);
            int elsewhere = nearest(word, besides);
            int nearer = Math.min(there, elsewhere == Integer.MAX_VALUE ? elsewhere : elsewhere + BESIDE);
            if (nearer == Integer.MAX_VALUE) {
                return OptionalInt.empty();
            }
            sum += nearer;
        }
        return OptionalInt.of(sum);
    }

    private static List<String> words(String text) {
        return Stream.of(text.split("[^\\p{L}\\p{N}]+"))
                .filter(word -> !word.isEmpty())
                .toList();
    }

    private static int nearest(String wanted, List<String> words) {
        return words.stream().mapToInt(word -> apart(wanted, word)).min().orElse(Integer.MAX_VALUE);
    }

    private static int apart(String wanted, String word) {
        if (word.equals(wanted)) {
            return 0;
        }
        if (word.startsWith(wanted)) {
            return PREFIX;
        }
        // Of a number nothing may be left out: phone 3 is not phone 13.
        boolean number = Character.isDigit(wanted.charAt(0));
        if (number) {
            return Integer.MAX_VALUE;
        }
        if (wanted.length() >= LEAST_WITHIN && word.contains(wanted)) {
            return WITHIN;
        }
        if (wanted.length() < LEAST_TO_GUESS) {
            return Integer.MAX_VALUE;
        }
        if (word.charAt(0) == wanted.charAt(0) && hasInOrder(word, wanted)) {
            return LETTERS_LEFT_OUT;
        }
        return ONE_LETTER.apply(word, wanted) >= 0 ? MISTYPED : Integer.MAX_VALUE;
    }

    private static boolean hasInOrder(String word, String letters) {
        int at = 0;
        for (int i = 0; i < word.length() && at < letters.length(); i++) {
            if (word.charAt(i) == letters.charAt(at)) {
                at++;
            }
        }
        return at == letters.length();
    }

    /** A name in pieces: those at odd places are what was typed. */
    public List<String> pieces(String name) {
        String plain = name.toLowerCase(Locale.ROOT);
        List<String> pieces = new ArrayList<>();
        int told = 0;
        List<String> wanted = plain.contains(typed) ? List.of(typed) : words(typed);
        while (told < name.length()) {
            int at = name.length();
            int length = 0;
            for (String word : wanted) {
                int found = plain.indexOf(word, told);
                if (!word.isEmpty() && found >= 0 && found < at) {
                    at = found;
                    length = word.length();
                }
            }
            pieces.add(name.substring(told, at));
            if (length > 0) {
                pieces.add(name.substring(at, at + length));
            }
            told = at + length;
        }
        return pieces;
    }
}
