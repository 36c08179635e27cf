package org.mobrak.desktop.parts;

import java.util.List;
import java.util.function.BiConsumer;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import org.mobrak.core.identity.Fact;

/** Where the value of one fact is given by hand: picked where it has few words, else typed. */
public final class TypedValue extends HBox {

    /**
     * @param id of the control, for style and tests
     * @param taker takes what was given, with the fact
     */
    public TypedValue(String id, Fact fact, BiConsumer<Fact, String> taker) {
        getStyleClass().add("typing");
        List<String> words = fact.domain().words();
        if (words.isEmpty()) {
            TextField field = new TextField();
            field.setId(id);
            field.setPromptText(fact.label());
            field.setOnAction(enter -> taker.accept(fact, field.getText()));
            Button note = new Button("Note it");
            note.disableProperty().bind(field.textProperty().map(String::isBlank));
            note.setOnAction(press -> taker.accept(fact, field.getText()));
            getChildren().addAll(field, note);
        } else {
            ComboBox<String> choice = new ComboBox<>();
            choice.setId(id);
            choice.getItems().setAll(words);
            choice.setPromptText("It is …");
            choice.valueProperty().addListener((property, old, word) -> taker.accept(fact, word));
            getChildren().add(choice);
        }
    }
}
