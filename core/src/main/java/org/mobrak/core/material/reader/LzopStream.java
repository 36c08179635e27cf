package org.mobrak.core.material.reader;

import io.airlift.compress.MalformedInputException;
import io.airlift.compress.lzo.LzoDecompressor;
import java.io.IOException;
import java.io.InputStream;

/**
 * What {@code lzop} writes, and with it the build of kernels: a header, then blocks with their sizes, big-endian. The layout is
 * that of lzop 1.04's own source, from memory; checksums are passed over, since a kernel's name is all that is wanted.
 */
final class LzopStream extends BlockStream {
    private static final int MAGIC_BYTES = 9;
    private static final int WITH_LEVEL = 0x0940;
    private static final int MOST_BLOCK = 8 << 20;
    /** No byte of lzo stands for more than 255 others; what claims more is no block, and no memory is taken for it. */
    private static final int MOST_TIMES = 256;

    private static final long ADLER_UNPACKED = 0x1;
    private static final long ADLER_PACKED = 0x2;
    private static final long EXTRA_FIELD = 0x40;
    private static final long CRC_UNPACKED = 0x100;
    private static final long CRC_PACKED = 0x200;
    private static final long FILTER = 0x800;

    private final InputStream in;
    private final LzoDecompressor decompressor = new LzoDecompressor();
    private final long flags;

    LzopStream(InputStream in) throws IOException {
        this.in = in;
        in.skipNBytes(MAGIC_BYTES);
        boolean level = number(2) >= WITH_LEVEL;
        // The library's version, and the one that is needed.
        in.skipNBytes(level ? 4 : 2);
        // The method matters to who packs; all of them are unpacked alike.
        in.skipNBytes(level ? 2 : 1);
        flags = number(4);
        // Filter, mode and time.
        in.skipNBytes((has(FILTER) ? 4 : 0) + (level ? 12 : 8));
        in.skipNBytes(number(1));
        in.skipNBytes(4);
        if (has(EXTRA_FIELD)) {
            in.skipNBytes(number(4) + 4);
        }
    }

    private boolean has(long flag) {
        return (flags & flag) != 0;
    }

    private long number(int bytes) throws IOException {
        byte[] four = new byte[4];
        if (in.readNBytes(four, 4 - bytes, bytes) < bytes) {
            throw new Broken("truncated", "it ends within a header of lzo");
        }
        return new Fields(four).bigEndian32(0);
    }

    @Override
    boolean next() throws IOException {
        long unpacked = number(4);
        if (unpacked == 0) {
            return false;
        }
        long packed = number(4);
        if (unpacked > MOST_BLOCK || packed > unpacked || unpacked > packed * MOST_TIMES) {
            throw new Broken("impossible-size", "a block of lzo claims %d bytes out of %d".formatted(unpacked, packed));
        }
        in.skipNBytes((has(ADLER_UNPACKED) ? 4 : 0) + (has(CRC_UNPACKED) ? 4 : 0));
        if (packed < unpacked) {
            in.skipNBytes((has(ADLER_PACKED) ? 4 : 0) + (has(CRC_PACKED) ? 4 : 0));
        }
        byte[] bytes = in.readNBytes((int) packed);
        if (packed == unpacked) {
            give(bytes, bytes.length);
            return bytes.length > 0;
        }
        byte[] block = new byte[(int) unpacked];
        give(block, unpack(bytes, block));
        return true;
    }

    private int unpack(byte[] bytes, byte[] block) throws Broken {
        try {
            return decompressor.decompress(bytes, 0, bytes.length, block, 0, block.length);
        } catch (MalformedInputException malformed) {
            throw new Broken("damaged", "a block of lzo is damaged at byte %d".formatted(malformed.getOffset()));
        }
    }
}
