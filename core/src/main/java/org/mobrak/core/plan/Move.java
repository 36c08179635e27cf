package org.mobrak.core.plan;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;

/**
 * One step of the search: a route, and before it the housekeeping that opens its gates.
 *
 * @param then the state it leads to
 * @param cost of all its routes
 * @param blockers what stands in its way where it starts
 * @param assumptions what it takes for granted
 */
record Move(
        List<Route> routes,
        Map<Fact, Optional<String>> then,
        Cost cost,
        Set<String> blockers,
        Set<Assumption> assumptions) {
    Move {
        routes = List.copyOf(routes);
        then = Map.copyOf(then);
        blockers = Set.copyOf(blockers);
        assumptions = Set.copyOf(assumptions);
    }
}
