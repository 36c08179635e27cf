package org.mobrak.fuzz;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.reader.Inspector;

/** Whatever the bytes are, looking into them ends with findings, and nothing stays behind. Files are never touched. */
public final class InspectFuzz {
    private static final int MOST_PARTS = 100_001;
    /** A kernel without a header is only looked for in what is called one. */
    private static final String NAME = System.getProperty("fuzz.name", "kernel");

    private static final Path FOLDER = Path.of(System.getProperty("fuzz.folder", "/dev/shm"));
    private static final Inspector INSPECTOR = new Inspector(FOLDER, Runnable::run, PartitionNames.usual());

    private InspectFuzz() {}

    /** Called by the fuzzer for each input. */
    public static void fuzzerTestOneInput(byte[] input) {
        try {
            Inspection found = INSPECTOR.inspect(NAME, new SeekableInMemoryByteChannel(input));
            Material.of(found);
            Checks.hold(found.root().all().count() <= MOST_PARTS, "more parts than allowed");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
