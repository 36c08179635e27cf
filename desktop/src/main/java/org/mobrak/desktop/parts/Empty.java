package org.mobrak.desktop.parts;

import javafx.geometry.Pos;
import javafx.scene.layout.VBox;

/** What stands where there is nothing yet: what would be here, and what to do for it. */
public final class Empty extends VBox {
    public Empty(String what, String todo) {
        getStyleClass().add("empty");
        setAlignment(Pos.CENTER);
        getChildren().addAll(Texts.wrapped(Texts.heading(what)), Texts.wrapped(Texts.soft(todo)));
    }
}
