package org.mobrak.desktop.job;

import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.desktop.parts.Texts;

/** What is worth remembering beside a step: a line, or a picture that stays where it lies. */
final class Notes extends VBox {
    private final Session session;
    private final Moment moment;
    private final TextField line = new TextField();

    Notes(Session session, Moment moment) {
        this.session = session;
        this.moment = moment;
        getStyleClass().add("notes");
        moment.noted().forEach(text -> getChildren().add(Texts.wrapped(Texts.soft("·  " + text))));
        line.setId("step-note");
        line.setPromptText("A note, or a picture");
        line.setOnAction(enter -> note());
        HBox.setHgrow(line, Priority.ALWAYS);
        Button picture = new Button("Picture …", new FontIcon(Feather.CAMERA));
        picture.setId("step-photo");
        picture.setOnAction(press -> choose());
        HBox row = new HBox(line, picture);
        row.getStyleClass().add("typing");
        getChildren().add(row);
        setOnDragOver(drag -> {
            if (drag.getDragboard().hasFiles()) {
                drag.acceptTransferModes(TransferMode.COPY);
            }
        });
        setOnDragDropped(drag -> {
            drag.getDragboard().getFiles().forEach(file -> photo(file.toPath()));
            drag.setDropCompleted(true);
        });
    }

    private void note() {
        if (!line.getText().isBlank()) {
            session.job().note(moment.step(), line.getText());
        }
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Which picture?");
        Optional.ofNullable(chooser.showOpenDialog(getScene().getWindow())).ifPresent(file -> photo(file.toPath()));
    }

    private void photo(Path picture) {
        session.files().photo(moment.step(), picture);
    }
}
