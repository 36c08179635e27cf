package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Judges routes over every world that the readings allow, with no help from other routes. Where sources disagree about a fact,
 * each value they give makes a world of its own ({@link Worlds}); a clause holds where it holds in all of them and fails where
 * it fails in all, and else it asks which reading is right. Before something that can end a phone is written, sources must not
 * disagree about anything it rests on, and before any partition is written not about which phone this is.
 *
 * <p>Cost: as many judgements as there are worlds, for those routes alone that turn on something about which sources disagree.
 * For one thread only.
 */
final class RouteJudge {
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;
    private final WorldJudge leading;
    private final Set<Fact> torn;
    private final Set<Fact> ofDangers;
    private final Map<Set<Fact>, List<WorldJudge>> others = new HashMap<>();

    private RouteJudge(
            Catalogue catalogue,
            Facts facts,
            Optional<School> choice,
            Optional<Function<Route, List<Clause>>> targets) {
        this.catalogue = catalogue;
        this.facts = facts;
        this.choice = choice;
        this.leading = new WorldJudge(catalogue, facts, choice, targets);
        this.torn = facts.torn();
        this.ofDangers = torn.isEmpty() ? Set.of() : TornFacts.ofDangers(catalogue.dangers());
    }

    RouteJudge(Catalogue catalogue, Facts facts, Optional<School> choice) {
        this(catalogue, facts, choice, Optional.empty());
    }

    /** The same phone in another state: whom a route was made for does not turn on that, so it is not judged again. */
    RouteJudge in(Catalogue catalogue, Facts other, Map<Route, List<Clause>> remembered) {
        return new RouteJudge(
                catalogue, other, choice, Optional.of(route -> remembered.computeIfAbsent(route, leading::target)));
    }

    /** Every clause of a route; its conditions stand last, in their order. */
    List<Clause> clauses(Route route) {
        if (torn.isEmpty()) {
            return leading.clauses(route);
        }
        Set<Fact> between = TornFacts.of(route, ofDangers, torn);
        return joined(route, between, judge -> judge.clauses(route));
    }

    /** Only the clauses that ask whom the route was made for. */
    List<Clause> target(Route route) {
        if (torn.isEmpty()) {
            return leading.target(route);
        }
        Set<Fact> between = TornFacts.ofTarget(route, torn);
        return joined(route, between, judge -> judge.target(route));
    }

    Clause clause(Condition condition) {
        Set<Fact> between = condition.facts().filter(torn::contains).collect(Collectors.toSet());
        if (between.isEmpty()) {
            return leading.clause(condition);
        }
        List<Clause> told =
                judges(between).stream().map(judge -> judge.clause(condition)).toList();
        return joined(told, between);
    }

    /** One for each world between some facts. */
    private List<WorldJudge> judges(Set<Fact> between) {
        return others.computeIfAbsent(
                between,
                some -> Worlds.of(facts, some).stream()
                        .map(world -> new WorldJudge(catalogue, world, choice, Optional.empty()))
                        .toList());
    }

    private List<Clause> joined(Route route, Set<Fact> between, Function<WorldJudge, List<Clause>> judged) {
        List<Clause> joined = between.isEmpty()
                ? new ArrayList<>(judged.apply(leading))
                : acrossWorlds(
                        route, between, judges(between).stream().map(judged).toList());
        boolean whoseIsTorn = torn.contains(Fact.MODEL) && route.writesPartitions();
        if (whoseIsTorn && route.fits().phones().isEmpty()) {
            joined.add(route.fits().requires().isEmpty() ? joined.size() : fixed(route, joined), tornIdentity());
        }
        return joined;
    }

    /** Where the conditions begin, if they are among the clauses at all. */
    private static int fixed(Route route, List<Clause> clauses) {
        long conditions = clauses.stream()
                .filter(clause -> clause.kind() == Clause.Kind.CONDITION)
                .count();
        return clauses.size()
                - (int) Math.min(conditions, route.fits().requires().size());
    }

    private List<Clause> acrossWorlds(Route route, Set<Fact> between, List<List<Clause>> worlds) {
        List<Clause> joined = new ArrayList<>();
        int condition = 0;
        for (Slot slot : slots(worlds)) {
            List<Clause> told =
                    worlds.stream().flatMap(world -> slot.in(world).stream()).toList();
            boolean everywhere = told.size() == worlds.size();
            Set<Fact> turning = slot.kind() == Clause.Kind.CONDITION
                    ? only(
                            between,
                            route.fits().requires().get(condition++).facts().collect(Collectors.toSet()))
                    : only(between, TornFacts.ofKind(slot.kind(), ofDangers));
            Clause one = joined(told, turning.isEmpty() ? between : turning);
            // What is a no only in some worlds, and is not even asked in others, is none for sure.
            boolean onlyInSome = !everywhere && one.result() == Truth.NO;
            Clause whole = onlyInSome ? one.torn(between, one.reason() + " " + disagree(between)) : one;
            boolean settled = slot.kind() == Clause.Kind.DANGER || !mustBeSettled(route, turning);
            joined.add(settled ? whole : settledFirst(whole, turning));
        }
        return refusedInAll(worlds, joined);
    }

