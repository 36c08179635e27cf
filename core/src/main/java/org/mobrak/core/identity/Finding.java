package org.mobrak.core.identity;

/**
 * Something worth telling about what was read. The screen and the command line show the same findings.
 *
 * @param code stable, for programs: lower-case words joined by dashes
 * @param message one or two sentences for a person, with the remedy where there is one
 */
public record Finding(Severity severity, String code, String message) {

    static Finding stop(String code, String message) {
        return new Finding(Severity.STOP, code, message);
    }

    static Finding caution(String code, String message) {
        return new Finding(Severity.CAUTION, code, message);
    }

    static Finding note(String code, String message) {
        return new Finding(Severity.NOTE, code, message);
    }
}
