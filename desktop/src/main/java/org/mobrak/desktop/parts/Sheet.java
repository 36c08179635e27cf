package org.mobrak.desktop.parts;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.skin.ScrollPaneSkin;

/** Content that scrolls up and down, and sideways only where a part of it has no room at all. */
public final class Sheet extends ScrollPane {
    public Sheet(Node content) {
        super(content);
        // Its content would be held against the style sheets once more if the skin came later.
        setSkin(new ScrollPaneSkin(this));
        setFitToWidth(true);
        getStyleClass().add("sheet");
    }
}
