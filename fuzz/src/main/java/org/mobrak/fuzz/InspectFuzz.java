package org.mobrak.fuzz;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.reader.Inspector;

/** Whatever the bytes are, looking into them ends with findings, and nothing stays behind. */
public final class InspectFuzz {
    private static final PartitionNames NAMES = PartitionNames.usual();
    private static final int MOST_PARTS = 100_001;

    private InspectFuzz() {}

    /** Called by the fuzzer for each input. */
    public static void fuzzerTestOneInput(byte[] input) {
        try {
            Path folder = Files.createTempDirectory(Path.of(System.getProperty("fuzz.folder", "/dev/shm")), "fuzz-");
            Path file = Files.write(folder.resolve("input"), input);
            Inspection found = new Inspector(folder, Runnable::run, NAMES).inspect(file, Set.of(), Watch.NONE);
            Material.of(found);
            check(found.root().all().count() <= MOST_PARTS, "more parts than allowed");
            try (Stream<Path> left = Files.list(folder)) {
                check(left.count() == 1, "a temporary file was left behind");
            }
            Files.delete(file);
            Files.delete(folder);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static void check(boolean holds, String otherwise) {
        if (!holds) {
            throw new AssertionError(otherwise);
        }
    }
}
