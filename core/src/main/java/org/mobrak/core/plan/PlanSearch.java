package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Queue;
import java.util.Set;
import java.util.function.Predicate;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Walks from the phone's state over routes to the goal and keeps, for each state, every way there that no other beats in
 * all respects: multi-objective label correcting (E. Q. V. Martins, Eur. J. Oper. Res. 16, 1984).
 *
 * <p>A state is the set of facts that the routes so far have changed and on which anything further can turn. What can be done
 * in a state, and what it costs, depends on the state alone and is worked out once ({@link Place}). Every respect only grows
 * along a way, so a beaten way to a state can be dropped, and so can one that a way to the goal beats already. Cheap ways are
 * carried on first, so that most are final when their turn comes. The number of ways kept is what costs; it is bounded by the
 * length of a plan.
 */
final class PlanSearch {
    private static final int MOST_ROUTES = 8;
    private static final Comparator<Way> CHEAP_FIRST =
            Comparator.comparingDouble((Way way) -> way.cost().weight()).thenComparingInt(Way::length);

    private static final Comparator<Way> CLEAR_FIRST =
            Comparator.comparingInt(Way::obstacles).thenComparing(CHEAP_FIRST);

    private final Goal goal;
    private final SearchSpace space;
    private final List<Route> routes;
    private final Set<Fact> relevant;
    private final Rule rule;
    private final Map<Map<Fact, Optional<String>>, Place> places = new HashMap<>();
    private final Map<Route, Cost> costs = new IdentityHashMap<>();
    private final List<Way> arrived = new ArrayList<>();

    /** What one kind of search lets pass and what it holds to be better. */
    private record Rule(Predicate<Move> passable, Limits limits, Beats beats, boolean firstWayWins) {}

    /** Whether the first way makes the second superfluous. */
    private interface Beats {
        boolean test(Way first, Way second);
    }

    /** A state with what can be done in it and the ways that lead to it. */
    private record Place(boolean atGoal, List<Move> moves, List<Way> ways) {}

    private PlanSearch(Goal goal, SearchSpace space, Rule rule) {
        this(goal, space, Relevance.serving(goal, space.possible(), space.endangering()), rule);
    }

    private PlanSearch(Goal goal, SearchSpace space, List<Route> routes, Rule rule) {
        this.goal = goal;
        this.space = space;
        this.routes = routes;
        this.relevant = Relevance.factsOf(goal, routes);
        routes.forEach(route -> relevant.addAll(space.housekeeping().turnsOn(route)));
        relevant.addAll(space.ofDangers());
        this.rule = rule;
    }

    /**
     * Whether the first way makes the second superfluous: it is better, or no worse and made of the same routes. Of equals made of
     * other routes both are kept, so that a person can choose.
     */
    private static boolean betterOrTheSame(Way first, Way second) {
        return first.cost().atMost(second.cost()) && (!second.cost().atMost(first.cost()) || first.hasRoutesOf(second));
    }

    /** All ways to the goal on which nothing stands in the way and that no other beats. */
    static List<Way> unblocked(Goal goal, SearchSpace space, Limits limits) {
        Predicate<Move> clear =
                move -> move.blockers().isEmpty() && move.assumptions().isEmpty();
        return new PlanSearch(goal, space, new Rule(clear, limits, PlanSearch::betterOrTheSame, true)).run();
    }

    /** Where what is unknown may be taken for granted: of ways that take the same for granted the best, of others both. */
    static List<Way> assuming(Goal goal, SearchSpace space, Limits limits) {
        Beats fewer = (a, b) -> b.supposed().containsAll(a.supposed())
                && (a.supposed().size() < b.supposed().size() || betterOrTheSame(a, b));
        return new PlanSearch(goal, space, new Rule(move -> move.blockers().isEmpty(), limits, fewer, true)).run();
    }

    /** A way on which the fewest things stand in the way; empty where no route leads to the goal at all. */
    static Optional<Way> leastBlocked(Goal goal, SearchSpace space) {
        // Of equally few, what is unknown may yet turn out well; and of those the ones deepest down, on the longest
        // way,
        // are the cause from which the others follow. So a short way must not shut out a longer one.
        Comparator<Way> fewer = Comparator.comparingInt(Way::obstacles)
                .thenComparingInt(way -> way.blockers().size())
                .thenComparing(Way::length, Comparator.reverseOrder());
        Beats notMore = (a, b) -> a.obstacles() <= b.obstacles() && a.length() <= b.length();
        Rule rule = new Rule(move -> true, Limits.none(), notMore, false);
        return new PlanSearch(goal, space, rule).run().stream().min(fewer);
    }

    /**
     * A way that somebody chose, as far as it can be gone.
     *
     * @param obstacles what stands in its way, and that it does not lead to the goal; empty where nothing does
     */
    record Followed(Way way, List<String> obstacles) {}

    /** Goes some routes in their order, each with the housekeeping that its gates ask for. */
    static Followed follow(Goal goal, SearchSpace space, List<Route> routes) {
        Beats never = (a, b) -> false;
        PlanSearch search = new PlanSearch(goal, space, routes, new Rule(move -> true, Limits.none(), never, true));
        Way way = Way.start();
        for (Route route : routes) {
            way = way.with(search.move(route, way.state(), space.facts().after(way.state())));
        }
        List<String> obstacles = new ArrayList<>(way.blockers());
        way.assumptions().forEach(assumed -> obstacles.add(assumed.sentence()));
        if (obstacles.isEmpty() && !goal.isReachedIn(space.facts().after(way.state()))) {
            obstacles.add("These routes do not lead to “" + goal.label() + "”.");
        }
        return new Followed(way, obstacles);
    }

