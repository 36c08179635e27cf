package org.mobrak.core.material.reader;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.mobrak.core.material.About;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Part;

/**
 * A sparse image, format 1.0: a header, then chunks of which those with a known or no content take no room (the layout is
 * published as the header file {@code sparse_format.h} of the platform's open source).
 */
final class SparseReader implements PartReader {
    private static final byte[] MAGIC = Fields.magic("3aff26ed");
    private static final int MAJOR_AT = 4;
    private static final int HEADER_SIZE_AT = 8;
    private static final int CHUNK_HEADER_SIZE_AT = 10;
    private static final int BLOCK_SIZE_AT = 12;
    private static final int TOTAL_BLOCKS_AT = 16;
    private static final int TOTAL_CHUNKS_AT = 20;
    private static final int HEADER_BYTES = 28;
    private static final int CHUNK_BYTES = 12;

    private static final int RAW = 0xCAC1;
    private static final int FILL = 0xCAC2;
    private static final int DONT_CARE = 0xCAC3;
    private static final int CRC32 = 0xCAC4;
    /** More chunks than a sound image of any phone has; each costs a little time. */
    private static final long MOST_CHUNKS = 1L << 24;

    @Override
    public FileKind kind() {
        return FileKind.SPARSE_IMAGE;
    }

    @Override
    public boolean recognises(Fields head) {
        return head.has(0, MAGIC);
    }

    @Override
    public Part read(Piece piece, PieceInspector looker) throws IOException {
        Fields head = new Fields(piece.in().head(HEADER_BYTES));
        Walk walk = new Walk(piece, looker, head);
        looker.attempt(piece, walk::run);
        return new Part(piece.name(), piece.bytes(), kind(), Optional.of(walk.about()), walk.inside);
    }

    /** One way through the chunks. */
    private static final class Walk {
        private final Piece piece;
        private final PieceInspector looker;
        private final long blockSize;
        private final long totalBlocks;
        private final long totalChunks;
        private final int headerSize;
        private final int chunkHeaderSize;
        private final List<Part> inside = new ArrayList<>();
        private final long[] counts = new long[4];
        private long blocks;

        Walk(Piece piece, PieceInspector looker, Fields head) throws Broken {
            this.piece = piece;
            this.looker = looker;
            this.headerSize = head.u16(HEADER_SIZE_AT);
            this.chunkHeaderSize = head.u16(CHUNK_HEADER_SIZE_AT);
            this.blockSize = head.u32(BLOCK_SIZE_AT);
            this.totalBlocks = head.u32(TOTAL_BLOCKS_AT);
            this.totalChunks = head.u32(TOTAL_CHUNKS_AT);
            check(head.u16(MAJOR_AT));
        }

        private void check(int major) throws Broken {
            if (major != 1 || headerSize < HEADER_BYTES || chunkHeaderSize < CHUNK_BYTES) {
                throw new Broken(
                        "unknown-version",
                        "it is a sparse image of version %d with headers of %d and %d bytes, which nobody has published"
                                .formatted(major, headerSize, chunkHeaderSize));
            }
            if (blockSize == 0 || blockSize % 4 != 0 || blockSize > 1 << 26) {
                throw new Broken("impossible-size", "a block of %d bytes cannot be".formatted(blockSize));
            }
            if (totalChunks > MOST_CHUNKS) {
                throw new Broken("impossible-size", "it claims %d chunks".formatted(totalChunks));
            }
        }

        About.Sparse about() {
            return new About.Sparse(
                    blockSize, totalBlocks, counts[0], counts[1], counts[2], counts[3], totalBlocks * blockSize);
        }

        void run() throws IOException {
            piece.in().skipTo(headerSize);
            for (long i = 0; i < totalChunks; i++) {
                chunk(i);
            }
            if (blocks != totalBlocks) {
                throw new Broken(
                        "sparse-blocks",
                        "its chunks hold %d blocks, but its header says %d".formatted(blocks, totalBlocks));
            }
        }

        private void chunk(long number) throws IOException {
            long start = piece.in().position();
            Fields head = new Fields(piece.in().readNBytes(CHUNK_BYTES));
            int type = head.u16(0);
            long ofBlocks = head.u32(4);
            long bytes = head.u32(8);
            long expected = chunkHeaderSize + content(type, ofBlocks, number);
            if (bytes != expected) {
                throw new Broken(
                        "sparse-chunk",
                        "chunk %d says it is %d bytes long, but %d blocks of its kind take %d"
                                .formatted(number, bytes, ofBlocks, expected));
            }
            counts[type - RAW]++;
            piece.in().skipTo(start + chunkHeaderSize);
            if (blocks == 0 && type == RAW && inside.isEmpty()) {
                content(bytes - chunkHeaderSize);
            }
            blocks += type == CRC32 ? 0 : ofBlocks;
            piece.in().skipTo(start + bytes);
        }

        private long content(int type, long ofBlocks, long number) throws Broken {
            return switch (type) {
                case RAW -> ofBlocks * blockSize;
                case FILL, CRC32 -> 4;
                case DONT_CARE -> 0;
                default ->
                    throw new Broken("sparse-chunk", "chunk %d is of the unknown kind %04x".formatted(number, type));
            };
        }

        /** The first chunk holds the head of what is inside, which is enough to know it. */
        private void content(long bytes) throws IOException {
            Piece first = piece.section("content", bytes);
            Piece whole = new Piece(
                    first.path(),
                    first.name(),
                    OptionalLong.of(totalBlocks * blockSize),
                    first.in(),
                    Optional.empty(),
                    first.depth());
            inside.add(looker.look(whole));
        }
    }
}
