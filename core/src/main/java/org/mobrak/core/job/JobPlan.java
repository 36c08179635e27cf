package org.mobrak.core.job;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Plan;

/**
 * What a job set out to do, kept with it: later it is asked what was planned and what was known.
 *
 * @param goal its key
 * @param school exact or practical; empty for the usual one
 * @param limits what the person would not put up with, as words
 * @param routes in their order
 * @param start what was believed of the phone for certain
 */
public record JobPlan(
        String goal, Optional<String> school, List<String> limits, List<PlannedRoute> routes, Map<Fact, String> start) {
    public JobPlan {
        limits = List.copyOf(limits);
        routes = List.copyOf(routes);
        start = Map.copyOf(start);
    }

    /**
     * A route as it was then.
     *
     * @param digest SHA-256 of its content, by which a route that was changed since is told
     */
    public record PlannedRoute(String id, String name, String digest) {
        static PlannedRoute of(Route route) {
            return new PlannedRoute(route.id(), route.name(), RouteDigest.of(route));
        }
    }

    /** What is planned now. */
    public static JobPlan of(Plan plan, Optional<String> school, List<String> limits, Facts facts) {
        Map<Fact, String> start = new EnumMap<>(Fact.class);
        Stream.of(Fact.values()).forEach(fact -> facts.value(fact).ifPresent(value -> start.put(fact, value)));
        return new JobPlan(
                plan.goal().key(),
                school,
                limits,
                plan.routes().stream().map(PlannedRoute::of).toList(),
                start);
    }

    /** Of a job from before plans were kept. */
    public static JobPlan unknown() {
        return new JobPlan("", Optional.empty(), List.of(), List.of(), Map.of());
    }

    /** Whether it is known what was planned. */
    @JsonIgnore
    public boolean isKnown() {
        return !goal.isEmpty();
    }
}
