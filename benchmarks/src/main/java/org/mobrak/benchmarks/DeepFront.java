package org.mobrak.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Minutes;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Planner;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The front of plans over 200 routes in six stages that must follow each other, with costs drawn as they are in life: times to
 * five minutes, few that cost money, few that leave a mark or wipe the data, up to ten reports.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(value = 1, jvmArgsAppend = "-XX:+UseParallelGC")
public class DeepFront {
    private static final int ROUTES = 200;
    private static final int FIVE = 5;
    private static final List<Map.Entry<Fact, String>> STAGES = List.of(
            Map.entry(Fact.LOCK, "unlocked"),
            Map.entry(Fact.KERNEL_KIND, "custom"),
            Map.entry(Fact.RECOVERY, "custom"),
            Map.entry(Fact.ROOT, "temporary"),
            Map.entry(Fact.OS_KIND, "custom"),
            Map.entry(Fact.WRITE_PROTECTION, "off"));

    private Catalogue catalogue;
    private Facts facts;

    @Setup
    public void prepare() {
        Random random = new Random(20261125);
        List<Route> routes = new ArrayList<>();
        for (int i = 0; i < ROUTES; i++) {
            routes.add(route("r" + i, i % STAGES.size(), random));
        }
        catalogue = new Catalogue(List.of(), routes);
        facts = Facts.none()
                .supposing(Map.of(
                        Fact.LOCK, "locked",
                        Fact.KERNEL_KIND, "stock",
                        Fact.RECOVERY, "stock",
                        Fact.ROOT, "none",
                        Fact.OS_KIND, "stock",
                        Fact.WRITE_PROTECTION, "on"));
    }

    private static Route route(String id, int stage, Random random) {
        List<Condition> needs = stage == 0
                ? List.of()
                : List.of(new Condition.OneOf(
                        STAGES.get(stage - 1).getKey(),
                        List.of(STAGES.get(stage - 1).getValue()),
                        Optional.empty()));
        List<Route.Report> reports = new ArrayList<>();
        for (int report = random.nextInt(2 * FIVE); report > 0; report--) {
            reports.add(new Route.Report("m", "b", random.nextInt(4) > 0, "2014-01-01"));
        }
        List<String> marks = random.nextInt(10) == 0 ? List.of("warranty fuse blown") : List.of();
        Optional<Money> money = random.nextInt(10) == 0 ? Optional.of(Money.of(FIVE, "USD")) : Optional.empty();
        PartitionClass written = PartitionClass.values()[random.nextInt(FIVE)];
        return new Route(
                id,
                "Route " + id,
                "a family",
                "",
                new Route.Scope(List.of(), List.of(), needs),
                new Route.Changes(
                        Map.ofEntries(STAGES.get(stage)),
                        List.of(written),
                        List.of(written),
                        marks,
                        random.nextInt(7) == 0,
                        false),
                new Route.Costs(minutes(random), minutes(random), money),
                new Route.Work(List.of(), List.of(), List.of(), List.of()),
                reports,
                new Route.Notes(List.of(), List.of(), Optional.empty()),
                Optional.empty());
    }

    private static Minutes minutes(Random random) {
        int usual = FIVE * (1 + random.nextInt(4));
        return new Minutes(usual, usual, usual);
    }

    @Benchmark
    public Planner.Answer front() {
        return Planner.plan(Goal.WRITE_PROTECTION_OFF, catalogue, facts, Optional.empty(), Limits.none());
    }
}
