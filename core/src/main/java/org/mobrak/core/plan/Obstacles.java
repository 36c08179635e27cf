package org.mobrak.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.match.Recognition;
import org.mobrak.core.fit.Lookahead;
import org.mobrak.core.fit.School;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Facts;

/** Why there is no plan: the smallest set of things in the way. */
final class Obstacles {
    private final Goal goal;
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;
    private final Limits limits;

    Obstacles(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        this.goal = goal;
        this.catalogue = catalogue;
        this.facts = facts;
        this.choice = choice;
        this.limits = limits;
    }

    /**
     * What is in the way, each a sentence.
     *
     * @param unlimited the same search with every wipe as its author made it, to see which limit is in the way
     */
    List<String> sentences(SearchSpace space, SearchSpace unlimited, Recognition recognition) {
        List<String> limited = byLimits(space, unlimited);
        if (!limited.isEmpty()) {
            return limited;
        }
        List<String> all = PlanSearch.leastBlocked(goal, space)
                .map(way -> Stream.concat(
                                way.blockers().stream(),
                                way.assumptions().stream().map(Assumption::sentence))
                        .toList())
                .or(() -> recognition.sentence().map(List::of))
                .orElseGet(this::nearest);
        return all.isEmpty() ? List.of("No route in the catalogue leads to “" + goal.label() + "”.") : all;
    }

    /** Where only the limits are in the way: those that the plan which breaks the fewest of them breaks, and what breaks them. */
    private List<String> byLimits(SearchSpace space, SearchSpace unlimited) {
        if (limits.equals(Limits.none())) {
            return List.of();
        }
        List<Way> ways = PlanSearch.unblocked(goal, unlimited, Limits.none());
        List<Way> all =
                ways.isEmpty() && PlanSearch.assuming(goal, space, limits).isEmpty()
                        ? PlanSearch.assuming(goal, unlimited, Limits.none())
                        : ways;
        return all.stream()
                .min(Comparator.comparingInt(
                                (Way way) -> limits.broken(way, facts).size())
                        .thenComparingDouble(way -> way.cost().weight()))
                .map(way -> limits.broken(way, facts))
                .orElse(List.of());
    }

    /** Where something lasting forbids every way: the route to the goal with the fewest noes, and what they are. */
    private List<String> nearest() {
        Lookahead now = new Lookahead(catalogue, facts, choice);
        return Relevance.serving(goal, catalogue.routes()).stream()
                .filter(route -> goal.isReachedIn(facts.after(Aftermath.of(route, facts))))
                .map(route -> now.clauses(route, Map.of()).stream()
                        .filter(clause -> clause.result() == Truth.NO)
                        .map(clause -> route.name() + ": " + clause.reason())
                        .toList())
                .min(Comparator.comparingInt(List::size))
                .orElse(List.of());
    }
}
