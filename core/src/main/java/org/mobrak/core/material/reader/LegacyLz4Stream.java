package org.mobrak.core.material.reader;

import io.airlift.compress.MalformedInputException;
import io.airlift.compress.lz4.Lz4Decompressor;
import java.io.IOException;
import java.io.InputStream;

/**
 * The legacy frame of LZ4 (LZ4 Frame Format Description, “Legacy frame”): a magic number, then blocks that each unpack to 8
 * MiB, the last to less. It has no end mark: a size no block can have ends it. Within a kernel the size of the whole stands behind the last
 * block, which may look like the size of another; there a block that cannot be read ends it too.
 */
final class LegacyLz4Stream extends BlockStream {
    private static final byte[] MAGIC = Fields.magic("02214c18");
    private static final int BLOCK = 8 << 20;
    private static final int MOST_PACKED = BLOCK + BLOCK / 255 + 16;

    private final InputStream in;
    private final Lz4Decompressor decompressor = new Lz4Decompressor();
    private byte[] block = {};
    private final boolean whole;
    private boolean begun;

    LegacyLz4Stream(InputStream in, boolean whole) throws IOException {
        this.in = in;
        this.whole = whole;
        if (!new Fields(in.readNBytes(MAGIC.length)).has(0, MAGIC)) {
            throw new Broken("damaged", "no legacy frame of lz4 begins here");
        }
    }

    @Override
    boolean next() throws IOException {
        byte[] size = in.readNBytes(4);
        if (size.length < 4) {
            return false;
        }
        long packed = new Fields(size).has(0, MAGIC) ? new Fields(in.readNBytes(4)).u32(0) : new Fields(size).u32(0);
        if (packed == 0 || packed > MOST_PACKED) {
            return false;
        }
        try {
            unpack(in.readNBytes((int) packed), packed);
        } catch (Broken end) {
            if (begun && !whole) {
                return false;
            }
            throw end;
        }
        begun = true;
        return true;
    }

    private void unpack(byte[] bytes, long packed) throws Broken {
        if (bytes.length < packed) {
            throw new Broken(
                    "truncated",
                    "a block of lz4 should be %d bytes, but only %d follow".formatted(packed, bytes.length));
        }
        // No byte of lz4 stands for more than 255 others.
        int most = (int) Math.min(BLOCK, packed * 255);
        if (block.length < most) {
            block = new byte[most];
        }
        try {
            give(block, decompressor.decompress(bytes, 0, bytes.length, block, 0, block.length));
        } catch (MalformedInputException malformed) {
            throw new Broken("damaged", "a block of lz4 is damaged at byte %d".formatted(malformed.getOffset()));
        }
    }
}
