package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.app.rehearsal.BenchView.Doing;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;

/** A person's hands on sheet and bench phone, without a window: what the window would call, on a thread that stands for its own. */
final class HandPlay implements AutoCloseable {
    /** Tenths of a second for which a person holds on who sees nothing. */
    private static final int PATIENCE = 90;

    private static final Set<Key> BUTTONS = Set.of(Key.VOLUME_UP, Key.VOLUME_DOWN, Key.HOME, Key.POWER);

    final ExecutorService drawing = Executors.newSingleThreadExecutor();
    Session real;
    Practice practice;

    private boolean isBusy() {
        return real.work().get().isPresent()
                || practice != null && practice.session().work().get().isPresent();
    }

    private String confirmation() {
        return practice.session()
                .snapshot()
                .get()
                .desk()
                .map(Desk::confirmation)
                .orElse("");
    }

    /** Takes up the rehearsal that was asked for. */
    void takeUp() throws Exception {
        practice = real.rehearsals().practice().get().orElseThrow();
        run(() -> {});
    }

    @Override
    public void close() {
        real.close();
        drawing.shutdownNow();
    }

    <T> T ask(Callable<T> question) throws Exception {
        return drawing.submit(question).get(60, TimeUnit.SECONDS);
    }

    /** Does something on the thread that draws, and waits until neither session has anything left to do. */
    void run(Runnable command) throws Exception {
        ask(() -> {
            command.run();
            return null;
        });
        while (ask(this::isBusy)) {
            Thread.sleep(1);
        }
    }

    Optional<Job> job() {
        return practice.session()
                .snapshot()
                .get()
                .desk()
                .flatMap(desk -> desk.dossier().runningJob());
    }

    Step next() {
        return job().flatMap(Job::next).orElseThrow();
    }

    BenchView view() throws Exception {
        return ask(practice::view);
    }

    /** Until the phone waits for somebody again. */
    void rest() throws Exception {
        run(() -> practice.pass(0.1));
        while (view().busyWith().isPresent()) {
            run(practice::skip);
        }
    }

    void hold(KeyChord chord) throws Exception {
        boolean fromWhereItIs = chord.keys().contains(Key.ALL);
        if (!fromWhereItIs) {
            run(practice::switchOff);
            rest();
        }
        for (Stroke stroke : chord.strokes()) {
            Set<Key> wanted = stroke.keys().contains(Key.ALL) ? BUTTONS : Set.copyOf(stroke.keys());
            run(() -> practice.keys().stream()
                    .filter(key -> !wanted.contains(key))
                    .forEach(practice::release));
            run(() -> wanted.forEach(practice::press));
            holdOn(stroke);
        }
        run(practice::releaseAll);
        rest();
    }

    /** Until its cue shows; a person who sees none lets go in the end. */
    private void holdOn(Stroke stroke) throws Exception {
        int tenths = stroke.seconds().map(seconds -> seconds * 10 + 3).orElse(stroke.pressed() ? 3 : PATIENCE);
        for (int tenth = 0; tenth < tenths; tenth++) {
            run(() -> practice.pass(0.1));
            if (stroke.until().filter(view().told()::contains).isPresent()) {
                return;
            }
        }
    }

    /** Does the step that is next as its sheet says, up to its tick. */
    void doNext() throws Exception {
        Step step = next();
        if (step instanceof Step.Ready ready) {
            seeTo(ready);
        } else if (!(step instanceof Step.Fetch)) {
            Optional<KeyChord> chord = ask(practice::chord);
            if (chord.isPresent()) {
                hold(chord.get());
            }
            if (offers(Doing.FORMAT)) {
                run(() -> practice.take(Doing.FORMAT));
                rest();
            }
            if (step.how().flatMap(Step.Doing::normalMinutes).isPresent() || step.hasNoReturn()) {
                run(() -> practice.session().job().begin(step, confirmation()));
            } else if (offers(Doing.DO_IT)) {
                run(() -> practice.take(Doing.DO_IT));
            }
            rest();
            if (offers(Doing.FORMAT)) {
                run(() -> practice.take(Doing.FORMAT));
                rest();
            }
        }
    }

    private boolean offers(Doing doing) throws Exception {
        return view().offers().stream().anyMatch(offer -> offer.doing() == doing);
    }

    void seeTo(Step.Ready ready) throws Exception {
        run(() -> practice.take(Doing.NOTE_IT));
        Desk desk = practice.session().snapshot().get().desk().orElseThrow();
        if (job().orElseThrow().objectionToTick(ready, desk.identity().facts()).isPresent()) {
            run(() -> practice.take(Doing.SEE_TO_IT));
            run(() -> practice.take(Doing.NOTE_IT));
        }
    }

    void tick() throws Exception {
        Step step = next();
        long before = job().orElseThrow().tickedCount();
        run(() -> practice.session().job().tick(step, confirmation()));
        assertThat(job().orElseThrow().tickedCount())
                .as(step.title() + ": " + practice.session().notice().get() + view().told())
                .isEqualTo(before + 1);
    }

    void workUpTo(String title) throws Exception {
        while (!next().title().equals(title)) {
            doNext();
            tick();
        }
    }

    void workToTheEnd() throws Exception {
        while (job().flatMap(Job::next).isPresent()) {
            Step step = next();
            doNext();
            BenchView seen = view();
            tick();
            assertThat(view().slips()).as("%s, with %s", step, seen).isEmpty();
        }
    }
}
