package org.mobrak.core.learn.reading;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Words that tell something, wherever they stand in a sentence; looked for in small letters. */
final class Cue {
    private final Pattern pattern;
    private final Anchors anchors;

    private Cue(String... words) {
        pattern = Pattern.compile("(?<![a-z0-9])(?:" + String.join("|", words) + ")(?![a-z0-9])");
        anchors = new Anchors(List.of(words));
    }

    /** Words or patterns, each beginning and ending at the end of a word. */
    static Cue of(String... words) {
        return new Cue(words);
    }

    boolean in(CharSequence lower) {
        return at(lower) >= 0;
    }

    boolean begins(CharSequence lower) {
        return anchors.mayBeIn(lower) && pattern.matcher(lower).lookingAt();
    }

    /** Where it first stands; below zero where it does not. */
    int at(CharSequence lower) {
        if (!anchors.mayBeIn(lower)) {
            return -1;
        }
        Matcher found = pattern.matcher(lower);
        if (!anchors.tellWhere()) {
            return found.find() ? found.start() : -1;
        }
        found.useTransparentBounds(true).useAnchoringBounds(false);
        for (int at = anchors.next(lower, 0); at >= 0; at = anchors.next(lower, past(lower, at))) {
            if (found.region(at, lower.length()).lookingAt()) {
                return at;
            }
        }
        return -1;
    }

    /** Where the word ends that begins there. */
    private static int past(CharSequence lower, int at) {
        int to = at;
        while (to < lower.length() && lower.charAt(to) >= 'a' && lower.charAt(to) <= 'z') {
            to++;
        }
        return to;
    }

    Matcher matcher(CharSequence lower) {
        return pattern.matcher(lower);
    }
}
