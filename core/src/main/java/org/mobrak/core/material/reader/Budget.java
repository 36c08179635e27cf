package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;
import org.apache.commons.io.input.ProxyInputStream;

/**
 * How much may be unpacked while one file is looked into. A small file that unfolds without end costs a bounded time, and
 * nothing else. The numbers are our own.
 */
final class Budget {
    private static final long FREE = 64L << 20;
    private static final long TIMES_THE_FILE = 200;
    private static final long MOST = 16L << 30;

    private final long limit;
    private long unpacked;

    Budget(long fileBytes) {
        this.limit = fileBytes > MOST / TIMES_THE_FILE ? MOST : FREE + fileBytes * TIMES_THE_FILE;
    }

    /** A stream whose bytes count. */
    InputStream meter(InputStream packed) {
        return new Metered(packed);
    }

    private void spend(long bytes) throws Broken {
        unpacked += Math.max(0, bytes);
        if (unpacked > limit) {
            throw new Broken(
                    "unpacks-too-far",
                    "it unpacks to more than %d MB, far more than a file of this size should; it was not read further"
                            .formatted(limit >> 20));
        }
    }

    private final class Metered extends ProxyInputStream {
        Metered(InputStream packed) {
            super(packed);
        }

        @Override
        protected void afterRead(int count) throws IOException {
            spend(count);
        }

        @Override
        public long skip(long count) throws IOException {
            long skipped = super.skip(count);
            spend(skipped);
            return skipped;
        }
    }
}
