package org.mobrak.app.aftercare;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.proof.Comparison;
import org.mobrak.core.proof.Rung;
import org.mobrak.core.proof.Seen;

/** What the jobs of a phone say of how it came out, and of root. */
final class JobOutcomes {
    /** What follows from other things and was read by nobody. */
    private static final Set<Source> NOT_READ = EnumSet.of(Source.CATALOGUE, Source.PROVED, Source.WORKED_OUT);

    private final Dossier dossier;
    private final Catalogue catalogue;

    JobOutcomes(Dossier dossier, Catalogue catalogue) {
        this.dossier = dossier;
        this.catalogue = catalogue;
    }

    /** Each ended job of which it is known what was planned, the newest first. */
    List<AftercareView.JobOutcome> compared() {
        return dossier.jobs().stream()
                .filter(job -> job.end().isPresent() && job.plan().isKnown())
                .sorted(Comparator.comparing(Job::startedAt).reversed())
                .map(job -> new AftercareView.JobOutcome(job, Comparison.of(before(job), readAfter(job), routes(job))))
                .toList();
    }

    /** What was read when the job began, without what only followed from it. */
    private Facts before(Job job) {
        Map<Fact, String> read = new EnumMap<>(Fact.class);
        job.plan().start().forEach((fact, value) -> {
            boolean wasRead = dossier.ledger().of(fact).stream()
                    .anyMatch(reading -> !NOT_READ.contains(reading.source())
                            && !reading.takenAt().isAfter(job.startedAt()));
            if (wasRead) {
                read.put(fact, value);
            }
        });
        return Facts.none().supposing(read);
    }

    private List<Route> routes(Job job) {
        return job.plan().routes().stream()
                .flatMap(planned -> catalogue.route(planned.id()).stream())
                .toList();
    }

    /** Readings from after the last write, up to the next job; before it nobody could have seen what came of it. */
    private Facts readAfter(Job job) {
        Instant from = job.overwrites().stream()
                .map(Ledger.Overwrite::at)
                .max(Comparator.naturalOrder())
                .orElse(job.startedAt());
        Optional<Instant> until = dossier.jobs().stream()
                .map(Job::startedAt)
                .filter(start -> start.isAfter(job.startedAt()))
                .min(Comparator.naturalOrder());
        return new Ledger(dossier.ledger().readings().stream()
                        .filter(reading -> !NOT_READ.contains(reading.source()))
                        .filter(reading -> isBetween(reading, from, until))
                        .toList())
                .facts();
    }

    private static boolean isBetween(Reading reading, Instant from, Optional<Instant> until) {
        return reading.takenAt().isAfter(from)
                && until.filter(end -> !reading.takenAt().isBefore(end)).isEmpty();
    }

    /** Routes that were done, by their ids, the newest job first. */
    List<String> done() {
        return dossier.jobs().stream()
                .filter(Job::hasBegun)
                .flatMap(job -> job.plan().routes().stream())
                .map(planned -> planned.id())
                .distinct()
                .toList();
    }

    /** What jobs and the person saw of root, in order of time. */
    List<Seen> timeline(Notes notes) {
        List<Notes.Sighting> all = new ArrayList<>(notes.seen());
        dossier.jobs().forEach(job -> job.events().forEach(event -> all.addAll(seen(job, event))));
        return all.stream()
                .sorted(Comparator.comparing(Notes.Sighting::at))
                .map(Notes.Sighting::what)
                .toList();
    }

    private static List<Notes.Sighting> seen(Job job, Event event) {
        Stream<Seen> seen = Stream.empty();
        if (event instanceof Event.Proved proved && isTicked(job, proved.step())) {
            seen = proved.rung() == Rung.LASTS.number()
                    ? Stream.of(Seen.RESTART, Seen.UID0)
                    : Stream.of(Seen.values())
                            .filter(one -> one.shows()
                                    .filter(rung -> rung.number() == proved.rung())
                                    .isPresent());
        } else if (event instanceof Event.EffectHeld held && isTicked(job, held.step())) {
            boolean none = "none".equals(held.facts().get(Fact.ROOT));
            boolean updated = "installed".equals(held.facts().get(Fact.UPDATE));
            seen = none ? Stream.of(Seen.UNROOTED) : updated ? Stream.of(Seen.UPDATE) : Stream.empty();
        }
        return seen.map(one -> new Notes.Sighting(one, event.at())).toList();
    }

    private static boolean isTicked(Job job, String step) {
        return job.state().ticked().containsKey(step);
    }
}
