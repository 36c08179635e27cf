package org.mobrak.desktop.logbook;

import java.io.File;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javafx.animation.PauseTransition;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.util.Duration;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.LogbookDesk;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.logbook.search.Found;
import org.mobrak.core.logbook.search.Hit;
import org.mobrak.core.logbook.transfer.Imported;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** What is done with the logbook as a whole: a search over everything, an export, and somebody's export that is looked at. */
final class WholeLogbook {
    private static final double HESITATION_MILLIS = 250;
    private static final FileChooser.ExtensionFilter ZIP = new FileChooser.ExtensionFilter("Zip", "*.zip");

    private final Session session;
    private final ZoneId zone;
    private final Consumer<Long> goToPhone;
    private final Runnable changed;
    private final TextField words = new TextField();
    private final PauseTransition typed = new PauseTransition(Duration.millis(HESITATION_MILLIS));
    private final MenuButton copies = new MenuButton("Copies", new FontIcon(Feather.ARCHIVE));
    private final CheckMenuItem withFiles = new CheckMenuItem("With the files themselves, not only their names");
    private final HBox head = new HBox();
    private Optional<Path> bringingBack = Optional.empty();
    private Optional<DueCard> due = Optional.empty();
    private Predicate<Hit> wanted = hit -> true;
    private List<Hit> seen = List.of();
    private final VBox content = new VBox();
    private final Sheet sheet = new Sheet(content);

    /**
     * The parts.
     *
     * @param goToPhone is given the number of the phone of a hit
     * @param changed is called when there is something else to be seen than before
     */
    WholeLogbook(Session session, ZoneId zone, Consumer<Long> goToPhone, Runnable changed) {
        this.zone = zone;
        this.session = session;
        this.goToPhone = goToPhone;
        this.changed = changed;
        Pasting.seeks(words);
        words.setId("search-logbook");
        words.setPromptText("Search …");
        Texts.aloud(words, "Search the logbook");
        Texts.tip(words, "Words, build numbers, notes: whatever was read, done or noted");
        Texts.aloud(words, "Search the logbook");
        HBox.setHgrow(words, Priority.ALWAYS);
        typed.setOnFinished(now -> session.logbook().search(words.getText()));
        words.textProperty().addListener((source, before, now) -> typed.playFromStart());
        words.setOnAction(enter -> session.logbook().search(words.getText()));
        MenuButton export = new MenuButton("Export", new FontIcon(Feather.UPLOAD));
        export.setId("export");
        export.getItems()
                .addAll(
                        item("Everything …", "export-all", false),
                        item("Only the phone on the desk …", "export-phone", true),
                        withFiles,
                        report());
        withFiles.setId("export-with-files");
        Button take = new Button("Import …", new FontIcon(Feather.DOWNLOAD));
        take.setId("import");
        take.setOnAction(press -> {
            FileChooser chooser = chooser("What was exported");
            Optional.ofNullable(chooser.showOpenDialog(head.getScene().getWindow()))
                    .map(File::toPath)
                    .ifPresent(session.logbook()::lookAt);
        });
        export.setMinWidth(Region.USE_PREF_SIZE);
        take.setMinWidth(Region.USE_PREF_SIZE);
        Button due = new Button("What is due", new FontIcon(Feather.BELL));
        due.setId("due");
        due.setMinWidth(Region.USE_PREF_SIZE);
        due.setOnAction(press -> session.logbook().askWhatIsDue());
        session.logbook().due().addListener((source, before, now) -> {
            show();
            changed.run();
        });
        copies.setId("copies");
        copies.setMinWidth(Region.USE_PREF_SIZE);
        copies.setOnShowing(opened -> session.logbook().listCopies());
        session.logbook().copies().addListener((source, before, now) -> showCopies(now));
        showCopies(List.of());
        head.getChildren().addAll(words, due, export, take, copies);
        head.getStyleClass().add("logbook-head");
        content.getStyleClass().add("side");
        session.logbook().found().addListener((source, before, now) -> {
            show();
            changed.run();
        });
        session.logbook().offer().addListener((source, before, now) -> {
            show();
            changed.run();
        });
    }

    Region head() {
        return head;
    }

    /** Shows only some of what is found. */
    void only(Predicate<Hit> filter) {
        wanted = filter;
        boolean same = session.logbook()
                .found()
                .get()
                .filter(found -> !wanted(found).equals(seen))
                .isEmpty();
        if (!same) {
            show();
        }
    }

