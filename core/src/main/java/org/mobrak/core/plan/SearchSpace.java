package org.mobrak.core.plan;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.Lookahead;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * What all searches for one phone stand on, worked out once.
 *
 * @param possible the routes that nothing lasting forbids; without a model number only those that suit any phone, since a plan
 *     for some other phone helps nobody
 * @param ofDangers the facts on which dangers turn
 * @param endangering of these, those on which a danger turns that is there now, so that a route that changes them may help
 * @param odds of routes that mend something, by id, how likely it is that this is what is broken, from 0 to 1
 */
record SearchSpace(
        Facts facts,
        List<Route> possible,
        Lookahead lookahead,
        Housekeeping housekeeping,
        Set<Fact> ofDangers,
        Set<Fact> endangering,
        Map<String, Double> odds) {

    static SearchSpace of(Catalogue catalogue, Facts facts, Optional<School> choice) {
        return of(catalogue, facts, choice, Map.of());
    }

    static SearchSpace of(Catalogue catalogue, Facts facts, Optional<School> choice, Map<String, Double> odds) {
        boolean anyPhone = facts.value(Fact.MODEL).isEmpty();
        return new SearchSpace(
                facts,
                Relevance.possible(catalogue, facts, choice).stream()
                        .filter(route -> !anyPhone || route.fits().phones().isEmpty())
                        .toList(),
                new Lookahead(catalogue, facts, choice),
                new Housekeeping(catalogue),
                catalogue.dangers().stream()
                        .flatMap(danger -> danger.when().facts())
                        .collect(Collectors.toUnmodifiableSet()),
                FitCheck.endangering(catalogue, facts),
                odds);
    }
}
