package org.mobrak.core.fit;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.statistics.interval.BinomialConfidenceInterval;
import org.apache.commons.statistics.interval.Interval;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * What people reported of a route: how often it was tried and how often it worked, on the phones nearest to this one of which
 * anybody reported. What happened on this very build counts before all that happened elsewhere.
 */
public record Evidence(Group group, int worked, int tried) {
    private static final double ALPHA = 0.05;
    private static final double HALF = 0.5;

    /** How near the phones of some reports are to this one, and how much less such reports count (our own choice). */
    public enum Group {
        THIS_BUILD("on this very build", "this build", 1),
        THIS_VERSION("on other builds of this OS version", "this version", 0.5),
        THIS_MODEL("on other OS versions of this model", "this model", 0.4),
        OTHER_MODELS("on other models", "other models", 0.25),
        /** Nobody has read which phone this is. */
        ANY_PHONE("on any phone", "any phone", 1);

        private final String words;
        private final String inShort;
        private final double weight;

        Group(String words, String inShort, double weight) {
            this.words = words;
            this.inShort = inShort;
            this.weight = weight;
        }

        /** The same where there is little room. */
        public String inShort() {
            return inShort;
        }

        /** For a person, behind a number of reports. */
        public String words() {
            return words;
        }
    }

    /** The reports of the nearest group that has any. */
    public static Evidence of(Route route, Facts facts) {
        int[] worked = new int[Group.values().length];
        int[] tried = new int[Group.values().length];
        for (Route.Report report : route.reports()) {
            int group = group(report, route, facts).ordinal();
            tried[group]++;
            worked[group] += report.worked() ? 1 : 0;
        }
        for (Group group : Group.values()) {
            if (tried[group.ordinal()] > 0) {
                return new Evidence(group, worked[group.ordinal()], tried[group.ordinal()]);
            }
        }
        return new Evidence(Group.ANY_PHONE, 0, 0);
    }

    private static Group group(Route.Report report, Route route, Facts facts) {
        Optional<String> model = facts.value(Fact.MODEL);
        if (model.isEmpty()) {
            return Group.ANY_PHONE;
        }
        if (!model.get().equals(report.model())) {
            return Group.OTHER_MODELS;
        }
        boolean sameBuild = BuildNames.FACTS.stream()
                .anyMatch(
                        name -> facts.value(name).filter(report.build()::equals).isPresent());
        if (sameBuild) {
            return Group.THIS_BUILD;
        }
        return versionOf(report.build(), route)
                        .filter(version -> facts.value(Fact.OS_VERSION)
                                .filter(version::equals)
                                .isPresent())
                        .isPresent()
                ? Group.THIS_VERSION
                : Group.THIS_MODEL;
    }

    /** The OS version that a route lists a build for. */
    private static Optional<String> versionOf(String build, Route route) {
        return route.fits().phones().stream()
                .filter(entry -> entry.builds().contains(build))
                .flatMap(entry -> entry.osVersion().stream())
                .findFirst();
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

    /** The lower bound, less where the reports are of other phones: what counts when routes are compared. */
    public double counting() {
        return lowerBound() * group.weight;
    }

    /**
     * That it has failed on this very build, however many it worked for elsewhere; strongly where it fails more often than not by
     * the whole interval.
     */
    Optional<Clause.Doubt> doubt() {
        if (group != Group.THIS_BUILD || worked > 0 && upperBound() >= HALF) {
            return Optional.empty();
        }
        boolean strong = upperBound() < HALF;
        String words = "%s%d of %d reports of this very build say it worked."
                .formatted(strong ? "Strong caution: " : "", worked, tried);
        return Optional.of(new Clause.Doubt(words, strong));
    }

    /** A sentence for a person; without reports it says so and gives no number. */
    public String sentence() {
        if (tried == 0) {
            return "No reports yet for this route.";
        }
        Interval interval = wilson();
        return String.format(
                Locale.ROOT,
                "%d of %d reports %s say it worked (95 %% interval: %.0f to %.0f %%).",
                worked,
                tried,
                group.words,
                100 * interval.getLowerBound(),
                100 * interval.getUpperBound());
    }

    private Interval wilson() {
        return BinomialConfidenceInterval.WILSON_SCORE.fromErrorRate(tried, worked, ALPHA);
    }

    /**
     * A ranking aid, not a probability: the severity of the worst partition written × (1 − {@link #counting()}), from 0 to 10.
     */
    public static double riskPoints(Route route, Facts facts) {
        return riskPoints(route, of(route, facts));
    }

    /** The same where the evidence is known already. */
    public static double riskPoints(Route route, Evidence evidence) {
        return worst(route).map(PartitionClass::severity).orElse(0) * (1 - evidence.counting());
    }

    /** The partition on which a bad write would be hardest to come back from. */
    public static Optional<PartitionClass> worst(Route route) {
        List<PartitionClass> writes = route.changes().writes();
        return writes.stream().max(Comparator.comparingInt(PartitionClass::severity));
    }
}
