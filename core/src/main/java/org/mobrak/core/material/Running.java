package org.mobrak.core.material;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.zip.CRC32;

/** A digest that is being worked out. */
interface Running {
    void update(byte[] bytes, int length);

    /** The value so far, lower-case hexadecimal. */
    String hex();

    /** What the last bytes say of those before them. */
    default Optional<Trailer.Checked> trailer() {
        return Optional.empty();
    }

    static Running of(Digest digest) {
        return switch (digest) {
            case CRC32 -> new Crc();
            case MD5 -> new TrailerDigest();
            default -> new Plain(algorithm(digest));
        };
    }

    /** An algorithm of the platform's. */
    static MessageDigest algorithm(Digest digest) {
        try {
            return MessageDigest.getInstance(digest.label());
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("every Java platform has " + digest.label(), impossible);
        }
    }

    /** One of the platform's. */
    record Plain(MessageDigest digest) implements Running {
        @Override
        public void update(byte[] bytes, int length) {
            digest.update(bytes, 0, length);
        }

        @Override
        public String hex() {
            return HexFormat.of().formatHex(digest.digest());
        }
    }

    /** CRC-32 as zip and gzip have it (ISO/IEC/IEEE 8802-3), eight digits. */
    record Crc(CRC32 crc) implements Running {
        Crc() {
            this(new CRC32());
        }

        @Override
        public void update(byte[] bytes, int length) {
            crc.update(bytes, 0, length);
        }

        @Override
        public String hex() {
            return HexFormat.of().toHexDigits((int) crc.getValue());
        }
    }
}
