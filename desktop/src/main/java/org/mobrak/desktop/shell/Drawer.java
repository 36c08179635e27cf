package org.mobrak.desktop.shell;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.skin.ListCellSkin;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.Glance;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Marked;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Sought;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** The drawer of phones. */
final class Drawer implements View {
    /** As many as are seen at once. */
    private static final int FEW = 7;

    private final Session session;
    private final TextField wanted = new TextField();
    private final ListView<DrawerEntry> phones = new ListView<>();
    private final TextField nickname = new TextField();
    private final Label unread = Texts.wrapped(Texts.soft(""));
    private final VBox node;
    private List<DrawerEntry> all = List.of();
    private Optional<PhoneRecord> onDesk = Optional.empty();
    private Sought sought = Sought.of("");
    private boolean showing;
    private boolean added;
    private Optional<Long> beforeAdding = Optional.empty();

    Drawer(Session session, Region foot) {
        this.session = session;
        phones.setId("phones");
        phones.setCellFactory(list -> new PhoneCell(list, () -> sought));
        Pasting.seeks(wanted);
        wanted.setId("find-phone");
        wanted.setPromptText("Find (Ctrl+F)");
        // Or it would have the keyboard as soon as the window opens, and hide what it is for.
        wanted.setFocusTraversable(false);
        wanted.managedProperty().bind(wanted.visibleProperty());
        wanted.textProperty().addListener((property, old, text) -> list());
        wanted.setOnAction(enter -> phones.getItems().stream().findFirst().ifPresent(this::pick));
        wanted.setOnKeyPressed(key -> {
            if (key.getCode() == KeyCode.ESCAPE) {
                wanted.clear();
            }
        });
        phones.getSelectionModel().selectedItemProperty().addListener((property, old, entry) -> pick(entry));
        VBox.setVgrow(phones, Priority.ALWAYS);
        nickname.setId("nickname");
        nickname.setPromptText("Name a phone");
        nickname.setOnAction(enter -> add());
        HBox.setHgrow(nickname, Priority.ALWAYS);
        Button add = new Button("", new FontIcon(Feather.PLUS));
        add.setId("add-phone");
        Texts.tip(add, "Put the phone in the drawer (Ctrl+N)");
        Texts.aloud(add, "Put the phone in the drawer");
        add.setOnAction(press -> add());
        add.disableProperty().bind(nickname.textProperty().map(String::isBlank));
        HBox adding = new HBox(nickname, add);
        adding.getStyleClass().add("typing");
        unread.setId("unread");
        unread.getStyleClass().add("waits-stop");
        unread.setVisible(false);
        unread.managedProperty().bind(unread.visibleProperty());
        node = new VBox(Texts.heading("Drawer"), unread, wanted, phones, adding, foot);
        node.getStyleClass().add("drawer");
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        show(snapshot.glance());
        Texts.say(unread, snapshot.unread().stream().map(Finding::message).collect(Collectors.joining("\n")));
        unread.setVisible(!snapshot.unread().isEmpty());
    }

    void show(Glance glance) {
        Optional<Long> before = onDesk.map(PhoneRecord::id);
        onDesk = glance.phone().map(phone -> phone.dossier().phone());
        boolean others = !isListed(glance.drawer());
        all = glance.drawer();
        wanted.setVisible(all.size() > FEW);
        if (others) {
            list();
        } else {
            markOnDesk();
        }
        if (!onDesk.map(PhoneRecord::id).equals(before)) {
            scrollToThePicked(before.isPresent());
        }
    }

    /** Scrolling makes the list measure its rows, so a list that stands at its beginning is left alone. */
    private void scrollToThePicked(boolean scrolled) {
        int above = Math.max(0, phones.getSelectionModel().getSelectedIndex() - 1);
        if (scrolled || above > 0) {
            phones.scrollTo(above);
        }
    }

    /** Entries are made anew only where something is told of a phone that was not told before. */
    private boolean isListed(List<DrawerEntry> now) {
        return now.size() == all.size()
                && !now.isEmpty()
                && IntStream.range(0, now.size()).allMatch(row -> now.get(row) == all.get(row));
    }

    private void markOnDesk() {
        showing = true;
        phones.getSelectionModel().clearSelection();
        onDesk.ifPresent(this::mark);
        showing = false;
    }

    /** Lists the phones that are meant, the nearest first: one whose name was typed whole before those that only hold it. */
    private void list() {
        showing = true;
        sought = Sought.of(wanted.getText());
        phones.getItems()
                .setAll(all.stream()
                        .filter(entry -> distance(entry).isPresent())
                        .sorted(Comparator.comparingInt(entry -> distance(entry).orElse(0)))
                        .toList());
        if (phones.getItems().isEmpty()) {
            phones.setPlaceholder(nothingListed());
        }
        markOnDesk();
    }

