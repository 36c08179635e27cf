package org.mobrak.core.logbook.history;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Intake;
import org.mobrak.core.logbook.PhoneRecord;

/**
 * A phone's life: when something was read, when a job was at work, and what was believed of a few facts in between.
 *
 * @param marks texts and typed values that came in
 * @param jobs from their beginning to their end
 * @param lanes what was believed, fact by fact
 */
public record Timeline(PhoneRecord phone, List<Mark> marks, List<JobSpan> jobs, List<Lane> lanes) {
    /** What is followed, in the order in which it is shown. */
    private static final List<Fact> FOLLOWED =
            List.of(Fact.ROOT, Fact.RECOVERY, Fact.LOCK, Fact.OS_VERSION, Fact.BUILD_NUMBER, Fact.BATTERY_PERCENT);

    public Timeline {
        marks = List.copyOf(marks);
        jobs = List.copyOf(jobs);
        lanes = List.copyOf(lanes);
    }

    /** Something that came in. */
    public record Mark(Instant at, String what) {}

    /**
     * A job at work.
     *
     * @param until when it ended; empty while it runs
     */
    public record JobSpan(Instant from, Optional<Instant> until, String title, Optional<Event.End> end) {}

    /** What was believed of a fact; the spans follow each other, with gaps where nobody knew. */
    public record Lane(Fact fact, List<Span> spans) {
        public Lane {
            spans = List.copyOf(spans);
        }
    }

    /**
     * As long as one value was believed.
     *
     * @param until empty where it still is
     */
    public record Span(Instant from, Optional<Instant> until, String value, boolean torn) {}

    public static Timeline of(Dossier dossier) {
        List<Mark> marks = dossier.intakes().stream()
                .filter(Intake::counts)
                .map(intake -> new Mark(intake.takenAt(), intake.name()))
                .toList();
        List<JobSpan> jobs = dossier.jobs().stream().map(Timeline::span).toList();
        Ledger ledger = dossier.ledger();
        List<Lane> lanes = FOLLOWED.stream()
                .map(fact -> new Lane(fact, spans(fact, ledger)))
                .filter(lane -> !lane.spans().isEmpty())
                .toList();
        return new Timeline(dossier.phone(), marks, jobs, lanes);
    }

    private static JobSpan span(Job job) {
        return new JobSpan(
                job.startedAt(),
                job.end().map(Event.Ended::at),
                job.sheet().title(),
                job.end().map(Event.Ended::end));
    }

    /** The first and the last time at which anything happened; empty of a phone of which nothing is known. */
    public Optional<Range> range() {
        Stream<Instant> all = Stream.of(
                        marks.stream().map(Mark::at),
                        jobs.stream().map(JobSpan::from),
                        jobs.stream().flatMap(job -> job.until().stream()))
                .flatMap(times -> times);
        TreeSet<Instant> sorted = new TreeSet<>(all.toList());
        return sorted.isEmpty() ? Optional.empty() : Optional.of(new Range(sorted.first(), sorted.last()));
    }

    /** From when to when. */
    public record Range(Instant from, Instant until) {}

    /** What was known of a phone at a time. */
    public static Facts known(Dossier dossier, Instant at) {
        return dossier.ledger().until(at).facts();
    }

    /** As long as each value of a fact was believed. */
    static List<Span> spans(Fact fact, Ledger whole) {
        Ledger ledger = whole.about(fact);
        List<Span> spans = new ArrayList<>();
        Optional<Open> open = Optional.empty();
        for (Instant at : turns(ledger)) {
            Facts now = ledger.until(at).facts();
            Optional<Open> next = now.value(fact).map(value -> new Open(at, value, now.isTorn(fact)));
            if (open.isPresent() && next.filter(open.get()::isSame).isEmpty()) {
                spans.add(open.get().until(Optional.of(at)));
            }
            if (next.isEmpty() || open.filter(next.get()::isSame).isEmpty()) {
                open = next;
            }
        }
        open.map(last -> last.until(Optional.empty())).ifPresent(spans::add);
        return spans;
    }

    /** When something was read or written over. */
    private static List<Instant> turns(Ledger ledger) {
        return Stream.concat(
                        ledger.readings().stream().map(Reading::takenAt),
                        ledger.overwrites().stream().map(Ledger.Overwrite::at))
                .distinct()
                .sorted(Comparator.naturalOrder())
                .toList();
    }

    private record Open(Instant from, String value, boolean torn) {
        boolean isSame(Open other) {
            return Objects.equals(value, other.value) && torn == other.torn;
        }

        Span until(Optional<Instant> end) {
            return new Span(from, end, value, torn);
        }
    }
}
