package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Mark;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Refusal;

/**
 * What the user will not put up with.
 *
 * @param minutes the most expected minutes in all
 */
public record Limits(
        boolean noDataLoss, boolean noMarks, boolean noBlownFuse, boolean noMoney, OptionalDouble minutes) {
    public static Limits none() {
        return new Limits(false, false, false, false, OptionalDouble.empty());
    }

    /** Adds one limit: {@code no-data-loss}, {@code no-marks}, {@code no-blown-fuse}, {@code no-money} or {@code minutes=N}. */
    public Limits with(String word) throws Refusal {
        return switch (word) {
            case "no-data-loss" -> new Limits(true, noMarks, noBlownFuse, noMoney, minutes);
            case "no-marks" -> new Limits(noDataLoss, true, noBlownFuse, noMoney, minutes);
            case "no-blown-fuse" -> new Limits(noDataLoss, noMarks, true, noMoney, minutes);
            case "no-money" -> new Limits(noDataLoss, noMarks, noBlownFuse, true, minutes);
            default -> new Limits(noDataLoss, noMarks, noBlownFuse, noMoney, OptionalDouble.of(minutesOf(word)));
        };
    }

    private static double minutesOf(String word) throws Refusal {
        if (!word.matches("minutes=[0-9]{1,6}")) {
            throw new Refusal(
                    "“" + word + "” is no limit; use no-data-loss, no-marks, no-blown-fuse, no-money or minutes=N.");
        }
        return Double.parseDouble(word.substring("minutes=".length()));
    }

    /** The limits as the words by which they are added. */
    public List<String> words() {
        List<String> words = new ArrayList<>();
        if (noDataLoss) {
            words.add("no-data-loss");
        }
        if (noMarks) {
            words.add("no-marks");
        }
        if (noBlownFuse) {
            words.add("no-blown-fuse");
        }
        if (noMoney) {
            words.add("no-money");
        }
        minutes.ifPresent(most -> words.add("minutes=%.0f".formatted(most)));
        return words;
    }

    /** The catalogue as it is to be searched: who must not lose data takes the light wipe wherever there is a choice. */
    Catalogue choosing(Catalogue catalogue) {
        return noDataLoss
                ? catalogue.with(
                        catalogue.routes().stream().map(Route::withLightWipe).toList())
                : catalogue;
    }

    boolean allow(Cost cost) {
        return !(noDataLoss && cost.dataLoss())
                && !(noMarks && !cost.marks().isEmpty())
                && !(noMoney && cost.money() > 0)
                && cost.minutes() <= minutes.orElse(Double.MAX_VALUE);
    }

    /** Whether a route may be taken on this phone; a fuse that has blown cannot blow again. */
    boolean allow(Route route, Facts facts) {
        return !noBlownFuse || fuse(route, facts).isEmpty();
    }

    private static Optional<Mark> fuse(Route route, Facts facts) {
        return route.marks().stream()
                .filter(mark -> mark.is(Fact.WARRANTY_FUSE) && !mark.isBorneBy(facts))
                .findFirst();
    }

    /** Which limits a way breaks, each in a sentence with what breaks it. */
    List<String> broken(Way way, Facts facts) {
        List<String> broken = new ArrayList<>();
        if (noDataLoss) {
            naming(way, route -> route.changes().wipesData(), "wipes", "wipe")
                    .ifPresent(who -> broken.add("Limit “no data loss”: " + who + " the data."));
        }
        if (noMarks && !way.cost().marks().isEmpty()) {
            broken.add("Limit “no permanent marks”: it would leave for good: "
                    + String.join(", ", way.cost().marks()) + ".");
        }
        if (noBlownFuse) {
            naming(way, route -> fuse(route, facts).isPresent(), "blows", "blow")
                    .ifPresent(who -> broken.add("Limit “no blown fuse”: " + who + " the warranty fuse."));
        }
        if (noMoney && way.cost().money() > 0) {
            naming(way, route -> Cost.of(route, facts).money() > 0, "costs", "cost")
                    .ifPresent(who -> broken.add("Limit “no money”: " + who + " money."));
        }
        if (way.cost().minutes() > minutes.orElse(Double.MAX_VALUE)) {
            broken.add(String.format(
                    Locale.ROOT,
                    "Limit of %.0f minutes: the work takes about %.0f.",
                    minutes.getAsDouble(),
                    way.cost().minutes()));
        }
        return broken;
    }

    /** Who breaks it, with what one of them does, or several do. */
    private static Optional<String> naming(Way way, Predicate<Route> breaks, String does, String several) {
        List<String> names = way.routes().stream()
                .filter(breaks)
                .map(route -> "“" + route.name() + "”")
                .distinct()
                .toList();
        return names.isEmpty()
                ? Optional.empty()
                : Optional.of(String.join(" and ", names) + " " + (names.size() == 1 ? does : several));
    }
}
