package org.mobrak.core.material.reader;

import java.io.IOException;

/**
 * A header of 512 bytes that the tools of some chipset makers put before kernel and ramdisk: a magic number, the size of what
 * follows, and its name. Common practice, no published source; written down from memory.
 */
final class ChipHeader {
    private static final byte[] MAGIC = Fields.magic("88168858");
    private static final int SIZE_AT = 4;
    static final int BYTES = 512;

    private ChipHeader() {}

    /** Whether one begins here, and what follows is as long as it says, or longer by padding. */
    static boolean standsBefore(Piece piece) throws IOException {
        Fields head = new Fields(piece.in().head(BYTES));
        return head.has(0, MAGIC)
                && head.length() == BYTES
                && head.u32(SIZE_AT) <= piece.bytes().orElse(Long.MAX_VALUE) - BYTES;
    }

    /** The piece without the header. */
    static Piece behind(Piece piece) throws IOException {
        long size = new Fields(piece.in().head(BYTES)).u32(SIZE_AT);
        piece.in().skipTo(piece.in().position() + BYTES);
        return piece.section(piece.name(), size);
    }
}
