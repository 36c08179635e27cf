package org.mobrak.desktop.job;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
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

    private ModeQuestion(String id, String heading, String why, Consumer<String> whoever) {
        FlowPane answers = new Flow();
        answers.getStyleClass().add("buttons");
        MODES.forEach((mode, words) -> {
            Button answer = new Button(words);
            answer.setId(id + "-" + mode.replace(' ', '-'));
            answer.setOnAction(press -> whoever.accept(mode));
            answers.getChildren().add(answer);
        });
        node = new Card(heading, Texts.wrapped(Texts.plain(why)), answers);
        node.getStyleClass().add("card-conflict");
        node.setId(id + "-question");
    }

    /** Asked when the work is taken up again. */
    static ModeQuestion afterRest(Session session) {
        return new ModeQuestion(
                "mode",
                "What state is the phone in now?",
                "The work was left in the middle. Look at the phone before you go on; if it is not where the next step expects it, bring it there first.",
                session.job()::resume);
    }

    /** Asked when a sign did not come. */
    static ModeQuestion amid(Session session, Optional<String> lastSeen) {
        return new ModeQuestion(
                "seen",
                "Where is the phone now?",
                "Note it, so that whoever reads this later knows."
                        + lastSeen.map(mode -> " Noted last: " + MODES.getOrDefault(mode, mode) + ".")
                                .orElse(""),
                session.job()::seen);
    }

    VBox node() {
        return node;
    }
}
