package org.mobrak.core.material.reader;

import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.material.About;

/**
 * The header of a boot image, versions 0 to 4, as the platform's documentation publishes it (“Boot image header”, and the
 * header file {@code bootimg.h}). Before version 1 was published, some makers kept the size of a device tree where the
 * version now stands; a number no version can have is taken for that.
 *
 * @param sections what follows the header, in order; each is padded to whole pages
 */
record BootHeader(About.BootImage about, List<Section> sections) {
    static final String KERNEL = "kernel";

    private static final int KERNEL_BYTES = 8;
    private static final int KERNEL_ADDRESS = 12;
    private static final int RAMDISK_BYTES = 16;
    private static final int RAMDISK_ADDRESS = 20;
    private static final int SECOND_BYTES = 24;
    private static final int SECOND_ADDRESS = 28;
    private static final int TAGS_ADDRESS = 32;
    private static final int PAGE_SIZE = 36;
    private static final int VERSION = 40;
    private static final int OS_VERSION = 44;
    private static final int NAME = 48;
    private static final int NAME_BYTES = 16;
    private static final int CMDLINE = NAME + NAME_BYTES;
    private static final int CMDLINE_BYTES = 512;
    private static final int ID_BYTES = 32;
    private static final int EXTRA_CMDLINE = CMDLINE + CMDLINE_BYTES + ID_BYTES;
    private static final int EXTRA_CMDLINE_BYTES = 1024;
    // From version 1 on.
    private static final int DTBO_BYTES = EXTRA_CMDLINE + EXTRA_CMDLINE_BYTES;
    // In version 2.
    private static final int DTB_BYTES = DTBO_BYTES + 4 + 8 + 4;
    private static final int DTB_ADDRESS = DTB_BYTES + 4;
    // In versions 3 and 4 the fields are fewer and stand elsewhere; the version stays where it was.
    private static final int RAMDISK_BYTES_V3 = 12;
    private static final int OS_VERSION_V3 = 16;
    private static final int CMDLINE_V3 = 44;
    private static final int CMDLINE_BYTES_V3 = 1536;
    private static final int SIGNATURE_BYTES_V4 = CMDLINE_V3 + CMDLINE_BYTES_V3;
    private static final int PAGE_SIZE_V3 = 4096;

    private static final int NEWEST = 4;
    private static final long LEAST_PAGE = 512;
    private static final long MOST_PAGE = 1 << 17;

    /** A stretch of the image. */
    record Section(String name, long bytes) {}

    long pageSize() {
        return about.pageSize();
    }

    /** A size rounded up to whole pages. */
    long padded(long bytes) {
        return (bytes + pageSize() - 1) / pageSize() * pageSize();
    }

    /** How long the image is at least: the padding of the last section may be missing. */
    long totalBytes() {
        long end = pageSize();
        long padding = 0;
        for (Section section : sections) {
            if (section.bytes() > 0) {
                end += padding + section.bytes();
                padding = padded(section.bytes()) - section.bytes();
            }
        }
        return end;
    }

    static BootHeader read(Fields head) throws Broken {
        long version = head.u32(VERSION);
        return version == 3 || version == NEWEST ? readNew(head, (int) version) : readOld(head, version);
    }

    private static BootHeader readOld(Fields head, long version) throws Broken {
        boolean deviceTree = version > NEWEST;
        int known = deviceTree ? 0 : (int) version;
        long page = head.u32(PAGE_SIZE);
        if (Long.bitCount(page) != 1 || page < LEAST_PAGE || page > MOST_PAGE) {
            throw new Broken("impossible-size", "a page of %d bytes cannot be".formatted(page));
        }
        long dtbo = known >= 1 ? head.u32(DTBO_BYTES) : 0;
        long dtb = known >= 2 ? head.u32(DTB_BYTES) : deviceTree ? version : 0;
        Map<String, Long> addresses = new LinkedHashMap<>();
        addresses.put(KERNEL, head.u32(KERNEL_ADDRESS));
        addresses.put("ramdisk", head.u32(RAMDISK_ADDRESS));
        addresses.put("second", head.u32(SECOND_ADDRESS));
        addresses.put("tags", head.u32(TAGS_ADDRESS));
        if (known >= 2) {
            addresses.put("dtb", head.u64(DTB_ADDRESS));
        }
        List<Section> sections = List.of(
                new Section(KERNEL, head.u32(KERNEL_BYTES)),
                new Section("ramdisk", head.u32(RAMDISK_BYTES)),
                new Section("second", head.u32(SECOND_BYTES)),
                new Section("recovery dtbo", dtbo),
                new Section("dtb", dtb));
        String cmdline = head.text(CMDLINE, CMDLINE_BYTES) + head.text(EXTRA_CMDLINE, EXTRA_CMDLINE_BYTES);
        long os = head.u32(OS_VERSION);
        return new BootHeader(
                new About.BootImage(
                        known,
                        page,
                        head.u32(KERNEL_BYTES),
                        head.u32(RAMDISK_BYTES),
                        head.u32(SECOND_BYTES),
                        dtb,
                        addresses,
                        head.text(NAME, NAME_BYTES),
                        cmdline,
                        osVersion(os),
                        patchLevel(os)),
                sections);
    }

    private static BootHeader readNew(Fields head, int version) throws Broken {
        long os = head.u32(OS_VERSION_V3);
        long signature = version == NEWEST ? head.u32(SIGNATURE_BYTES_V4) : 0;
        return new BootHeader(
                new About.BootImage(
                        version,
                        PAGE_SIZE_V3,
                        head.u32(KERNEL_BYTES),
                        head.u32(RAMDISK_BYTES_V3),
                        0,
                        0,
                        Map.of(),
                        "",
                        head.text(CMDLINE_V3, CMDLINE_BYTES_V3),
                        osVersion(os),
                        patchLevel(os)),
                List.of(
                        new Section(KERNEL, head.u32(KERNEL_BYTES)),
                        new Section("ramdisk", head.u32(RAMDISK_BYTES_V3)),
                        new Section("signature", signature)));
    }

    /** Seven bits each for the three parts of the version, above the eleven of the patch level. */
    private static Optional<String> osVersion(long field) {
        long parts = field >> 11;
        return parts == 0
                ? Optional.empty()
                : Optional.of("%d.%d.%d".formatted(parts >> 14 & 0x7f, parts >> 7 & 0x7f, parts & 0x7f));
    }

    /** Seven bits for the years since 2000, four for the month. */
    private static Optional<YearMonth> patchLevel(long field) {
        int month = (int) (field & 0xf);
        int year = (int) (field >> 4 & 0x7f);
        return month < 1 || month > 12 ? Optional.empty() : Optional.of(YearMonth.of(2000 + year, month));
    }
}
