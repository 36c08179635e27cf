package org.mobrak.core.identity;

import java.time.Instant;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What the readings add up to: a belief for every fact. */
public final class Facts {
    private static final Belief UNKNOWN = new Belief.Unknown();

    private final Map<Fact, Belief> beliefs;

    Facts(Map<Fact, Belief> beliefs) {
        this.beliefs = Collections.unmodifiableMap(new EnumMap<>(beliefs));
    }

    /** Facts of which nothing is known. */
    public static Facts none() {
        return new Facts(new EnumMap<>(Fact.class));
    }

    public Belief belief(Fact fact) {
        Belief belief = beliefs.get(fact);
        return belief != null ? belief : unsaid(fact);
    }

    /** Nobody has said; of some facts it follows from others that there is none. */
    private Belief unsaid(Fact fact) {
        return fact == Fact.PATCH_LEVEL ? PatchLevels.on(said(Fact.OS_VERSION)).orElse(UNKNOWN) : UNKNOWN;
    }

    /** Whether this phone has no such thing, which is not the same as nobody having read it. */
    public boolean isAbsent(Fact fact) {
        return belief(fact) instanceof Belief.Absent;
    }

    /** Whether two sources disagree about it. */
    public boolean isTorn(Fact fact) {
        return belief(fact) instanceof Belief.Conflicting;
    }

    /** The facts about which sources disagree. */
    public Set<Fact> torn() {
        Set<Fact> torn = EnumSet.noneOf(Fact.class);
        beliefs.forEach((fact, belief) -> {
            if (belief instanceof Belief.Conflicting) {
                torn.add(fact);
            }
        });
        return torn;
    }

    /** Every value that a source gives now, the leading one first. */
    public List<String> said(Fact fact) {
        return belief(fact).readings().stream().map(Reading::value).distinct().toList();
    }

    /** What was read of a fact and cannot be, where nothing else was. */
    public Optional<Reading> impossible(Fact fact) {
        return belief(fact) instanceof Belief.Impossible none ? Optional.of(none.reading()) : Optional.empty();
    }

    /** These facts where some readings that disagree are settled: of each fact one of the values that are said. */
    public Facts settled(Map<Fact, String> chosen) {
        Map<Fact, Belief> settled = new EnumMap<>(Fact.class);
        settled.putAll(beliefs);
        chosen.forEach((fact, value) -> settled.put(
                fact,
                new Belief.Certain(belief(fact).readings().stream()
                        .filter(reading -> reading.value().equals(value))
                        .toList())));
        return new Facts(settled);
    }

    /** The leading value, whether certain or in conflict. */
    public Optional<String> value(Fact fact) {
        return belief(fact).value();
    }

    /** Every fact with a value, in the order of {@link Fact}, and the value that leads. */
    public Map<Fact, String> values() {
        Map<Fact, String> values = new EnumMap<>(Fact.class);
        beliefs.forEach((fact, belief) -> belief.value().ifPresent(value -> values.put(fact, value)));
        return Collections.unmodifiableMap(values);
    }

    /** Only what no work on the phone changes, and no route gives; the rest is as if nobody had said. */
    public Facts lasting(Set<Fact> given) {
        Map<Fact, Belief> lasting = new EnumMap<>(Fact.class);
        beliefs.forEach((fact, belief) -> {
            if (!fact.changes() && !given.contains(fact)) {
                lasting.put(fact, belief);
            }
        });
        return new Facts(lasting);
    }

    /** These facts as they would stand if some had other values: the ground for looking ahead. */
    public Facts supposing(Map<Fact, String> changes) {
        if (changes.isEmpty()) {
            return this;
        }
        Map<Fact, Belief> changed = new EnumMap<>(Fact.class);
        changed.putAll(beliefs);
        changes.forEach((fact, value) -> changed.put(fact, supposed(fact, value)));
        return new Facts(changed);
    }

    /** These facts after something was done to the phone: some have other values, and some (empty) nobody knows any more. */
    public Facts after(Map<Fact, Optional<String>> changes) {
        if (changes.isEmpty()) {
            return this;
        }
        Map<Fact, Belief> changed = new EnumMap<>(Fact.class);
        changed.putAll(beliefs);
        changes.forEach((fact, value) ->
                value.ifPresentOrElse(now -> changed.put(fact, supposed(fact, now)), () -> changed.remove(fact)));
        return new Facts(changed);
    }

    private static Belief supposed(Fact fact, String value) {
        return new Belief.Certain(List.of(new Reading(fact, value, new Origin.Supposed(), Instant.EPOCH)));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Facts facts && facts.beliefs.equals(beliefs);
    }

    @Override
    public int hashCode() {
        return beliefs.hashCode();
    }

    @Override
    public String toString() {
        return values().toString();
    }
}
