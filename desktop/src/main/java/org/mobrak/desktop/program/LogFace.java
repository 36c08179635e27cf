package org.mobrak.desktop.program;

import java.nio.file.Path;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.ProgramDesk;
import org.mobrak.app.Session;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** What the program wrote down of itself, fit to be given to others. */
final class LogFace {
    private final Session session;
    private final Path log;
    private final TextArea text = new TextArea();
    private final VBox node;

    LogFace(Session session, Path log) {
        this.session = session;
        this.log = log;
        text.setId("log");
        text.setEditable(false);
        text.setWrapText(true);
        text.setPromptText("Nothing was written down yet. Defects and warnings stand here when there are any.");
        text.getStyleClass().add("exact-input");
        Texts.aloud(text, "The end of the log");
        VBox.setVgrow(text, Priority.ALWAYS);
        Button copy = new Button("Copy for a report");
        copy.setId("copy-log");
        copy.getStyleClass().add("do-this");
        copy.setOnAction(
                press -> Clipboard.getSystemClipboard().setContent(Map.of(DataFormat.PLAIN_TEXT, text.getText())));
        copy.disableProperty().bind(text.textProperty().isEmpty());
        Button again = new Button("Read it again");
        again.setId("read-log");
        again.setOnAction(press -> read());
        FlowPane buttons = new Flow(copy, again);
        buttons.getStyleClass().add("buttons");
        Card card = new Card(
                "The end of the log",
                Texts.wrapped(
                        Texts.soft(
                                "Names of phones, serial numbers, your name and folders are taken out. Read it before you give it away.")),
                text,
                buttons);
        VBox.setVgrow(card, Priority.ALWAYS);
        node = new VBox(card);
        node.getStyleClass().add("side");
        session.program().log().addListener((source, before, now) -> now.ifPresent(text::setText));
    }

    Region node() {
        read();
        return node;
    }

    private void read() {
        session.program()
                .readLog(
                        log,
                        new ProgramDesk.Owner(
                                System.getProperty("user.home", ""), System.getProperty("user.name", "")));
    }
}
