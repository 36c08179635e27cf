package org.mobrak.desktop.program;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;

/** Which program this is, and whose work is in it. */
final class AboutFace {
    private final ListView<Part> licences = new ListView<>();
    private final VBox node;

    AboutFace() {
        Label versions = Texts.wrapped(Texts.exact(versions()));
        versions.setId("versions");
        Button copy = new Button("Copy");
        copy.setId("copy-versions");
        Texts.aloud(copy, "Copy the versions");
        copy.setOnAction(press -> Clipboard.getSystemClipboard().setContent(Map.of(DataFormat.PLAIN_TEXT, versions())));
        licences.setId("licences");
        licences.setCellFactory(list -> new Line());
        licences.getItems().setAll(licences());
        Texts.aloud(licences, "What ships, and under which licence");
        VBox.setVgrow(licences, Priority.ALWAYS);
        Card parts = new Card(
                "What ships",
                Texts.wrapped(Texts.soft("Made with the build. The letters are under the SIL Open Font License 1.1.")),
                licences);
        VBox.setVgrow(parts, Priority.ALWAYS);
        node = new VBox(new Card("Mobrak", versions, copy), parts);
        node.getStyleClass().add("side");
    }

    Region node() {
        return node;
    }

    private static String versions() {
        return "Mobrak %s%nJava %s (%s)%nJavaFX %s%n%s %s"
                .formatted(
                        text("version.txt").strip(),
                        System.getProperty("java.version"),
                        System.getProperty("java.vendor"),
                        System.getProperty("javafx.version", "not told"),
                        System.getProperty("os.name"),
                        System.getProperty("os.arch"));
    }

    /** Something that ships, and under what it may. */
    record Part(String name, String licence) {
        private static final Pattern LINE =
                Pattern.compile("((?:\\((?:[^()]|\\([^()]{0,40}\\)){1,80}\\) ){1,6})(.*) \\(\\S+ - [^)]*\\)");

        /** As the build writes it: licences in brackets, the name, where it is from. */
        static Optional<Part> of(String line) {
            Matcher told = LINE.matcher(line.strip());
            return told.matches()
                    ? Optional.of(new Part(
                            told.group(2),
                            told.group(1).strip().replace(") (", ", or ").replaceAll("^\\(|\\)$", "")))
                    : Optional.empty();
        }
    }

    static List<Part> licences() {
        return text("licences.txt")
                .lines()
                .flatMap(line -> Part.of(line).stream())
                .toList();
    }

    private static String text(String name) {
        try (InputStream in =
                Objects.requireNonNull(AboutFace.class.getResourceAsStream("/org/mobrak/desktop/" + name))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    private static final class Line extends ListCell<Part> {
        @Override
        protected void updateItem(Part part, boolean empty) {
            super.updateItem(part, empty);
            setPrefWidth(0);
            setGraphic(
                    empty || part == null
                            ? null
                            : new VBox(
                                    Texts.wrapped(Texts.plain(part.name())),
                                    Texts.wrapped(Texts.soft(part.licence()))));
        }
    }
}
