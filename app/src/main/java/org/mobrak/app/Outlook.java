package org.mobrak.app;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.material.check.CheckContext;
import org.mobrak.core.plan.Account;
import org.mobrak.core.plan.Brief;
import org.mobrak.core.plan.Figure;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;
import org.mobrak.core.plan.Replay;
import org.mobrak.core.plan.WayBack;

/**
 * What follows from who a phone is and what is wanted of it. This is the one way from facts to plans; the window and the
 * command line both take it.
 *
 * @param fits every route held against the phone, housekeeping too
 * @param next the readings worth taking next, the best first
 */
public record Outlook(
        Catalogue catalogue,
        Identity identity,
        Wish wish,
        Planner.Answer answer,
        List<RouteFit> fits,
        List<NextReading> next) {
    public Outlook {
        fits = List.copyOf(fits);
        next = List.copyOf(next);
    }

    /** Holds the catalogue against the phone and plans. */
    public static Outlook of(Catalogue catalogue, Identity identity, Wish wish) {
        return of(catalogue, identity, wish, Map.of());
    }

    /**
     * The same where something is to be mended.
     *
     * @param odds of routes that mend something, by id, how likely it is that this is what is broken, from 0 to 1
     */
    public static Outlook of(Catalogue catalogue, Identity identity, Wish wish, Map<String, Double> odds) {
        Facts facts = identity.facts();
        return new Outlook(
                catalogue,
                identity,
                wish,
                Planner.plan(wish.goal(), catalogue, facts, wish.school(), wish.limits(), odds),
                new FitCheck(catalogue, facts, wish.school()).routes(),
                Planner.nextReadings(wish.goal(), catalogue, facts, wish.school()));
    }

    /** The same where the person chose the routes, in their order; none, where nothing was chosen. */
    public Outlook choosing(List<Route> routes) {
        return routes.isEmpty()
                ? this
                : new Outlook(
                        catalogue,
                        identity,
                        wish,
                        Planner.chosen(wish.goal(), routes, catalogue, facts(), wish.school(), wish.limits()),
                        fits,
                        next);
    }

    public Facts facts() {
        return identity.facts();
    }

    /** The sums behind a plan's figures. */
    public List<Figure> account(Plan plan) {
        return Account.of(plan, facts());
    }

    /** A plan played through from what is known of the phone. */
    public Replay replay(Plan plan) {
        return Replay.of(plan, catalogue, facts(), wish.school());
    }

    /** How a plan's changes could be taken back. */
    public List<WayBack> wayBack(Plan plan) {
        return WayBack.of(plan, catalogue, facts(), wish.school());
    }

    /** What is to be done for a plan, step by step. */
    public RunSheet sheet(Plan plan) {
        return RunSheet.of(plan, catalogue, facts());
    }

    /** A plan on one page. */
    public Brief brief(String phone, Plan plan, LocalDate day) {
        return new Brief(phone, plan, replay(plan), account(plan), wayBack(plan), day);
    }

    /** What files are held against. */
    public CheckContext against() {
        return new CheckContext(facts(), catalogue, wish.school());
    }
}
