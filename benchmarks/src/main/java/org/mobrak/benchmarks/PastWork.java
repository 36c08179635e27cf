package org.mobrak.benchmarks;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;

/**
 * A job that was done once, as a person does one: steps take longer or shorter than is said, a sign does not come, a gate is passed
 * over, and now and then it ends before its end. All of it is invented.
 */
final class PastWork {
    private static final int USUAL_MINUTES = 2;
    private static final double SIGN_MISSED = 0.1;
    private static final double GATE_PASSED = 0.04;
    private static final double GIVES_UP = 0.3;

    private final Logbook logbook;
    private final PhoneRecord phone;
    private final Random random;
    private Job job;
    private Instant at;
    private Facts facts;

    /**
     * The work.
     *
     * @param facts what was known when it began
     */
    PastWork(Logbook logbook, Job job, PhoneRecord phone, Facts facts, Instant begun, Random random) {
        this.job = job;
        this.logbook = logbook;
        this.phone = phone;
        this.facts = facts;
        this.at = begun;
        this.random = random;
    }

    /** Does all of it, or as much as comes about, and writes it down. */
    void work() throws Exception {
        for (Step step : job.sheet().steps()) {
            if (!done(step)) {
                job = logbook.record(job, new Event.Ended(at, Event.End.FAILED, "Gave up for that day."));
                return;
            }
        }
        job = logbook.record(job, new Event.Ended(later(USUAL_MINUTES), Event.End.WORKED, ""));
    }

    private boolean done(Step step) throws Exception {
        if (step.gate().isPresent()) {
            open(step);
        }
        int said = step.how().flatMap(Step.Doing::normalMinutes).orElse(0);
        if (said > 0) {
            job = logbook.record(job, new Event.Begun(later(1), step.id()));
        }
        boolean isWork = step instanceof Step.Act || step instanceof Step.Prove;
        if (isWork && random.nextDouble() < SIGN_MISSED) {
            job = logbook.record(job, new Event.SignMissed(later(said + USUAL_MINUTES), step.id(), ""));
            if (random.nextDouble() < GIVES_UP) {
                return false;
            }
        }
        Instant ticked = later(Math.max(said, USUAL_MINUTES));
        List<Event> ticking = job.ticking(step, facts, ticked);
        ticking.forEach(this::hold);
        job = logbook.record(job, ticking);
        return true;
    }

    private void hold(Event event) {
        if (event instanceof Event.EffectHeld held) {
            facts = facts.supposing(held.facts());
        }
    }

    private void open(Step step) throws Exception {
        if (step instanceof Step.Ready ready && ready.overridable() && random.nextDouble() < GATE_PASSED) {
            job = logbook.record(job, new Event.Overridden(later(1), step.id(), "It hung on the bench supply."));
            return;
        }
        Reading reading = TypedReading.parse(opening(step.gate().orElseThrow()), later(1));
        logbook.take(phone, reading);
        facts = facts.supposing(Map.<Fact, String>of(reading.fact(), reading.value()));
    }

    private static String opening(Gate gate) {
        return TypedReading.text(
                gate.fact(),
                gate.atLeast().map(String::valueOf).orElseGet(() -> gate.is().get(0)));
    }

    /** Some minutes later: seldom much less than is said, now and then twice as much. */
    private Instant later(int minutes) {
        double factor = Math.exp(0.35 * random.nextGaussian());
        at = at.plus(Duration.ofSeconds(Math.round(60 * minutes * factor)));
        return at;
    }
}
