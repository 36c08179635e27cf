package org.mobrak.desktop.workshop;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.desktop.parts.AddPhoneForm;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** Where somebody begins who has a phone and nothing else. */
final class ThreeWays {
    private final AddPhoneForm adding;
    private final Card unknown;
    private final VBox node;

    ThreeWays(
            Session session,
            Runnable readings,
            Runnable paste,
            Runnable files,
            Runnable catalogue,
            Runnable builds,
            Runnable entries) {
        adding = new AddPhoneForm(session, "unknown");
        unknown = new Card("", adding);
        unknown.getStyleClass().add("unknown-phone");
        FlowPane ways = new Flow(
                way(
                        "I have the phone",
                        "Copy what its about screen, a listing or its download screen says, and paste it. Mobrak says which phone it is.",
                        button("begin-with-reading", "Paste a reading", Feather.SMARTPHONE, readings)),
                way(
                        "I have a guide",
                        "A thread, a saved page, a list of models, a chat, captions of one recording or several: paste it or drop it here. You see what was understood, answer what is missing, and it becomes a way that is judged, planned and rehearsed.",
                        button("begin-with-guide", "Paste a guide", Feather.CLIPBOARD, paste),
                        button("begin-with-files", "Guide files …", Feather.FILE_TEXT, files)),
                way(
                        "I have a friend's catalogue",
                        "A folder or a zip from somebody who has done it. You look at each entry before you take it.",
                        button("begin-with-catalogue", "Look at a catalogue", Feather.BOOK_OPEN, catalogue)));
        ways.getStyleClass().add("three-ways");
        ways.setAlignment(Pos.TOP_CENTER);
        FlowPane others = new Flow(
                button("begin-with-builds", "Teach it a maker's build numbers", Feather.HASH, builds),
                button("begin-with-entries", "Change an entry of the catalogue", Feather.EDIT_3, entries));
        others.getStyleClass().addAll("buttons", "centred");
        node = new VBox(
                Texts.wrapped(Texts.heading("Three ways to begin")),
                Texts.wrapped(
                        Texts.soft(
                                "No catalogue knows every phone. What is missing stands in what people wrote, and here it is read with you.")),
                ways,
                unknown,
                others);
        node.setAlignment(Pos.TOP_CENTER);
        node.getStyleClass().add("begin");
        node.setId("three-ways");
    }

    void show(Snapshot snapshot) {
        Optional<String> model = AddPhoneForm.unnamed(snapshot.desk());
        unknown.setVisible(model.isPresent());
        unknown.setManaged(model.isPresent());
        Texts.say(
                (Label) unknown.getChildren().get(0),
                "The phone on the desk, " + model.orElse("") + ", is in no catalogue");
        adding.show(snapshot.desk());
    }

    private static Card way(String heading, String words, Button... buttons) {
        Card card = new Card(heading, Texts.wrapped(Texts.plain(words)));
        FlowPane row = new Flow(buttons);
        row.getStyleClass().add("buttons");
        buttons[0].getStyleClass().add("do-this");
        card.getChildren().add(row);
        card.getStyleClass().add("way");
        return card;
    }

    private static Button button(String id, String words, Feather icon, Runnable action) {
        Button button = new Button(words, new FontIcon(icon));
        button.setId(id);
        button.setOnAction(press -> action.run());
        return button;
    }

    Region node() {
        return node;
    }
}
