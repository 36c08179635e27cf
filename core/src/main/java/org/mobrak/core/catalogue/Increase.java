package org.mobrak.core.catalogue;

import java.util.Optional;

/** An effect that adds to a number instead of setting it, written {@code +1}. */
public final class Increase {
    private static final int LONGEST = 4;

    private Increase() {}

    /** Whether an effect is one: a plus sign and one to three digits. */
    public static boolean is(String effect) {
        return effect.length() > 1
                && effect.length() <= LONGEST
                && effect.charAt(0) == '+'
                && effect.chars().skip(1).allMatch(c -> c >= '0' && c <= '9');
    }

    /** The number afterwards; empty where it was not known before, so that it is not known now either. */
    static Optional<String> of(String effect, Optional<String> before) {
        return before.map(number -> String.valueOf(Long.parseLong(number) + Long.parseLong(effect.substring(1))));
    }

    /** What an effect comes to: itself, or the number afterwards where it is an increase of one that is known. */
    public static Optional<String> resolved(String effect, Optional<String> before) {
        return is(effect) ? of(effect, before) : Optional.of(effect);
    }
}
