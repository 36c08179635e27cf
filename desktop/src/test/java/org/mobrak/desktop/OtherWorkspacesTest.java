package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.apache.commons.io.file.PathUtils;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.RecentWorkspaces;
import org.mobrak.core.logbook.Workspace;

/** One workspace takes the place of another in the window, by real windows. */
class OtherWorkspacesTest {
    @TempDir
    private Path top;

    private Path demo;
    private RecentWorkspaces recent;

    @BeforeEach
    void layOut() throws Exception {
        demo = top.resolve("demo");
        recent = new RecentWorkspaces(top.resolve("data"));
        Demo.in(demo);
    }

    private OtherWorkspaces of(Desktop desktop) {
        MobrakApp app = new MobrakApp(new MobrakApp.Places(
                Desktop.HOME, top.resolve("cache"), recent, top.resolve("mobrak.log"), top.resolve("data")));
        return new OtherWorkspaces(app, desktop.stage(), desktop.session(), demo);
    }

    private static Optional<Stage> window(String name) {
        return Window.getWindows().stream()
                .filter(Stage.class::isInstance)
                .map(Stage.class::cast)
                .filter(stage ->
                        stage.getTitle() != null && stage.getTitle().matches("(.*\\()?" + name + "\\)? – Mobrak"))
                .findFirst();
    }

    /** Closes the window that came, and waits until its workspace is free. */
    private void close(Desktop desktop, Path folder) {
        Stage came = window(folder.getFileName().toString()).orElseThrow();
        desktop.robot().interact(came::close);
        desktop.until("given free", () -> isFree(folder));
    }

    private boolean isFree(Path folder) {
        try (Workspace open = Workspace.open(folder, top.resolve("cache"))) {
            return true;
        } catch (IOException held) {
            return false;
        }
    }

    @Test
    void aWorkspaceThatIsMadeOpensInTheSamePlaceAndIsRemembered() throws Exception {
        Path own = top.resolve("own");
        try (Desktop desktop = Desktop.open(demo)) {
            OtherWorkspaces workspaces = of(desktop);
            desktop.robot().interact(() -> workspaces.open(own));
            desktop.until("its window", () -> window("own").isPresent());
            desktop.until("in place of this one", () -> !desktop.stage().isShowing());
            assertThat(recent.all()).containsExactly(own);
            assertThat(own.resolve("catalogue/routes")).isDirectory();
            assertThat(workspaces.recent())
                    .as("this one is not offered to itself")
                    .containsExactly(own);
            close(desktop, own);
        }
        assertThat(isFree(demo)).isTrue();
    }

    @Test
    void aFreshDemoLiesBesideTheOthersAndAMovedWorkspaceOpensWhereItLies() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.robot().interact(() -> of(desktop).demo());
            desktop.until("its window", () -> recent.all().equals(List.of(top.resolve("data/demo"))));
            desktop.until(
                    "it is shown",
                    () -> window("demo")
                            .filter(stage -> stage != desktop.stage())
                            .isPresent());
            close(desktop, top.resolve("data/demo"));
        }
        Path elsewhere = Files.createDirectories(top.resolve("elsewhere"));
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.robot().interact(() -> of(desktop).move(elsewhere));
            desktop.until(
                    "in its new place",
                    () -> recent.all().stream().findFirst().equals(Optional.of(elsewhere.resolve("demo"))));
            desktop.until("this one is gone", () -> !desktop.stage().isShowing());
            assertThat(demo).doesNotExist();
            close(desktop, elsewhere.resolve("demo"));
        }
    }

    @Test
    void oneFromElsewhereIsLookedThroughAndOpenedOnceThePersonAgrees() throws Exception {
        Path received = top.resolve("received");
        PathUtils.copyDirectory(demo, received);
        byte[] logbook = Files.readAllBytes(received.resolve("logbook.db"));
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.robot().interact(() -> of(desktop).open(received));
            desktop.until("it asks", () -> asking().isPresent());
            Stage asks = asking().orElseThrow();
            Label found = (Label) asks.getScene().lookup("#elsewhere-found");
            desktop.until("looked through", () -> found.getText().contains("15 phones"));
            assertThat(found.getText()).contains("All of it is whole.");
            assertThat(received.resolve("logbook.db")).hasBinaryContent(logbook);
            assertThat(asks.getScene().lookup("#refused-copy-0"))
                    .as("what would write")
                    .isNull();
            desktop.robot().interact(() -> ((Button) asks.getScene().lookup("#elsewhere-open")).fire());
            desktop.until("its window", () -> window("received").isPresent());
            desktop.until("asked no more", () -> !asks.isShowing());
            assertThat(desktop.stage().isShowing()).as("what was open stays").isTrue();
            close(desktop, received);
        }
        assertThat(Workspace.isOurs(received, top.resolve("cache"))).isTrue();
    }

    private static Optional<Stage> asking() {
        return Window.getWindows().stream()
                .filter(Stage.class::isInstance)
                .map(Stage.class::cast)
                .filter(stage -> String.valueOf(stage.getTitle()).startsWith("Open received?"))
                .findFirst();
    }

    @Test
    void whatCannotBeOpenedOrMovedIsSaidAndThisOneStays() throws Exception {
        Path broken = top.resolve("broken");
        Workspace.create(broken, List.of(Desktop.HOME.resolve("catalogue")));
        Files.writeString(broken.resolve("logbook.db"), "no logbook at all");
        Workspace.agree(broken, top.resolve("cache"));
        Files.createDirectories(top.resolve("full/demo"));
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.robot().interact(() -> of(desktop).move(top.resolve("full")));
            desktop.assertShows("is there already; choose another folder.");
            desktop.robot().interact(() -> of(desktop).open(broken));
            desktop.until(
                    "it says why",
                    () -> desktop.session()
                            .notice()
                            .get()
                            .filter(told -> told.bad() && told.text().contains(broken.toString()))
                            .isPresent());
            assertThat(window("broken")).isEmpty();
            assertThat(desktop.stage().isShowing()).isTrue();
            desktop.robot().interact(() -> desktop.session().addPhone("Goes on"));
            desktop.until(
                    "the work goes on",
                    () -> desktop.session().snapshot().get().drawer().size() == 16);
        }
    }
}
