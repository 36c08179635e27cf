package org.mobrak.core.plan;

import java.util.OptionalDouble;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * What the user will not put up with.
 *
 * @param minutes the most expected minutes in all
 */
public record Limits(
        boolean noDataLoss, boolean noMarks, boolean noBlownFuse, boolean noMoney, OptionalDouble minutes) {
    private static final String BLOWN = "blown";

    public static Limits none() {
        return new Limits(false, false, false, false, OptionalDouble.empty());
    }

    /** Adds one limit: {@code no-data-loss}, {@code no-marks}, {@code no-blown-fuse}, {@code no-money} or {@code minutes=N}. */
    public Limits with(String word) {
        return switch (word) {
            case "no-data-loss" -> new Limits(true, noMarks, noBlownFuse, noMoney, minutes);
            case "no-marks" -> new Limits(noDataLoss, true, noBlownFuse, noMoney, minutes);
            case "no-blown-fuse" -> new Limits(noDataLoss, noMarks, true, noMoney, minutes);
            case "no-money" -> new Limits(noDataLoss, noMarks, noBlownFuse, true, minutes);
            default -> new Limits(noDataLoss, noMarks, noBlownFuse, noMoney, OptionalDouble.of(minutesOf(word)));
        };
    }

    private static double minutesOf(String word) {
        if (!word.matches("minutes=[0-9]{1,6}")) {
            throw new IllegalArgumentException(
                    "“" + word + "” is no limit; use no-data-loss, no-marks, no-blown-fuse, no-money or minutes=N.");
        }
        return Double.parseDouble(word.substring("minutes=".length()));
    }

    boolean allow(Cost cost) {
        return !(noDataLoss && cost.dataLoss())
                && !(noMarks && !cost.marks().isEmpty())
                && !(noMoney && cost.money() > 0)
                && cost.minutes() <= minutes.orElse(Double.MAX_VALUE);
    }

    /** Whether a route may be taken on this phone; a fuse that has blown cannot blow again. */
    boolean allow(Route route, Facts facts) {
        boolean blows = BLOWN.equals(route.changes().effects().get(Fact.WARRANTY_FUSE));
        return !(noBlownFuse
                && blows
                && facts.value(Fact.WARRANTY_FUSE).filter(BLOWN::equals).isEmpty());
    }
}
