package org.mobrak.app;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.mobrak.app.rehearsal.DrillRecords;
import org.mobrak.app.rehearsal.Exercises;
import org.mobrak.app.rehearsal.Fault;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.app.rehearsal.Rehearsals;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.app.rehearsal.WhatNow;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.plan.Plan;

/** What is rehearsed: plans played by themselves, and plans played by hand. Called on the thread that draws. */
public final class RehearsalDesk implements AutoCloseable {
    private static final String DRILLS = "drills";

    private final Workers workers;
    private final Supplier<Logbook> logbook;
    private final Practice.Place place;
    private final Observed<Optional<Report>> report = new Observed<>(Optional.empty());
    private final Observed<Optional<Practice>> practice = new Observed<>(Optional.empty());
    private final Observed<DrillRecords> drills = new Observed<>(DrillRecords.none());
    private final Observed<Optional<Exercises>> exercises = new Observed<>(Optional.empty());
    private Optional<Desk> practised = Optional.empty();
    private final AtomicLong wanted = new AtomicLong();

    RehearsalDesk(Workers workers, Supplier<Logbook> logbook, Practice.Place place) {
        this.workers = workers;
        this.logbook = logbook;
        this.place = place;
    }

    /** How the last rehearsal that played by itself went; empty until there was one. It is shown and kept nowhere. */
    public Observed<Optional<Report>> report() {
        return report;
    }

    /** The rehearsal that is played by hand; empty while there is none. */
    public Observed<Optional<Practice>> practice() {
        return practice;
    }

    /** How well the chords and mishaps sit that were practised. */
    public Observed<DrillRecords> drills() {
        return drills;
    }

    /** What of the plan that is looked at can be practised apart; empty until it was asked for. */
    public Observed<Optional<Exercises>> exercises() {
        return exercises;
    }

    /** Works out what can be practised of a plan. */
    public void prepare(Outlook outlook, Optional<Plan> plan) {
        long mine = wanted.incrementAndGet();
        workers.quietly(() -> {
            // Another plan may be looked at by now.
            if (mine == wanted.get()) {
                Exercises worked = Exercises.of(outlook, plan);
                workers.draw(() -> tell(worked, mine));
            }
        });
    }

    private void tell(Exercises worked, long asked) {
        if (asked == wanted.get()) {
            exercises.set(Optional.of(worked));
        }
    }

    /** What was kept of earlier days; on the worker thread. */
    void recall() {
        DrillRecords kept = DrillRecords.parse(logbook.get().setting(DRILLS).orElse(""));
        workers.draw(() -> drills.set(kept));
    }

    /** A chord was tried once more. */
    public void drilled(KeyChord chord, boolean sat) {
        keep(chord.text(), sat);
    }

    /** What to do in a mishap was asked once more. */
    public void answered(WhatNow asked, boolean right) {
        keep(asked.key(), right);
    }

    private void keep(String key, boolean sat) {
        DrillRecords now = drills.get().after(key, sat, today());
        drills.set(now);
        workers.quietly(() -> logbook.get().putSetting(DRILLS, now.text()));
    }

    /** Whether a chord should be practised today. */
    public boolean isDue(KeyChord chord) {
        return drills.get().isDue(chord.text(), today());
    }

    /** Whether a mishap should be asked about today. */
    public boolean isDue(WhatNow question) {
        return drills.get().isDue(question.key(), today());
    }

    private LocalDate today() {
        return LocalDate.now(place.clock());
    }

    /**
     * Plays a plan for the phone on the desk on the bench. Nothing of it is kept but that it led to its goal.
     *
     * @param seed draws what is not known of the phone
     */
    public void rehearse(Desk desk, Plan plan, long seed, Optional<Fault> fault, Person person) {
        String name = desk.dossier().phone().nickname();
        workers.read(
                "Rehearsing " + plan.title(),
                () -> Rehearsals.ofDrawer(name, desk.outlook(), plan, seed, placed(fault), person),
                went -> {
                    if (went.reached()) {
                        RehearsedPlans.keep(logbook.get(), desk.dossier().phone(), plan);
                    }
                    workers.draw(() -> report.set(Optional.of(went)));
                    return Outcome.NOTHING;
                });
    }

    /** Lays the phone on the bench, for whoever wants to play a plan with their own hands; one at a time. */
    public void practise(Desk desk, Plan plan, long seed, Optional<Fault> fault) {
        leave();
        workers.read(
                "Laying the phone on the bench", () -> Practice.lay(place, desk, plan, seed, placed(fault)), laid -> {
                    workers.draw(() -> begin(desk, laid));
                    return Outcome.NOTHING;
                });
    }

    private void begin(Desk desk, Practice laid) {
        // Whoever asks twice gets the later one.
        leave();
        laid.begin(desk);
        practised = Optional.of(desk);
        practice.set(Optional.of(laid));
    }

    /** Takes the phone off the bench; of a rehearsal that led to its goal only that is kept. */
    public void leave() {
        Optional<Practice> left = practice.get();
        practice.set(Optional.empty());
        left.ifPresent(one -> {
            Desk desk = practised.orElseThrow();
            boolean done = one.isDone();
            workers.ask("Taking the phone off the bench", () -> {
                if (done) {
                    RehearsedPlans.keep(logbook.get(), desk.dossier().phone(), one.plan());
                }
                one.close();
                return Outcome.NOTHING;
            });
        });
    }

    private static List<Fault.At> placed(Optional<Fault> fault) {
        return fault.stream().map(one -> new Fault.At(one, Optional.empty())).toList();
    }

    @Override
    public void close() {
        practice.get().ifPresent(Practice::close);
    }
}
