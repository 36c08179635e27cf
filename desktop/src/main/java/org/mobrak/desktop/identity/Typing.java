package org.mobrak.desktop.identity;

import java.util.List;
import java.util.function.Consumer;
import javafx.beans.value.ObservableValue;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.mobrak.core.identity.Fact;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** Where a person who stands with the phone in hand gives a fact's value: a choice of words, or a field. */
final class Typing {
    private final Control control;
    private final ObservableValue<String> value;
    private final Runnable clear;

    private Typing(Control control, ObservableValue<String> value, Runnable clear) {
        this.control = control;
        this.value = value;
        this.clear = clear;
        control.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(control, Priority.ALWAYS);
    }

    static Typing of(Fact fact) {
        List<String> words = fact.domain().words();
        if (words.isEmpty()) {
            TextField field = new TextField();
            field.setPromptText(fact.label());
            Texts.aloud(field, fact.label());
            field.getStyleClass().add("exact-input");
            return new Typing(field, field.textProperty(), field::clear);
        }
        ComboBox<String> choice = new ComboBox<>();
        choice.getItems().setAll(words);
        choice.setPromptText("Choose");
        Texts.aloud(choice, fact.label());
        return new Typing(choice, choice.valueProperty(), () -> choice.setValue(null));
    }

    /** A button for each word there is; else the field and a button, which Enter in the field presses. */
    static Pane line(Fact fact, Consumer<String> note) {
        List<String> words = fact.domain().words();
        return words.isEmpty() ? field(fact, note) : words(fact, words, note);
    }

    private static FlowPane words(Fact fact, List<String> words, Consumer<String> note) {
        FlowPane line = new Flow();
        line.getStyleClass().add("buttons");
        for (String word : words) {
            Button button = new Button(word);
            button.setId("typed-" + fact.key() + "-" + word);
            Texts.aloud(button, fact.label() + ": " + word);
            button.setOnAction(press -> note.accept(word));
            line.getChildren().add(button);
        }
        return line;
    }

    private static HBox field(Fact fact, Consumer<String> note) {
        Typing typing = of(fact);
        Button button = new Button("Note it");
        button.setId("note-" + fact.key());
        typing.control.setId("typed-" + fact.key());
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(press -> note.accept(typing.text()));
        button.disableProperty().bind(typing.value.map(String::isBlank).orElse(true));
        if (typing.control instanceof TextField field) {
            field.setOnAction(enter -> button.fire());
        }
        HBox line = new HBox(typing.control, button);
        line.getStyleClass().add("typing");
        return line;
    }

    /** For a form in which each field has its label beside it. */
    Typing withoutPrompt() {
        if (control instanceof TextField field) {
            field.setPromptText("");
        }
        return this;
    }

    Control control() {
        return control;
    }

    /** What was given; empty where nothing was. */
    String text() {
        return value.getValue() == null ? "" : value.getValue().strip();
    }

    void clear() {
        clear.run();
    }
}
