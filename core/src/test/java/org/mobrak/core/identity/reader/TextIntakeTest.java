package org.mobrak.core.identity.reader;

import static java.nio.charset.StandardCharsets.UTF_16LE;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import org.apache.commons.io.input.BoundedInputStream;
import org.apache.commons.io.input.InfiniteCircularInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.UnreadableInput;

class TextIntakeTest {
    private static final String LINE = "[ro.build.id]: [GRK39F]\n";
    private static final long TWO_HUNDRED_MEGABYTES = 200_000_000;

    @TempDir
    private Path folder;

    @Test
    void refusesWhatGivesNothingAndSaysWhy() throws IOException {
        byte[] noise = new byte[5_000];
        new Random(7).nextBytes(noise);
        assertRefused(folder.resolve("nowhere.txt"), "does not exist");
        assertRefused(folder, "is a folder");
        assertRefused(file(new byte[0]), "is empty");
        assertRefused(file("\n \r\n".getBytes(UTF_8)), "is empty");
        assertRefused(file(noise), "is a binary file");
        assertRefused(file("a letter about bees, and x=1".getBytes(UTF_8)), "holds no reading");
    }

    @Test
    void aFolderGivesItsFilesWithinReason() throws IOException {
        assertThatThrownBy(() -> FolderFiles.of(folder, 4, 2)).hasMessageContaining("holds no file");
        for (String name : new String[] {"c", "a", "deep/b", "deep/er/d"}) {
            Files.createDirectories(folder.resolve(name).getParent());
            Files.writeString(folder.resolve(name), name);
        }
        assertThat(FolderFiles.of(folder, 2, 3))
                .containsExactly(folder.resolve("a"), folder.resolve("c"), folder.resolve("deep/b"));
        assertThatThrownBy(() -> FolderFiles.of(folder, 3, 3))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("more than 3 files");
    }

    @Test
    void refusesTwoHundredMegabytesOfOtherTextAfterOne() throws IOException {
        try (BoundedInputStream endless = ofLetters(TWO_HUNDRED_MEGABYTES)) {
            assertThatThrownBy(() -> TextIntake.of("letters", endless))
                    .isInstanceOf(UnreadableInput.class)
                    .hasMessageContaining("holds no reading");
            assertThat(endless.getCount()).isLessThanOrEqualTo(1 << 20);
        }
    }

    @Test
    void keepsTheFirstEightMebibytesOfAListingWithoutEnd() throws IOException {
        InputStream listing = new java.io.SequenceInputStream(
                new ByteArrayInputStream(LINE.getBytes(UTF_8)), ofLetters(TWO_HUNDRED_MEGABYTES));
        RawText text = TextIntake.of("long", listing);
        assertThat(text.text()).hasSize(TextIntake.MOST_BYTES).startsWith(LINE);
        assertThat(text.findings()).extracting(Finding::code).containsExactly("text-too-long");
    }

    @Test
    void readsThroughByteOrderMarksOfBothKinds() throws IOException {
        assertThat(TextIntake.of(file(("\uFEFF" + LINE).getBytes(UTF_8))).text())
                .isEqualTo(LINE);
        assertThat(TextIntake.of(file(("\uFEFF" + LINE).getBytes(UTF_16LE))).text())
                .isEqualTo(LINE);
        assertThat(TextIntake.pasted("\uFEFF" + LINE).text()).isEqualTo(LINE);
    }

    @Test
    void keepsDamagedTextAndSaysThatItIs() throws IOException {
        byte[] nul = (LINE + "\0\0" + LINE).getBytes(UTF_8);
        RawText withNul = TextIntake.of(file(nul));
        assertThat(withNul.text()).isEqualTo(LINE + LINE);
        assertThat(withNul.findings()).extracting(Finding::code).containsExactly("nul-bytes");

        byte[] invalid = LINE.getBytes(UTF_8);
        invalid[LINE.indexOf('9')] = (byte) 0xFF;
        RawText broken = TextIntake.of(file(invalid));
        assertThat(broken.text()).contains("GRK3\uFFFDF");
        assertThat(broken.findings()).extracting(Finding::code).containsExactly("invalid-utf8");
    }

    private static BoundedInputStream ofLetters(long count) throws IOException {
        byte[] letters = new byte[8_000];
        Arrays.fill(letters, (byte) 'b');
        letters[letters.length - 1] = '\n';
        return BoundedInputStream.builder()
                .setInputStream(new InfiniteCircularInputStream(letters))
                .setMaxCount(count)
                .get();
    }

    private Path file(byte[] bytes) throws IOException {
        return Files.write(Files.createTempFile(folder, "intake", ".txt"), bytes);
    }

    private static void assertRefused(Path file, String why) {
        assertThatThrownBy(() -> TextIntake.of(file))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageStartingWith(file.toString())
                .hasMessageContaining(why)
                .hasMessageNotContaining("\n");
    }
}
