package org.mobrak.desktop.identity;

import java.io.File;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextArea;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.Session;

/** Where a text comes in: pasted, dropped, from a file or over the cable. */
final class IntakeCard {
    private final Session session;
    private final TextArea text = new TextArea();
    private final MenuButton cable = new MenuButton("Over the cable", new FontIcon(Feather.LINK));
    private final Card card;

    IntakeCard(Session session) {
        this.session = session;
        text.setId("paste");
        text.setPromptText("Paste a property listing, a property file\nor a kernel banner here, or drop a file.");
        text.getStyleClass().add("exact-input");
        text.setPrefRowCount(3);
        Button take = new Button("Take it in", new FontIcon(Feather.CORNER_DOWN_RIGHT));
        take.setId("take");
        take.getStyleClass().add("do-this");
        take.setOnAction(press -> takeText());
        take.disableProperty().bind(text.textProperty().map(String::isBlank));
        Button open = new Button("Open files…", new FontIcon(Feather.FOLDER));
        open.setId("open-files");
        open.setOnAction(press -> chooseFiles());
        cable.setId("cable");
        FlowPane buttons = new FlowPane(take, open, cable);
        buttons.getStyleClass().add("buttons");
        card = new Card(
                "Take a reading",
                text,
                buttons,
                Texts.wrapped(
                        Texts.soft(
                                "Both forms of a listing are understood: [key]: [value] and key=value. The text is kept as it came.")));
    }

    VBox node() {
        return card;
    }

    void showCable(List<String> seen) {
        cable.setVisible(!seen.isEmpty());
        cable.setManaged(!seen.isEmpty());
        cable.getItems().setAll(seen.stream().map(this::item).toList());
    }

    void chooseFiles() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Readings to take in");
        List<File> files = chooser.showOpenMultipleDialog(card.getScene().getWindow());
        if (files != null) {
            session.takeFiles(files.stream().map(File::toPath).toList());
        }
    }

    private void takeText() {
        session.takePasted(text.getText());
        text.clear();
    }

    private MenuItem item(String phone) {
        MenuItem item = new MenuItem(phone);
        item.setOnAction(press -> session.takeFromCable(phone));
        return item;
    }
}
