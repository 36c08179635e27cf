package org.mobrak.core.identity;

import java.util.List;
import java.util.Optional;

/** What the ledger holds about one fact. */
public sealed interface Belief {

    /** All sources agree. */
    record Certain(List<Reading> readings) implements Belief {}

    /** Two sources disagree: the readings are in order of rank, and the first one leads. */
    record Conflicting(List<Reading> readings) implements Belief {}

    /** Nobody has said. */
    record Unknown() implements Belief {
        @Override
        public List<Reading> readings() {
            return List.of();
        }
    }

    /** There is none: this phone cannot have it, and that is an answer. */
    record Absent(String because) implements Belief {
        @Override
        public List<Reading> readings() {
            return List.of();
        }
    }

    /** What was read cannot be: a date before any phone, a text that breaks off. It says nothing, and is told. */
    record Impossible(Reading reading) implements Belief {
        @Override
        public List<Reading> readings() {
            return List.of();
        }
    }

    /** What the belief rests on, best-ranked first. */
    List<Reading> readings();

    /** The value that leads, if there is any. */
    default Optional<String> value() {
        // Asked more often than anything else, so without a stream.
        return readings().isEmpty()
                ? Optional.empty()
                : Optional.of(readings().get(0).value());
    }
}
