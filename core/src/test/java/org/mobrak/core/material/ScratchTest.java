package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

class ScratchTest {
    @TempDir
    private Path temporary;

    @Test
    void whatAKilledProgramLeftIsSweptAndWhatIsInUseIsNot() throws IOException {
        Path left = Files.createDirectories(temporary.resolve("mobrak-killed"));
        Files.createFile(left.resolve(".in-use"));
        Files.writeString(left.resolve("large.part"), "208 MB");
        Path elsewhere = Files.createDirectories(temporary.resolve("elsewhere"));
        Files.createFile(elsewhere.resolve(".in-use"));
        Files.createSymbolicLink(temporary.resolve("mobrak-link"), elsewhere);
        Path others = Files.createDirectories(temporary.resolve("mobrak-of-another-program"));
        List<Runnable> atEnd = new ArrayList<>();
        Scratch first = Scratch.in(temporary, atEnd::add);
        Files.writeString(first.path().resolve("large.part"), "in use");
        try (Scratch second = Scratch.in(temporary, atEnd::add)) {
            assertThat(left).doesNotExist();
            assertThat(elsewhere.resolve(".in-use")).exists();
            assertThat(others).exists();
            assertThat(first.path().resolve("large.part")).exists();
            assertThat(second.path()).isNotEqualTo(first.path());
        }
        assertThat(temporary).isDirectoryContaining(first.path()::equals);
        atEnd.forEach(Runnable::run);
        assertThat(first.path()).as("the program was told to end").doesNotExist();
    }

    /** What one program sweeps and another just makes or puts away are never the same folder. */
    @Test
    @Timeout(60)
    void twoProgramsThatStartAndEndAtOnceLeaveEachOtherAlone() throws Exception {
        Process other = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        ScratchTest.class.getName(),
                        temporary.toString())
                .inheritIO()
                .start();
        makeAndPutAway(temporary);
        assertThat(other.waitFor()).isZero();
        assertThat(temporary).isEmptyDirectory();
    }

    /** The other program. */
    public static void main(String... arguments) throws IOException {
        makeAndPutAway(Path.of(arguments[0]));
    }

    private static void makeAndPutAway(Path temporary) throws IOException {
        Instant end = Instant.now().plusSeconds(3);
        while (Instant.now().isBefore(end)) {
            try (Scratch made = Scratch.in(temporary, atEnd -> {})) {
                for (int file = 0; file < 20; file++) {
                    Files.writeString(made.path().resolve("file" + file), "in use");
                }
            }
        }
    }
}
