package org.mobrak.link.bench;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.mobrak.core.identity.Fact;

/**
 * A phone on the bench and its hidden truth.
 *
 * @param id how it is called on the command line
 * @param name what a person sees of it
 * @param truth what is so
 * @param says what it claims where that is something else: a rewritten model number, a label of another phone
 * @param ways where keys lead
 */
public record BenchTruth(
        String id, String name, Map<Fact, String> truth, Map<Fact, String> says, Nature nature, List<KeyWay> ways) {
    public BenchTruth {
        truth = Map.copyOf(truth);
        says = Map.copyOf(says);
        ways = KeyWay.inTurn(ways);
    }

    /** The same with other ways to hold keys. */
    public BenchTruth with(List<KeyWay> others) {
        return new BenchTruth(id, name, truth, says, nature, others);
    }

    /** The same in another state; what is said so, it claims too. */
    public BenchTruth knowing(Map<Fact, String> other) {
        Map<Fact, String> so = new EnumMap<>(Fact.class);
        so.putAll(truth);
        so.putAll(other);
        Map<Fact, String> claims = new EnumMap<>(Fact.class);
        claims.putAll(says);
        claims.keySet().removeAll(other.keySet());
        return new BenchTruth(id, name, so, claims, nature, ways);
    }

    /** The same with another nature. */
    public BenchTruth with(Nature other) {
        return new BenchTruth(id, name, truth, says, other, ways);
    }
}
