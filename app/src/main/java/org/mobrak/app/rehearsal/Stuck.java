package org.mobrak.app.rehearsal;

import java.util.Locale;

/**
 * Where somebody who has only the card cannot go on.
 *
 * @param step the id of the step
 * @param missing what the card does not say, in words
 */
public record Stuck(String step, Kind kind, String missing) {

    /** What the card is silent about. */
    public enum Kind {
        NO_KEYS,
        NO_MODE,
        NO_CABLE,
        NO_FILE,
        NO_COPY,
        NO_SWITCH,
        NO_VALUE,
        NO_SIGN,
        NO_REMEDY,
        GATE_CANNOT_OPEN,
        CIRCULAR_REMEDY,
        ORDER;

        /** As it is written: {@code no-keys}. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }
}
