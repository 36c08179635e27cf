package org.mobrak.core.learn.reading;

import java.util.BitSet;
import java.util.List;

/** The first letters of the words with which a wording may begin; most sentences have none of them, and are so passed over at once. */
final class Anchors {
    private static final int LETTERS = 27;
    private static final int LONG = 3;

    private final BitSet set = new BitSet(LETTERS * LETTERS * LETTERS);
    private boolean sure = true;
    private boolean atWords = true;

    Anchors(List<String> wordings) {
        wordings.forEach(wording -> sure &= begin(wording));
    }

    /** Whether one of the wordings may stand in a text of small letters. */
    boolean mayBeIn(CharSequence text) {
        return !sure || next(text, 0) >= 0;
    }

    /** Whether every wording begins with a letter, so that it stands only where {@link #next} says. */
    boolean tellWhere() {
        return sure && atWords;
    }

    /** Where the next word begins with which a wording may begin; below zero where none does. */
    int next(CharSequence text, int start) {
        int from = start;
        int length = text.length();
        while (from < length) {
            while (from < length && !isLetter(text.charAt(from))) {
                from++;
            }
            int to = from;
            while (to < length && isLetter(text.charAt(to))) {
                to++;
            }
            if (to > from && set.get(index(text, from, to))) {
                return from;
            }
            from = to;
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

    /** Notes how a wording begins; false where that cannot be told. */
    private boolean begin(String wording) {
        if (wording.isEmpty()) {
            return false;
        }
        char first = wording.charAt(0);
        if (isLetter(first)) {
            return word(wording);
        }
        if (wording.startsWith("(?:")) {
            return group(wording);
        }
        // A sign or a figure stands before the first word.
        atWords = false;
        boolean plain = "\\.[(*+?{^$|".indexOf(first) < 0;
        return plain && begin(wording.substring(1));
    }

    private boolean word(String wording) {
        int end = 0;
        while (end < wording.length() && isLetter(wording.charAt(end))) {
            end++;
        }
        char next = end < wording.length() ? wording.charAt(end) : ' ';
        boolean optional = next == '?' || next == '*' || next == '{';
        if (optional) {
            add(wording, end - 1, false);
            add(wording, end, false);
        }
        char after = end + 1 < wording.length() ? wording.charAt(end + 1) : ' ';
        boolean open = optional || "(.[\\+".indexOf(next) >= 0 || "?*{".indexOf(after) >= 0;
        add(wording, optional ? end - 1 : end, open);
        return end > (optional ? 1 : 0);
    }

    private boolean group(String wording) {
        int depth = 0;
        int from = LONG;
        int at = 0;
        java.util.ArrayList<String> ways = new java.util.ArrayList<>();
        for (; at < wording.length(); at++) {
            char one = wording.charAt(at);
            if (one == '\\') {
                at++;
                continue;
            }
            depth += one == '(' ? 1 : one == ')' ? -1 : 0;
            if (one == '|' && depth == 1 || depth == 0) {
                ways.add(wording.substring(from, at));
                from = at + 1;
            }
            if (depth == 0) {
                break;
            }
        }
        String rest = wording.substring(Math.min(wording.length(), at + 1));
        boolean optional = rest.startsWith("?") || rest.startsWith("{0");
        String behind = optional ? rest.substring(rest.startsWith("?") ? 1 : rest.indexOf('}') + 1) : rest;
        boolean all = true;
        for (String way : ways) {
            all &= begin(way + behind);
        }
        return all && (!optional || begin(behind));
    }

    /** The first letters of a word; where it is open how it goes on, every way in which it may. */
    private void add(String word, int end, boolean open) {
        if (end >= LONG || !open) {
            set.set(index(word, 0, end));
            return;
        }
        int low = index(word, 0, end);
        int span = 1;
        for (int i = end; i < LONG; i++) {
            span *= LETTERS;
        }
        set.set(low, low + span);
    }
}
