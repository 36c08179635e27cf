package org.mobrak.desktop.shell;

import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.desktop.parts.Texts;

/** The cautions of the stage that is open, always in sight; where there is little height they stand in one line, and open on demand. */
final class CautionStrip {
    private final VBox lines = new VBox();
    private final Button opening = new Button();
    private final HBox node;
    private List<String> cautions = List.of();
    private boolean folded;
    private boolean opened;

    CautionStrip(ReadOnlyObjectProperty<Page> open) {
        FontIcon icon = new FontIcon(Feather.ALERT_TRIANGLE);
        icon.getStyleClass().add("caution-icon");
        HBox.setHgrow(lines, Priority.ALWAYS);
        lines.setMinWidth(0);
        opening.setId("cautions");
        opening.getStyleClass().add("quiet");
        opening.setMinWidth(Region.USE_PREF_SIZE);
        opening.managedProperty().bind(opening.visibleProperty());
        opening.setOnAction(press -> {
            opened = !opened;
            show();
        });
        node = new HBox(icon, lines, opening);
        node.setId("caution-strip");
        node.getStyleClass().add("caution-strip");
        open.addListener((property, old, stage) -> show(stage));
        show(open.get());
    }

    Region node() {
        return node;
    }

    /** @param little whether there is little height for the page above it */
    void setFolded(boolean little) {
        if (folded != little) {
            folded = little;
            opened = false;
            show();
        }
    }

    private void show(Page stage) {
        cautions = stage.cautions();
        opened = false;
        show();
    }

    private void show() {
        opening.setVisible(folded);
        Texts.say(opening, opened ? "Fold" : "Read all");
        if (folded && !opened) {
            Label line = Texts.plain(String.join("  ", cautions));
            line.setTextOverrun(OverrunStyle.WORD_ELLIPSIS);
            line.setMinWidth(0);
            line.getStyleClass().add("may-be-cut");
            lines.getChildren().setAll(line);
        } else {
            lines.getChildren()
                    .setAll(cautions.stream()
                            .map(caution -> Texts.wrapped(Texts.plain(caution)))
                            .toList());
        }
    }
}
