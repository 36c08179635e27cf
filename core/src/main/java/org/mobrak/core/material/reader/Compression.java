package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.apache.commons.compress.compressors.gzip.GzipCompressorInputStream;
import org.apache.commons.compress.compressors.lz4.FramedLZ4CompressorInputStream;
import org.tukaani.xz.LZMAInputStream;
import org.tukaani.xz.SingleXZInputStream;
import org.tukaani.xz.XZInputStream;

/** The ways in which one stream is made smaller; the order is that in which a kernel is searched for them. */
enum Compression {
    GZIP("gzip", "1f8b08") {
        @Override
        InputStream open(InputStream in, boolean whole) throws IOException {
            return GzipCompressorInputStream.builder()
                    .setInputStream(in)
                    .setDecompressConcatenated(whole)
                    .get();
        }
    },
    XZ("xz", "fd377a585a00") {
        @Override
        InputStream open(InputStream in, boolean whole) throws IOException {
            return whole ? new XZInputStream(in, MOST_KIBIBYTES) : new SingleXZInputStream(in, MOST_KIBIBYTES);
        }
    },
    /** With a dictionary of whole megabytes, as kernels have it; the alone format has no magic number of its own. */
    LZMA("lzma", "5d0000") {
        @Override
        InputStream open(InputStream in, boolean whole) throws IOException {
            return new LZMAInputStream(in, MOST_KIBIBYTES);
        }
    },
    LZO("lzo", "894c5a4f000d0a1a0a") {
        @Override
        InputStream open(InputStream in, boolean whole) throws IOException {
            return new LzopStream(in);
        }
    },
    LZ4_LEGACY("lz4", "02214c18") {
        @Override
        InputStream open(InputStream in, boolean whole) throws IOException {
            return new LegacyLz4Stream(in, whole);
        }
    },
    LZ4_FRAME("lz4", "04224d18") {
        @Override
        InputStream open(InputStream in, boolean whole) throws IOException {
            return new FramedLZ4CompressorInputStream(in);
        }
    };

    /** What a decoder may take for its dictionary. Kernels use 32 MiB, {@code xz -9} 64 MiB. */
    private static final int MOST_KIBIBYTES = 80 * 1024;

    private static final List<Compression> ALL = List.of(values());
    private static final BitSet FIRST_BYTES = firstBytes();

    private static BitSet firstBytes() {
        BitSet bytes = new BitSet();
        ALL.forEach(one -> bytes.set(one.magic[0] & 0xff));
        return bytes;
    }

    private final String word;
    private final byte[] magic;

    Compression(String word, String magic) {
        this.word = word;
        this.magic = Fields.magic(magic);
    }

    String word() {
        return word;
    }

    boolean beginsAt(Fields bytes, int at) {
        return bytes.has(at, magic);
    }

    /** Which of them begins at a place; asked at every byte of a kernel, so it looks at one byte first. */
    static Optional<Compression> beginningAt(Fields bytes, int at) {
        if (!FIRST_BYTES.get(bytes.bytes()[at] & 0xff)) {
            return Optional.empty();
        }
        for (Compression one : ALL) {
            if (one.beginsAt(bytes, at)) {
                return Optional.of(one);
            }
        }
        return Optional.empty();
    }

    /**
     * The stream unpacked.
     *
     * @param whole whether the stream is only this, so that more of the kind may follow; else what follows is left alone
     */
    abstract InputStream open(InputStream in, boolean whole) throws IOException;
}
