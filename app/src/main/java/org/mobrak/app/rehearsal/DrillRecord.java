package org.mobrak.app.rehearsal;

import java.time.LocalDate;
import java.util.List;

/**
 * How well one chord sits. What sits is asked again after longer and longer, what does not at once: the boxes of Sebastian
 * Leitner's card file, from memory; the days are our own choice.
 *
 * @param box how many times in a row it sat, as far as there are boxes
 * @param last when it was tried last
 */
public record DrillRecord(int box, LocalDate last, int tried, int sat) {
    private static final List<Integer> DAYS = List.of(0, 1, 3, 7, 21);

    public DrillRecord {
        if (box < 0 || box >= DAYS.size() || sat < 0 || tried < sat) {
            throw new IllegalArgumentException("no record of a drill");
        }
    }

    static DrillRecord first(LocalDate day) {
        return new DrillRecord(0, day, 0, 0);
    }

    /** The record after one more try. */
    DrillRecord after(boolean went, LocalDate day) {
        int next = went ? Math.min(DAYS.size() - 1, box + 1) : 0;
        return new DrillRecord(next, day, tried + 1, sat + (went ? 1 : 0));
    }

    /** When it is to be tried again. */
    public LocalDate due() {
        return last.plusDays(DAYS.get(box));
    }
}