    /** Where each world has a no of its own, none is left in which the route fits. */
    private static List<Clause> refusedInAll(List<List<Clause>> worlds, List<Clause> joined) {
        boolean inAll =
                worlds.stream().allMatch(world -> world.stream().anyMatch(clause -> clause.result() == Truth.NO));
        boolean told = joined.stream().anyMatch(clause -> clause.result() == Truth.NO);
        if (inAll && !told) {
            Clause first = worlds.get(0).stream()
                    .filter(clause -> clause.result() == Truth.NO)
                    .findFirst()
                    .orElseThrow();
            for (int i = 0; i < joined.size(); i++) {
                Clause one = joined.get(i);
                if (one.kind() == first.kind() && one.name().equals(first.name()) && one.result() == Truth.UNKNOWN) {
                    joined.set(
                            i,
                            one.turnedTo(
                                    Truth.NO, first.reason() + " With the other readings something else forbids it."));
                    return joined;
                }
            }
        }
        return joined;
    }

    /** A place in the row of clauses: the kind, and the number among those of the kind, or the danger's id. */
    private record Slot(Clause.Kind kind, int number, String name) {
        static List<Slot> of(List<Clause> clauses) {
            List<Slot> slots = new ArrayList<>();
            Map<Clause.Kind, Integer> seen = new HashMap<>();
            for (Clause clause : clauses) {
                boolean named = clause.kind() == Clause.Kind.DANGER;
                int number = named ? 0 : seen.merge(clause.kind(), 1, Integer::sum);
                slots.add(new Slot(clause.kind(), number, named ? clause.name() : ""));
            }
            return slots;
        }

        Optional<Clause> in(List<Clause> clauses) {
            int at = of(clauses).indexOf(this);
            return at < 0 ? Optional.empty() : Optional.of(clauses.get(at));
        }
    }

    /** Every place that some world has, conditions last. */
    private static List<Slot> slots(List<List<Clause>> worlds) {
        List<Slot> all = new ArrayList<>();
        worlds.forEach(world ->
                Slot.of(world).stream().filter(slot -> !all.contains(slot)).forEach(all::add));
        all.sort((a, b) -> Boolean.compare(a.kind() == Clause.Kind.CONDITION, b.kind() == Clause.Kind.CONDITION));
        return all;
    }

    private Clause joined(List<Clause> told, Set<Fact> between) {
        Clause first = told.get(0);
        boolean same = told.stream().allMatch(clause -> clause.result() == first.result());
        if (same) {
            return told.stream()
                    .max((a, b) -> Integer.compare(a.doubtWeight(), b.doubtWeight()))
                    .filter(clause -> clause.doubtWeight() > first.doubtWeight())
                    .orElse(first);
        }
        return first.torn(between, first.reason() + " " + disagree(between));
    }

    private String disagree(Set<Fact> between) {
        String sides = between.stream()
                .sorted()
                .map(fact -> fact.label() + " " + String.join(" or ", facts.said(fact)))
                .collect(Collectors.joining("; "));
        return "But the readings disagree (" + sides + "), and this turns on which is right.";
    }

    private static Set<Fact> only(Set<Fact> some, Set<Fact> among) {
        Set<Fact> both = EnumSet.copyOf(some);
        both.retainAll(among);
        return both;
    }

    private static boolean mustBeSettled(Route route, Set<Fact> turning) {
        return !turning.isEmpty()
                && (route.canBrickForGood() || route.writesPartitions() && turning.contains(Fact.MODEL));
    }

    private static Clause settledFirst(Clause clause, Set<Fact> turning) {
        return clause.result() == Truth.YES
                ? clause.torn(turning, clause.reason() + " Which of the readings is right must be settled first.")
                : clause;
    }

    private Clause tornIdentity() {
        String models = String.join(" and ", facts.said(Fact.MODEL));
        String reason =
                "Two sources name different phones: %s. Nothing is written before that is settled.".formatted(models);
        return Clause.asking(Fact.MODEL.label(), reason, Set.of(Fact.MODEL)).as(Clause.Kind.IDENTITY);
    }
}
