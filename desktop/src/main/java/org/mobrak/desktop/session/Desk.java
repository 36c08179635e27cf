package org.mobrak.desktop.session;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Identity;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.School;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Planner;

/** The one phone that lies on the desk, and all that follows from what is known of it. */
public record Desk(
        Dossier dossier,
        Identity identity,
        Wish wish,
        List<RouteFit> fits,
        List<NextReading> next,
        Planner.Answer answer) {

    /** What the user wants of the phone; an empty school is the usual one. */
    public record Wish(Goal goal, Optional<School> school) {}

    static Desk of(Dossier dossier, Catalogue catalogue, Wish wish) {
        Identity identity = Identity.of(catalogue, dossier.ledger(), dossier.findings());
        return new Desk(
                dossier,
                identity,
                wish,
                new FitCheck(catalogue, identity.facts(), wish.school()).routes(),
                NextReading.propose(catalogue, identity.facts(), wish.school()),
                Planner.plan(wish.goal(), catalogue, identity.facts(), wish.school(), Limits.none()));
    }
}
