package org.mobrak.desktop.job;

import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JournalEntry.Kind;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.Session;

/** How a job ends: it worked, it failed, or it is left. */
final class EndCard {
    private final Session session;
    private final TextField note = new TextField();

    EndCard(Session session) {
        this.session = session;
        note.setId("end-note");
        note.setPromptText("What is worth remembering (optional)");
    }

    VBox node(Job job) {
        boolean complete = job.next().isEmpty();
        Button worked = button("It worked", "end-worked", Kind.WORKED);
        worked.setDisable(!complete);
        if (complete) {
            worked.getStyleClass().add("do-this");
        }
        FlowPane buttons = new FlowPane(
                worked,
                button("It did not work", "end-failed", Kind.FAILED),
                button("Stop here", "end-stopped", Kind.STOPPED));
        buttons.getStyleClass().add("buttons");
        String told = complete
                ? "Every step is ticked. Put the result in the logbook."
                : "A job worked when every step is ticked, proofs included. You can leave it at any step; the logbook keeps how far it got.";
        return new Card("End of the job", Texts.wrapped(Texts.soft(told)), note, buttons);
    }

    private Button button(String label, String id, Kind kind) {
        Button button = new Button(label);
        button.setId(id);
        button.setOnAction(press -> {
            session.end(kind, note.getText());
            note.clear();
        });
        return button;
    }
}
