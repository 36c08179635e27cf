package org.mobrak.desktop.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import org.mobrak.app.BrowseDesk;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.browse.BrowsedEntry;
import org.mobrak.core.catalogue.browse.CatalogueBrowser;
import org.mobrak.core.catalogue.browse.EntryKind;
import org.mobrak.core.catalogue.file.EntryText;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Everything that the catalogue holds, by kind, phone and words; and one entry: what it says, what it names, who names it. */
final class BrowseFace {
    private static final int MOST_LINKS = 40;
    private static final int MOST_REPORTS = 60;

    private final Session session;
    private final Leads leads;
    private final TextField words = new TextField();
    private final ComboBox<Optional<EntryKind>> kind = new ComboBox<>();
    private final ComboBox<Optional<String>> model = new ComboBox<>();
    private final Label count = Texts.soft("");
    private final ListView<BrowsedEntry> entries = new ListView<>();
    private final Sheet detail = new Sheet(new VBox());
    private final HBox node;
    private Optional<CatalogueBrowser> shown = Optional.empty();
    private boolean stale;
    private boolean filling;

    BrowseFace(Session session, Leads leads) {
        this.session = session;
        this.leads = leads;
        Pasting.seeks(words);
        words.setId("browse-words");
        words.setPromptText("A name, a model, a word of it …");
        Texts.aloud(words, "Search the catalogue");
        words.textProperty().addListener((source, before, now) -> list());
        kind.setId("browse-kind");
        Texts.aloud(kind, "Kind of entry");
        kind.setConverter(said(this::kindInWords));
        kind.valueProperty().addListener((source, before, now) -> list());
        model.setId("browse-model");
        Texts.aloud(model, "For which phone");
        model.setConverter(said(one -> one.orElse("every phone")));
        model.valueProperty().addListener((source, before, now) -> list());
        entries.setId("browse-entries");
        entries.setCellFactory(list -> new EntryCell());
        entries.setPlaceholder(new Empty("No matches", "Try fewer letters, another kind or every phone."));
        entries.getSelectionModel().selectedItemProperty().addListener((source, before, now) -> {
            if (now != null && !filling) {
                session.browse().open(now);
            }
        });
        VBox.setVgrow(entries, Priority.ALWAYS);
        Flow filters = new Flow(kind, model, count);
        filters.getStyleClass().add("buttons");
        VBox left = new VBox(words, filters, entries);
        left.getStyleClass().add("board-left");
        detail.setId("browse-detail");
        detail.setContent(new Empty("No entry is open", "Choose one in the list to read what it says."));
        HBox.setHgrow(detail, Priority.ALWAYS);
        node = new Columns(left, detail);
        node.getStyleClass().add("page");
        session.browse().browser().addListener((source, before, now) -> now.ifPresent(this::fill));
        session.browse().opened().addListener((source, before, now) -> now.ifPresent(this::show));
        node.sceneProperty().addListener(turnedTo -> lookIfSeen());
    }

    Region node() {
        return node;
    }

    void show(Snapshot snapshot) {
        stale = true;
        lookIfSeen();
    }

    /** Nothing is worked out for a face that nobody sees. */
    private void lookIfSeen() {
        if (stale && node.getScene() != null) {
            stale = false;
            session.browse().look();
        }
    }

    private void fill(CatalogueBrowser browser) {
        shown = Optional.of(browser);
        filling = true;
        Optional<EntryKind> was = Optional.ofNullable(kind.getValue()).flatMap(one -> one);
        List<Optional<EntryKind>> kinds = new ArrayList<>(List.of(Optional.empty()));
        for (EntryKind one : EntryKind.values()) {
            if (browser.count(one) > 0) {
                kinds.add(Optional.of(one));
            }
        }
        kind.getItems().setAll(kinds);
        kind.setValue(was);
        Optional<String> wanted = Optional.ofNullable(model.getValue()).flatMap(one -> one);
        List<Optional<String>> models = new ArrayList<>(List.of(Optional.empty()));
        onDesk().ifPresent(one -> models.add(Optional.of(one)));
        browser.find("", Optional.of(EntryKind.PHONE), Optional.empty()).stream()
                .map(BrowsedEntry::id)
                .filter(id -> !models.contains(Optional.of(id)))
                .forEach(id -> models.add(Optional.of(id)));
        model.getItems().setAll(models);
        model.setValue(wanted);
        filling = false;
        list();
    }

    private Optional<String> onDesk() {
        return session.snapshot()
                .get()
                .desk()
                .flatMap(desk -> desk.identity().facts().value(Fact.MODEL));
    }

    private String kindInWords(Optional<EntryKind> one) {
        return one.map(known -> known.many() + " ("
                        + shown.map(browser -> browser.count(known)).orElse(0L) + ")")
                .orElse("everything");
    }

