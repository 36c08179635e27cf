package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.check.BatterySafety;

/**
 * What makes the bench ready: for each gate that is known to be closed, the quickest housekeeping that opens it and that
 * nothing forbids. A gate that is closed and that none opens, or only in another state of the phone (the recovery that takes
 * the backup is not there yet), stands in the way. What a person makes ready anyway, of which the catalogue tells nothing, waits
 * for the day.
 */
final class Housekeeping {
    private final Catalogue catalogue;
    private final Map<Fact, List<Route>> quickestFirst = new EnumMap<>(Fact.class);
    private final Map<Gate, List<Route>> openers = new HashMap<>();
    private final Map<Gate, List<Fact>> asks = new HashMap<>();
    private final Map<List<Object>, Optional<Route>> found = new HashMap<>();
    private final Map<Route, List<Gate>> gates = new IdentityHashMap<>();
    private final Map<Route, Boolean> turning = new IdentityHashMap<>();
    private final Set<Fact> ofSafety =
            EnumSet.of(Fact.BATTERY_BODY, Fact.BATTERY_HEALTH, Fact.BATTERY_TEMPERATURE, Fact.TROUBLE);

    Housekeeping(Catalogue catalogue) {
        this.catalogue = catalogue;
        catalogue.dangers().forEach(danger -> danger.when().facts().forEach(ofSafety::add));
        catalogue.routes().stream()
                .filter(Route::isHousekeeping)
                .sorted(Comparator.comparingDouble(Housekeeping::minutes).thenComparing(Route::id))
                .forEach(route -> route.changes()
                        .effects()
                        .keySet()
                        .forEach(fact -> quickestFirst
                                .computeIfAbsent(fact, none -> new ArrayList<>())
                                .add(route)));
    }

    private static double minutes(Route route) {
        return route.handsOn().mean() + route.waiting().mean();
    }

    /**
     * How a route's gates are opened.
     *
     * @param openers what must come before the route, in order
     * @param shut why a gate stays closed in this state
     * @param supposed what is taken for granted of gates that could not be opened in this state if they were closed
     */
    record Readiness(List<Route> openers, List<String> shut, List<Assumption> supposed) {}

    /** What must come before a route, and what would still stand in the way. */
    Readiness before(Route route, Facts facts) {
        Readiness ready = new Readiness(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        Facts here = facts;
        for (Gate gate : gates(route)) {
            Truth open = GateJudge.result(gate, here);
            if (open == Truth.YES) {
                continue;
            }
            Optional<Route> opener = opener(gate, here);
            if (opener.isEmpty()) {
                stuck(route, gate, here, ready);
            } else if (open == Truth.NO || here.isTorn(gate.fact())) {
                // Where sources disagree it is shut in one of the worlds, so it is opened.
                ready.openers().add(opener.get());
                here = here.after(Aftermath.of(opener.get(), here));
            }
        }
        return ready;
    }

    /** A phone with a battery that may burn is not touched, so there it does not matter what else would have to be ready. */
    private void stuck(Route route, Gate gate, Facts here, Readiness ready) {
        boolean waitsForTheDay = !someOpens(gate) && isInHand(gate.fact());
        if (waitsForTheDay || BatterySafety.stop(here).isPresent()) {
            return;
        }
        GateJudge judged = GateJudge.of(gate, here);
        if (judged.result() == Truth.NO) {
            String nothing = someOpens(gate) ? "" : " Nothing in the catalogue opens that.";
            ready.shut().add(judged.sentence() + nothing);
        } else if (someOpens(gate)) {
            ready.supposed().add(assumption(route, gate, judged));
        }
    }

    /** What a person makes ready without a route: charges it, fetches a cable, presses a switch. */
    private static boolean isInHand(Fact fact) {
        return fact.group() == Fact.Group.BENCH || fact == Fact.BATTERY_PERCENT;
    }

    private static Assumption assumption(Route route, Gate gate, GateJudge judged) {
        Fact fact = gate.fact();
        Map<Fact, String> supposes =
                gate.is().isEmpty() ? Map.of() : Map.of(fact, gate.is().get(0));
        return new Assumption(route.name(), judged.sentence(), Set.of(fact), supposes);
    }

    /** Whether a gate is open as things stand, can be opened, or waits for something that no housekeeping brings. */
    boolean canOpenNow(Gate gate, Facts facts) {
        return GateJudge.result(gate, facts) == Truth.YES || opener(gate, facts).isPresent() || !someOpens(gate);
    }

    /** Whether how a route's gates are opened can turn on the state of the phone. */
    boolean turnsOnState(Route route) {
        return turning.computeIfAbsent(
                route,
                one -> gates(one).stream()
                        .map(this::openers)
                        .anyMatch(some -> !some.isEmpty() && some.stream().noneMatch(Housekeeping::isUnconditional)));
    }

    /** What the opening of a route's gates can turn on: what their openers need, and what would forbid them. */
    Set<Fact> turnsOn(Route route) {
        Set<Fact> facts = EnumSet.noneOf(Fact.class);
        gates(route).stream().map(this::asked).forEach(facts::addAll);
        return facts;
    }

    private List<Gate> gates(Route route) {
        return gates.computeIfAbsent(route, Route::gates);
    }

    private boolean someOpens(Gate gate) {
        return !openers(gate).isEmpty();
    }

    /** The same in all states that are alike in what the openers ask for, so it is looked for once for each of these. */
    private Optional<Route> opener(Gate gate, Facts facts) {
        List<Route> some = openers(gate);
        // A switch that the phone does not have is pressed by nobody.
        boolean absent = facts.value(gate.fact()).filter("absent"::equals).isPresent();
        if (some.isEmpty() || absent) {
            return Optional.empty();
        }
        List<List<String>> here = asked(gate).stream().map(facts::said).toList();
        return found.computeIfAbsent(
                List.of(gate, here),
                key -> some.stream()
                        .filter(route -> FitCheck.alone(catalogue, route, facts, Optional.empty())
                                        .verdict()
                                        .compareTo(Verdict.CAUTION)
                                <= 0)
                        .findFirst());
    }

    /** What decides whether the openers of a gate can be taken. */
    private List<Fact> asked(Gate gate) {
        return asks.computeIfAbsent(gate, key -> {
            List<Route> some = openers(key);
            return some.isEmpty()
                    ? List.of()
                    : Stream.concat(
                                    some.stream()
                                            .flatMap(route -> route.fits().requires().stream())
                                            .flatMap(Condition::facts),
                                    ofSafety.stream())
                            .distinct()
                            .toList();
        });
    }

    private static boolean isUnconditional(Route route) {
        return route.fits().phones().isEmpty()
                && route.fits().requires().isEmpty()
                && route.fits().excludedBuilds().isEmpty();
    }

    /** What opens a gate, in whatever state; the same for every search, so it is looked up once. */
    private List<Route> openers(Gate gate) {
        return openers.computeIfAbsent(
                gate,
                asked -> quickestFirst.getOrDefault(asked.fact(), List.of()).stream()
                        .filter(route -> GateJudge.holds(
                                        asked,
                                        Objects.requireNonNull(
                                                route.changes().effects().get(asked.fact())))
                                == Truth.YES)
                        .toList());
    }
}