    private List<Hit> wanted(Found found) {
        return found.hits().stream().filter(wanted).toList();
    }

    /** Whether something is asked that has nothing to do with what is searched. */
    boolean isBusy() {
        return session.logbook().offer().get().isPresent()
                || session.logbook().due().get().isPresent()
                || bringingBack.isPresent();
    }

    /** What was found or offered; empty while there is neither. */
    Optional<Region> body() {
        boolean something = session.logbook().found().get().isPresent()
                || session.logbook().offer().get().isPresent()
                || session.logbook().due().get().isPresent()
                || bringingBack.isPresent();
        return something ? Optional.of(sheet) : Optional.empty();
    }

    private static FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(ZIP);
        return chooser;
    }

    private MenuItem item(String label, String id, boolean onlyThePhone) {
        MenuItem item = Texts.item(label);
        item.setId(id);
        item.setOnAction(press -> {
            FileChooser chooser = chooser("The export");
            chooser.setInitialFileName(onlyThePhone ? "phone.zip" : "workspace.zip");
            Optional.ofNullable(chooser.showSaveDialog(head.getScene().getWindow()))
                    .ifPresent(file -> session.logbook().export(file.toPath(), onlyThePhone, withFiles.isSelected()));
        });
        return item;
    }

    /** What a person reads, and no program. */
    private MenuItem report() {
        MenuItem item = Texts.item("The phone on the desk, to be read …");
        item.setId("report-phone");
        item.setOnAction(press -> {
            FileChooser chooser = new FileChooser();
            chooser.setTitle("What is known of the phone and was done to it");
            chooser.setInitialFileName("phone.html");
            chooser.getExtensionFilters()
                    .addAll(
                            new FileChooser.ExtensionFilter("A page", "*.html"),
                            new FileChooser.ExtensionFilter("Markdown", "*.md"),
                            new FileChooser.ExtensionFilter("CSV", "*.csv"));
            Optional.ofNullable(chooser.showSaveDialog(head.getScene().getWindow()))
                    .ifPresent(file -> session.logbook().report(file.toPath()));
        });
        return item;
    }

    private void showCopies(List<Path> now) {
        copies.getItems().setAll(now.stream().map(this::copyItem).toList());
        if (now.isEmpty()) {
            MenuItem none = Texts.item("A copy is made on each day on which you work");
            none.setDisable(true);
            copies.getItems().add(none);
        }
    }

    private MenuItem copyItem(Path copy) {
        MenuItem item = Texts.item(
                copy.getFileName().toString().replaceFirst("^logbook-", "").replaceFirst("\\.db$", ""));
        item.setOnAction(press -> askFor(Optional.of(copy)));
        return item;
    }

    private void askFor(Optional<Path> copy) {
        bringingBack = copy;
        show();
        changed.run();
    }

    private Card asked(Path copy) {
        Button back = new Button("Bring it back");
        back.setId("bring-copy-back");
        back.getStyleClass().add("do-this");
        back.setOnAction(press -> {
            askFor(Optional.empty());
            session.bringBack(copy);
        });
        Button leave = new Button("Leave it");
        leave.setId("leave-copy");
        leave.setOnAction(press -> askFor(Optional.empty()));
        FlowPane buttons = new Flow(back, leave);
        buttons.getStyleClass().add("buttons");
        return new Card(
                "The logbook as it was: " + copy.getFileName(),
                Texts.wrapped(
                        Texts.plain(
                                "Everything that was read, done or noted since then is no longer in the logbook. It is kept beside the copies, in the workspace's folder “backups”.")),
                buttons);
    }

    private void show() {
        content.getChildren().clear();
        bringingBack.ifPresent(copy -> content.getChildren().add(asked(copy)));
        session.logbook().offer().get().ifPresent(offer -> content.getChildren().add(offered(offer)));
        due = session.logbook().due().get().map(this::due);
        due.ifPresent(content.getChildren()::add);
        session.logbook().found().get().ifPresent(found -> content.getChildren().add(found(found)));
    }

    /** The one that is there already, if it tells the same: somebody may be typing into it. */
    private DueCard due(LogbookDesk.Due told) {
        return due.filter(card -> card.tells(told)).orElseGet(() -> new DueCard(session, told));
    }

    private Button proposal(String word) {
        Button button = Empty.action("proposal-" + word, "", () -> words.setText(word));
        Texts.say(button, "Did you mean “" + word + "”?");
        return button;
    }

    private Node found(Found found) {
        seen = wanted(found);
        if (found.hits().isEmpty()) {
            return new Empty(
                    "No matches for “" + found.query() + "”",
                    "Try fewer words or letters.",
                    found.proposals().stream().map(this::proposal).toArray(Button[]::new));
        }
        List<Hit> hits = seen;
        String left =
                hits.size() == found.hits().size() ? "" : ", of which " + hits.size() + " are seen as chosen above";
        Card card = new Card(
                found.hits().size() == 1
                        ? "Found once" + left
                        : "Found " + found.hits().size() + " times" + left);
        card.setId("found");
        for (int i = 0; i < hits.size(); i++) {
            card.getChildren().add(hit(i, hits.get(i)));
        }
        return card;
    }

    private Node hit(int number, Hit hit) {
        Hyperlink phone = new Hyperlink();
        phone.setId("hit-" + number);
        Texts.say(phone, hit.nickname());
        phone.setOnAction(press -> goToPhone.accept(hit.phone()));
        VBox lines = new VBox(
                phone,
                Texts.soft(hit.kind().word() + "  ·  " + hit.told(zone)),
                Texts.wrapped(Texts.exact(hit.text().replaceAll("\\s+", " "))));
        lines.getStyleClass().add("hit");
        return lines;
    }

    private Card offered(LogbookDesk.Offer offer) {
        Imported would = offer.would();
        Card card = new Card("This would come in from " + offer.zip().getFileName());
        card.setId("offered");
        Set<String> same = new HashSet<>();
        card.getChildren().addAll(Texts.wrapped(Texts.plain(sum(would))), buttons(would, same));
        for (Imported.Phone phone : would.phones()) {
            boolean namesake = phone.becomes() == Imported.Becomes.NAMESAKE;
            HBox line = new HBox(
                    Sign.of(namesake ? Severity.CAUTION : Severity.NOTE),
                    Texts.wrapped(Texts.plain(phone.nickname() + ": " + words(phone))));
            line.getStyleClass().add("signed-line");
            card.getChildren().add(line);
            if (namesake) {
                line.getChildren().add(sameBox(phone.nickname(), same));
            }
        }
        return card;
    }

    private static CheckBox sameBox(String nickname, Set<String> same) {
        CheckBox box = new CheckBox("It is the same phone");
        box.setMinWidth(Region.USE_PREF_SIZE);
        box.selectedProperty().addListener((source, before, now) -> {
            if (now) {
                same.add(nickname);
            } else {
                same.remove(nickname);
            }
        });
        return box;
    }

    private static String sum(Imported would) {
        String differing = would.differing().isEmpty()
                ? ""
                : " %d entries differ from yours, which stay as they are; compare them on the catalogue's page."
                        .formatted(would.differing().size());
        String unreadable = would.unreadable().isEmpty()
                ? ""
                : " %d rows cannot be read and will be marked; the first: %s."
                        .formatted(would.unreadable().size(), would.unreadable().get(0));
        return would.changesNothing()
                ? "All of it is here already." + differing + unreadable
                : "%d rows and %d entries of the catalogue are new."
                                .formatted(would.addedRows(), would.entries().size())
                        + differing
                        + unreadable;
    }

    private FlowPane buttons(Imported would, Set<String> same) {
        Button take = new Button("Take it in");
        take.setId("take-export");
        take.getStyleClass().add("do-this");
        take.setDisable(would.changesNothing());
        take.setOnAction(press -> session.logbook().take(Set.copyOf(same)));
        Button leave = new Button("Leave it");
        leave.setId("leave-export");
        leave.setOnAction(press -> session.logbook().leave());
        FlowPane buttons = new Flow(take, leave);
        buttons.getStyleClass().add("buttons");
        return buttons;
    }

    private static String words(Imported.Phone phone) {
        return switch (phone.becomes()) {
            case NEW -> "new here";
            case SAME -> "here already; what is new of it is added";
            case SAME_BY_SERIAL -> "joins “" + phone.into() + "”, which has the same serial number";
            case SAME_AS_SAID -> "joins “" + phone.into() + "”";
            case NAMESAKE -> "one of this name is here; it comes in beside it unless it is the same";
        };
    }
}
