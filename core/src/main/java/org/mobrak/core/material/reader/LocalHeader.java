package org.mobrak.core.material.reader;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.SeekableByteChannel;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;

/**
 * The header before a member's bytes (.ZIP File Format Specification 6.3.10, 4.3.7), held against the directory at the archive's
 * end. Mobrak goes by the directory; a program that reads a zip as it comes goes by this.
 */
final class LocalHeader {
    private static final byte[] MAGIC = Fields.magic("504b0304");
    private static final int BYTES = 30;
    /** Sizes follow the member's bytes, or stand in another field. */
    private static final int SIZES_ELSEWHERE = 1 << 3;

    private static final long IN_EXTRA_FIELD = 0xffffffffL;

    private final Fields fields;
    private final byte[] name;

    private LocalHeader(Fields fields, byte[] name) {
        this.fields = fields;
        this.name = name;
    }

    /** In what the two differ, for a person; empty where they do not. */
    static Optional<String> difference(SeekableByteChannel channel, ZipArchiveEntry entry) throws IOException {
        Fields fields = new Fields(bytes(channel, entry.getLocalHeaderOffset(), BYTES));
        if (!fields.has(0, MAGIC)) {
            return Optional.of("nothing begins at its place");
        }
        byte[] name = bytes(channel, entry.getLocalHeaderOffset() + BYTES, fields.u16(26));
        return new LocalHeader(fields, name).differenceTo(entry);
    }

    private static byte[] bytes(SeekableByteChannel channel, long at, int count) throws IOException {
        ByteBuffer bytes = ByteBuffer.allocate(count);
        channel.position(at);
        while (bytes.hasRemaining() && channel.read(bytes) > 0) {
            // A read may give fewer bytes than were asked for.
        }
        return Arrays.copyOf(bytes.array(), bytes.position());
    }

    private Optional<String> differenceTo(ZipArchiveEntry entry) throws Broken {
        if (!Arrays.equals(name, entry.getRawName())) {
            return Optional.of("at its place stands “%s”".formatted(new String(name, StandardCharsets.UTF_8)));
        }
        if (fields.u16(8) != entry.getMethod()) {
            return Optional.of("at its place it is packed in another way");
        }
        boolean sizes = (fields.u16(6) & SIZES_ELSEWHERE) == 0
                && fields.u32(18) != IN_EXTRA_FIELD
                && fields.u32(22) != IN_EXTRA_FIELD;
        return sizes && (fields.u32(18) != entry.getCompressedSize() || fields.u32(22) != entry.getSize())
                ? Optional.of("at its place it has another size")
                : Optional.empty();
    }
}
