package org.mobrak.benchmarks;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/** A club's collection: 2,000 listings of 1,500 lines in a folder, from the disk to who each phone is, with a small heap. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 1)
@Measurement(iterations = 5)
@Fork(value = 1, jvmArgs = "-Xmx256m")
public class Collection {
    private static final int PHONES = 2_000;
    private static final int LINES = 1_500;

    private final List<Path> files = new ArrayList<>();
    private Path folder;
    private Catalogue catalogue;

    @Setup
    public void prepare() throws IOException {
        catalogue = CatalogueLoader.load(Shipped.FOLDERS).catalogue();
        folder = Files.createTempDirectory("collection");
        String listing = Files.readString(Path.of("demo/readings/hive-03-listing.txt"));
        StringBuilder filler = new StringBuilder();
        for (int line = listing.split("\n").length; line < LINES; line++) {
            filler.append("[persist.sys.hive.")
                    .append(line)
                    .append("]: [value ")
                    .append(line * 31)
                    .append("]\n");
        }
        for (int phone = 0; phone < PHONES; phone++) {
            String own = listing.replace("4d00lant91c2", "4d00lant" + phone);
            files.add(Files.writeString(folder.resolve(phone + ".txt"), own + filler));
        }
    }

    @TearDown
    public void tidy() throws IOException {
        PathUtils.deleteDirectory(folder);
    }

    @Benchmark
    public long folderToIdentities() {
        return stream().filter(identity -> identity.findings().isEmpty()).count();
    }

    private Stream<Identity> stream() {
        return files.parallelStream().map(file -> {
            try {
                Parsed parsed = ReadingParser.parse(TextIntake.of(file), Instant.EPOCH);
                return Identity.of(catalogue, new Ledger(parsed.readings()), parsed.findings());
            } catch (IOException unreadable) {
                throw new UncheckedIOException(unreadable);
            }
        });
    }
}
