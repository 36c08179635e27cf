package org.mobrak.desktop.identity;

import java.util.EnumSet;
import java.util.Set;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.desktop.parts.Escape;
import org.mobrak.desktop.parts.Texts;

/** One reading with where it stands; it can be set aside for a reason, struck through, and let count again. */
final class ReadingLine extends VBox {
    private static final Set<Source> NOT_READ = EnumSet.of(Source.CATALOGUE, Source.WORKED_OUT);

    private final Session session;
    private final Reading reading;
    private final Button aside = button("Set aside…", this::askForReason);

    ReadingLine(Session session, Reading reading) {
        this.session = session;
        this.reading = reading;
        getStyleClass().add("reading-line");
        Label value = Texts.wrapped(Texts.exact(reading.value()));
        VBox said = new VBox(value, Texts.wrapped(Texts.soft(from(reading))));
        HBox.setHgrow(said, Priority.ALWAYS);
        HBox line = new HBox(said);
        line.getStyleClass().add("typing");
        if (!reading.counts()) {
            value.getStyleClass().add("struck");
            said.getChildren()
                    .add(Texts.wrapped(
                            Texts.soft("Set aside: " + reading.setAside().orElseThrow())));
            line.getChildren()
                    .add(button("Let it count", () -> session.readings().letCount(reading)));
        } else if (!NOT_READ.contains(reading.source())) {
            line.getChildren().add(aside);
        }
        getChildren().add(line);
    }

    static String from(Reading reading) {
        String source = reading.source().word();
        return reading.place().equals(source) ? source : source + ": " + reading.place();
    }

    private static Button button(String words, Runnable action) {
        Button button = new Button(words);
        button.getStyleClass().add("quiet");
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(press -> action.run());
        return button;
    }

    private void askForReason() {
        ComboBox<String> reason = new ComboBox<>();
        reason.setId("aside-reason");
        reason.setEditable(true);
        reason.getItems().setAll("misread", "of another phone", "the file was edited", "the OS was ported");
        reason.setPromptText("Why does it not count?");
        reason.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(reason, Priority.ALWAYS);
        Button set = button(
                "Set aside",
                () -> session.readings().setAside(reading, reason.getEditor().getText()));
        set.setId("aside");
        set.disableProperty().bind(reason.getEditor().textProperty().map(String::isBlank));
        HBox line = new HBox(reason, set);
        line.getStyleClass().add("typing");
        Escape.from(reason, () -> {
            getChildren().remove(line);
            aside.requestFocus();
        });
        getChildren().setAll(getChildren().get(0), line);
        reason.requestFocus();
    }
}
