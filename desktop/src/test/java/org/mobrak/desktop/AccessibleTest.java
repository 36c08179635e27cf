package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;
import org.mobrak.desktop.shell.Page;

/** Whoever does not see the window hears what each control is for, and whoever has no mouse comes to every page. */
class AccessibleTest {
    @TempDir
    private Path top;

    @Test
    void everyControlOfEveryPageHasAName() throws Exception {
        Path demo = top.resolve("demo");
        Demo.in(demo);
        List<String> nameless = new ArrayList<>();
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().startsWith("Hive 3,"));
            for (Page page : Page.values()) {
                desktop.press(KeyCode.CONTROL, KeyCode.getKeyCode(String.valueOf(page.ordinal() + 1)));
                desktop.rest();
                desktop.robot()
                        .interact(() -> controls(desktop.stage().getScene().getRoot())
                                .filter(node -> name(node)
                                        .filter(words -> !words.isBlank())
                                        .isEmpty())
                                .forEach(node -> nameless.add(page + ": " + node)));
            }
        }
        assertThat(nameless).isEmpty();
    }

    /** What a person can come to with the keyboard. */
    private static Stream<Node> controls(Node node) {
        boolean comesTo = node.isFocusTraversable() && !(node instanceof ScrollPane);
        Stream<Node> here = node.isVisible() && comesTo ? Stream.of(node) : Stream.empty();
        Stream<Node> below = node instanceof Parent parent && node.isVisible()
                ? parent.getChildrenUnmodifiable().stream().flatMap(AccessibleTest::controls)
                : Stream.empty();
        return Stream.concat(here, below);
    }

    private static Optional<String> name(Node node) {
        Optional<String> said = Optional.ofNullable(node.getAccessibleText());
        if (said.isPresent()) {
            return said;
        }
        if (node instanceof ButtonBase || node instanceof Labeled) {
            return Optional.ofNullable(((Labeled) node).getText());
        }
        if (node instanceof TextInputControl field) {
            // The field within a box is called as the box is.
            return Optional.ofNullable(field.getPromptText())
                    .filter(prompt -> !prompt.isBlank())
                    .or(() -> Optional.ofNullable(field.getParent()).flatMap(AccessibleTest::name));
        }
        if (node instanceof ComboBoxBase<?> box) {
            return Optional.ofNullable(box.getPromptText())
                    .filter(prompt -> !prompt.isBlank())
                    .or(() -> Optional.ofNullable(box.getId()));
        }
        if (node instanceof ListView<?> || node instanceof Spinner<?>) {
            return Optional.ofNullable(node.getId());
        }
        return Optional.empty();
    }
}
