package org.mobrak.desktop.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;

/** The sheet at the side: what a page answers, and the words of the trade; or all keys. */
public final class HelpSheet {
    private final VBox content = new VBox();
    private final VBox node = new VBox();

    /** @param close puts the sheet away */
    public HelpSheet(Runnable close) {
        Button away = new Button("", new FontIcon(Feather.X));
        away.setId("close-help");
        Texts.tip(away, "Put the help away (Esc)");
        Texts.aloud(away, "Put the help away");
        away.setOnAction(press -> close.run());
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(Texts.heading("Help"), space, away);
        head.getStyleClass().add("help-head");
        content.getStyleClass().add("help-content");
        Sheet sheet = new Sheet(content);
        VBox.setVgrow(sheet, Priority.ALWAYS);
        node.getChildren().addAll(head, sheet);
        node.getStyleClass().add("help-sheet");
        node.setId("help");
    }

    public Region node() {
        return node;
    }

    /** Shows what a page answers. */
    public void showPage(String name) {
        content.getChildren().setAll(Markdown.drawn(text(name)), Markdown.drawn(text("words")));
    }

    /** Shows every key and what it does. */
    public void showKeys(List<Command> commands) {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("help-keys");
        commands.stream().filter(command -> !command.keys().isEmpty()).forEach(command -> {
            Label keys = Texts.exact(command.keys());
            keys.setMinWidth(Region.USE_PREF_SIZE);
            grid.addRow(grid.getRowCount(), keys, Texts.wrapped(Texts.plain(command.name())));
        });
        content.getChildren().setAll(Texts.heading("All keys"), grid);
    }

    private static String text(String name) {
        try (InputStream in = Objects.requireNonNull(
                HelpSheet.class.getResourceAsStream("/org/mobrak/desktop/help/" + name + ".md"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }
}
