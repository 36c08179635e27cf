package org.mobrak.core.material;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;

/**
 * The checksums inside a sparse image held against its content while it goes past: that in its header and those in its chunks,
 * both CRC-32 of what it unfolds to, blocks without content counted as zeros (the platform's published header file
 * {@code sparse_format.h}). What is wrong with the form of the image its reader tells; here it only ends the sum.
 */
public final class SparseSum {
    private static final int CHECKSUM_AT = 24;
    private static final int HEADER_BYTES = 28;
    private static final int CHUNK_BYTES = 12;
    private static final int RAW = 0xCAC1;
    private static final int FILL = 0xCAC2;
    private static final int DONT_CARE = 0xCAC3;
    private static final int CRC32 = 0xCAC4;
    private static final byte[] ZEROS = new byte[4];
    /** No sound image has so many chunks; whoever has more is not worth the time. */
    private static final int MOST_CHUNKS = 200_000;

    private final CrcSum sum = new CrcSum();
    private final List<Mismatch> mismatches = new ArrayList<>();
    private final byte[] held = new byte[1 << 16];
    private int have;
    private int wanted = HEADER_BYTES;
    private State state = State.HEADER;
    private long left;
    private long blockSize;
    private long chunksLeft;
    private int chunkHeader;
    private int kind;
    private long blocks;
    private long ofHeader;
    private int chunks;

    /** A checksum that is not that of the content, both as eight hexadecimal digits. */
    public record Mismatch(String expected, String actual) {}

    private enum State {
        HEADER,
        CHUNK,
        CONTENT,
        RAW_CONTENT,
        SKIPPING,
        OVER
    }

    /** Takes the next bytes of the image. */
    public void update(byte[] bytes, int length) {
        int at = 0;
        while (at < length && state != State.OVER) {
            int take = (int)
                    Math.min(length - at, state == State.RAW_CONTENT || state == State.SKIPPING ? left : wanted - have);
            if (state == State.RAW_CONTENT) {
                sum.update(bytes, at, take);
            } else if (state != State.SKIPPING) {
                System.arraycopy(bytes, at, held, have, take);
                have += take;
            }
            left -= take;
            at += take;
            step();
        }
    }

    /** What does not agree; empty also where there is no checksum, or the image ends before its last chunk. */
    public List<Mismatch> mismatches() {
        return List.copyOf(mismatches);
    }

    private void step() {
        switch (state) {
            case HEADER, CHUNK, CONTENT -> {
                if (have == wanted) {
                    have = 0;
                    held();
                }
            }
            case RAW_CONTENT -> {
                if (left == 0) {
                    next();
                }
            }
            case SKIPPING -> {
                if (left == 0) {
                    afterSkipping();
                }
            }
            default -> {
                // Over is over.
            }
        }
    }

    private void held() {
        ByteBuffer head = ByteBuffer.wrap(held).order(ByteOrder.LITTLE_ENDIAN);
        if (state == State.HEADER) {
            header(head);
        } else if (state == State.CHUNK) {
            chunk(head);
        } else {
            content(head);
        }
    }

    private void header(ByteBuffer head) {
        int headerBytes = head.getShort(8) & 0xffff;
        chunkHeader = head.getShort(10) & 0xffff;
        blockSize = head.getInt(12) & 0xffffffffL;
        chunksLeft = head.getInt(20) & 0xffffffffL;
        ofHeader = head.getInt(CHECKSUM_AT) & 0xffffffffL;
        boolean sound =
                headerBytes >= HEADER_BYTES && chunkHeader >= CHUNK_BYTES && blockSize > 0 && blockSize % 4 == 0;
        kind = 0;
        skip(sound ? headerBytes - HEADER_BYTES : -1);
    }

    private void chunk(ByteBuffer head) {
        kind = head.getShort(0) & 0xffff;
        blocks = head.getInt(4) & 0xffffffffL;
        chunks++;
        chunksLeft--;
        skip(kind < RAW || kind > CRC32 || chunks > MOST_CHUNKS ? -1 : chunkHeader - CHUNK_BYTES);
    }

    private void skip(long bytes) {
        left = bytes;
        state = bytes < 0 ? State.OVER : State.SKIPPING;
        if (bytes == 0) {
            afterSkipping();
        }
    }

    private void afterSkipping() {
        switch (kind) {
            case RAW -> {
                left = blocks * blockSize;
                state = State.RAW_CONTENT;
                if (left == 0) {
                    next();
                }
            }
            case FILL, CRC32 -> {
                wanted = ZEROS.length;
                state = State.CONTENT;
            }
            case DONT_CARE -> {
                sum.repeat(ZEROS, blocks * (blockSize / ZEROS.length));
                next();
            }
            default -> next();
        }
    }

    private void content(ByteBuffer four) {
        if (kind == FILL) {
            byte[] pattern = new byte[ZEROS.length];
            four.get(0, pattern);
            sum.repeat(pattern, blocks * (blockSize / ZEROS.length));
        } else {
            check(four.getInt(0) & 0xffffffffL);
        }
        next();
    }

    private void next() {
        if (chunksLeft > 0) {
            wanted = CHUNK_BYTES;
            state = State.CHUNK;
            return;
        }
        if (ofHeader != 0) {
            check(ofHeader);
        }
        state = State.OVER;
    }

    private void check(long expected) {
        if (expected != sum.value()) {
            mismatches.add(new Mismatch(hex(expected), hex(sum.value())));
        }
    }

    private static String hex(long value) {
        return HexFormat.of().toHexDigits((int) value);
    }
}