    private void list() {
        if (filling || shown.isEmpty()) {
            return;
        }
        List<BrowsedEntry> found = shown.get()
                .find(
                        words.getText(),
                        Optional.ofNullable(kind.getValue()).flatMap(one -> one),
                        Optional.ofNullable(model.getValue()).flatMap(one -> one));
        BrowsedEntry before = entries.getSelectionModel().getSelectedItem();
        filling = true;
        entries.getItems().setAll(found);
        if (before != null && found.contains(before)) {
            entries.getSelectionModel().select(before);
        }
        filling = false;
        Texts.say(count, found.size() == 1 ? "1 entry" : found.size() + " entries");
    }

    /** Opens an entry, wherever its name stands. */
    void open(BrowsedEntry entry) {
        filling = true;
        words.clear();
        kind.setValue(Optional.empty());
        model.setValue(Optional.empty());
        filling = false;
        list();
        entries.getSelectionModel().select(entry);
        entries.scrollTo(Math.max(0, entries.getSelectionModel().getSelectedIndex() - 2));
    }

    private void show(BrowseDesk.Opened now) {
        VBox content = new VBox();
        content.getStyleClass().add("side");
        content.getChildren().add(head(now.entry()));
        if (!now.reports().isEmpty()) {
            content.getChildren().add(reports(now.reports()));
        }
        links("Named by", "browse-used-by", now.usedBy(), content);
        links("Names", "browse-uses", now.uses(), content);
        content.getChildren().add(said(now.lines()));
        detail.setContent(content);
        detail.setVvalue(0);
    }

    private Card head(BrowsedEntry entry) {
        Button edit = Empty.action("browse-edit", "Open in the workshop", () -> leads.edit(entry.file()));
        Flow buttons = new Flow(edit, Texts.exact(entry.file()));
        buttons.getStyleClass().add("buttons");
        Card card = new Card(entry.kind().one() + ": " + entry.name());
        card.setId("browse-head");
        if (!entry.about().isEmpty()) {
            card.getChildren().add(Texts.wrapped(Texts.plain(entry.about())));
        }
        card.getChildren().add(buttons);
        return card;
    }

    private static Card said(List<EntryText.Line> lines) {
        Card card = new Card("What it says");
        card.setId("browse-says");
        if (lines.isEmpty()) {
            card.getChildren()
                    .add(Texts.wrapped(Texts.plain("Its file cannot be read. “Check and compare” says why.")));
        }
        lines.forEach(line -> card.getChildren().add(drawn(line)));
        return card;
    }

    private static Node drawn(EntryText.Line line) {
        Label name = Texts.soft(line.label());
        name.getStyleClass().add("row-name");
        name.setWrapText(true);
        Label value = Texts.wrapped(Texts.plain(line.value()));
        HBox.setHgrow(value, Priority.ALWAYS);
        Region indent = new Region();
        indent.getStyleClass().add("indent-" + Math.min(line.depth(), 3));
        HBox row = new HBox(indent, name, value);
        row.getStyleClass().add("named-row");
        return row;
    }

    private void links(String heading, String id, List<BrowsedEntry> others, VBox content) {
        if (others.isEmpty()) {
            return;
        }
        Card card = new Card(heading + " " + (others.size() == 1 ? "1 entry" : others.size() + " entries"));
        card.setId(id);
        others.stream().limit(MOST_LINKS).forEach(other -> {
            Hyperlink link = new Hyperlink();
            Texts.say(link, other.kind().one() + ": " + other.name());
            link.setWrapText(true);
            link.setOnAction(press -> open(other));
            card.getChildren().add(link);
        });
        if (others.size() > MOST_LINKS) {
            card.getChildren().add(Texts.soft("… and %d more".formatted(others.size() - MOST_LINKS)));
        }
        content.getChildren().add(card);
    }

    private static Card reports(List<Route.Report> reports) {
        long worked = reports.stream().filter(Route.Report::worked).count();
        Card card = new Card("Reports: worked %d of %d times".formatted(worked, reports.size()));
        card.setId("browse-reports");
        reports.stream().limit(MOST_REPORTS).forEach(report -> {
            HBox line = new HBox(
                    Sign.of(report.worked() ? Truth.YES : Truth.NO),
                    Texts.wrapped(Texts.plain("%s: %s on %s, build %s"
                            .formatted(
                                    report.date(),
                                    report.worked() ? "worked" : "failed",
                                    report.model(),
                                    report.build()))));
            line.getStyleClass().add("signed-line");
            card.getChildren().add(line);
        });
        if (reports.size() > MOST_REPORTS) {
            card.getChildren().add(Texts.soft("… and %d earlier ones".formatted(reports.size() - MOST_REPORTS)));
        }
        return card;
    }

    private static <T> StringConverter<T> said(java.util.function.Function<T, String> words) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : words.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException("These boxes are chosen from, not typed into");
            }
        };
    }

    private static final class EntryCell extends ListCell<BrowsedEntry> {
        @Override
        protected void updateItem(BrowsedEntry entry, boolean empty) {
            super.updateItem(entry, empty);
            Texts.say(this, empty || entry == null ? "" : entry.kind().one() + ": " + entry.name());
        }
    }
}
