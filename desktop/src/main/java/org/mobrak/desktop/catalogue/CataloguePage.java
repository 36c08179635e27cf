package org.mobrak.desktop.catalogue;

import java.io.File;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.cell.CheckBoxListCell;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.util.StringConverter;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.identity.Severity;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Faces;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.SummaryRow;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** The page on which one's own catalogue is looked after and another's entries are taken, one by one. */
public final class CataloguePage implements View {
    private static final int MOST_FAULTS = 100;

    private final Session session;
    private final VBox own = new VBox();
    private final Sheet ownScroll = new Sheet(own);
    private final ListView<Difference> entries = new ListView<>();
    private final Sheet detail = new Sheet(new VBox());
    private final Button take = new Button();
    private final Button leave = new Button("Put it away");
    private final Label said = Texts.wrapped(Texts.plain(""));
    private final Label other = Texts.wrapped(Texts.plain(""));
    private final VBox compared;
    private final Empty nothing = new Empty(
            "No other catalogue is open",
            "Choose a folder or a zip that somebody gave you, or drop it here. You see what is new and what differs, and take entry by entry.",
            Empty.action("empty-other-folder", "Choose a folder …", this::chooseFolder),
            Empty.action("empty-other-zip", "Choose a zip …", this::chooseZip));
    private final HBox compare;
    private final BrowseFace browse;
    private final Faces faces = new Faces();
    private final Runnable turnToFriends;
    private final VBox node;
    private final Set<Difference> ticked = new HashSet<>();
    private Optional<Path> shown = Optional.empty();

    /** @param leads the ways to other pages */
    public CataloguePage(Session session, Leads leads) {
        this.session = session;
        entries.setId("entries");
        entries.setCellFactory(list -> new CheckBoxListCell<>(this::ticking, words()));
        entries.setPlaceholder(new Empty("Nothing to take", "The other catalogue has nothing that this one has not."));
        entries.getSelectionModel().selectedItemProperty().addListener((property, old, entry) -> showDetail(entry));
        take.setId("take-entries");
        take.getStyleClass().add("do-this");
        take.setOnAction(press -> session.takeEntries(List.copyOf(ticked)));
        leave.setId("leave-catalogue");
        leave.setOnAction(press -> session.leaveCatalogue());
        FlowPane buttons = new Flow(take, leave);
        buttons.getStyleClass().add("buttons");
        HBox both = new Columns(entries, detail);
        HBox.setHgrow(detail, Priority.ALWAYS);
        VBox.setVgrow(both, Priority.ALWAYS);
        compared = new VBox(other, buttons, both);
        compared.getStyleClass().add("side");
        own.getStyleClass().add("side");
        ownScroll.setId("own-catalogue");
        ownScroll.getStyleClass().add("catalogue-own");
        HBox.setHgrow(compared, Priority.ALWAYS);
        HBox.setHgrow(nothing, Priority.ALWAYS);
        nothing.setMaxWidth(Double.MAX_VALUE);
        compare = new Columns(ownScroll, nothing);
        compare.getStyleClass().add("page");
        browse = new BrowseFace(session, leads);
        faces.add("face-browse", "Look through", browse::node);
        turnToFriends = faces.add("face-friends", "Check and compare", () -> compare);
        node = new VBox(new SummaryRow(said, faces.tabs()), faces.body());
        // What is dropped here is another catalogue, not a reading.
        Drops.onto(node, dropped -> session.compareCatalogue(dropped.get(0)));
    }

    /** Shows where another's catalogue is held against this one. */
    public void showFriends() {
        turnToFriends.run();
    }

    @Override
    public List<Faces.Face> faces() {
        return faces.all();
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        Snapshot.CatalogueState state = snapshot.catalogue();
        own.getChildren().setAll(holds(state), faults(state.faults()));
        List<Difference> takable =
                state.differences().stream().filter(Difference::canBeTaken).toList();
        if (!shown.equals(state.other()) || !entries.getItems().equals(takable)) {
            if (state.other().isPresent() && !shown.equals(state.other())) {
                turnToFriends.run();
            }
            shown = state.other();
            ticked.clear();
            takable.stream()
                    .filter(one -> one.state() == Difference.State.ONLY_THEIRS)
                    .forEach(ticked::add);
            entries.getItems().setAll(takable);
            entries.getSelectionModel().selectFirst();
            showDetail(entries.getSelectionModel().getSelectedItem());
        }
        Texts.say(other, state.other().map(path -> told(path, state)).orElse(""));
        compare.getChildren().setAll(ownScroll, state.other().isPresent() ? compared : nothing);
        browse.show(snapshot);
        Texts.say(said, inShort(state));
        nameTake();
    }

