package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Aftermath;
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
 *
 * @param end what is known of the phone when all is done
 */
public record Replay(List<Step> steps, Facts end, boolean reachesGoal) {
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
        /**
         * What it changes, for a person: {@code Recovery stock → custom; Root not known → permanent}. What nobody knows any more
         * is counted only.
         */
        public String changesInWords() {
            List<String> words = new ArrayList<>();
            changes.forEach((fact, change) -> change.after()
                    .ifPresent(now -> words.add(
                            "%s %s → %s".formatted(fact.label(), change.before().orElse("not known"), now))));
            long gone = changes.values().stream()
                    .filter(change -> change.after().isEmpty())
                    .count();
            if (gone > 0) {
                words.add(gone == 1 ? "1 reading no longer holds" : gone + " readings no longer hold");
            }
            return String.join("; ", words);
        }

        /** The conditions of which it is not known whether they hold. */
        List<Clause> open() {
            return clauses.stream()
                    .filter(clause -> clause.result() == Truth.UNKNOWN)
                    .toList();
        }

        /** Whether every condition holds, or at least is not known to fail. */
        boolean holds(boolean mayAssume) {
            return clauses.stream()
                    .map(Clause::result)
                    .allMatch(result -> result == Truth.YES || mayAssume && result == Truth.UNKNOWN);
        }
    }

    /** A value before and after, each if it is known. */
    public record Change(Optional<String> before, Optional<String> after) {}

    /** Plays a plan through. */
    public static Replay of(Plan plan, Catalogue catalogue, Facts facts, Optional<School> choice) {
        List<Step> steps = new ArrayList<>();
        Facts here = plan.goal().from(facts);
        for (Route route : plan.routes()) {
            steps.add(new Step(
                    route, FitCheck.alone(catalogue, route, here, choice).clauses(), changes(route, here)));
            here = here.after(Aftermath.of(route, here));
        }
        return new Replay(steps, here, plan.goal().isReachedIn(here));
    }

    private static Map<Fact, Change> changes(Route route, Facts here) {
        Map<Fact, Change> changes = new EnumMap<>(Fact.class);
        Aftermath.of(route, here).forEach((fact, after) -> {
            Optional<String> before = here.value(fact);
            if (!before.equals(after)) {
                changes.put(fact, new Change(before, after));
            }
        });
        return Collections.unmodifiableMap(changes);
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
