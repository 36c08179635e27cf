package org.mobrak.desktop.job;

import java.util.Map;
import java.util.TreeMap;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;

/** Asked when the work was left and is taken up again: what the phone does meanwhile nobody has written down. */
final class ModeQuestion {
    private static final Map<String, String> MODES = new TreeMap<>(Map.of(
            "os", "It has started up",
            "recovery", "It is in recovery",
            "download", "It is in download mode",
            "flash-console", "It shows the flash console",
            "off", "It is off",
            "does not start", "It does not start"));

    private final VBox node;

    ModeQuestion(Session session) {
        FlowPane answers = new FlowPane();
        answers.getStyleClass().add("buttons");
        MODES.forEach((mode, words) -> {
            Button answer = new Button(words);
            answer.setId("mode-" + mode.replace(' ', '-'));
            answer.setOnAction(press -> session.resume(mode));
            answers.getChildren().add(answer);
        });
        node = new Card(
                "What state is the phone in now?",
                Texts.wrapped(
                        Texts.plain(
                                "The work was left in the middle. Look at the phone before you go on; if it is not where the next step expects it, bring it there first.")),
                answers);
        node.getStyleClass().add("card-conflict");
        node.setId("mode-question");
    }

    VBox node() {
        return node;
    }
}
