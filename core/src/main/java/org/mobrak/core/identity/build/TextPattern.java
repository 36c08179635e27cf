package org.mobrak.core.identity.build;

/**
 * The one pattern language of Mobrak, for model numbers, builds, exclusions and {@code like}: a star stands for any text, also
 * none; a question mark for exactly one character; every other character for itself, capitals told apart. There is no way to
 * write a star or a question mark that stands for itself, since no build string holds one.
 *
 * <p>Matching goes through the text once and falls back only to the last star (the greedy rule for globs, common knowledge): at
 * most length of text × length of pattern steps, and no recursion.
 */
public record TextPattern(String text) {
    private static final char ANY_TEXT = '*';
    private static final char ONE_CHARACTER = '?';

    /** Whether a text has signs in it that stand for others. */
    public static boolean isPattern(String text) {
        return text.indexOf(ANY_TEXT) >= 0 || text.indexOf(ONE_CHARACTER) >= 0;
    }

    /** Whether a value is one of those that a pattern, or a plain text, stands for. */
    public static boolean matches(String pattern, String value) {
        return isPattern(pattern) ? new TextPattern(pattern).matches(value) : pattern.equals(value);
    }

    /** Whether it names nothing at all: it is made of stars and question marks only. */
    public static boolean namesNothing(String text) {
        return text.chars().allMatch(c -> c == ANY_TEXT || c == ONE_CHARACTER);
    }

    /** What stands before the first sign: every value it matches begins so. */
    public String beginning() {
        int end = 0;
        while (end < text.length() && text.charAt(end) != ANY_TEXT && text.charAt(end) != ONE_CHARACTER) {
            end++;
        }
        return text.substring(0, end);
    }

    /** A value that it matches: each question mark as one character, each star as nothing. */
    public String example(char one) {
        return text.replace(String.valueOf(ANY_TEXT), "").replace(ONE_CHARACTER, one);
    }

    private boolean matches(String value) {
        int at = 0;
        int in = 0;
        int star = -1;
        int resume = 0;
        while (at < value.length()) {
            if (in < text.length() && text.charAt(in) == ANY_TEXT) {
                star = in++;
                resume = at;
            } else if (in < text.length() && accepts(text.charAt(in), value.charAt(at))) {
                in++;
                at++;
            } else if (star >= 0) {
                in = star + 1;
                at = ++resume;
            } else {
                return false;
            }
        }
        while (in < text.length() && text.charAt(in) == ANY_TEXT) {
            in++;
        }
        return in == text.length();
    }

    private static boolean accepts(char sign, char c) {
        return sign == ONE_CHARACTER || sign == c;
    }
}
