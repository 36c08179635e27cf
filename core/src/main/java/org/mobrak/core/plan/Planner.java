package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Recognition;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** Finds the plans for a goal. */
public final class Planner {
    private final Goal goal;
    private final Catalogue whole;
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;
    private final Limits limits;
    private final SearchSpace space;
    private final Map<String, Double> odds;

    private Planner(
            Goal goal,
            Catalogue catalogue,
            Facts facts,
            Optional<School> choice,
            Limits limits,
            Map<String, Double> odds) {
        this.goal = goal;
        this.whole = catalogue;
        this.catalogue = limits.choosing(catalogue);
        this.facts = goal.from(facts);
        this.choice = choice;
        this.limits = limits;
        this.odds = odds;
        this.space = SearchSpace.of(this.catalogue, this.facts, choice, odds);
    }

    /**
     * What leads to a goal.
     *
     * @param recognition whether the catalogue knows this phone at all
     * @param plans of those that nothing beats in every respect a handful that shows what there is to choose from, the
     *     mildest first
     * @param rest the others that nothing beats
     * @param assuming where there are none: plans that rest on assumptions, those for a phone that nobody has touched first
     * @param blockers where there are none: the smallest set of things in the way
     * @param reachable where there are none: other goals that can be reached, the nearest first
     * @param lost of a way that the person chose, why it is not among the plans that would be shown; else empty
     */
    public record Answer(
            Goal goal,
            Recognition recognition,
            List<Plan> plans,
            List<Plan> rest,
            List<Plan> assuming,
            List<String> blockers,
            List<Goal> reachable,
            Optional<String> lost) {
        /** One that was looked for, and not chosen. */
        Answer(
                Goal goal,
                Recognition recognition,
                List<Plan> plans,
                List<Plan> rest,
                List<Plan> assuming,
                List<String> blockers,
                List<Goal> reachable) {
            this(goal, recognition, plans, rest, assuming, blockers, reachable, Optional.empty());
        }

        public Answer {
            plans = List.copyOf(plans);
            rest = List.copyOf(rest);
            assuming = List.copyOf(assuming);
            blockers = List.copyOf(blockers);
            reachable = List.copyOf(reachable);
        }
    }

    public static Answer plan(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        return plan(goal, catalogue, facts, choice, limits, Map.of());
    }

    /**
     * The same for a goal that mends.
     *
     * @param odds of routes that mend something, by id, how likely it is that this is what is broken, from 0 to 1
     */
    public static Answer plan(
            Goal goal,
            Catalogue catalogue,
            Facts facts,
            Optional<School> choice,
            Limits limits,
            Map<String, Double> odds) {
        return new Planner(goal, catalogue, facts, choice, limits, odds).answer();
    }

    /**
     * A way of a person's own choice: these routes in this order, with the housekeeping that their gates ask for.
     *
     * @return the plan alone where it can be taken and leads there, and why it would not have been shown; else what is in its way
     */
    public static Answer chosen(
            Goal goal, List<Route> routes, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        return new Planner(goal, catalogue, facts, choice, limits, Map.of()).chosen(routes);
    }

    /** The readings worth taking for a goal: only verdicts on routes that can serve it are weighed. */
    public static List<NextReading> nextReadings(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice) {
        List<Route> serving = Relevance.serving(goal, catalogue.routes());
        // A trouble is told by who has it; nobody takes a reading of it for another goal.
        return NextReading.propose(catalogue, goal.from(facts), choice, serving).stream()
                .filter(next -> next.fact() != Fact.TROUBLE)
                .toList();
    }

    private Answer chosen(List<Route> routes) {
        Recognition recognition = Recognition.of(catalogue, facts);
        PlanSearch.Followed way = PlanSearch.follow(goal, space, routes);
        List<String> obstacles = new ArrayList<>(way.obstacles());
        if (obstacles.isEmpty()) {
            obstacles.addAll(limits.broken(way.way(), facts));
        }
        if (!obstacles.isEmpty()) {
            return new Answer(goal, recognition, List.of(), List.of(), List.of(), obstacles, List.of());
        }
        Plan plan = new Plan(goal, way.way().routes(), way.way().cost())
                .endingIn(end(way.way().routes()));
        List<Plan> shown = answer().plans();
        boolean among = shown.stream().anyMatch(other -> other.routes().equals(plan.routes()));
        Optional<String> lost = among
                ? Optional.empty()
                : Optional.of(shown.stream()
                        .filter(other -> other.cost().atMost(plan.cost()))
                        .findFirst()
                        .map(other -> "“%s” leads there too and costs no more in any respect.".formatted(other.title()))
                        .orElse("Other plans lead there too, and each is better in some respect."));
        return new Answer(goal, recognition, List.of(plan), List.of(), List.of(), List.of(), List.of(), lost);
    }

    private Facts end(List<Route> routes) {
        Facts here = facts;
        for (Route route : routes) {
            here = here.after(Aftermath.of(route, here));
        }
        return here;
    }

    private Answer answer() {
        Recognition recognition = Recognition.of(catalogue, facts);
        Optional<String> forbidden = FitCheck.everythingForbidden(catalogue, facts);
        if (forbidden.isPresent()) {
            List<String> one = List.of("Nothing is planned for this phone. " + forbidden.get());
            return new Answer(goal, recognition, List.of(), List.of(), List.of(), one, List.of());
        }
        if (goal.isReachedIn(facts)) {
            return found(recognition, List.of(new Plan(goal, List.of(), Cost.none())));
        }
        List<Plan> front = PlanSelection.ordered(goal, PlanSearch.unblocked(goal, space, limits));
        if (!front.isEmpty()) {
            return found(recognition, front);
        }
        return new Answer(
                goal,
                recognition,
                List.of(),
                List.of(),
                new Supposing(goal, catalogue, facts, choice, limits).plans(space),
                new Obstacles(goal, catalogue, facts, choice, limits)
                        .sentences(
                                space,
                                catalogue == whole ? space : SearchSpace.of(whole, facts, choice, odds),
                                recognition),
                reachable());
    }

    private Answer found(Recognition recognition, List<Plan> all) {
        List<Plan> front =
                all.stream().map(plan -> plan.endingIn(end(plan.routes()))).toList();
        List<Plan> handful = PlanSelection.of(front);
        List<Plan> rest = new ArrayList<>(front);
        rest.removeIf(plan -> handful.stream().anyMatch(shown -> shown == plan));
        return new Answer(goal, recognition, handful, rest, List.of(), List.of(), List.of());
    }

    /** Nearest is what shares a part with the goal, then what takes the least time. */
    private List<Goal> reachable() {
        record Near(Goal goal, double minutes) {}
        Comparator<Near> order =
                Comparator.comparingLong((Near near) -> -shared(near.goal())).thenComparingDouble(Near::minutes);
        return Goal.usual().stream()
                .filter(other -> !other.equals(goal) && !other.isReachedIn(facts))
                .flatMap(other -> PlanSearch.unblocked(other, space, limits).stream()
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
}
