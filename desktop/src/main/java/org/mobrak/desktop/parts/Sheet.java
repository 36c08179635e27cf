package org.mobrak.desktop.parts;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;

/** Content that scrolls up and down, and sideways only where a part of it has no room at all. */
public final class Sheet extends ScrollPane {
    public Sheet(Node content) {
        super(content);
        setFitToWidth(true);
        getStyleClass().add("sheet");
    }
}
