package org.mobrak.benchmarks;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveOutputStream;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.reader.Inspector;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/** Looking into files without their digests: a tar of 20,000 members, and the kernel of a file given with {@code -p kernel=}. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(value = 1, jvmArgs = "-Xmx256m")
public class LookingInto {
    private static final int MEMBERS = 20_000;

    @Param("demo/files/boot-stock-LN2-F09-131022.img")
    private String kernel;

    private Path folder;
    private Path archive;
    private Inspector inspector;

    @Setup
    public void prepare() throws IOException {
        folder = Files.createTempDirectory("looking");
        archive = folder.resolve("many.tar");
        inspector = new Inspector(folder, Runnable::run, PartitionNames.usual());
        try (OutputStream out = Files.newOutputStream(archive);
                TarArchiveOutputStream tar = new TarArchiveOutputStream(out)) {
            for (int i = 0; i < MEMBERS; i++) {
                byte[] content = ("file " + i + "\n").repeat(20).getBytes(StandardCharsets.US_ASCII);
                TarArchiveEntry entry = new TarArchiveEntry("system/app/" + i + ".txt");
                entry.setSize(content.length);
                tar.putArchiveEntry(entry);
                tar.write(content);
                tar.closeArchiveEntry();
            }
        }
    }

    @TearDown
    public void clean() throws IOException {
        PathUtils.deleteDirectory(folder);
    }

    @Benchmark
    public Inspection twentyThousandMembers() throws IOException {
        return inspector.inspect(archive, Set.of(), Watch.NONE);
    }

    @Benchmark
    public Inspection kernelBanner() throws IOException {
        return inspector.inspect(Path.of(kernel), Set.of(), Watch.NONE);
    }
}
