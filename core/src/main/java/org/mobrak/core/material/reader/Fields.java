package org.mobrak.core.material.reader;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;

/** Fields of a header, little-endian unless said otherwise. Reading past the end is {@link Broken}. */
final class Fields {
    private final byte[] bytes;

    Fields(byte[] bytes) {
        this.bytes = bytes;
    }

    int length() {
        return bytes.length;
    }

    /** Whether these bytes stand there; no if the end comes first. */
    boolean has(int at, byte[] wanted) {
        return at + wanted.length <= bytes.length
                && Arrays.equals(bytes, at, at + wanted.length, wanted, 0, wanted.length);
    }

    /** The bytes of a magic number written as hexadecimal. */
    static byte[] magic(String hex) {
        return HexFormat.of().parseHex(hex);
    }

    int u8(int at) throws Broken {
        return of(at, 1).get(at) & 0xff;
    }

    int u16(int at) throws Broken {
        return of(at, 2).getShort(at) & 0xffff;
    }

    long u32(int at) throws Broken {
        return of(at, 4).getInt(at) & 0xffffffffL;
    }

    long bigEndian32(int at) throws Broken {
        return of(at, 4).order(ByteOrder.BIG_ENDIAN).getInt(at) & 0xffffffffL;
    }

    /** A 64-bit number; {@link Broken} where it does not fit into 63 bits, since no size and no address here does that. */
    long u64(int at) throws Broken {
        long value = of(at, 8).getLong(at);
        if (value < 0) {
            throw new Broken("impossible-size", "the number at offset %d overflows 63 bits".formatted(at));
        }
        return value;
    }

    /** A text of at most so many bytes, ended by a zero; bytes that are no UTF-8 are replaced. */
    String text(int at, int most) throws Broken {
        of(at, most);
        int end = at;
        while (end < at + most && bytes[end] != 0) {
            end++;
        }
        return new String(bytes, at, end - at, StandardCharsets.UTF_8);
    }

    String hex(int at, int count) throws Broken {
        of(at, count);
        return HexFormat.of().formatHex(bytes, at, at + count);
    }

    /** The bytes themselves; they are not copied. */
    byte[] bytes() {
        return bytes;
    }

    private ByteBuffer of(int at, int count) throws Broken {
        if (at < 0 || count < 0 || at > bytes.length - count) {
            throw new Broken(
                    "truncated",
                    "%d bytes are needed at offset %d, but there are only %d in all"
                            .formatted(count, at, bytes.length));
        }
        return ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    }
}
