package org.mobrak.core.job;

import java.util.stream.Collectors;

/** Says in a sentence what happened in a job. */
public final class EventWords {
    private EventWords() {}

    public static String of(Job job, Event event) {
        if (event instanceof Event.Begun one) {
            return "begun: " + title(job, one.step());
        } else if (event instanceof Event.Ticked one) {
            return "done: " + title(job, one.step());
        } else if (event instanceof Event.Unticked one) {
            return "tick taken back: " + title(job, one.step());
        } else if (event instanceof Event.EffectHeld one) {
            return "holds now: "
                    + one.facts().entrySet().stream()
                            .map(fact -> fact.getKey().label() + " " + fact.getValue())
                            .sorted()
                            .collect(Collectors.joining("; "));
        } else if (event instanceof Event.Proved one) {
            return "proved, rung %d of 6: %s".formatted(one.rung(), title(job, one.step()));
        } else if (event instanceof Event.SignMissed one) {
            return "the sign did not come: " + title(job, one.step())
                    + (one.instead().isEmpty() ? "" : ". Seen: " + one.instead());
        }
        return ofTheJob(job, event);
    }

    private static String ofTheJob(Job job, Event event) {
        if (event instanceof Event.Overridden one) {
            return "passed though shut: " + title(job, one.step()) + ". Why: " + one.reason();
        } else if (event instanceof Event.FileTaken one) {
            return "taken: " + one.name() + ", SHA-256 " + one.sha256();
        } else if (event instanceof Event.Demanded one) {
            Demand demand = one.demand();
            return "asked besides, by " + demand.because() + ": "
                    + demand.gate().why();
        } else if (event instanceof Event.Noted one) {
            return "note: " + one.note();
        } else if (event instanceof Event.Photo one) {
            return "photo: " + one.path();
        } else if (event instanceof Event.ModeSeen one) {
            return "seen in: " + one.mode();
        } else if (event instanceof Event.Paused one) {
            return "paused" + (one.why().isEmpty() ? "" : ": " + one.why());
        } else if (event instanceof Event.Resumed one) {
            return "resumed, the phone is in: " + one.mode();
        }
        return event instanceof Event.Ended one ? one.end().word() : "";
    }

    private static String title(Job job, String step) {
        return job.sheet().step(step).map(Step::title).orElse(step);
    }
}
