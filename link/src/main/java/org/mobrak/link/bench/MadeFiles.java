package org.mobrak.link.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Map;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveOutputStream;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Fact;

/**
 * Files for the bench: of the shape a route asks for, small, with real headers, so that the readers that look into real files have
 * something to read. The content is invented; nothing in it could run.
 */
public final class MadeFiles {
    private static final int PAGE = 2048;
    private static final int FILLER = 6000;
    private static final int NAME_BYTES = 16;
    private static final int TRAILER_BLANKS = 2;
    private static final String SCRIPT = "META-INF/com/bench/recovery/updater-script";

    /** What such a partition's image is called in a package; by common practice, and known to the readers. */
    private static final Map<PartitionClass, String> MEMBERS = Map.of(
            PartitionClass.KERNEL, "boot",
            PartitionClass.RECOVERY, "recovery",
            PartitionClass.SYSTEM, "system",
            PartitionClass.RADIO, "radio",
            PartitionClass.BOOTLOADER, "bootloader",
            PartitionClass.PARTITION_TABLE, "ptable",
            PartitionClass.DATA, "userdata");

    private MadeFiles() {}

    /**
     * A file such as a route asks for.
     *
     * @param device the code of the phone it is made for
     */
    public static byte[] of(NeededFile wanted, String device) throws IOException {
        String name = wanted.name().toLowerCase(Locale.ROOT);
        PartitionClass where = wanted.partition().orElse(PartitionClass.APP);
        byte[] content = content(where, wanted, device);
        if (name.endsWith(".apk") || wanted.where().filter("computer"::equals).isPresent() && name.endsWith(".zip")) {
            return plainZip(wanted.name() + " for " + device);
        }
        if (name.endsWith(".zip")) {
            return zip(where, content, device);
        }
        if (name.endsWith(".tar")) {
            return tar(where, content);
        }
        return name.endsWith(".tar.md5") ? withTrailer(tar(where, content), wanted.name()) : content;
    }

    /** The same with some bytes turned round in the middle, as a bad download has it. */
    public static byte[] damaged(byte[] whole) {
        byte[] bytes = whole.clone();
        for (int i = bytes.length / 2; i < Math.min(bytes.length, bytes.length / 2 + 64); i++) {
            bytes[i] ^= 0x55;
        }
        return bytes;
    }

    private static byte[] content(PartitionClass where, NeededFile wanted, String device) throws IOException {
        String release = wanted.holds().getOrDefault(Fact.KERNEL_RELEASE, "3.4.0-bench");
        return switch (where) {
            case KERNEL, RECOVERY -> bootImage(zImage(release), device);
            case BOOTLOADER -> elf(wanted.name() + " for " + device);
            default -> filler(wanted.role() + " " + wanted.name() + " for " + device);
        };
    }

    private static byte[] filler(String words) {
        byte[] bytes = new byte[FILLER];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte) (i * 31 % 251 ^ i >> 7);
        }
        byte[] text = words.getBytes(StandardCharsets.UTF_8);
        System.arraycopy(text, 0, bytes, 0, Math.min(text.length, bytes.length));
        return bytes;
    }

    /** A zImage around a gzip of nothing but a banner: the loader's magic and length stand where the Linux boot protocol has them. */
    private static byte[] zImage(String release) throws IOException {
        String banner =
                "Linux version " + release + " (bench@alder) (gcc version 4.7) #1 Thu Jan 2 10:00:00 UTC 2014\n";
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream out = new GZIPOutputStream(packed)) {
            out.write(filler("kernel"));
            out.write(banner.getBytes(StandardCharsets.US_ASCII));
            out.write(new byte[PAGE]);
        }
        ByteBuffer loader = little(1024);
        loader.putInt(0x24, 0x016f2818).putInt(0x2c, 1024 + packed.size() + 4);
        return join(
                loader.array(),
                packed.toByteArray(),
                little(4).putInt(0, 1 << 13).array());
    }

    /** A boot image of header version 0 that says which board it is for. */
    private static byte[] bootImage(byte[] kernel, String board) {
        byte[] ramdisk = filler("ramdisk");
        ByteBuffer header = little(PAGE);
        header.put(0, "ANDROID!".getBytes(StandardCharsets.US_ASCII))
                .putInt(8, kernel.length)
                .putInt(12, 0x40008000);
        header.putInt(16, ramdisk.length)
                .putInt(20, 0x41000000)
                .putInt(28, 0x40f00000)
                .putInt(32, 0x40000100);
        header.putInt(36, PAGE);
        byte[] name = board.getBytes(StandardCharsets.US_ASCII);
        header.put(48, name, 0, Math.min(name.length, NAME_BYTES));
        return join(header.array(), padded(kernel), padded(ramdisk));
    }

    private static byte[] elf(String words) {
        byte[] header = {0x7f, 'E', 'L', 'F', 1, 1, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 2, 0, 40, 0, 1, 0, 0, 0};
        return join(header, filler(words));
    }

    private static byte[] tar(PartitionClass where, byte[] content) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (TarArchiveOutputStream out = new TarArchiveOutputStream(bytes)) {
            TarArchiveEntry entry = new TarArchiveEntry(member(where));
            entry.setSize(content.length);
            // Else the hour of making it would stand in it.
            entry.setModTime(0);
            out.putArchiveEntry(entry);
            out.write(content);
            out.closeArchiveEntry();
        }
        return bytes.toByteArray();
    }

    private static String member(PartitionClass where) {
        return MEMBERS.getOrDefault(where, "app") + ".img";
    }

    /** The sum of the archive in a line behind it, as common practice has it. */
    private static byte[] withTrailer(byte[] tar, String name) throws IOException {
        try {
            String sum =
                    HexFormat.of().formatHex(MessageDigest.getInstance("MD5").digest(tar));
            String line = sum + " ".repeat(TRAILER_BLANKS) + name.substring(0, name.length() - ".md5".length()) + "\n";
            return join(tar, line.getBytes(StandardCharsets.US_ASCII));
        } catch (NoSuchAlgorithmException impossible) {
            throw new IOException(impossible);
        }
    }

    private static byte[] zip(PartitionClass where, byte[] content, String device) throws IOException {
        String script = "assert(getprop(\"ro.product.device\") == \"" + device + "\");\n"
                + (where == PartitionClass.APP
                        ? "package_extract_dir(\"system\", \"/system\");\n"
                        : "package_extract_file(\"" + member(where) + "\", \"/dev/block/" + MEMBERS.get(where)
                                + "\");\n");
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            entry(out, SCRIPT, script.getBytes(StandardCharsets.US_ASCII));
            if (where == PartitionClass.APP) {
                entry(out, "system/etc/one.txt", ("for " + device + "\n").getBytes(StandardCharsets.UTF_8));
            } else {
                entry(out, member(where), content);
            }
        }
        return bytes.toByteArray();
    }

    /** A program for the computer or an app: an archive that holds nothing to write. */
    private static byte[] plainZip(String words) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            entry(out, "read-me.txt", (words + "\n").getBytes(StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }

    private static void entry(ZipOutputStream out, String name, byte[] content) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        // The same bytes each time.
        entry.setTime(0);
        out.putNextEntry(entry);
        out.write(content);
        out.closeEntry();
    }

    private static byte[] padded(byte[] bytes) {
        return Arrays.copyOf(bytes, (bytes.length + PAGE - 1) / PAGE * PAGE);
    }

    private static ByteBuffer little(int size) {
        return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static byte[] join(byte[]... parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            all.writeBytes(part);
        }
        return all.toByteArray();
    }
}
