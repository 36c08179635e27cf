package org.mobrak.app.rehearsal;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.KeyChord.Key;

/**
 * What whoever plays a rehearsal sees of the bench.
 *
 * @param seconds since it was begun, in the bench's time
 * @param mode the phone's mode, as steps of routes write it
 * @param screen what it shows
 * @param busyWith what it is busy with; empty while it waits for somebody
 * @param share how far that is, from 0 to 1
 * @param battery in percent
 * @param celsius how warm it is
 * @param wire how it hangs on the computer
 * @param held the keys that are down
 * @param offers what can be done at the bench for the step that is next
 * @param told what was seen or said last
 * @param verdict how it ended; empty while it goes on
 * @param slips what was passed over, and what would have caught it
 */
public record BenchView(
        double seconds,
        String mode,
        String screen,
        Optional<String> busyWith,
        double share,
        int battery,
        int celsius,
        Wire wire,
        Set<Key> held,
        List<Offer> offers,
        String told,
        Optional<String> verdict,
        List<String> slips) {
    public BenchView {
        held = Set.copyOf(held);
        offers = List.copyOf(offers);
        slips = List.copyOf(slips);
    }

    /**
     * How the phone hangs on the computer.
     *
     * @param lead what is plugged in
     * @param driver whether the computer knows phones like this one
     * @param port whether it sees this one now
     */
    public record Wire(Lead lead, boolean driver, boolean port) {}

    /** What can be plugged in. */
    public enum Lead {
        NONE("no cable"),
        CHARGING("a charging cable"),
        DATA("a data cable"),
        FACTORY("a factory-mode cable");

        private final String words;

        Lead(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Something that can be done at the bench. */
    public enum Doing {
        NOTE_IT,
        SEE_TO_IT,
        LOOK_AT_THE_FILE,
        FETCH_ANEW,
        DO_IT,
        DO_AGAIN,
        /** The storage is formatted, out of the question for a password. */
        FORMAT,
        LOOK
    }

    /** One thing that can be done now, and in what words. */
    public record Offer(Doing doing, String words) {}
}
