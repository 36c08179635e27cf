package org.mobrak.core.material.reader;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.mobrak.core.material.Part;
import org.mobrak.fuzz.Checks;

/**
 * One reader of headers by itself, whatever the bytes are: it ends with parts and findings. What lies inside is not looked into;
 * the whole is tried by {@code InspectFuzz}.
 */
public final class HeaderFuzz {
    private static final int DEEPEST = 8;
    private static final Path FOLDER = Path.of(System.getProperty("fuzz.folder", "/dev/shm"));
    private static final PartReader READER = Objects.requireNonNull(Map.of(
                    "boot", new BootImageReader(),
                    "chip", new BootImageReader(),
                    "sparse", new SparseReader(),
                    "ext4", new Ext4Reader(),
                    "elf", new ElfReader(),
                    "tar", new TarReader(),
                    "zip", new ZipReader())
            .get(System.getProperty("fuzz.name", "boot")));

    private HeaderFuzz() {}

    /** Called by the fuzzer for each input. */
    public static void fuzzerTestOneInput(byte[] input) {
        try {
            PieceInspector looker = new PieceInspector(FOLDER, input.length);
            Piece piece = new Piece(
                    "piece",
                    "piece",
                    OptionalLong.of(input.length),
                    new Feed(new ByteArrayInputStream(input)),
                    Optional.of(new SeekableInMemoryByteChannel(input)),
                    DEEPEST);
            looker.attempt(piece, () -> {
                Part found = READER.read(piece, looker);
                Checks.hold(found.name().equals("piece"), "a part of another name");
            });
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
