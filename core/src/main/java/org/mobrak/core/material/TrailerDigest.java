package org.mobrak.core.material;

import java.security.MessageDigest;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Optional;

/**
 * MD5 a few bytes behind the stream. Only at the end is it known whether the last line is a {@link Trailer}, whose digest
 * leaves the line itself out; so the tail is held back and then taken both ways.
 */
public final class TrailerDigest implements Running {
    private final MessageDigest behind = Running.algorithm(Digest.MD5);
    private byte[] tail = {};

    @Override
    public void update(byte[] bytes, int length) {
        int kept = Math.min(Trailer.MOST_BYTES, tail.length + length);
        if (length >= Trailer.MOST_BYTES) {
            behind.update(tail);
            behind.update(bytes, 0, length - kept);
            tail = Arrays.copyOfRange(bytes, length - kept, length);
        } else {
            byte[] both = Arrays.copyOf(tail, tail.length + length);
            System.arraycopy(bytes, 0, both, tail.length, length);
            behind.update(both, 0, both.length - kept);
            tail = Arrays.copyOfRange(both, both.length - kept, both.length);
        }
    }

    @Override
    public String hex() {
        return with(tail.length);
    }

    @Override
    public Optional<Trailer.Checked> trailer() {
        return Trailer.in(tail).map(trailer -> new Trailer.Checked(trailer, with(tail.length - trailer.bytes())));
    }

    private String with(int ofTail) {
        try {
            MessageDigest copy = (MessageDigest) behind.clone();
            copy.update(tail, 0, ofTail);
            return HexFormat.of().formatHex(copy.digest());
        } catch (CloneNotSupportedException impossible) {
            throw new IllegalStateException("the platform's MD5 can be copied", impossible);
        }
    }
}
