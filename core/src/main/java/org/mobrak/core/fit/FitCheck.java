package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Holds every route of a catalogue against the facts of one phone.
 *
 * <p>Whether a no can be turned by another route is found by growing the set of routes that are open: first those that
 * nothing refuses, then those whose every no is turned by an effect of an open one, until none is added. What routes bring
 * about is drawn from few words, so many share it and each round looks only at what is new ({@link TurningRoutes}).
 */
public final class FitCheck {
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;

    public FitCheck(Catalogue catalogue, Facts facts, Optional<School> choice) {
        this.catalogue = catalogue;
        this.facts = facts;
        this.choice = choice;
    }

    /** The verdict on every route, in the catalogue's order. */
    public List<RouteFit> routes() {
        RouteJudge judge = new RouteJudge(catalogue, facts, choice);
        TurningRoutes turning = new TurningRoutes(catalogue, facts, judge);
        List<RouteFit> fits = new ArrayList<>(catalogue.routes().size());
        List<Integer> shut = new ArrayList<>();
        for (Route route : catalogue.routes()) {
            RouteFit alone = RouteFit.of(route, judge.clauses(route));
            if (alone.verdict() != Verdict.REFUSED) {
                turning.open(route);
            } else if (canBeTurned(alone)) {
                turning.shut(alone);
                shut.add(fits.size());
            }
            fits.add(alone);
        }
        open(shut, fits, turning);
        return List.copyOf(fits);
    }

    private void open(List<Integer> shut, List<RouteFit> fits, TurningRoutes turning) {
        while (turning.settle()) {
            for (int index : shut) {
                boolean wasShut = fits.get(index).verdict() == Verdict.REFUSED;
                fits.set(index, helped(fits.get(index), turning));
                if (wasShut && fits.get(index).verdict() != Verdict.REFUSED) {
                    turning.open(fits.get(index).route());
                }
            }
        }
    }

    /** The clauses of one route as the facts stand, with no help from other routes. */
    public static RouteFit alone(Catalogue catalogue, Route route, Facts facts, Optional<School> choice) {
        return RouteFit.of(route, new RouteJudge(catalogue, facts, choice).clauses(route));
    }

    /** Why nothing at all may be done to a phone as the facts stand; empty where something may. */
    public static Optional<String> everythingForbidden(Catalogue catalogue, Facts facts) {
        return new DangerJudge(facts, catalogue, new ConditionJudge(facts, catalogue)).everything();
    }

    /** The facts on which the dangers turn that stop something as the facts stand. */
    public static Set<Fact> endangering(Catalogue catalogue, Facts facts) {
        return new DangerJudge(facts, catalogue, new ConditionJudge(facts, catalogue)).turning();
    }

    /** Whether a condition holds as the facts stand. */
    public static Truth holds(Catalogue catalogue, Condition condition, Facts facts) {
        return new RouteJudge(catalogue, facts, Optional.empty())
                .clause(condition)
                .result();
    }

    /** Whether a route lists the phone's exact build; empty for a route to which the phone does not matter. */
    public static Optional<Clause> listedBuild(Catalogue catalogue, Route route, Facts facts) {
        return new RouteJudge(catalogue, facts, Optional.of(School.EXACT))
                .target(route).stream()
                        .filter(clause -> clause.kind() == Clause.Kind.BUILD)
                        .findFirst();
    }

    /**
     * A route for another model, or a battery that may burn, no other route turns. Whether a route was made for the phone's
     * software and bootloader, one that writes others may, and a danger one that ends it; the conditions stand last, in their order.
     */
    private static boolean canBeTurned(RouteFit fit) {
        int fixed = fit.clauses().size() - fit.route().fits().requires().size();
        for (int i = 0; i < fixed; i++) {
            Clause clause = fit.clauses().get(i);
            if (clause.result() == Truth.NO && !clause.kind().canBeTurned()) {
                return false;
            }
        }
        return true;
    }

    /** What would have to hold for a danger to be gone. */
    static Condition ruledOut(Catalogue catalogue, Clause danger) {
        return catalogue.danger(danger.name()).orElseThrow().ruledOut();
    }

    private RouteFit helped(RouteFit fit, TurningRoutes turning) {
        List<Condition> requires = fit.route().fits().requires();
        List<Clause> clauses = new ArrayList<>(fit.clauses());
        int fixed = clauses.size() - requires.size();
        for (int i = 0; i < fixed; i++) {
            Clause clause = clauses.get(i);
            if (clause.refuses()) {
                Optional<Route> helper = clause.kind() == Clause.Kind.DANGER
                        ? turning.helper(ruledOut(catalogue, clause), fit.route())
                        : turning.versionHelper(fit.route(), choice);
                clauses.set(
                        i, helper.map(route -> clause.mendedBy(route.name())).orElse(clause));
            }
        }
        for (int i = 0; i < requires.size(); i++) {
            Clause clause = clauses.get(fixed + i);
            if (clause.refuses()) {
                Optional<Route> helper = turning.helper(requires.get(i), fit.route());
                clauses.set(
                        fixed + i,
                        helper.map(route -> clause.mendedBy(route.name())).orElse(clause));
            }
        }
        return RouteFit.of(fit.route(), clauses);
    }
}
