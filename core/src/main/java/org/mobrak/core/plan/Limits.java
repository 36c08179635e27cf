package org.mobrak.core.plan;

import java.util.OptionalDouble;

/** What the user will not put up with. */
public record Limits(boolean noDataLoss, boolean noMarks, boolean noMoney, OptionalDouble minutes) {

    public static Limits none() {
        return new Limits(false, false, false, OptionalDouble.empty());
    }

    /** Adds one limit: {@code no-data-loss}, {@code no-marks}, {@code no-money} or {@code minutes=N}. */
    public Limits with(String word) {
        return switch (word) {
            case "no-data-loss" -> new Limits(true, noMarks, noMoney, minutes);
            case "no-marks" -> new Limits(noDataLoss, true, noMoney, minutes);
            case "no-money" -> new Limits(noDataLoss, noMarks, true, minutes);
            default -> new Limits(noDataLoss, noMarks, noMoney, OptionalDouble.of(minutesOf(word)));
        };
    }

    private static double minutesOf(String word) {
        if (!word.matches("minutes=[0-9]{1,6}")) {
            throw new IllegalArgumentException(
                    "“" + word + "” is no limit; use no-data-loss, no-marks, no-money or minutes=N.");
        }
        return Double.parseDouble(word.substring("minutes=".length()));
    }

    boolean allow(Cost cost) {
        return !(noDataLoss && cost.dataLoss())
                && !(noMarks && !cost.marks().isEmpty())
                && !(noMoney && cost.money() > 0)
                && cost.minutes() <= minutes.orElse(Double.MAX_VALUE);
    }
}
