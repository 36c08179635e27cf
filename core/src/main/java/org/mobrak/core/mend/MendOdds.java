package org.mobrak.core.mend;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** How likely it is that what a route mends is what is broken: the probabilities of the causes it mends, together. */
public final class MendOdds {
    private MendOdds() {}

    /**
     * The odds of each route that mends a cause of one trouble.
     *
     * @param trouble the id of its symptom
     * @return by the route's id, from 0 to 1; empty where nobody knows the trouble
     */
    public static Map<String, Double> of(Catalogue catalogue, Troubles troubles, Facts facts, String trouble) {
        if (troubles.symptom(trouble).isEmpty()) {
            return Map.of();
        }
        Complaint complaint = new Complaint(List.of(trouble), Map.of(), List.of(), facts, Optional.empty());
        Map<String, Double> odds = new HashMap<>();
        Diagnosis diagnosis = new Diagnostics(catalogue, troubles).diagnose(complaint);
        for (Diagnosis.Likely likely : diagnosis.causes()) {
            likely.cause().mends().forEach(route -> odds.merge(route, likely.probability(), Double::sum));
        }
        // A route that says itself which trouble it is for, and that no cause names, is taken to mend the likeliest
        // one.
        diagnosis.causes().stream()
                .findFirst()
                .ifPresent(first -> catalogue.routes().stream()
                        .filter(route -> "none".equals(route.changes().effects().get(Fact.TROUBLE)))
                        .forEach(route -> odds.putIfAbsent(route.id(), first.probability())));
        odds.replaceAll((route, probability) -> Math.min(1, probability));
        return Map.copyOf(odds);
    }
}
