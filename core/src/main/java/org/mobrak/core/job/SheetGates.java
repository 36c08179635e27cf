package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.BatteryNeed;
import org.mobrak.core.plan.Plan;

/**
 * Which gates stand directly before each route of a plan. What was made sure of once is not asked again, unless a route between
 * may have changed it, more is asked, or it goes down by itself.
 */
final class SheetGates {
    /** What stands between why something is asked and how it is brought about. */
    static final String IF_NOT = " If it is not so: ";

    /** It goes down with every minute, so each write asks anew. */
    private static final Set<Fact> GOES_DOWN = Set.of(Fact.BATTERY_PERCENT);

    private final Map<Integer, List<Gate>> gates = new HashMap<>();
    /** What is believed before each route of the plan. */
    private final List<Facts> believed = new ArrayList<>();

    private final Plan plan;
    private final Catalogue catalogue;

    SheetGates(Plan plan, Catalogue catalogue, Facts facts) {
        this.plan = plan;
        this.catalogue = catalogue;
        Map<Fact, Gate> sure = new EnumMap<>(Fact.class);
        Facts here = facts;
        boolean written = false;
        for (int i = 0; i < plan.routes().size(); i++) {
            Route route = plan.routes().get(i);
            believed.add(here);
            List<Gate> before = new ArrayList<>(asked(route, facts, i));
            boolean firstWrite = route.writesPartitions() && !written;
            before.removeIf(gate -> isSure(gate, sure, route));
            before.forEach(gate -> sure.put(gate.fact(), gate));
            if (firstWrite) {
                facts.value(Fact.MODEL).map(SheetGates::sameModel).ifPresent(before::add);
            }
            gates.put(i, before);
            written |= route.writesPartitions();
            Map<Fact, Optional<String>> after = Aftermath.of(route, here);
            after.keySet().forEach(sure::remove);
            here = here.after(after);
        }
    }

    private static boolean isSure(Gate gate, Map<Fact, Gate> sure, Route route) {
        Gate before = sure.get(gate.fact());
        boolean goesDown = GOES_DOWN.contains(gate.fact()) && route.writesPartitions();
        return before != null && !goesDown && gate.is().containsAll(before.is()) && isAtLeast(before, gate);
    }

    private static boolean isAtLeast(Gate before, Gate gate) {
        return before.atLeast().orElse(Integer.MIN_VALUE) >= gate.atLeast().orElse(Integer.MIN_VALUE);
    }

    private List<Gate> asked(Route route, Facts facts, int index) {
        List<Gate> asked = new ArrayList<>();
        boolean first = plan.routes().subList(0, index).stream().allMatch(Route::isHousekeeping);
        for (Gate gate : route.gates()) {
            boolean battery =
                    gate.fact() == Fact.BATTERY_PERCENT && gate.atLeast().isPresent();
            asked.add(battery && first && !route.isHousekeeping() ? forAll(gate, facts) : gate);
        }
        if (route.changes().wipesData()) {
            asked.removeIf(gate -> gate.fact() == Fact.APP_BACKUP);
            asked.add(copy(
                    Fact.APP_BACKUP,
                    "Everything on the phone is wiped by %s. A copy that nobody has looked into is none, and an image backup of boot, recovery and system holds no data."
                            .formatted(route.name())));
        }
        if (replaces(route, PartitionClass.RADIO)) {
            asked.add(copy(
                    Fact.RADIO_BACKUP,
                    "%s writes the radio. Copy the partition with the radio’s identity first (it needs root or a recovery of your own), and keep it private: nobody else can give it back."
                            .formatted(route.name())));
        }
        return asked;
    }

    /** A copy somebody has looked into; or the person gives a reason for going on without. */
    private static Gate copy(Fact fact, String why) {
        return new Gate(fact, List.of("verified"), Optional.empty(), why);
    }

    private static boolean replaces(Route route, PartitionClass partition) {
        return route.changes().writes().contains(partition)
                && !route.changes().keeps().contains(partition);
    }

