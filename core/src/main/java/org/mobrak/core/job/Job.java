package org.mobrak.core.job;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;

/**
 * One execution of a plan on one phone. Where it stands follows from its events alone, so a killed program finds it just
 * as it was.
 *
 * @param id the logbook's number
 * @param phoneId the logbook's number of the phone
 * @param sheet as it was written, and what its files asked for besides
 * @param state the fold over the events
 */
public record Job(
        long id, long phoneId, JobPlan plan, RunSheet sheet, Instant startedAt, List<Event> events, JobState state) {
    private static final int WORK = 2;

    public Job {
        events = List.copyOf(events);
        sheet = sheet.asking(state.demands());
    }

    /** A job to which these things have happened. */
    public Job(long id, long phoneId, JobPlan plan, RunSheet sheet, Instant startedAt, List<Event> events) {
        this(id, phoneId, plan, sheet, startedAt, events, JobState.of(events));
    }

    /**
     * This job by a sheet that asks for more, before that is noted. Once something was done to the phone it stays as it is: to
     * stop halfway is worse than a battery at half.
     */
    public Job asking(List<Demand> demands) {
        return hasBegun() ? this : new Job(id, phoneId, plan, sheet.asking(demands), startedAt, events, state);
    }

    /** Whether something was done to the phone, or is being done. */
    public boolean hasBegun() {
        return sheet.of(Phase.DO).stream()
                .anyMatch(step -> step.isAtThePhone() && state.begun().containsKey(step.id()));
    }

    /** This job with more that happened. */
    public Job with(List<Event> more) {
        List<Event> longer = new ArrayList<>(events);
        longer.addAll(more);
        return new Job(id, phoneId, plan, sheet, startedAt, longer);
    }

    /** A step as this person does it. */
    public Step shown(Step step) {
        return step.by(state.habits());
    }

    /** What ended it; empty while it runs. */
    public Optional<Event.Ended> end() {
        return state.end();
    }

    public boolean isTicked(Step step) {
        return state.ticked().containsKey(step.id());
    }

    /** When a step was ticked, if it is. */
    public Optional<Instant> tick(Step step) {
        return Optional.ofNullable(state.ticked().get(step.id()));
    }

    /** Since when a step is worked on; empty unless it was begun and is not done. */
    public Optional<Instant> begun(Step step) {
        return isTicked(step)
                ? Optional.empty()
                : Optional.ofNullable(state.begun().get(step.id()));
    }

    public long tickedCount() {
        return sheet.steps().stream().filter(this::isTicked).count();
    }

    /** The first step that is not ticked. */
    public Optional<Step> next() {
        return sheet.steps().stream().filter(step -> !isTicked(step)).findFirst();
    }

    /** Whether a step from which there is no way back was begun. */
    public boolean isPastReturn() {
        return sheet.steps().stream()
                .anyMatch(step -> step.hasNoReturn() && state.begun().containsKey(step.id()));
    }

    /**
     * What happens when a step is done: the tick, what it brings about, and the rung it proves.
     *
     * @param facts what is known of the phone just before
     */
    public List<Event> ticking(Step step, Facts facts, Instant at) {
        List<Event> events = new ArrayList<>(List.of(new Event.Ticked(at, step.id())));
        Map<Fact, String> held = new EnumMap<>(Fact.class);
        // Whoever ticks a proof has read what stands there.
        held.putAll(step.expected());
        held.putAll(step.changes().on(facts));
        if (!held.isEmpty()) {
            events.add(new Event.EffectHeld(at, step.id(), held));
        }
        if (step instanceof Step.Prove prove) {
            prove.rung().ifPresent(rung -> events.add(new Event.Proved(at, step.id(), rung)));
        }
        return events;
    }

    /** What the job has brought about so far, as readings of the phone. */
    public List<Reading> readings() {
        Stream<Reading> held = state.held().values().stream()
                .flatMap(effect -> effect.facts().entrySet().stream().map(one -> proved(one, effect.at())));
        Stream<Reading> atEnd = end().filter(end -> end.end() == Event.End.WORKED)
                .flatMap(end -> sheet.atEnd()
                        .map(change -> change.effects().entrySet().stream().map(one -> proved(one, end.at()))))
                .orElse(Stream.empty());
        return Stream.concat(held, atEnd).toList();
    }

    private Reading proved(Map.Entry<Fact, String> one, Instant at) {
        return new Reading(one.getKey(), one.getValue(), new Origin.Proved(id), at);
    }

    /** From when on what was read before of what the job writes is history, whatever way it ends. */
    public List<Ledger.Overwrite> overwrites() {
        // Just before, since what holds afterwards may bear the very same time.
        Stream<Ledger.Overwrite> begun = sheet.steps().stream()
                .filter(step -> state.begun().containsKey(step.id()))
                .filter(step -> !step.changes().forgets().isEmpty())
                .map(step -> new Ledger.Overwrite(
                        Objects.requireNonNull(state.begun().get(step.id())).minus(Duration.ofNanos(1)),
                        step.changes().forgets()));
        Stream<Ledger.Overwrite> atEnd = end()
                .filter(end -> hasBegun())
                .flatMap(end -> sheet.atEnd().map(change -> new Ledger.Overwrite(end.at(), lost(change, end))))
                .stream();
        return Stream.concat(begun, atEnd).toList();
    }

    /** Of a job that did not work, what it would have brought about is not known either. */
    private static Set<Fact> lost(Step.Change change, Event.Ended end) {
        Set<Fact> lost = EnumSet.noneOf(Fact.class);
        lost.addAll(change.forgets());
        if (end.end() != Event.End.WORKED) {
            change.effects().keySet().stream().filter(fact -> !fact.changes()).forEach(lost::add);
        }
        return lost;
    }

    /** Why a step may not be ticked now, in one sentence; empty if it may. */
    public Optional<String> objectionToTick(Step step, Facts facts) {
        if (end().isPresent()) {
            return Optional.of("This job has ended.");
        }
        if (isTicked(step)) {
            return Optional.of("This step is ticked already.");
        }
        Optional<String> before = openBefore(step);
        if (before.isPresent()) {
            return before;
        }
        Optional<String> shut =
                step.isAtThePhone() && step.phase() == Phase.DO && !hasBegun() ? shutGate(facts) : Optional.empty();
        return shut.or(() -> closed(step, facts));
    }

    private Optional<String> openBefore(Step step) {
        return sheet.steps().stream()
                .filter(earlier -> mustPrecede(earlier, step) && !isTicked(earlier))
                .findFirst()
                .map(open ->
                        "First “%s” (%s).".formatted(open.title(), open.phase().label()));
    }

    private Optional<String> closed(Step step, Facts facts) {
        if (state.overridden().containsKey(step.id())) {
            return Optional.empty();
        }
        return step.gate()
                .map(gate -> GateJudge.of(gate, facts))
                .filter(judged -> judged.result() != Truth.YES)
                .map(GateJudge::sentence)
                .or(() -> stale(step, facts))
                .or(() -> readsOtherwise(step, facts));
    }

    /** A value that was read since the last work, and is another than what must be read there. */
    private Optional<String> readsOtherwise(Step step, Facts facts) {
        Instant since = lastDone(step).orElse(startedAt);
        return step.expected().entrySet().stream()
                .filter(one -> facts.belief(one.getKey()).readings().stream()
                        .anyMatch(reading -> reading.takenAt().isAfter(since)
                                && !reading.value().equals(one.getValue())))
                .map(one -> "%s must read %s and reads %s. Stop here, and find out why before anything else is written."
                        .formatted(
                                one.getKey().label(),
                                one.getValue(),
                                facts.value(one.getKey()).orElse("something else")))
                .findFirst();
    }

    /**
     * In the middle of the work only what was read after the step before counts: that step may have changed it. The model number
     * is compared anew in every job.
     */
    private Optional<String> stale(Step step, Facts facts) {
        Optional<Instant> before = lastDone(step)
                .or(() -> step.gate().filter(gate -> gate.fact() == Fact.MODEL).map(gate -> startedAt));
        return step.gate()
                .map(Gate::fact)
                .filter(fact -> before.isPresent()
                        && facts.belief(fact).readings().stream()
                                .allMatch(reading -> !reading.takenAt().isAfter(before.get())))
                .map(fact -> fact == Fact.MODEL
                        ? "The model number is compared once more: read it from the phone itself and type it in."
                        : "%s was read before the last step, which may have changed it. Look again: %s."
                                .formatted(fact.label(), fact.whereToRead()));
    }

    private Optional<Instant> lastDone(Step step) {
        return sheet.steps().stream()
                .takeWhile(earlier -> !earlier.equals(step))
                .filter(earlier -> earlier.isAtThePhone() && earlier.phase() == Phase.DO)
                .flatMap(earlier -> tick(earlier).stream())
                .max(Comparator.naturalOrder());
    }

    /** A gate that was ticked and no longer holds: the battery went down, or a file turned up that asks for more. */
    private Optional<String> shutGate(Facts facts) {
        return sheet.of(Phase.PREPARE).stream()
                .filter(step -> !state.overridden().containsKey(step.id()))
                .flatMap(step -> step.gate().stream())
                .map(gate -> GateJudge.of(gate, facts))
                .filter(judged -> judged.result() == Truth.NO)
                .map(GateJudge::sentence)
                .findFirst();
    }

    /** The gates that were open and are shut now that the work has begun; they warn, and strand nobody halfway. */
    public List<String> shutSince(Facts facts) {
        return sheet.steps().stream()
                .filter(step -> hasBegun() && end().isEmpty() && isTicked(step))
                .flatMap(step -> step.gate().stream())
                .filter(gate -> gate.fact() == Fact.BATTERY_PERCENT || gate.fact() == Fact.CABLE)
                .map(gate -> GateJudge.of(gate, facts))
                .filter(judged -> judged.result() == Truth.NO)
                .map(GateJudge::sentence)
                .distinct()
                .toList();
    }

    /** Why a gate may not be passed while it is not open; empty if it may, with a reason. */
    public Optional<String> objectionToOverride(Step step) {
        if (!step.expected().isEmpty()) {
            return openBefore(step);
        }
        boolean may = step instanceof Step.Ready ready && ready.overridable();
        return may ? Optional.empty() : Optional.of("This one cannot be passed over: too much hangs on it.");
    }

    /** Why a tick may not be taken back, in one sentence; empty if it may. */
    public Optional<String> objectionToUntick(Step step) {
        if (end().isPresent()) {
            return Optional.of("This job has ended.");
        }
        return sheet.steps().stream()
                .filter(later -> mustPrecede(step, later) && isTicked(later))
                .findFirst()
                .map(later -> "“%s” came after it and stands on it.".formatted(later.title()));
    }

    /** Fetching, preparing and tidying go in any order; what is done to the phone and proved goes in the order of the sheet. */
    private boolean mustPrecede(Step earlier, Step later) {
        int first = group(earlier);
        int second = group(later);
        boolean inOrder = second == WORK;
        return first < second
                || first == second
                        && inOrder
                        && sheet.steps().indexOf(earlier) < sheet.steps().indexOf(later);
    }

    private static int group(Step step) {
        return switch (step.phase()) {
            case GATHER -> 0;
            case PREPARE -> 1;
            case DO, PROVE -> WORK;
            case TIDY -> WORK + 1;
        };
    }
}
