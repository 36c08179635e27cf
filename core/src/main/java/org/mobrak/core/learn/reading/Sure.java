package org.mobrak.core.learn.reading;

import java.util.Locale;

/** How sure a value is that was read from a guide. */
public enum Sure {
    /** The text says it plainly, under its own label, and can be read in one way only. */
    CERTAIN,
    /** It is said without a label, or in passing. */
    LIKELY,
    GUESS;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
