package org.mobrak.core.logbook;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.job.Job;

/**
 * Everything on disk about one phone; intakes and jobs are in the order in which they came.
 *
 * @param parsed what each text says, by the text's number
 * @param unread what of it cannot be read
 */
public record Dossier(
        PhoneRecord phone,
        List<Intake> intakes,
        Map<Long, Parsed> parsed,
        List<SetAside> aside,
        List<Job> jobs,
        Unread unread) {
    public Dossier {
        // Two people's histories of one phone lie in each other; what came first comes first, whoever wrote it down.
        intakes = intakes.stream().sorted(Comparator.comparing(Intake::takenAt)).toList();
        parsed = Map.copyOf(parsed);
        aside = List.copyOf(aside);
        jobs = jobs.stream().sorted(Comparator.comparing(Job::startedAt)).toList();
    }

    /**
     * What cannot be read any more.
     *
     * @param findings which entries, and what that means
     * @param jobs when each job that is lost so was last at work
     */
    public record Unread(List<Finding> findings, List<Instant> jobs) {
        public Unread {
            findings = List.copyOf(findings);
            jobs = List.copyOf(jobs);
        }
    }

    /** The readings of every text that was not taken back, those the user set aside marked so, and what jobs brought about. */
    public Ledger ledger() {
        Stream<Reading> read = counting().flatMap(this::readings);
        Stream<Reading> done = jobs.stream().flatMap(job -> job.readings().stream());
        return new Ledger(Stream.concat(read, done).toList(), overwrites());
    }

    /** Once something was written the old values are nobody's any more; of a job that cannot be read nobody knows what it wrote. */
    private List<Ledger.Overwrite> overwrites() {
        Stream<Ledger.Overwrite> lost =
                unread.jobs().stream().map(at -> new Ledger.Overwrite(at, Aftermath.everything()));
        return Stream.concat(lost, jobs.stream().flatMap(job -> job.overwrites().stream()))
                .toList();
    }

    /** The texts that were not taken back, as they came. */
    public List<String> countingTexts() {
        return counting()
                .filter(intake -> intake.kind() == Intake.Kind.TEXT)
                .map(Intake::text)
                .toList();
    }

    /** What was wrong with the texts. */
    public List<Finding> findings() {
        return Stream.concat(
                        unread.findings().stream(), counting().flatMap(intake -> parsed(intake).findings().stream()))
                .distinct()
                .toList();
    }

    /** The job that runs, if one does; there is never more than one. */
    public Optional<Job> runningJob() {
        return jobs.stream().filter(job -> job.end().isEmpty()).findFirst();
    }

    /** The same with the running job as it is to be worked through. */
    public Dossier running(Job changed) {
        List<Job> now = jobs.stream()
                .map(job -> job.id() == changed.id() ? changed : job)
                .toList();
        return new Dossier(phone, intakes, parsed, aside, now, unread);
    }

    /** The text a reading stands in; empty for what was worked out or comes from the catalogue. */
    public Optional<Intake> intakeOf(Reading reading) {
        return counting()
                .filter(intake -> readings(intake).anyMatch(reading::equals))
                .findFirst();
    }

    /** The entry by which a reading was set aside. */
    public Optional<SetAside> asideOf(Reading reading) {
        return intakeOf(reading)
                .flatMap(intake -> aside.stream()
                        .filter(one -> one.intakeId() == intake.id() && one.isOf(reading))
                        .findFirst());
    }

    /** Whether a text can still be read. */
    public boolean isReadable(Intake intake) {
        return parsed(intake).findings().stream()
                .noneMatch(finding -> finding.code().equals(Intake.UNREADABLE));
    }

    private Parsed parsed(Intake intake) {
        return Objects.requireNonNull(parsed.get(intake.id()));
    }

    private Stream<Intake> counting() {
        return intakes.stream().filter(Intake::counts);
    }

    private Stream<Reading> readings(Intake intake) {
        return parsed(intake).readings().stream()
                .map(reading -> aside.stream()
                        .filter(one -> one.intakeId() == intake.id() && one.isOf(reading))
                        .findFirst()
                        .map(one -> reading.aside(one.reason()))
                        .orElse(reading));
    }
}
