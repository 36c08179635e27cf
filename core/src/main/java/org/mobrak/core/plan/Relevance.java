package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Lookahead;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Which routes can have a part in a plan at all. It leaves out two kinds, and neither can be part of a plan that nothing beats:
 * those that something lasting forbids (another model, another build), because no route changes it; and those that bring about
 * nothing that the goal or another part of a plan asks for, because without them the plan costs less.
 */
final class Relevance {
    private static final Set<Fact> BUILD_NAMES = EnumSet.of(Fact.BUILD_NUMBER, Fact.INCREMENTAL, Fact.BUILD_ID);

    private final Map<Fact, Set<String>> wanted = new EnumMap<>(Fact.class);
    private final Set<Fact> versions = EnumSet.noneOf(Fact.class);

    private Relevance(Goal goal) {
        goal.served().forEach((fact, values) -> values.forEach(value -> want(fact, value)));
    }

    /** The routes that nothing lasting forbids. A version lasts unless one of these very routes gives another. */
    static List<Route> possible(Catalogue catalogue, Facts facts, Optional<School> choice) {
        List<Route> routes = catalogue.routes().stream()
                .filter(route -> !route.isHousekeeping() && !bringsTrouble(route))
                .toList();
        Set<Fact> written = given(routes);
        Set<Fact> given = written.isEmpty()
                ? written
                : given(allowed(new Lookahead(catalogue, facts.lasting(written), choice), routes));
        return allowed(new Lookahead(catalogue, facts.lasting(given), choice), routes);
    }

    private static List<Route> allowed(Lookahead lasting, List<Route> routes) {
        return routes.stream().filter(route -> !lasting.isForbidden(route)).toList();
    }

    /** One that brings a trouble about is never part of a plan that ends it. */
    private static boolean bringsTrouble(Route route) {
        String trouble = route.changes().effects().get(Fact.TROUBLE);
        return trouble != null && !trouble.equals("none");
    }

    private static Set<Fact> given(List<Route> routes) {
        return routes.stream()
                .flatMap(route -> route.changes().effects().keySet().stream())
                .filter(fact -> !fact.changes())
                .collect(Collectors.toSet());
    }

    /** Of some routes those that can serve a goal, directly or by serving one that does. */
    static List<Route> serving(Goal goal, List<Route> routes) {
        return serving(goal, routes, Set.of());
    }

    /**
     * The same where something is in danger.
     *
     * @param endangering the facts that a route may change to end a danger
     */
    static List<Route> serving(Goal goal, List<Route> routes, Set<Fact> endangering) {
        Relevance relevance = new Relevance(goal);
        endangering.forEach(relevance::wantAny);
        List<Route> serving = new ArrayList<>();
        List<Route> left = routes;
        List<Route> found;
        do {
            Map<Boolean, List<Route>> parted = left.stream().collect(Collectors.partitioningBy(relevance::serves));
            found = parted.getOrDefault(true, List.of());
            left = parted.getOrDefault(false, List.of());
            found.forEach(relevance::wantWhatItNeeds);
            serving.addAll(found);
        } while (!found.isEmpty());
        return List.copyOf(serving);
    }

    /** The facts that a plan made of these routes can turn on: what is wanted, asked for, or a gate. */
    static Set<Fact> factsOf(Goal goal, List<Route> routes) {
        Set<Fact> facts = EnumSet.copyOf(goal.served().keySet());
        facts.addAll(goal.wantsRoot() ? Set.of(Fact.ROOT_MANAGER) : Set.of());
        for (Route route : routes) {
            route.fits().requires().forEach(condition -> condition.facts().forEach(facts::add));
            route.gates().forEach(gate -> facts.add(gate.fact()));
            facts.addAll(versionsOf(route.fits()));
        }
        return facts;
    }

    /** The versions by which a route says for whom it was made. */
    private static Set<Fact> versionsOf(Route.Scope scope) {
        Set<Fact> asked = EnumSet.noneOf(Fact.class);
        if (!scope.excludedBuilds().isEmpty()) {
            asked.addAll(BUILD_NAMES);
        }
        for (Route.Target target : scope.phones()) {
            target.osVersion().ifPresent(version -> asked.add(Fact.OS_VERSION));
            target.bootloader().ifPresent(loader -> asked.add(Fact.BOOTLOADER));
            if (!target.builds().isEmpty()) {
                asked.addAll(BUILD_NAMES);
            }
        }
        return asked;
    }

    private void want(Fact fact, String value) {
        wanted.computeIfAbsent(fact, fresh -> new HashSet<>()).add(value);
    }

    private void wantAny(Fact fact) {
        fact.domain().words().forEach(word -> want(fact, word));
        if (fact.domain().words().isEmpty()) {
            versions.add(fact);
        }
    }

    private boolean serves(Route route) {
        return route.changes().effects().entrySet().stream()
                .anyMatch(effect -> versions.contains(effect.getKey())
                        || wanted.getOrDefault(effect.getKey(), Set.of()).contains(effect.getValue()));
    }

    /**
     * Whatever a condition speaks of may be wanted: for the usual kind its values, for the others every word of the fact, and
     * where it has none, as versions have none, any.
     */
    private void wantWhatItNeeds(Route route) {
        for (Condition condition : route.fits().requires()) {
            if (condition instanceof Condition.OneOf some) {
                some.values().forEach(value -> want(some.fact(), value));
            } else {
                condition.facts().forEach(this::wantAny);
            }
        }
        if (!route.fits().phones().isEmpty() || !route.fits().excludedBuilds().isEmpty()) {
            versions.addAll(Route.Target.VERSIONS);
        }
    }
}
