package org.mobrak.core.identity.check;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;

/** Readings of different days that differ: the phone changed in between, and nobody contradicts anybody. */
final class HistoryCheck implements Check {
    @Override
    public Stream<Finding> of(Case phone) {
        return Stream.of(Fact.values())
                .filter(Fact::updates)
                .filter(fact -> fact != Fact.BUILD_ID_DATE)
                .flatMap(fact -> changed(fact, phone).stream());
    }

    private static Optional<Finding> changed(Fact fact, Case phone) {
        Optional<String> now = phone.value(fact);
        List<Reading> before = phone.ledger().history(fact).stream()
                .filter(reading -> now.isPresent() && !reading.value().equals(now.get()))
                .toList();
        if (before.isEmpty()) {
            return Optional.empty();
        }
        Reading last = before.get(before.size() - 1);
        LocalDate day = LocalDate.ofInstant(last.takenAt(), ZoneOffset.UTC);
        return Optional.of(Finding.note(
                "changed",
                "%s was “%s” on %s and is “%s” now: the phone changed."
                        .formatted(fact.label(), last.value(), day, now.orElseThrow())));
    }
}
