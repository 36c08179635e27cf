package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;

/** A stream that is unpacked block by block. */
abstract class BlockStream extends InputStream {
    private byte[] block = {};
    private int at;
    private int length;

    /** Unpacks the next block and gives it to {@link #give}; no if there is none. */
    abstract boolean next() throws IOException;

    /** The block that is read from now on. */
    final void give(byte[] bytes, int count) {
        block = bytes;
        length = count;
        at = 0;
    }

    @Override
    public final int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
    }

    @Override
    public final int read(byte[] into, int offset, int count) throws IOException {
        while (at == length) {
            if (!next()) {
                return -1;
            }
        }
        int taken = Math.min(count, length - at);
        System.arraycopy(block, at, into, offset, taken);
        at += taken;
        return taken;
    }
}
