package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.TextPattern;

/**
 * The states a phone can pass through on its plans, and the routes between them, as a drawn map needs them. Ways that are
 * refused are on it too, from where the phone is to the goal they serve, with the reason: those for this phone first, then those
 * for its sisters, of many only those that lack the least; what was made for other phones is nobody's mistake.
 * All states in which the goal is reached are one place.
 *
 * @param places in the order in which plans reach them; the first is where the phone is
 */
public record RouteMap(List<Place> places, List<Link> links) {
    private static final int MOST_REFUSED = 6;

    public RouteMap {
        places = List.copyOf(places);
        links = List.copyOf(links);
    }

    /**
     * A state.
     *
     * @param changed what is otherwise than now; at the goal, what is wanted
     * @param column how many routes it takes to get there by the longest plan
     */
    public record Place(int id, Map<Fact, String> changed, int column, boolean goal) {}

    /**
     * A route from one state to another.
     *
     * @param plans the plans, by their place in the list, that go this way; empty for a refused one
     * @param refusal why it cannot be gone
     */
    public record Link(int from, int to, Route route, List<Integer> plans, Optional<String> refusal) {
        public Link {
            plans = List.copyOf(plans);
        }

        public boolean isRefused() {
            return refusal.isPresent();
        }
    }

    /** Draws up the map of some plans, and of the routes that would lead to their goal but are refused. */
    public static RouteMap of(
            Goal goal, Facts facts, List<Plan> plans, List<RouteFit> fits, Optional<KnownPhone> phone) {
        Survey survey = new Survey(goal, goal.from(facts));
        for (int i = 0; i < plans.size(); i++) {
            survey.walk(plans.get(i), i);
        }
        survey.refuse(fits, phone);
        return new RouteMap(survey.places(), survey.links());
    }

    /** The places and links as they are found. */
    private static final class Survey {
        private final Goal goal;
        private final Facts facts;
        private final Map<Map<Fact, String>, Place> places = new LinkedHashMap<>();
        private final List<Link> links = new ArrayList<>();

        Survey(Goal goal, Facts facts) {
            this.goal = goal;
            this.facts = facts;
            place(Map.of(), 0);
        }

        List<Place> places() {
            return List.copyOf(places.values());
        }

        List<Link> links() {
            return links;
        }

        void walk(Plan plan, int number) {
            Map<Fact, String> state = Map.of();
            int column = 0;
            for (Route route : plan.routes()) {
                Map<Fact, String> next = after(state, route);
                if (!route.isHousekeeping()) {
                    column++;
                    link(place(state, column - 1), place(next, column), route, number);
                }
                state = next;
            }
        }

        /** Only what matters to the plans makes a place another one, not the switches on the way unless the goal wants them back. */
        private Map<Fact, String> after(Map<Fact, String> state, Route route) {
            Map<Fact, String> then = new EnumMap<>(Fact.class);
            then.putAll(state);
            Map<Fact, Optional<String>> after = Aftermath.of(route, facts.supposing(state));
            route.changes().effects().keySet().stream()
                    .filter(this::makesAPlace)
                    .forEach(fact -> Objects.requireNonNull(after.get(fact)).ifPresent(value -> then.put(fact, value)));
            if (goal.isReachedIn(facts.supposing(then))) {
                return goal.wanted();
            }
            then.entrySet()
                    .removeIf(entry -> facts.value(entry.getKey())
                            .filter(entry.getValue()::equals)
                            .isPresent());
            return Map.copyOf(then);
        }

        private boolean makesAPlace(Fact fact) {
            return goal.back().containsKey(fact)
                    || fact.group() != Fact.Group.BENCH && fact != Fact.BATTERY_PERCENT && fact != Fact.CUSTOM_WRITES;
        }

        private Place place(Map<Fact, String> changed, int column) {
            Place known = places.get(changed);
            Place place = new Place(
                    known == null ? places.size() : known.id(),
                    changed,
                    known == null ? column : Math.max(known.column(), column),
                    goal.isReachedIn(facts.supposing(changed)));
            places.put(changed, place);
            return place;
        }

        private void link(Place from, Place to, Route route, int plan) {
            for (int i = 0; i < links.size(); i++) {
                Link known = links.get(i);
                if (known.from() == from.id() && known.to() == to.id() && known.route() == route) {
                    List<Integer> plans = new ArrayList<>(known.plans());
                    plans.add(plan);
                    links.set(i, new Link(from.id(), to.id(), route, plans, Optional.empty()));
                    return;
                }
            }
            links.add(new Link(from.id(), to.id(), route, List.of(plan), Optional.empty()));
        }

        void refuse(List<RouteFit> fits, Optional<KnownPhone> phone) {
            Place now = Objects.requireNonNull(places.get(Map.<Fact, String>of()));
            Place end = place(goal.wanted(), 1);
            fits.stream()
                    .filter(fit -> fit.verdict() == Verdict.REFUSED && serves(fit.route()))
                    .filter(fit -> isForThis(fit) || isForSister(fit.route(), phone))
                    .sorted(Comparator.comparing((RouteFit fit) -> !isForThis(fit))
                            .thenComparingLong(RouteFit::missing)
                            .thenComparing(fit -> fit.route().name()))
                    .limit(MOST_REFUSED)
                    .forEach(fit ->
                            links.add(new Link(now.id(), end.id(), fit.route(), List.of(), Optional.of(reason(fit)))));
        }

        /** Whether it is refused for another reason than that it was made for another phone. */
        private static boolean isForThis(RouteFit fit) {
            return fit.clauses().stream()
                    .noneMatch(clause -> clause.kind() == Clause.Kind.MODEL && clause.result() == Truth.NO);
        }

        /** A sister variant's file is the one that people take by mistake. */
        private static boolean isForSister(Route route, Optional<KnownPhone> phone) {
            return phone.stream()
                    .flatMap(known -> known.family().variants().stream())
                    .anyMatch(sister -> route.fits().phones().stream()
                            .anyMatch(target -> TextPattern.matches(target.model(), sister.model())));
        }

        private boolean serves(Route route) {
            return route.changes().effects().entrySet().stream()
                    .anyMatch(effect -> effect.getValue().equals(goal.wanted().get(effect.getKey())));
        }

        private static String reason(RouteFit fit) {
            return fit.clauses().stream()
                    .filter(clause -> clause.result() == Truth.NO)
                    .map(Clause::reason)
                    .findFirst()
                    .orElse("");
        }
    }
}
