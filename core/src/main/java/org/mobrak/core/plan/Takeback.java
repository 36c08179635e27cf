package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Something that is otherwise than it was before the work, and whether it can be taken back from how the phone stands now.
 *
 * @param standing whether a plan of the catalogue brings it back
 */
public record Takeback(Fact fact, String before, String now, Standing standing, String sentence) {

    /** Whether and how it comes back. */
    public enum Standing {
        /** A plan brings it back. */
        BY_A_PLAN,
        /** Nothing in the catalogue does, for this phone as it is known. */
        NO_PLAN,
        /** Nothing can: a fuse, a counter, a revision that a fuse holds, data that no backup has. */
        NEVER
    }

    /**
     * What was so before the work, and what it did besides.
     *
     * @param facts what was believed of the phone for certain
     * @param supposed the facts of which nothing was known, so that what is usual stands in {@code facts}
     * @param wiped whether its data was wiped
     * @param backedUp whether a backup of it was noted before
     * @param paid what was paid for, which stays with this phone
     */
    public record Before(
            Map<Fact, String> facts, Set<Fact> supposed, boolean wiped, boolean backedUp, Optional<String> paid) {
        public Before {
            facts = Map.copyOf(facts);
            supposed = Set.copyOf(supposed);
        }
    }

    /** Everything that is otherwise: the states first, then what is gone whatever is planned. */
    public static List<Takeback> of(Before before, Facts now, Catalogue catalogue) {
        List<Takeback> all = new ArrayList<>();
        changed(before, now).forEach((fact, was) -> all.add(of(fact, was, before, now, catalogue)));
        all.addAll(never(before, now));
        return List.copyOf(all);
    }

    /** The goal that brings back what some plan brings back; empty where nothing does or need be. */
    public static Optional<Goal> goal(List<Takeback> all) {
        return Goal.asBefore(all.stream()
                .filter(one -> one.standing() == Standing.BY_A_PLAN)
                .collect(Collectors.toMap(Takeback::fact, Takeback::before)));
    }

    /** The states that are known to be otherwise than they were. */
    private static Map<Fact, String> changed(Before before, Facts now) {
        Map<Fact, String> changed = new EnumMap<>(Fact.class);
        Goal.states().stream()
                .filter(before.facts()::containsKey)
                .filter(fact -> now.value(fact)
                        .filter(value -> !value.equals(before.facts().get(fact)))
                        .isPresent())
                .forEach(fact -> changed.put(fact, before.facts().getOrDefault(fact, "")));
        return changed;
    }

    private static Takeback of(Fact fact, String was, Before before, Facts now, Catalogue catalogue) {
        String is = now.value(fact).orElse("");
        Planner.Answer answer = Goal.asBefore(Map.of(fact, was))
                .map(goal -> Planner.plan(goal, catalogue, now, Optional.empty(), Limits.none()))
                .orElseThrow();
        Optional<Plan> plan = answer.plans().stream().findFirst();
        String by = plan.map(way -> "by “" + names(way) + "”" + loss(way))
                .orElseGet(() -> answer.blockers().stream()
                        .filter(blocker -> !blocker.contains(answer.goal().label()))
                        .findFirst()
                        .orElse("Nothing in the catalogue brings that back for this phone."));
        return new Takeback(
                fact,
                was,
                is,
                plan.isPresent() ? Standing.BY_A_PLAN : Standing.NO_PLAN,
                (plan.isPresent()
                                ? "%s is %s now; back to %s %s.".formatted(fact.label(), is, was, by)
                                : "%s is %s now and was %s. %s".formatted(fact.label(), is, was, by))
                        + (before.supposed().contains(fact)
                                ? " It was not read before; this is the usual state."
                                : ""));
    }

    private static String names(Plan plan) {
        return plan.routes().stream()
                .filter(route -> !route.isHousekeeping())
                .map(Route::name)
                .collect(Collectors.joining("”, “"));
    }

    private static String loss(Plan plan) {
        return plan.cost().dataLoss() ? ", which wipes the data" : "";
    }

    private static List<Takeback> never(Before before, Facts now) {
        List<Takeback> never = new ArrayList<>();
        if (is(before, Fact.WARRANTY_FUSE, "intact")
                && now.value(Fact.WARRANTY_FUSE).filter("blown"::equals).isPresent()) {
            never.add(never(
                    Fact.WARRANTY_FUSE,
                    "intact",
                    "blown",
                    "The warranty fuse is blown. It stays so, whatever is written."));
        }
        counter(before, now).ifPresent(never::add);
        rollback(before, now).ifPresent(never::add);
        if (before.wiped()) {
            never.add(wiped(before.backedUp()));
        }
        before.paid()
                .ifPresent(money -> never.add(never(
                        Fact.MODEL,
                        "",
                        "",
                        "What was paid (%s) is tied to this phone; a licence does not come back.".formatted(money))));
        return never;
    }

    private static Takeback wiped(boolean backedUp) {
        return backedUp
                ? new Takeback(
                        Fact.APP_BACKUP,
                        "",
                        "",
                        Standing.NO_PLAN,
                        "The data was wiped. A backup was noted before: put it back by hand, if it does not lie on the phone itself.")
                : never(
                        Fact.APP_BACKUP,
                        "",
                        "",
                        "The data was wiped, and no backup of it was noted. What no backup has is gone.");
    }

    private static Optional<Takeback> counter(Before before, Facts now) {
        Optional<String> is = now.value(Fact.CUSTOM_WRITES);
        Optional<String> was = Optional.ofNullable(before.facts().get(Fact.CUSTOM_WRITES));
        return is.isPresent() && was.isPresent() && !is.equals(was)
                ? Optional.of(never(
                        Fact.CUSTOM_WRITES,
                        was.get(),
                        is.get(),
                        "The counter of custom writes was %s and is %s. It counts on and never back."
                                .formatted(was.get(), is.get())))
                : Optional.empty();
    }

    /** A phone with a rollback fuse refuses to start with an older bootloader than it has run. */
    private static Optional<Takeback> rollback(Before before, Facts now) {
        Optional<String> is = now.value(Fact.BOOTLOADER);
        Optional<String> was = Optional.ofNullable(before.facts().get(Fact.BOOTLOADER));
        boolean fused = now.value(Fact.ROLLBACK_FUSE).filter("present"::equals).isPresent();
        return fused && is.isPresent() && was.isPresent() && !is.equals(was)
                ? Optional.of(never(
                        Fact.BOOTLOADER,
                        was.get(),
                        is.get(),
                        "The bootloader was %s and is %s. This phone does not start with an older one than it has run."
                                .formatted(was.get(), is.get())))
                : Optional.empty();
    }

    private static boolean is(Before before, Fact fact, String value) {
        return value.equals(before.facts().get(fact));
    }

    private static Takeback never(Fact fact, String was, String is, String sentence) {
        return new Takeback(fact, was, is, Standing.NEVER, sentence);
    }
}
