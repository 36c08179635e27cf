package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Plan;

/**
 * Puts the steps of a plan in their order. What several routes ask alike is asked once; a gate stands directly before the route
 * that needs it, and again only where something between may have shut it.
 */
final class SheetWriter {
    private final Plan plan;
    private final SheetGates gates;
    private final Copies copies;
    private final Passage passage;
    private final Map<Route, String> cautions = new IdentityHashMap<>();
    private final Map<Route, Map<Fact, String>> expected = new IdentityHashMap<>();

    SheetWriter(Plan plan, Catalogue catalogue, Facts facts) {
        this.plan = plan;
        this.gates = new SheetGates(plan, catalogue, facts);
        this.copies = new Copies(plan, facts);
        String model = facts.value(Fact.MODEL).orElse("");
        this.passage = new Passage(catalogue.phone(model).map(KnownPhone::family), model);
        Facts here = facts;
        for (Route route : plan.routes()) {
            String care = FitCheck.alone(catalogue, route, here, Optional.empty()).clauses().stream()
                    .filter(clause -> clause.kind() == Clause.Kind.DANGER)
                    .flatMap(clause -> clause.doubt().stream())
                    .map(Clause.Doubt::words)
                    .collect(Collectors.joining(" "));
            cautions.put(route, care);
            expected.put(route, Expected.after(route, here));
            here = here.after(Aftermath.of(route, here));
        }
    }

    RunSheet sheet() {
        List<Step> steps = new ArrayList<>(gather());
        List<Step> done = new ArrayList<>(prepare());
        done.addAll(work());
        steps.addAll(passage.through(done));
        steps.addAll(tidy());
        Set<PartitionClass> writes = plan.routes().stream()
                .flatMap(route -> route.changes().writes().stream())
                .collect(Collectors.toSet());
        Optional<String> money = plan.money().map(Money::text);
        return new RunSheet(plan.title(), numbered(steps), writes, money, Optional.empty());
    }

    private List<Step> gather() {
        List<Step> steps = new ArrayList<>(tools());
        steps.addAll(files());
        working().forEach(route -> steps.addAll(own(route, Phase.GATHER)));
        return steps;
    }

