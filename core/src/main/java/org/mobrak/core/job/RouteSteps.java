package org.mobrak.core.job;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.identity.Fact;

/**
 * Makes the steps of one route, each with what is otherwise after it. What the author does not place is placed so that nothing is
 * believed too early and nothing too long: what is written is forgotten with the first thing that is done, what the route brings
 * about holds after the last, and that the phone is rooted only as far as it was proved.
 */
final class RouteSteps {
    /** The least that proves root at all: a request that was granted. Below stand icons and words. */
    private static final int GRANTED = 4;

    private static final int LASTS = 6;

    private final Route route;

    RouteSteps(Route route) {
        this.route = route;
    }

    Step step(RouteStep step) {
        Step.Line line = SheetWriter.line(route.name(), step.phase(), step.title(), step.text());
        Step.Doing doing = new Step.Doing(
                step.from(),
                step.mode(),
                step.keys(),
                step.sign(),
                step.normalUntil(),
                step.worryAfter(),
                step.allRemedies(),
                step.by(),
                step.or());
        Step.Change change = new Step.Change(effects(step), forgets(step), wipes(step));
        return step.phase() == Phase.PROVE
                ? new Step.Prove(line, doing, step.rung(), change)
                : new Step.Act(line, doing, writes(step), step.noReturn(), change, step.handling());
    }

    private List<RouteStep> working() {
        Phase phase = route.isHousekeeping() ? Phase.PREPARE : Phase.DO;
        return route.steps().stream().filter(step -> step.phase() == phase).toList();
    }

    private boolean isFirst(RouteStep step) {
        return working().stream().findFirst().filter(step::equals).isPresent();
    }

    private boolean isLast(RouteStep step) {
        return working().stream()
                .reduce((earlier, later) -> later)
                .filter(step::equals)
                .isPresent();
    }

    /** What the author says this step writes, and with the first step what he places nowhere. */
    private List<PartitionClass> writes(RouteStep step) {
        Set<PartitionClass> written = EnumSet.noneOf(PartitionClass.class);
        written.addAll(step.writes());
        if (isFirst(step)) {
            route.changes().writes().stream()
                    .filter(one -> route.steps().stream()
                            .noneMatch(other -> other.writes().contains(one)))
                    .forEach(written::add);
        }
        return List.copyOf(written);
    }

    private boolean wipes(RouteStep step) {
        if (!route.changes().wipesData()) {
            return false;
        }
        boolean told = route.steps().stream().anyMatch(RouteSteps::isFullWipe);
        return told ? isFullWipe(step) : writes(step).contains(PartitionClass.DATA) || isFirst(step) && !writesData();
    }

    private static boolean isFullWipe(RouteStep step) {
        return step.wipe().filter(Route.Wipe.FULL::equals).isPresent();
    }

    private boolean writesData() {
        return route.changes().writes().contains(PartitionClass.DATA);
    }

    /** What the content of a partition tells is not known from when the step that writes it is begun. */
    private Set<Fact> forgets(RouteStep step) {
        Set<Fact> forgets = EnumSet.noneOf(Fact.class);
        writes(step).stream()
                .filter(written -> !route.changes().keeps().contains(written))
                .forEach(written -> forgets.addAll(Aftermath.facts(written)));
        if (wipes(step)) {
            forgets.addAll(Aftermath.unknownAfterAWipe());
        }
        route.changes().effects().keySet().stream()
                .filter(fact -> isPlaced(fact) ? step.effects().containsKey(fact) : isFirst(step))
                .forEach(forgets::add);
        return forgets;
    }

    /** Whether some step says that it brings this about. */
    private boolean isPlaced(Fact fact) {
        return route.steps().stream().anyMatch(one -> one.effects().containsKey(fact));
    }

    private Map<Fact, String> effects(RouteStep step) {
        Map<Fact, String> effects = new EnumMap<>(Fact.class);
        route.changes().effects().forEach((fact, value) -> {
            if (isBroughtAboutBy(step, fact, value)) {
                effects.put(fact, asProved(fact, step.effects().getOrDefault(fact, value), step));
            }
        });
        return effects;
    }

    private boolean isBroughtAboutBy(RouteStep step, Fact fact, String value) {
        if (isPlaced(fact)) {
            return step.effects().containsKey(fact);
        }
        if (fact == Fact.ROOT && !value.equals("none") && !proofs().isEmpty()) {
            return proofs().contains(step);
        }
        return bringer(fact).map(step::equals).orElseGet(() -> isLast(step));
    }

    /** A fuse blows with the first write; the versions of what is written hold once the last step that writes it is done. */
    private Optional<RouteStep> bringer(Fact fact) {
        if (fact == Fact.WARRANTY_FUSE || fact == Fact.CUSTOM_WRITES) {
            return working().stream().filter(step -> !step.writes().isEmpty()).findFirst();
        }
        return fact == Fact.RECOVERY
                ? Optional.empty()
                : working().stream()
                        .filter(step -> step.writes().stream()
                                .anyMatch(written -> Aftermath.facts(written).contains(fact)))
                        .reduce((earlier, later) -> later);
    }

    private List<RouteStep> proofs() {
        return route.steps().stream()
                .filter(step -> step.rung().filter(rung -> rung >= GRANTED).isPresent())
                .toList();
    }

    /** Root that was not seen after a restart is temporary, whatever the route promises. */
    private static String asProved(Fact fact, String value, RouteStep step) {
        boolean shown =
                fact != Fact.ROOT || step.rung().isEmpty() || step.rung().get() == LASTS || !value.equals("permanent");
        return shown ? value : "temporary";
    }
}
