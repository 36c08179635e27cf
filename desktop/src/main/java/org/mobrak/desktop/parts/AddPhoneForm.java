package org.mobrak.desktop.parts;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Fact;

/** Adds the phone on the desk to the catalogue by what it is called; its variant is known by its model number. */
public final class AddPhoneForm extends FlowPane {
    private final TextField maker = new TextField();
    private final TextField shopName = new TextField();
    private Optional<String> shown = Optional.empty();

    /** @param prefix of the ids of its parts */
    public AddPhoneForm(Session session, String prefix) {
        field(maker, prefix + "-maker", "Maker");
        field(shopName, prefix + "-shop-name", "Name it is sold by");
        Button add = new Button("Add this phone", new FontIcon(Feather.PLUS));
        add.setId("add-" + prefix);
        Runnable action = () -> session.workshop().addPhone(maker.getText(), shopName.getText());
        add.setOnAction(press -> action.run());
        shopName.setOnAction(enter -> action.run());
        getStyleClass().add("buttons");
        getChildren().addAll(maker, shopName, add);
    }

    private static void field(TextField field, String id, String what) {
        field.setId(id);
        field.setPromptText(what);
        Texts.aloud(field, what);
    }

    /** Puts the cursor where one begins to type. */
    public void begin() {
        (maker.getText().isBlank() ? maker : shopName).requestFocus();
    }

    /** Of another phone nothing stays that was typed or read for the one before. */
    public void show(Optional<Desk> desk) {
        Optional<String> model = unnamed(desk);
        if (!model.equals(shown)) {
            shown = model;
            shopName.clear();
            maker.setText(desk.flatMap(one -> one.identity().facts().value(Fact.MAKER))
                    .orElse(""));
        }
    }

    /** The model number of the phone on the desk, if no catalogue has it. */
    public static Optional<String> unnamed(Optional<Desk> desk) {
        return desk.flatMap(one -> one.identity()
                .facts()
                .value(Fact.MODEL)
                .filter(number -> one.catalogue().phone(number).isEmpty()));
    }
}
