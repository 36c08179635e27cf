package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.School;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * A plan played through from the phone's facts, route by route: what each needed as things stood then, and what it changed.
 * It knows nothing of how the plan was found, so it is its certificate.
 */
public record Replay(List<Step> steps, boolean reachesGoal) {
    public Replay {
        steps = List.copyOf(steps);
    }

    /**
     * One route as it would be taken.
     *
     * @param clauses its conditions, judged over what the routes before it left
     * @param changes the facts it changes, with their values before (if known) and after
     */
    public record Step(Route route, List<Clause> clauses, Map<Fact, Change> changes) {
        /** What it changes, for a person: {@code Recovery stock → custom; Root not known → permanent}. */
        public String changesInWords() {
            return changes.entrySet().stream()
                    .map(change -> "%s %s → %s"
                            .formatted(
                                    change.getKey().label(),
                                    change.getValue().before().orElse("not known"),
                                    change.getValue().after()))
                    .collect(Collectors.joining("; "));
        }

        /** Whether every condition holds, or at least is not known to fail. */
        boolean holds(boolean mayAssume) {
            return clauses.stream()
                    .map(Clause::result)
                    .allMatch(result -> result == Truth.YES || mayAssume && result == Truth.UNKNOWN);
        }
    }

    /** A value before, if it was known, and after. */
    public record Change(Optional<String> before, String after) {}

    /** Plays a plan through. */
    public static Replay of(Plan plan, Catalogue catalogue, Facts facts, Optional<School> choice) {
        List<Step> steps = new ArrayList<>();
        Facts here = plan.goal().from(facts);
        for (Route route : plan.routes()) {
            steps.add(new Step(
                    route, FitCheck.alone(catalogue, route, here, choice).clauses(), changes(route, here)));
            here = here.supposing(route.changes().effects());
        }
        return new Replay(steps, plan.goal().isReachedIn(here));
    }

    private static Map<Fact, Change> changes(Route route, Facts here) {
        Map<Fact, Change> changes = new LinkedHashMap<>();
        route.changes().effects().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(effect -> {
                    Optional<String> before = here.value(effect.getKey());
                    if (before.filter(effect.getValue()::equals).isEmpty()) {
                        changes.put(effect.getKey(), new Change(before, effect.getValue()));
                    }
                });
        return changes;
    }

    /** Whether every step could be taken when its turn came, and the goal is reached in the end. */
    public boolean isSound() {
        return reachesGoal && steps.stream().allMatch(step -> step.holds(false));
    }

    /** The same, where what is unknown may be assumed. */
    public boolean isSoundAssuming() {
        return reachesGoal && steps.stream().allMatch(step -> step.holds(true));
    }
}
