package org.mobrak.desktop.parts;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;

/** Content that scrolls up and down and never sideways. */
public final class Sheet extends ScrollPane {
    public Sheet(Node content) {
        super(content);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        getStyleClass().add("sheet");
    }
}
