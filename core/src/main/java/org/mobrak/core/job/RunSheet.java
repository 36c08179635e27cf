package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.catalogue.Route.Phase;
import org.mobrak.core.catalogue.Route.RouteStep;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.GatePlaces;
import org.mobrak.core.plan.Plan;

/**
 * Everything a plan asks a person to do, in order: gather, prepare, do, prove, tidy. It is kept whole with the job, so a
 * catalogue that changes later does not change a job that runs.
 *
 * @param title the plan's routes by name
 * @param effects the state facts that hold when the job has worked
 * @param writes the classes of partition its routes write
 * @param forgets the facts that nobody knows any more once the work has begun and ended
 * @param money what its routes cost in all, with the currency; empty where they are free
 */
public record RunSheet(
        String title,
        List<SheetStep> steps,
        Map<Fact, String> effects,
        Set<PartitionClass> writes,
        Optional<String> money,
        Set<Fact> forgets) {
    public RunSheet {
        // Sheets of jobs that began under an earlier version say nothing of these.
        writes = writes == null ? Set.of() : Set.copyOf(writes);
        money = money == null ? Optional.empty() : money;
        forgets = forgets == null ? Set.of() : Set.copyOf(forgets);
        steps = List.copyOf(steps);
        effects = Map.copyOf(effects);
    }

    /**
     * Writes the run sheet of a plan: each file a step, each gate a step, then the routes' own steps in their order. A gate that
     * only the work makes possible stands directly before the route that needs it.
     *
     * @param facts what is known of the phone when the plan is begun
     */
    public static RunSheet of(Plan plan, Catalogue catalogue, Facts facts) {
        return new SheetWriter(plan, GatePlaces.of(plan, catalogue, facts)).sheet(facts);
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
        SheetStep asked = gateStep(because, gate, Phase.PREPARE);
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
        return new RunSheet(title, changed, effects, writes, money, forgets);
    }

    /** The step whose gate asks about a fact. */
    public Optional<SheetStep> asking(Fact fact) {
        return steps.stream()
                .filter(step -> step.gate().filter(gate -> gate.fact() == fact).isPresent())
                .findFirst();
    }

    static SheetStep stricter(SheetStep one, SheetStep other) {
        int first = one.gate().flatMap(Gate::atLeast).orElse(Integer.MIN_VALUE);
        int second = other.gate().flatMap(Gate::atLeast).orElse(Integer.MIN_VALUE);
        return second > first ? other : one;
    }

    static SheetStep gateStep(String route, Gate gate, Phase phase) {
        String wanted = gate.atLeast().map(least -> "at least " + least).orElse(String.join(" or ", gate.is()));
        RouteStep step = plain(phase, gate.fact().label() + ": " + wanted, gate.why());
        return new SheetStep("", route, step, Optional.of(gate), Optional.empty());
    }

    static RouteStep plain(Phase phase, String title, String text) {
        Optional<String> none = Optional.empty();
        return new RouteStep(
                phase,
                title,
                text,
                none,
                none,
                none,
                Optional.empty(),
                Optional.empty(),
                none,
                false,
                Optional.empty());
    }

    static String id(Phase phase, int number) {
        return phase.label().toLowerCase(Locale.ROOT) + "-" + number;
    }
}