    private static String inShort(Snapshot.CatalogueState state) {
        long warnings = state.faults().stream().filter(Fault::isWarning).count();
        long faults = state.faults().size() - warnings;
        String standing = faults == 0 ? "no faults" : faults == 1 ? "1 fault" : faults + " faults";
        String more = warnings == 0 ? "" : warnings == 1 ? ", 1 warning" : ", " + warnings + " warnings";
        return "%d phones, %d routes, %d holes; %s%s."
                .formatted(state.phones(), state.routes(), state.holes(), standing, more);
    }

    private static String told(Path path, Snapshot.CatalogueState state) {
        long same = state.differences().stream()
                .filter(one -> one.state() == Difference.State.SAME)
                .count();
        String faulty = state.otherFaults().isEmpty()
                ? ""
                : " Left out for a fault: "
                        + String.join(
                                " ",
                                state.otherFaults().stream()
                                        .map(Fault::text)
                                        .limit(3)
                                        .toList());
        return path.getFileName() + ": " + (same == 1 ? "1 entry is" : same + " entries are")
                + " the same. New ones are ticked; tick what differs only if the other is right." + faulty;
    }

    private Card holds(Snapshot.CatalogueState state) {
        Button folder = new Button("Folder …", new FontIcon(Feather.FOLDER));
        folder.setId("other-folder");
        folder.setOnAction(press -> chooseFolder());
        Button zip = new Button("Zip …", new FontIcon(Feather.ARCHIVE));
        zip.setId("other-zip");
        zip.setOnAction(press -> chooseZip());
        FlowPane buttons = new Flow(folder, zip);
        Button again = new Button("Read the files again", new FontIcon(Feather.REFRESH_CW));
        again.setId("read-again");
        again.setOnAction(press -> session.readCatalogueAgain());
        buttons.getStyleClass().add("buttons");
        return new Card(
                "This workspace's catalogue",
                Texts.plain("%d phones, %d routes, %d holes".formatted(state.phones(), state.routes(), state.holes())),
                Texts.wrapped(
                        Texts.soft(
                                "Plain YAML files in the workspace's folder “catalogue”: change them with any editor, then have them read again.")),
                again,
                Texts.plain("Hold another one against it:"),
                buttons);
    }

    private static Card faults(List<Fault> faults) {
        if (faults.isEmpty()) {
            return new Card(
                    "No faults",
                    Texts.wrapped(Texts.plain("Every file can be read, and every entry is planned with.")));
        }
        Card card = new Card(faults.size() == 1 ? "1 thing to look at" : faults.size() + " things to look at");
        faults.stream().limit(MOST_FAULTS).forEach(fault -> {
            HBox line = new HBox(
                    Sign.of(fault.isWarning() ? Severity.CAUTION : Severity.STOP),
                    Texts.wrapped(Texts.plain(fault.text())));
            line.getStyleClass().add("signed-line");
            card.getChildren().add(line);
        });
        if (faults.size() > MOST_FAULTS) {
            card.getChildren()
                    .add(Texts.wrapped(Texts.soft(
                            "… and %d more; mend these first, or list them all with “mobrak catalogue check”."
                                    .formatted(faults.size() - MOST_FAULTS))));
        }
        return card;
    }

    private SimpleBooleanProperty ticking(Difference entry) {
        SimpleBooleanProperty tick = new SimpleBooleanProperty(ticked.contains(entry));
        tick.addListener((property, old, on) -> {
            if (on) {
                ticked.add(entry);
            } else {
                ticked.remove(entry);
            }
            nameTake();
        });
        return tick;
    }

    private static StringConverter<Difference> words() {
        return new StringConverter<>() {
            @Override
            public String toString(Difference entry) {
                return entry.state().word() + "  ·  " + entry.name();
            }

            @Override
            public Difference fromString(String text) {
                throw new UnsupportedOperationException("Entries are ticked, not typed");
            }
        };
    }

    private void nameTake() {
        Texts.say(take, ticked.size() == 1 ? "Take the one ticked" : "Take the " + ticked.size() + " ticked");
        take.setDisable(ticked.isEmpty());
    }

    private void showDetail(Difference entry) {
        VBox content = new VBox();
        if (entry != null) {
            Node[] lines = entry.changes().isEmpty()
                    ? new Node[] {
                        Texts.wrapped(Texts.plain("This entry is new here. Where it came from is noted in it."))
                    }
                    : entry.changes().stream()
                            .map(change -> Texts.wrapped(Texts.plain(change.sentence())))
                            .toArray(Node[]::new);
            content.getChildren()
                    .add(new Card(entry.name() + ": " + entry.state().word(), lines));
        }
        detail.setContent(content);
    }

    private void chooseFolder() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle("Another catalogue's folder");
        open(chooser.showDialog(node.getScene().getWindow()));
    }

    private void chooseZip() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Another catalogue as a zip");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Zip", "*.zip"));
        open(chooser.showOpenDialog(node.getScene().getWindow()));
    }

    private void open(File chosen) {
        Optional.ofNullable(chosen).map(File::toPath).ifPresent(session::compareCatalogue);
    }
}
