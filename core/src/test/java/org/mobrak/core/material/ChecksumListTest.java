package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.material.ChecksumList.Line;

/** Checksum lists in the shapes people publish; the shapes are those of the GNU coreutils manual, of BSD, and common practice. */
class ChecksumListTest {
    private static final String MD5 = "900150983cd24fb0d6963f7d28e17f72";
    private static final Line EXPECTED = new Line(Optional.of("pack 1.tar"), Digest.MD5, MD5);

    @ParameterizedTest
    @ValueSource(
            strings = {
                MD5 + "  pack 1.tar",
                MD5 + " *pack 1.tar",
                "900150983CD24FB0D6963F7D28E17F72  pack 1.tar",
                "   " + MD5 + "   pack 1.tar   ",
                "MD5 (pack 1.tar) = " + MD5,
                "md5(pack 1.tar)= " + MD5,
                "pack 1.tar: " + MD5,
                "pack 1.tar = " + MD5,
                "pack 1.tar\t" + MD5,
                "pack 1.tar md5: " + MD5,
                "pack 1.tar (MD5): " + MD5,
                "- pack 1.tar: " + MD5,
                "pack 1.tar:\u00a090015098 3cd24fb0 d6963f7d 28e17f72",
                "md5:" + MD5 + "  pack 1.tar",
                "File: pack 1.tar MD5: " + MD5,
                "| pack 1.tar | " + MD5 + " |",
                "MD5 checksum: 90:01:50:98:3C:D2:4F:B0:D6:96:3F:7D:28:E1:7F:72 (pack 1.tar)",
                "\ufeff" + MD5 + "  pack 1.tar",
            })
    void everyShapeSaysTheSame(String text) {
        assertThat(ChecksumList.parse("Downloads of today\n\n" + text + "\r\nhave fun\n")
                        .lines())
                .containsExactly(EXPECTED);
    }

    @Test
    void aLineBelowANameSpeaksOfThatFile() {
        ChecksumList list =
                ChecksumList.parse("pack.tar\nMD5: " + MD5 + "\nSHA-1: a9993e364706816aba3e25717850c26c9cd0d89d\n");
        assertThat(list.of("pack.tar")).extracting(Line::digest).containsExactly(Digest.MD5, Digest.SHA1);
        assertThat(ChecksumList.parse(MD5).of("any.zip")).extracting(Line::name).containsExactly(Optional.empty());
    }

    /** Lists of Windows programs, of the openssl command, of a page with two sums in a line; SFV (common practice, no standard). */
    @Test
    void otherWorldsListsAreReadToo() {
        String sha1 = "a9993e364706816aba3e25717850c26c9cd0d89d";
        ChecksumList list = ChecksumList.parse("""
                ; made by a program
                boot.img 352441C2
                SHA2-256(a.img)= ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad
                %s  .\\images\\b.img
                Name: c.img   Size: 6.5 MB   MD5: %s   SHA-1: %s
                https://alder.example/d.img MD5 %s
                """.formatted(sha1, MD5, sha1, MD5));
        assertThat(list.lines())
                .extracting(line -> line.name().orElse("") + " " + line.digest())
                .containsExactly(
                        "boot.img CRC32",
                        "a.img SHA256",
                        "./images/b.img SHA1",
                        "c.img MD5",
                        "c.img SHA1",
                        "d.img MD5");
        assertThat(list.of(Path.of("/tmp/images/b.img"))).hasSize(1);
        assertThat(list.unclear()).isEmpty();
    }

    @Test
    void aDigestThatIsCutOffIsNotPassedOverInSilence() {
        ChecksumList list = ChecksumList.parse(
                MD5 + "  a.img\n" + MD5.substring(1) + "  b.img\nBLAKE2b (c.img) = " + MD5.repeat(4) + "\n# 2014\n");
        assertThat(list.lines()).hasSize(1);
        assertThat(list.unclear()).containsExactly(2, 3);
    }

    @Test
    void pathsAreFoundByTheirLastPartAndStrangersNotAtAll() {
        ChecksumList list = ChecksumList.parse(MD5 + "  ./images/pack.tar\n\\" + MD5 + "  two\\nlines\\\\.tar\n");
        assertThat(list.of("pack.tar")).hasSize(1);
        assertThat(list.lines().get(1).name()).contains("two\nlines\\.tar");
        assertThat(list.of("other.tar")).isEmpty();
        ChecksumList twice = ChecksumList.parse(MD5 + "  a/x.img\n" + MD5.replace('9', '8') + "  ./b/x.img\n");
        assertThat(twice.of(Path.of("/tmp/b/x.img")))
                .containsExactly(twice.lines().get(1));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "deadbeef.txt is there",
                "no digest here",
                "abc: 1234",
                "MD5: 1234567890",
                "12345678901",
                "20140203 was a cold day"
            })
    void otherLinesArePassedOver(String text) {
        assertThat(ChecksumList.parse(text).lines()).isEmpty();
    }

    @Test
    void whatIsWrittenIsReadBack() {
        List<Line> lines = List.of(
                EXPECTED, new Line(Optional.of("new\nline\\.tar"), Digest.MD5, "d41d8cd98f00b204e9800998ecf8427e"));
        assertThat(ChecksumList.parse(ChecksumList.write(lines)).lines()).isEqualTo(lines);
    }
}
