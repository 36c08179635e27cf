package org.mobrak.core.logbook.search;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Locale;
import java.util.Optional;

/**
 * Something that was found.
 *
 * @param phone the number of the phone it is of
 * @param at when it came into the logbook, ISO 8601
 * @param text the part of it around the words, which stand between › and ‹
 */
public record Hit(long phone, String nickname, Kind kind, String at, String text) {
    private static final DateTimeFormatter MINUTE = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm");

    /** When it came in, by the clock on the wall; what is no time as it stands. */
    public String told(ZoneId zone) {
        return when().map(instant -> MINUTE.format(instant.atZone(zone))).orElse(at);
    }

    /** The day on which it came in; empty where that is not known. */
    public Optional<LocalDate> day(ZoneId zone) {
        return when().map(instant -> instant.atZone(zone).toLocalDate());
    }

    private Optional<Instant> when() {
        try {
            return Optional.of(Instant.parse(at));
        } catch (DateTimeParseException noTime) {
            return Optional.empty();
        }
    }

    /** What was found. */
    public enum Kind {
        PHONE,
        READING,
        JOB,
        EVENT;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
