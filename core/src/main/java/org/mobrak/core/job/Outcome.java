package org.mobrak.core.job;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Plan;

/**
 * What is otherwise once a plan has been done.
 *
 * @param effects the facts it changes that are known afterwards
 * @param forgets the facts it changes that nobody knows afterwards
 */
record Outcome(Map<Fact, String> effects, Set<Fact> forgets) {

    static Outcome of(Plan plan, Facts facts) {
        Set<Fact> changed = EnumSet.noneOf(Fact.class);
        Facts here = plan.goal().from(facts);
        for (Route route : plan.routes()) {
            Map<Fact, Optional<String>> after = Aftermath.of(route, here);
            changed.addAll(after.keySet());
            here = here.after(after);
        }
        Map<Fact, String> effects = new EnumMap<>(Fact.class);
        Set<Fact> forgets = EnumSet.noneOf(Fact.class);
        for (Fact fact : changed) {
            here.value(fact).ifPresentOrElse(value -> effects.put(fact, value), () -> forgets.add(fact));
        }
        return new Outcome(effects, forgets);
    }
}
