package org.mobrak.desktop.workshop;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.SplitPane;
import javafx.scene.input.Clipboard;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.app.workshop.WorkshopView;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.learn.Questions;
import org.mobrak.desktop.parts.ActionRow;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Faces;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.SummaryRow;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** From a guide to a route: the text with what was understood in it, and beside it the draft as a person fills it. */
public final class WorkshopPage implements View {
    private static final double GUIDE_SHARE = 0.46;
    private static final double GUIDE_ABOVE = 0.45;
    /** Below so many letters' sizes two columns do not fit. */
    private static final double NARROW = 46;

    private final Session session;
    private final Label summary = Texts.wrapped(Texts.plain(""));
    private final ComboBox<String> drafts = new ComboBox<>();
    private final CheckBox all = new CheckBox("Change all drafts alike");
    private final Button confirm = new Button("Confirm: plan with it");
    private final Button keep = new Button("Save as a draft");
    private final Faces faces = new Faces();
    private final GuidePane guide;
    private final FormPane form;
    private final TryPane trying;
    private final ActionRow head = new ActionRow("draft-actions");
    private final HBox which = new HBox(drafts, all);
    private final SplitPane columns = new SplitPane();
    private final VBox right = new VBox();
    private final BuildsPane builds;
    private final EntriesPane entries;
    private final ThreeWays ways;
    private final VBox node = new VBox();
    private boolean stale;
    private boolean showing;

    /**
     * The page.
     *
     * @param readings turns to the page on which a reading is pasted
     * @param leads the ways to other pages
     */
    public WorkshopPage(Session session, Runnable readings, Leads leads) {
        this.session = session;
        form = new FormPane(session, all::isSelected, this::showLine, this::await);
        guide = new GuidePane(session, form::goTo);
        trying = new TryPane(session);
        builds = new BuildsPane(session);
        entries = new EntriesPane(session);
        ways = new ThreeWays(
                session,
                readings,
                this::paste,
                this::chooseFiles,
                leads::friendsCatalogue,
                () -> alone(builds.node()),
                () -> alone(entries.node()));
        faces.add("face-draft", "Draft", form::node);
        faces.add("face-try", "Try it", trying::node);
        faces.add("face-builds", "Build numbers", builds::node);
        faces.add("face-entries", "Entries", entries::node);
        fill();
        session.workshop().view().addListener((source, before, now) -> show(now));
        session.workshop().report().addListener((source, before, now) -> trying.show(now));
        node.sceneProperty().addListener(turnedTo -> lookIfSeen());
        // What is dropped here is a guide, not a reading.
        Drops.onto(node, session.workshop()::readFiles);
    }

    private void fill() {
        Button paste = button("paste-guide", "Paste a guide", Feather.CLIPBOARD, this::paste);
        Button files = button("guide-files", "Guide files …", Feather.FILE_TEXT, this::chooseFiles);
        Button export = button("export-draft", "Copy for a friend …", Feather.SHARE_2, this::export);
        Button clear = button("clear-table", "Clear the table", Feather.X, session.workshop()::clear);
        keep.setId("save-draft");
        keep.setOnAction(press -> session.workshop().saveDraft());
        confirm.setId("confirm-draft");
        confirm.setOnAction(press -> session.workshop().confirm(all.isSelected()));
        all.setId("all-drafts");
        drafts.setId("drafts");
        Texts.aloud(drafts, "Draft");
        drafts.getSelectionModel().selectedIndexProperty().addListener((source, before, now) -> {
            if (!showing && now.intValue() >= 0) {
                session.workshop().choose(now.intValue());
            }
        });
        head.offer(confirm, keep, paste, files, export, clear);
        which.getStyleClass().add("page-head");
        summary.setId("workshop-summary");
        HBox.setHgrow(summary, Priority.ALWAYS);
        summary.setMaxWidth(Double.MAX_VALUE);
        SummaryRow said = new SummaryRow(summary, faces.tabs());
        VBox.setVgrow(faces.body(), Priority.ALWAYS);
        right.getChildren().addAll(said, faces.body());
        right.getStyleClass().add("workshop-draft");
        HBox.setHgrow(right, Priority.ALWAYS);
        columns.getStyleClass().add("workshop-columns");
        // Where two columns have no room, the guide stands above its draft.
        columns.widthProperty().addListener((source, before, now) -> turn(now.doubleValue()));
        VBox.setVgrow(columns, Priority.ALWAYS);
        node.getStyleClass().addAll("page", "workshop");
    }

    private static Button button(String id, String words, Feather icon, Runnable action) {
        Button button = new Button(words, new FontIcon(icon));
        button.setId(id);
        button.setOnAction(press -> action.run());
        return button;
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
        ways.show(snapshot);
        stale = true;
        lookIfSeen();
    }

    /** Nothing is worked out for a page that nobody sees. */
    private void lookIfSeen() {
        if (stale && node.getScene() != null) {
            stale = false;
            session.workshop().look();
            if (node.getChildren().isEmpty()) {
                show(session.workshop().view().get());
            }
        }
    }

