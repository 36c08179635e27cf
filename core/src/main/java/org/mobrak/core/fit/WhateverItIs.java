package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Conditions that are open only because one fact that nobody has read stands in them more than once. Kleene's logic is exact as
 * long as every fact stands once; where one stands twice, “locked or unlocked” would be open for ever. So such facts are tried
 * with every value they can have, as long as these are few.
 */
final class WhateverItIs {
    /** So many values in all are tried; with more, what is open stays open. */
    private static final int MOST_WORLDS = 100;

    private final Catalogue catalogue;
    private final Facts facts;
    private final List<Condition> conditions;
    private final BiFunction<ConditionJudge, Condition, Clause> judged;

    /**
     * For some conditions in one world.
     *
     * @param judged how they are judged: what is allowed narrowly, what is dangerous widely
     */
    WhateverItIs(
            Catalogue catalogue,
            Facts facts,
            List<Condition> conditions,
            BiFunction<ConditionJudge, Condition, Clause> judged) {
        this.catalogue = catalogue;
        this.facts = facts;
        this.conditions = conditions;
        this.judged = judged;
    }

    /** The same clauses, those settled that come to the same whatever the value is. */
    List<Clause> settle(List<Clause> clauses) {
        boolean open = false;
        for (Clause clause : clauses) {
            if (clause.result() == Truth.NO) {
                return clauses;
            }
            open |= clause.result() == Truth.UNKNOWN;
        }
        List<Fact> repeated = open ? repeated() : List.of();
        return repeated.isEmpty() ? clauses : settle(clauses, worlds(repeated), repeated);
    }

    private List<Fact> repeated() {
        Set<Fact> once = new HashSet<>();
        Set<Fact> more = new HashSet<>();
        conditions.stream()
                .flatMap(Condition::facts)
                .filter(fact ->
                        !fact.domain().words().isEmpty() && facts.value(fact).isEmpty())
                .forEach(fact -> {
                    if (!once.add(fact)) {
                        more.add(fact);
                    }
                });
        List<Fact> few = new ArrayList<>();
        int worlds = 1;
        for (Fact fact : more.stream().sorted().toList()) {
            worlds *= fact.domain().words().size();
            if (worlds <= MOST_WORLDS) {
                few.add(fact);
            }
        }
        return few;
    }

    private List<Facts> worlds(List<Fact> repeated) {
        List<Map<Fact, String>> values = List.of(Map.of());
        for (Fact fact : repeated) {
            List<Map<Fact, String>> longer = new ArrayList<>();
            for (Map<Fact, String> some : values) {
                for (String word : fact.domain().words()) {
                    Map<Fact, String> more = new EnumMap<>(Fact.class);
                    more.putAll(some);
                    more.put(fact, word);
                    longer.add(more);
                }
            }
            values = longer;
        }
        return values.stream().map(facts::supposing).toList();
    }

    private List<Clause> settle(List<Clause> clauses, List<Facts> worlds, List<Fact> repeated) {
        List<List<Clause>> results = worlds.stream()
                .map(world -> new ConditionJudge(world, catalogue))
                .map(judge -> conditions.stream()
                        .map(condition -> judged.apply(judge, condition))
                        .toList())
                .toList();
        String whatever = "Whatever "
                + String.join(" and ", repeated.stream().map(Fact::inSentence).toList());
        List<Clause> settled = new ArrayList<>();
        for (int i = 0; i < clauses.size(); i++) {
            int at = i;
            List<Clause> told = results.stream().map(world -> world.get(at)).toList();
            Clause clause = clauses.get(i);
            boolean open = clause.result() == Truth.UNKNOWN;
            boolean always = told.stream().allMatch(one -> one.result() == Truth.YES);
            settled.add(open && always ? worst(told).turnedTo(Truth.YES, whatever + " is, this holds.") : clause);
        }
        if (results.stream().allMatch(world -> world.stream().anyMatch(one -> one.result() == Truth.NO))) {
            int first = 0;
            while (settled.get(first).result() != Truth.UNKNOWN) {
                first++;
            }
            settled.set(
                    first,
                    settled.get(first)
                            .turnedTo(Truth.NO, whatever + " is, the conditions of this route do not hold together."));
        }
        return settled;
    }

    /** It holds in each of the worlds, but it is to be doubted as much as in the worst of them. */
    private static Clause worst(List<Clause> told) {
        return told.stream().max(Comparator.comparingInt(Clause::doubtWeight)).orElseThrow();
    }
}
