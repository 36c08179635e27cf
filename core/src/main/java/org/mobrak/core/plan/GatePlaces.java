package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Where the gates of a plan can be held against the phone. What can be made ready at the start is asked before anything is
 * done; what only the work itself makes possible, or undoes, is asked directly before the route that needs it.
 */
public final class GatePlaces {
    private final Map<Integer, List<Gate>> early = new HashMap<>();
    private final Map<Integer, List<Gate>> late = new HashMap<>();

    private GatePlaces() {}

    /** The places of all gates of a plan, played through from some facts. */
    public static GatePlaces of(Plan plan, Catalogue catalogue, Facts facts) {
        GatePlaces places = new GatePlaces();
        Housekeeping housekeeping = new Housekeeping(catalogue);
        Set<Fact> touched = EnumSet.noneOf(Fact.class);
        Facts here = facts;
        boolean begun = false;
        for (int i = 0; i < plan.routes().size(); i++) {
            Route route = plan.routes().get(i);
            for (Gate gate : route.gates()) {
                boolean ready = !touched.contains(gate.fact()) && housekeeping.canOpenNow(gate, facts);
                Map<Integer, List<Gate>> where = !begun || ready ? places.early : places.late;
                where.computeIfAbsent(i, none -> new ArrayList<>()).add(gate);
            }
            begun |= !route.isHousekeeping();
            if (begun) {
                touched.addAll(Aftermath.of(route, here).keySet());
            }
            here = here.after(Aftermath.of(route, here));
        }
        return places;
    }

    /** Those of a route, by its place in the plan, that are asked before anything is done. */
    public List<Gate> early(int route) {
        return early.getOrDefault(route, List.of());
    }

    /** Those of a route, by its place in the plan, that are asked directly before it. */
    public List<Gate> late(int route) {
        return late.getOrDefault(route, List.of());
    }
}
