package org.mobrak.desktop.identity;

import java.io.File;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Texts;

/** Where a text comes in: pasted, dropped, from files, over the cable or by hand. */
final class IntakeCard {
    private final Session session;
    private final TextArea text = new TextArea();
    private final Button hand = new Button("By hand…");
    private final MenuButton cable = new MenuButton("Cable");
    private final FlowPane buttons = new Flow();
    private final VBox paste;
    private final VBox node;
    private Optional<HandForm> form = Optional.empty();
    private Optional<String> sent = Optional.empty();

    IntakeCard(Session session) {
        this.session = session;
        text.setId("paste");
        text.setPromptText("Paste or drop a reading of any form");
        text.setWrapText(true);
        text.getStyleClass().add("exact-input");
        text.setPrefRowCount(2);
        text.addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        Button take = new Button("Take it in", new FontIcon(Feather.CORNER_DOWN_RIGHT));
        take.setId("take");
        take.getStyleClass().add("do-this");
        take.setOnAction(press -> takeText());
        take.disableProperty().bind(text.textProperty().map(String::isBlank));
        Button open = new Button("Files…");
        open.setId("open-files");
        open.setOnAction(press -> chooseFiles());
        hand.setId("by-hand");
        hand.setOnAction(press -> {
            present(true);
            form.ifPresent(HandForm::begin);
        });
        cable.setId("cable");
        buttons.getChildren().setAll(take, open, hand);
        buttons.getStyleClass().add("buttons");
        paste = new Card("Take a reading", text, buttons);
        node = new VBox(paste);
        node.getStyleClass().add("side");
    }

    Region node() {
        return node;
    }

    /** A text is cleared only once it is kept, so that a refused one can be mended. */
    void show(List<String> seen, Optional<Dossier> phone) {
        boolean kept = phone.isPresent()
                && phone.get().intakes().stream()
                        .anyMatch(intake -> sent.filter(intake.text()::equals).isPresent());
        if (kept) {
            sent = Optional.empty();
            text.clear();
        }
        if (seen.isEmpty()) {
            buttons.getChildren().remove(cable);
        } else if (!buttons.getChildren().contains(cable)) {
            buttons.getChildren().add(cable);
        }
        cable.getItems().setAll(seen.stream().map(this::item).toList());
        if (phone.isEmpty()) {
            present(false);
        }
    }

    /** The form is made when it is first wanted: its fields are more than all the rest of the page. */
    private void present(boolean byHand) {
        if (byHand && form.isEmpty()) {
            form = Optional.of(new HandForm(session, this::backToPasting));
        }
        node.getChildren()
                .setAll(form.filter(wanted -> byHand).map(HandForm::node).orElse(paste));
    }

    private void backToPasting() {
        present(false);
        hand.requestFocus();
    }

    /** Lines pasted into the empty box are a whole reading and taken at once, as they are everywhere else; Ctrl+Enter takes what was typed. */
    private void onKey(KeyEvent key) {
        if (key.isShortcutDown()
                && key.getCode() == KeyCode.ENTER
                && !text.getText().isBlank()) {
            takeText();
            key.consume();
        } else if (Pasting.isPaste(key) && text.getText().isBlank()) {
            Pasting.lines().ifPresent(lines -> {
                session.readings().takePasted(lines);
                key.consume();
            });
        } else {
            Pasting.tabLeaves(text, key);
        }
    }

    /** The cursor goes where a reading is pasted. */
    void begin() {
        present(false);
        text.requestFocus();
    }

    void chooseFiles() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Readings to take in");
        List<File> files = chooser.showOpenMultipleDialog(node.getScene().getWindow());
        if (files != null) {
            session.readings().takeFiles(files.stream().map(File::toPath).toList());
        }
    }

    private void takeText() {
        sent = Optional.of(text.getText());
        session.readings().takePasted(text.getText());
    }

    private MenuItem item(String phone) {
        MenuItem item = Texts.item(phone);
        item.setOnAction(press -> session.readings().takeFromCable(phone));
        return item;
    }
}
