package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Puts plans that nothing beats in a row, and picks a few that between them show what there is to choose from. */
final class PlanSelection {
    private static final int MOST = 5;
    private static final Comparator<Plan> MILDEST_FIRST = Comparator.comparing(
                    Plan::cost,
                    Comparator.comparingInt((Cost cost) -> cost.marks().size())
                            .thenComparing(Cost::dataLoss)
                            .thenComparingDouble(Cost::miss)
                            .thenComparingInt(Cost::doubt)
                            .thenComparingDouble(Cost::riskPoints)
                            .thenComparingDouble(Cost::money)
                            .thenComparingDouble(Cost::minutes))
            .thenComparing(Plan::title);

    private PlanSelection() {}

    /** The mildest first: marks, then data, how likely it mends, doubt, risk, money and time. */
    static List<Plan> ordered(Goal goal, List<Way> ways) {
        return ways.stream()
                .map(way -> new Plan(goal, way.routes(), way.cost(), List.copyOf(way.assumptions()), Map.of()))
                .sorted(MILDEST_FIRST)
                .toList();
    }

    /** The mildest, the best in each respect, and then the next mildest, up to five; in the order given. */
    static List<Plan> of(List<Plan> ordered) {
        List<Plan> picked = new ArrayList<>();
        Stream<Plan> best = Stream.<Comparator<Cost>>of(
                        Comparator.comparingDouble(Cost::miss),
                        Comparator.comparingDouble(Cost::riskPoints),
                        Comparator.comparingInt(Cost::doubt),
                        Comparator.comparingDouble(Cost::minutes),
                        Comparator.comparingDouble(Cost::handsOn),
                        Comparator.comparingDouble(Cost::money))
                .flatMap(order -> ordered.stream().min(Comparator.comparing(Plan::cost, order)).stream());
        Stream.of(ordered.stream().limit(1), best, ordered.stream())
                .flatMap(plans -> plans)
                .filter(plan -> picked.size() < MOST && picked.stream().noneMatch(other -> other == plan))
                .forEachOrdered(picked::add);
        return ordered.stream()
                .filter(plan -> picked.stream().anyMatch(other -> other == plan))
                .toList();
    }
}
