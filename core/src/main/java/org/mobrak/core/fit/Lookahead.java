package org.mobrak.core.fit;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Judges routes as a phone's state would be further down a plan. What it judged in a state it remembers, since a search comes
 * back to the same few states again and again. For one thread only.
 */
public final class Lookahead {
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;
    private final RouteJudge now;
    private final Map<Map<Fact, Optional<String>>, RouteJudge> judges = new HashMap<>();
    private final Map<Route, List<Clause>> targets = new IdentityHashMap<>();

    public Lookahead(Catalogue catalogue, Facts facts, Optional<School> choice) {
        this.catalogue = catalogue;
        this.facts = facts;
        this.choice = choice;
        this.now = new RouteJudge(catalogue, facts, choice);
    }

    /** The clauses of a route where some facts have changed to the values given, or (empty) are no longer known. */
    public List<Clause> clauses(Route route, Map<Fact, Optional<String>> changes) {
        return judges.computeIfAbsent(changes, this::judge).clauses(route);
    }

    /** Whether something forbids a route as the facts are; most of a large catalogue are for another phone, so that is asked first. */
    public boolean isForbidden(Route route) {
        return forbids(now.target(route)) || forbids(now.clauses(route));
    }

    private static boolean forbids(List<Clause> clauses) {
        return clauses.stream().anyMatch(clause -> clause.result() == Truth.NO);
    }

    /** Whom a route was made for turns on versions, and some routes give others. */
    private RouteJudge judge(Map<Fact, Optional<String>> changes) {
        Facts then = facts.after(changes);
        return Route.Target.VERSIONS.stream().anyMatch(changes::containsKey)
                ? new RouteJudge(catalogue, then, choice)
                : now.in(catalogue, then, targets);
    }
}
