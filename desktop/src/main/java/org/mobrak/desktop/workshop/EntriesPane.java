package org.mobrak.desktop.workshop;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.collections.transformation.FilteredList;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.workshop.OpenEntry;
import org.mobrak.core.identity.Severity;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Every entry of the workspace's catalogue as text: phones, routes, grammars, symptoms and what else there is. */
final class EntriesPane {
    private final Session session;
    private final ObservableList<String> all = FXCollections.observableArrayList();
    private final FilteredList<String> found = new FilteredList<>(all);
    private final TextField search = new TextField();
    private final ListView<String> list = new ListView<>(found);
    private final TextArea text = new TextArea();
    private final Label name = Texts.exact("");
    private final VBox faults = new VBox();
    private final Button save = new Button("Save", new FontIcon(Feather.SAVE));
    private final Button form = new Button("Open as a form");
    private final Button copy = new Button("Copy for a friend …", new FontIcon(Feather.SHARE_2));
    private final HBox node;
    private Optional<OpenEntry> open = Optional.empty();

    EntriesPane(Session session) {
        this.session = session;
        Pasting.seeks(search);
        search.setId("search-entries");
        search.setPromptText("Part of a name …");
        search.textProperty().addListener((source, before, now) -> {
            String wanted = now.toLowerCase(Locale.ROOT);
            found.setPredicate(one -> one.toLowerCase(Locale.ROOT).contains(wanted));
        });
        list.setId("entry-files");
        list.setPlaceholder(new Empty("No such entry", "Other letters, or empty the field above."));
        list.setCellFactory(view -> new ListCell<>() {
            @Override
            protected void updateItem(String item, boolean empty) {
                super.updateItem(item, empty);
                Texts.say(this, empty ? "" : item);
            }
        });
        list.getSelectionModel().selectedItemProperty().addListener((source, before, now) -> {
            if (now != null) {
                session.workshop().openText(now);
            }
        });
        text.setId("entry-text");
        text.getStyleClass().add("exact-input");
        Texts.aloud(text, "The entry's text");
        save.setId("save-entry");
        save.getStyleClass().add("do-this");
        save.setOnAction(press -> open.ifPresent(one -> session.workshop().saveText(one.name(), text.getText())));
        form.setId("entry-as-form");
        form.setOnAction(press -> open.ifPresent(one ->
                session.workshop().open(one.name().replaceFirst("^routes/", "").replaceFirst("\\.yaml$", ""))));
        copy.setId("copy-entry");
        copy.setOnAction(press -> export());
        FlowPane buttons = new Flow(save, form, copy);
        buttons.getStyleClass().add("buttons");
        faults.getStyleClass().add("lines");
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox.setVgrow(text, Priority.ALWAYS);
        VBox left = new VBox(search, list);
        left.getStyleClass().add("entries-list");
        VBox right = new VBox(name, text, faults, buttons);
        right.getStyleClass().add("side");
        HBox.setHgrow(right, Priority.ALWAYS);
        node = new Columns(left, right);
        session.workshop().entries().addListener((source, before, now) -> all.setAll(now));
        session.workshop().entry().addListener((source, before, now) -> show(now));
        node.sceneProperty().addListener((source, before, now) -> {
            if (now != null) {
                session.workshop().listEntries();
            }
        });
        show(Optional.empty());
    }

    Region node() {
        return node;
    }

    private void show(Optional<OpenEntry> now) {
        open = now;
        List.of(save, form, copy, text).forEach(one -> one.setDisable(now.isEmpty()));
        form.setDisable(now.filter(OpenEntry::isRoute).isEmpty());
        Texts.say(name, now.map(OpenEntry::name).orElse("Choose an entry on the left."));
        text.setText(now.map(OpenEntry::text).orElse(""));
        faults.getChildren()
                .setAll(now.stream()
                        .flatMap(one -> one.faults().stream())
                        .map(fault -> {
                            HBox line = new HBox(
                                    Sign.of(fault.isWarning() ? Severity.CAUTION : Severity.STOP),
                                    Texts.wrapped(Texts.plain(fault.text())));
                            line.getStyleClass().add("signed-line");
                            return line;
                        })
                        .toList());
    }

    private void export() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("The entry as a file");
        open.ifPresent(one ->
                chooser.setInitialFileName(one.name().substring(one.name().indexOf('/') + 1)));
        Optional.ofNullable(chooser.showSaveDialog(node.getScene().getWindow()))
                .ifPresent(out -> session.workshop().exportText(text.getText(), out.toPath()));
    }
}
