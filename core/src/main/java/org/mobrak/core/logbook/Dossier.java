package org.mobrak.core.logbook;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Parsed;
import org.mobrak.core.job.Job;

/** Everything on disk about one phone; intakes and jobs are in the order in which they came. */
public record Dossier(PhoneRecord phone, List<Intake> intakes, List<Job> jobs) {
    public Dossier {
        intakes = List.copyOf(intakes);
        jobs = List.copyOf(jobs);
    }

    /** The readings of every text that was not taken back. */
    public Ledger ledger() {
        return new Ledger(
                parsed().stream().flatMap(parsed -> parsed.readings().stream()).toList());
    }

    /** What was wrong with the texts. */
    public List<Finding> findings() {
        return parsed().stream()
                .flatMap(parsed -> parsed.findings().stream())
                .distinct()
                .toList();
    }

    /** The job that runs, if one does; there is never more than one. */
    public Optional<Job> runningJob() {
        return jobs.stream().filter(job -> job.end().isEmpty()).findFirst();
    }

    private List<Parsed> parsed() {
        return intakes.stream().filter(Intake::counts).map(Intake::parse).toList();
    }
}
