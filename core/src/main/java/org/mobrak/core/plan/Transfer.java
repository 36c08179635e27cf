package org.mobrak.core.plan;

import java.util.OptionalLong;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Route;

/** How long files take to reach a phone, and how large one may be. */
public final class Transfer {
    /**
     * The most that bulk transfers carry at high speed, in bytes a second: 13 packets of 512 bytes in each of 8,000
     * microframes (Universal Serial Bus Specification, revision 2.0, table 5-10).
     */
    public static final long USB2_MOST = 13L * 512 * 8_000;
    /** What an old phone's flash takes from the cable, in bytes a second; common practice, no published source. */
    public static final long USUAL = 10_000_000;
    /** The largest file of FAT32 in bytes: its size is kept in 32 bits (FAT32 File System Specification 1.03, DIR_FileSize). */
    public static final long FAT32_MOST = (1L << 32) - 1;

    private static final double SECONDS = 60;

    private Transfer() {}

    /** Minutes for all files a route copies to the phone and of which the size is known, at {@link #USUAL}. */
    static double minutes(Route route) {
        return minutes(bytes(route).orElse(0));
    }

    /** Minutes for so many bytes at {@link #USUAL}. */
    public static double minutes(long bytes) {
        return bytes / (double) USUAL / SECONDS;
    }

    /** The sizes of what a route copies to the phone, in bytes; empty where none is known. */
    static OptionalLong bytes(Route route) {
        return route.work().files().stream()
                .filter(NeededFile::goesToPhone)
                .flatMap(file -> file.bytes().stream())
                .mapToLong(Long::longValue)
                .reduce(Long::sum);
    }
}
