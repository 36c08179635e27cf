package org.mobrak.core.logbook;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** One checksum over several words (SHA-256, FIPS 180-4); each goes in with its length, so that none can lend letters to the next. */
public final class Checksum {
    private Checksum() {}

    /** The checksum, 64 hexadecimal digits. */
    public static String of(String... words) {
        MessageDigest digest = begin();
        for (String word : words) {
            byte[] bytes = word.getBytes(StandardCharsets.UTF_8);
            digest.update((bytes.length + ":").getBytes(StandardCharsets.US_ASCII));
            digest.update(bytes);
        }
        return hex(digest);
    }

    /** The checksum of a file's bytes. */
    public static String of(byte[] bytes) {
        MessageDigest digest = begin();
        digest.update(bytes);
        return hex(digest);
    }

    /** One over bytes that are still to come. */
    public static MessageDigest begin() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException("Every Java has SHA-256", impossible);
        }
    }

    /** What it comes to, 64 hexadecimal digits; it begins anew. */
    public static String hex(MessageDigest digest) {
        return HexFormat.of().formatHex(digest.digest());
    }
}
