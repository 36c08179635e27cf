package org.mobrak.core.plan;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Mark;
import org.mobrak.core.catalogue.Minutes;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.identity.Facts;

/**
 * What a plan costs, in the eight respects in which plans are compared.
 *
 * @param marks what can never be undone
 * @param riskPoints sum over the routes; a ranking aid
 * @param money in the catalogue's one currency
 * @param handsOn expected minutes with the phone in hand
 * @param waiting expected minutes of waiting
 * @param variance of both times together, in minutes²
 * @param miss how likely it is that what it mends is not what is broken, from 0 to 1; 0 where nothing is to be mended
 * @param doubt sum over the routes of how much each is to be doubted: 1 for a caution, 2 for a strong one
 */
public record Cost(
        Set<String> marks,
        boolean dataLoss,
        double riskPoints,
        double money,
        double handsOn,
        double waiting,
        double variance,
        double miss,
        int doubt) {
    /** How many standard deviations from the mean the tenth and ninetieth percentile lie (normal distribution). */
    private static final double Z90 = 1.2816;

    public Cost {
        // In their order, so that what is shown is the same each time.
        marks = marks.isEmpty() ? Set.of() : Collections.unmodifiableSet(new TreeSet<>(marks));
    }

    /** One that nothing speaks against. */
    public Cost(
            Set<String> marks,
            boolean dataLoss,
            double riskPoints,
            double money,
            double handsOn,
            double waiting,
            double variance) {
        this(marks, dataLoss, riskPoints, money, handsOn, waiting, variance, 0, 0);
    }

    static Cost none() {
        return new Cost(Set.of(), false, 0, 0, 0, 0, 0);
    }

    /** Of one route alone, on a phone that bears some marks already: its estimates, and the time its files take to get there. */
    static Cost of(Route route, Facts facts) {
        Minutes hands = route.handsOn();
        Minutes wait = route.waiting();
        return new Cost(
                marks(route, facts),
                route.changes().wipesData(),
                Evidence.riskPoints(route, facts),
                route.costs()
                        .money()
                        .map(Money::amount)
                        .map(BigDecimal::doubleValue)
                        .orElse(0.0),
                hands.mean(),
                wait.mean() + Transfer.minutes(route),
                hands.variance() + wait.variance());
    }

    private static Set<String> marks(Route route, Facts facts) {
        return route.marks().stream()
                .filter(mark -> !mark.isBorneBy(facts))
                .map(Mark::words)
                .collect(Collectors.toSet());
    }

    Cost plus(Cost other) {
        return new Cost(
                union(marks, other.marks),
                dataLoss || other.dataLoss,
                riskPoints + other.riskPoints,
                money + other.money,
                handsOn + other.handsOn,
                waiting + other.waiting,
                variance + other.variance,
                Math.max(miss, other.miss),
                doubt + other.doubt);
    }

    /** The same with more to be wary of. */
    Cost doubted(int more) {
        return more == 0
                ? this
                : new Cost(marks, dataLoss, riskPoints, money, handsOn, waiting, variance, miss, doubt + more);
    }

    /** The same where what it mends is what is broken only so likely, from 0 to 1. */
    Cost mendingWith(double probability) {
        return new Cost(marks, dataLoss, riskPoints, money, handsOn, waiting, variance, 1 - probability, doubt);
    }

    private static Set<String> union(Set<String> some, Set<String> more) {
        if (some.isEmpty() || more.isEmpty()) {
            return some.isEmpty() ? more : some;
        }
        Set<String> all = new TreeSet<>(some);
        all.addAll(more);
        return all;
    }

    /** Grows with every respect, so that a way is never lighter than one that beats it. */
    double weight() {
        return marks.size() + (dataLoss ? 1 : 0) + riskPoints + money + handsOn + waiting + miss + doubt;
    }

    /** Whether this is no worse in any respect. */
    boolean atMost(Cost other) {
        return other.marks.containsAll(marks)
                && (!dataLoss || other.dataLoss)
                && riskPoints <= other.riskPoints
                && money <= other.money
                && handsOn <= other.handsOn
                && waiting <= other.waiting
                && miss <= other.miss
                && doubt <= other.doubt;
    }

    /** Whether this is better than another in some respect and worse in none. */
    boolean beats(Cost other) {
        return atMost(other) && !other.atMost(this);
    }

    /** Expected minutes in all. */
    public double minutes() {
        return handsOn + waiting;
    }

    /** Nine times in ten it takes longer than this, in minutes. */
    public double minutesLow() {
        return Math.max(0, minutes() - Z90 * Math.sqrt(variance));
    }

    /** Nine times in ten it takes no longer than this, in minutes. */
    public double minutesHigh() {
        return minutes() + Z90 * Math.sqrt(variance);
    }
}
