package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Figure.Line;

/**
 * How full the battery must be before a plan is begun: the highest gate of its routes, or what the work drains and a reserve,
 * whichever is more.
 */
public final class BatteryNeed {
    /** Percent a minute with the screen on and in hand: a full battery lasts a little over three hours. Our own assumption. */
    private static final double IN_HAND = 0.5;
    /** Percent a minute while waiting. Our own assumption. */
    private static final double WAITING = 0.3;
    /** Percent that must be left at the end. Our own assumption. */
    private static final int RESERVE = 10;

    private final Plan plan;
    private final Facts facts;

    public BatteryNeed(Plan plan, Facts facts) {
        this.plan = plan;
        this.facts = facts;
    }

    /** Percent. */
    public int percent() {
        int gate = gates().mapToInt(BatteryNeed::percent).max().orElse(0);
        return Math.max(gate, (int) Math.min(100, Math.ceil(drain() + RESERVE)));
    }

    private double drain() {
        return IN_HAND * worked().handsOn() + WAITING * worked().waiting();
    }

    Figure figure() {
        List<Line> lines = new ArrayList<>();
        Optional<Gate> gate = gates().max(Comparator.comparing(BatteryNeed::percent));
        gate.ifPresent(most -> lines.add(new Line("Highest gate", percent(most) + " %: " + most.why())));
        double drain = drain();
        lines.add(new Line(
                "Drain",
                String.format(
                        Locale.ROOT,
                        "0.5 × %.1f min in hand + 0.3 × %.1f min waiting = %.0f %%, and %d %% to spare",
                        worked().handsOn(),
                        worked().waiting(),
                        drain,
                        RESERVE)));
        int needed = percent();
        return new Figure(
                "Battery",
                needed + " %",
                lines,
                "Gates: the routes' own, and common practice by what is written (no published source). Drain: Mobrak's own assumption.",
                enough(needed, lines));
    }

    private Truth enough(int needed, List<Line> lines) {
        Optional<Integer> has = facts.value(Fact.BATTERY_PERCENT).map(Integer::valueOf);
        lines.add(new Line("The phone has", has.map(percent -> percent + " %").orElse("not known")));
        Optional<Integer> charged = charged();
        charged.ifPresent(percent -> lines.add(new Line("The plan charges it first, to", percent + " %")));
        if (charged.filter(percent -> percent >= needed).isPresent()) {
            return Truth.YES;
        }
        return has.map(percent -> percent >= needed ? Truth.YES : Truth.NO).orElse(Truth.UNKNOWN);
    }

    /** How full it is once the plan's own charging is done. */
    private Optional<Integer> charged() {
        return plan.routes().stream()
                .filter(Route::isHousekeeping)
                .flatMap(route -> Optional.ofNullable(route.changes().effects().get(Fact.BATTERY_PERCENT)).stream())
                .map(Integer::valueOf)
                .max(Integer::compare);
    }

    /** Without housekeeping: what only makes ready is done before, on the charger if need be. */
    private Cost worked() {
        return plan.routes().stream()
                .filter(route -> !route.isHousekeeping())
                .map(route -> Cost.of(route, facts))
                .reduce(Cost.none(), Cost::plus);
    }

    private Stream<Gate> gates() {
        return plan.routes().stream()
                .filter(route -> !route.isHousekeeping())
                .flatMap(route -> route.gates().stream())
                .filter(gate ->
                        gate.fact() == Fact.BATTERY_PERCENT && gate.atLeast().isPresent());
    }

    private static int percent(Gate gate) {
        return gate.atLeast().orElseThrow();
    }
}
