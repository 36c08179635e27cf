package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** A private copy of a piece that can only be read in any order. Whoever makes one removes it. */
final class TemporaryFile {
    private static final int STEP = 1 << 16;
    private static final String ROOM =
            "There is not enough room in %s for a copy to look into; make room and try again.";

    private TemporaryFile() {}

    /** An empty file that only its owner may read. */
    static Path in(Path folder) throws IOException {
        try {
            return Files.createTempFile(folder, "mobrak-", ".part");
        } catch (IOException failed) {
            throw new SourceFailed(ROOM.formatted(folder), failed);
        }
    }

    /** Writes the rest of a piece into a file; {@link Broken} if it is larger than allowed. */
    static void fill(Path file, Piece piece, long most) throws IOException {
        byte[] step = new byte[STEP];
        long written = 0;
        try (OutputStream out = open(file)) {
            for (int read = piece.in().read(step); read >= 0; read = piece.in().read(step)) {
                written += read;
                if (written > most) {
                    throw new Broken(
                            "unpacks-too-far",
                            "it is larger than %d MiB, and an archive within an archive is not looked into beyond that"
                                    .formatted(most >> 20));
                }
                write(out, step, read, file);
            }
        }
    }

    private static OutputStream open(Path file) throws IOException {
        try {
            return Files.newOutputStream(file);
        } catch (IOException failed) {
            throw new SourceFailed(ROOM.formatted(file.getParent()), failed);
        }
    }

    private static void write(OutputStream out, byte[] bytes, int length, Path file) throws IOException {
        try {
            out.write(bytes, 0, length);
        } catch (IOException full) {
            throw new SourceFailed(ROOM.formatted(file.getParent()), full);
        }
    }
}
