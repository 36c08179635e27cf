package org.mobrak.desktop.help;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;
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
    private final Glossary glossary = new Glossary(HelpText.of("words"));
    private final Button tour = new Button("Take the tour");
    private final VBox content = new VBox();
    private final VBox node = new VBox();

    /**
     * A sheet.
     *
     * @param close puts the sheet away
     * @param guide begins the tour
     */
    public HelpSheet(Runnable close, Runnable guide) {
        tour.setId("take-the-tour");
        tour.setOnAction(press -> guide.run());
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

    /**
     * Shows what a page answers, and explains the words of the trade that are seen on it.
     *
     * @param page whose words are underlined as long as the help is open
     */
    public void showPage(String name, Node page) {
        Set<String> here = glossary.mark(page);
        Set<String> others = new LinkedHashSet<>(glossary.words());
        others.removeAll(here);
        content.getChildren()
                .setAll(
                        Markdown.drawn(HelpText.of(name)),
                        tour,
                        Markdown.drawn(glossary.told("Words on this page", here)),
                        Markdown.drawn(glossary.told("Other words", others)));
    }

    /** The help is put away, and with it the lines under the words. */
    public void left() {
        glossary.unmark();
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
}
