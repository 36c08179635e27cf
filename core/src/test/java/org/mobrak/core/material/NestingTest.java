package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.zip.CRC32;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;

/** Archives within archives, and the kinds of which the layouts alone decide. */
class NestingTest {
    @TempDir
    Path folder;

    /** Something that was packed, and what must be found of it. */
    private record Packed(byte[] bytes, Part expected) {}

    static IntStream seeds() {
        return IntStream.range(0, 40);
    }

    /** What was packed at random, four deep, is found again member by member with its kind and size. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whatWasPackedIsFoundAgain(int seed) {
        Packed packed = pack(new Random(seed), "root", 4);
        Inspection found = Forge.inspect(folder, "root", packed.bytes(), Set.of());
        assertThat(tree(found.root())).isEqualTo(tree(packed.expected()));
        assertThat(found.findings()).extracting(Finding::severity).doesNotContain(Severity.STOP);
    }

    private static Packed pack(Random random, String name, int depth) {
        int choice = depth == 0 ? random.nextInt(4) : random.nextInt(8);
        return switch (choice) {
            case 0 -> leaf(name, Forge.text("a line for hive " + random.nextInt(1000) + "\n"), FileKind.TEXT);
            case 1 -> leaf(name, Forge.ext4(4), FileKind.EXT4_IMAGE);
            case 2 -> leaf(name, Forge.elf(), FileKind.ELF);
            case 3 -> leaf(name, new byte[] {1, 2, 3, 0, (byte) random.nextInt()}, FileKind.UNKNOWN);
            case 4 -> wrap(name, pack(random, "content", depth - 1), Forge.GZIP, FileKind.GZIP);
            case 5 -> wrap(name, pack(random, "content", depth - 1), Forge.XZ_WITH_BRANCH_FILTER, FileKind.XZ);
            default -> archive(random, name, depth, choice == 6);
        };
    }

    private static Packed leaf(String name, byte[] bytes, FileKind kind) {
        return new Packed(bytes, Part.plain(name, OptionalLong.of(bytes.length), kind));
    }

    private static Packed wrap(String name, Packed inner, Forge.Packer packer, FileKind kind) {
        byte[] bytes = Forge.packed(inner.bytes(), packer);
        return new Packed(bytes, with(name, bytes, kind, List.of(inner.expected())));
    }

    private static Packed archive(Random random, String name, int depth, boolean tar) {
        Map<String, byte[]> members = new LinkedHashMap<>();
        List<Part> expected = new ArrayList<>();
        for (int i = 0; i <= random.nextInt(3); i++) {
            String member = "folder/" + "m".repeat(random.nextInt(120)) + i;
            Packed inner = pack(random, member, depth - 1);
            members.put(member, inner.bytes());
            expected.add(inner.expected());
        }
        byte[] bytes = tar ? Forge.tar(members) : Forge.zip(members);
        return new Packed(bytes, with(name, bytes, tar ? FileKind.TAR : FileKind.ZIP, expected));
    }

    private static Part with(String name, byte[] bytes, FileKind kind, List<Part> inside) {
        return new Part(name, OptionalLong.of(bytes.length), kind, Optional.empty(), inside);
    }

    /** Sizes of what lies in a packed stream are known only to those who read it all. */
    private static String tree(Part part) {
        String size = part.name().equals("content") ? "" : " " + part.bytes();
        List<String> inside = part.inside().stream().map(NestingTest::tree).toList();
        return part.name() + " " + part.kind() + size + " " + inside;
    }

    /** The md5 line behind a tar that lies in another archive is held against it too. */
    @Test
    void aTrailerIsCheckedHoweverDeep() throws Exception {
        byte[] tar = Forge.tar(Forge.members("boot.img", new byte[90_000]));
        String md5 = HexFormat.of().formatHex(MessageDigest.getInstance("MD5").digest(tar));
        byte[] right = Forge.join(tar, Forge.text(md5 + "  pack.tar\n"));
        Inspection whole = Forge.inspect(folder, "a.zip", Forge.zip(Forge.members("pack.tar.md5", right)));
        assertThat(whole.root().inside().get(0).kind()).isEqualTo(FileKind.TAR_MD5);
        assertThat(whole.findings()).isEmpty();
        right[40_000] ^= 1;
        Inspection spoilt = Forge.inspect(folder, "a.zip", Forge.zip(Forge.members("pack.tar.md5", right)));
        assertThat(spoilt.findings()).extracting(Finding::code).containsExactly("trailer-mismatch");
    }

