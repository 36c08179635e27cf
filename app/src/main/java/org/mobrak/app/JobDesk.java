package org.mobrak.app;

import java.time.Instant;
import java.util.function.Function;
import java.util.function.Supplier;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Plan;

/** The job of the phone on the desk: what is done in it, step by step. Called on the thread that draws. */
public final class JobDesk {
    private final Workers workers;
    private final Supplier<Workbench> bench;
    private final Supplier<Wish> wish;

    JobDesk(Workers workers, Supplier<Workbench> bench, Supplier<Wish> wish) {
        this.workers = workers;
        this.bench = bench;
        this.wish = wish;
    }

    /** Writes the run sheet of a plan and starts the job. */
    public void start(Plan plan) {
        workers.change("Writing the run sheet", () -> bench.get().start(plan, wish.get()));
    }

    /**
     * Sets to work on a step; from then on what it writes is not known until it is done.
     *
     * @param typed the phone's model number, where there is no way back from the step
     */
    public void begin(Step step, String typed) {
        workers.change("Beginning a step", () -> bench.get().jobs().begin(step, typed, wish.get()));
    }

    /** Ticks a step, if it may be ticked; the snapshot shows it only when it is on disk. */
    public void tick(Step step, String typed) {
        workers.change("Noting the tick", () -> bench.get().jobs().tick(step, typed, wish.get()));
    }

    /** Ticks a step from which there is a way back. */
    public void tick(Step step) {
        tick(step, "");
    }

    public void untick(Step step) {
        workers.change("Taking the tick back", () -> bench.get().jobs().untick(step, wish.get()));
    }

    /** Passes a gate that is not open, for a reason that is kept. */
    public void override(Step step, String reason) {
        workers.change("Passing a gate", () -> bench.get().jobs().override(step, reason, wish.get()));
    }

    /** The sign of a step did not come; empty where nothing else is known of what was seen. */
    public void missed(Step step, String instead) {
        note(at -> new Event.SignMissed(at, step.id(), instead));
    }

    /** Does what can be done in several ways so, in this job and in later ones. */
    public void choose(Habit habit) {
        workers.change("Noting how it is done", () -> bench.get().jobs().choose(habit, wish.get()));
    }

    /** The phone is seen in a mode, whatever the step says. */
    public void seen(String mode) {
        note(at -> new Event.ModeSeen(at, mode));
    }

    /** Notes something worth remembering beside a step. */
    public void note(Step step, String text) {
        note(at -> new Event.Noted(at, step.id(), text.strip()));
    }

    /** Lets the work rest, for a reason or none. */
    public void pause(String why) {
        note(at -> new Event.Paused(at, why.strip()));
    }

    /** Goes on, with the phone in a mode that was looked up. */
    public void resume(String mode) {
        note(at -> new Event.Resumed(at, mode));
    }

    private void note(Function<Instant, Event> event) {
        workers.change("Noting what happened", () -> bench.get().jobs().note(event, wish.get()));
    }

    /** Ends the job on the desk; it goes to the logbook for good. */
    public void end(Event.End end, String note) {
        workers.tell("Closing the job", () -> bench.get().jobs().end(end, note, wish.get()));
    }
}
