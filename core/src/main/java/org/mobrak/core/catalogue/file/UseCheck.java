package org.mobrak.core.catalogue.file;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;

/**
 * Whether what a route makes ready is asked for: where routes ask for other words of the same fact and never for this one, it
 * is most likely misspelt. Of a fact that nobody asks about nothing can be told; another catalogue may.
 */
final class UseCheck {
    private final Map<Fact, Set<String>> asked = new EnumMap<>(Fact.class);

    UseCheck(List<Entry<Route>> routes) {
        routes.forEach(entry -> ask(entry.value()));
    }

    private void ask(Route route) {
        route.fits().requires().stream().flatMap(Condition::leaves).forEach(leaf -> {
            if (leaf instanceof Condition.OneOf some) {
                some.values().forEach(value -> ask(some.fact(), value));
            }
        });
        route.work().gates().forEach(gate -> gate.is().forEach(value -> ask(gate.fact(), value)));
    }

    private void ask(Fact fact, String value) {
        asked.computeIfAbsent(fact, fresh -> new HashSet<>()).add(value);
    }

    /** Only of the bench: what a phone itself becomes may be wanted for its own sake. */
    List<Fault> of(Entry<Route> entry) {
        List<Fault> faults = new ArrayList<>();
        if (entry.value().isHousekeeping()) {
            entry.value().changes().effects().forEach((fact, value) -> {
                Set<String> others = asked.getOrDefault(fact, Set.of());
                boolean bench = fact.group() == Fact.Group.BENCH;
                if (bench && !others.isEmpty() && !others.contains(value)) {
                    faults.add(Fault.warning(
                            entry.file(),
                            entry.line("/changes/effects/" + fact.key()),
                            "No route asks for %s to be %s.".formatted(fact.label(), value),
                            "Maybe the word is another one, or the step can go."));
                }
            });
        }
        return faults;
    }
}
