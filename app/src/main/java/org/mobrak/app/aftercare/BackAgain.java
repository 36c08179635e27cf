package org.mobrak.app.aftercare;

import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.gather.RestoreCheck;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.Source;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Takeback;
import org.mobrak.core.plan.Takeback.Before;

/** How a phone can be brought back to how it was before its last job. */
final class BackAgain {
    private final Place place;

    BackAgain(Place place) {
        this.place = place;
    }

    /** Empty where no job of the phone tells what was known when it began. */
    Optional<AftercareView.TakingBack> look() throws Refusal {
        Facts now = place.facts();
        List<StockCopy> copies = place.copies();
        Ledger ledger = place.dossier().ledger();
        return place.dossier().jobs().stream()
                .filter(job -> job.plan().isKnown() && job.hasBegun())
                .max(Comparator.comparing(Job::startedAt))
                .map(job -> of(job, ledger, now, copies));
    }

    private AftercareView.TakingBack of(Job job, Ledger ledger, Facts now, List<StockCopy> copies) {
        Before before = before(job, ledger);
        Facts then = Facts.none().supposing(before.facts());
        List<Takeback> all = Takeback.of(before, now, place.catalogue());
        return new AftercareView.TakingBack(
                job, all, RestoreCheck.of(job.sheet().writes(), then, copies), Takeback.goal(all));
    }

    /** Only what was really begun has done anything. */
    private static Before before(Job job, Ledger ledger) {
        Set<Step> begun = job.sheet().steps().stream()
                .filter(step -> job.begun(step).isPresent() || job.isTicked(step))
                .collect(Collectors.toSet());
        Map<Fact, String> facts = new EnumMap<>(Fact.class);
        facts.putAll(job.plan().start());
        Set<Fact> supposed = EnumSet.noneOf(Fact.class);
        begun.stream()
                .flatMap(step -> step.changes().effects().keySet().stream())
                .filter(Goal.states()::contains)
                .filter(fact -> !facts.containsKey(fact))
                .forEach(fact -> fact.usual().ifPresent(usual -> {
                    facts.put(fact, usual);
                    supposed.add(fact);
                }));
        return new Before(
                facts,
                supposed,
                begun.stream().anyMatch(step -> step.changes().wipes()),
                isBackedUp(job, ledger),
                job.sheet().money());
    }

    /** A wipe ends what was noted of backups, so the readings are asked and not what is believed now. */
    private static boolean isBackedUp(Job job, Ledger ledger) {
        Instant until = job.end().map(Event.Ended::at).orElse(Instant.MAX);
        return ledger.of(Fact.APP_BACKUP).stream()
                .filter(reading ->
                        reading.source() != Source.PROVED && !reading.takenAt().isAfter(until))
                .max(Comparator.comparing(Reading::takenAt))
                .filter(reading -> !reading.value().equals("none"))
                .isPresent();
    }
}