    private void show(Optional<WorkshopView> now) {
        if (now.isEmpty()) {
            node.getChildren().setAll(ways.node());
            return;
        }
        showing = true;
        WorkshopView view = now.get();
        drafts.getItems().setAll(view.drafts().stream().map(Texts::oneLine).toList());
        drafts.getSelectionModel().select(view.chosen());
        seeIf(view.drafts().size() > 1, which);
        if (view.drafts().size() < 2) {
            all.setSelected(false);
        }
        showing = false;
        guide.show(view);
        Texts.say(summary, summary(view));
        keep.setDisable(view.draft().isEmpty());
        confirm.setDisable(view.draft().isEmpty());
        confirm.getStyleClass().remove("do-this");
        if (view.draft()
                .filter(draft -> draft.open().isEmpty() && draft.faults().isEmpty())
                .filter(draft -> view.unplaced().isEmpty())
                .isPresent()) {
            confirm.getStyleClass().add("do-this");
        }
        List<Region> parts = view.guide().lines().isEmpty() ? List.of(right) : List.of(guide.node(), right);
        if (!columns.getItems().equals(parts)) {
            columns.getItems().setAll(parts);
            columns.setDividerPositions(columns.getOrientation() == Orientation.VERTICAL ? GUIDE_ABOVE : GUIDE_SHARE);
        }
        view.draft().ifPresent(draft -> {
            form.show(draft, !view.guide().lines().isEmpty());
            trying.show(draft);
        });
        seeIf(view.draft().isPresent(), faces.body(), faces.tabs());
        node.getChildren().setAll(head, which, columns);
    }

    private void turn(double width) {
        boolean narrow = width < NARROW * summary.getFont().getSize();
        Orientation now = narrow ? Orientation.VERTICAL : Orientation.HORIZONTAL;
        if (columns.getOrientation() != now) {
            columns.setOrientation(now);
            columns.setDividerPositions(narrow ? GUIDE_ABOVE : GUIDE_SHARE);
        }
    }

    private static void seeIf(boolean seen, Node... nodes) {
        for (Node one : nodes) {
            one.setVisible(seen);
            one.setManaged(seen);
        }
    }

    private static String summary(WorkshopView view) {
        if (view.draft().isEmpty()) {
            return view.warnings().stream()
                            .filter(warning -> warning.code().equals("nothing-learnt"))
                            .map(warning -> "Nothing was learnt from it. " + warning.text())
                            .findFirst()
                            .orElse("There is no draft on the table.")
                    + " A guide says for which phones it is, what is needed, and what is to be done.";
        }
        WorkshopView.OnTable draft = view.draft().get();
        long fits = draft.phones().stream()
                .filter(phone -> phone.verdict() == Verdict.FITS || phone.verdict() == Verdict.CAUTION)
                .count();
        String open = draft.open().isEmpty()
                ? "Nothing is open."
                : draft.open().size() == 1
                        ? "1 question is open."
                        : draft.open().size() + " questions are open.";
        int count = draft.faults().size();
        String faults =
                count == 0 ? "" : count == 1 ? " 1 thing is to be mended." : " " + count + " things are to be mended.";
        String standing = draft.confirmed()
                ? "In the catalogue. "
                : draft.file().isPresent() ? "Saved as a draft. " : "Not saved yet. ";
        return standing
                + open
                + faults
                + (draft.trial().isPresent()
                        ? (fits == 1
                                ? " It fits 1 phone of the drawer."
                                : " It fits %d phones of the drawer.".formatted(fits))
                        : "");
    }

    /**
     * Opens an entry of the catalogue: a route as a form, anything else as its text.
     *
     * @param file in the catalogue's folder
     */
    public void edit(String file) {
        if (file.startsWith("routes/")) {
            session.workshop().open(file.replaceFirst("^routes/", "").replaceFirst("\\.yaml$", ""));
            return;
        }
        session.workshop().openText(file);
        if (session.workshop().view().get().isPresent()) {
            faces.all().stream()
                    .filter(face -> face.id().equals("face-entries"))
                    .forEach(face -> face.turn().run());
        } else {
            alone(entries.node());
        }
    }

    /** Something that needs no guide on the table. */
    private void alone(Region part) {
        Button back = button(
                "back-to-begin",
                "Back",
                Feather.ARROW_LEFT,
                () -> node.getChildren().setAll(ways.node()));
        VBox.setVgrow(part, Priority.ALWAYS);
        node.getChildren().setAll(back, part);
    }

    /** The words of the guide that are clicked next answer a question. */
    private void await(Questions.Question question) {
        guide.await(question);
    }

    private void showLine(String file, int line) {
        guide.goTo(file, line);
    }

    /** Reads what lies on the clipboard as a guide. */
    public void paste() {
        Optional.ofNullable(Clipboard.getSystemClipboard().getString())
                .filter(text -> !text.isBlank())
                .ifPresentOrElse(
                        session.workshop()::readPasted,
                        () -> session.tell("Nothing lies on the clipboard. Copy the guide's text first."));
    }

    private void chooseFiles() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Files that belong to one guide");
        List<File> chosen = chooser.showOpenMultipleDialog(node.getScene().getWindow());
        if (chosen != null) {
            session.workshop().readFiles(chosen.stream().map(File::toPath).toList());
        }
    }

    private void export() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("The draft as a file");
        chooser.setInitialFileName("route.yaml");
        Optional.ofNullable(chooser.showSaveDialog(node.getScene().getWindow()))
                .map(File::toPath)
                .ifPresent((Path out) -> session.workshop().export(out));
    }
}
