package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Plan;

/**
 * Everything a plan asks a person to do, in order. It is kept whole with the job, so a catalogue that changes later does not
 * change a job that runs.
 *
 * @param title the plan's routes by name
 * @param writes the classes of partition its routes write
 * @param money what its routes cost in all, with the currency; empty where they are free
 * @param atEnd what is otherwise once it has ended; empty but for jobs from before each step said so itself
 */
public record RunSheet(
        String title,
        List<Step> steps,
        Set<PartitionClass> writes,
        Optional<String> money,
        Optional<Step.Change> atEnd) {
    public RunSheet {
        steps = List.copyOf(steps);
        writes = writes.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(writes));
    }

    /**
     * Writes the run sheet of a plan: what to fetch, what to make ready, then route by route what is done and proved, each gate
     * directly before the first step that needs it.
     *
     * @param facts what is known of the phone when the plan is begun
     */
    public static RunSheet of(Plan plan, Catalogue catalogue, Facts facts) {
        return new SheetWriter(plan, catalogue, facts).sheet();
    }

    /** The steps of one phase. */
    public List<Step> of(Phase phase) {
        return steps.stream().filter(step -> step.phase() == phase).toList();
    }

    /** The step with an id. */
    public Optional<Step> step(String id) {
        return steps.stream().filter(step -> step.id().equals(id)).findFirst();
    }

    /** The first step from which there is no way back. */
    public Optional<Step> pointOfNoReturn() {
        return steps.stream().filter(Step::hasNoReturn).findFirst();
    }

    /** The same sheet with more things to make sure of. */
    public RunSheet asking(List<Demand> demands) {
        RunSheet stricter = this;
        for (Demand demand : demands) {
            stricter = stricter.asking(demand);
        }
        return stricter;
    }

    /**
     * The same sheet with one more thing to make sure of: the steps that ask for it already are made as strict, and where none
     * does there is one more, before anything is done.
     */
    public RunSheet asking(Demand demand) {
        Gate gate = demand.gate();
        List<Step> changed = new ArrayList<>();
        for (Step step : steps) {
            boolean asked = step instanceof Step.Ready ready && ready.askGate().fact() == gate.fact();
            changed.add(asked ? stricter((Step.Ready) step, gate) : step);
        }
        if (asking(gate.fact()).isEmpty()) {
            int before = (int) steps.stream()
                    .filter(step -> step.phase() == Phase.GATHER || step.phase() == Phase.PREPARE)
                    .count();
            String id = SheetWriter.id(Phase.PREPARE, of(Phase.PREPARE).size() + 1);
            changed.add(
                    before,
                    SheetWriter.ready(demand.because(), gate, Phase.PREPARE).with(id));
        }
        return new RunSheet(title, changed, writes, money, atEnd);
    }

    /** The first step whose gate asks about a fact. */
    public Optional<Step> asking(Fact fact) {
        return steps.stream()
                .filter(step -> step.gate().filter(gate -> gate.fact() == fact).isPresent())
                .findFirst();
    }

    private static Step stricter(Step.Ready step, Gate gate) {
        int has = step.askGate().atLeast().orElse(Integer.MIN_VALUE);
        int wanted = gate.atLeast().orElse(Integer.MIN_VALUE);
        return wanted > has
                ? SheetWriter.ready(step.route(), gate, step.phase()).with(step.id())
                : step;
    }
}
