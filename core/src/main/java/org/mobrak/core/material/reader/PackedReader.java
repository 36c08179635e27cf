package org.mobrak.core.material.reader;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/** One stream made smaller: gzip (RFC 1952), xz (The .xz File Format 1.2.1), lz4 (LZ4 Frame Format Description 1.6). */
final class PackedReader implements PartReader {
    private static final Map<Compression, FileKind> KINDS = Map.of(
            Compression.GZIP, FileKind.GZIP,
            Compression.XZ, FileKind.XZ,
            Compression.LZ4_LEGACY, FileKind.LZ4,
            Compression.LZ4_FRAME, FileKind.LZ4);

    @Override
    public FileKind kind() {
        return FileKind.GZIP;
    }

    @Override
    public boolean recognises(Fields head) {
        return compression(head).isPresent();
    }

    private static Optional<Compression> compression(Fields head) {
        return Arrays.stream(Compression.values())
                .filter(one -> KINDS.containsKey(one) && one.beginsAt(head, 0))
                .findFirst();
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        Compression compression = compression(new Fields(piece.in().head(PieceInspector.HEAD_BYTES)))
                .orElseThrow();
        Optional<Part> kernel = compression == Compression.GZIP ? withTrees(piece, looker) : Optional.empty();
        if (kernel.isPresent()) {
            return kernel.get();
        }
        List<Part> inside = new ArrayList<>();
        looker.attempt(piece, () -> {
            InputStream unpacked = looker.budget().meter(compression.open(piece.in(), true));
            inside.add(looker.look(piece.inside(innerName(piece.name()), OptionalLong.empty(), unpacked)));
        });
        return new Part(
                piece.name(), piece.bytes(), Objects.requireNonNull(KINDS.get(compression)), Optional.empty(), inside);
    }

    /**
     * A packed kernel followed by device trees, the usual form on 64-bit phones (Linux documentation, arm64/booting, for the
     * kernel; common practice for the trees). Empty for anything else, with nothing taken from the piece.
     */
    private static Optional<Part> withTrees(Piece piece, PieceInspector looker) throws IOException {
        if (piece.bytes().isEmpty() || piece.bytes().getAsLong() > KernelReader.MOST_BYTES) {
            return Optional.empty();
        }
        byte[] bytes = piece.in().head((int) piece.bytes().getAsLong());
        ByteArrayInputStream packed = new ByteArrayInputStream(bytes);
        try (InputStream unpacked = looker.budget().meter(Compression.GZIP.open(packed, false))) {
            unpacked.transferTo(OutputStream.nullOutputStream());
        } catch (IOException | RuntimeException damaged) {
            // Told when it is looked into as what it says it is.
            return Optional.empty();
        }
        int end = bytes.length - packed.available();
        return DeviceTrees.beginsAt(new Fields(bytes), end)
                ? Optional.of(KernelReader.ofBytes(piece, bytes, looker))
                : Optional.empty();
    }

    /** {@code recovery.img.gz} holds {@code recovery.img}; what has no such ending holds its content. */
    private static String innerName(String name) {
        String plain = name.substring(name.lastIndexOf('/') + 1);
        String inner = plain.replaceFirst("(?i)\\.(gz|xz|lz4)$", "");
        return inner.equals(plain) ? "content" : inner.replaceFirst("(?i)^(.*)\\.tgz$", "$1.tar");
    }
}
