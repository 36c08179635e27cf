package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
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
    public Part read(Piece piece, Looker looker) throws IOException {
        Compression compression =
                compression(new Fields(piece.in().head(Looker.HEAD_BYTES))).orElseThrow();
        List<Part> inside = new ArrayList<>();
        looker.attempt(piece, () -> {
            InputStream unpacked = looker.budget().meter(compression.open(piece.in(), true));
            inside.add(looker.look(piece.inside(innerName(piece.name()), OptionalLong.empty(), unpacked)));
        });
        return new Part(piece.name(), piece.bytes(), KINDS.get(compression), Optional.empty(), inside);
    }

    /** {@code recovery.img.gz} holds {@code recovery.img}; what has no such ending holds its content. */
    private static String innerName(String name) {
        String plain = name.substring(name.lastIndexOf('/') + 1);
        String inner = plain.replaceFirst("(?i)\\.(gz|xz|lz4)$", "");
        return inner.equals(plain) ? "content" : inner.replaceFirst("(?i)^(.*)\\.tgz$", "$1.tar");
    }
}
