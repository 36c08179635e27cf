package org.mobrak.desktop.aftercare;

import java.io.File;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.collections.transformation.FilteredList;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.core.mend.patch.PropertyLine;
import org.mobrak.core.mend.patch.PropertyPatch;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** A property file line by line, and one value of it changed; nothing is written until it is saved. */
final class PropertyFace implements AfterPage.Face {
    private final Session session;
    private final TextField search = new TextField();
    private final ObservableList<PropertyLine> lines = FXCollections.observableArrayList();
    private final FilteredList<PropertyLine> found = new FilteredList<>(lines);
    private final ListView<PropertyLine> list = new ListView<>(found);
    private final TextField key = field("patch-key", "Key");
    private final TextField expected = field("patch-expected", "Value now");
    private final TextField value = field("patch-value", "New value");
    private final VBox result = new VBox();
    private final VBox node = new VBox();
    private final Button away = new Button("Put the file away");
    private final MenuButton cable = new MenuButton("From the cable", new FontIcon(Feather.SMARTPHONE));
    private final HBox columns;

    PropertyFace(Session session) {
        this.session = session;
        Pasting.seeks(search);
        search.setId("search-keys");
        search.setPromptText("Find a key …");
        search.textProperty()
                .addListener((property, old, now) ->
                        found.setPredicate(line -> line.shown().contains(now)));
        list.setId("property-lines");
        list.setCellFactory(view -> new LineCell());
        list.getSelectionModel().selectedItemProperty().addListener((property, old, line) -> pick(line));
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox left = new VBox(search, list);
        left.getStyleClass().add("side");
        HBox.setHgrow(left, Priority.ALWAYS);
        result.getStyleClass().add("side");
        Sheet sheet = new Sheet(new VBox(change(), result));
        ((VBox) sheet.getContent()).getStyleClass().add("side");
        sheet.getStyleClass().add("side-scroll");
        columns = new Columns(left, sheet);
        columns.getStyleClass().add("page");
        VBox.setVgrow(columns, Priority.ALWAYS);
        node.getChildren().addAll(head(), columns);
        Drops.onto(node, files -> session.aftercare().openProperties(files.get(0)));
    }

    private static TextField field(String id, String prompt) {
        TextField field = new TextField();
        field.setId(id);
        field.setPromptText(prompt);
        field.getStyleClass().add("exact-input");
        Texts.aloud(field, prompt);
        return field;
    }

    private Node head() {
        Button open = new Button("Property file …", new FontIcon(Feather.FILE));
        open.setId("open-properties");
        open.getStyleClass().add("do-this");
        open.setOnAction(press ->
                choose(false, "A property file", file -> session.aftercare().openProperties(file.toPath())));
        Button paste = new Button("Paste", new FontIcon(Feather.CLIPBOARD));
        paste.setId("paste-properties");
        paste.setOnAction(
                press -> Optional.ofNullable(Clipboard.getSystemClipboard().getString())
                        .ifPresent(session.aftercare()::openPasted));
        cable.setId("pull-properties");
        away.setId("put-property-away");
        away.setOnAction(press -> session.aftercare().putFileAway());
        FlowPane head = new Flow(
                open,
                paste,
                cable,
                away,
                Texts.soft("Or drop it here. It is read, and never written until you save the changed one."));
        head.getStyleClass().add("page-head");
        return head;
    }

