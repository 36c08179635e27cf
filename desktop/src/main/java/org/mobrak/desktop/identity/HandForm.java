package org.mobrak.desktop.identity;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Fact;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Escape;
import org.mobrak.desktop.parts.Texts;

/** A short form for a person who stands with the phone in hand, in the order in which the screens show it. */
final class HandForm {
    private static final List<Fact> ASKED = List.of(
            Fact.MODEL,
            Fact.OS_VERSION,
            Fact.BUILD_NUMBER,
            Fact.BASEBAND,
            Fact.KERNEL_RELEASE,
            Fact.SHOP_NAME,
            Fact.BATTERY_PERCENT,
            Fact.BATTERY_BODY,
            Fact.LOCK);

    private final Session session;
    private final Map<Fact, Typing> fields = new LinkedHashMap<>();
    private final Label wrong = Texts.wrapped(Texts.plain(""));
    private final VBox node;

    HandForm(Session session, Runnable close) {
        this.session = session;
        GridPane grid = new GridPane();
        grid.getStyleClass().add("hand-grid");
        for (Fact fact : ASKED) {
            Typing typing = Typing.of(fact).withoutPrompt();
            typing.control().setId("hand-" + fact.key());
            fields.put(fact, typing);
            Label label = Texts.plain(fact.label());
            label.setMinWidth(Label.USE_PREF_SIZE);
            grid.addRow(grid.getRowCount(), label, typing.control());
            GridPane.setHgrow(typing.control(), Priority.ALWAYS);
        }
        Button note = new Button("Note all");
        note.setId("hand-note");
        note.getStyleClass().add("do-this");
        note.setOnAction(press -> note(close));
        Button leave = new Button("Close");
        leave.setOnAction(press -> close.run());
        HBox buttons = new HBox(note, leave);
        buttons.getStyleClass().add("buttons");
        wrong.getStyleClass().add("warning");
        show(Optional.empty());
        node = new Card(
                "By hand",
                Texts.wrapped(
                        Texts.soft("Open the about screen and type what it says; leave out what you cannot see.")),
                grid,
                wrong,
                buttons);
        Escape.from(node, close);
    }

    /** The cursor goes where one begins to type. */
    void begin() {
        fields.values().iterator().next().control().requestFocus();
    }

    VBox node() {
        return node;
    }

    private void note(Runnable close) {
        Map<Fact, String> said = new LinkedHashMap<>();
        fields.forEach((fact, typing) -> {
            if (!typing.text().isEmpty()) {
                said.put(fact, typing.text());
            }
        });
        Optional<String> objection = said.isEmpty()
                ? Optional.of("Nothing is filled in yet.")
                : said.entrySet().stream()
                        .flatMap(one -> one.getKey().domain().objection(one.getValue()).stream()
                                .map(why -> one.getKey().label() + " " + why + "."))
                        .findFirst();
        show(objection);
        if (objection.isEmpty()) {
            session.readings().takeByHand(said);
            fields.values().forEach(Typing::clear);
            close.run();
        }
    }

    private void show(Optional<String> objection) {
        Texts.say(wrong, objection.orElse(""));
        wrong.setVisible(objection.isPresent());
        wrong.setManaged(objection.isPresent());
    }
}
