package org.mobrak.core.catalogue.file;

/**
 * Something wrong in a catalogue file. An entry with a fault is never planned with; one with a warning is.
 *
 * @param line from 1; 0 where the fault is of the whole file
 */
public record Fault(String file, int line, String what, String remedy, Weight weight) {

    private static final String UNREAD = "The file cannot be read.";

    /** Whether an entry can be used all the same. */
    public enum Weight {
        FAULT,
        WARNING
    }

    public Fault(String file, int line, String what, String remedy) {
        this(file, line, what, remedy, Weight.FAULT);
    }

    static Fault warning(String file, int line, String what, String remedy) {
        return new Fault(file, line, what, remedy, Weight.WARNING);
    }

    /** A file that could not be read this time; the next time it may be. */
    static Fault unread(String file) {
        return new Fault(file, 0, UNREAD, "Check its permissions.");
    }

    boolean isUnread() {
        return what.equals(UNREAD);
    }

    public boolean isWarning() {
        return weight == Weight.WARNING;
    }

    /** One line: {@code routes/comb.yaml:12: what is wrong. What to do.} */
    public String text() {
        String place = line > 0 ? file + ":" + line : file;
        return "%s: %s%s %s".formatted(place, isWarning() ? "warning: " : "", what, remedy);
    }
}