    private void choose(boolean save, String title, Consumer<File> taker) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        File chosen = save
                ? chooser.showSaveDialog(node.getScene().getWindow())
                : chooser.showOpenDialog(node.getScene().getWindow());
        if (chosen != null) {
            taker.accept(chosen);
        }
    }

    private Card change() {
        Button look = new Button("Look what comes of it");
        look.setId("try-patch");
        look.getStyleClass().add("do-this");
        look.disableProperty().bind(key.textProperty().isEmpty());
        look.setOnAction(press -> session.aftercare().change(key.getText(), value.getText(), expected.getText()));
        value.setOnAction(enter -> look.fire());
        return new Card(
                "Change one value",
                Texts.wrapped(Texts.soft("Pick its line, then type what is to stand there instead.")),
                key,
                expected,
                value,
                look);
    }

    private void pick(PropertyLine line) {
        if (line != null && line.key().isPresent()) {
            key.setText(line.key().get());
            expected.setText(line.value());
            value.setText("");
        }
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(AftercareView view) {
        Optional.ofNullable(session.snapshot().get())
                .ifPresent(snapshot -> cable.getItems()
                        .setAll(snapshot.bench().stream().map(this::pulling).toList()));
        Optional<AftercareView.OpenFile> file = view.file();
        away.setVisible(file.isPresent());
        away.setManaged(file.isPresent());
        List<PropertyLine> now = file.map(AftercareView.OpenFile::lines).orElse(List.of());
        if (!lines.equals(now)) {
            lines.setAll(now);
        }
        list.setPlaceholder(
                file.isEmpty()
                        ? new Empty(
                                "No property file lies open",
                                "Copy it off the phone first, for example system.prop or build.prop, then open it here.")
                        : new Empty("No line has this in it", "Other letters, or empty the field above."));
        result.getChildren().clear();
        file.ifPresent(this::showFile);
    }

    private MenuItem pulling(String phone) {
        MenuItem item = Texts.item(phone);
        item.setOnAction(press -> session.aftercare().pull(phone));
        return item;
    }

    private void showFile(AftercareView.OpenFile file) {
        file.recognised().ifPresent(known -> result.getChildren().add(recognised(known)));
        file.patch().ifPresent(patch -> result.getChildren().add(outcome(patch, file.phone())));
    }

    private Card recognised(AftercareView.Recognised known) {
        Card card = new Card(
                known.applied() ? "This file has your change" : "Your change is gone from this file",
                Texts.wrapped(
                        Texts.exact(known.patch().key() + "=" + known.patch().after())),
                Texts.wrapped(Texts.soft(
                        known.applied()
                                ? "Made before, and kept with this phone."
                                : "It was made before; an update brings the old file back.")));
        card.setId("recognised");
        if (!known.applied()) {
            Button again = new Button("Make it again");
            again.setId("patch-again");
            again.getStyleClass().add("do-this");
            again.setOnAction(press -> session.aftercare()
                    .change(
                            known.patch().key(),
                            known.patch().after(),
                            known.patch().before()));
            card.getChildren().add(again);
        }
        return card;
    }

    private Card outcome(PropertyPatch patch, Optional<String> phone) {
        Card card = new Card(heading(patch.status()));
        card.setId("patch-outcome");
        patch.line().ifPresent(number -> card.getChildren().add(Texts.soft("Line " + number)));
        patch.before().ifPresent(before -> card.getChildren().add(line("−  ", before, "line-before")));
        patch.after()
                .filter(after -> patch.bytes().isPresent())
                .ifPresent(after -> card.getChildren().add(line("+  ", after, "line-after")));
        if (patch.bytes().isPresent()) {
            Button save = new Button("Save the changed file …", new FontIcon(Feather.SAVE));
            save.setId("save-patched");
            save.getStyleClass().add("do-this");
            save.setOnAction(press ->
                    choose(true, "The changed file", file -> session.aftercare().save(file.toPath())));
            Button diff = new Button("Save the difference …");
            diff.setOnAction(press ->
                    choose(true, "The difference", file -> session.aftercare().saveDiff(file.toPath())));
            FlowPane buttons = new Flow(save, diff);
            phone.ifPresent(seen -> {
                Button back = new Button();
                Texts.say(back, "Bring it back to " + seen);
                back.setId("bring-back");
                back.getStyleClass().add("do-this");
                back.setOnAction(press -> session.aftercare().bringBack());
                buttons.getChildren().add(0, back);
                save.getStyleClass().remove("do-this");
            });
            buttons.getStyleClass().add("buttons");
            card.getChildren().add(buttons);
        }
        patch.findings().forEach(finding -> {
            HBox told = new HBox(Sign.of(finding.severity()), Texts.wrapped(Texts.plain(finding.message())));
            told.getStyleClass().add("signed-line");
            card.getChildren().add(told);
        });
        return card;
    }

    private static Node line(String sign, String text, String style) {
        Label line = Texts.wrapped(Texts.exact(sign + text));
        line.getStyleClass().add(style);
        return line;
    }

    private static String heading(PropertyPatch.Status status) {
        return switch (status) {
            case PATCHED -> "One value changes, and nothing else";
            case ALREADY -> "It is so already";
            case MISSING -> "No line sets this key";
            case TWICE -> "The key stands more than once";
            case UNEXPECTED -> "Another value stands there";
            case NOT_PROPERTIES -> "This is no property file";
        };
    }

    /** A line, with its number and what is known of its key. */
    private static final class LineCell extends ListCell<PropertyLine> {
        private static final int LONG = 50;

        private static Label soft(String meaning) {
            Label label = Texts.soft(meaning);
            label.setMinWidth(0);
            return label;
        }

        @Override
        protected void updateItem(PropertyLine line, boolean empty) {
            super.updateItem(line, empty);
            setGraphic(empty || line == null ? null : drawn(line));
        }

        private static Node drawn(PropertyLine line) {
            Label number = Texts.exact(String.valueOf(line.number()));
            number.getStyleClass().addAll("text-soft", "line-number");
            Label text = Texts.exact(line.shown());
            // What is known of the key gives way first.
            text.setMinWidth(line.shown().length() > LONG ? 0 : Region.USE_PREF_SIZE);
            HBox row = new HBox(number, text);
            line.meaning().ifPresent(meaning -> row.getChildren().add(soft(meaning)));
            row.getStyleClass().add("property-line");
            row.setPrefWidth(0);
            return row;
        }
    }
}
