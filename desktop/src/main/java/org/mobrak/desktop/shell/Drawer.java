package org.mobrak.desktop.shell;

import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.DrawerEntry;
import org.mobrak.desktop.session.Session;
import org.mobrak.desktop.session.Snapshot;
import org.mobrak.desktop.session.View;

/** The drawer of phones. */
final class Drawer implements View {
    private final Session session;
    private final ListView<DrawerEntry> phones = new ListView<>();
    private final TextField nickname = new TextField();
    private final VBox node;
    private boolean showing;

    Drawer(Session session, Region foot) {
        this.session = session;
        phones.setId("phones");
        phones.setCellFactory(list -> new PhoneCell());
        phones.setPlaceholder(new Empty("The drawer is empty", "Name a phone below to put it in."));
        phones.getSelectionModel().selectedItemProperty().addListener((property, old, entry) -> pick(entry));
        VBox.setVgrow(phones, Priority.ALWAYS);
        nickname.setId("nickname");
        nickname.setPromptText("Name of another phone");
        nickname.setOnAction(enter -> add());
        HBox.setHgrow(nickname, Priority.ALWAYS);
        Button add = new Button("", new FontIcon(Feather.PLUS));
        add.setId("add-phone");
        add.setTooltip(new Tooltip("Put the phone in the drawer (Ctrl+N)"));
        add.setAccessibleText("Put the phone in the drawer");
        add.setOnAction(press -> add());
        add.disableProperty().bind(nickname.textProperty().map(String::isBlank));
        HBox adding = new HBox(nickname, add);
        adding.getStyleClass().add("typing");
        node = new VBox(Texts.heading("Drawer"), phones, adding, foot);
        node.getStyleClass().add("drawer");
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        showing = true;
        Optional<PhoneRecord> before = Optional.ofNullable(
                        phones.getSelectionModel().getSelectedItem())
                .map(DrawerEntry::phone);
        Optional<PhoneRecord> now = snapshot.desk().map(desk -> desk.dossier().phone());
        phones.getItems().setAll(snapshot.drawer());
        now.ifPresentOrElse(this::mark, () -> phones.getSelectionModel().clearSelection());
        if (!now.equals(before)) {
            phones.scrollTo(Math.max(0, phones.getSelectionModel().getSelectedIndex() - 1));
        }
        showing = false;
    }

    /** Where a new phone's name is typed. */
    void askForPhone() {
        nickname.requestFocus();
    }

    private void mark(PhoneRecord phone) {
        phones.getItems().stream()
                .filter(entry -> entry.phone().equals(phone))
                .findFirst()
                .ifPresent(phones.getSelectionModel()::select);
    }

    private void pick(DrawerEntry entry) {
        if (!showing && entry != null) {
            session.pick(entry.phone());
        }
    }

    private void add() {
        session.addPhone(nickname.getText());
        nickname.clear();
    }

    private static final class PhoneCell extends ListCell<DrawerEntry> {
        @Override
        protected void updateItem(DrawerEntry entry, boolean empty) {
            super.updateItem(entry, empty);
            setText(null);
            setGraphic(empty || Objects.isNull(entry) ? null : drawn(entry));
        }

        private VBox drawn(DrawerEntry entry) {
            Label name = Texts.plain(entry.phone().nickname());
            name.getStyleClass().add("route-name");
            HBox.setHgrow(name, Priority.ALWAYS);
            name.setMaxWidth(Double.MAX_VALUE);
            HBox first = new HBox(name);
            entry.worst()
                    .filter(worst -> worst != Severity.NOTE)
                    .ifPresent(worst -> first.getChildren().add(Sign.of(worst)));
            VBox drawn = new VBox(first, Texts.exact(entry.name()), state(entry));
            drawn.getStyleClass().add("phone-cell");
            // What is long is cut with dots: a drawer does not scroll sideways.
            drawn.prefWidthProperty().bind(getListView().widthProperty().subtract(12));
            setPrefWidth(0);
            return drawn;
        }

        private FlowPane state(DrawerEntry entry) {
            FlowPane state = new FlowPane();
            state.getStyleClass().add("phone-state");
            for (DrawerEntry.Mark mark : entry.marks()) {
                Label chip = Texts.soft(mark.word());
                chip.getStyleClass()
                        .addAll(
                                "chip",
                                "chip-" + mark.name().toLowerCase(Locale.ROOT).replace('_', '-'));
                state.getChildren().add(chip);
            }
            Label waits = Texts.soft(entry.waitsFor());
            waits.getStyleClass()
                    .add(entry.worst().filter(Severity.STOP::equals).isPresent() ? "waits-stop" : "waits");
            waits.maxWidthProperty().bind(getListView().widthProperty().subtract(38));
            state.getChildren().add(waits);
            return state;
        }
    }
}
