package org.mobrak.core.plan;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** Why a route that could be taken is in none of the plans that are shown. */
public final class Unused {
    private final Planner.Answer answer;
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;
    private final Limits limits;

    public Unused(Planner.Answer answer, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        this.answer = answer;
        this.catalogue = limits.choosing(catalogue);
        this.facts = answer.goal().from(facts);
        this.choice = choice;
        this.limits = limits;
    }

    /** A sentence that is true of the route: it leads elsewhere, a limit keeps it out, or a plan is better that costs no more. */
    public String sentence(Route route) {
        Optional<Way> way = bestWith(route);
        if (way.isEmpty()) {
            return "It does not lead to the goal “" + answer.goal().label() + "” on this phone.";
        }
        List<String> broken = limits.broken(way.get(), facts);
        if (!broken.isEmpty()) {
            return "Your limits keep it out. " + String.join(" ", broken);
        }
        return Stream.concat(answer.plans().stream(), answer.rest().stream())
                .filter(plan -> plan.cost().atMost(way.get().cost()))
                .findFirst()
                .map(plan -> "“%s” leads there too and costs no more in any respect.".formatted(plan.title()))
                .orElse("The other plans reach the goal without it.");
    }

    /** The cheapest way on which it has a part, where nothing else does what it does. */
    private Optional<Way> bestWith(Route route) {
        List<Route> others = catalogue.routes().stream()
                .filter(other -> other.id().equals(route.id())
                        || other.isHousekeeping()
                        || !other.changes().effects().entrySet().containsAll(served(route)))
                .toList();
        SearchSpace space = SearchSpace.of(catalogue.with(others), facts, choice);
        return PlanSearch.unblocked(answer.goal(), space, Limits.none()).stream()
                .filter(way ->
                        way.routes().stream().anyMatch(taken -> taken.id().equals(route.id())))
                .min((a, b) -> Double.compare(a.cost().weight(), b.cost().weight()));
    }

    /** Of what it brings about that which the goal wants; all of it, where it only prepares. */
    private Set<Map.Entry<Fact, String>> served(Route route) {
        Set<Map.Entry<Fact, String>> wanted =
                new HashSet<>(route.changes().effects().entrySet());
        wanted.retainAll(answer.goal().wanted().entrySet());
        return wanted.isEmpty() ? route.changes().effects().entrySet() : wanted;
    }
}
