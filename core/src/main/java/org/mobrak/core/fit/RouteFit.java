package org.mobrak.core.fit;

import java.util.List;
import org.mobrak.core.catalogue.Route;

/** A route held against one phone: the verdict and the clauses it comes from, in the order in which they are asked. */
public record RouteFit(Route route, Verdict verdict, List<Clause> clauses) {
    public RouteFit {
        clauses = List.copyOf(clauses);
    }

    /** How many clauses do not hold yet: the fewer, the more nearly it fits. */
    public long missing() {
        return clauses.stream().filter(clause -> clause.result() != Truth.YES).count();
    }

    static RouteFit of(Route route, List<Clause> clauses) {
        return new RouteFit(route, Verdict.of(clauses), clauses);
    }
}
