package org.mobrak.desktop.parts;

import javafx.scene.Node;
import javafx.scene.layout.VBox;

/** A sheet of paper on the bench: a heading and what belongs under it. */
public class Card extends VBox {
    public Card(String heading, Node... content) {
        getStyleClass().add("card");
        getChildren().add(Texts.heading(heading));
        getChildren().addAll(content);
    }
}
