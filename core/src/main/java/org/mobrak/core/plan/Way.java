package org.mobrak.core.plan;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;

/**
 * A way so far: the routes, the state they lead to, their cost, the clauses that stand in the way, and what is taken for
 * granted on it.
 *
 * @param supposed the same as assumptions, without who asks for it
 * @param length how many routes it has, housekeeping not counted
 */
record Way(
        List<Route> routes,
        int length,
        Map<Fact, Optional<String>> state,
        Cost cost,
        Set<String> blockers,
        Set<Assumption> assumptions,
        Set<Supposed> supposed) {

    /** What is taken for granted, whoever asks for it. */
    record Supposed(Set<Fact> asks, Map<Fact, String> values) {
        private static Set<Supposed> of(Set<Assumption> assumptions) {
            return assumptions.stream()
                    .map(one -> new Supposed(one.asks(), one.supposes()))
                    .collect(Collectors.toSet());
        }
    }

    static Way start() {
        return new Way(List.of(), 0, Map.of(), Cost.none(), Set.of(), Set.of(), Set.of());
    }

    Way with(Move move) {
        return new Way(
                Stream.concat(routes.stream(), move.routes().stream()).toList(),
                length + 1,
                move.then(),
                cost.plus(move.cost()),
                joined(blockers, move.blockers()),
                joined(assumptions, move.assumptions()),
                joined(supposed, Supposed.of(move.assumptions())));
    }

    /** Whether it is made of the routes of another, in whatever order. */
    boolean hasRoutesOf(Way other) {
        if (routes.size() != other.routes.size()) {
            return false;
        }
        for (Route route : routes) {
            if (!other.routes.contains(route)) {
                return false;
            }
        }
        return true;
    }

    int obstacles() {
        return blockers.size() + assumptions.size();
    }

    private static <T> Set<T> joined(Set<T> some, Set<T> more) {
        if (more.isEmpty()) {
            return some;
        }
        Set<T> all = new LinkedHashSet<>(some);
        all.addAll(more);
        return all;
    }
}
