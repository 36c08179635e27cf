package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.Workspace;

/** A process killed in mid-job leaves the job where the screen showed it. */
class KillTest {
    private static final int SIGKILL = 128 + 9;

    @TempDir
    private Path top;

    @Test
    @Timeout(value = 3, unit = TimeUnit.MINUTES)
    void everyTickThatWasShownIsThereAfterwards() throws Exception {
        Path folder = top.resolve("demo");
        Demo.in(folder);
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().startsWith("Hive 3,"));
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            desktop.click("start");
        }
        Process killed = start(folder);
        try (BufferedReader said = killed.inputReader()) {
            assertThat(said.lines().anyMatch(KilledDesktop.TICKED::equals)).isTrue();
            assertThatThrownBy(() -> Workspace.open(folder, Desktop.cache(folder)))
                    .as("it is open over there")
                    .hasMessageContaining("another Mobrak");
            killed.destroyForcibly();
        }
        assertThat(killed.waitFor()).isEqualTo(SIGKILL);
        try (Desktop desktop = Desktop.open(folder)) {
            assertThat(desktop.text("phone-model")).isEqualTo("OV-L210F");
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT4);
            Job job = desktop.runningJob().orElseThrow();
            assertThat(job.tickedCount()).isEqualTo(2);
            desktop.assertShows("2 of " + job.sheet().steps().size());
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.assertShows("Hive 7, heather field: worked");
        }
    }

    private static Process start(Path folder) throws Exception {
        return new ProcessBuilder(List.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Dprism.order=sw",
                        "-Dmobrak.home=" + Desktop.HOME,
                        "-cp",
                        System.getProperty("java.class.path"),
                        KilledDesktop.class.getName(),
                        folder.toString()))
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
    }
}
