package org.mobrak.link.bench;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.ZipInputStream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.reader.Inspector;
import org.mobrak.link.bench.Stimulus.Image;

/** What bytes are worth to a phone: the readers that look into a person's files look into them, so a wrong file really is wrong. */
final class ImageLook {
    private static final int PIECE = 8192;
    /** No phone of the bench has room for more. */
    private static final long MOST_UNPACKED = 4L << 30;

    private final BenchTruth phone;

    ImageLook(BenchTruth phone) {
        this.phone = phone;
    }

    /** What was seen of some bytes. */
    record Seen(Inspection in, Image worth) {
        Optional<String> kernelRelease() {
            return in.kernel().flatMap(kernel -> kernel.release());
        }
    }

    Seen look(byte[] bytes) {
        try {
            Path folder = Files.createTempDirectory("mobrak-bench");
            Path file = folder.resolve("image");
            try {
                Files.write(file, bytes);
                Inspection seen = new Inspector(folder, Runnable::run, PartitionNames.usual())
                        .inspect(file, EnumSet.of(Digest.MD5), Watch.NONE);
                return new Seen(seen, isWhole(seen, bytes) ? worth(seen) : Image.DAMAGED);
            } finally {
                Files.deleteIfExists(file);
                Files.delete(folder);
            }
        } catch (IOException full) {
            throw new UncheckedIOException(full);
        }
    }

    /** A recovery unpacks a package, so it meets what its members' checksums say. */
    private static boolean isWhole(Inspection seen, byte[] bytes) {
        if (!seen.kind().isZip()) {
            return true;
        }
        byte[] piece = new byte[PIECE];
        long left = MOST_UNPACKED;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            while (zip.getNextEntry() != null) {
                for (int read = zip.read(piece); read >= 0 && left > 0; read = zip.read(piece)) {
                    left -= read;
                }
            }
            return left > 0;
        } catch (IOException damaged) {
            return false;
        }
    }

    private Image worth(Inspection seen) {
        if (seen.findings().stream().anyMatch(found -> found.severity() != Severity.NOTE)) {
            return Image.DAMAGED;
        }
        List<String> named = new ArrayList<>(seen.devices());
        Optional.of(Material.of(seen).board()).filter(board -> !board.isBlank()).ifPresent(named::add);
        return isForThis(named) ? Image.RIGHT : Image.FOREIGN;
    }

    /** A file that names nobody is taken; whether it runs shows at the next start. */
    private boolean isForThis(List<String> devices) {
        return devices.isEmpty()
                || Stream.of(Fact.DEVICE, Fact.PRODUCT, Fact.MODEL)
                        .flatMap(fact -> Optional.ofNullable(phone.truth().get(fact)).stream())
                        .anyMatch(devices::contains);
    }
}
