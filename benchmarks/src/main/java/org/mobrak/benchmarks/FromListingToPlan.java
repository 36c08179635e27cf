package org.mobrak.benchmarks;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadingParser;
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

/** A long listing to facts, and facts to plans over the shipped catalogue. Run from the project's root. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(value = 1, jvmArgsAppend = "-XX:+UseParallelGC")
public class FromListingToPlan {
    private static final int LINES = 1_500;

    private RawText listing;
    private Catalogue catalogue;
    private Facts facts;

    @Setup
    public void prepare() throws IOException {
        StringBuilder text = new StringBuilder("[ro.product.model]: [TS-J540]\n[ro.build.version.release]: [5.1.1]\n");
        for (int line = 2; line < LINES; line++) {
            text.append("[persist.sys.hive.")
                    .append(line)
                    .append("]: [value ")
                    .append(line * 31)
                    .append("]\n");
        }
        listing = new RawText("listing", text.toString(), List.of());
        catalogue = CatalogueLoader.load(Shipped.FOLDERS).catalogue();
        facts = listingToFacts().supposing(Map.of(Fact.LOCK, "locked", Fact.RECOVERY, "stock"));
    }

    @Benchmark
    public Facts listingToFacts() {
        return new Ledger(ReadingParser.parse(listing, Instant.EPOCH).readings()).facts();
    }

    @Benchmark
    public Planner.Answer factsToPlans() {
        return Planner.plan(Goal.ROOT, catalogue, facts, Optional.empty(), Limits.none());
    }
}
