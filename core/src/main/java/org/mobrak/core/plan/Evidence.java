package org.mobrak.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.commons.statistics.interval.BinomialConfidenceInterval;
import org.apache.commons.statistics.interval.Interval;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;

/** What people reported of a route: how often it was tried and how often it worked. */
public record Evidence(int worked, int tried) {
    private static final double ALPHA = 0.05;

    public static Evidence of(Route route) {
        List<Route.Report> reports = route.reports();
        return new Evidence((int) reports.stream().filter(Route.Report::worked).count(), reports.size());
    }

    /**
     * The lower end of Wilson's 95 % score interval for the chance of success (E. B. Wilson, J. Am. Stat. Assoc. 22, 1927);
     * 0 where nobody reported, because nothing is known.
     */
    public double lowerBound() {
        return tried == 0 ? 0 : wilson().getLowerBound();
    }

    /** The upper end of the same interval; 1 where nobody reported. */
    public double upperBound() {
        return tried == 0 ? 1 : wilson().getUpperBound();
    }

    /** The share that worked; no number where nobody reported. */
    public double rate() {
        return tried == 0 ? Double.NaN : (double) worked / tried;
    }

    /** A sentence for a person; without reports it says so and gives no number. */
    public String sentence() {
        if (tried == 0) {
            return "No evidence: nobody has reported this route yet.";
        }
        Interval interval = wilson();
        return "%d of %d reports say it worked (95 %% interval: %.0f to %.0f %%)."
                .formatted(worked, tried, 100 * interval.getLowerBound(), 100 * interval.getUpperBound());
    }

    private Interval wilson() {
        return BinomialConfidenceInterval.WILSON_SCORE.fromErrorRate(tried, worked, ALPHA);
    }

    /**
     * A ranking aid, not a probability: the severity of the worst partition written × (1 − {@link #lowerBound()}), from 0
     * to 10.
     */
    public static double riskPoints(Route route) {
        return worst(route).map(PartitionClass::severity).orElse(0)
                * (1 - of(route).lowerBound());
    }

    /** The partition on which a bad write would be hardest to come back from. */
    static Optional<PartitionClass> worst(Route route) {
        return route.changes().writes().stream().max(Comparator.comparingInt(PartitionClass::severity));
    }
}
