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
    @ValueSource(strings = {"deadbeef.txt is there", "no digest here", "abc: 1234", "MD5: 1234567890", "12345678901"})
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
