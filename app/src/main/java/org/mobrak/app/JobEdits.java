package org.mobrak.app;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.gather.GatherItem;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.material.Digest;

/** What happens in the job of the phone on the desk; on the worker thread only. */
final class JobEdits {
    /** What is typed where the phone's model is not known. */
    static final String NO_WAY_BACK = "no way back";

    private final Logbook logbook;
    private final UndoStack undo;
    private final DeskOf desk;
    private final Supplier<Instant> now;

    /** Gives the desk as it is shown, or refuses where no phone lies on it. */
    interface DeskOf {
        Desk apply(Wish wish) throws Refusal;
    }

    JobEdits(Logbook logbook, UndoStack undo, DeskOf desk, Supplier<Instant> now) {
        this.logbook = logbook;
        this.undo = undo;
        this.desk = desk;
        this.now = now;
    }

    /**
     * Sets to work on a step.
     *
     * @param typed the phone's model number, where there is no way back from the step
     */
    void begin(Step step, String typed, Wish wish) throws Refusal {
        Desk standing = desk.apply(wish);
        Job job = noted(standing, running(standing.dossier()));
        refuseToWork(standing, job, step, typed);
        logbook.record(job, new Event.Begun(now.get(), step.id()));
    }

    /** Notes that a step is done, with all that follows from it. */
    void tick(Step step, String typed, Wish wish) throws Refusal {
        Desk standing = desk.apply(wish);
        Job job = noted(standing, running(standing.dossier()));
        refuseToWork(standing, job, step, typed);
        List<Event> ticking = Stream.concat(
                        taken(standing, step).stream(),
                        job.ticking(step, standing.identity().facts(), now.get()).stream())
                .toList();
        logbook.record(job, ticking);
        undo.did(new UndoStack.Step(
                "tick “" + step.title() + "”",
                () -> logbook.record(job, new Event.Unticked(now.get(), step.id())),
                () -> logbook.record(job, ticking)));
    }

    private Optional<Event> taken(Desk standing, Step step) {
        return standing.fetched(step)
                .flatMap(GatherItem::kept)
                .filter(Kept::isThere)
                .flatMap(file -> file.material()
                        .digests()
                        .of(Digest.SHA256)
                        .map(sha256 -> new Event.FileTaken(
                                now.get(), step.id(), file.material().name(), sha256)));
    }

    private static void refuseToWork(Desk desk, Job job, Step step, String typed) throws Refusal {
        refuse(desk.objectionToTick(job, step));
        boolean confirmed = !step.hasNoReturn()
                || job.begun(step).isPresent()
                || confirmation(desk).equalsIgnoreCase(typed.strip());
        refuse(
                confirmed
                        ? Optional.empty()
                        : Optional.of("From this step there is no way back. Type “%s” to confirm it."
                                .formatted(confirmation(desk))));
    }

    /** What is typed before a step without a way back: the phone's model number. */
    static String confirmation(Desk desk) {
        return desk.identity().facts().value(Fact.MODEL).orElse(NO_WAY_BACK);
    }

    /** Keeps what the files ask for besides. */
    void noteDemands(Wish wish) throws Refusal {
        Desk standing = desk.apply(wish);
        standing.dossier().runningJob().ifPresent(job -> noted(standing, job));
    }

    /** A job with what its files ask for besides; that is not asked again once the phone was touched. */
    private Job noted(Desk standing, Job job) {
        List<Event> demanded = standing.gathering(Optional.empty()).stream()
                .flatMap(list -> list.demands().stream())
                .<Event>map(demand -> new Event.Demanded(now.get(), demand))
                .toList();
        return job.hasBegun() || demanded.isEmpty() ? job : logbook.record(job, demanded);
    }

    void untick(Step step, Wish wish) throws Refusal {
        Job job = running(desk.apply(wish).dossier());
        refuse(job.objectionToUntick(step));
        logbook.record(job, new Event.Unticked(now.get(), step.id()));
    }

    /** Passes a gate that is not open. */
    void override(Step step, String reason, Wish wish) throws Refusal {
        Desk standing = desk.apply(wish);
        Job job = running(standing.dossier());
        refuse(standing.objectionToPass(job, step));
        refuse(reason.isBlank() ? Optional.of("Say why; it is kept with the job.") : Optional.empty());
        logbook.record(job, new Event.Overridden(now.get(), step.id(), reason.strip()));
    }

    /** From now on what can be done in several ways is done so, in this job and in later ones. */
    void choose(Habit habit, Wish wish) throws Refusal {
        logbook.record(running(desk.apply(wish).dossier()), new Event.Chosen(now.get(), habit));
        Set<String> kept = new TreeSet<>(Set.of(habit.word()));
        habits().stream().filter(other -> other.kind() != habit.kind()).forEach(other -> kept.add(other.word()));
        logbook.putSetting(Preferences.HABITS, String.join(" ", kept));
    }

    /** How things were done last. */
    private List<Habit> habits() {
        return Preferences.habits(logbook.setting(Preferences.HABITS));
    }

    /** A new job is done as the last one was. */
    void keepToHabits(Job job) {
        List<Event> chosen = habits().stream()
                .<Event>map(habit -> new Event.Chosen(now.get(), habit))
                .toList();
        if (!chosen.isEmpty()) {
            logbook.record(job, chosen);
        }
    }

    /** Notes something that happened besides. */
    void note(Function<Instant, Event> event, Wish wish) throws Refusal {
        logbook.record(running(desk.apply(wish).dossier()), event.apply(now.get()));
    }

    Notice end(Event.End end, String note, Wish wish) throws Refusal {
        Job job = running(desk.apply(wish).dossier());
        logbook.record(job, new Event.Ended(now.get(), end, note.strip()));
        undo.forget();
        return new Notice(
                false, "The job is in the logbook: %s.".formatted(end.name().toLowerCase(Locale.ROOT)));
    }

    private static void refuse(Optional<String> objection) throws Refusal {
        if (objection.isPresent()) {
            throw new Refusal(objection.get());
        }
    }

    private static Job running(Dossier dossier) throws Refusal {
        return dossier.runningJob().orElseThrow(() -> new Refusal("No job runs on this phone."));
    }
}
