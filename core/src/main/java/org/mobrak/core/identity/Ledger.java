package org.mobrak.core.identity;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * All readings of one phone, in the order in which they came. Adding gives a new ledger; nothing is overwritten.
 *
 * <p>Which readings of a fact are held against each other:
 *
 * <ul>
 *   <li>what a phone is for good (model, maker …): all of them;
 *   <li>what an update changes (OS version, kernel …): not those from before a later word of the same source, nor those of
 *       another day, because then the phone changed and nobody contradicts anybody;
 *   <li>what work changes (root, lock, switches …): only the newest. What was typed at the time of another reading that says
 *       otherwise settles nothing: the two are in conflict, and what was seen leads.
 * </ul>
 *
 * <p>A reading that cannot be ({@link Possible}) says nothing; where there is no other, the fact is unknown and the reading is
 * told.
 *
 * <p>Readings set aside stay in the ledger and are never judged.
 */
public record Ledger(List<Reading> readings, List<Overwrite> overwrites) {
    /** Readings closer together than this were taken at one sitting (our own choice). */
    private static final Duration SITTING = Duration.ofHours(12);

    public Ledger {
        readings = List.copyOf(readings);
        overwrites = List.copyOf(overwrites);
    }

    /** A phone to which nothing was done. */
    public Ledger(List<Reading> readings) {
        this(readings, List.of());
    }

    /** Something was done to the phone, after which what was read of some facts before is history. */
    public record Overwrite(Instant at, Set<Fact> facts) {
        public Overwrite {
            facts = Set.copyOf(facts);
        }

        private boolean covers(Reading reading) {
            return facts.contains(reading.fact()) && !reading.takenAt().isAfter(at);
        }
    }

    public static Ledger empty() {
        return new Ledger(List.of());
    }

    public Ledger with(List<Reading> more) {
        return new Ledger(Stream.concat(readings.stream(), more.stream()).toList(), overwrites);
    }

    /** What it held at a time: nothing that was read or done later. */
    public Ledger until(Instant at) {
        return new Ledger(
                readings.stream()
                        .filter(reading -> !reading.takenAt().isAfter(at))
                        .toList(),
                overwrites.stream().filter(done -> !done.at().isAfter(at)).toList());
    }

    /** Only what tells of one fact. */
    public Ledger about(Fact fact) {
        return new Ledger(
                readings.stream().filter(reading -> reading.fact() == fact).toList(),
                overwrites.stream().filter(done -> done.facts().contains(fact)).toList());
    }

    /** All readings of one fact, best-ranked first, older ones and those set aside included. */
    public List<Reading> of(Fact fact) {
        return ranked(fact, readings.stream().filter(reading -> reading.fact() == fact));
    }

    /** The readings of a fact that a later one has made history, oldest first. */
    public List<Reading> history(Fact fact) {
        List<Reading> counting = of(fact).stream().filter(Reading::counts).toList();
        List<Reading> standing = counting.stream().filter(this::stands).toList();
        List<Reading> now = standing.isEmpty() ? List.of() : current(fact, standing);
        return counting.stream()
                .filter(reading -> !now.contains(reading))
                .sorted(Comparator.comparing(Reading::takenAt))
                .toList();
    }

    /** What the readings add up to. */
    public Facts facts() {
        Map<Fact, List<Reading>> byFact = readings.stream()
                .filter(reading -> reading.counts() && stands(reading))
                .collect(Collectors.groupingBy(Reading::fact, () -> new EnumMap<>(Fact.class), Collectors.toList()));
        Map<Fact, Belief> beliefs = new EnumMap<>(Fact.class);
        byFact.forEach((fact, said) -> beliefs.put(fact, judge(fact, said)));
        return new Facts(beliefs);
    }

    /** Whether nothing has been written over it since; what follows from the catalogue stands anyway. */
    private boolean stands(Reading reading) {
        return reading.source() == Source.CATALOGUE
                || overwrites.stream().noneMatch(overwrite -> overwrite.covers(reading));
    }

    private static Belief judge(Fact fact, List<Reading> said) {
        List<Reading> possible = said.stream().filter(Possible::canBe).toList();
        if (possible.isEmpty()) {
            return new Belief.Impossible(ranked(fact, said.stream()).get(0));
        }
        List<Reading> ranked = ranked(fact, current(fact, possible).stream());
        boolean agreed = ranked.stream().map(Reading::value).distinct().count() == 1;
        return agreed ? new Belief.Certain(ranked) : new Belief.Conflicting(ranked);
    }

    private static List<Reading> ranked(Fact fact, Stream<Reading> said) {
        return said.sorted(Comparator.comparingInt(reading -> reading.source().rankFor(fact)))
                .toList();
    }

    private static List<Reading> current(Fact fact, List<Reading> said) {
        if (fact.changes()) {
            return newest(fact == Fact.ROOT ? withoutWeakerProof(said) : said);
        }
        return fact.updates()
                ? said.stream().filter(reading -> !superseded(reading, said)).toList()
                : said;
    }

    private static boolean superseded(Reading earlier, List<Reading> said) {
        return said.stream().anyMatch(later -> {
            Duration between = Duration.between(earlier.takenAt(), later.takenAt());
            boolean sameSource = later.source() == earlier.source() && between.compareTo(Duration.ZERO) > 0;
            boolean written = later.origin().provedBy().isPresent() && between.compareTo(Duration.ZERO) > 0;
            return sameSource || written || between.compareTo(SITTING) > 0;
        });
    }

    /** A root shell proves root now; it does not take back that root has been proved to last. */
    private static List<Reading> withoutWeakerProof(List<Reading> said) {
        List<Reading> stated = said.stream()
                .filter(reading -> reading.source() != Source.ROOT_PROOF)
                .toList();
        boolean lasts = !stated.isEmpty()
                && newest(stated).stream().allMatch(reading -> Objects.equals(reading.value(), "permanent"));
        return lasts ? stated : said;
    }

    private static List<Reading> newest(List<Reading> said) {
        Instant last = said.stream()
                .map(Reading::takenAt)
                .max(Comparator.naturalOrder())
                .orElseThrow();
        return said.stream().filter(reading -> reading.takenAt().equals(last)).toList();
    }
}
