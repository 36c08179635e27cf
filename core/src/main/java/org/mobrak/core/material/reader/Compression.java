package org.mobrak.core.material.reader;

import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.apache.commons.compress.compressors.gzip.GzipCompressorInputStream;
import org.apache.commons.compress.compressors.lz4.FramedLZ4CompressorInputStream;
import org.tukaani.xz.LZMA2Options;
import org.tukaani.xz.LZMAInputStream;
import org.tukaani.xz.SingleXZInputStream;
import org.tukaani.xz.XZInputStream;

/** The ways in which one stream is made smaller. */
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

        @Override
        boolean unpacksAt(byte[] bytes, int at) {
            if (bytes.length - at <= LZMA_HEADER) {
                return false;
            }
            InputStream packed = new ByteArrayInputStream(bytes, at + LZMA_HEADER, bytes.length - at - LZMA_HEADER);
            // As far as it has come by then, nothing can lie farther back than the smallest dictionary reaches.
            try (InputStream first = new LZMAInputStream(packed, -1, bytes[at], LZMA2Options.DICT_SIZE_MIN)) {
                first.readNBytes(LZMA2Options.DICT_SIZE_MIN);
                return true;
            } catch (EOFException cut) {
                return true;
            } catch (IOException | RuntimeException chance) {
                return false;
            }
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

    /** Properties, the size of the dictionary and that of the content (LZMA specification, “.lzma file format”). */
    private static final int LZMA_HEADER = 13;
    /** What a decoder may take for its dictionary. Kernels use 32 MiB, {@code xz -9} 64 MiB. */
    private static final int MOST_KIBIBYTES = 80 * 1024;

    /** What a kernel unpacks itself with; of lz4 only the legacy frame (Linux, lib/decompress_unlz4.c). */
    private static final List<Compression> OF_KERNELS = List.of(GZIP, XZ, LZMA, LZO, LZ4_LEGACY);

    private static final BitSet FIRST_BYTES = firstBytes();

    private static BitSet firstBytes() {
        BitSet bytes = new BitSet();
        OF_KERNELS.forEach(one -> bytes.set(one.magic[0] & 0xff));
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

    /** Which of those a kernel knows begins at a place; asked at every byte of a kernel, so it looks at one byte first. */
    static Optional<Compression> beginningAt(Fields bytes, int at) {
        if (!FIRST_BYTES.get(bytes.bytes()[at] & 0xff)) {
            return Optional.empty();
        }
        for (Compression one : OF_KERNELS) {
            if (one.beginsAt(bytes, at)) {
                return Optional.of(one);
            }
        }
        return Optional.empty();
    }

    /**
     * Whether more than a magic number begins at a place, as far as that shows before a decoder takes memory: a kernel's bytes
     * hold such numbers by chance.
     */
    boolean unpacksAt(byte[] bytes, int at) {
        return true;
    }

    /**
     * The stream unpacked.
     *
     * @param whole whether the stream is only this, so that more of the kind may follow; else what follows is left alone
     */
    abstract InputStream open(InputStream in, boolean whole) throws IOException;
}
