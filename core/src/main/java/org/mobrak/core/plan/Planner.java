package org.mobrak.core.plan;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.School;
import org.mobrak.core.fit.Truth;
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
     * What leads to a goal.
     *
     * @param plans those that nothing beats in every respect, the mildest first and at most a handful
     * @param more how many others nothing beats either
     * @param assuming where there are none: plans that rest on assumptions
     * @param blockers where there are none: the smallest set of things in the way
     * @param reachable where there are none: other goals that can be reached
     */
    public record Answer(
            Goal goal, List<Plan> plans, int more, List<Plan> assuming, List<String> blockers, List<Goal> reachable) {
        public Answer {
            plans = List.copyOf(plans);
            assuming = List.copyOf(assuming);
            blockers = List.copyOf(blockers);
            reachable = List.copyOf(reachable);
        }
    }

    public static Answer plan(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        if (goal.isReachedIn(facts)) {
            Plan nothing = new Plan(goal, List.of(), Cost.none());
            return new Answer(goal, List.of(nothing), 0, List.of(), List.of(), List.of());
        }
        List<Plan> front = ordered(goal, PlanSearch.unblocked(goal, catalogue, facts, choice, limits));
        if (!front.isEmpty()) {
            List<Plan> handful = front.subList(0, Math.min(A_HANDFUL, front.size()));
            return new Answer(goal, handful, front.size() - handful.size(), List.of(), List.of(), List.of());
        }
        List<Plan> assuming = ordered(goal, PlanSearch.assuming(goal, catalogue, facts, choice, limits)).stream()
                .sorted(Comparator.comparingInt(plan -> plan.assumptions().size()))
                .limit(A_HANDFUL)
                .toList();
        return new Answer(
                goal,
                List.of(),
                0,
                assuming,
                blockers(goal, catalogue, facts, choice, limits),
                reachable(goal, catalogue, facts, choice, limits));
    }

    private static List<Plan> ordered(Goal goal, List<PlanSearch.Way> ways) {
        return ways.stream()
                .map(way -> new Plan(goal, way.routes(), way.cost(), List.copyOf(way.assumptions())))
                .sorted(Comparator.comparing(Plan::cost, MILDEST_FIRST).thenComparing(Plan::title))
                .toList();
    }

    private static List<Goal> reachable(
            Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        return Arrays.stream(Goal.values())
                .filter(other -> other != goal && !other.isReachedIn(facts))
                .filter(other -> !PlanSearch.unblocked(other, catalogue, facts, choice, limits)
                        .isEmpty())
                .toList();
    }

    private static List<String> blockers(
            Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        boolean onlyLimits = !limits.equals(Limits.none())
                && !PlanSearch.unblocked(goal, catalogue, facts, choice, Limits.none())
                        .isEmpty();
        if (onlyLimits) {
            return List.of("Every plan breaks one of your limits; without them there is a way.");
        }
        return PlanSearch.leastBlocked(goal, catalogue, facts, choice)
                .map(way -> Stream.concat(
                                way.blockers().stream(),
                                way.assumptions().stream().map(Assumption::sentence))
                        .toList())
                .or(() -> nearest(goal, catalogue, facts, choice))
                .orElse(List.of("No route in the catalogue leads to “" + goal.label() + "”."));
    }

    /** Where something lasting forbids every way: the route to the goal with the fewest noes, and what they are. */
    private static Optional<List<String>> nearest(
            Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice) {
        return Relevance.serving(goal, catalogue.routes()).stream()
                .filter(route ->
                        goal.isReachedIn(facts.supposing(route.changes().effects())))
                .map(route -> FitCheck.alone(catalogue, route, facts, choice).clauses().stream()
                        .filter(clause -> clause.result() == Truth.NO)
                        .map(clause -> route.name() + ": " + clause.reason())
                        .toList())
                .min(Comparator.comparingInt(List::size));
    }
}
