package org.mobrak.core.learn;

import java.util.List;
import java.util.Map;
import java.util.Set;

/** Whether a line can tell anything at all; most lines of a long thread cannot, and looking closer at each takes its time. */
final class Telling {
    private static final int SHORTEST_SUM = 24;

    private final Map<String, List<String>> phrases;
    private final Set<String> doing;

    Telling(Wordings words) {
        this.phrases = words.telling();
        this.doing = words.doing();
    }

    /** It has a known phrase, begins a sentence with something to do, or has what may be a number, a file or a checksum. */
    boolean isIn(GuideLine line) {
        String lower = line.lower().replace('’', '\'');
        boolean figure = lower.chars().anyMatch(Character::isDigit);
        return figure && (line.text().chars().anyMatch(Character::isUpperCase) || lower.indexOf('%') >= 0)
                || figure && hasYear(lower)
                || hasLongWord(lower)
                || hasEnding(lower)
                || hasPhrase(lower);
    }

    /** It has a known phrase, or begins a sentence with something to do. */
    boolean hasPhrase(String lower) {
        int start = -1;
        boolean begins = true;
        for (int i = 0; i <= lower.length(); i++) {
            boolean letter = i < lower.length() && (Character.isLetter(lower.charAt(i)) || lower.charAt(i) == '\'');
            if (letter && start < 0) {
                start = i;
            } else if (!letter && start >= 0) {
                String word = lower.substring(start, i);
                if (begins && doing.contains(word) || isPhraseAt(lower, start, word)) {
                    return true;
                }
                begins = false;
                start = -1;
            }
            begins |= i < lower.length() && ".!?;:,".indexOf(lower.charAt(i)) >= 0;
        }
        return false;
    }

    private boolean isPhraseAt(String lower, int start, String word) {
        for (String phrase : phrases.getOrDefault(word, List.of())) {
            if (lower.startsWith(phrase, start)) {
                return true;
            }
        }
        return false;
    }

    private static boolean hasYear(String lower) {
        for (int at = lower.indexOf("20"); at >= 0; at = lower.indexOf("20", at + 1)) {
            if (at + 3 < lower.length()
                    && Character.isDigit(lower.charAt(at + 2))
                    && Character.isDigit(lower.charAt(at + 3))) {
                return true;
            }
        }
        return false;
    }

    /** A stop within a word, as names of files and versions have. */
    private static boolean hasEnding(String lower) {
        for (int at = lower.indexOf('.'); at >= 0; at = lower.indexOf('.', at + 1)) {
            if (at + 1 < lower.length() && Character.isLetterOrDigit(lower.charAt(at + 1))) {
                return true;
            }
        }
        return false;
    }

    /** A checksum is a word longer than any other. */
    private static boolean hasLongWord(String lower) {
        int start = 0;
        for (int end = 0; end <= lower.length(); end++) {
            if (end == lower.length() || lower.charAt(end) == ' ') {
                if (end - start >= SHORTEST_SUM) {
                    return true;
                }
                start = end + 1;
            }
        }
        return false;
    }
}
