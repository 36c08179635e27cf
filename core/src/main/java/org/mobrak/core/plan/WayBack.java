package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * What of a plan could be taken back, and how: for each thing it changes the route that brings the value before it back.
 *
 * @param fact what the plan changes
 * @param before the value it had, if that is known
 * @param route a route that brings it back; absent where the catalogue knows none for this phone
 */
public record WayBack(Fact fact, Optional<String> before, Optional<Route> route) {

    /** One for each lasting change of a plan; switches and backups are nobody's loss and left out. */
    public static List<WayBack> of(Plan plan, Catalogue catalogue, Facts facts, Optional<School> choice) {
        Map<Fact, String> after = new EnumMap<>(Fact.class);
        Replay.of(plan, catalogue, facts, choice).end().values().forEach((fact, value) -> {
            if (facts.value(fact).filter(value::equals).isEmpty()) {
                after.put(fact, value);
            }
        });
        List<Route> possible = Relevance.possible(catalogue.with(bringingBack(catalogue, after, facts)), facts, choice);
        List<WayBack> ways = new ArrayList<>();
        after.forEach((fact, value) -> {
            Optional<String> before = facts.value(fact);
            boolean changed = before.filter(value::equals).isEmpty();
            if (changed && matters(fact)) {
                ways.add(new WayBack(fact, before, before.flatMap(was -> bringing(possible, fact, was))));
            }
        });
        return ways;
    }

    /** Judging is what costs, so first the few that bring a value back at all. */
    private static List<Route> bringingBack(Catalogue catalogue, Map<Fact, String> after, Facts facts) {
        return catalogue.routes().stream()
                .filter(route -> route.changes().effects().entrySet().stream()
                        .anyMatch(effect -> after.containsKey(effect.getKey())
                                && facts.value(effect.getKey())
                                        .filter(effect.getValue()::equals)
                                        .isPresent()))
                .toList();
    }

    private static boolean matters(Fact fact) {
        return fact.group() != Fact.Group.BENCH && fact != Fact.BATTERY_PERCENT && fact != Fact.TROUBLE;
    }

    private static Optional<Route> bringing(List<Route> routes, Fact fact, String value) {
        return routes.stream()
                .filter(route -> value.equals(route.changes().effects().get(fact)))
                .findFirst();
    }

    /** A sentence for a person. */
    public String sentence() {
        if (before.isEmpty()) {
            return fact.label() + ": what it was before is not known, so read it first.";
        }
        return route.map(back -> "%s: back to %s by “%s”.".formatted(fact.label(), before.get(), back.name()))
                .orElse("%s: nothing in the catalogue brings %s back.".formatted(fact.label(), before.get()));
    }
}
