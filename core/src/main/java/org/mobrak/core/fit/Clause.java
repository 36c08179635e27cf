package org.mobrak.core.fit;

import java.util.Optional;
import java.util.Set;
import org.mobrak.core.identity.Fact;

/**
 * One condition of a route, judged.
 *
 * @param name what is asked, in a word or two
 * @param result whether it holds
 * @param reason why, in one sentence for a person
 * @param doubt what to be wary of although it holds
 * @param asks the facts that would have to be read to settle it; empty unless unknown
 * @param step the name of the route that would turn a no into a yes
 */
public record Clause(
        String name, Truth result, String reason, Optional<String> doubt, Set<Fact> asks, Optional<String> step) {
    public Clause {
        asks = Set.copyOf(asks);
    }

    static Clause of(String name, Truth result, String reason) {
        return new Clause(name, result, reason, Optional.empty(), Set.of(), Optional.empty());
    }

    static Clause asking(String name, String reason, Set<Fact> asks) {
        return new Clause(name, Truth.UNKNOWN, reason, Optional.empty(), asks, Optional.empty());
    }

    Clause doubting(String why) {
        return new Clause(
                name,
                result,
                reason,
                Optional.of(doubt.map(first -> first + " " + why).orElse(why)),
                asks,
                step);
    }

    Clause named(String other) {
        return new Clause(other, result, reason, doubt, asks, step);
    }

    Clause because(Optional<String> why) {
        return why.map(more -> new Clause(name, result, reason + " " + more, doubt, asks, step))
                .orElse(this);
    }

    Clause mendedBy(String route) {
        return new Clause(name, result, reason, doubt, asks, Optional.of(route));
    }

    /** Whether it is a no that nothing in the catalogue turns. */
    boolean refuses() {
        return result == Truth.NO && step.isEmpty();
    }
}
