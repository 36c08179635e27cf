package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Rulers;
import org.mobrak.core.identity.check.BatterySafety;

/**
 * Judges routes as some facts stand, with no help from other routes. Most routes share their conditions, so each condition is
 * judged once. For one thread only.
 */
final class RouteJudge {
    private static final Set<Fact> MODEL = Set.of(Fact.MODEL);
    private static final Set<Fact> NONE = Set.of();

    private final Facts facts;
    private final Rulers rulers;
    private final Optional<School> choice;
    private final ConditionJudge conditions;
    private final Optional<Clause> battery;
    private final Set<Fact> torn;
    private final Set<Fact> tornModel;
    private final Map<School, TargetJudge> bySchool = new EnumMap<>(School.class);
    private final Map<Condition, Clause> judged = new HashMap<>();
    private final Function<Route, List<Clause>> targets;

    private RouteJudge(
            Catalogue catalogue,
            Facts facts,
            Optional<School> choice,
            Optional<Function<Route, List<Clause>>> targets) {
        this.facts = facts;
        this.rulers = catalogue.rulers();
        this.choice = choice;
        this.conditions = new ConditionJudge(facts, catalogue);
        this.battery = BatterySafety.stop(facts)
                .map(stop -> Clause.of(Clause.Kind.BATTERY, "Battery", Truth.NO, stop.message()));
        this.targets = targets.orElse(this::target);
        this.torn = facts.torn();
        this.tornModel = torn.contains(Fact.MODEL) ? MODEL : NONE;
    }

    RouteJudge(Catalogue catalogue, Facts facts, Optional<School> choice) {
        this(catalogue, facts, choice, Optional.empty());
    }

    /** The same phone in another state: whom a route was made for does not turn on that, so it is not judged again. */
    RouteJudge in(Catalogue catalogue, Facts other, Map<Route, List<Clause>> remembered) {
        return new RouteJudge(
                catalogue, other, choice, Optional.of(route -> remembered.computeIfAbsent(route, this::target)));
    }

    /** Every clause of a route: whom it was made for, a battery that forbids all work, and its conditions in their order. */
    List<Clause> clauses(Route route) {
        List<Clause> clauses = new ArrayList<>(targets.apply(route));
        battery.ifPresent(clauses::add);
        Set<Fact> mustBeSettled = mustBeSettled(route);
        route.fits().requires().forEach(condition -> clauses.add(settled(clause(condition), mustBeSettled)));
        return clauses;
    }

    Clause clause(Condition condition) {
        return judged.computeIfAbsent(condition, conditions::judge);
    }

    /** Only the clauses that ask whom the route was made for. */
    List<Clause> target(Route route) {
        List<Clause> clauses = new ArrayList<>();
        Set<Fact> mustBeSettled = mustBeSettled(route);
        bySchool.computeIfAbsent(
                        School.forRoute(route, choice), school -> new TargetJudge(facts, rulers, school, conditions))
                .judge(route.fits())
                .forEach(clause -> clauses.add(settled(clause, mustBeSettled)));
        if (route.fits().phones().isEmpty() && mustBeSettled.contains(Fact.MODEL)) {
            clauses.add(tornIdentity());
        }
        return clauses;
    }

    /**
     * The facts on which sources disagree and which must not be guessed at here: for whatever writes a partition the model
     * number, and for what can brick for good all of them.
     */
    private Set<Fact> mustBeSettled(Route route) {
        if (torn.isEmpty()) {
            return NONE;
        }
        return route.canBrickForGood() ? torn : route.writesPartitions() ? tornModel : NONE;
    }

    private static Clause settled(Clause clause, Set<Fact> mustBeSettled) {
        if (mustBeSettled.isEmpty() || clause.result() != Truth.YES) {
            return clause;
        }
        List<Fact> torn =
                clause.basis().torn().stream().filter(mustBeSettled::contains).toList();
        return torn.isEmpty() ? clause : clause.unsettled(Set.copyOf(torn));
    }

    private Clause tornIdentity() {
        String models = String.join(" and ", facts.said(Fact.MODEL));
        String reason =
                "Two sources name different phones: %s. Nothing is written before that is settled.".formatted(models);
        return Clause.asking(Fact.MODEL.label(), reason, MODEL).as(Clause.Kind.IDENTITY);
    }
}