    /** What makes the bench ready before anything is done, then what the routes want prepared, then the first gates. */
    private List<Step> prepare() {
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < plan.routes().size() && isHousekeepingUpTo(i); i++) {
            steps.addAll(gates.before(i, Phase.PREPARE));
            steps.addAll(own(plan.routes().get(i), Phase.PREPARE));
        }
        List<Step> gates = firstWork()
                .map(first -> this.gates.before(first, Phase.PREPARE))
                .orElse(List.of());
        // Switches before what needs them, the cable before what goes through it, and at last what was only just so.
        gates.stream().filter(gate -> !isLate(gate)).forEach(steps::add);
        List<Step> early = firstWork().map(copies::early).orElse(List.of());
        if (!early.isEmpty() || asksForABridge()) {
            steps.add(Passage.plug(plan.routes().get(firstWork().orElse(0)).name(), Phase.PREPARE));
        }
        List<Step> own = new ArrayList<>();
        working().forEach(route -> own.addAll(own(route, Phase.PREPARE)));
        steps.addAll(firstOfEach(own));
        steps.addAll(early);
        gates.stream().filter(SheetWriter::isLate).forEach(steps::add);
        return steps;
    }

    /** The model is compared and the battery read directly before the work, after all that takes its time. */
    private static boolean isLate(Step gate) {
        return gate.gate()
                .map(Gate::fact)
                .filter(fact -> fact == Fact.MODEL || fact == Fact.BATTERY_PERCENT)
                .isPresent();
    }

    private boolean asksForABridge() {
        return firstWork()
                .filter(first -> plan.routes().get(first).gates().stream().anyMatch(Passage::asksForABridge))
                .isPresent();
    }

    /** Route by route; housekeeping after the first change is part of the doing. */
    private List<Step> work() {
        List<Step> steps = new ArrayList<>();
        int first = firstWork().orElse(plan.routes().size());
        for (int i = first; i < plan.routes().size(); i++) {
            Route route = plan.routes().get(i);
            if (i > first) {
                steps.addAll(gates.before(i, Phase.DO));
            }
            if (route.isHousekeeping()) {
                own(route, Phase.PREPARE)
                        .forEach(step -> steps.add(step.with(step.line().in(Phase.DO))));
            } else {
                steps.addAll(copying(copies.late(i), minding(route, careful(route, own(route, Phase.DO)))));
                steps.addAll(expecting(route, own(route, Phase.PROVE)));
            }
        }
        return steps;
    }

    /** What asks for care in the state the phone is in then is told with the first thing that is done. */
    private List<Step> careful(Route route, List<Step> own) {
        String care = cautions.getOrDefault(route, "");
        if (care.isEmpty() || own.isEmpty()) {
            return own;
        }
        List<Step> told = new ArrayList<>(own);
        told.set(0, saying(own.get(0), "Take care: " + care));
        return told;
    }

    /** The first proof of a route says what must be read: what it has brought, and what must have stayed. */
    private List<Step> expecting(Route route, List<Step> own) {
        if (own.isEmpty() || !(own.get(0) instanceof Step.Prove first)) {
            return own;
        }
        Map<Fact, String> expected = Expected.readable(
                this.expected.getOrDefault(route, Map.of()), first.doing().mode());
        List<Step> told = new ArrayList<>(own);
        told.set(0, new Step.Prove(first.line(), first.doing(), first.rung(), first.change(), expected));
        return told;
    }

    /** What can only be copied late is copied after the last wipe of the route that something follows which takes it. */
    private static List<Step> copying(List<Step> late, List<Step> own) {
        int at = 0;
        for (int i = 0; i + 1 < own.size(); i++) {
            boolean follows = own.subList(i + 1, own.size()).stream()
                    .anyMatch(step ->
                            step instanceof Step.Act act && !act.writes().isEmpty());
            if (own.get(i).changes().wipes() && follows) {
                at = i + 1;
            }
        }
        List<Step> all = new ArrayList<>(own);
        all.addAll(at, late);
        return all;
    }

    /** What the author warns of stands on the step that writes first, and not on another page. */
    private static List<Step> minding(Route route, List<Step> own) {
        String hazards = String.join(" ", route.notes().hazards());
        Optional<Step> writing = own.stream()
                .filter(step -> step instanceof Step.Act act && !act.writes().isEmpty())
                .findFirst();
        if (hazards.isEmpty() || writing.isEmpty()) {
            return own;
        }
        return own.stream()
                .map(step -> step.equals(writing.get()) ? saying(step, "Mind: " + hazards) : step)
                .toList();
    }

    private static Step saying(Step step, String more) {
        Step.Line line = step.line();
        return step.with(line(line.route(), line.phase(), line.title(), line.text() + " " + more));
    }

    private List<Step> tidy() {
        List<Step> all = new ArrayList<>();
        working().forEach(route -> all.addAll(own(route, Phase.TIDY)));
        return firstOfEach(all);
    }

    private List<Route> working() {
        return plan.routes().stream().filter(route -> !route.isHousekeeping()).toList();
    }

    /** Whether a route and all before it only make the bench ready. */
    private boolean isHousekeepingUpTo(int index) {
        return plan.routes().subList(0, index + 1).stream().allMatch(Route::isHousekeeping);
    }

    /** The place of the first route that does anything to the phone. */
    private Optional<Integer> firstWork() {
        for (int i = 0; i < plan.routes().size(); i++) {
            if (!plan.routes().get(i).isHousekeeping()) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /** What two routes ask in the same words is asked once. */
    private static List<Step> firstOfEach(List<Step> steps) {
        Map<String, Step> first = new LinkedHashMap<>();
        steps.forEach(step -> first.putIfAbsent(step.title() + '\n' + step.text(), step));
        return List.copyOf(first.values());
    }

    private List<Step> own(Route route, Phase phase) {
        // What is copied, and where to, is said file by file.
        if (route.isHousekeeping() && route.changes().effects().keySet().equals(Set.of(Fact.FILES_COPIED))) {
            return List.of();
        }
        RouteSteps steps = new RouteSteps(route);
        return route.steps().stream()
                .filter(step -> step.phase() == phase)
                .map(steps::step)
                .toList();
    }

    /** A file that several routes ask for is fetched once. */
    private Collection<Step> files() {
        Map<NeededFile, Step> steps = new LinkedHashMap<>();
        plan.routes()
                .forEach(route -> route.work().files().forEach(file -> steps.putIfAbsent(file, fetch(route, file))));
        return steps.values();
    }

    private static Step fetch(Route route, NeededFile file) {
        String text = file.hasDigest()
                ? "Put it on the computer and drop it on the page Files: it is held against the route’s checksum there, to the byte."
                : "Put it on the computer and drop it on the page Files. The route names no checksum for it, so take it from one place only.";
        return new Step.Fetch(
                line(route.name(), Phase.GATHER, file.role() + ": " + file.name(), text), Optional.of(file));
    }

    /** A tool that several routes ask for in the same versions is fetched once. */
    private Collection<Step> tools() {
        Map<Route.NeededTool, Step> steps = new LinkedHashMap<>();
        plan.routes()
                .forEach(route -> route.work().tools().forEach(tool -> steps.putIfAbsent(tool, fetch(route, tool))));
        return steps.values();
    }

    private static Step fetch(Route route, Route.NeededTool tool) {
        String text = "Version: " + tool.versions() + ". Another version may call the same things by other names.";
        String title = ("driver".equals(tool.kind()) ? "Driver: " : "Tool: ") + tool.name();
        return new Step.Fetch(line(route.name(), Phase.GATHER, title, text), Optional.empty());
    }

    static Step.Ready ready(String route, Gate gate, Phase phase) {
        return ready(route, gate, phase, "");
    }

    /** @param how what to do where the gate is shut, to stand behind its reason */
    static Step.Ready ready(String route, Gate gate, Phase phase, String how) {
        String wanted = gate.atLeast().map(least -> "at least " + least).orElse(String.join(" or ", gate.is()));
        return new Step.Ready(
                line(route, phase, gate.fact().label() + ": " + wanted, gate.why() + how), gate, overridable(gate));
    }

    /** What keeps a phone from being ended for good is passed by nobody (our own choice). */
    private static boolean overridable(Gate gate) {
        boolean bootloader =
                gate.fact() == Fact.BATTERY_PERCENT && gate.atLeast().orElse(0) >= PartitionClass.BOOTLOADER.battery();
        return gate.fact() != Fact.MODEL && !bootloader;
    }

    static Step.Line line(String route, Phase phase, String title, String text) {
        return new Step.Line("", phase, route, title, text);
    }

    static String id(Phase phase, int number) {
        return phase.label().toLowerCase(Locale.ROOT) + "-" + number;
    }

    private static List<Step> numbered(List<Step> steps) {
        Map<Phase, Integer> counts = new EnumMap<>(Phase.class);
        return steps.stream()
                .map(step -> step.with(id(step.phase(), counts.merge(step.phase(), 1, Integer::sum))))
                .toList();
    }
}
