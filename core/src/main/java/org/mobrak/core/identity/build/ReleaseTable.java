package org.mobrak.core.identity.build;

import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Which API level belongs to which OS version. Source: the platform's published table “Codenames, Tags, and Build
 * Numbers”, written down from memory; the test says which of the values were held against another source.
 */
public final class ReleaseTable {
    /** The lowest level of each release line; a longer version number belongs to the longest line it begins with. */
    private static final NavigableMap<String, Integer> LEVELS = new TreeMap<>(Map.ofEntries(
            Map.entry("1.5", 3),
            Map.entry("1.6", 4),
            Map.entry("2.0", 5),
            Map.entry("2.0.1", 6),
            Map.entry("2.1", 7),
            Map.entry("2.2", 8),
            Map.entry("2.3", 9),
            Map.entry("2.3.3", 10),
            Map.entry("2.3.4", 10),
            Map.entry("2.3.5", 10),
            Map.entry("2.3.6", 10),
            Map.entry("2.3.7", 10),
            Map.entry("3.0", 11),
            Map.entry("3.1", 12),
            Map.entry("3.2", 13),
            Map.entry("4.0", 14),
            Map.entry("4.0.3", 15),
            Map.entry("4.0.4", 15),
            Map.entry("4.1", 16),
            Map.entry("4.2", 17),
            Map.entry("4.3", 18),
            Map.entry("4.4", 19),
            Map.entry("5.0", 21),
            Map.entry("5.1", 22),
            Map.entry("6.0", 23),
            Map.entry("7.0", 24),
            Map.entry("7.1", 25),
            Map.entry("8.0", 26),
            Map.entry("8.0.0", 26),
            Map.entry("8.1", 27),
            Map.entry("9", 28),
            Map.entry("10", 29),
            Map.entry("11", 30),
            Map.entry("13", 33),
            Map.entry("14", 34)));

    private ReleaseTable() {}

    /** The API level of an OS version such as {@code 4.1.2}; empty for a version the table does not hold. */
    public static Optional<Integer> apiLevelOf(String osVersion) {
        String line = osVersion.strip();
        while (!line.isEmpty()) {
            Integer level = LEVELS.get(line);
            if (level != null) {
                return Optional.of(level);
            }
            line = line.substring(0, Math.max(0, line.lastIndexOf('.')));
        }
        return Optional.empty();
    }
}
