package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Files made at test time by the system's own tools, where they are there: GNU tar in its formats (POSIX.1-1988 ustar,
 * POSIX.1-2001 pax, GNU), zip, gzip, xz, lz4, lzop, GNU coreutils, the file system's and the image tools of Debian.
 */
class SystemToolsTest {
    @TempDir
    Path folder;

    private Path boot;

    @BeforeEach
    void layOut() throws IOException {
        byte[] kernel = Forge.zImage(Forge.packed(Forge.kernel(), Forge.GZIP));
        boot = Files.write(folder.resolve("boot.img"), Forge.bootImage(0, kernel, new byte[3000], "lantern2"));
        Files.write(folder.resolve("kernel"), kernel);
    }

    @ParameterizedTest
    @ValueSource(strings = {"v7", "ustar", "gnu", "oldgnu", "posix"})
    void tarInAllItsFormats(String format) throws Exception {
        String longName = "a-rather-long-name-that-is-all-the-same-a-name-"
                + "x".repeat(format.equals("v7") || format.equals("ustar") ? 20 : 90) + ".txt";
        Files.writeString(folder.resolve(longName), "hello\n");
        run("tar", "cf", "pack.tar", "--format=" + format, "boot.img", longName);
        Inspection found = look("pack.tar");
        assertThat(found.kind()).isEqualTo(FileKind.TAR);
        assertThat(found.root().inside()).extracting(Part::name).containsExactly("boot.img", longName);
        assertThat(found.kernel().flatMap(About.Kernel::banner)).contains(Forge.BANNER);
        assertThat(found.findings()).isEmpty();
    }

    @Test
    void md5sumsTrailerAndCoreutilsDigests() throws Exception {
        run("tar", "cf", "pack.tar", "boot.img");
        shell("cp pack.tar pack.tar.md5 && md5sum -t pack.tar >> pack.tar.md5");
        Inspection found = look("pack.tar.md5");
        assertThat(found.kind()).isEqualTo(FileKind.TAR_MD5);
        assertThat(found.trailer().orElseThrow().valid()).isTrue();
        for (Digest digest : List.of(Digest.MD5, Digest.SHA1, Digest.SHA256, Digest.SHA512)) {
            String said =
                    shell(digest.word() + "sum pack.tar.md5 | cut -d' ' -f1").strip();
            assertThat(found.digests().orElseThrow().of(digest)).contains(said);
        }
    }

    @Test
    void listsAreAcceptedBySha256sumAndTheirsByUs() throws Exception {
        Path odd = Files.writeString(folder.resolve("odd\\na me\n.txt"), "x");
        String text = ChecksumList.write(List.of(line(boot), line(odd)));
        Files.writeString(folder.resolve("sums"), text);
        assertThat(shell("sha256sum -c sums")).contains("boot.img: OK").doesNotContain("FAILED");
        assertThat(ChecksumList.parse(shell("sha256sum boot.img odd*")).lines())
                .isEqualTo(ChecksumList.parse(text).lines());
        assertThat(ChecksumList.parse(shell("sha256sum --tag boot.img")).lines())
                .containsExactly(line(boot));
    }

    private ChecksumList.Line line(Path file) throws IOException {
        String value = look(file.getFileName().toString())
                .digests()
                .orElseThrow()
                .of(Digest.SHA256)
                .orElseThrow();
        return new ChecksumList.Line(Optional.of(file.getFileName().toString()), Digest.SHA256, value);
    }

    @ParameterizedTest
    @CsvSource({
        "gzip -k pack.tar, gzip, pack.tar.gz, GZIP",
        "xz -k -T2 --block-size=20000 pack.tar, xz, pack.tar.xz, XZ",
        "lz4 -q pack.tar pack.tar.lz4, lz4, pack.tar.lz4, LZ4",
        "lz4 -q -l pack.tar pack.tar.lz4, lz4, pack.tar.lz4, LZ4",
        "zip -q pack.zip pack.tar, zip, pack.zip, ZIP",
        "zip -q -0 inner.zip pack.tar && zip -q pack.zip inner.zip, zip, pack.zip, ZIP"
    })
    void packedAndNestedIsReadToTheBottom(String command, String tool, String result, FileKind kind) throws Exception {
        assumeTool(tool);
        run("tar", "cf", "pack.tar", "boot.img");
        shell(command);
        Inspection found = look(result);
        assertThat(found.kind()).isEqualTo(kind);
        assertThat(found.kernel().flatMap(About.Kernel::release)).contains("3.0.31-key-r2");
        assertThat(found.writes()).extracting(Write::partition).containsExactly("boot");
        assertThat(found.findings()).isEmpty();
    }

