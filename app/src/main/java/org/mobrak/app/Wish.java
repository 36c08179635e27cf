package org.mobrak.app;

import java.util.Optional;
import org.mobrak.core.fit.School;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;

/** What the user wants of the phone and will not put up with; an empty school is the usual one. */
public record Wish(Goal goal, Optional<School> school, Limits limits) {
    /** Permanent root, by whatever leads there. */
    static Wish usual() {
        return new Wish(Goal.ROOT, Optional.empty(), Limits.none());
    }
}
