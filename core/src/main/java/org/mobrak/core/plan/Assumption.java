package org.mobrak.core.plan;

import java.util.Map;
import java.util.Set;
import org.mobrak.core.identity.Fact;

/**
 * Something a plan takes for granted because nobody has read it yet.
 *
 * @param route the name of the route that asks for it
 * @param reason what is not known and what must hold, in a sentence
 * @param asks the facts whose reading turns it into knowledge
 * @param supposes the values with which it would hold, of facts that have only a few
 */
public record Assumption(String route, String reason, Set<Fact> asks, Map<Fact, String> supposes) {
    public Assumption {
        asks = Set.copyOf(asks);
        supposes = Map.copyOf(supposes);
    }

    /** A sentence for a person. */
    public String sentence() {
        return route + ": " + reason;
    }
}
