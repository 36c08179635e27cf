package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;

/** What somebody is typing, while the window is told how everything stands. */
class TypedTextTest {
    @TempDir
    private Path top;

    @Test
    void whatIsTypedOnAnyPageOutlivesASnapshotThatComesByItself() throws Exception {
        Path demo = top.resolve("demo");
        Demo.in(demo);
        List<String> lost = new ArrayList<>();
        int typed = 0;
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().startsWith("Hive 3,"));
            openWhatIsClosed(desktop);
            Path file = Desktop.HOME.resolve("demo/readings/hive-11-listing.txt");
            desktop.robot().interact(() -> {
                desktop.session().files().lookInto(List.of(file));
                desktop.session().logbook().askWhatIsDue();
            });
            desktop.until(
                    "the file lies on the table",
                    () -> desktop.session().snapshot().get().table().isPresent());
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT3);
            desktop.click("face-table");
            for (KeyCode page : Desktop.PAGES) {
                desktop.press(KeyCode.CONTROL, page);
                Map<TextInputControl, String> texts = new HashMap<>();
                desktop.robot()
                        .interact(() -> fields(root(desktop)).forEach(field -> {
                            field.setText("7");
                            texts.put(field, field.getText());
                        }));
                desktop.rest();
                if (texts.keySet().stream().anyMatch(field -> "search-logbook".equals(field.getId()))) {
                    desktop.until(
                            "what was typed is sought",
                            () -> desktop.session().logbook().found().get().isPresent());
                }
                typed += texts.size();
                desktop.robot().interact(() -> comesByItself(desktop, page));
                desktop.rest();
                desktop.robot()
                        .interact(() -> texts.forEach((field, text) -> {
                            boolean there = field.getScene() == desktop.stage().getScene() && Desktop.isSeen(field);
                            if (!there || !text.equals(field.getText())) {
                                lost.add(page + ": " + field);
                            }
                            field.clear();
                        }));
                desktop.rest();
            }
        }
        assertThat(lost).isEmpty();
        assertThat(typed).isGreaterThan(12);
    }

    @Test
    void aFieldOfAWindowThatOpensIsNotMadeAnewWhenTheWaysWereLookedFor() throws Exception {
        Path demo = top.resolve("demo");
        Demo.in(demo);
        List<TextInputControl> typed = new ArrayList<>();
        try (Desktop desktop = Desktop.open(
                demo,
                opening -> opening.session().glance().addListener((source, before, now) -> {
                    assertThat(opening.session().snapshot().get()).isNull();
                    ListView<?> facts = (ListView<?>) root(opening).lookup("#facts");
                    facts.getSelectionModel().select(1);
                    fields(root(opening)).forEach(field -> {
                        field.setText("7");
                        typed.add(field);
                    });
                }))) {
            assertThat(desktop.session().snapshot().get()).isNotNull();
            assertThat(typed)
                    .hasSizeGreaterThan(2)
                    .allMatch(field -> field.getScene() == desktop.stage().getScene());
            assertThat(typed).extracting(TextInputControl::getText).containsOnly("7");
        }
    }

    /** On the page of readings: another build, what stands behind a fact, and why a reading is set aside. */
    private static void openWhatIsClosed(Desktop desktop) {
        ListView<?> facts = desktop.find("facts");
        desktop.robot().interact(() -> facts.getSelectionModel().select(1));
        desktop.click("lay-over");
        desktop.robot().clickOn("Set aside…");
        desktop.until("the reason is asked for", () -> desktop.isShown("aside-reason"));
    }

    /** A file that was looked into, while another page than that of files is seen; else nothing new. */
    private static void comesByItself(Desktop desktop, KeyCode page) {
        if (page == KeyCode.DIGIT1) {
            Path other = Desktop.HOME.resolve("demo/readings/hive-03-listing.txt");
            desktop.session().files().lookInto(List.of(other));
        } else {
            desktop.session().settle();
        }
    }

    private static Node root(Desktop desktop) {
        return desktop.stage().getScene().getRoot();
    }

    private static Stream<TextInputControl> fields(Node node) {
        if (node instanceof TextInputControl field) {
            boolean open = field.isEditable() && !field.isDisabled() && Desktop.isSeen(field);
            return open ? Stream.of(field) : Stream.empty();
        }
        return node instanceof Parent parent
                ? List.copyOf(parent.getChildrenUnmodifiable()).stream().flatMap(TypedTextTest::fields)
                : Stream.empty();
    }
}
