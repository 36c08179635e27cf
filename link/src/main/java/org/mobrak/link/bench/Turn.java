package org.mobrak.link.bench;

import java.util.List;

/**
 * What came of a stimulus.
 *
 * @param done whether what was meant came about, as far as the phone shows it
 * @param seen what a person saw, in its order
 */
public record Turn(BenchState state, boolean done, List<Observation> seen) {
    public Turn {
        seen = List.copyOf(seen);
    }

    /**
     * Something that was seen.
     *
     * @param at seconds since the rehearsal began
     */
    public record Observation(double at, String text) {}

    static Turn quiet(BenchState state) {
        return new Turn(state, true, List.of());
    }

    static Turn shows(BenchState state, boolean done, String text) {
        return new Turn(state, done, List.of(new Observation(state.seconds(), text)));
    }
}
