package org.mobrak.core.logbook.search;

import java.util.Locale;

/**
 * Something that was found.
 *
 * @param phone the number of the phone it is of
 * @param at when it came into the logbook, ISO 8601
 * @param text the part of it around the words, which stand between › and ‹
 */
public record Hit(long phone, String nickname, Kind kind, String at, String text) {
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
