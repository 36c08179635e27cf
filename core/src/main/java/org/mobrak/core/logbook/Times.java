package org.mobrak.core.logbook;

import java.time.DateTimeException;
import java.time.Instant;

/** Times as a logbook and an export keep them: ISO 8601, in years with which one can reckon. */
public final class Times {
    private static final Instant EARLIEST = Instant.EPOCH;
    private static final Instant LATEST = Instant.parse("9999-12-31T23:59:59.999999999Z");

    private Times() {}

    /** A {@link DateTimeException} tells that a text is no time, or one of a year that no clock of ours shows. */
    public static Instant of(String text) {
        Instant time = Instant.parse(text);
        if (time.isBefore(EARLIEST) || time.isAfter(LATEST)) {
            throw new DateTimeException(text + " is no time of ours");
        }
        return time;
    }
}
