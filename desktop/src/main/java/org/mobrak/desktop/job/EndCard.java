package org.mobrak.desktop.job;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event.End;
import org.mobrak.core.job.Job;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

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
        Button worked = button("It worked", "end-worked", End.WORKED);
        worked.setDisable(!complete);
        if (complete) {
            worked.getStyleClass().add("do-this");
        }
        FlowPane buttons = new Flow(
                worked,
                button("It did not work", "end-failed", End.FAILED),
                button("Stop here", "end-stopped", End.STOPPED));
        buttons.getStyleClass().add("buttons");
        String told = complete
                ? "Every step is done. Put the result in the logbook."
                : "A job worked when every step is done, proofs included. You can leave it at any step; the logbook keeps how far it got.";
        Card card = new Card("End of the job", Texts.wrapped(Texts.soft(told)));
        if (job.hasBegun()) {
            card.getChildren().add(Texts.wrapped(Texts.plain(sofar(job))));
        }
        card.getChildren().addAll(note, buttons);
        return card;
    }

    /** What is otherwise by now, and what nobody knows: whoever stops here must know it. */
    private static String sofar(Job job) {
        Map<Fact, String> held = new TreeMap<>();
        job.readings().forEach(reading -> held.put(reading.fact(), reading.value()));
        Set<Fact> open = new TreeSet<>();
        job.overwrites().forEach(written -> open.addAll(written.facts()));
        open.removeAll(held.keySet());
        String brought = held.entrySet().stream()
                .map(one -> one.getKey().inSentence() + " " + one.getValue())
                .collect(Collectors.joining(", "));
        String unknown = open.stream().map(Fact::inSentence).collect(Collectors.joining(", "));
        return "If you stop here: "
                + (brought.isEmpty() ? "nothing is changed for certain yet" : "changed by now: " + brought)
                + (unknown.isEmpty() ? "." : "; to be read again: " + unknown + ".")
                + (job.isPastReturn()
                        ? " There is no way back from here but forward, or the stock firmware: see Ways, goal “stock”."
                        : "");
    }

    private Button button(String label, String id, End kind) {
        Button button = new Button(label);
        button.setId(id);
        button.setOnAction(press -> {
            session.job().end(kind, note.getText());
            note.clear();
        });
        return button;
    }
}
