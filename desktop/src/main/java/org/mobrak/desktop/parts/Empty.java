package org.mobrak.desktop.parts;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.skin.ScrollPaneSkin;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** What stands where there is nothing yet: what would be here, what to do for it, and the buttons that do it. */
public final class Empty extends ScrollPane {
    /** @param actions the first of them is what is usually done */
    public Empty(String what, String todo, Button... actions) {
        VBox said = new VBox(Texts.wrapped(Texts.heading(what)), Texts.wrapped(Texts.soft(todo)));
        said.getStyleClass().add("empty");
        said.setAlignment(Pos.CENTER);
        // It is put where there is little room, such as into a list, and is read there to its end.
        setSkin(new ScrollPaneSkin(this));
        StackPane middle = new StackPane(said);
        setContent(middle);
        setFitToWidth(true);
        setFitToHeight(true);
        setFocusTraversable(false);
        getStyleClass().add("sheet");
        if (actions.length > 0) {
            actions[0].getStyleClass().add("do-this");
            FlowPane row = new Flow(actions);
            row.getStyleClass().addAll("buttons", "centred");
            said.getChildren().add(row);
        }
    }

    /**
     * A button for it.
     *
     * @param id of the button
     * @param action leads on or does it
     */
    public static Button action(String id, String words, Runnable action) {
        Button button = new Button(words);
        button.setId(id);
        button.setOnAction(press -> action.run());
        return button;
    }

    /** What a page of one phone says while none is on the desk. */
    public static Empty noPhone(Leads leads) {
        return new Empty(
                "No phone on the desk",
                "Choose one in the drawer on the left, or add yours.",
                action("empty-add-phone", "Add a phone", leads::addPhone));
    }
}
