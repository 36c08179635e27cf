package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.app.RecentWorkspaces;
import org.mobrak.core.logbook.Workspace;

/** The program as it is started from a shell or by a double click: a process of its own. */
class LauncherTest {
    private static final int PATIENCE_SECONDS = 90;

    @TempDir
    private Path top;

    private Process start(String... arguments) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Dprism.order=sw",
                "-Dmobrak.home=" + Desktop.HOME,
                "-Dmobrak.cache=" + top.resolve("cache"),
                "-Dmobrak.data=" + top.resolve("data"),
                "-Dmobrak.log=" + top.resolve("mobrak.log"),
                "-cp",
                System.getProperty("java.class.path"),
                Launcher.class.getName()));
        command.addAll(List.of(arguments));
        return new ProcessBuilder(command)
                .redirectError(top.resolve("said").toFile())
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
    }

    @ParameterizedTest
    @CsvSource({"not-there.txt,is no file and no command", "open,give the folder to open", "screenshots,give a folder"})
    void whatCannotBeMeantIsSaidInALine(String argument, String said) throws Exception {
        Process process = start(argument);
        assertThat(process.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).isEqualTo(2);
        assertThat(Files.readString(top.resolve("said")))
                .contains("mobrak: ")
                .contains(said)
                .doesNotContain("\tat ");
        assertThat(top.resolve("data")).doesNotExist();
    }

    /** Whoever had workspaces before it was kept which are known is not asked about them. */
    @Test
    void whatWasOpenLastIsKnown() throws Exception {
        Path own = top.resolve("own");
        Workspace.create(own, List.of(Desktop.HOME.resolve("catalogue")));
        Workspace.open(own, top.resolve("former-cache")).close();
        new RecentWorkspaces(top.resolve("data")).opened(own);
        assertThat(start("not-there.txt").waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS))
                .isTrue();
        assertThat(Workspace.isOurs(own, top.resolve("cache"))).isTrue();
    }

    /** A line where the command was given, and a window for whoever started it from a menu. */
    @Test
    void aWorkspaceThatCannotBeMadeIsToldAndTheWindowWaits() throws Exception {
        Path file = Files.writeString(top.resolve("a-file"), "no folder");
        Process process = start("open", file.toString());
        try {
            await(() -> said().contains("mobrak: "));
            assertThat(said()).doesNotContain("\tat ");
            assertThat(process.isAlive()).isTrue();
        } finally {
            process.destroyForcibly().waitFor();
        }
    }

    private String said() {
        try {
            return Files.readString(top.resolve("said"));
        } catch (IOException unreadable) {
            return "";
        }
    }

    /** The first start makes a workspace of the user's own and remembers it, so that the next one opens it. */
    @Test
    void withoutArgumentsTheLastWorkspaceOpensAndThereIsOneFromTheBeginning() throws Exception {
        Process process = start();
        try {
            Path recent = top.resolve("data/recent");
            await(() -> Files.exists(recent) && Files.exists(top.resolve("data/workspace/logbook.db")));
            assertThat(Files.readString(recent).strip())
                    .isEqualTo(top.resolve("data/workspace").toString());
            assertThat(top.resolve("data/workspace/catalogue/routes")).isDirectory();
        } finally {
            process.destroyForcibly().waitFor();
        }
    }

    private interface Condition {
        boolean holds();
    }

    private static void await(Condition condition) throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
        while (!condition.holds()) {
            assertThat(System.nanoTime()).as("in time").isLessThan(end);
            Thread.sleep(50);
        }
    }
}
