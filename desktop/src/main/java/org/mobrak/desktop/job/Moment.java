package org.mobrak.desktop.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.mobrak.app.Desk;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.job.Card;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;

/**
 * All that the card of a step shows; two that are equal look the same.
 *
 * @param shown the step as this person does it
 * @param takes the files that are wanted for it
 * @param noted what was noted beside it, the latest last
 * @param ticked whether it is done
 * @param begun since when it is worked on
 * @param missed how often its sign did not come
 * @param mode the mode in which the phone was seen last
 * @param objection why it may not be ticked, or its tick not taken back
 * @param gate how what it asks for stands
 * @param overridden the reason for which it was passed
 * @param confirmation what is typed to confirm it, where there is no way back from it
 * @param warnings what was ready and is so no longer
 */
record Moment(
        Step step,
        Step shown,
        List<NeededFile> takes,
        List<String> noted,
        boolean ticked,
        Optional<Instant> begun,
        int missed,
        Optional<String> mode,
        Optional<String> objection,
        Optional<GateJudge> gate,
        boolean mayPass,
        Optional<String> overridden,
        Optional<String> confirmation,
        List<String> warnings) {

    static Moment of(Desk desk, Job job, Step step) {
        Facts facts = desk.identity().facts();
        boolean ticked = job.isTicked(step);
        return new Moment(
                step,
                job.shown(step),
                Card.files(step, job.sheet()),
                job.state().noted().stream()
                        .flatMap(event -> beside(step, event).stream())
                        .toList(),
                ticked,
                job.begun(step),
                job.state().missed().getOrDefault(step.id(), 0),
                job.state().mode(),
                ticked ? job.objectionToUntick(step) : desk.objectionToTick(job, step),
                step.gate().map(gate -> GateJudge.of(gate, facts)),
                desk.objectionToPass(job, step).isEmpty(),
                Optional.ofNullable(job.state().overridden().get(step.id())),
                step.hasNoReturn() && !ticked && job.begun(step).isEmpty()
                        ? Optional.of(desk.confirmation())
                        : Optional.empty(),
                job.shutSince(facts));
    }

    private static Optional<String> beside(Step step, Event event) {
        if (event instanceof Event.Noted note && note.step().equals(step.id())) {
            return Optional.of(note.note());
        }
        return event instanceof Event.Photo photo && photo.step().equals(step.id())
                ? Optional.of("Picture: " + photo.path())
                : Optional.empty();
    }

    /** Every way in which it can be done, the author's first; empty where there is one only. */
    List<Habit> ways() {
        return step.how().map(how -> how.ways(how.by())).orElse(List.of());
    }

    /** Whether it is to be begun before it is done: it takes its time, or there is no way back. */
    boolean wantsBeginning() {
        boolean takesTime = step.how().flatMap(Step.Doing::normalMinutes).isPresent() || step.hasNoReturn();
        return !ticked && begun.isEmpty() && takesTime;
    }
}
