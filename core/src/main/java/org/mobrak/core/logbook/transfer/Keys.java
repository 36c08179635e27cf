package org.mobrak.core.logbook.transfer;

import java.util.HashMap;
import java.util.Map;
import org.mobrak.core.logbook.Checksum;

/**
 * Names for rows that are the same on every computer: a digest of what the row is of and says (SHA-256, shortened to 128 bits). Rows
 * that say the very same are numbered.
 */
final class Keys {
    private static final int HEX = 32;

    private final Map<String, Integer> seen = new HashMap<>();

    /** The key of a row by what tells it from others. */
    String of(String... parts) {
        String key = Checksum.of(parts).substring(0, HEX);
        int count = seen.merge(key, 1, Integer::sum);
        return count == 1 ? key : key + "-" + count;
    }
}
