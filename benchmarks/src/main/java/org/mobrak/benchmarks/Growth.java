package org.mobrak.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.CatalogueCache;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Planner;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/** How the work on one phone grows with the catalogue. Run from the project's root. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(
        value = 1,
        jvmArgsAppend = {"-XX:+UseParallelGC", "-Xms1g"})
public class Growth {
    @Param({"100", "1000", "10000", "100000"})
    private int routes;

    private Path folder;
    private Path kept;
    private CatalogueCache cache;
    private Catalogue catalogue;
    private Facts facts;

    @Setup(Level.Trial)
    public void prepare() throws IOException {
        folder = ManyRoutes.write(Shipped.FOLDERS.own(), Files.createTempDirectory("growth"), routes);
        kept = Files.createTempDirectory("growth-cache");
        cache = new CatalogueCache(kept);
        catalogue = cache.load(folder).catalogue();
        facts = Facts.none()
                .supposing(Map.of(
                        Fact.MODEL, "TS-J540", Fact.OS_VERSION, "5.1.1", Fact.LOCK, "locked", Fact.RECOVERY, "stock"));
    }

    @TearDown(Level.Trial)
    public void tidy() throws IOException {
        PathUtils.deleteDirectory(folder);
        PathUtils.deleteDirectory(kept);
    }

    @Benchmark
    public List<RouteFit> fit() {
        return new FitCheck(catalogue, facts, Optional.empty()).routes();
    }

    @Benchmark
    public Planner.Answer plan() {
        return Planner.plan(Goal.ROOT, catalogue, facts, Optional.empty(), Limits.none());
    }

    @Benchmark
    public int load() throws IOException {
        return CatalogueLoader.load(folder).catalogue().routes().size();
    }

    @Benchmark
    public int loadFromCache() throws IOException {
        return cache.load(folder).catalogue().routes().size();
    }
}
