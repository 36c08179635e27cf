package org.mobrak.desktop.shell;

import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.desktop.parts.Texts;

/** The cautions of the stage that is open, always in sight. */
final class CautionStrip {
    private final VBox lines = new VBox();
    private final HBox node;

    CautionStrip(ReadOnlyObjectProperty<Page> open) {
        FontIcon icon = new FontIcon(Feather.ALERT_TRIANGLE);
        icon.getStyleClass().add("caution-icon");
        node = new HBox(icon, lines);
        node.getStyleClass().add("caution-strip");
        open.addListener((property, old, stage) -> show(stage));
        show(open.get());
    }

    Region node() {
        return node;
    }

    private void show(Page stage) {
        lines.getChildren()
                .setAll(stage.cautions().stream()
                        .map(caution -> Texts.wrapped(Texts.plain(caution)))
                        .toList());
    }
}
