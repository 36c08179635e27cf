package org.mobrak.core.plan;

import java.util.Locale;

/** Sizes for a person, in powers of ten as the SI has them. */
public final class Sizes {
    private static final double KILO = 1e3;
    private static final double MEGA = 1e6;
    private static final double GIGA = 1e9;

    private Sizes() {}

    /** Such as {@code 1.5 GB}, {@code 72 kB}, {@code 22 bytes}. */
    public static String words(long bytes) {
        if (bytes >= GIGA) {
            return String.format(Locale.ROOT, "%.1f GB", bytes / GIGA);
        }
        if (bytes >= MEGA) {
            return String.format(Locale.ROOT, "%.1f MB", bytes / MEGA);
        }
        return bytes >= KILO ? String.format(Locale.ROOT, "%.0f kB", bytes / KILO) : bytes + " bytes";
    }
}
