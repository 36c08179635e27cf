package org.mobrak.core.logbook.history;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;

/** How long the steps of a job took: the time from tick to tick, without the times at which the work rested. */
public final class JobClock {
    /** Where nothing was written down for so long, nobody was at work (our own choice). */
    private static final Duration REST = Duration.ofHours(2);

    private final Job job;
    private final Map<String, Duration> taken = new HashMap<>();
    private Duration since = Duration.ZERO;
    private boolean resting;

    private JobClock(Job job) {
        this.job = job;
    }

    public static JobClock of(Job job) {
        JobClock clock = new JobClock(job);
        Instant last = job.startedAt();
        for (Event event : job.events()) {
            clock.take(event, Duration.between(last, event.at()));
            last = event.at();
        }
        return clock;
    }

    private void take(Event event, Duration gap) {
        // A clock that was set back in between says nothing, and neither does a night.
        if (!resting && !gap.isNegative() && gap.compareTo(REST) <= 0) {
            since = since.plus(gap);
        }
        if (event instanceof Event.Paused) {
            resting = true;
        } else if (event instanceof Event.Resumed) {
            resting = false;
        } else if (event instanceof Event.Ticked ticked) {
            taken.merge(ticked.step(), since, Duration::plus);
            since = Duration.ZERO;
        }
    }

    /** How long a step took; empty if it was never done. */
    public Optional<Duration> of(Step step) {
        return Optional.ofNullable(taken.get(step.id()));
    }

    /** How long a route's work took, in minutes; empty unless all of it was done. What was laid ready for it is not counted. */
    public Optional<Double> minutes(String route) {
        Stream<Optional<Duration>> times = job.sheet().steps().stream()
                .filter(step -> step.route().equals(route))
                .filter(step -> step.phase() == Phase.DO || step.phase() == Phase.PROVE)
                .map(step -> job.isTicked(step) ? of(step) : Optional.empty());
        return times.reduce(Optional.of(Duration.ZERO), (sum, one) -> sum.flatMap(sofar -> one.map(sofar::plus)))
                .filter(sum -> !sum.isZero())
                .map(sum -> sum.toSeconds() / 60.0);
    }
}
