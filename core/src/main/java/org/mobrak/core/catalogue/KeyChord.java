package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Keys held over time, each until a cue or for some seconds, as one line of text:
 *
 * <pre>hold volume-down + home + power until the warning; press volume-up</pre>
 *
 * @param strokes one after the other
 */
public record KeyChord(List<Stroke> strokes) {
    private static final Pattern TIME = Pattern.compile("[0-9]{1,3} s");
    private static final String WHILE_PLUGGING = " while plugging in";
    private static final String PLUGGED = "the cable is in";

    public KeyChord {
        strokes = List.copyOf(strokes);
    }

    /** What fingers, or the cable, can do. */
    public enum Key {
        VOLUME_UP,
        VOLUME_DOWN,
        POWER,
        HOME,
        BACK,
        MENU,
        CAMERA,
        KEYBOARD_LETTER,
        SERVICE_PLUG,
        ALL;

        /** As it is written: {@code volume-up}. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        private static Optional<Key> of(String word) {
            return Arrays.stream(values())
                    .filter(key -> key.word().equals(word))
                    .findFirst();
        }
    }

    /**
     * Keys that are down together.
     *
     * @param pressed whether they are pressed and let go at once, instead of held
     * @param until the cue at which they are let go; empty where a time tells, or the sign of the step does
     * @param seconds how long they are held
     */
    public record Stroke(List<Key> keys, boolean pressed, Optional<String> until, Optional<Integer> seconds) {
        public Stroke {
            keys = List.copyOf(keys);
        }

        /** When it is let go, in a few words. */
        public String cue() {
            return until.map(cue -> "until " + cue)
                    .or(() -> seconds.map("for %d s"::formatted))
                    .orElse(pressed ? "press" : "until the sign");
        }

        /** As it is written. */
        public String text() {
            return (pressed ? "press " : "hold ")
                    + keys.stream().map(Key::word).collect(Collectors.joining(" + "))
                    + until.map(cue -> " until " + cue).orElse("")
                    + seconds.map(" for %d s"::formatted).orElse("");
        }
    }

    /** All keys in it, in the order in which they are first needed. */
    public List<Key> keys() {
        return strokes.stream()
                .flatMap(stroke -> stroke.keys().stream())
                .distinct()
                .toList();
    }

    /** Whether they are held while the cable goes in. */
    public boolean isEndedByTheCable() {
        return strokes.stream()
                .anyMatch(stroke -> stroke.until().filter(PLUGGED::equals).isPresent());
    }

    /** Reads one line; an {@link IllegalArgumentException} tells what in it is none. */
    @JsonCreator
    public static KeyChord parse(String text) {
        List<Stroke> strokes = new ArrayList<>();
        for (String part : text.split(";", -1)) {
            strokes.add(stroke(part.strip()));
        }
        return new KeyChord(strokes);
    }

    /** What a person has written, where it can be read; empty for other words. */
    public static Optional<KeyChord> read(String text) {
        try {
            return Optional.of(parse(text));
        } catch (IllegalArgumentException otherWords) {
            return Optional.empty();
        }
    }

    private static Stroke stroke(String text) {
        boolean pressed = text.startsWith("press ");
        String rest = pressed || text.startsWith("hold ") ? text.substring(text.indexOf(' ') + 1) : text;
        if (rest.endsWith(WHILE_PLUGGING)) {
            String keys = rest.substring(0, rest.length() - WHILE_PLUGGING.length());
            return new Stroke(keys(keys), pressed, Optional.of(PLUGGED), Optional.empty());
        }
        int until = rest.indexOf(" until ");
        if (until >= 0) {
            String cue = rest.substring(until + " until ".length()).strip();
            return new Stroke(keys(rest.substring(0, until)), pressed, Optional.of(cue), Optional.empty());
        }
        int time = rest.indexOf(" for ");
        if (time >= 0) {
            return new Stroke(
                    keys(rest.substring(0, time)),
                    pressed,
                    Optional.empty(),
                    Optional.of(seconds(rest.substring(time + 5))));
        }
        return new Stroke(keys(rest), pressed, Optional.empty(), Optional.empty());
    }

    private static int seconds(String text) {
        if (!TIME.matcher(text).matches()) {
            throw new IllegalArgumentException("“" + text + "” is no time to hold keys; write it like “for 10 s”.");
        }
        return Integer.parseInt(text.substring(0, text.indexOf(' ')));
    }

    private static List<Key> keys(String text) {
        return Arrays.stream(text.split("\\+", -1))
                .map(String::strip)
                .map(word -> Key.of(word)
                        .orElseThrow(() -> new IllegalArgumentException("“" + word
                                + "” is no key of a phone; write it like “hold volume-down + power until the logo”.")))
                .toList();
    }

    /** All of it on one line, as it is written. */
    @JsonValue
    public String text() {
        return strokes.stream().map(Stroke::text).collect(Collectors.joining("; "));
    }
}
