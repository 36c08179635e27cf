package org.mobrak.app.rehearsal;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.identity.Fact;

/**
 * How a rehearsal went.
 *
 * @param faults what was made to go wrong
 * @param reached whether what was wanted is true of the phone at the end
 * @param minutes of virtual time
 * @param facts what is true of the phone at the end
 * @param claimed what the job says is so of the phone
 * @param silent every place where somebody with the card alone could not go on, the first of them where it ended; empty elsewhere
 * @param caught which gate, check or sign caught what went wrong, or would have caught it
 */
public record Report(
        String phone,
        String goal,
        List<String> routes,
        List<String> faults,
        End end,
        boolean reached,
        double minutes,
        List<Happened> events,
        Map<Fact, String> facts,
        Map<Fact, String> claimed,
        Set<String> caught,
        List<Stuck> silent) {
    public Report {
        silent = List.copyOf(silent);
        routes = List.copyOf(routes);
        faults = List.copyOf(faults);
        events = List.copyOf(events);
        facts = Map.copyOf(facts);
        claimed = Map.copyOf(claimed);
    }

    /** Where somebody with the card alone could not go on. */
    public Optional<Stuck> stuck() {
        return silent.stream().findFirst();
    }

    /** How it can end. */
    public enum End {
        GOAL("goal"),
        STOPPED_AT_GATE("stopped-at-gate"),
        /** It did not work, and the phone starts as it did before. */
        CAME_BACK("came-back"),
        GAVE_UP("gave-up"),
        /** The card does not say how to go on. */
        STUCK("stuck"),
        DEAD("dead");

        private final String word;

        End(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /**
     * Something that happened.
     *
     * @param seconds since the beginning
     * @param step the step's id; empty between steps
     * @param kind {@code step}, {@code seen}, {@code fault}, {@code caught}, {@code remedy}, {@code passed}, {@code stuck} or {@code end}
     */
    public record Happened(double seconds, String step, String kind, String text) {}
}
