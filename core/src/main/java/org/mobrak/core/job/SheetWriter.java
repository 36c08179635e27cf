package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
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
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.GatePlaces;
import org.mobrak.core.plan.Plan;

/** Puts the steps of a plan in their order. */
final class SheetWriter {
    private final Plan plan;
    private final GatePlaces gates;

    SheetWriter(Plan plan, GatePlaces gates) {
        this.plan = plan;
        this.gates = gates;
    }

    RunSheet sheet(Facts facts) {
        List<SheetStep> steps = new ArrayList<>();
        for (Phase phase : Phase.values()) {
            steps.addAll(numbered(phase, of(phase)));
        }
        Set<PartitionClass> writes = plan.routes().stream()
                .flatMap(route -> route.changes().writes().stream())
                .collect(Collectors.toSet());
        Optional<String> money =
                Optional.of(plan.amount()).filter(amount -> plan.cost().money() > 0);
        Outcome outcome = Outcome.of(plan, facts);
        return new RunSheet(plan.title(), steps, outcome.effects(), writes, money, outcome.forgets());
    }

    private List<SheetStep> of(Phase phase) {
        return switch (phase) {
            case GATHER -> gather();
            case PREPARE -> prepare();
            case DO -> work();
            case PROVE, TIDY -> ofRoutes(phase);
        };
    }

    private List<SheetStep> gather() {
        List<SheetStep> steps = new ArrayList<>(tools());
        plan.routes().forEach(route -> route.work().files().forEach(file -> steps.add(gather(route, file))));
        steps.addAll(ofRoutes(Phase.GATHER));
        return steps;
    }

    /** What makes the bench ready at first comes ahead of the gates that ask for it. */
    private List<SheetStep> prepare() {
        List<SheetStep> steps = new ArrayList<>();
        Map<Fact, SheetStep> asked = new LinkedHashMap<>();
        for (int i = 0; i < plan.routes().size(); i++) {
            Route route = plan.routes().get(i);
            if (isFirst(i)) {
                steps.addAll(own(route, Phase.PREPARE));
            }
            gates.early(i).forEach(gate -> ask(route, gate, Phase.PREPARE, asked));
        }
        steps.addAll(asked.values());
        steps.addAll(ofRoutes(Phase.PREPARE));
        return steps;
    }

    /** Housekeeping after the first change is part of the doing. */
    private List<SheetStep> work() {
        List<SheetStep> steps = new ArrayList<>();
        for (int i = 0; i < plan.routes().size(); i++) {
            Route route = plan.routes().get(i);
            Map<Fact, SheetStep> asked = new LinkedHashMap<>();
            gates.late(i).forEach(gate -> ask(route, gate, Phase.DO, asked));
            steps.addAll(asked.values());
            if (!route.isHousekeeping()) {
                steps.addAll(own(route, Phase.DO));
            } else if (!isFirst(i)) {
                own(route, Phase.PREPARE).forEach(step -> steps.add(step.in(Phase.DO)));
            }
        }
        return steps;
    }

    private List<SheetStep> ofRoutes(Phase phase) {
        return plan.routes().stream()
                .filter(route -> !route.isHousekeeping())
                .flatMap(route -> own(route, phase).stream())
                .toList();
    }

    /** Whether a route is housekeeping that is done before anything else. */
    private boolean isFirst(int index) {
        return plan.routes().subList(0, index + 1).stream().allMatch(Route::isHousekeeping);
    }

    private static void ask(Route route, Gate gate, Phase phase, Map<Fact, SheetStep> asked) {
        asked.merge(gate.fact(), RunSheet.gateStep(route.name(), gate, phase), RunSheet::stricter);
    }

    private static List<SheetStep> own(Route route, Phase phase) {
        return route.steps().stream()
                .filter(step -> step.phase() == phase)
                .map(step -> new SheetStep("", route.name(), step, Optional.empty(), Optional.empty()))
                .toList();
    }

    private static SheetStep gather(Route route, Route.NeededFile file) {
        String text = file.hasDigest()
                ? "Put it on the computer and drop it on the page Files: it is held against the route’s checksum there, to the byte."
                : "Put it on the computer and drop it on the page Files. The route names no checksum for it, so take it from one place only.";
        RouteStep step = RunSheet.plain(Phase.GATHER, file.role() + ": " + file.name(), text);
        return new SheetStep("", route.name(), step, Optional.empty(), Optional.of(file));
    }

    /** A tool that several routes ask for in the same versions is fetched once. */
    private Collection<SheetStep> tools() {
        Map<Route.NeededTool, SheetStep> steps = new LinkedHashMap<>();
        plan.routes()
                .forEach(route -> route.work().tools().forEach(tool -> steps.putIfAbsent(tool, gather(route, tool))));
        return steps.values();
    }

    private static SheetStep gather(Route route, Route.NeededTool tool) {
        String text = "Version: " + tool.versions() + ". Another version may call the same things by other names.";
        String title = ("driver".equals(tool.kind()) ? "Driver: " : "Tool: ") + tool.name();
        return new SheetStep(
                "", route.name(), RunSheet.plain(Phase.GATHER, title, text), Optional.empty(), Optional.empty());
    }

    private static List<SheetStep> numbered(Phase phase, List<SheetStep> steps) {
        List<SheetStep> numbered = new ArrayList<>();
        for (SheetStep step : steps) {
            numbered.add(new SheetStep(
                    RunSheet.id(phase, numbered.size() + 1), step.route(), step.detail(), step.gate(), step.file()));
        }
        return numbered;
    }
}
