package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.catalogue.Route.Phase;
import org.mobrak.core.catalogue.Route.RouteStep;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.plan.Plan;

/**
 * Everything a plan asks a person to do, in order: gather, prepare, do, prove, tidy. It is kept whole with the job, so a
 * catalogue that changes later does not change a job that runs.
 *
 * @param title the plan's routes by name
 * @param effects the state facts that hold when the job has worked
 * @param writes the classes of partition its routes write
 * @param money what its routes cost in all, with the currency; empty where they are free
 */
public record RunSheet(
        String title,
        List<SheetStep> steps,
        Map<Fact, String> effects,
        Set<PartitionClass> writes,
        Optional<String> money) {
    public RunSheet {
        // Sheets of jobs that began under an earlier version say nothing of these.
        writes = writes == null ? Set.of() : Set.copyOf(writes);
        money = money == null ? Optional.empty() : money;
        steps = List.copyOf(steps);
        effects = Map.copyOf(effects);
    }

    /** Writes the run sheet of a plan: each file a step, each gate a step, then the routes' own steps in their order. */
    public static RunSheet of(Plan plan) {
        List<SheetStep> steps = new ArrayList<>();
        for (Phase phase : Phase.values()) {
            List<SheetStep> ofPhase = new ArrayList<>();
            if (phase == Phase.GATHER) {
                ofPhase.addAll(tools(plan));
                plan.routes().forEach(route -> route.work().files().forEach(file -> ofPhase.add(gather(route, file))));
            } else if (phase == Phase.PREPARE) {
                ofPhase.addAll(ownOf(plan, phase, true));
                ofPhase.addAll(gates(plan));
            }
            ofPhase.addAll(ownOf(plan, phase, false));
            steps.addAll(numbered(phase, ofPhase));
        }
        Map<Fact, String> effects = new LinkedHashMap<>();
        plan.routes().forEach(route -> effects.putAll(route.changes().effects()));
        Set<PartitionClass> writes = plan.routes().stream()
                .flatMap(route -> route.changes().writes().stream())
                .collect(Collectors.toSet());
        Optional<String> money =
                Optional.of(plan.amount()).filter(amount -> plan.cost().money() > 0);
        return new RunSheet(plan.title(), steps, effects, writes, money);
    }

    /** The steps of one phase. */
    public List<SheetStep> of(Phase phase) {
        return steps.stream().filter(step -> step.phase() == phase).toList();
    }

    /**
     * The same sheet with one more thing to make sure of: the step that asks for it already is made as strict, and where none
     * does there is one more, to prepare.
     */
    public RunSheet asking(Gate gate, String because) {
        SheetStep asked = gateStep(because, gate);
        List<SheetStep> changed = new ArrayList<>(steps);
        Optional<SheetStep> there = asking(gate.fact());
        if (there.isPresent()) {
            SheetStep step = there.get();
            SheetStep strict = stricter(step, asked);
            changed.set(
                    steps.indexOf(step),
                    new SheetStep(step.id(), step.route(), strict.detail(), strict.gate(), step.file()));
        } else {
            int before = of(Phase.GATHER).size() + of(Phase.PREPARE).size();
            String id = id(Phase.PREPARE, of(Phase.PREPARE).size() + 1);
            changed.add(before, new SheetStep(id, because, asked.detail(), asked.gate(), Optional.empty()));
        }
        return new RunSheet(title, changed, effects, writes, money);
    }

    /** The step whose gate asks about a fact. */
    public Optional<SheetStep> asking(Fact fact) {
        return steps.stream()
                .filter(step -> step.gate().filter(gate -> gate.fact() == fact).isPresent())
                .findFirst();
    }

    private static List<SheetStep> own(Route route, Phase phase) {
        return route.work().steps().stream()
                .filter(step -> step.phase() == phase)
                .map(step -> new SheetStep("", route.name(), step, Optional.empty(), Optional.empty()))
                .toList();
    }

    /** Housekeeping before the first change comes ahead of the gates; later on it is part of the doing. */
    private static List<SheetStep> ownOf(Plan plan, Phase phase, boolean firstHousekeeping) {
        List<SheetStep> steps = new ArrayList<>();
        boolean begun = false;
        for (Route route : plan.routes()) {
            boolean early = route.isHousekeeping() && !begun;
            if (early && firstHousekeeping) {
                steps.addAll(own(route, phase));
            } else if (!early && !firstHousekeeping) {
                steps.addAll(route.isHousekeeping() ? asDoing(route, phase) : own(route, phase));
            }
            begun |= !route.isHousekeeping();
        }
        return steps;
    }

    private static List<SheetStep> asDoing(Route route, Phase phase) {
        return phase != Phase.DO
                ? List.of()
                : own(route, Phase.PREPARE).stream()
                        .map(step -> new SheetStep(
                                "", step.route(), step.detail().in(Phase.DO), Optional.empty(), Optional.empty()))
                        .toList();
    }

    private static SheetStep gather(Route route, Route.NeededFile file) {
        String text = file.hasDigest()
                ? "Put it on the computer and drop it on the page Files: it is held against the route’s checksum there, to the byte."
                : "Put it on the computer and drop it on the page Files. The route names no checksum for it, so take it from one place only.";
        RouteStep step = plain(Phase.GATHER, file.role() + ": " + file.name(), text);
        return new SheetStep("", route.name(), step, Optional.empty(), Optional.of(file));
    }

    /** A tool that several routes ask for in the same versions is fetched once. */
    private static Collection<SheetStep> tools(Plan plan) {
        Map<Route.NeededTool, SheetStep> steps = new LinkedHashMap<>();
        plan.routes()
                .forEach(route -> route.work().tools().forEach(tool -> steps.putIfAbsent(tool, gather(route, tool))));
        return steps.values();
    }

    private static SheetStep gather(Route route, Route.NeededTool tool) {
        String text = "Version: " + tool.versions() + ". Another version may call the same things by other names.";
        String title = ("driver".equals(tool.kind()) ? "Driver: " : "Tool: ") + tool.name();
        return new SheetStep("", route.name(), plain(Phase.GATHER, title, text), Optional.empty(), Optional.empty());
    }

    /** One step for each fact that a gate asks about, with the strictest bound of all routes. */
    private static List<SheetStep> gates(Plan plan) {
        Map<Fact, SheetStep> strictest = new LinkedHashMap<>();
        for (Route route : plan.routes()) {
            route.gates()
                    .forEach(gate -> strictest.merge(gate.fact(), gateStep(route.name(), gate), RunSheet::stricter));
        }
        return List.copyOf(strictest.values());
    }

    private static SheetStep stricter(SheetStep one, SheetStep other) {
        int first = one.gate().flatMap(Gate::atLeast).orElse(Integer.MIN_VALUE);
        int second = other.gate().flatMap(Gate::atLeast).orElse(Integer.MIN_VALUE);
        return second > first ? other : one;
    }

    private static SheetStep gateStep(String route, Gate gate) {
        String wanted = gate.atLeast().map(least -> "at least " + least).orElse(String.join(" or ", gate.is()));
        RouteStep step = plain(Phase.PREPARE, gate.fact().label() + ": " + wanted, gate.why());
        return new SheetStep("", route, step, Optional.of(gate), Optional.empty());
    }

    private static RouteStep plain(Phase phase, String title, String text) {
        Optional<String> none = Optional.empty();
        return new RouteStep(phase, title, text, none, none, none, Optional.empty(), Optional.empty(), none, false);
    }

    private static List<SheetStep> numbered(Phase phase, List<SheetStep> steps) {
        List<SheetStep> numbered = new ArrayList<>();
        for (SheetStep step : steps) {
            numbered.add(new SheetStep(
                    id(phase, numbered.size() + 1), step.route(), step.detail(), step.gate(), step.file()));
        }
        return numbered;
    }

    private static String id(Phase phase, int number) {
        return phase.label().toLowerCase(Locale.ROOT) + "-" + number;
    }
}