    @Test
    void ext4AndItsSparseForm() throws Exception {
        assumeTool("mke2fs");
        shell("truncate -s 6M system.img && mke2fs -q -t ext4 -L system -M /system system.img");
        Inspection plain = look("system.img");
        assertThat(plain.kind()).isEqualTo(FileKind.EXT4_IMAGE);
        About.Ext4 about = plain.root().first(About.Ext4.class).orElseThrow();
        assertThat(about.volumeName()).isEqualTo("system");
        assertThat(about.lastMounted()).isEqualTo("/system");
        assertThat(about.bytes()).isEqualTo(6 << 20);
        assumeTool("img2simg");
        run("img2simg", "system.img", "sparse.img");
        Inspection sparse = look("sparse.img");
        assertThat(sparse.sparse().orElseThrow().expandedBytes()).isEqualTo(6 << 20);
        assertThat(sparse.root().first(About.Ext4.class)).contains(about);
        assertThat(sparse.findings()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3})
    void bootImagesOfTheImageTool(int version) throws Exception {
        assumeTool("mkbootimg");
        run(
                "mkbootimg",
                "--header_version",
                String.valueOf(version),
                "--kernel",
                "kernel",
                "--ramdisk",
                "boot.img",
                "--dtb",
                "boot.img",
                "--cmdline",
                "console=ttyR0",
                "--os_version",
                "9.0.1",
                "--os_patch_level",
                "2019-03",
                "-o",
                "made.img");
        Inspection found = look("made.img");
        About.BootImage boot = found.boot().orElseThrow();
        assertThat(boot.headerVersion()).isEqualTo(version);
        assertThat(boot.osVersion()).contains("9.0.1");
        assertThat(boot.patchLevel().orElseThrow()).hasToString("2019-03");
        assertThat(boot.ramdiskBytes()).isEqualTo(Files.size(boot()));
        assertThat(found.kernel().flatMap(About.Kernel::banner)).contains(Forge.BANNER);
        assertThat(found.findings()).isEmpty();
    }

    private Path boot() {
        return boot;
    }

    @Test
    void wrappedKernelsAndLzo() throws Exception {
        Files.write(folder.resolve("body"), Forge.kernel());
        assumeTool("mkimage");
        run(
                "mkimage", "-A", "arm", "-O", "linux", "-T", "kernel", "-C", "none", "-n", "hive", "-d", "kernel",
                "wrapped");
        Inspection wrapped = look("wrapped");
        assertThat(wrapped.kernel().orElseThrow().layout()).isEqualTo(About.Layout.WRAPPED);
        assertThat(wrapped.kernel().flatMap(About.Kernel::banner)).contains(Forge.BANNER);
        assertThat(wrapped.findings()).isEmpty();
        assumeTool("lzop");
        run("lzop", "-q", "-9", "-o", "body.lzo", "body");
        Files.write(folder.resolve("lzo"), Forge.zImage(Files.readAllBytes(folder.resolve("body.lzo"))));
        assertThat(look("lzo").kernel().orElseThrow().compression()).isEqualTo("lzo");
    }

    private Inspection look(String name) throws IOException {
        return Forge.inspect(folder, name, Files.readAllBytes(folder.resolve(name)));
    }

    private static void assumeTool(String name) throws Exception {
        Process which = new ProcessBuilder("sh", "-c", "PATH=$PATH:/usr/sbin:/sbin command -v " + name).start();
        assumeTrue(which.waitFor() == 0, name + " is not installed");
    }

    private String shell(String command) throws Exception {
        return run("sh", "-c", "PATH=$PATH:/usr/sbin:/sbin; " + command);
    }

    private String run(String... command) throws Exception {
        Process process = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
        return said;
    }
}