    private List<Way> run() {
        Queue<Way> open = new PriorityQueue<>(rule.firstWayWins() ? CHEAP_FIRST : CLEAR_FIRST);
        Way start = Way.start();
        place(start.state()).ways().add(start);
        open.add(start);
        while (!open.isEmpty()) {
            Way way = open.poll();
            Place place = place(way.state());
            boolean dropped = place.ways().stream().noneMatch(kept -> kept == way);
            if (!dropped && !place.atGoal() && way.length() < MOST_ROUTES) {
                place.moves().stream()
                        .map(way::with)
                        .filter(longer -> rule.limits().allow(longer.cost()) && keep(longer))
                        .forEach(open::add);
            }
        }
        return List.copyOf(arrived);
    }

    private boolean keep(Way way) {
        Place place = place(way.state());
        boolean hopeless = rule.firstWayWins() ? isBeaten(way, arrived) : isBehind(way);
        if (hopeless || isBeaten(way, place.ways())) {
            return false;
        }
        replaceBeaten(way, place.ways());
        if (place.atGoal()) {
            replaceBeaten(way, arrived);
        }
        return true;
    }

    private boolean isBeaten(Way way, List<Way> rivals) {
        for (Way rival : rivals) {
            if (rule.beats().test(rival, way)) {
                return true;
            }
        }
        return false;
    }

    /** Whether a way to the goal has fewer obstacles already; they only grow. */
    private boolean isBehind(Way way) {
        for (Way there : arrived) {
            if (there.obstacles() < way.obstacles()) {
                return true;
            }
        }
        return false;
    }

    private void replaceBeaten(Way way, List<Way> rivals) {
        if (rule.firstWayWins() || rivals != arrived) {
            rivals.removeIf(rival -> rule.beats().test(way, rival));
        }
        rivals.add(way);
    }

    private Place place(Map<Fact, Optional<String>> state) {
        Place known = places.get(state);
        if (known == null) {
            Facts here = space.facts().after(state);
            boolean atGoal = goal.isReachedIn(here);
            known = new Place(atGoal, atGoal ? List.of() : moves(state, here), new ArrayList<>());
            places.put(state, known);
        }
        return known;
    }

    private List<Move> moves(Map<Fact, Optional<String>> state, Facts here) {
        return routes.stream()
                .filter(route -> changesSomething(route, here))
                .map(route -> move(route, state, here))
                .filter(move -> rule.passable().test(move)
                        && move.routes().stream()
                                .allMatch(route -> rule.limits().allow(route, space.facts())))
                .toList();
    }

    private static boolean changesSomething(Route route, Facts here) {
        return route.changes().effects().entrySet().stream()
                .anyMatch(effect -> here.value(effect.getKey())
                        .filter(effect.getValue()::equals)
                        .isEmpty());
    }

    private Move move(Route route, Map<Fact, Optional<String>> state, Facts here) {
        Housekeeping.Readiness bench = space.housekeeping().before(route, hoping(route, state, here));
        List<Route> taken = new ArrayList<>(bench.openers());
        Map<Fact, Optional<String>> ready = after(state, here, taken);
        Set<String> blockers = new LinkedHashSet<>();
        bench.shut().forEach(why -> blockers.add(route.name() + ": " + why));
        Set<Assumption> assumptions = new LinkedHashSet<>(bench.supposed());
        int doubt = 0;
        for (Clause clause : space.lookahead().clauses(route, ready)) {
            if (clause.result() == Truth.NO) {
                blockers.add(route.name() + ": " + clause.reason());
            } else if (clause.result() == Truth.UNKNOWN) {
                assumptions.add(new Assumption(
                        route.name(),
                        clause.reason(),
                        clause.asks(),
                        clause.basis().supposes()));
            }
            doubt = Math.max(doubt, clause.doubtWeight());
        }
        taken.add(route);
        Cost cost =
                taken.stream().map(this::cost).reduce(Cost.none(), Cost::plus).doubted(doubt);
        Facts readied = taken.size() == 1 ? here : space.facts().after(ready);
        return new Move(taken, after(ready, readied, List.of(route)), cost, blockers, assumptions);
    }

    private Cost cost(Route route) {
        return costs.computeIfAbsent(route, one -> {
            Cost cost = Cost.of(one, space.facts());
            return space.odds().containsKey(one.id())
                    ? cost.mendingWith(space.odds().getOrDefault(one.id(), 1.0))
                    : cost;
        });
    }

    /** With what is taken for granted of a route anyway, its gates may be opened. */
    private Facts hoping(Route route, Map<Fact, Optional<String>> state, Facts here) {
        if (!space.housekeeping().turnsOnState(route)) {
            return here;
        }
        Map<Fact, String> hoped = new EnumMap<>(Fact.class);
        for (Clause clause : space.lookahead().clauses(route, state)) {
            if (clause.result() == Truth.UNKNOWN) {
                hoped.putAll(clause.basis().supposes());
            }
        }
        return here.supposing(hoped);
    }

    /** The state after some routes: of what they change or make unknown, that on which anything can turn. */
    private Map<Fact, Optional<String>> after(Map<Fact, Optional<String>> state, Facts here, List<Route> taken) {
        if (taken.isEmpty()) {
            return state;
        }
        Map<Fact, Optional<String>> then = new EnumMap<>(Fact.class);
        then.putAll(state);
        Facts now = here;
        for (Route route : taken) {
            Map<Fact, Optional<String>> changed = Aftermath.of(route, now);
            changed.keySet().retainAll(relevant);
            then.putAll(changed);
            now = taken.size() == 1 ? now : now.after(changed);
        }
        return Map.copyOf(then);
    }
}