    private OptionalInt distance(DrawerEntry entry) {
        return sought.distance(entry.phone().nickname(), told(entry));
    }

    private Empty nothingListed() {
        return all.isEmpty()
                ? new Empty("The drawer is empty", "Name a phone below to put it in.")
                : new Empty("No phone like that", "Clear the field above to see all %d.".formatted(all.size()));
    }

    private static String told(DrawerEntry entry) {
        String marks = entry.marks().stream().map(DrawerEntry.Mark::word).collect(Collectors.joining(" "));
        return String.join(" ", entry.name(), marks, entry.waitsFor());
    }

    /** Where the phone that is sought is typed. */
    void askWhich() {
        wanted.requestFocus();
    }

    /** Where a new phone's name is typed. */
    void askForPhone() {
        nickname.requestFocus();
    }

    private void mark(PhoneRecord phone) {
        List<DrawerEntry> listed = phones.getItems();
        IntStream.range(0, listed.size())
                .filter(row -> listed.get(row).phone().id() == phone.id())
                .findFirst()
                .ifPresent(phones.getSelectionModel()::select);
    }

    private void pick(DrawerEntry entry) {
        if (!showing && entry != null) {
            session.pick(entry.phone());
        }
    }

    private void add() {
        if (!nickname.getText().isBlank()) {
            added = true;
            session.addPhone(nickname.getText());
            nickname.clear();
        }
    }

    /** Whether the phone on the desk was just put into the drawer here; told once. */
    boolean hasAdded(Optional<Long> phone) {
        boolean now = added && phone.isPresent() && !phone.equals(beforeAdding);
        if (now || !added) {
            added = false;
            beforeAdding = phone;
        }
        return now;
    }

    /** What it is made of stays, whatever phone it comes to show. */
    private static final class PhoneCell extends ListCell<DrawerEntry> {
        private final Label nickname = Texts.plain("");
        private final HBox first = new HBox(nickname);
        private final Label name = Texts.exact("");
        private final Label waits = Texts.soft("");
        private final FlowPane state = new Flow(waits);
        private final VBox drawn = new VBox(first, name, state);

        private final Supplier<Sought> sought;

        /** @param sought what is typed to find a phone; it is marked in its name */
        PhoneCell(ListView<DrawerEntry> list, Supplier<Sought> sought) {
            this.sought = sought;
            nickname.getStyleClass().add("route-name");
            HBox.setHgrow(nickname, Priority.ALWAYS);
            nickname.setMaxWidth(Double.MAX_VALUE);
            state.getStyleClass().add("phone-state");
            waits.maxWidthProperty().bind(list.widthProperty().subtract(38));
            drawn.getStyleClass().add("phone-cell");
            // What is long is cut with dots: a drawer does not scroll sideways.
            drawn.prefWidthProperty().bind(list.widthProperty().subtract(12));
            setPrefWidth(0);
            setGraphic(drawn);
            setSkin(new ListCellSkin<>(this));
        }

        @Override
        protected void updateItem(DrawerEntry entry, boolean empty) {
            super.updateItem(entry, empty);
            if (empty || entry == null) {
                setGraphic(null);
            } else {
                say(entry);
                setGraphic(drawn);
            }
        }

        private void say(DrawerEntry entry) {
            Texts.say(nickname, entry.phone().nickname());
            Texts.say(name, entry.name());
            first.getChildren().setAll(named(entry.phone().nickname()));
            entry.worst()
                    .filter(worst -> worst != Severity.NOTE)
                    .ifPresent(worst -> first.getChildren().add(Sign.of(worst)));
            state.getChildren()
                    .setAll(entry.marks().stream().map(PhoneCell::chip).toList());
            state.getChildren().add(waits);
            Texts.say(waits, entry.waitsFor());
            boolean stopped = entry.worst().filter(Severity.STOP::equals).isPresent();
            waits.getStyleClass().setAll("label", "text-soft", stopped ? "waits-stop" : "waits");
        }

        private Region named(String name) {
            if (sought.get().isEmpty()) {
                return nickname;
            }
            Marked marked = new Marked(name, sought.get(), "route-name");
            HBox.setHgrow(marked, Priority.ALWAYS);
            marked.setMaxWidth(Double.MAX_VALUE);
            return marked;
        }

        private static Label chip(DrawerEntry.Mark mark) {
            Label chip = Texts.soft(mark.word());
            chip.getStyleClass()
                    .addAll(
                            "chip",
                            "chip-" + mark.name().toLowerCase(Locale.ROOT).replace('_', '-'));
            return chip;
        }
    }
}
