package org.mobrak.core.logbook;

import com.fasterxml.jackson.core.JsonProcessingException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.RouteStep.Remedy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;

/**
 * Jobs from before the plan was kept: a sheet whose effects held only at its end, and a journal of ticks. They are read as jobs of
 * today and go on as such.
 */
final class OldJob {
    private OldJob() {}

    private record Sheet(
            String title,
            List<Line> steps,
            Map<Fact, String> effects,
            Set<PartitionClass> writes,
            Optional<String> money,
            Set<Fact> forgets) {}

    private record Line(String id, String route, Detail detail, Optional<Gate> gate, Optional<NeededFile> file) {}

    private record Detail(
            Phase phase,
            String title,
            String text,
            Optional<String> mode,
            Optional<String> keys,
            Optional<String> sign,
            Optional<Integer> normalUntil,
            Optional<Integer> worryAfter,
            Optional<String> ifNot,
            boolean noReturn) {}

    /** What a journal could say. */
    enum Kind {
        TICKED,
        UNTICKED,
        WORKED,
        FAILED,
        STOPPED
    }

    /** A line of a journal. */
    record Entry(Instant at, Kind kind, Optional<String> stepId, String note) {
        Event event() {
            return switch (kind) {
                case TICKED -> new Event.Ticked(at, stepId.orElse(""));
                case UNTICKED -> new Event.Unticked(at, stepId.orElse(""));
                case WORKED -> new Event.Ended(at, Event.End.WORKED, note);
                case FAILED -> new Event.Ended(at, Event.End.FAILED, note);
                case STOPPED -> new Event.Ended(at, Event.End.STOPPED, note);
            };
        }
    }

    static JobJson.Start start(String json) throws JsonProcessingException {
        Sheet old = Json.read(json, Sheet.class);
        Step.Change atEnd = new Step.Change(
                old.effects() == null ? Map.of() : old.effects(),
                old.forgets() == null ? Set.of() : old.forgets(),
                false);
        RunSheet sheet = new RunSheet(
                old.title(),
                old.steps().stream().map(OldJob::step).toList(),
                old.writes() == null ? Set.of() : old.writes(),
                old.money() == null ? Optional.empty() : old.money(),
                Optional.of(atEnd));
        return new JobJson.Start(1, JobPlan.unknown(), sheet);
    }

    private static Step step(Line old) {
        Detail detail = old.detail();
        Step.Line line = new Step.Line(old.id(), detail.phase(), old.route(), detail.title(), detail.text());
        if (old.gate().isPresent()) {
            return new Step.Ready(line, old.gate().get(), true);
        }
        if (detail.phase() == Phase.GATHER) {
            return new Step.Fetch(line, old.file());
        }
        Step.Change none = new Step.Change(Map.of(), Set.of(), false);
        return detail.phase() == Phase.PROVE
                ? new Step.Prove(line, doing(detail), Optional.empty(), none)
                : new Step.Act(line, doing(detail), List.of(), detail.noReturn(), none);
    }

    private static Step.Doing doing(Detail detail) {
        List<Remedy> remedies = new ArrayList<>();
        detail.ifNot().ifPresent(what -> remedies.add(new Remedy("The sign does not come", what)));
        return new Step.Doing(
                Optional.empty(),
                detail.mode(),
                detail.keys().flatMap(OldJob::chord),
                detail.sign(),
                detail.normalUntil(),
                detail.worryAfter(),
                remedies);
    }

    /** Keys were free text. */
    private static Optional<KeyChord> chord(String keys) {
        try {
            return Optional.of(KeyChord.parse(keys));
        } catch (IllegalArgumentException freeText) {
            return Optional.empty();
        }
    }
}
