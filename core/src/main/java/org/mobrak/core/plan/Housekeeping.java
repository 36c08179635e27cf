package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.check.BatterySafety;

/**
 * What makes the bench ready: for each gate that is known to be closed, the quickest housekeeping that opens it. A gate that
 * none opens in general waits for the day (somebody buys the plug); one that is opened only in another state of the phone (the
 * recovery that takes the backup is not there yet) stands in the way.
 */
final class Housekeeping {
    private final Catalogue catalogue;
    private final List<Route> quickestFirst;

    Housekeeping(Catalogue catalogue) {
        this.catalogue = catalogue;
        this.quickestFirst = catalogue.routes().stream()
                .filter(Route::isHousekeeping)
                .sorted(Comparator.comparingDouble(Housekeeping::minutes).thenComparing(Route::id))
                .toList();
    }

    private static double minutes(Route route) {
        return route.costs().handsOn().mean() + route.costs().waiting().mean();
    }

    /**
     * How a route's gates are opened.
     *
     * @param openers what must come before the route, in order
     * @param shut why a gate stays closed in this state
     * @param supposed what is taken for granted of gates that could not be opened in this state if they were closed
     */
    record Readiness(List<Route> openers, List<String> shut, List<Assumption> supposed) {}

    /** What must come before a route, and what would still stand in the way. */
    Readiness before(Route route, Facts facts) {
        Readiness ready = new Readiness(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        Facts here = facts;
        if (BatterySafety.stop(facts).isPresent()) {
            // Nothing is done to such a phone, so it does not matter what else would have to be ready.
            return ready;
        }
        for (Gate gate : route.gates()) {
            GateJudge judged = GateJudge.of(gate, here);
            Optional<Route> opener = judged.result() == Truth.YES ? Optional.empty() : opener(gate, here);
            if (judged.result() == Truth.NO && opener.isPresent()) {
                ready.openers().add(opener.get());
                here = here.after(Aftermath.of(opener.get(), here));
            } else if (judged.result() == Truth.NO && someOpens(gate)) {
                ready.shut().add(judged.sentence());
            } else if (judged.result() == Truth.UNKNOWN && opener.isEmpty() && someOpens(gate)) {
                ready.supposed().add(assumption(route, gate, judged));
            }
        }
        return ready;
    }

    private static Assumption assumption(Route route, Gate gate, GateJudge judged) {
        Fact fact = gate.fact();
        Map<Fact, String> supposes =
                gate.is().isEmpty() ? Map.of() : Map.of(fact, gate.is().get(0));
        return new Assumption(route.name(), judged.sentence(), Set.of(fact), supposes);
    }

    /** Whether a gate is open as things stand, can be opened, or waits for something that no housekeeping brings. */
    boolean canOpenNow(Gate gate, Facts facts) {
        return GateJudge.of(gate, facts).result() == Truth.YES
                || opener(gate, facts).isPresent()
                || !someOpens(gate);
    }

    private boolean someOpens(Gate gate) {
        return quickestFirst.stream().anyMatch(route -> opens(route, gate, Facts.none()));
    }

    private Optional<Route> opener(Gate gate, Facts facts) {
        return quickestFirst.stream()
                .filter(route -> opens(route, gate, facts))
                .filter(route -> FitCheck.alone(catalogue, route, facts, Optional.empty())
                                .verdict()
                        == Verdict.FITS)
                .findFirst();
    }

    private static boolean opens(Route route, Gate gate, Facts facts) {
        return route.changes().effects().containsKey(gate.fact())
                && GateJudge.of(gate, facts.after(Aftermath.of(route, facts))).result() == Truth.YES;
    }
}
