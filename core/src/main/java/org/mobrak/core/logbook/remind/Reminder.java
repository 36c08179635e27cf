package org.mobrak.core.logbook.remind;

import java.time.LocalDate;

/**
 * Something to be done again.
 *
 * @param due the day from which it is time
 * @param about what of the phone, so that the same thing is the same in every calendar: a copy's name, or empty text
 * @param what what is to be done
 * @param why what was read when
 */
public record Reminder(LocalDate due, String phone, Kind kind, String about, String what, String why) {

    /** What it is about. */
    public enum Kind {
        BATTERY("battery"),
        PATCH_LEVEL("patch level"),
        COPY("copy"),
        OWN("own");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    public boolean isDue(LocalDate today) {
        return !due.isAfter(today);
    }
}