    /** Padding that was damaged, an archive cut short, one without members: the line at the end is found all the same. */
    @ParameterizedTest
    @ValueSource(strings = {"padding", "cut", "bare digest", "empty", "empty and spoilt"})
    void theLineIsLookedForFromTheEnd(String what) throws Exception {
        byte[] tar =
                what.startsWith("empty") ? new byte[10_240] : Forge.tar(Forge.members("boot.img", new byte[90_000]));
        String md5 = HexFormat.of().formatHex(MessageDigest.getInstance("MD5").digest(tar));
        byte[] body = what.equals("cut") ? Arrays.copyOf(tar, 50_000) : tar;
        if (what.equals("cut") || what.equals("padding") || what.equals("bare digest")) {
            Arrays.fill(body, body.length - 300, body.length, (byte) 0xb7);
        }
        String line = what.equals("bare digest") ? md5 + "\n" : md5 + "  pack.tar\n";
        if (what.equals("empty and spoilt")) {
            line = "0".repeat(32) + "  pack.tar\n";
        }
        byte[] all = Forge.join(body, Forge.text(line));
        for (Inspection found : List.of(
                Forge.inspect(folder, "pack.tar.md5", all),
                Forge.inspect(folder, "a.zip", Forge.zip(Forge.members("pack.tar.md5", all))))) {
            assertThat(found.root().all().map(Part::kind)).contains(FileKind.TAR_MD5);
            assertThat(found.findings().stream().map(Finding::code))
                    .as(what)
                    .contains(what.equals("empty") ? new String[] {} : new String[] {"trailer-mismatch"})
                    .doesNotContain("no-trailer");
        }
        assertThat(Trailer.in(Forge.text("0123456789abcdef".repeat(4) + "  a.zip\n")))
                .as("the end of a longer digest")
                .isEmpty();
    }

    /** A checksum inside it is held against what it unfolds to, holes counted as zeros. */
    @Test
    void aSparseImageWhoseChecksumIsWrongIsAStop() {
        byte[] image = Forge.sparse(Forge.ext4(16));
        image[5_000] ^= 1;
        assertThat(Forge.inspect(folder, "system.img", image).findings())
                .extracting(Finding::code)
                .containsExactly("sparse-checksum");
        byte[] header = Forge.sparse(Forge.ext4(16));
        ByteBuffer.wrap(header).putInt(24, 77);
        assertThat(Forge.inspect(folder, "system.img", header).findings())
                .extracting(Finding::code)
                .containsExactly("sparse-checksum");
    }

    /** Long stretches are not gone through, and come to what the platform's own sum over all of them is. */
    @Test
    void stretchesAreSummedAsIfTheyWereGoneThrough() {
        Random random = new Random(20261126);
        for (int round = 0; round < 40; round++) {
            CrcSum sum = new CrcSum();
            CRC32 whole = new CRC32();
            for (int part = 0; part < 3; part++) {
                byte[] pattern = new byte[4];
                random.nextBytes(pattern);
                int times = 1 + random.nextInt(200_000);
                byte[] some = new byte[random.nextInt(5000)];
                random.nextBytes(some);
                sum.update(some, 0, some.length);
                whole.update(some);
                sum.repeat(pattern, times);
                for (int i = 0; i < times; i++) {
                    whole.update(pattern);
                }
            }
            assertThat(sum.value()).isEqualTo(whole.getValue());
        }
    }

    /** The published layout of sparse images; four chunks, one of each kind. */
    @Test
    void aSparseImageAndTheFileSystemInIt() {
        Inspection found = Forge.inspect(folder, "system.img", Forge.sparse(Forge.ext4(16)));
        About.Sparse about = found.sparse().orElseThrow();
        assertThat(about).isEqualTo(new About.Sparse(1024, 21, 1, 1, 1, 1, 21 * 1024));
        About.Ext4 ext4 = found.root().first(About.Ext4.class).orElseThrow();
        assertThat(ext4.volumeName()).isEqualTo("system");
        assertThat(ext4.lastMounted()).isEqualTo("/system");
        assertThat(ext4.bytes()).isEqualTo(16 * 1024);
        assertThat(ext4.written()).contains(Instant.ofEpochSecond(1_382_400_000));
        assertThat(found.findings()).isEmpty();
    }

    /** A device tree's size stood where the version is now, before versions were published. */
    @Test
    void anOldImageWithADeviceTree() {
        byte[] image =
                Forge.bootImage(0, Forge.zImage(Forge.packed(Forge.kernel(), Forge.GZIP)), new byte[10], "plover");
        ByteBuffer.wrap(image).order(ByteOrder.LITTLE_ENDIAN).putInt(40, 2000);
        Inspection found = Forge.inspect(folder, "boot.img", Forge.join(image, new byte[2048]));
        assertThat(found.boot().orElseThrow().headerVersion()).isZero();
        assertThat(found.boot().orElseThrow().dtbBytes()).isEqualTo(2000);
        assertThat(found.root().inside()).extracting(Part::name).containsExactly("kernel", "ramdisk", "dtb");
    }
}
