package org.mobrak.core.catalogue;

/**
 * Something wrong in a catalogue file.
 *
 * @param line from 1; 0 where the fault is of the whole file
 */
public record Fault(String file, int line, String what, String remedy) {

    /** One line: {@code routes/comb.yaml:12: what is wrong. What to do.} */
    public String text() {
        return line > 0
                ? "%s:%d: %s %s".formatted(file, line, what, remedy)
                : "%s: %s %s".formatted(file, what, remedy);
    }
}
