package org.mobrak.core.proof;

import java.util.Optional;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Source;

/**
 * A state that is read off the phone, and what it rests on.
 *
 * @param state empty where nobody has read it
 */
public record StateProof(Optional<String> state, String because) {

    /** What the readings say of one state. */
    public static StateProof of(Fact fact, Facts facts) {
        Belief belief = facts.belief(fact);
        if (belief.readings().isEmpty()) {
            return new StateProof(Optional.empty(), "Nobody has read it. " + fact.whereToRead() + ".");
        }
        if (belief instanceof Belief.Conflicting) {
            return new StateProof(Optional.empty(), "Sources disagree; read it again. " + fact.whereToRead() + ".");
        }
        Source source = belief.readings().get(0).source();
        return new StateProof(
                belief.value(),
                "From %s: %s.".formatted(belief.readings().get(0).place(), source.reason()));
    }
}
