package org.mobrak.core.material;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.zip.CRC32;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveOutputStream;
import org.mobrak.core.material.reader.Inspector;
import org.tukaani.xz.ARMOptions;
import org.tukaani.xz.FilterOptions;
import org.tukaani.xz.LZMA2Options;
import org.tukaani.xz.LZMAOutputStream;
import org.tukaani.xz.XZOutputStream;

/** Makes small files of every kind, field by field after the published layouts. All content is invented. */
public final class Forge {
    /** The line by which the forged kernel names itself. */
    public static final String BANNER =
            "Linux version 3.0.31-key-r2 (wren@alder) (gcc version 4.7.2 (GCC) ) #9 SMP PREEMPT Sun Dec 1 18:20:11 UTC 2013";

    static final int PAGE = 2048;

    private static final PartitionNames NAMES = PartitionNames.usual();

    private Forge() {}

    /** Something that packs a stream. */
    interface Packer {
        OutputStream over(OutputStream out) throws IOException;
    }

    static final Packer GZIP = GZIPOutputStream::new;
    static final Packer LZMA = out -> new LZMAOutputStream(out, new LZMA2Options(3), -1);
    /** As kernels have it: with the filter for ARM branches. */
    static final Packer XZ_WITH_BRANCH_FILTER =
            out -> new XZOutputStream(out, new FilterOptions[] {new ARMOptions(), new LZMA2Options(3)});

    /** Looks into bytes under a name, with all digests. */
    public static Inspection inspect(Path folder, String name, byte[] bytes) {
        return inspect(folder, name, bytes, EnumSet.allOf(Digest.class));
    }

