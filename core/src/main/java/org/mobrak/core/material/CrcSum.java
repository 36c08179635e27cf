package org.mobrak.core.material;

import java.util.zip.CRC32;

/**
 * CRC-32 (ISO/IEC/IEEE 8802-3) over bytes of which long stretches are one short pattern again and again. Those are not gone
 * through: the sum of two texts in a row follows from the sum of each and the length of the second (the method of zlib's
 * {@code crc32_combine}, over the field GF(2)), so a stretch is doubled until it is long enough.
 */
final class CrcSum {
    private static final long POLYNOMIAL = 0xedb88320L;
    private static final int BITS = 32;
    /** Shorter stretches are quicker gone through. */
    private static final long SHORT = 1 << 16;

    private long sum;

    /** The sum so far. */
    long value() {
        return sum;
    }

    void update(byte[] bytes, int from, int count) {
        CRC32 crc = new CRC32();
        crc.update(bytes, from, count);
        sum = joined(sum, crc.getValue(), count);
    }

    /** A pattern so many times in a row. */
    void repeat(byte[] pattern, long times) {
        if (pattern.length * times <= SHORT) {
            byte[] all = new byte[(int) (pattern.length * times)];
            for (int i = 0; i < all.length; i++) {
                all[i] = pattern[i % pattern.length];
            }
            update(all, 0, all.length);
            return;
        }
        CRC32 one = new CRC32();
        one.update(pattern, 0, pattern.length);
        long ofStretch = one.getValue();
        long length = pattern.length;
        for (long left = times; left > 0; left >>= 1) {
            if ((left & 1) == 1) {
                sum = joined(sum, ofStretch, length);
            }
            ofStretch = joined(ofStretch, ofStretch, length);
            length *= 2;
        }
    }

    /** The sum of two texts in a row: that of the first, pushed on by as many zeros as the second is long, and the second's. */
    private static long joined(long first, long second, long secondBytes) {
        if (secondBytes <= 0) {
            return first;
        }
        long[] even = new long[BITS];
        long[] odd = new long[BITS];
        odd[0] = POLYNOMIAL;
        for (int bit = 1; bit < BITS; bit++) {
            odd[bit] = 1L << bit - 1;
        }
        square(even, odd);
        square(odd, even);
        long pushed = first;
        long left = secondBytes;
        boolean turn = true;
        while (left > 0) {
            long[] next = turn ? even : odd;
            square(next, turn ? odd : even);
            if ((left & 1) == 1) {
                pushed = times(next, pushed);
            }
            left >>= 1;
            turn = !turn;
        }
        return pushed ^ second;
    }

    private static void square(long[] into, long[] matrix) {
        for (int i = 0; i < BITS; i++) {
            into[i] = times(matrix, matrix[i]);
        }
    }

    private static long times(long[] matrix, long vector) {
        long product = 0;
        long left = vector;
        for (int i = 0; left != 0; i++, left >>= 1) {
            product ^= (left & 1) == 1 ? matrix[i] : 0;
        }
        return product;
    }
}
