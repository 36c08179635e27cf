package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.check.BatterySafety;

/**
 * Judges routes as some facts stand, with no help from other routes. Most routes share their conditions, so each condition is
 * judged once. For one thread only.
 */
final class RouteJudge {
    private final Facts facts;
    private final Optional<School> choice;
    private final ConditionJudge conditions;
    private final Optional<Clause> battery;
    private final Map<Condition, Clause> judged = new HashMap<>();
    private final Function<Route, List<Clause>> targets;

    private RouteJudge(
            Catalogue catalogue,
            Facts facts,
            Optional<School> choice,
            Optional<Function<Route, List<Clause>>> targets) {
        this.facts = facts;
        this.choice = choice;
        this.conditions = new ConditionJudge(facts, catalogue);
        this.battery = BatterySafety.stop(facts).map(stop -> Clause.of("Battery", Truth.NO, stop.message()));
        this.targets = targets.orElse(this::target);
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
        route.fits().requires().forEach(condition -> clauses.add(clause(condition)));
        return clauses;
    }

    Clause clause(Condition condition) {
        return judged.computeIfAbsent(condition, conditions::judge);
    }

    /** Only the clauses that ask whom the route was made for. */
    List<Clause> target(Route route) {
        return new TargetJudge(facts, School.forRoute(route, choice), conditions).judge(route.fits());
    }
}
