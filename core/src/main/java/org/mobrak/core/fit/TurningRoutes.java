package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Which conditions that do not hold would hold after an open route, whose writes also make things unknown. Routes that bring about the same count as one; of each
 * kind two are kept, because a route cannot help itself.
 */
final class TurningRoutes {
    private static final int ENOUGH = 2;

    private final Catalogue catalogue;
    private final Facts facts;
    private final RouteJudge now;
    private final Map<Map<Fact, Optional<String>>, List<Route>> open = new LinkedHashMap<>();
    private final Map<Map<Fact, Optional<String>>, List<Route>> fresh = new LinkedHashMap<>();
    private final Map<Condition, List<Route>> helpers = new HashMap<>();

    TurningRoutes(Catalogue catalogue, Facts facts, RouteJudge now) {
        this.catalogue = catalogue;
        this.facts = facts;
        this.now = now;
    }

    /** Takes in a route that can be taken, now or after others. */
    void open(Route route) {
        Map<Fact, Optional<String>> effects = Aftermath.of(route, facts);
        List<Route> alike = open.computeIfAbsent(effects, none -> new ArrayList<>());
        if (!effects.isEmpty() && alike.size() < ENOUGH) {
            alike.add(route);
            fresh.computeIfAbsent(effects, none -> new ArrayList<>()).add(route);
        }
    }

    /** Takes in what keeps a route shut: its own conditions and the dangers that forbid it. */
    void shut(RouteFit fit) {
        List<Condition> requires = fit.route().fits().requires();
        int fixed = fit.clauses().size() - requires.size();
        for (int i = 0; i < fit.clauses().size(); i++) {
            Clause clause = fit.clauses().get(i);
            boolean danger = clause.kind() == Clause.Kind.DANGER;
            if (clause.result() == Truth.NO && (danger || i >= fixed)) {
                wanted(danger ? FitCheck.ruledOut(catalogue, clause) : requires.get(i - fixed));
            }
        }
    }

    /** What fails only beside another condition, though alone it would be open, no single helper turns. */
    private void wanted(Condition condition) {
        if (now.clause(condition).result() == Truth.NO) {
            helpers.computeIfAbsent(condition, none -> new ArrayList<>());
        }
    }

    /** Holds what was opened since the last time against all that keeps routes shut; whether there was any. */
    boolean settle() {
        Map<Map<Fact, Optional<String>>, List<Route>> round = new LinkedHashMap<>(fresh);
        fresh.clear();
        round.forEach(this::settle);
        return !round.isEmpty();
    }

    private void settle(Map<Fact, Optional<String>> effects, List<Route> routes) {
        RouteJudge after = new RouteJudge(catalogue, facts.after(effects), Optional.empty());
        helpers.forEach((condition, found) -> {
            if (found.size() < ENOUGH
                    && condition.facts().anyMatch(effects::containsKey)
                    && after.clause(condition).result() == Truth.YES) {
                found.addAll(routes);
            }
        });
    }

    /** An open route that gives other versions, with which the route that asks was made for this phone. */
    Optional<Route> versionHelper(Route asking, Optional<School> choice) {
        return open.entrySet().stream()
                .filter(kind -> Route.Target.VERSIONS.stream().anyMatch(kind.getKey()::containsKey))
                .filter(kind -> new RouteJudge(catalogue, facts.after(kind.getKey()), choice)
                        .target(asking).stream().allMatch(clause -> clause.result() == Truth.YES))
                .flatMap(kind -> kind.getValue().stream())
                .filter(route -> route != asking)
                .findFirst();
    }

    /** An open route, other than the one that asks, after which the condition holds. */
    Optional<Route> helper(Condition condition, Route asking) {
        return helpers.getOrDefault(condition, List.of()).stream()
                .filter(route -> route != asking)
                .findFirst();
    }
}
