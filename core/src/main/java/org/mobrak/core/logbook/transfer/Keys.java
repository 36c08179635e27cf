package org.mobrak.core.logbook.transfer;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Map;

/**
 * Names for rows that are the same on every computer: a digest of what the row is of and says (SHA-256, shortened to 128 bits). Rows
 * that say the very same are numbered.
 */
final class Keys {
    private static final int HEX = 32;

    private final Map<String, Integer> seen = new HashMap<>();

    /** The key of a row by what tells it from others. */
    String of(String... parts) {
        String key = digest(parts);
        int count = seen.merge(key, 1, Integer::sum);
        return count == 1 ? key : key + "-" + count;
    }

    private static String digest(String... parts) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            for (String part : parts) {
                byte[] bytes = part.getBytes(StandardCharsets.UTF_8);
                digest.update((bytes.length + ":").getBytes(StandardCharsets.US_ASCII));
                digest.update(bytes);
            }
            return HexFormat.of().formatHex(digest.digest()).substring(0, HEX);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
