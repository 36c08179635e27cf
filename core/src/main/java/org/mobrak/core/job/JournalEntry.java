package org.mobrak.core.job;

import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/**
 * Something that happened in a job.
 *
 * @param stepId the step it happened to, where it happened to one
 * @param note in the user's words; empty where there are none
 */
public record JournalEntry(Instant at, Kind kind, Optional<String> stepId, String note) {

    /** What can happen. The last three end the job. */
    public enum Kind {
        TICKED,
        UNTICKED,
        WORKED,
        FAILED,
        STOPPED;

        public boolean ends() {
            return this == WORKED || this == FAILED || this == STOPPED;
        }

        /** The word for a person. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** The same, at another time. */
    public JournalEntry at(Instant other) {
        return new JournalEntry(other, kind, stepId, note);
    }

    public static JournalEntry ofStep(Instant at, Kind kind, String stepId) {
        return new JournalEntry(at, kind, Optional.of(stepId), "");
    }

    public static JournalEntry ofJob(Instant at, Kind kind, String note) {
        return new JournalEntry(at, kind, Optional.empty(), note);
    }
}
