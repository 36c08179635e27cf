package org.mobrak.desktop;

import static java.util.Map.entry;
import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
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
import org.mobrak.desktop.help.Command;
import org.mobrak.desktop.help.Places;
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
            desktop.until("the same key puts it away", () -> !desktop.isShown("help"));
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
            desktop.until(
                    "rows that came to say something else are underlined as before",
                    () -> underlined(desktop).equals(words));
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
            desktop.assertShows("1 of 7");
            assertThat(desktop.isShown("help")).isFalse();
            for (String page : List.of(
                    "stage-workshop", "stage-ways", "stage-files", "stage-run_sheet", "stage-after", "stage-logbook")) {
                desktop.press(KeyCode.SPACE);
                assertThat(desktop.<ToggleButton>find(page).isSelected())
                        .as(page)
                        .isTrue();
            }
            desktop.assertShows("7 of 7");
            desktop.press(KeyCode.SPACE);
            assertThat(desktop.isShown("tour")).as("it ends by itself").isFalse();
            desktop.press(KeyCode.CONTROL, KeyCode.K);
            desktop.fill("palette-words", "tour");
            desktop.press(KeyCode.ENTER);
            desktop.assertShows("1 of 7");
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
            desktop.assertShows("No matches");
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

    /** Whatever the window has is found: by its name, by common words, by letters left out; the nearest comes first. */
    @Test
    void everythingIsFoundByWhatPeopleCallIt() throws Exception {
        Map<String, String> wanted = Map.ofEntries(
                entry("rehearsal", "Rehearsal"),
                entry("rhrsl", "Rehearsal"),
                entry("simulate", "Rehearsal"),
                entry("proof", "Proof"),
                entry("export", "Export the workspace"),
                entry("battery", "Battery percent"),
                entry("take back", "Take back"),
                entry("unroot", "Take back"),
                entry("map", "Map"),
                entry("hive 1", "Hive 1,"),
                entry("hive 3", "Hive 3,"),
                entry("dark", "Light or dark"),
                entry("backup", "Image backup"),
                entry("restore", "Copies to come back"),
                entry("buckup", "Image backup"),
                entry("font size", "Larger letters"));
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.CONTROL, KeyCode.K);
            ListView<Command> found = desktop.find("palette-found");
            wanted.forEach((typed, first) -> {
                desktop.fill("palette-words", typed);
                assertThat(found.getItems().stream().limit(3).map(Command::name))
                        .as(typed)
                        .anyMatch(name -> name.startsWith(first));
            });
            desktop.press(KeyCode.ESCAPE);
            for (KeyCode page : Desktop.PAGES) {
                desktop.press(KeyCode.CONTROL, page);
                List<String> faces = desktop.robot().lookup(".ruler-kind").queryAllAs(ToggleButton.class).stream()
                        .filter(tab -> tab.getId() != null && tab.getId().startsWith("face-"))
                        .map(Labeled::getText)
                        .toList();
                desktop.press(KeyCode.CONTROL, KeyCode.K);
                for (String face : faces) {
                    desktop.fill("palette-words", face);
                    assertThat(found.getItems().stream().map(Command::name))
                            .as("every face is found")
                            .contains(face);
                }
                desktop.press(KeyCode.ESCAPE);
            }
            desktop.press(KeyCode.CONTROL, KeyCode.F);
            desktop.fill("find-phone", "hive 3");
            desktop.press(KeyCode.ENTER);
            desktop.until(
                    "the one that was named", () -> desktop.text("phone-name").startsWith("Hive 3,"));
        }
    }

    /** A line that leads to what is not there would be a button that does nothing. */
    @Test
    void everyPlaceThatIsListedIsThere() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().startsWith("Hive 3,"));
            for (Places.Place place : new Places().named()) {
                if (place.control().isEmpty()) {
                    continue;
                }
                desktop.press(KeyCode.CONTROL, KeyCode.K);
                ListView<Command> found = desktop.find("palette-found");
                desktop.fill("palette-words", place.name());
                assertThat(found.getItems().get(0).name()).isEqualTo(place.name());
                desktop.press(KeyCode.ENTER);
                desktop.until(place.name() + " is there", () -> desktop.isShown(place.control()));
                desktop.press(KeyCode.ESCAPE);
            }
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
