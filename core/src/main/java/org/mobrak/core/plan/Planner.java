package org.mobrak.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.fit.Lookahead;
import org.mobrak.core.fit.School;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Facts;

/** Finds the plans for a goal. */
public final class Planner {
    private final Goal goal;
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;
    private final Limits limits;
    private final Ground ground;

    private Planner(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        this.goal = goal;
        this.catalogue = catalogue;
        this.facts = goal.from(facts);
        this.choice = choice;
        this.limits = limits;
        this.ground = Ground.of(catalogue, this.facts, choice);
    }

    /**
     * What leads to a goal.
     *
     * @param plans of those that nothing beats in every respect a handful that shows what there is to choose from, the
     *     mildest first
     * @param rest the others that nothing beats
     * @param assuming where there are none: plans that rest on assumptions
     * @param blockers where there are none: the smallest set of things in the way
     * @param reachable where there are none: other goals that can be reached, the nearest first
     */
    public record Answer(
            Goal goal,
            List<Plan> plans,
            List<Plan> rest,
            List<Plan> assuming,
            List<String> blockers,
            List<Goal> reachable) {
        public Answer {
            plans = List.copyOf(plans);
            rest = List.copyOf(rest);
            assuming = List.copyOf(assuming);
            blockers = List.copyOf(blockers);
            reachable = List.copyOf(reachable);
        }

        private static Answer of(Goal goal, List<Plan> plans, List<Plan> rest) {
            return new Answer(goal, plans, rest, List.of(), List.of(), List.of());
        }
    }

    public static Answer plan(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        return new Planner(goal, catalogue, facts, choice, limits).answer();
    }

    private Answer answer() {
        if (goal.isReachedIn(facts)) {
            return Answer.of(goal, List.of(new Plan(goal, List.of(), Cost.none())), List.of());
        }
        List<Plan> front = Handful.ordered(goal, PlanSearch.unblocked(goal, ground, limits));
        if (!front.isEmpty()) {
            List<Plan> handful = Handful.of(front);
            List<Plan> rest = front.stream()
                    .filter(plan -> handful.stream().noneMatch(shown -> shown == plan))
                    .toList();
            return Answer.of(goal, handful, rest);
        }
        List<Plan> assuming = Handful.ordered(goal, PlanSearch.assuming(goal, ground, limits)).stream()
                .sorted(Comparator.comparingInt(plan -> plan.assumptions().size()))
                .toList();
        return new Answer(
                goal,
                List.of(),
                List.of(),
                Handful.of(assuming).stream()
                        .sorted(Comparator.comparingInt(
                                plan -> plan.assumptions().size()))
                        .toList(),
                blockers(),
                reachable());
    }

    /** Nearest is what shares a part with the goal, then what takes the least time. */
    private List<Goal> reachable() {
        record Near(Goal goal, double minutes) {}
        Comparator<Near> order =
                Comparator.comparingLong((Near near) -> -shared(near.goal())).thenComparingDouble(Near::minutes);
        return Goal.usual().stream()
                .filter(other -> !other.equals(goal) && !other.isReachedIn(facts))
                .flatMap(other -> PlanSearch.unblocked(other, ground, limits).stream()
                        .map(way -> way.cost().minutes())
                        .min(Comparator.naturalOrder())
                        .map(minutes -> new Near(other, minutes))
                        .stream())
                .sorted(order)
                .map(Near::goal)
                .toList();
    }

    private long shared(Goal other) {
        return other.wanted().entrySet().stream()
                .filter(goal.wanted().entrySet()::contains)
                .count();
    }

    private List<String> blockers() {
        boolean onlyLimits = !limits.equals(Limits.none())
                && !PlanSearch.unblocked(goal, ground, Limits.none()).isEmpty();
        if (onlyLimits) {
            return List.of("Every plan breaks one of your limits; without them there is a way.");
        }
        return PlanSearch.leastBlocked(goal, ground)
                .map(way -> Stream.concat(
                                way.blockers().stream(),
                                way.assumptions().stream().map(Assumption::sentence))
                        .toList())
                .or(this::nearest)
                .orElse(List.of("No route in the catalogue leads to “" + goal.label() + "”."));
    }

    /** Where something lasting forbids every way: the route to the goal with the fewest noes, and what they are. */
    private Optional<List<String>> nearest() {
        Lookahead now = new Lookahead(catalogue, facts, choice);
        return Relevance.serving(goal, catalogue.routes()).stream()
                .filter(route ->
                        goal.isReachedIn(facts.supposing(route.changes().effects())))
                .map(route -> now.clauses(route, Map.of()).stream()
                        .filter(clause -> clause.result() == Truth.NO)
                        .map(clause -> route.name() + ": " + clause.reason())
                        .toList())
                .min(Comparator.comparingInt(List::size));
    }
}
