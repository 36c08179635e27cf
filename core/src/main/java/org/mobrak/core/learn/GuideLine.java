package org.mobrak.core.learn;

import java.util.List;
import java.util.Locale;

/**
 * A line of a guide, without its markup.
 *
 * @param number the physical line of the source, from 1
 * @param cells where it is the row of a table; empty elsewhere
 */
record GuideLine(String file, int number, String text, Kind kind, List<String> cells) {
    GuideLine {
        cells = List.copyOf(cells);
    }

    /** What a line is by its markup. */
    enum Kind {
        TEXT,
        HEADING,
        ITEM,
        /** A numbered step. */
        NUMBERED,
        ROW,
        /** Somebody else's words. */
        QUOTE
    }

    String lower() {
        return text.toLowerCase(Locale.ROOT);
    }
}
