package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Set;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.core.logbook.Workspace;

/** The logbook as a whole, through the real window. */
class LogbookPageTest {
    @TempDir
    private Path top;

    private Path demo;

    @BeforeEach
    void layOut() throws Exception {
        demo = top.resolve("demo");
        DemoWorkspace.create(Desktop.HOME, demo, Desktop.cache(demo), Clock.systemUTC());
    }

    @Test
    void everythingIsSearchedAndASlipIsProposedAnotherWord() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.fill("search-logbook", "LN2-F0");
            desktop.until("found", () -> desktop.isShown("found"));
            desktop.assertShows("Hive 3, orchard wall");
            desktop.fill("search-logbook", "orchrad");
            desktop.assertShows("Did you mean “orchard”?");
            desktop.click("proposal-orchard");
            desktop.until("the other word is searched", () -> desktop.isShown("found"));
            desktop.click("hit-0");
            desktop.until(
                    "the phone lies on the desk",
                    () -> desktop.text("phone-name").equals("Hive 3, orchard wall"));
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.fill("search-logbook", "");
            desktop.until("the jobs are back", () -> desktop.isShown("jobs"));
        }
    }

    @Test
    void aWorkspaceGoesOutAndComesIntoAnotherThroughALook() throws Exception {
        Path zip = top.resolve("demo.zip");
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.robot().interact(() -> desktop.session().logbook().export(zip, false));
            desktop.assertShows("with 13 phones");
        }
        Path own = top.resolve("own");
        Workspace.create(own, List.of(Desktop.HOME.resolve("catalogue")));
        try (Desktop desktop = Desktop.open(own)) {
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.drop("search-logbook", zip);
            desktop.robot().interact(() -> desktop.session().logbook().lookAt(zip));
            desktop.until("offered", () -> desktop.isShown("offered"));
            assertThat(desktop.session().snapshot().get().drawer())
                    .as("nothing is taken yet")
                    .isEmpty();
            desktop.robot().interact(() -> desktop.session().logbook().take(Set.of()));
            desktop.assertShows("Taken in: 13 phones");
            assertThat(desktop.session().snapshot().get().drawer()).hasSize(13);
            assertThat(desktop.session().snapshot().get().past()).hasSize(1);
            desktop.robot().interact(() -> desktop.session().logbook().lookAt(zip));
            desktop.until("looked at once more", () -> desktop.isShown("take-export"));
            assertThat(desktop.find("take-export").isDisabled())
                    .as("the same again adds nothing")
                    .isTrue();
        }
    }
}
