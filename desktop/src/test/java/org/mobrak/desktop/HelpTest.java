package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;
import org.mobrak.desktop.shell.Shell;
import org.mobrak.desktop.shell.Workspaces;

/** What helps whoever did not build it: the sheet at the side, all keys, the palette, and other workspaces. */
class HelpTest {
    @TempDir
    private Path top;

    private Path demo;

    @BeforeEach
    void layOut() throws Exception {
        demo = top.resolve("demo");
        Demo.in(demo);
    }

    @Test
    void everyPageSaysWhatItAnswersAndEveryKeyIsToldByKeyboardAlone() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.F1);
            desktop.assertShows("Who is this phone?");
            for (KeyCode page : Desktop.PAGES) {
                desktop.press(KeyCode.CONTROL, page);
                desktop.until("the help follows", () -> desktop.isShown("help"));
            }
            desktop.assertShows("From a guide to a route");
            desktop.press(KeyCode.ESCAPE);
            assertThat(desktop.isShown("help")).isFalse();
            desktop.press(KeyCode.CONTROL, KeyCode.SLASH);
            desktop.assertShows("Find anything by its name");
            desktop.press(KeyCode.F1);
            desktop.press(KeyCode.F1);
            assertThat(desktop.isShown("help")).as("the same key puts it away").isFalse();
        }
    }

    @Test
    void theWordsOfAPageAreUnderlinedAndExplainedWhileHelpIsOpen() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().startsWith("Hive 3"));
            desktop.press(KeyCode.F1);
            desktop.assertShows("Words on this page");
            assertThat(desktop.robot().lookup(".has-term").queryAllAs(Labeled.class))
                    .isNotEmpty()
                    .allMatch(label -> label.isUnderline() || !Desktop.isSeen(label));
            List<String> words = underlined(desktop);
            ListView<?> facts = desktop.find("facts");
            for (int row : List.of(facts.getItems().size() - 1, 0)) {
                desktop.robot().interact(() -> facts.scrollTo(row));
            }
            assertThat(underlined(desktop))
                    .as("rows that came to say something else")
                    .isEqualTo(words);
            desktop.press(KeyCode.ESCAPE);
            assertThat(desktop.robot().lookup(".has-term").queryAll()).isEmpty();
        }
    }

    private static List<String> underlined(Desktop desktop) {
        return desktop.robot().lookup("#facts .has-term").queryAllAs(Labeled.class).stream()
                .filter(Desktop::isSeen)
                .map(Labeled::getText)
                .distinct()
                .sorted()
                .toList();
    }

    @Test
    void theTourGoesRoundThePagesAndCanBeLeftAndTakenAgain() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.F1);
            desktop.click("take-the-tour");
            desktop.assertShows("1 of 6");
            assertThat(desktop.isShown("help")).isFalse();
            for (String page :
                    List.of("stage-ways", "stage-files", "stage-run_sheet", "stage-after", "stage-logbook")) {
                desktop.press(KeyCode.SPACE);
                assertThat(desktop.<ToggleButton>find(page).isSelected())
                        .as(page)
                        .isTrue();
            }
            desktop.assertShows("6 of 6");
            desktop.press(KeyCode.SPACE);
            assertThat(desktop.isShown("tour")).as("it ends by itself").isFalse();
            desktop.press(KeyCode.CONTROL, KeyCode.K);
            desktop.fill("palette-words", "tour");
            desktop.press(KeyCode.ENTER);
            desktop.assertShows("1 of 6");
            desktop.press(KeyCode.ESCAPE);
            assertThat(desktop.isShown("tour")).isFalse();
        }
    }

    @Test
    void aPhoneARouteAndAnActionAreFoundByTheirNames() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            find(desktop, "phone heather");
            desktop.until("on the desk", () -> desktop.text("phone-name").startsWith("Hive 7"));
            find(desktop, "hive 3");
            desktop.until("on the desk", () -> desktop.text("phone-name").startsWith("Hive 3"));
            find(desktop, "route download mode, lantern 2: fits");
            desktop.until("the route is on the board", () -> desktop.isShown("routes"));
            find(desktop, "go to logbook");
            desktop.until("the page", () -> desktop.isShown("jobs"));
            Node before = desktop.find("jobs");
            desktop.robot().interact(before::requestFocus);
            desktop.press(KeyCode.CONTROL, KeyCode.K);
            desktop.fill("palette-words", "nothing like this");
            desktop.assertShows("Nothing is called so");
            desktop.press(KeyCode.ESCAPE);
            assertThat(desktop.find("palette").isVisible()).isFalse();
            assertThat(before.isFocused())
                    .as("the keyboard is back where it was")
                    .isTrue();
            desktop.press(KeyCode.CONTROL, KeyCode.K);
            desktop.fill("palette-words", "go to files");
            desktop.robot().clickOn("Go to “Files”");
            desktop.until("clicked", () -> !desktop.find("palette").isVisible() && desktop.isShown("gather-items"));
        }
    }

    private static void find(Desktop desktop, String words) {
        desktop.press(KeyCode.CONTROL, KeyCode.K);
        desktop.fill("palette-words", words);
        desktop.press(KeyCode.ENTER);
        desktop.rest();
    }

    @Test
    void theLastWorkspacesAreOfferedAndTakeThisOnesPlace() throws Exception {
        Workspaces workspaces = mock(Workspaces.class);
        Path other = Path.of("/a/very/long/way/to/the/folder/of/another/workspace/of/the/club");
        when(workspaces.recent()).thenReturn(List.of(other));
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.robot().interact(() -> {
                Shell shell = new Shell(
                        desktop.session(), ZoneOffset.UTC, desktop.stage().getScene());
                shell.moveIn();
                shell.offer(workspaces);
            });
            MenuButton menu = desktop.find("workspaces");
            desktop.robot().interact(menu::show);
            assertThat(menu.getItems()).hasSize(5);
            assertThat(menu.getItems().get(4).getText()).startsWith("… ").endsWith("of/the/club");
            desktop.robot().interact(() -> menu.getItems().get(4).fire());
            verify(workspaces).open(other);
            desktop.robot().interact(() -> menu.getItems().get(1).fire());
            verify(workspaces).demo();
            verify(workspaces, never()).move(any());
        }
    }
}
