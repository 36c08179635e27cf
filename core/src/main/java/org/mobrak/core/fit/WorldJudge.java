package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.identity.check.BatterySafety;

/**
 * Judges routes in one world: of each fact one value counts, or none is known. Most routes share their conditions, so each
 * condition is judged once. For one thread only.
 */
final class WorldJudge {
    private final Catalogue catalogue;
    private final Facts facts;
    private final Optional<School> choice;
    private final ConditionJudge conditions;
    private final Optional<Clause> battery;
    private final DangerJudge dangers;
    private final boolean modelOfAForeignSystem;
    private final Map<School, TargetJudge> bySchool = new EnumMap<>(School.class);
    private final Map<Condition, Clause> judged = new HashMap<>();
    private final Function<Route, List<Clause>> targets;

    WorldJudge(
            Catalogue catalogue,
            Facts facts,
            Optional<School> choice,
            Optional<Function<Route, List<Clause>>> targets) {
        this.catalogue = catalogue;
        this.facts = facts;
        this.choice = choice;
        this.conditions = new ConditionJudge(facts, catalogue);
        this.battery = BatterySafety.stop(facts)
                .map(stop -> Clause.of(Clause.Kind.BATTERY, "Battery", Truth.NO, stop.message()));
        this.dangers = new DangerJudge(facts, catalogue, conditions);
        this.modelOfAForeignSystem = isModelOfAForeignSystem(facts);
        this.targets = targets.orElse(this::target);
    }

    /**
     * Every clause of a route: whom it was made for, a battery that forbids all work, what a danger forbids, and its conditions
     * in their order.
     */
    List<Clause> clauses(Route route) {
        List<Clause> clauses = new ArrayList<>(targets.apply(route));
        evidence(route, clauses).ifPresent(clauses::add);
        battery(route).ifPresent(clauses::add);
        if (clauses.isEmpty() || !isForAnotherPhone(clauses.get(0))) {
            clauses.addAll(dangers(route).clauses(route));
        }
        List<Condition> requires = route.fits().requires();
        List<Clause> own = new ArrayList<>(requires.size());
        requires.forEach(condition -> own.add(clause(condition)));
        clauses.addAll(new WhateverItIs(catalogue, facts, requires, ConditionJudge::judge).settle(own));
        return clauses;
    }

    /** Only that it has failed on this very build; what worked is no condition. */
    private Optional<Clause> evidence(Route route, List<Clause> target) {
        boolean another = target.stream().anyMatch(clause -> clause.result() == Truth.NO);
        return route.reports().isEmpty() || another
                ? Optional.empty()
                : Evidence.of(route, facts)
                        .doubt()
                        .map(doubt -> Clause.of(Clause.Kind.EVIDENCE, "Reports", Truth.YES, "People have tried it.")
                                .doubting(doubt));
    }

    private static boolean isForAnotherPhone(Clause first) {
        return first.kind() == Clause.Kind.MODEL && first.result() == Truth.NO;
    }

    /** What mends a trouble is never refused by that trouble. */
    private DangerJudge dangers(Route route) {
        if (!mends(route)) {
            return dangers;
        }
        Facts without = facts.after(Map.of(Fact.TROUBLE, Optional.empty()));
        return new DangerJudge(without, catalogue, new ConditionJudge(without, catalogue));
    }

    private Optional<Clause> battery(Route route) {
        return battery.isPresent() && mends(route)
                ? BatterySafety.stop(facts.after(Map.of(Fact.TROUBLE, Optional.empty())))
                        .map(stop -> battery.get())
                : battery;
    }

    private boolean mends(Route route) {
        Optional<String> trouble = facts.value(Fact.TROUBLE);
        return trouble.isPresent()
                && route.fits().requires().stream()
                        .anyMatch(condition -> condition instanceof Condition.OneOf some
                                && some.fact() == Fact.TROUBLE
                                && some.values().contains(trouble.get()));
    }

    Clause clause(Condition condition) {
        return judged.computeIfAbsent(condition, conditions::judge);
    }

    /** Only the clauses that ask whom the route was made for. */
    List<Clause> target(Route route) {
        List<Clause> clauses = bySchool.computeIfAbsent(
                        School.forRoute(route, choice),
                        school -> new TargetJudge(facts, catalogue.rulers(), school, conditions))
                .judge(route);
        return modelOfAForeignSystem && route.writesPartitions()
                ? clauses.stream().map(clause -> doubted(clause, route)).toList()
                : clauses;
    }

    /** Another OS may show another model; before something that can end the phone is written, the phone itself must say it. */
    private static Clause doubted(Clause clause, Route route) {
        if (clause.kind() != Clause.Kind.MODEL || clause.result() != Truth.YES) {
            return clause;
        }
        String why =
                "Only a system that is not the maker’s has named the model, and such a system can name another one.";
        return route.canBrickForGood()
                ? clause.torn(
                        Set.of(Fact.MODEL),
                        clause.reason() + " " + why
                                + " Read it from the label, the bootloader or the download-mode screen first.")
                : clause.doubting(why);
    }

    private static boolean isModelOfAForeignSystem(Facts facts) {
        Belief model = facts.belief(Fact.MODEL);
        boolean onlyTheSystem = !model.readings().isEmpty()
                && model.readings().stream().map(Reading::source).allMatch(Source::isOfTheOs);
        return onlyTheSystem && isForeign(facts);
    }

    /** Marks that no build has which a maker sold. */
    private static boolean isForeign(Facts facts) {
        return Stream.of(
                        facts.value(Fact.OS_KIND).filter("custom"::equals),
                        facts.value(Fact.BUILD_TAGS)
                                .filter(tags -> tags.contains("test-keys") || tags.contains("dev-keys")),
                        facts.value(Fact.BUILD_TYPE).filter(type -> !type.equals("user")))
                .anyMatch(Optional::isPresent);
    }
}
