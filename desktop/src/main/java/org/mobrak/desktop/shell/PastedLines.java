package org.mobrak.desktop.shell;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.desktop.parts.Escape;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** Asks what lines are that somebody pasted into a field for one: hardly ever they are meant for it. */
final class PastedLines {
    private final Label asked = Texts.wrapped(Texts.plain(""));
    private final Button reading = new Button("A reading");
    private final VBox node;
    private Optional<Node> before = Optional.empty();
    private Runnable asReading = () -> {};
    private Runnable asGuide = () -> {};
    private Runnable asLine = () -> {};

    PastedLines() {
        asked.setId("pasted-lines");
        reading.getStyleClass().add("do-this");
        Flow answers = new Flow(
                answer(reading, "pasted-reading", () -> asReading.run()),
                answer(new Button("A guide"), "pasted-guide", () -> asGuide.run()),
                answer(new Button("Put it into the field as one line"), "pasted-line", () -> asLine.run()),
                answer(new Button("Cancel"), "pasted-cancel", () -> before.ifPresent(Node::requestFocus)));
        answers.getStyleClass().add("buttons");
        VBox question = new VBox(asked, answers);
        question.getStyleClass().addAll("notice", "question");
        node = new VBox(question);
        node.getStyleClass().add("message-bar");
        node.managedProperty().bind(node.visibleProperty());
        node.setVisible(false);
        Escape.from(node, this::putAway);
    }

    private Button answer(Button button, String id, Runnable action) {
        button.setId(id);
        button.setOnAction(press -> {
            node.setVisible(false);
            action.run();
        });
        return button;
    }

    private void putAway() {
        node.setVisible(false);
        before.ifPresent(Node::requestFocus);
    }

    Region node() {
        return node;
    }

    /**
     * Asks.
     *
     * @param field that was pasted into
     */
    void ask(Node field, String lines, Runnable asReading, Runnable asGuide, Runnable asLine) {
        before = Optional.of(field);
        this.asReading = asReading;
        this.asGuide = asGuide;
        this.asLine = asLine;
        Texts.say(
                asked,
                "You pasted %d lines into a field for one. What are they?"
                        .formatted(lines.lines().count()));
        node.setVisible(true);
        reading.requestFocus();
    }
}
