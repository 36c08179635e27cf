package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.Workspace;

/** One job from “what is this phone?” to “recorded”, through the real window. */
class SliceTest {
    private static final Path READINGS = Desktop.HOME.resolve("demo/readings");

    @TempDir
    private Path top;

    @Test
    void fromAListingToTheLogbookWithARestartInBetween() throws Exception {
        Path folder = top.resolve("workspace");
        Workspace.create(folder, List.of(Desktop.HOME.resolve("catalogue"), Desktop.HOME.resolve("demo/catalogue")));
        Job left;
        try (Desktop desktop = Desktop.open(folder)) {
            identify(desktop);
            takeTheRoute(desktop);
            assertThat(desktop.runningJob().orElseThrow().tickedCount()).isZero();
            assertThat(desktop.find("tick").isDisabled())
                    .as("files come first, and one whose checksum is known is compared before it is ticked")
                    .isTrue();
            for (int i = 0; i < 4; i++) {
                desktop.tickNext();
            }
            left = desktop.runningJob().orElseThrow();
        }
        try (Desktop desktop = Desktop.open(folder)) {
            assertThat(desktop.runningJob()).contains(left);
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT4);
            desktop.assertShows("4 of " + left.sheet().steps().size());
            finish(desktop);
        }
    }

    private static void identify(Desktop desktop) throws Exception {
        desktop.assertShows("The drawer is empty");
        desktop.press(KeyCode.CONTROL, KeyCode.N);
        desktop.fill("nickname", "Hive 9, by the well");
        desktop.press(KeyCode.ENTER);
        desktop.assertShows("model not known");
        desktop.fill("paste", Files.readString(READINGS.resolve("hive-07-system.prop")));
        desktop.click("take");
        assertThat(desktop.text("phone-model")).isEqualTo("KQ-T5");
        desktop.fill("paste", Files.readString(READINGS.resolve("hive-07-banner.txt")));
        desktop.click("take");
        desktop.pick("facts", Object.class, row -> row.toString().contains("KERNEL_RELEASE"));
        desktop.assertShows("2.6.35.7-t5-118");
        desktop.assertShows("kernel banner: Pasted text, line 1");
        desktop.pick("facts", Object.class, row -> row.toString().contains("fact=LOCK,"));
        desktop.assertShows("Nobody has said. Look here: Bootloader screen.");
    }

    private static void takeTheRoute(Desktop desktop) {
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.click("face-routes");
        ListView<Object> routes = desktop.find("routes");
        assertThat(routes.getItems()).hasSizeGreaterThan(30);
        desktop.pick("routes", Object.class, row -> row.toString().contains("id=wick-exploit-app"));
        desktop.assertShows("Made for OS version 2.3.6.");
        desktop.click("show-plan");
        desktop.click("start");
        desktop.assertShows("Exploit app: wick-1.9.apk");
    }

    private static void finish(Desktop desktop) {
        while (desktop.runningJob().flatMap(Job::next).isPresent()) {
            desktop.tickNext();
        }
        desktop.fill("end-note", "works all night");
        desktop.click("end-worked");
        desktop.assertShows("Hive 9, by the well: worked");
        desktop.assertShows("Note: works all night");
        desktop.assertShows("rooted");
        List<Event> events =
                desktop.session().snapshot().get().past().get(0).job().events();
        assertThat(events.get(events.size() - 1))
                .isInstanceOfSatisfying(
                        Event.Ended.class, end -> assertThat(end.end()).isEqualTo(Event.End.WORKED));
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.assertShows("The goal is reached already: Permanent root.");
    }
}
