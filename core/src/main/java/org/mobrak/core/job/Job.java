package org.mobrak.core.job;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.catalogue.Route.Phase;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Facts;

/**
 * One execution of a plan on one phone. Where it stands follows from its journal alone, so a killed program finds it just
 * as it was.
 *
 * @param id the logbook's number
 * @param phoneId the logbook's number of the phone
 */
public record Job(long id, long phoneId, RunSheet sheet, Instant startedAt, List<JournalEntry> journal) {
    public Job {
        journal = List.copyOf(journal);
    }

    /**
     * This job by a sheet that asks for more. Once something was done to the phone it stays as it is: to stop halfway is worse
     * than a battery at half.
     */
    public Job by(RunSheet stricter) {
        return hasBegun() ? this : new Job(id, phoneId, stricter, startedAt, journal);
    }

    /** Whether a tick stands on something that is done to the phone. */
    public boolean hasBegun() {
        return sheet.of(Phase.DO).stream().anyMatch(this::isTicked);
    }

    /** This job with one more thing that happened. */
    public Job with(JournalEntry entry) {
        List<JournalEntry> longer = new ArrayList<>(journal);
        longer.add(entry);
        return new Job(id, phoneId, sheet, startedAt, longer);
    }

    /** The entry that ended it; empty while it runs. */
    public Optional<JournalEntry> end() {
        return journal.stream().filter(entry -> entry.kind().ends()).findFirst();
    }

    public boolean isTicked(SheetStep step) {
        return tick(step).isPresent();
    }

    /** When a step was ticked, if it is. */
    public Optional<Instant> tick(SheetStep step) {
        return journal.stream()
                .filter(entry -> entry.stepId().filter(step.id()::equals).isPresent())
                .reduce((earlier, later) -> later)
                .filter(entry -> entry.kind() == JournalEntry.Kind.TICKED)
                .map(JournalEntry::at);
    }

    public long tickedCount() {
        return sheet.steps().stream().filter(this::isTicked).count();
    }

    /** The first step that is not ticked. */
    public Optional<SheetStep> next() {
        return sheet.steps().stream().filter(step -> !isTicked(step)).findFirst();
    }

    /** Whether a tick stands on a step from which there is no way back. */
    public boolean isPastReturn() {
        return sheet.steps().stream().anyMatch(step -> step.detail().noReturn() && isTicked(step));
    }

    /** Why a step may not be ticked now, in one sentence; empty if it may. */
    public Optional<String> objectionToTick(SheetStep step, Facts facts) {
        if (end().isPresent()) {
            return Optional.of("This job has ended.");
        }
        if (isTicked(step)) {
            return Optional.of("This step is ticked already.");
        }
        Optional<SheetStep> before = sheet.steps().stream()
                .filter(earlier -> mustPrecede(earlier, step) && !isTicked(earlier))
                .findFirst();
        if (before.isPresent()) {
            return before.map(open ->
                    "First “%s” (%s).".formatted(open.title(), open.phase().label()));
        }
        Optional<String> shut = step.phase() == Phase.DO && !hasBegun() ? shutGate(facts) : Optional.empty();
        return shut.isPresent() ? shut : closed(step, facts);
    }

    private Optional<String> closed(SheetStep step, Facts facts) {
        return step.gate()
                .map(gate -> GateJudge.of(gate, facts))
                .filter(judged -> judged.result() != Truth.YES)
                .map(GateJudge::sentence)
                .or(() -> step.phase() == Phase.DO ? stale(step, facts) : Optional.empty());
    }

    /** In the middle of the work only what was read after the step before counts: that step may have changed it. */
    private Optional<String> stale(SheetStep step, Facts facts) {
        Optional<Instant> before = sheet.of(Phase.DO).stream()
                .takeWhile(earlier -> !earlier.equals(step))
                .flatMap(earlier -> tick(earlier).stream())
                .max(Comparator.naturalOrder());
        return step.gate()
                .map(Gate::fact)
                .filter(fact -> before.isPresent()
                        && facts.belief(fact).readings().stream()
                                .allMatch(reading -> reading.takenAt().isBefore(before.get())))
                .map(fact -> "%s was read before the last step, which may have changed it. Look again: %s."
                        .formatted(fact.label(), fact.whereToRead()));
    }

    /** A gate that was ticked and no longer holds: the battery went down, or a file turned up that asks for more. */
    private Optional<String> shutGate(Facts facts) {
        return sheet.of(Phase.PREPARE).stream()
                .flatMap(step -> step.gate().stream())
                .map(gate -> GateJudge.of(gate, facts))
                .filter(judged -> judged.result() == Truth.NO)
                .map(GateJudge::sentence)
                .findFirst();
    }

    /** Why a tick may not be taken back, in one sentence; empty if it may. */
    public Optional<String> objectionToUntick(SheetStep step) {
        if (end().isPresent()) {
            return Optional.of("This job has ended.");
        }
        return sheet.steps().stream()
                .filter(later -> mustPrecede(step, later) && isTicked(later))
                .findFirst()
                .map(later -> "“%s” came after it and stands on it.".formatted(later.title()));
    }

    /** Gathering, preparing and tidying go in any order; what is done to the phone goes in the order of the sheet. */
    private boolean mustPrecede(SheetStep earlier, SheetStep later) {
        int phases = earlier.phase().compareTo(later.phase());
        boolean inOrder = later.phase() == Phase.DO || later.phase() == Phase.PROVE;
        return phases < 0
                || phases == 0
                        && inOrder
                        && sheet.steps().indexOf(earlier) < sheet.steps().indexOf(later);
    }
}
