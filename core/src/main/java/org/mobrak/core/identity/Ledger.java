package org.mobrak.core.identity;

import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * All readings of one phone, in the order in which they came. Adding gives a new ledger; nothing is overwritten.
 *
 * <p>A fact that does not change is judged over all its readings. A fact that work can change is judged over the
 * newest ones only: an older one tells of another day, not of a contradiction. Among the newest, what a person
 * typed in settles it.
 */
public record Ledger(List<Reading> readings) {
    public Ledger {
        readings = List.copyOf(readings);
    }

    public static Ledger empty() {
        return new Ledger(List.of());
    }

    public Ledger with(List<Reading> more) {
        return new Ledger(Stream.concat(readings.stream(), more.stream()).toList());
    }

    /** All readings of one fact, best-ranked first, older ones included. */
    public List<Reading> of(Fact fact) {
        return readings.stream()
                .filter(reading -> reading.fact() == fact)
                .sorted(Comparator.comparingInt(reading -> reading.source().rankFor(fact)))
                .toList();
    }

    /** What the readings add up to. */
    public Facts facts() {
        Map<Fact, List<Reading>> byFact = readings.stream()
                .collect(Collectors.groupingBy(Reading::fact, () -> new EnumMap<>(Fact.class), Collectors.toList()));
        Map<Fact, Belief> beliefs = new EnumMap<>(Fact.class);
        byFact.forEach((fact, said) -> beliefs.put(fact, judge(fact, said)));
        return new Facts(beliefs);
    }

    private static Belief judge(Fact fact, List<Reading> said) {
        List<Reading> ranked = (fact.changes() ? newest(said) : said)
                .stream()
                        .sorted(Comparator.comparingInt(
                                reading -> reading.source().rankFor(fact)))
                        .toList();
        boolean agreed = ranked.stream().map(Reading::value).distinct().count() == 1;
        return agreed ? new Belief.Certain(ranked) : new Belief.Conflicting(ranked);
    }

    private static List<Reading> newest(List<Reading> said) {
        Instant last = said.stream()
                .map(Reading::takenAt)
                .max(Comparator.naturalOrder())
                .orElseThrow();
        List<Reading> latest =
                said.stream().filter(reading -> reading.takenAt().equals(last)).toList();
        List<Reading> typed = latest.stream()
                .filter(reading -> reading.source() == Source.TYPED)
                .toList();
        return typed.isEmpty() ? latest : typed;
    }
}
