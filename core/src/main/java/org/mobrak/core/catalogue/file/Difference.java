package org.mobrak.core.catalogue.file;

import java.util.List;

/**
 * One entry that stands in one of two catalogues or in both.
 *
 * @param kind {@code phones}, {@code routes}, {@code grammars} or {@code holes}
 * @param changes where both have it and say different things: what differs
 */
public record Difference(String kind, String id, State state, List<Change> changes) {
    public Difference {
        changes = List.copyOf(changes);
    }

    /** Where an entry stands; where it came from does not count as a difference. */
    public enum State {
        ONLY_OURS("only in the first"),
        ONLY_THEIRS("new"),
        SAME("the same"),
        DIFFERENT("differs");

        private final String word;

        State(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /**
     * One value that differs.
     *
     * @param where the way to it, as in {@code costs/handsOn/1}
     * @param ours the value in the first catalogue; empty where it is not there
     * @param theirs the value in the second
     */
    public record Change(String where, String ours, String theirs) {
        /** For a person. */
        public String sentence() {
            if (ours.isEmpty()) {
                return where + ": " + theirs + " is new";
            }
            return theirs.isEmpty() ? where + ": " + ours + " is gone" : where + ": " + ours + " became " + theirs;
        }
    }

    /** By what an entry is named on the command line: {@code routes/juniper-unlock}. */
    public String name() {
        return kind + "/" + id;
    }

    /** Whether the second catalogue has something here that the first has not. */
    public boolean canBeTaken() {
        return state == State.ONLY_THEIRS || state == State.DIFFERENT;
    }
}
