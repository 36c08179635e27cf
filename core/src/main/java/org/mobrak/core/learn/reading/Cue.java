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
        return anchors.mayBeIn(lower) && pattern.matcher(lower).find();
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
        return found.find() ? found.start() : -1;
    }

    Matcher matcher(CharSequence lower) {
        return pattern.matcher(lower);
    }
}
