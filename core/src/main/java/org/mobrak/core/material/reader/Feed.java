package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;

/** Bytes going past once, with a look ahead at the first of them and a way to let the unwanted pass unread. */
final class Feed extends InputStream {
    private final InputStream in;
    private byte[] ahead = {};
    private int taken;
    private long position;
    private long passed;

    Feed(InputStream in) {
        this.in = in;
    }

    /** The next bytes without taking them; fewer only at the end. */
    byte[] head(int count) throws IOException {
        int held = ahead.length - taken;
        if (held < count) {
            byte[] more = in.readNBytes(count - held);
            byte[] both = Arrays.copyOfRange(ahead, taken, taken + held + more.length);
            System.arraycopy(more, 0, both, held, more.length);
            ahead = both;
            taken = 0;
        }
        return Arrays.copyOfRange(ahead, taken, Math.min(ahead.length, taken + count));
    }

    /** How many bytes have been taken. */
    long position() {
        return position;
    }

    /**
     * The next bytes are of no interest: they are skipped at once, and whoever reads them gets their number but not their
     * values. An archive's library reads through members to come to the next; this lets it do so without the disk.
     */
    void pass(long count) throws IOException {
        long place = position;
        while (position < place + count && skip(place + count - position) > 0) {
            // A stream may skip less than it was asked to.
        }
        passed = position - place;
        position = place;
    }

    /** Skips to a place further on; {@link Broken} if the end comes first. */
    void skipTo(long place) throws IOException {
        while (position < place) {
            long skipped = skip(place - position);
            if (skipped == 0 && read() < 0) {
                throw new Broken(
                        "truncated", "it should reach to byte %d, but ends at byte %d".formatted(place, position));
            }
        }
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
    }

    @Override
    public int read(byte[] into, int offset, int length) throws IOException {
        if (length == 0) {
            return 0;
        }
        if (passed > 0) {
            int given = (int) Math.min(length, passed);
            passed -= given;
            position += given;
            return given;
        }
        int held = Math.min(length, ahead.length - taken);
        if (held > 0) {
            System.arraycopy(ahead, taken, into, offset, held);
            taken += held;
            position += held;
            return held;
        }
        int read = in.read(into, offset, length);
        position += Math.max(0, read);
        return read;
    }

    @Override
    public long skip(long count) throws IOException {
        int held = (int) Math.min(count, ahead.length - taken);
        if (held > 0) {
            taken += held;
            position += held;
            return held;
        }
        long skipped = in.skip(count);
        position += skipped;
        return skipped;
    }
}
