package org.mobrak.core.fit;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.OptionalInt;

/** The order of days in ISO 8601; a time of day is left out. */
final class Days {
    private static final int LENGTH = "2016-11-05".length();

    private Days() {}

    /** Negative, zero or positive as {@code a} is before, on or after {@code b}; empty if one of them is no day. */
    static OptionalInt compare(String a, String b) {
        try {
            return OptionalInt.of(day(a).compareTo(day(b)));
        } catch (DateTimeException noDay) {
            return OptionalInt.empty();
        }
    }

    private static LocalDate day(String text) {
        return LocalDate.parse(text.length() > LENGTH ? text.substring(0, LENGTH) : text);
    }
}
