package org.mobrak.core.learn.reading;

import java.util.BitSet;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Words that tell something, wherever they stand in a sentence; looked for in small letters.
 *
 * <p>Most sentences hold none of them. So each cue knows the first letters of one word of each of its wordings, and only where one of
 * these begins a word in the text are the wordings tried at all.
 */
final class Cue {
    private static final int LETTERS = 27;
    private static final int LONG = 3;

    private final Pattern pattern;
    private final BitSet anchors = new BitSet(LETTERS * LETTERS * LETTERS);
    private final boolean anchored;

    private Cue(String... words) {
        pattern = Pattern.compile("(?<![a-z0-9])(?:" + String.join("|", words) + ")(?![a-z0-9])");
        boolean all = true;
        for (String word : words) {
            int anchor = anchor(word);
            if (anchor >= 0) {
                anchors.set(anchor);
            }
            all &= anchor >= 0;
        }
        anchored = all;
    }

    /** Words or patterns, each beginning and ending at the end of a word. */
    static Cue of(String... words) {
        return new Cue(words);
    }

    /** The first letters of a word that must stand in whatever a wording fits; below zero where none is sure. */
    private static int anchor(String wording) {
        int depth = 0;
        for (int i = 0; i < wording.length(); i++) {
            char one = wording.charAt(i);
            depth += one == '(' || one == '[' ? 1 : one == ')' || one == ']' ? -1 : 0;
            boolean begins = depth == 0 && isLetter(one) && (i == 0 || wording.charAt(i - 1) == ' ');
            if (wording.charAt(i) == '\\') {
                i++;
            } else if (begins) {
                int end = i;
                while (end < wording.length() && isLetter(wording.charAt(end))) {
                    end++;
                }
                char next = end < wording.length() ? wording.charAt(end) : ' ';
                int sure = next == '?' || next == '*' || next == '{' ? end - 1 : end;
                if (sure - i >= LONG || sure == end && next == ' ' || sure == end && end == wording.length()) {
                    return index(wording, i, sure);
                }
                i = end - 1;
            }
        }
        return -1;
    }

    private static boolean isLetter(char one) {
        return one >= 'a' && one <= 'z';
    }

    private static int index(CharSequence text, int from, int to) {
        int index = 0;
        for (int i = from; i < from + LONG; i++) {
            index = index * LETTERS + (i < to ? text.charAt(i) - 'a' + 1 : 0);
        }
        return index;
    }

    /** Whether one of the wordings may be there. */
    private boolean mayBeIn(CharSequence text) {
        if (!anchored) {
            return true;
        }
        int from = 0;
        int length = text.length();
        while (from < length) {
            while (from < length && !isLetter(text.charAt(from))) {
                from++;
            }
            int to = from;
            while (to < length && isLetter(text.charAt(to))) {
                to++;
            }
            if (to > from && anchors.get(index(text, from, to))) {
                return true;
            }
            from = to;
        }
        return false;
    }

    boolean in(CharSequence lower) {
        return mayBeIn(lower) && pattern.matcher(lower).find();
    }

    boolean begins(CharSequence lower) {
        return mayBeIn(lower) && pattern.matcher(lower).lookingAt();
    }

    /** Where it first stands; below zero where it does not. */
    int at(CharSequence lower) {
        if (!mayBeIn(lower)) {
            return -1;
        }
        Matcher found = pattern.matcher(lower);
        return found.find() ? found.start() : -1;
    }

    Matcher matcher(CharSequence lower) {
        return pattern.matcher(lower);
    }

    Optional<String> found(CharSequence lower) {
        Matcher found = pattern.matcher(lower);
        return found.find() ? Optional.of(found.group()) : Optional.empty();
    }
}
