package org.mobrak.desktop.parts;

import java.util.List;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** A name in which the letters that were typed to find it are marked; whoever has it read out hears it whole. */
public final class Marked extends Label {
    /** @param styles of each of its pieces */
    public Marked(String name, Sought sought, String... styles) {
        getStyleClass().add("text-plain");
        getStyleClass().addAll(styles);
        Texts.say(this, name);
        if (!sought.isEmpty()) {
            setGraphic(pieces(sought.pieces(name), styles));
            setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        }
    }

    private static HBox pieces(List<String> pieces, String... styles) {
        HBox row = new HBox();
        row.getStyleClass().add("may-be-cut");
        for (int i = 0; i < pieces.size(); i++) {
            Label piece = Texts.plain(pieces.get(i));
            piece.getStyleClass().addAll(styles);
            if (i % 2 == 1) {
                piece.getStyleClass().add("found");
                piece.setMinWidth(Region.USE_PREF_SIZE);
            }
            row.getChildren().add(piece);
        }
        return row;
    }
}
