package org.mobrak.core.identity;

import java.util.Optional;

/**
 * Something worth telling about what was read. The screen and the command line show the same findings.
 *
 * @param code stable, for programs: lower-case words joined by dashes
 * @param message one or two sentences for a person, with the remedy where there is one
 * @param sure how much stands behind it
 */
public record Finding(Severity severity, String code, String message, Sureness sure) {
    public Finding {
        // Findings kept by an earlier version say nothing of it.
        sure = Optional.ofNullable(sure).orElse(Sureness.CERTAIN);
    }

    /** How sure a finding is; the word is shown. */
    public enum Sureness {
        /** It follows from the readings themselves. */
        CERTAIN("certain"),
        /** The usual cause, though there are others. */
        LIKELY("likely"),
        /** Worth a second look, no more. */
        HINT("a hint");

        private final String word;

        Sureness(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    public static Finding stop(String code, String message) {
        return new Finding(Severity.STOP, code, message, Sureness.CERTAIN);
    }

    public static Finding caution(String code, String message) {
        return new Finding(Severity.CAUTION, code, message, Sureness.CERTAIN);
    }

    public static Finding note(String code, String message) {
        return new Finding(Severity.NOTE, code, message, Sureness.CERTAIN);
    }

    /** The same finding, less sure. */
    public Finding but(Sureness less) {
        return new Finding(severity, code, message, less);
    }
}
