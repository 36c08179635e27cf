package org.mobrak.core.identity.build;

import java.text.Normalizer;
import java.util.Map;

/**
 * How people write the same thing: in large or small letters, with a blank too many, with a letter of another alphabet or a
 * digit that looks alike (0 and O, 1 and I and l, 5 and S, 8 and B; common practice, no published source). What a route excludes
 * is compared widely, so that no spelling gets past; what it allows narrowly, so that no sister variant does.
 */
public final class Spelling {
    /** Greek and Cyrillic letters that look like Latin ones; a choice out of Unicode Technical Standard 39, from memory. */
    private static final String FOREIGN = "АВСЕНІЈКМОРЅТХУаеіјорѕхусΑΒΕΖΗΙΚΜΝΟΡΤΧΥο";

    private static final String LATIN = "ABCEHIJKMOPSTXYaeijopsxycABEZHIKMNOPTXYo";

    private static final Map<Character, Character> DIGITS = Map.of('o', '0', 'i', '1', 'l', '1', 's', '5', 'b', '8');

    /** Shorter beginnings say too little of a carrier. */
    private static final int LEAST_OF_A_CARRIER = 4;

    private Spelling() {}

    /** The form in which all spellings of a text, or of a pattern, are the same, digits and letters that look alike included. */
    public static String wide(String text) {
        StringBuilder wide = new StringBuilder(near(text));
        for (int i = 0; i < wide.length(); i++) {
            wide.setCharAt(i, DIGITS.getOrDefault(wide.charAt(i), wide.charAt(i)));
        }
        return wide.toString();
    }

    /** The form in which a text is the same whatever its capitals, blanks, dashes and alphabet; a digit stays a digit. */
    private static String near(String text) {
        String plain = Normalizer.normalize(text, Normalizer.Form.NFKC);
        StringBuilder near = new StringBuilder(plain.length());
        for (int i = 0; i < plain.length(); i++) {
            char c = plain.charAt(i);
            if (!Character.isWhitespace(c) && Character.getType(c) != Character.FORMAT) {
                near.append(plain(c));
            }
        }
        return near.toString();
    }

    private static char plain(char c) {
        if (Character.getType(c) == Character.DASH_PUNCTUATION) {
            return '-';
        }
        int foreign = FOREIGN.indexOf(c);
        return Character.toLowerCase(foreign < 0 ? c : LATIN.charAt(foreign));
    }

    /** Whether a value may be one of those that a pattern, or a plain text, stands for, however it is written. */
    public static boolean mayBe(String pattern, String value) {
        return TextPattern.matches(pattern, value) || TextPattern.matches(wide(pattern), wide(value));
    }

    /** Whether a value would be one of those that a pattern stands for if it were written as people write it carefully. */
    public static boolean isWrittenOtherwise(String pattern, String value) {
        return !beginsOtherwise(pattern, value)
                && !TextPattern.matches(pattern, value)
                && TextPattern.matches(near(pattern), near(value));
    }

    /** A quick look, as a large catalogue asks this of every phone of every route: most names differ in their first letter. */
    private static boolean beginsOtherwise(String pattern, String value) {
        if (pattern.isEmpty() || value.isEmpty()) {
            return false;
        }
        char one = pattern.charAt(0);
        char other = value.charAt(0);
        return !TextPattern.isPattern(pattern)
                && isPlain(one)
                && isPlain(other)
                && Character.toLowerCase(one) != Character.toLowerCase(other);
    }

    /** A letter, digit or mark of ASCII, no blank. */
    private static boolean isPlain(char c) {
        return c > ' ' && c < '\u007F';
    }

    /** Whether two names may be of one carrier: marks do not count, nor what follows the name. */
    public static boolean mayBeCarrier(String one, String other) {
        String a = letters(one);
        String b = letters(other);
        return a.equals(b)
                || Math.min(a.length(), b.length()) >= LEAST_OF_A_CARRIER && (a.startsWith(b) || b.startsWith(a));
    }

    private static String letters(String name) {
        return wide(name).replaceAll("[^\\p{L}\\p{N}]", "");
    }
}
