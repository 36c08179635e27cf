package org.mobrak.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.jgrapht.Graph;
import org.jgrapht.alg.shortestpath.MartinShortestPath;
import org.jgrapht.graph.DirectedWeightedPseudograph;
import org.junit.jupiter.api.Test;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * The planner's fronts against JGraphT 1.5.2, a general-purpose graph library, whose multi-objective shortest paths are those of
 * Martins (1984). The graph of states is built here, without the planner; marks and lost data do not add up along a path, so
 * these catalogues have none.
 */
class ParetoFrontTest {
    private static final Facts START = facts("lock=locked", "recovery=stock", "root=none", "card=no");
    private static final List<Map.Entry<Fact, String>> STATES = List.of(
            Map.entry(Fact.LOCK, "unlocked"),
            Map.entry(Fact.RECOVERY, "custom"),
            Map.entry(Fact.ROOT, "temporary"),
            Map.entry(Fact.ROOT, "permanent"),
            Map.entry(Fact.CARD, "yes"));

    /** One route taken in one state; edges are told apart by identity. */
    private static final class Taken {
        private final Route route;

        Taken(Route route) {
            this.route = route;
        }

        private double[] weights() {
            Cost cost = Cost.of(route, Facts.none());
            return new double[] {cost.riskPoints(), cost.money(), cost.handsOn()};
        }
    }

    @Test
    void isThatOfAGraphLibrary() {
        Random random = new Random(20261125);
        int several = 0;
        for (int round = 0; round < 120; round++) {
            Catalogue catalogue = new Catalogue(List.of(), routes(random));
            Set<List<Double>> expected = library(catalogue);
            Planner.Answer answer = Planner.plan(Goal.ROOT, catalogue, START, Optional.empty(), Limits.none());
            Set<List<Double>> found = Stream.concat(answer.plans().stream(), answer.rest().stream())
                    .map(Plan::cost)
                    .map(cost -> rounded(cost.riskPoints(), cost.money(), cost.handsOn()))
                    .collect(Collectors.toSet());
            assertThat(found).as("round %d", round).isEqualTo(expected);
            several += expected.size() > 1 ? 1 : 0;
        }
        assertThat(several).as("rounds with something to choose").isGreaterThan(40);
    }

    private static List<Route> routes(Random random) {
        List<Route> routes = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            var sample = route("r" + i)
                    .costing(random.nextInt(4) * 5, 1 + random.nextInt(20), false)
                    .writing(PartitionClass.values()[random.nextInt(5)]);
            if (random.nextInt(4) > 0) {
                var needed = STATES.get(random.nextInt(STATES.size()));
                sample.needs(needed.getKey(), needed.getValue());
            }
            var made = STATES.get(random.nextInt(STATES.size()));
            routes.add(sample.making(made.getKey(), made.getValue()));
        }
        return routes;
    }

    private static Set<List<Double>> library(Catalogue catalogue) {
        Graph<Object, Taken> graph = new DirectedWeightedPseudograph<>(Taken.class);
        String goal = "goal";
        graph.addVertex(goal);
        Map<Fact, String> now = START.values();
        graph.addVertex(now);
        Deque<Map<Fact, String>> open = new ArrayDeque<>(List.of(now));
        while (!open.isEmpty()) {
            Map<Fact, String> state = open.poll();
            Facts here = Facts.none().supposing(state);
            for (Route route : catalogue.routes()) {
                boolean holds = FitCheck.alone(catalogue, route, here, Optional.empty()).clauses().stream()
                        .allMatch(clause -> clause.result() == Truth.YES);
                if (holds) {
                    Map<Fact, String> next =
                            here.supposing(route.changes().effects()).values();
                    Object target = "permanent".equals(next.get(Fact.ROOT)) ? goal : next;
                    if (graph.addVertex(target)) {
                        open.add(next);
                    }
                    if (!target.equals(state)) {
                        graph.addEdge(state, target, new Taken(route));
                    }
                }
            }
        }
        return new MartinShortestPath<>(graph, Taken::weights)
                .getPaths(now, goal).stream()
                        .map(path -> path.getEdgeList().stream()
                                .map(taken -> Cost.of(taken.route, Facts.none()))
                                .reduce(Cost.none(), Cost::plus))
                        .map(cost -> rounded(cost.riskPoints(), cost.money(), cost.handsOn()))
                        .collect(Collectors.toSet());
    }

    private static List<Double> rounded(double... values) {
        return DoubleStream.of(values)
                .mapToObj(value -> Math.rint(value * 1e6) / 1e6)
                .toList();
    }
}
