package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;
import org.apache.commons.compress.archivers.tar.TarArchiveOutputStream;
import org.apache.commons.compress.archivers.tar.TarConstants;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.material.reader.Inspector;

/** Files that are cut, lie or mean harm: each ends in a finding or one line, and nothing is left behind. */
class HostileTest {
    @TempDir
    Path folder;

    private static final byte[] KERNEL = Forge.zImage(Forge.packed(Forge.kernel(), Forge.GZIP));

    @AfterEach
    void nothingIsLeftInTheTemporaryFolder() throws IOException {
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left.map(file -> file.getFileName().toString())).noneMatch(name -> name.startsWith("mobrak-"));
        }
    }

    static Stream<Arguments> kinds() {
        byte[] boot = Forge.bootImage(2, KERNEL, new byte[100], "lantern2");
        byte[] tar = Forge.tar(Forge.members("boot.img", boot));
        return Stream.of(
                Arguments.of(FileKind.BOOT_IMAGE, boot, 1700),
                Arguments.of(FileKind.BOOT_IMAGE, Forge.newBootImage(4, KERNEL, new byte[100]), 1700),
                Arguments.of(FileKind.KERNEL_IMAGE, KERNEL, 200),
                Arguments.of(FileKind.KERNEL_IMAGE, Forge.wrapped(KERNEL), 200),
                Arguments.of(FileKind.SPARSE_IMAGE, Forge.sparse(Forge.ext4(4)), 2200),
                Arguments.of(FileKind.EXT4_IMAGE, Forge.ext4(4), 2048),
                Arguments.of(FileKind.TAR, tar, 1200),
                Arguments.of(FileKind.ZIP, Forge.zip(Forge.members("boot.img", boot)), 200),
                Arguments.of(FileKind.GZIP, Forge.packed(tar, Forge.GZIP), 200),
                Arguments.of(FileKind.XZ, Forge.packed(tar, Forge.XZ_WITH_BRANCH_FILTER), 200),
                Arguments.of(FileKind.ELF, Forge.elf(), 52));
    }

    /** Cut at every byte of the headers, of long ones at every third: either it can no longer be known, or it is told to be cut. */
    @ParameterizedTest
    @MethodSource("kinds")
    void cutAnywhereInTheHeaders(FileKind kind, byte[] whole, int headers) {
        assertThat(Forge.inspect(folder, "x", whole, Set.of()).kind()).isEqualTo(kind);
        for (int length = 0; length < Math.min(headers, whole.length); length += headers > 1000 ? 3 : 1) {
            Inspection found = Forge.inspect(folder, "x", Arrays.copyOf(whole, length), Set.of());
            boolean told = found.findings().stream().anyMatch(finding -> finding.severity() == Severity.STOP);
            assertThat(told || found.kind() != kind)
                    .as("%s cut at byte %d", kind, length)
                    .isTrue();
        }
    }

    /** Every byte of the headers set to its worst: never more than findings. */
    @ParameterizedTest
    @MethodSource("kinds")
    @Timeout(60)
    void spoiltAnywhereInTheHeaders(FileKind kind, byte[] whole, int headers) {
        for (int at = 0; at < Math.min(headers, whole.length); at += headers > 1000 ? 3 : 1) {
            byte[] spoilt = whole.clone();
            spoilt[at] = (byte) 0xff;
            assertThat(Forge.inspect(folder, "x", spoilt, Set.of()).root().all().count())
                    .isLessThan(20);
        }
    }

    static Stream<Arguments> lies() {
        byte[] blocks = Forge.sparse(Forge.ext4(4));
        ByteBuffer.wrap(blocks).order(ByteOrder.LITTLE_ENDIAN).putInt(16, -1).putInt(20, -1);
        byte[] fileSystem = Forge.ext4(4);
        ByteBuffer.wrap(fileSystem)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(1024 + 4, -1)
                .putInt(1024 + 0x60, 0x80)
                .putInt(1024 + 0x150, -1);
        byte[] section = Forge.bootImage(0, KERNEL, new byte[100], "x");
        ByteBuffer.wrap(section).order(ByteOrder.LITTLE_ENDIAN).putInt(16, -1);
        byte[] page = Forge.bootImage(0, KERNEL, new byte[100], "x");
        ByteBuffer.wrap(page).order(ByteOrder.LITTLE_ENDIAN).putInt(36, 3);
        byte[] wrapped = Forge.wrapped(KERNEL);
        ByteBuffer.wrap(wrapped).putInt(12, -1).putInt(4, 0);
        return Stream.of(
                Arguments.of("2^32 chunks", blocks, "impossible-size"),
                Arguments.of("more blocks than there are bytes in the world", fileSystem, "impossible-size"),
                Arguments.of("a ramdisk of 4 GiB", section, "truncated"),
                Arguments.of("a page of three bytes", page, "impossible-size"),
                Arguments.of("a wrapped kernel of 4 GiB", wrapped, "kernel-wrapping"),
                Arguments.of("nothing at all", new byte[0], "empty"),
                Arguments.of("an image without bytes", Forge.zip(Forge.members("boot.img", "")), "empty"),
                Arguments.of("a directory that names another member", renamed(), "two-views"),
                Arguments.of("names that climb out", Forge.zip(Forge.members("../../etc/x", "a")), "unsafe-name"),
                Arguments.of("an absolute name", Forge.tar(Forge.members("/etc/x", "a")), "unsafe-name"),
                Arguments.of("a drive", Forge.zip(Forge.members("C:\\x", "a")), "unsafe-name"),
                Arguments.of(
                        "two packages in one",
                        Forge.zip(Forge.members(
                                "eu.tar", Forge.tar(Forge.members("boot.img", "x")),
                                "us.tar", Forge.tar(Forge.members("boot.img", "y")))),
                        "several-candidates"),
                Arguments.of("a member packed by what is not there", packedOtherwise(), "unknown-compression"),
                Arguments.of("holes of 8 GiB each", holes(), "unpacks-too-far"),
                Arguments.of("an archive in an archive in …", nested(12), "nested-too-deep"));
    }

    /** The directory says “a.img” where the member before the bytes is called “b.img”. */
    private static byte[] renamed() {
        byte[] zip = Forge.zip(Forge.members("b.img", "x"));
        zip[new String(zip, StandardCharsets.ISO_8859_1).indexOf("PK\1\2") + 46] = 'a';
        return zip;
    }

    /** The method of its one member is 93, Zstandard (APPNOTE 6.3.10, section 4.4.5). */
    private static byte[] packedOtherwise() {
        byte[] zip = Forge.zip(Forge.members("boot.img", "x"));
        String bytes = new String(zip, StandardCharsets.ISO_8859_1);
        zip[bytes.indexOf("PK\3\4") + 8] = 93;
        zip[bytes.indexOf("PK\1\2") + 10] = 93;
        return zip;
    }

    /** A thousand files of nothing but a hole, in the old GNU form (GNU tar manual, “Storing Sparse Files”). */
    private static byte[] holes() {
        ByteBuffer tar = ByteBuffer.allocate(1002 * 512);
        for (int file = 0; file < 1000; file++) {
            byte[] header = new byte[512];
            put(header, 0, "hole.img");
            put(header, 100, "0000644");
            put(header, 124, "00000000000");
            put(header, 136, "00000000000");
            put(header, 156, "S");
            put(header, 257, "ustar  ");
            put(header, 386, "77777777777");
            put(header, 398, "00000000000");
            put(header, 483, "77777777777");
            put(header, 148, "        ");
            int sum = 0;
            for (byte one : header) {
                sum += one;
            }
            put(header, 148, "%06o".formatted(sum));
            header[154] = 0;
            tar.put(header);
        }
        return tar.array();
    }

    private static void put(byte[] header, int at, String text) {
        System.arraycopy(Forge.text(text), 0, header, at, text.length());
    }

    /** Packages hold empty files for good reasons. */
    @Test
    void whatIsUsualIsNoLie() {
        byte[] zip = Forge.zip(Forge.members("system/etc/.keep", "", "read-me.txt", "hello"));
        assertThat(Forge.inspect(folder, "file.zip", zip).findings()).isEmpty();
    }

    @Test
    void sixtyTimesTheSameIsToldOnce() {
        Object[] many = IntStream.range(0, 60)
                .mapToObj(i -> List.of("m" + i + ".apk", "no archive"))
                .flatMap(List::stream)
                .toArray();
        assertThat(Forge.inspect(folder, "file.zip", Forge.zip(Forge.members(many)))
                        .findings())
                .hasSize(5)
                .extracting(Finding::message)
                .endsWith("56 more findings like those before.");
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("lies")
    void liesAndTricksAreTold(String what, byte[] bytes, String code) {
        assertThat(Forge.inspect(folder, "file", bytes).findings())
                .extracting(Finding::code)
                .contains(code);
    }

    private static byte[] nested(int depth) {
        byte[] inner = Forge.text("the bottom");
        for (int i = 0; i < depth; i++) {
            inner = Forge.zip(Forge.members("inner" + i + ".zip", inner));
        }
        return inner;
    }

    @Test
    void linksDevicesAndDoublesInATar() throws IOException {
        Path file = folder.resolve("odd.tar");
        try (TarArchiveOutputStream tar = new TarArchiveOutputStream(Files.newOutputStream(file))) {
            for (byte type : new byte[] {TarConstants.LF_SYMLINK, TarConstants.LF_LINK, TarConstants.LF_BLK}) {
                TarArchiveEntry entry = new TarArchiveEntry("odd" + type, type);
                entry.setLinkName("/etc/passwd");
                tar.putArchiveEntry(entry);
                tar.closeArchiveEntry();
            }
            for (int i = 0; i < 2; i++) {
                tar.putArchiveEntry(new TarArchiveEntry("twice.img"));
                tar.closeArchiveEntry();
            }
        }
        Inspection found = Forge.inspect(folder, "odd.tar", Files.readAllBytes(file));
        assertThat(found.findings()).extracting(Finding::code).contains("link", "special-file", "duplicate-name");
        assertThat(found.root().inside()).hasSize(2);
    }

    @Test
    void anEncryptedMemberIsToldAndNotAskedFor() {
        byte[] zip = Forge.zip(Forge.members("secret.img", "x"));
        // The flag of encryption, in the local header and in the directory.
        zip[6] |= 1;
        zip[new String(zip, StandardCharsets.ISO_8859_1).indexOf("PK\1\2") + 8] |= 1;
        assertThat(Forge.inspect(folder, "x.zip", zip).findings())
                .extracting(Finding::code)
                .contains("encrypted");
    }

    /** 2 MB that unpack to 2 GB of archive: reading stops at the bound, in bounded time. */
    @Test
    void aBombIsNotUnpackedToItsEnd() {
        byte[] member = new byte[64 << 20];
        byte[] archive = Forge.tar(Forge.members("zeros.bin", member));
        byte[] bomb = Forge.packed(archive, Forge.GZIP);
        byte[] many = new byte[0];
        for (int i = 0; i < 3; i++) {
            many = Forge.join(many, bomb);
        }
        // Streams one after the other unpack one after the other; the trailing archives are drained for the last line.
        Inspection found = Forge.inspect(folder, "bomb.tar.gz", many, Set.of());
        assertThat(found.findings()).extracting(Finding::code).contains("unpacks-too-far");
        Inspection zipped =
                Forge.inspect(folder, "bomb.zip", Forge.zip(Forge.members("zeros.img", new byte[80 << 20])), Set.of());
        assertThat(zipped.findings()).extracting(Finding::code).contains("unpacks-too-far");
    }

    @Test
    void aNameThatSaysOtherwise() {
        byte[] zip = Forge.zip(Forge.members("a.txt", "x"));
        assertThat(Forge.inspect(folder, "pack.tar", zip).findings())
                .extracting(Finding::message)
                .anyMatch(message -> message.contains("is a zip archive, not what its name says"));
        assertThat(Forge.inspect(folder, "pack.zip", Forge.text("<html>Please log in</html>"))
                        .findings())
                .extracting(Finding::code)
                .containsExactly("not-what-its-name-says");
        assertThat(Forge.inspect(folder, "pack.tar.md5", Forge.tar(Forge.members("boot.img", "x")))
                        .findings())
                .extracting(Finding::code)
                .containsExactly("no-trailer");
    }

    @Test
    void aFileThatChangesWhileItIsRead() throws IOException {
        Path file = Files.write(folder.resolve("growing.bin"), new byte[600_000]);
        Watch growing = bytes -> {
            try {
                Files.write(file, new byte[10], StandardOpenOption.APPEND);
            } catch (IOException failed) {
                throw new AssertionError(failed);
            }
        };
        Inspector inspector = new Inspector(folder, Runnable::run, PartitionNames.usual());
        assertThat(inspector.inspect(file, Set.of(Digest.MD5), growing).findings())
                .extracting(Finding::code)
                .contains("changed-while-read");
        assertThatThrownBy(() -> inspector.digest(file, Set.of(Digest.MD5), growing))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("was changed while it was read");
    }

    @Test
    void whatIsNoFileIsToldInOneLine() throws IOException {
        Inspector inspector = new Inspector(folder, Runnable::run, PartitionNames.usual());
        for (Path none : List.of(folder, Path.of("/dev/null"), folder.resolve("missing"))) {
            assertThatThrownBy(() -> inspector.inspect(none, Set.of(), Watch.NONE))
                    .isInstanceOf(UnreadableInput.class)
                    .hasMessageContaining(none.toString());
        }
        Path locked = Files.write(folder.resolve("locked"), new byte[1]);
        assumeTrue(locked.toFile().setReadable(false) && !Files.isReadable(locked), "root reads everything");
        assertThatThrownBy(() -> inspector.inspect(locked, Set.of(), Watch.NONE))
                .hasMessageContaining("permissions");
    }

    @Test
    void withoutRoomForACopyItSaysWhere() throws IOException {
        Path nowhere = folder.resolve("gone");
        Path file = Files.write(folder.resolve("x.zip"), nested(2));
        assertThatThrownBy(() -> new Inspector(nowhere, Runnable::run, PartitionNames.usual())
                        .inspect(file, Set.of(), Watch.NONE))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("not enough room in " + nowhere);
    }

    @Test
    @Timeout(20)
    void aHundredThousandMembersAreListedAndNoMore() throws IOException {
        Path file = folder.resolve("many.tar");
        try (TarArchiveOutputStream tar = new TarArchiveOutputStream(Files.newOutputStream(file), 1 << 16)) {
            for (int i = 0; i < 100_500; i++) {
                tar.putArchiveEntry(new TarArchiveEntry("f" + i));
                tar.closeArchiveEntry();
            }
        }
        Inspection found =
                new Inspector(folder, Runnable::run, PartitionNames.usual()).inspect(file, Set.of(), Watch.NONE);
        assertThat(found.root().inside()).hasSizeLessThanOrEqualTo(100_000);
        assertThat(found.findings()).extracting(Finding::code).contains("too-many-members");
    }
}