    /** Before the first route the battery must do for the whole plan. */
    private Gate forAll(Gate gate, Facts facts) {
        int needed = new BatteryNeed(plan, facts).percent();
        return needed <= gate.atLeast().orElseThrow()
                ? gate
                : new Gate(
                        gate.fact(),
                        gate.is(),
                        Optional.of(needed),
                        gate.why() + " For the whole plan it takes %d %%: see the sum beside it.".formatted(needed));
    }

    private static Gate sameModel(String model) {
        return new Gate(
                Fact.MODEL,
                List.of(model),
                Optional.empty(),
                "Compare once more before anything is written: read the model number from the phone itself, from the label or the settings, not from memory. A file for a sister model can end a phone.");
    }

    /** Those directly before a route, as steps of some phase. */
    List<Step> before(int route, Phase phase) {
        String name = plan.routes().get(route).name();
        return Objects.requireNonNull(gates.get(route)).stream()
                // The battery goes down meanwhile, so it is read last of all.
                .sorted(Comparator.comparing(gate -> gate.fact() == Fact.BATTERY_PERCENT))
                // Copying is a step of its own, for each file that the route names.
                .filter(gate -> gate.fact() != Fact.FILES_COPIED
                        || !namesFiles(plan.routes().get(route)))
                .map(gate -> (Step) SheetWriter.ready(name, gate, phase, opener(gate, believed.get(route))))
                .toList();
    }

    private static boolean namesFiles(Route route) {
        return route.work().files().stream().anyMatch(NeededFile::goesToPhone);
    }

    /** How it is opened, where some housekeeping tells: as the plan does it, else in a way that this phone has. */
    private String opener(Gate gate, Facts here) {
        return Stream.concat(plan.routes().stream(), catalogue.routes().stream())
                .filter(Route::isHousekeeping)
                .filter(route -> Optional.ofNullable(route.changes().effects().get(gate.fact()))
                        .filter(value -> GateJudge.holds(gate, value) == Truth.YES)
                        .isPresent())
                // Judged last, and only the few that open it: a catalogue may have thousands of routes.
                .filter(route -> plan.routes().contains(route)
                        || FitCheck.alone(catalogue, route, here, Optional.empty())
                                        .verdict()
                                != Verdict.REFUSED)
                .findFirst()
                .map(route -> route.steps().stream().map(RouteStep::text).collect(Collectors.joining(" ")))
                .or(() -> usual(gate))
                .map(how -> IF_NOT + how)
                .orElse("");
    }

    /** How such a thing is usually brought about, where no housekeeping of the catalogue tells; common practice, no published source. */
    private static Optional<String> usual(Gate gate) {
        boolean off = gate.is().contains("off") || gate.is().contains("no");
        return Optional.ofNullable(off ? null : USUAL.get(gate.fact()));
    }

    private static final Map<Fact, String> USUAL = Map.ofEntries(
            Map.entry(Fact.BATTERY_PERCENT, "Charge it, and compare again."),
            Map.entry(
                    Fact.USB_DEBUGGING,
                    "In its settings, on the page about the phone, tap the build number seven times; under the options for developers switch debugging over the cable on. Put the cable in, and accept the computer's key on the phone's screen."),
            Map.entry(
                    Fact.UNKNOWN_SOURCES,
                    "In its settings, under security, allow apps from unknown sources; switch it off again afterwards."),
            Map.entry(
                    Fact.OEM_UNLOCK,
                    "In its settings, under the options for developers, allow that the bootloader is unlocked."),
            Map.entry(Fact.INTERNET, "Connect it to a wireless network, and open any page."),
            Map.entry(Fact.CARD, "Put a memory card in, and see that the phone lists it."),
            Map.entry(Fact.CABLE, "Take another cable, one that carries data."),
            Map.entry(Fact.HOST_OS, "Take a computer with that system."),
            Map.entry(Fact.APP_BACKUP, "Copy what must not be lost from the phone now."),
            Map.entry(Fact.IMAGE_BACKUP, "Make a full image in the recovery now, and copy it to the computer."));
}