    static Inspection inspect(Path folder, String name, byte[] bytes, Set<Digest> wanted) {
        try {
            Path file = Files.write(folder.resolve(name), bytes);
            return new Inspector(folder, Runnable::run, NAMES).inspect(file, wanted, Watch.NONE);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** An unpacked kernel: a format without values stands before the line itself, as in real ones. */
    static byte[] kernel() {
        byte[] code = new byte[60_000];
        for (int i = 0; i < code.length; i++) {
            code[i] = (byte) (i * 31 % 251 ^ i >> 9);
        }
        return join(
                code, text("Linux version %s (%s) %s\n\0Linux version 3.0.31\n\0" + BANNER + "\n\0"), new byte[5000]);
    }

    static byte[] packed(byte[] bytes, Packer packer) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (OutputStream over = packer.over(out)) {
            over.write(bytes);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    /** A zImage; the first of its loader's bytes look like the beginning of a gzip stream, by chance. */
    static byte[] zImage(byte[] payload) {
        ByteBuffer loader = little(1024);
        loader.putInt(0x24, 0x016f2818).putInt(0x2c, 1024 + payload.length + 4);
        loader.put(0x100, (byte) 0x1f).put(0x101, (byte) 0x8b).put(0x102, (byte) 8);
        // What follows is its unpacked size, as the kernel's build writes it.
        return join(loader.array(), payload, little(4).putInt(0, 1 << 20).array());
    }

    /** A flattened device tree whose root node says its model, by the Devicetree Specification, chapter 5; big-endian. */
    static byte[] deviceTree(String model) {
        byte[] name = text("model\0");
        byte[] value = text(model + "\0");
        ByteBuffer structure = ByteBuffer.allocate(8 + 12 + (value.length + 3) / 4 * 4 + 8);
        structure.putInt(1).putInt(0).putInt(3).putInt(value.length).putInt(0).put(value);
        structure.putInt(structure.capacity() - 8, 2).putInt(structure.capacity() - 4, 9);
        ByteBuffer header = ByteBuffer.allocate(40);
        header.putInt(0xd00dfeed)
                .putInt(40 + structure.capacity() + name.length)
                .putInt(40);
        header.putInt(40 + structure.capacity()).putInt(40).putInt(17).putInt(16);
        return join(header.array(), structure.array(), name);
    }

    /** What some chipset makers' tools put before a piece of a boot image: 512 bytes with magic, size and name. */
    static byte[] behindChipHeader(String name, byte[] content) {
        ByteBuffer header = little(512);
        header.putInt(0, 0x58881688).putInt(4, content.length).put(8, text(name));
        return join(header.array(), content);
    }

    /** A legacy wrapped image with its two checksums; big-endian. */
    static byte[] wrapped(byte[] content) {
        ByteBuffer header = ByteBuffer.allocate(64);
        header.putInt(0, 0x27051956).putInt(12, content.length).putInt(24, crc(content));
        header.putInt(4, crc(header.array()));
        return join(header.array(), content);
    }

    private static int crc(byte[] bytes) {
        CRC32 crc = new CRC32();
        crc.update(bytes);
        return (int) crc.getValue();
    }

    /** A boot image of header version 0, 1 or 2, of OS version 4.1.2 and patch level 2013-10. */
    public static byte[] bootImage(int version, byte[] kernel, byte[] ramdisk, String name) {
        ByteBuffer header = little(PAGE);
        header.put(0, text("ANDROID!")).putInt(8, kernel.length).putInt(12, 0x40008000);
        header.putInt(16, ramdisk.length)
                .putInt(20, 0x41000000)
                .putInt(28, 0x40f00000)
                .putInt(32, 0x40000100);
        header.putInt(36, PAGE).putInt(40, version).putInt(44, osVersion());
        header.put(48, text(name)).put(64, text("console=ttyR0"));
        byte[] dtb = version == 2 ? new byte[100] : new byte[0];
        if (version >= 1) {
            header.putInt(1632, 0).putInt(1644, PAGE);
        }
        if (version == 2) {
            header.putInt(1648, dtb.length).putLong(1652, 0x48000000L);
        }
        return join(header.array(), padded(kernel, PAGE), padded(ramdisk, PAGE), padded(dtb, PAGE));
    }

    /** A boot image of header version 3 or 4, of OS version 4.1.2 and patch level 2013-10. */
    static byte[] newBootImage(int version, byte[] kernel, byte[] ramdisk) {
        ByteBuffer header = little(4096);
        header.put(0, text("ANDROID!"))
                .putInt(8, kernel.length)
                .putInt(12, ramdisk.length)
                .putInt(16, osVersion());
        header.putInt(20, version == 3 ? 1580 : 1584).putInt(40, version).put(44, text("console=ttyR0"));
        byte[] signature = version == 4 ? new byte[64] : new byte[0];
        if (version == 4) {
            header.putInt(1580, signature.length);
        }
        return join(header.array(), padded(kernel, 4096), padded(ramdisk, 4096), padded(signature, 4096));
    }

    private static int osVersion() {
        return (4 << 14 | 1 << 7 | 2) << 11 | 13 << 4 | 10;
    }

    /** A sparse image of four chunks, one of each kind: the content, zeros, a hole, and the checksum. */
    static byte[] sparse(byte[] content) {
        int block = 1024;
        byte[] raw = padded(content, block);
        ByteBuffer header = little(28);
        header.putInt(0, 0xed26ff3a)
                .putShort(4, (short) 1)
                .putShort(8, (short) 28)
                .putShort(10, (short) 12);
        header.putInt(12, block).putInt(16, raw.length / block + 5).putInt(20, 4);
        return join(
                header.array(),
                chunk(0xCAC1, raw.length / block, raw),
                chunk(0xCAC2, 2, new byte[4]),
                chunk(0xCAC3, 3, new byte[0]),
                chunk(
                        0xCAC4,
                        0,
                        little(4).putInt(0, crc(join(raw, new byte[5 * block]))).array()));
    }

    private static byte[] chunk(int type, int blocks, byte[] content) {
        ByteBuffer header = little(12);
        header.putShort(0, (short) type).putInt(4, blocks).putInt(8, 12 + content.length);
        return join(header.array(), content);
    }

    /** The first four kilobytes of an ext4 file system of so many blocks of 1,024 bytes. */
    static byte[] ext4(int blocks) {
        ByteBuffer bytes = little(Math.max(4096, blocks * 1024));
        bytes.putInt(1024 + 4, blocks).putInt(1024 + 0x30, 1_382_400_000).putShort(1024 + 0x38, (short) 0xef53);
        return bytes.put(1024 + 0x78, text("system"))
                .put(1024 + 0x88, text("/system"))
                .array();
    }

    /** Names and contents by turns, in order. */
    static Map<String, byte[]> members(Object... namesAndContents) {
        Map<String, byte[]> members = new LinkedHashMap<>();
        for (int i = 0; i < namesAndContents.length; i += 2) {
            Object content = namesAndContents[i + 1];
            members.put((String) namesAndContents[i], content instanceof String text ? text(text) : (byte[]) content);
        }
        return members;
    }

    public static byte[] tar(Map<String, byte[]> members) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (TarArchiveOutputStream tar = new TarArchiveOutputStream(out)) {
            tar.setLongFileMode(TarArchiveOutputStream.LONGFILE_POSIX);
            for (Map.Entry<String, byte[]> member : members.entrySet()) {
                TarArchiveEntry entry = new TarArchiveEntry(member.getKey(), true);
                entry.setSize(member.getValue().length);
                tar.putArchiveEntry(entry);
                tar.write(member.getValue());
                tar.closeArchiveEntry();
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    static byte[] zip(Map<String, byte[]> members) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> member : members.entrySet()) {
                zip.putNextEntry(new ZipEntry(member.getKey()));
                zip.write(member.getValue());
                zip.closeEntry();
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    static byte[] elf() {
        ByteBuffer header = little(64);
        header.put(0, new byte[] {0x7f, 'E', 'L', 'F', 1, 1, 1})
                .putShort(16, (short) 2)
                .putShort(18, (short) 40);
        return header.array();
    }

    static byte[] text(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    static byte[] join(byte[]... parts) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            out.writeBytes(part);
        }
        return out.toByteArray();
    }

    private static byte[] padded(byte[] bytes, int unit) {
        return Arrays.copyOf(bytes, (bytes.length + unit - 1) / unit * unit);
    }

    private static ByteBuffer little(int bytes) {
        return ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
    }
}
