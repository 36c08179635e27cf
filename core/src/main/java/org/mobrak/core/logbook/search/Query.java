package org.mobrak.core.logbook.search;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What was typed, in the index's language. Each word must be there; its last letters may be missing, and what has dashes or dots in it, as
 * build numbers have, stands in that order. Nothing that is typed is a command: each word is quoted (SQLite's documentation of FTS5, §3.1).
 */
record Query(List<String> words) {
    private static final int MOST_WORDS = 12;
    private static final int LONGEST = 80;

    static Query of(String typed) {
        return new Query(Arrays.stream(typed.strip().split("\\s{1,100}"))
                .filter(word -> word.codePoints().anyMatch(Character::isLetterOrDigit))
                .map(word -> word.substring(0, Math.min(LONGEST, word.length())))
                .limit(MOST_WORDS)
                .toList());
    }

    boolean isEmpty() {
        return words.isEmpty();
    }

    String match() {
        return words.stream()
                .map(word -> '"' + word.replace("\"", "\"\"") + "\"*")
                .collect(Collectors.joining(" "));
    }
}
