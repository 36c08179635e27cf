package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.check.BatterySafety;

/**
 * Holds every route of a catalogue against the facts of one phone.
 *
 * <p>Whether a no can be turned by another route is found by growing the set of routes that are open: first those that
 * nothing refuses, then those whose every no is turned by an effect of an open one, until none is added. Each round
 * opens at least one route, so there are at most as many rounds as routes.
 */
public final class FitCheck {
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;

    public FitCheck(Catalogue catalogue, Facts facts, Optional<School> choice) {
        this.catalogue = catalogue;
        this.facts = facts;
        this.choice = choice;
    }

    /** The verdict on every route, in the catalogue's order. */
    public List<RouteFit> routes() {
        Map<Route, RouteFit> fits = new LinkedHashMap<>();
        catalogue.routes().forEach(route -> fits.put(route, fit(route, List.of())));
        int open = -1;
        List<Route> helpers = open(fits);
        while (helpers.size() > open) {
            open = helpers.size();
            List<Route> known = helpers;
            fits.replaceAll((route, fit) -> fit(route, known));
            helpers = open(fits);
        }
        return List.copyOf(fits.values());
    }

    /** The clauses of one route as the facts stand, with no help from other routes. */
    public static RouteFit alone(Catalogue catalogue, Route route, Facts facts, Optional<School> choice) {
        return new FitCheck(catalogue, facts, choice).fit(route, List.of());
    }

    private static List<Route> open(Map<Route, RouteFit> fits) {
        return fits.values().stream()
                .filter(fit -> fit.verdict() != Verdict.REFUSED)
                .map(RouteFit::route)
                .toList();
    }

    private RouteFit fit(Route route, List<Route> helpers) {
        ConditionJudge judge = new ConditionJudge(facts, catalogue);
        List<Clause> clauses =
                new ArrayList<>(new TargetJudge(facts, School.forRoute(route, choice), judge).judge(route.fits()));
        battery().ifPresent(clauses::add);
        for (Condition condition : route.fits().requires()) {
            clauses.add(withHelp(condition, judge.judge(condition), route, helpers));
        }
        return RouteFit.of(route, clauses);
    }

    /** No work of any kind on a battery that may burn; a sound one, or an unknown one, asks for no clause. */
    private Optional<Clause> battery() {
        return BatterySafety.stop(facts).map(stop -> Clause.of("Battery", Truth.NO, stop.message()));
    }

    private Clause withHelp(Condition condition, Clause clause, Route route, List<Route> helpers) {
        if (clause.result() != Truth.NO) {
            return clause;
        }
        return helpers.stream()
                .filter(helper -> !helper.equals(route) && turns(helper, condition))
                .findFirst()
                .map(helper -> clause.mendedBy(helper.name()))
                .orElse(clause);
    }

    private boolean turns(Route helper, Condition condition) {
        Map<Fact, String> effects = helper.changes().effects();
        boolean touches = condition.facts().anyMatch(effects::containsKey);
        return touches
                && new ConditionJudge(facts.supposing(effects), catalogue)
                                .judge(condition)
                                .result()
                        == Truth.YES;
    }
}
