package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.route;

import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** What is remembered must not change what is said: the quick ways of judging many routes against the plain definition. */
class FitOracleTest {
    private static final List<Fact> STATES =
            List.of(Fact.LOCK, Fact.RECOVERY, Fact.ROOT, Fact.CARD, Fact.CABLE, Fact.OS_KIND);

    /**
     * A route is open if nothing refuses it, or if each of its noes is turned by what another open route brings about; the
     * definition, tried with every pair of routes until nothing changes.
     */
    private static Set<String> open(Catalogue catalogue, Facts facts) {
        Set<String> open = new HashSet<>();
        boolean grown = true;
        while (grown) {
            grown = false;
            for (Route route : catalogue.routes()) {
                List<Clause> alone = FitCheck.alone(catalogue, route, facts, Optional.empty())
                        .clauses();
                List<Condition> needs = route.fits().requires();
                // Conditions that contradict each other no route can meet, though each alone is open.
                boolean every = IntStream.range(0, needs.size())
                        .allMatch(i -> alone.get(i).result() != Truth.NO
                                || judge(needs.get(i), catalogue, facts) == Truth.NO
                                        && catalogue.routes().stream()
                                                .filter(helper -> open.contains(helper.id()) && helper != route)
                                                .anyMatch(helper -> turns(helper, needs.get(i), catalogue, facts)));
                grown |= every && open.add(route.id());
            }
        }
        return open;
    }

    private static boolean turns(Route helper, Condition condition, Catalogue catalogue, Facts facts) {
        Map<Fact, String> effects = helper.changes().effects();
        return condition.facts().anyMatch(effects::containsKey)
                && judge(condition, catalogue, facts.supposing(effects)) == Truth.YES;
    }

    private static Truth judge(Condition condition, Catalogue catalogue, Facts facts) {
        return new ConditionJudge(facts, catalogue).judge(condition).result();
    }

    @Test
    void randomCataloguesAreJudgedAsDefined() {
        Random random = new Random(20261125);
        int turned = 0;
        for (int round = 0; round < 300; round++) {
            Catalogue catalogue = new Catalogue(List.of(), routes(random));
            Facts facts = facts(random);
            Set<String> open = open(catalogue, facts);
            for (RouteFit fit : new FitCheck(catalogue, facts, Optional.empty()).routes()) {
                assertThat(fit.verdict() != Verdict.REFUSED)
                        .as("round %d, %s", round, fit.route().id())
                        .isEqualTo(open.contains(fit.route().id()));
                fit.clauses().stream()
                        .flatMap(clause -> clause.step().stream())
                        .forEach(step ->
                                assertThat(step).isNotEqualTo(fit.route().name()));
                turned += fit.verdict() == Verdict.NEEDS_STEP ? 1 : 0;
            }
        }
        assertThat(turned).as("noes that another route turns").isGreaterThan(100);
    }

    private static List<Route> routes(Random random) {
        List<Route> routes = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            Sample sample = route("r" + i);
            for (int needed = random.nextInt(3); needed > 0; needed--) {
                sample.needs(condition(random, 2));
            }
            Fact made = any(STATES, random);
            routes.add(sample.making(made, any(made.domain().words(), random)));
        }
        return routes;
    }

    private static Condition condition(Random random, int depth) {
        Fact fact = any(STATES, random);
        Condition leaf = new Condition.OneOf(fact, List.of(any(fact.domain().words(), random)), Optional.empty());
        return switch (depth == 0 ? 0 : random.nextInt(5)) {
            case 1 -> new Condition.Not(condition(random, depth - 1), Optional.empty());
            case 2 -> new Condition.AllOf(List.of(leaf, condition(random, depth - 1)));
            case 3 -> new Condition.AnyOf(List.of(leaf, condition(random, depth - 1)));
            default -> leaf;
        };
    }

    private static Facts facts(Random random) {
        Map<Fact, String> known = new EnumMap<>(Fact.class);
        for (Fact fact : STATES) {
            if (random.nextInt(4) > 0) {
                known.put(fact, any(fact.domain().words(), random));
            }
        }
        return Facts.none().supposing(known);
    }

    /** States with other values, and with values that nobody knows any more. */
    private static Map<Fact, Optional<String>> state(Random random) {
        Map<Fact, Optional<String>> state = new EnumMap<>(Fact.class);
        facts(random).values().forEach((fact, value) -> state.put(fact, Optional.of(value)));
        if (random.nextBoolean()) {
            state.put(Fact.OS_VERSION, Optional.empty());
        }
        return state;
    }

    private static <T> T any(List<T> some, Random random) {
        return some.get(random.nextInt(some.size()));
    }

    /** A search judges the same routes in many states and remembers; each must be as if it were judged anew. */
    @Test
    void lookingAheadSaysWhatJudgingAnewSays() throws IOException {
        Catalogue catalogue = Sample.shipped();
        Random random = new Random(7);
        for (String model : List.of("OV-L210F", "TS-J540", "VM-P70", "KQ-T5", "nobody's")) {
            Facts phone = Facts.none()
                    .supposing(Map.of(
                            Fact.MODEL, model,
                            Fact.OS_VERSION, "4.1.2",
                            Fact.KERNEL_RELEASE, "3.0.31",
                            Fact.BUILD_DATE, "2013-10-22"));
            Lookahead ahead = new Lookahead(catalogue, phone, Optional.empty());
            for (int round = 0; round < 40; round++) {
                Map<Fact, Optional<String>> state = state(random);
                for (Route route : catalogue.routes()) {
                    assertThat(ahead.clauses(route, state))
                            .isEqualTo(FitCheck.alone(catalogue, route, phone.after(state), Optional.empty())
                                    .clauses());
                }
            }
        }
    }
}
