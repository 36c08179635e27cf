package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Routes in a row that lead to a goal; none at all where the goal is reached already.
 *
 * @param assumptions what it takes for granted; empty for a plan that stands on what is known
 * @param supposes values of facts that nobody has read, with which it would stand on what is known, as far as they have values
 * @param warnings what is still wrong at its end, each a sentence
 */
public record Plan(
        Goal goal,
        List<Route> routes,
        Cost cost,
        List<Assumption> assumptions,
        Map<Fact, String> supposes,
        List<String> warnings) {
    public Plan {
        warnings = List.copyOf(warnings);
        routes = List.copyOf(routes);
        assumptions = List.copyOf(assumptions);
        supposes = Collections.unmodifiableMap(supposes.isEmpty() ? Map.of() : new EnumMap<>(supposes));
    }

    /** A plan of which nothing is known to be wrong at its end. */
    Plan(Goal goal, List<Route> routes, Cost cost, List<Assumption> assumptions, Map<Fact, String> supposes) {
        this(goal, routes, cost, assumptions, supposes, List.of());
    }

    /** A plan that stands on what is known. */
    public Plan(Goal goal, List<Route> routes, Cost cost) {
        this(goal, routes, cost, List.of(), Map.of());
    }

    /** The same, told what the phone is like when all is done. */
    Plan endingIn(Facts end) {
        boolean nobodyAsks = goal.wantsRoot() && !end.said(Fact.ROOT_MANAGER).equals(List.of("present"));
        String now = end.value(Fact.ROOT_MANAGER).map(state -> "is " + state).orElse("is not known");
        return nobodyAsks
                ? new Plan(
                        goal,
                        routes,
                        cost,
                        assumptions,
                        supposes,
                        List.of(
                                "Root without a root manager gives every app root. At the end of this plan the root manager "
                                        + now + ": make sure that one is there and asks."))
                : this;
    }

    /** Whether nothing is taken for granted. */
    public boolean standsOnWhatIsKnown() {
        return assumptions.isEmpty() && supposes.isEmpty();
    }

    /** What it supposes, as the beginning of a sentence: {@code If the recovery is stock (as usual)}; empty if nothing. */
    public Optional<String> supposition() {
        boolean whichPhone =
                assumptions.stream().anyMatch(assumed -> assumed.asks().contains(Fact.MODEL));
        String all = Stream.concat(
                        whichPhone
                                ? Stream.of("the readings turn out to be of the phone it is made for")
                                : Stream.empty(),
                        supposes.entrySet().stream().map(Plan::supposed))
                .collect(Collectors.joining(" and "));
        return all.isEmpty() ? Optional.empty() : Optional.of("If " + all);
    }

    private static String supposed(Map.Entry<Fact, String> one) {
        Fact fact = one.getKey();
        boolean usual = fact.usual().filter(one.getValue()::equals).isPresent();
        return fact.inSentence() + " is " + one.getValue() + (usual ? " (as usual)" : "");
    }

    /** The routes by name, in order; housekeeping goes without saying. */
    public String title() {
        return routes.isEmpty()
                ? "Nothing to do"
                : routes.stream()
                        .filter(route -> !route.isHousekeeping())
                        .map(Route::name)
                        .collect(Collectors.joining(" → "));
    }

    /** What taking this plan means, in a sentence. */
    public String tradeOffs() {
        List<String> parts = new ArrayList<>();
        parts.add("About %.0f minutes (%.0f to %.0f)".formatted(cost.minutes(), cost.minutesLow(), cost.minutesHigh()));
        parts.add(cost.dataLoss() ? "wipes the data" : "keeps the data");
        parts.add(
                cost.marks().isEmpty()
                        ? "leaves no permanent mark"
                        : "leaves for good: " + String.join(", ", cost.marks()));
        parts.add(money().map(price -> "costs money: " + price.text()).orElse("costs nothing"));
        parts.add(String.format(Locale.ROOT, "%.1f risk points", cost.riskPoints()));
        if (cost.miss() > 0) {
            parts.add("mends the cause with %.0f %% probability".formatted(100 * (1 - cost.miss())));
        }
        if (cost.doubt() > 0) {
            parts.add(cost.doubt() == 1 ? "with a caution" : "with a strong caution, or several");
        }
        return String.join("; ", parts) + ".";
    }

    /** What it costs in all; empty where it is free. A catalogue has one currency. */
    public Optional<Money> money() {
        return routes.stream()
                .flatMap(route -> route.costs().money().stream())
                .filter(price -> !price.isNothing())
                .findFirst()
                .map(price -> Money.of(cost.money(), price.currency()));
    }
}
