package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Plans where something is not known yet: first those for the usual state of a phone that nobody has touched, then those that
 * suppose whatever would help. Each says what it supposes.
 */
final class Supposing {
    private static final int MOST = 5;
    private static final int MOST_USUAL = 3;

    private final Goal goal;
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;
    private final Limits limits;

    Supposing(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        this.goal = goal;
        this.catalogue = catalogue;
        this.facts = facts;
        this.choice = choice;
        this.limits = limits;
    }

    /** A few plans, none with the same routes as another. */
    List<Plan> plans(SearchSpace space) {
        Map<Fact, String> usual = usual();
        List<Plan> shown = new ArrayList<>();
        if (!usual.isEmpty()) {
            add(underUsual(usual), MOST_USUAL, shown);
        }
        List<Plan> helpful = fewestFirst(PlanSearch.assuming(goal, space, limits));
        add(helpful.stream().map(plan -> supposing(plan, needed(plan))).toList(), MOST, shown);
        return shown;
    }

    /** What nobody has read of a phone and has a usual value. */
    private Map<Fact, String> usual() {
        Map<Fact, String> usual = new EnumMap<>(Fact.class);
        Stream.of(Fact.values())
                .filter(fact -> facts.value(fact).isEmpty())
                .forEach(fact -> fact.usual().ifPresent(value -> usual.put(fact, value)));
        return usual;
    }

    private List<Plan> underUsual(Map<Fact, String> usual) {
        Facts untouched = facts.supposing(usual);
        if (goal.isReachedIn(untouched)) {
            return List.of(supposing(new Plan(goal, List.of(), Cost.none()), asked(List.of(), usual)));
        }
        SearchSpace space = SearchSpace.of(catalogue, untouched, choice);
        List<Way> clear = PlanSearch.unblocked(goal, space, limits);
        List<Plan> plans = clear.isEmpty()
                ? fewestFirst(PlanSearch.assuming(goal, space, limits))
                : PlanSelection.ordered(goal, clear);
        return plans.stream()
                .map(plan -> supposing(plan, asked(plan.routes(), usual)))
                .toList();
    }

    private List<Plan> fewestFirst(List<Way> ways) {
        List<Plan> fewest = PlanSelection.ordered(goal, ways).stream()
                .sorted(Comparator.comparingInt(plan -> plan.assumptions().size()))
                .toList();
        return PlanSelection.of(fewest);
    }

    private static void add(List<Plan> plans, int most, List<Plan> shown) {
        for (Plan plan : plans) {
            boolean there = shown.stream().anyMatch(other -> ids(other).equals(ids(plan)));
            if (!there && shown.size() < most) {
                shown.add(plan);
            }
        }
    }

    private static List<String> ids(Plan plan) {
        return plan.routes().stream().map(Route::id).toList();
    }

    /** Of the usual values those on which these routes, or the goal, turn. */
    private Map<Fact, String> asked(List<Route> routes, Map<Fact, String> usual) {
        Map<Fact, String> asked = new EnumMap<>(Fact.class);
        Replay replay = Replay.of(new Plan(goal, routes, Cost.none()), catalogue, facts, choice);
        Stream<Fact> ofClauses = replay.steps().stream()
                .flatMap(step -> step.clauses().stream())
                .flatMap(clause -> clause.asks().stream());
        Stream<Fact> ofGoal = goal.wanted().keySet().stream()
                .filter(fact -> replay.end().value(fact).isEmpty());
        Stream.concat(ofClauses, ofGoal).filter(usual::containsKey).forEach(fact -> asked.put(fact, usual.get(fact)));
        return asked;
    }

    /** The values with which a plan's assumptions would hold. */
    private Map<Fact, String> needed(Plan plan) {
        Map<Fact, String> needed = new EnumMap<>(Fact.class);
        plan.assumptions()
                .forEach(assumed -> assumed.supposes().forEach((fact, value) -> {
                    if (facts.value(fact).isEmpty()) {
                        needed.putIfAbsent(fact, value);
                    }
                }));
        return needed;
    }

    /** The plan with what it supposes, and with every clause that the facts leave open as an assumption. */
    private Plan supposing(Plan plan, Map<Fact, String> supposes) {
        List<Assumption> open = new ArrayList<>();
        for (Replay.Step step : Replay.of(plan, catalogue, facts, choice).steps()) {
            step.open()
                    .forEach(clause -> open.add(new Assumption(
                            step.route().name(),
                            clause.reason(),
                            clause.asks(),
                            clause.basis().supposes())));
        }
        plan.assumptions().stream()
                .filter(gate -> open.stream().noneMatch(one -> one.asks().equals(gate.asks())))
                .forEach(open::add);
        return new Plan(goal, plan.routes(), plan.cost(), open, supposes, plan.warnings());
    }
}
