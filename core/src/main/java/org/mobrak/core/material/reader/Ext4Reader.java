package org.mobrak.core.material.reader;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.About;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/**
 * The superblock of ext4 and its forerunners, which stands 1,024 bytes from the start (Linux kernel documentation,
 * filesystems/ext4, “The Super Block”).
 */
final class Ext4Reader implements PartReader {
    private static final int START = 1024;
    private static final int SIZE = 1024;
    private static final byte[] MAGIC = Fields.magic("53ef");
    private static final int BLOCKS_LOW = START + 0x4;
    private static final int LOG_BLOCK_SIZE = START + 0x18;
    private static final int WRITTEN = START + 0x30;
    private static final int MAGIC_AT = START + 0x38;
    private static final int INCOMPATIBLE = START + 0x60;
    private static final int UUID = START + 0x68;
    private static final int VOLUME_NAME = START + 0x78;
    private static final int LAST_MOUNTED = START + 0x88;
    private static final int BLOCKS_HIGH = START + 0x150;
    private static final long IS_64_BIT = 0x80;
    /** 64 KiB, the largest block there is. */
    private static final int MOST_LOG_BLOCK_SIZE = 6;

    @Override
    public FileKind kind() {
        return FileKind.EXT4_IMAGE;
    }

    @Override
    public boolean recognises(Fields head) {
        return head.has(MAGIC_AT, MAGIC) && hasBlockSize(head);
    }

    /** Two bytes are a thin proof; the block size must be possible too. */
    private static boolean hasBlockSize(Fields head) {
        try {
            return head.u32(LOG_BLOCK_SIZE) <= MOST_LOG_BLOCK_SIZE;
        } catch (Broken tooShort) {
            return false;
        }
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        Fields head = new Fields(piece.in().head(START + SIZE));
        head.hex(START, SIZE);
        long bytes = blocks(head) << (10 + head.u32(LOG_BLOCK_SIZE));
        if (bytes < 0 || bytes >>> (10 + head.u32(LOG_BLOCK_SIZE)) != blocks(head)) {
            throw new Broken("impossible-size", "its file system claims %d blocks".formatted(blocks(head)));
        }
        piece.bytes().stream()
                .filter(there -> there < bytes)
                .forEach(there -> looker.tell(Finding.stop(
                        "truncated",
                        "“%s”: its file system is %d bytes long, but there are only %d. Fetch it again."
                                .formatted(piece.path(), bytes, there))));
        long written = head.u32(WRITTEN);
        About about = new About.Ext4(
                head.text(VOLUME_NAME, 16),
                head.text(LAST_MOUNTED, 64),
                bytes,
                head.hex(UUID, 16),
                written == 0 ? Optional.empty() : Optional.of(Instant.ofEpochSecond(written)));
        OptionalLong size = piece.bytes().isPresent() ? piece.bytes() : OptionalLong.of(bytes);
        return new Part(piece.name(), size, kind(), Optional.of(about), List.of());
    }

    private static long blocks(Fields head) throws Broken {
        boolean wide = (head.u32(INCOMPATIBLE) & IS_64_BIT) != 0;
        return head.u32(BLOCKS_LOW) | (wide ? head.u32(BLOCKS_HIGH) << 32 : 0);
    }
}
