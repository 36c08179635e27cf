package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How a person likes to do what can be done in several ways. Of each kind one is chosen once, and kept to. */
public enum Habit {
    KEYS(Kind.ENTER, "with the keys"),
    PLUG(Kind.ENTER, "with a service plug"),
    COMMAND(Kind.ENTER, "with a typed command"),
    TOUCH(Kind.RECOVERY, "by touch"),
    BUTTONS(Kind.RECOVERY, "with its buttons"),
    RESTARTS(Kind.RESTART, "it restarts by itself"),
    STRAIGHT(Kind.RESTART, "straight into recovery");

    private final Kind kind;
    private final String label;

    /** What the choice is about. */
    public enum Kind {
        /** How a phone is brought into a mode. */
        ENTER,
        /** What the recovery is worked by. */
        RECOVERY,
        /** What the phone does after something was written. */
        RESTART
    }

    Habit(Kind kind, String label) {
        this.kind = kind;
        this.label = label;
    }

    public Kind kind() {
        return kind;
    }

    /** For a person: {@code with a service plug}. */
    public String label() {
        return label;
    }

    /** As it is written: {@code plug}. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Habit> ofWord(String word) {
        return Arrays.stream(values())
                .filter(habit -> habit.word().equals(word))
                .findFirst();
    }

    @JsonCreator
    static Habit read(String word) {
        return ofWord(word).orElseThrow(() -> new IllegalArgumentException("“" + word + "” is no way to do it."));
    }
}
