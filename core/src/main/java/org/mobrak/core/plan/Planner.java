package org.mobrak.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Facts;

/** Finds the plans for a goal. */
public final class Planner {
    private static final int A_HANDFUL = 5;
    private static final Comparator<Cost> MILDEST_FIRST = Comparator.comparingInt(
                    (Cost cost) -> cost.marks().size())
            .thenComparing(Cost::dataLoss)
            .thenComparingDouble(Cost::riskPoints)
            .thenComparingDouble(Cost::money)
            .thenComparingDouble(Cost::minutes);

    private Planner() {}

    /**
     * The plans that nothing beats in every respect, the mildest first and at most a handful, or else the smallest set of
     * blockers.
     */
    public record Answer(Goal goal, List<Plan> plans, List<String> blockers) {
        public Answer {
            plans = List.copyOf(plans);
            blockers = List.copyOf(blockers);
        }
    }

    public static Answer plan(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        if (goal.isReachedIn(facts)) {
            return new Answer(goal, List.of(new Plan(goal, List.of(), Cost.none())), List.of());
        }
        List<Plan> plans = PlanSearch.unblocked(goal, catalogue.routes(), facts, choice, limits).stream()
                .map(way -> new Plan(goal, way.routes(), way.cost()))
                .sorted(Comparator.comparing(Plan::cost, MILDEST_FIRST).thenComparing(Plan::title))
                .limit(A_HANDFUL)
                .toList();
        return new Answer(goal, plans, plans.isEmpty() ? blockers(goal, catalogue, facts, choice, limits) : List.of());
    }

    private static List<String> blockers(
            Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        boolean onlyLimits = !limits.equals(Limits.none())
                && !plan(goal, catalogue, facts, choice, Limits.none()).plans().isEmpty();
        if (onlyLimits) {
            return List.of("Every plan breaks one of your limits; without them there is a way.");
        }
        return PlanSearch.leastBlocked(goal, catalogue.routes(), facts, choice)
                .map(way -> List.copyOf(way.blockers()))
                .orElse(List.of("No route in the catalogue leads to “" + goal.label() + "”."));
    }
}
