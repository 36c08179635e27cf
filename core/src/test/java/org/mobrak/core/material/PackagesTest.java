package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.groups.Tuple.tuple;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.catalogue.PartitionClass;

/** What packages say they are for and would write; the shapes of scripts are common practice, no published source. */
class PackagesTest {
    private static final String SCRIPT = "META-INF/com/bench/recovery/updater-script";
    private static final String SHELL = "META-INF/com/bench/recovery/update-binary";

    @TempDir
    Path folder;

    @ParameterizedTest
    @ValueSource(
            strings = {
                "assert(getprop(\"ro.product.device\") == \"lantern2\");",
                "assert(getprop(\"ro.product.device\") == \"x\" ||\n       getprop(\"ro.build.product\") == \"lantern2\");",
                "getprop(\"ro.product.device\")==\"lantern2\" || abort(\"This package is for \\\"lantern2\\\" devices.\");",
                "assert( \"lantern2\" == getprop( \"ro.product.name\" ) );",
                "if is_substring(\"lantern2\", getprop(\"ro.product.device\")) then ui_print(\"ok\"); endif;",
                "device.name1=lantern2\ndevice.name2=",
                "[ \"$(getprop ro.product.device)\" = \"lantern2\" ] || exit 1",
                "if [ \"$(getprop ro.product.device)\" != \"lantern2\" ]; then exit 1; fi",
                "case \"$(getprop ro.product.device)\" in lantern|lantern2) ;; *) exit 1;; esac",
                "assert(file_getprop(\"/default.prop\", \"ro.product.device\") == \"lantern2\");",
            })
    void devicesInAllTheUsualShapes(String script) {
        assertThat(update(SCRIPT, script).devices()).contains("lantern2");
        assertThat(update(SCRIPT, "# " + script.replace("\n", "\n# ")).devices())
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "package_extract_file(\"boot.img\", \"/dev/block/bus/by-name/boot\"); | boot | KERNEL",
                "assert(write_raw_image(package_extract_file(\"r.img\"), \"recovery\")); | recovery | RECOVERY",
                "write_firmware_image(\"PACKAGE:radio.img\", \"radio\"); | radio | RADIO",
                "block_image_update(\"/dev/block/by-name/system\", package_extract_file(\"s.list\"), \"s.dat\", \"s.p\"); | system | SYSTEM",
                "format(\"ext4\", \"EMMC\", \"/dev/block/by-name/userdata\", \"0\", \"/data\"); | userdata | DATA",
                "apply_patch(\"EMMC:/dev/block/by-name/boot:8388608:aa:8388608:bb\", \"-\", bb, 8388608, aa, x); | boot | KERNEL",
                "package_extract_dir(\"system\", \"/system\"); | system | SYSTEM",
                "set_perm(0, 0, 06755, \"/system/xbin/su\"); | system | SYSTEM",
                "run_program(\"/sbin/dd\", \"if=/tmp/l.img\", \"of=/dev/block/by-name/bootloader\"); | bootloader | BOOTLOADER",
                "run_program(\"/tmp/flash_image\", \"recovery\", \"/tmp/r.img\"); | recovery | RECOVERY",
                "package_extract_file(\"t.bin\", \"/dev/block/mmcblk0p9\"); | mmcblk0p9 | UNKNOWN",
                "if getprop(\"x\") == \"y\" then package_extract_file(\"b\", \"/dev/block/by-name/boot_a\"); endif; | boot | KERNEL"
            })
    void whatScriptsWrite(String script, String partition, PartitionClass kind) {
        assertThat(update(SCRIPT, script).writes())
                .extracting(Write::partition, Write::kind)
                .containsExactly(tuple(partition, kind));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "dd if=/tmp/boot.img of=/dev/block/by-name/boot | boot",
                "cat r.img > /dev/block/by-name/recovery | recovery",
                "flash_image radio /tmp/radio.img | radio",
                "cp -a files/. /system/app/ | system"
            })
    void whatShellScriptsWrite(String line, String partition) {
        String script = "#!/sbin/sh\n# dd if=x of=/dev/block/by-name/bootloader\n" + line + "\n";
        assertThat(update(SHELL, script).writes()).extracting(Write::partition).containsExactly(partition);
    }

    /** Scripts made to keep a pattern busy for ever, or to use up its stack. */
    @ParameterizedTest
    @ValueSource(strings = {"\n", "dd ", "\\\"", "\"a", " \n#", "getprop(", "\"x\\\\"})
    @Timeout(20)
    void aScriptMadeToKeepUsBusyDoesNot(String again) {
        String script = "\"" + again.repeat(1_000_000 / again.length());
        Inspection found = update(SCRIPT, script + "\npackage_extract_dir(\"system\", \"/system\");");
        assertThat(found.kind()).isEqualTo(FileKind.UPDATE_ZIP);
        assertThat(ChecksumList.parse(script).lines()).isEmpty();
    }

    @Test
    void whatLastsNotIsNoWrite() {
        String script =
                "package_extract_file(\"tool\", \"/tmp/tool\");\ndelete(\"/cache/x\");\nmount(\"ext4\", \"EMMC\", \"/dev/x\", \"/system\");";
        assertThat(update(SCRIPT, script).writes()).isEmpty();
    }

    @Test
    void metadataIsReadAndMakesAnUpdate() {
        Inspection found = update(
                "META-INF/com/bench/metadata",
                "pre-device=lantern2,lantern2q\npost-build=orvane/lantern2/lantern2:4.1.2/JZO54K/1:user/release-keys\n");
        assertThat(found.kind()).isEqualTo(FileKind.UPDATE_ZIP);
        assertThat(found.devices()).containsExactly("lantern2", "lantern2q");
        assertThat(found.root().first(About.Update.class).orElseThrow().metadata())
                .containsKey("post-build");
    }

    /** A flasher goes by the members' names; a loose image says nothing of where it belongs. */
    @Test
    void archivesWriteByName() {
        byte[] tar = Forge.tar(Forge.members(
                "boot.img",
                new byte[9],
                "images/SYSTEM.img.ext4",
                new byte[9],
                "recovery_b.img",
                new byte[9],
                "gpt.bin",
                new byte[9],
                "mystery.bin",
                new byte[9],
                "readme.txt",
                "hello"));
        assertThat(Forge.inspect(folder, "p.tar", tar).writes())
                .extracting(Write::partition, Write::kind)
                .containsExactly(
                        tuple("boot", PartitionClass.KERNEL),
                        tuple("system", PartitionClass.SYSTEM),
                        tuple("recovery", PartitionClass.RECOVERY),
                        tuple("gpt", PartitionClass.PARTITION_TABLE),
                        tuple("mystery", PartitionClass.UNKNOWN));
        assertThat(Forge.inspect(folder, "boot.img", Forge.bootImage(0, new byte[9], new byte[9], "x"))
                        .writes())
                .isEmpty();
    }

    /** What is known must not hide behind what is not. */
    @Test
    void anArchiveOfOtherThingsWritesNotThousands() {
        Object[] many = IntStream.rangeClosed(0, 300)
                .mapToObj(i -> List.<Object>of(i == 300 ? "gpt.bin" : "photo" + i + ".raw", new byte[9]))
                .flatMap(List::stream)
                .toArray();
        List<Write> writes =
                Forge.inspect(folder, "p.tar", Forge.tar(Forge.members(many))).writes();
        assertThat(writes).hasSize(65);
        assertThat(writes.get(64).kind()).isEqualTo(PartitionClass.PARTITION_TABLE);
    }

    @Test
    void twoFilesSideBySide() {
        Inspection one = Forge.inspect(folder, "a.tar", Forge.tar(Forge.members("boot.img", new byte[9])));
        Inspection other = Forge.inspect(folder, "b.tar", Forge.tar(Forge.members("recovery.img", new byte[9])));
        List<Comparison.Row> rows = Comparison.of(one, other).rows();
        assertThat(rows)
                .filteredOn(Comparison.Row::isSame)
                .extracting(Comparison.Row::what)
                .contains("Kind", "Size");
        assertThat(rows)
                .filteredOn(row -> !row.isSame())
                .extracting(Comparison.Row::what)
                .contains("SHA-256", "Writes", "boot.img", "recovery.img");
    }

    private Inspection update(String name, String text) {
        return Forge.inspect(folder, "update.zip", Forge.zip(Forge.members(name, text)));
    }
}
