package org.mobrak.core.plan;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.School;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Walks from the phone's state over routes to the goal and keeps, for each state, every way there that no other beats in
 * all respects: multi-objective label correcting (E. Q. V. Martins, Eur. J. Oper. Res. 16, 1984).
 *
 * <p>A state is the set of facts that the routes so far have changed and on which anything further can turn. What a route asks depends on the state alone and every
 * respect only grows along a way, so a beaten way to a state can be dropped. The number of labels is what costs; it is
 * bounded by the length of a plan.
 */
final class PlanSearch {
    private static final int MOST_ROUTES = 8;

    private final Catalogue catalogue;
    private final List<Route> routes;
    private final Set<Fact> relevant;
    private final Facts facts;
    private final Optional<School> choice;
    private final Beats beats;
    private final Housekeeping housekeeping;
    private final Map<Map<Fact, String>, List<Way>> best = new HashMap<>();

    /** Whether the first way makes the second superfluous. */
    interface Beats {
        boolean test(Way first, Way second);
    }

    /**
     * A way so far: the routes, the state they lead to, their cost, the clauses that stand in the way, and what is taken for
     * granted on it.
     */
    record Way(
            List<Route> routes, Map<Fact, String> state, Cost cost, Set<String> blockers, Set<Assumption> assumptions) {
        private int obstacles() {
            return blockers.size() + assumptions.size();
        }

        private long length() {
            return routes.stream().filter(route -> !route.isHousekeeping()).count();
        }
    }

    private PlanSearch(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Beats beats) {
        this.catalogue = catalogue;
        this.routes = Relevance.serving(goal, Relevance.possible(catalogue, facts, choice));
        this.relevant = Relevance.factsOf(goal, routes);
        this.facts = facts;
        this.choice = choice;
        this.beats = beats;
        this.housekeeping = new Housekeeping(catalogue);
    }

    /** All ways to the goal on which nothing stands in the way and that no other beats. */
    static List<Way> unblocked(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        Beats cheaper = (a, b) -> a.cost().atMost(b.cost());
        PlanSearch search = new PlanSearch(goal, catalogue, facts, choice, cheaper);
        search.run(goal, way -> way.blockers().isEmpty() && way.assumptions().isEmpty() && limits.allow(way.cost()));
        return front(search.reaching(goal), cheaper);
    }

    /** For each end the way with the fewest assumptions, where what is unknown may be taken for granted. */
    static List<Way> assuming(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice, Limits limits) {
        Beats fewer = (a, b) -> a.assumptions().size() < b.assumptions().size()
                || a.assumptions().size() == b.assumptions().size() && a.cost().atMost(b.cost());
        PlanSearch search = new PlanSearch(goal, catalogue, facts, choice, fewer);
        search.run(goal, way -> way.blockers().isEmpty() && limits.allow(way.cost()));
        return front(search.reaching(goal), fewer);
    }

    /** A way on which the fewest things stand in the way; empty where no route leads to the goal at all. */
    static Optional<Way> leastBlocked(Goal goal, Catalogue catalogue, Facts facts, Optional<School> choice) {
        // What is unknown may turn out well, what is known to be wrong will not. Of equally few the ones deepest down
        // Of equally few, what is unknown may yet turn out well; and of those the ones deepest down are the cause: on
        // the
        // longest way, the others follow from them.
        Comparator<Way> fewer = Comparator.comparingInt(Way::obstacles)
                .thenComparingInt(way -> way.blockers().size())
                .thenComparing(Way::length, Comparator.reverseOrder());
        Beats notMore = (a, b) -> a.obstacles() <= b.obstacles() && a.length() <= b.length();
        PlanSearch search = new PlanSearch(goal, catalogue, facts, choice, notMore);
        search.run(goal, way -> true);
        return search.reaching(goal).stream().min(fewer);
    }

    private void run(Goal goal, Predicate<Way> passable) {
        Way start = new Way(List.of(), Map.of(), Cost.none(), Set.of(), Set.of());
        Deque<Way> open = new ArrayDeque<>(List.of(start));
        best.put(start.state(), new ArrayList<>(List.of(start)));
        while (!open.isEmpty()) {
            Way way = open.poll();
            boolean dropped = !best.get(way.state()).contains(way);
            if (!dropped && way.length() < MOST_ROUTES && !goal.isReachedIn(facts.supposing(way.state()))) {
                extensions(way).filter(passable).filter(this::keep).forEach(open::add);
            }
        }
    }

    private Stream<Way> extensions(Way way) {
        Facts here = facts.supposing(way.state());
        return routes.stream().filter(route -> changesSomething(route, here)).map(route -> extend(way, route, here));
    }

    private static boolean changesSomething(Route route, Facts here) {
        return route.changes().effects().entrySet().stream()
                .anyMatch(effect -> here.value(effect.getKey())
                        .filter(effect.getValue()::equals)
                        .isEmpty());
    }

    /** The way with one more route, and before it the housekeeping that opens its gates. */
    private Way extend(Way way, Route route, Facts here) {
        Way ready = way;
        for (Route opener : housekeeping.opening(route, here)) {
            ready = taken(ready, opener, ready.blockers(), ready.assumptions());
        }
        Set<String> blockers = new LinkedHashSet<>(way.blockers());
        Set<Assumption> assumptions = new LinkedHashSet<>(way.assumptions());
        Facts then = facts.supposing(ready.state());
        for (Clause clause : FitCheck.alone(catalogue, route, then, choice).clauses()) {
            if (clause.result() == Truth.NO) {
                blockers.add(route.name() + ": " + clause.reason());
            } else if (clause.result() == Truth.UNKNOWN) {
                assumptions.add(new Assumption(route.name(), clause.reason(), clause.asks()));
            }
        }
        return taken(ready, route, blockers, assumptions);
    }

    private Way taken(Way way, Route route, Set<String> blockers, Set<Assumption> assumptions) {
        Map<Fact, String> state = new EnumMap<>(Fact.class);
        state.putAll(way.state());
        route.changes().effects().forEach((fact, value) -> {
            if (relevant.contains(fact)) {
                state.put(fact, value);
            }
        });
        List<Route> longer = new ArrayList<>(way.routes());
        longer.add(route);
        return new Way(List.copyOf(longer), Map.copyOf(state), way.cost().plus(route), blockers, assumptions);
    }

    private boolean keep(Way way) {
        List<Way> rivals = best.computeIfAbsent(way.state(), state -> new ArrayList<>());
        if (rivals.stream().anyMatch(rival -> beats.test(rival, way))) {
            return false;
        }
        rivals.removeIf(rival -> beats.test(way, rival));
        return rivals.add(way);
    }

    private List<Way> reaching(Goal goal) {
        return best.values().stream()
                .flatMap(List::stream)
                .filter(way -> goal.isReachedIn(facts.supposing(way.state())))
                .toList();
    }

    /** Different end states may both reach the goal; only here are they held against each other. */
    private static List<Way> front(List<Way> ways, Beats beats) {
        List<Way> front = new ArrayList<>();
        for (Way way : ways) {
            if (front.stream().noneMatch(other -> beats.test(other, way))) {
                front.removeIf(other -> beats.test(way, other));
                front.add(way);
            }
        }
        return front;
    }
}
