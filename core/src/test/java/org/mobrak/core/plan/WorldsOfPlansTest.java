package org.mobrak.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Act;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.identity.build.Rulers;

/**
 * Plans played through in every world that the readings allow, by the definition: each fact may be any of the values that are
 * said, or any that it can have where nobody has read it. A plan without assumptions must hold at each of its steps in each of
 * them, and lead to the goal. It shares nothing with the planner but the catalogue's values.
 */
class WorldsOfPlansTest {
    private static final int PLANS = Integer.getInteger("mobrak.judgements", 6_000) / 10;
    private static final long SEED = Long.getLong("mobrak.seed", 20261201);
    private static final List<Fact> STATES = List.of(
            Fact.LOCK, Fact.RECOVERY, Fact.CARD, Fact.OS_KIND, Fact.KERNEL_KIND, Fact.ENCRYPTION, Fact.IMAGE_BACKUP);

    /** What each fact may be. */
    private record Worlds(Map<Fact, Set<String>> values) {
        Set<String> of(Fact fact) {
            return values.getOrDefault(fact, Set.copyOf(fact.domain().words()));
        }

        Worlds with(Map<Fact, Set<String>> other) {
            Map<Fact, Set<String>> all = new EnumMap<>(values);
            all.putAll(other);
            return new Worlds(all);
        }
    }

    @Test
    void aPlanHoldsAtEachStepInEachWorld() {
        Random random = new Random(SEED);
        int plans = 0;
        int ofSeveral = 0;
        while (plans < PLANS) {
            Catalogue catalogue = catalogue(random);
            Map<Fact, Set<String>> said = new EnumMap<>(Fact.class);
            Facts facts = facts(random, said);
            Planner.Answer answer = Planner.plan(Goal.ROOT, catalogue, facts, Optional.empty(), Limits.none());
            for (Plan plan : answer.plans()) {
                plans++;
                ofSeveral += plan.routes().size() > 1 ? 1 : 0;
                play(plan, catalogue, new Worlds(said));
            }
        }
        assertThat(ofSeveral).as("plans of several routes").isGreaterThan(PLANS / 20);
    }

    private static void play(Plan plan, Catalogue catalogue, Worlds start) {
        Worlds here = start;
        String told = plan.title() + " of " + catalogue.routes() + " with " + catalogue.dangers() + " in " + start;
        for (Route route : plan.routes()) {
            for (Condition condition : route.fits().requires()) {
                assertThat(inEach(condition, here))
                        .as("%s: %s", condition, told)
                        .isTrue();
            }
            for (Danger danger : catalogue.dangers()) {
                boolean forbids =
                        danger.forbids().contains(Act.WIPE) && route.changes().wipesData();
                boolean ruledOut = !forbids || inEach(danger.ruledOut(), here);
                assertThat(ruledOut)
                        .as("%s at %s: %s", danger, route.id(), told)
                        .isTrue();
            }
            here = here.with(after(route, here));
        }
        assertThat(here.of(Fact.ROOT)).as(told).containsExactly("permanent");
    }

    /** All conditions here are over one fact each, or joined by and. */
    private static boolean inEach(Condition condition, Worlds here) {
        if (condition instanceof Condition.AllOf all) {
            return all.parts().stream().allMatch(part -> inEach(part, here));
        }
        if (condition instanceof Condition.Not not) {
            Condition.OneOf excluded = (Condition.OneOf) not.part();
            return here.of(excluded.fact()).stream().noneMatch(excluded.values()::contains);
        }
        Condition.OneOf asked = (Condition.OneOf) condition;
        return asked.values().containsAll(here.of(asked.fact()));
    }

    /** What is written is as the route says, and may be anything where it says nothing. */
    private static Map<Fact, Set<String>> after(Route route, Worlds here) {
        Map<Fact, Set<String>> after = new EnumMap<>(Fact.class);
        for (PartitionClass written : route.changes().writes()) {
            if (!route.changes().keeps().contains(written)) {
                Fact told = written == PartitionClass.KERNEL ? Fact.KERNEL_KIND : Fact.RECOVERY;
                after.put(told, Set.copyOf(told.domain().words()));
            }
        }
        if (route.changes().wipesData()) {
            // A backup that was only taken lay on the phone.
            Set<String> left = new HashSet<>(here.of(Fact.IMAGE_BACKUP));
            if (left.remove("taken")) {
                left.add("none");
            }
            after.put(Fact.IMAGE_BACKUP, left);
        }
        route.changes().effects().forEach((fact, value) -> after.put(fact, Set.of(value)));
        return after;
    }

    private static Catalogue catalogue(Random random) {
        List<Route> routes = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            Sample sample = Sample.route("r" + i).costing(0, 1 + random.nextInt(9), random.nextInt(4) == 0);
            switch (random.nextInt(4)) {
                case 0 -> sample.replacing(PartitionClass.KERNEL);
                case 1 -> sample.replacing(PartitionClass.RECOVERY);
                default -> sample.writing(PartitionClass.APP);
            }
            for (int needed = random.nextInt(3); needed > 0; needed--) {
                sample.needs(condition(random));
            }
            Fact made = random.nextInt(3) == 0 ? Fact.ROOT : any(STATES, random);
            routes.add(sample.making(made, made == Fact.ROOT ? "permanent" : word(made, random)));
        }
        Danger danger = new Danger(
                "d",
                leaf(random),
                Set.of(Act.WIPE),
                Danger.Severity.STOP,
                Optional.of(Danger.IfUnknown.ASK),
                "For this test.",
                "invented for this test");
        return new Catalogue(List.of(), routes, Rulers.none(), List.of(), List.of(danger));
    }

    private static Condition condition(Random random) {
        return switch (random.nextInt(4)) {
            case 0 -> new Condition.Not(leaf(random), Optional.empty());
            case 1 -> new Condition.AllOf(List.of(leaf(random), leaf(random)));
            default -> leaf(random);
        };
    }

    private static Condition leaf(Random random) {
        Fact fact = any(STATES, random);
        return new Condition.OneOf(fact, List.of(word(fact, random)), Optional.empty());
    }

    private static Facts facts(Random random, Map<Fact, Set<String>> said) {
        List<Reading> readings = new ArrayList<>();
        for (Fact fact : STATES) {
            if (random.nextInt(5) > 0) {
                Set<String> values = random.nextInt(8) == 0
                        ? Set.copyOf(List.of(
                                        word(fact, random),
                                        fact.domain().words().get(0))
                                .stream()
                                .distinct()
                                .toList())
                        : Set.of(word(fact, random));
                said.put(fact, values);
                values.forEach(value ->
                        readings.add(Sample.reading(fact, value, Source.PROPERTY_LISTING, "somewhere", 1, Sample.NOW)));
            }
        }
        readings.add(Sample.reading(Fact.ROOT, "none", Source.TYPED, "somewhere", 1, Sample.NOW));
        said.put(Fact.ROOT, Set.of("none"));
        return new Ledger(readings).facts();
    }

    private static String word(Fact fact, Random random) {
        return any(fact.domain().words(), random);
    }

    private static <T> T any(List<T> some, Random random) {
        return some.get(random.nextInt(some.size()));
    }
}
