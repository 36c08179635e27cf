package org.mobrak.app;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.history.JobPair;
import org.mobrak.core.logbook.history.Tally;
import org.mobrak.core.logbook.history.Timeline;

/**
 * What the logbook tells when it is read as a whole. Nothing of it changes anything, so it is worked out only when somebody looks.
 * Called on the thread that draws.
 */
public final class HistoryDesk {
    private final Workers workers;
    private final Supplier<Workbench> bench;
    private final Observed<Optional<Tally>> numbers = new Observed<>(Optional.empty());
    private final Observed<List<Timeline>> lives = new Observed<>(List.of());
    private final Observed<Optional<JobPair>> pair = new Observed<>(Optional.empty());
    private final Observed<Optional<Then>> then = new Observed<>(Optional.empty());

    // This belongs to the worker thread.
    private final Map<Long, Known> drawn = new HashMap<>();

    /** A phone's life, and all that it was worked out from. */
    private record Known(Dossier dossier, Timeline timeline) {}

    /** What was known of a phone at a time. */
    public record Then(PhoneRecord phone, Instant at, Map<Fact, String> known) {}

    HistoryDesk(Workers workers, Supplier<Workbench> bench) {
        this.workers = workers;
        this.bench = bench;
    }

    /** What all jobs come to; empty until it was asked for. */
    public Observed<Optional<Tally>> numbers() {
        return numbers;
    }

    /** The life of every phone in the drawer, in its order; none until it was asked for. */
    public Observed<List<Timeline>> lives() {
        return lives;
    }

    /** Two jobs held against each other. */
    public Observed<Optional<JobPair>> pair() {
        return pair;
    }

    /** What was known at a time that was pointed at. */
    public Observed<Optional<Then>> then() {
        return then;
    }

    /** Counts all jobs. */
    public void count() {
        looking(open -> {
            Tally now = open.phones().tally();
            workers.draw(() -> numbers.set(Optional.of(now)));
        });
    }

    /** Looks back on every phone. */
    public void lookBack() {
        looking(open -> {
            List<Timeline> now = new ArrayList<>();
            for (Dossier dossier : open.phones().all()) {
                now.add(life(dossier));
            }
            workers.draw(() -> lives.set(List.copyOf(now)));
        });
    }

    private Timeline life(Dossier dossier) {
        Known known = drawn.get(dossier.phone().id());
        if (known == null || !known.dossier().equals(dossier)) {
            known = new Known(dossier, Timeline.of(dossier));
            drawn.put(dossier.phone().id(), known);
        }
        return known.timeline();
    }

    /** Holds one job against another. */
    public void hold(Snapshot.PastJob one, Snapshot.PastJob other) {
        looking(open -> {
            JobPair now = JobPair.of(one.job(), other.job());
            workers.draw(() -> pair.set(Optional.of(now)));
        });
    }

    /** Tells what was known of a phone at a time. */
    public void recall(PhoneRecord phone, Instant at) {
        looking(open -> {
            Map<Fact, String> known = open.phones().known(phone, at);
            workers.draw(() -> then.set(Optional.of(new Then(phone, at, known))));
        });
    }

    private interface Look {
        void at(Workbench open);
    }

    private void looking(Look look) {
        workers.quietly(() -> {
            if (bench.get() != null) {
                look.at(bench.get());
            }
        });
    }
}
