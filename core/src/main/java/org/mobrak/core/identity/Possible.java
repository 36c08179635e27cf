package org.mobrak.core.identity;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Locale;
import java.util.Set;

/**
 * Whether a reading can be true of any phone. One that cannot (a date before the first phone, a text that breaks off, a word
 * for “nothing there”) says nothing: the fact is as unknown as if nobody had read it.
 */
public final class Possible {
    /** Before it there was no phone with this OS; from memory. */
    private static final LocalDate FIRST_PHONE = LocalDate.of(2008, 9, 1);

    /** Before it there was no patch level; from memory. */
    private static final LocalDate FIRST_PATCH_LEVEL = LocalDate.of(2015, 8, 1);

    /** Makers have the patches some weeks before the day they are named after (common practice, no published source). */
    private static final int DAYS_AHEAD = 60;

    /** What stands where a system has no value to show (common practice, no published source). */
    private static final Set<String> NO_VALUE = Set.of("n/a", "na", "unknown", "null", "-", "--", "?", "not available");

    private static final char REPLACEMENT = '\uFFFD';

    private Possible() {}

    /** Whether this reading can be true. */
    public static boolean canBe(Reading reading) {
        String value = reading.value();
        if (isTorn(value)) {
            return false;
        }
        return switch (reading.fact()) {
            case BUILD_DATE, KERNEL_BUILT -> isDay(reading, FIRST_PHONE, 1);
            case PATCH_LEVEL -> isDay(reading, FIRST_PATCH_LEVEL, DAYS_AHEAD);
            default ->
                !(reading.fact().domain() instanceof Domain.Free)
                        || !NO_VALUE.contains(value.strip().toLowerCase(Locale.ROOT));
        };
    }

    /** Bytes that were no text, or an end that was cut off. */
    private static boolean isTorn(String value) {
        return value.indexOf(REPLACEMENT) >= 0 || value.endsWith("…") || value.endsWith("...") || value.endsWith("_");
    }

    private static boolean isDay(Reading reading, LocalDate first, int ahead) {
        LocalDate read = LocalDate.ofInstant(reading.takenAt(), ZoneOffset.UTC);
        boolean tooEarly =
                Days.last(reading.value()).filter(day -> !day.isBefore(first)).isEmpty();
        // A computer whose own clock is before the first phone cannot tell what lies ahead.
        boolean tooLate = !read.isBefore(FIRST_PHONE)
                && Days.first(reading.value())
                        .filter(day -> day.isAfter(read.plusDays(ahead)))
                        .isPresent();
        return !tooEarly && !tooLate;
    }
}
