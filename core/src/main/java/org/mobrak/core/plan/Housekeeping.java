package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Facts;

/** What makes the bench ready: for each gate that is known to be closed, the quickest housekeeping that opens it. */
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

    /** What must come before a route, in order; a gate that nothing opens, or of which nothing is known, waits for the day. */
    List<Route> opening(Route route, Facts facts) {
        List<Route> openers = new ArrayList<>();
        Facts here = facts;
        for (Gate gate : route.gates()) {
            if (GateJudge.of(gate, here).result() == Truth.NO) {
                Optional<Route> opener = opener(gate, here);
                if (opener.isPresent()) {
                    openers.add(opener.get());
                    here = here.supposing(opener.get().changes().effects());
                }
            }
        }
        return openers;
    }

    private Optional<Route> opener(Gate gate, Facts facts) {
        return quickestFirst.stream()
                .filter(route -> route.changes().effects().containsKey(gate.fact()))
                .filter(route ->
                        GateJudge.of(gate, facts.supposing(route.changes().effects()))
                                        .result()
                                == Truth.YES)
                .filter(route -> FitCheck.alone(catalogue, route, facts, Optional.empty())
                                .verdict()
                        == Verdict.FITS)
                .findFirst();
    }
}
