package org.mobrak.core.fit;

import java.util.Locale;

/**
 * Yes, no or unknown, joined by the strong three-valued logic of S. C. Kleene, Introduction to Metamathematics (1952),
 * §64: what is unknown stays unknown only where it could still decide.
 */
public enum Truth {
    NO,
    UNKNOWN,
    YES;

    /** The lesser of the two. */
    public Truth and(Truth other) {
        return compareTo(other) <= 0 ? this : other;
    }

    /** The greater of the two. */
    public Truth or(Truth other) {
        return compareTo(other) >= 0 ? this : other;
    }

    public Truth not() {
        return values()[YES.ordinal() - ordinal()];
    }

    static Truth of(boolean known) {
        return known ? YES : NO;
    }

    /** {@code yes}, {@code no} or {@code unknown}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
