package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.identity.Finding;

/** Boot images after the published header layouts, kernels after the kernel's own documentation. */
class BootAndKernelTest {
    @TempDir
    Path folder;

    private static final byte[] RAMDISK = new byte[5000];

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2})
    void oldHeaders(int version) {
        byte[] kernel = zImage(Forge.GZIP);
        Inspection found = Forge.inspect(folder, "boot.img", Forge.bootImage(version, kernel, RAMDISK, "lantern2"));
        About.BootImage boot = found.boot().orElseThrow();
        assertThat(boot.headerVersion()).isEqualTo(version);
        assertThat(boot.pageSize()).isEqualTo(Forge.PAGE);
        assertThat(boot.kernelBytes()).isEqualTo(kernel.length);
        assertThat(boot.ramdiskBytes()).isEqualTo(RAMDISK.length);
        assertThat(boot.dtbBytes()).isEqualTo(version == 2 ? 100 : 0);
        assertThat(boot.addresses()).containsEntry("kernel", 0x40008000L).containsEntry("ramdisk", 0x41000000L);
        assertThat(boot.name()).isEqualTo("lantern2");
        assertIsOfOctober(boot);
        assertThat(found.kernel().flatMap(About.Kernel::banner)).contains(Forge.BANNER);
        assertThat(found.findings()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(ints = {3, 4})
    void newHeaders(int version) {
        byte[] image = Forge.newBootImage(version, Forge.packed(Forge.kernel(), Forge.GZIP), RAMDISK);
        Inspection found = Forge.inspect(folder, "boot.img", image);
        assertThat(found.boot().orElseThrow().headerVersion()).isEqualTo(version);
        assertThat(found.boot().orElseThrow().pageSize()).isEqualTo(4096);
        assertIsOfOctober(found.boot().orElseThrow());
        assertThat(found.kernel().orElseThrow().compression()).isEqualTo("gzip");
        assertThat(found.findings()).isEmpty();
    }

    private static void assertIsOfOctober(About.BootImage boot) {
        assertThat(boot.cmdline()).isEqualTo("console=ttyR0");
        assertThat(boot.osVersion()).contains("4.1.2");
        assertThat(boot.patchLevel().orElseThrow()).hasToString("2013-10");
    }

    static Stream<Arguments> kernels() {
        byte[] arm64 = Forge.kernel();
        System.arraycopy(Forge.text("ARM\u0064"), 0, arm64, 56, 4);
        // What looks like the head of lzma with a dictionary of 64 MiB, and is none.
        byte[] chance = HexFormat.of().parseHex("5d00000004ffffffffffffffff00ffffffffffffffffffffffff");
        return Stream.of(
                Arguments.of(zImage(Forge.GZIP), About.Layout.ZIMAGE, "gzip"),
                Arguments.of(zImage(Forge.XZ_WITH_BRANCH_FILTER), About.Layout.ZIMAGE, "xz"),
                Arguments.of(zImage(Forge.LZMA), About.Layout.ZIMAGE, "lzma"),
                Arguments.of(
                        Forge.zImage(Forge.join(chance, Forge.packed(Forge.kernel(), Forge.GZIP))),
                        About.Layout.ZIMAGE,
                        "gzip"),
                Arguments.of(Forge.zImage(Forge.kernel()), About.Layout.ZIMAGE, "none"),
                Arguments.of(arm64, About.Layout.ARM64, "none"),
                Arguments.of(Forge.wrapped(zImage(Forge.GZIP)), About.Layout.WRAPPED, "gzip"));
    }

    /** An early line without a build number stands before the right one in each, and a magic number by chance in the loader. */
    @ParameterizedTest
    @MethodSource("kernels")
    void everyCompressionIsFoundAndTheLastBannerRead(byte[] kernel, About.Layout layout, String compression) {
        Inspection found = Forge.inspect(folder, "kernel", kernel);
        assertThat(found.kind()).isEqualTo(FileKind.KERNEL_IMAGE);
        About.Kernel about = found.kernel().orElseThrow();
        assertThat(about.layout()).isEqualTo(layout);
        assertThat(about.compression()).isEqualTo(compression);
        assertThat(about.banner()).contains(Forge.BANNER);
        assertThat(about.release()).contains("3.0.31-key-r2");
        assertThat(found.findings()).isEmpty();
    }

    /** The usual form on 64-bit phones, alone and within a boot image. */
    @Test
    void aPackedKernelWithDeviceTreesBehindItIsReadAndTheTreesNamed() {
        byte[] kernel = Forge.join(
                Forge.packed(Forge.kernel(), Forge.GZIP), Forge.deviceTree("Plover R1"), Forge.deviceTree("Plover R2"));
        Inspection alone = Forge.inspect(folder, "Image.gz-dtb", kernel);
        assertThat(alone.kind()).isEqualTo(FileKind.KERNEL_IMAGE);
        assertThat(alone.kernel().flatMap(About.Kernel::banner)).contains(Forge.BANNER);
        assertThat(alone.root().inside())
                .extracting(Part::name)
                .containsExactly("device tree 1: Plover R1", "device tree 2: Plover R2");
        assertThat(alone.findings()).extracting(Finding::code).containsExactly("device-trees");
        Inspection inImage = Forge.inspect(folder, "boot.img", Forge.bootImage(0, kernel, RAMDISK, "plover"));
        assertThat(inImage.root().all().map(Part::name)).contains("device tree 2: Plover R2");
        assertThat(inImage.kernel().orElseThrow().compression()).isEqualTo("gzip");
        byte[] cut = Arrays.copyOf(kernel, kernel.length - 20);
        assertThat(Forge.inspect(folder, "Image.gz-dtb", cut).root().inside()).hasSize(1);
    }

    @Test
    void aKernelWithoutAnyHeaderSaysItsNameWhereOneIsExpected() {
        byte[] bare = Forge.kernel();
        Inspection inImage = Forge.inspect(folder, "boot.img", Forge.bootImage(0, bare, RAMDISK, "plover"));
        assertThat(inImage.kernel().flatMap(About.Kernel::banner)).contains(Forge.BANNER);
        Inspection inArchive = Forge.inspect(folder, "a.tar", Forge.tar(Forge.members("zImage", bare)));
        assertThat(inArchive.kernel().flatMap(About.Kernel::release)).contains("3.0.31-key-r2");
        assertThat(Forge.inspect(folder, "kernel", new byte[3000]).kind()).isEqualTo(FileKind.UNKNOWN);
    }

    /** Before kernel and ramdisk, each behind a header of its own. */
    @Test
    void whatStandsBehindAChipsetMakersHeaderIsRead() {
        byte[] kernel = Forge.behindChipHeader("KERNEL", zImage(Forge.GZIP));
        byte[] ramdisk = Forge.behindChipHeader("ROOTFS", Forge.packed(Forge.text("invented"), Forge.GZIP));
        Inspection found = Forge.inspect(folder, "boot.img", Forge.bootImage(0, kernel, ramdisk, "plover"));
        assertThat(found.kernel().orElseThrow().layout()).isEqualTo(About.Layout.ZIMAGE);
        assertThat(found.kernel().flatMap(About.Kernel::banner)).contains(Forge.BANNER);
        assertThat(found.root().inside().get(1).kind()).isEqualTo(FileKind.GZIP);
        assertThat(found.findings()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "64, 0x07070707, command line",
        "48, 0x41ff4141, board name",
        "20, 0x40008100, over each other",
        "12, 0xffffff00, past the end",
    })
    void whatCannotBeInAHeaderIsTold(int at, String value, String words) {
        byte[] image = Forge.bootImage(0, zImage(Forge.GZIP), RAMDISK, "plover");
        ByteBuffer.wrap(image).order(ByteOrder.LITTLE_ENDIAN).putInt(at, (int)
                Long.decode(value).longValue());
        assertThat(Forge.inspect(folder, "boot.img", image).findings()).anySatisfy(finding -> {
            assertThat(finding.code()).isEqualTo("odd-header");
            assertThat(finding.message()).contains(words);
        });
    }

    @Test
    void aKernelWithoutANameSaysSo() {
        Inspection found = Forge.inspect(folder, "kernel", Forge.zImage(new byte[2000]));
        assertThat(found.findings()).extracting(Finding::code).containsExactly("no-banner");
    }

    @Test
    void aWrappingWhoseChecksumIsWrongIsAStop() {
        byte[] wrapped = Forge.wrapped(zImage(Forge.GZIP));
        wrapped[wrapped.length - 1] ^= 1;
        assertThat(Forge.inspect(folder, "kernel", wrapped).findings())
                .extracting(Finding::code)
                .contains("kernel-wrapping");
        wrapped[40] ^= 1;
        assertThat(Forge.inspect(folder, "kernel", wrapped).findings())
                .extracting(Finding::message)
                .anyMatch(message -> message.contains("not that of its header"));
    }

    private static byte[] zImage(Forge.Packer packer) {
        return Forge.zImage(Forge.packed(Forge.kernel(), packer));
    }
}
