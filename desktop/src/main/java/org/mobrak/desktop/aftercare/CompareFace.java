package org.mobrak.desktop.aftercare;

import java.io.File;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
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
import org.mobrak.app.aftercare.AftercareView.JobOutcome;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.proof.Comparison;
import org.mobrak.core.proof.Comparison.Change;
import org.mobrak.core.proof.Comparison.Outcome;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Each ended job of the phone: what was read before it beside what was read since, and whether that was meant. */
final class CompareFace implements AfterPage.Face {
    private static final List<Outcome> ORDER =
            List.of(Outcome.UNEXPECTED, Outcome.NOT_CHANGED, Outcome.AS_PLANNED, Outcome.UNKNOWN, Outcome.UNCHANGED);

    private final ListView<JobOutcome> jobs = new ListView<>();
    private final VBox changes = new VBox();
    private final Session session;
    private final Runnable trouble;
    private final Leads leads;
    private final HBox columns;
    private final VBox node;

    /**
     * The face.
     *
     * @param trouble turns to the one on which causes are weighed
     * @param leads the ways to other pages
     */
    CompareFace(Session session, Runnable trouble, Leads leads) {
        this.leads = leads;
        this.trouble = trouble;
        this.session = session;
        jobs.setId("outcomes");
        jobs.setCellFactory(list -> new OutcomeCell());
        jobs.getStyleClass().add("outcomes");
        jobs.setPlaceholder(new Empty(
                "No job has ended yet",
                "When one has, take the readings once more: what changed is put beside what was meant.",
                Empty.action("empty-compare-ways", "Choose a plan", leads::ways)));
        jobs.getSelectionModel().selectedItemProperty().addListener((property, old, now) -> show(now));
        changes.getStyleClass().add("side");
        Sheet sheet = new Sheet(changes);
        HBox.setHgrow(sheet, Priority.ALWAYS);
        columns = new Columns(jobs, sheet);
        columns.getStyleClass().add("page");
        VBox.setVgrow(columns, Priority.ALWAYS);
        node = new VBox(head(), columns);
    }

    private Node head() {
        Button save = new Button("Save as a report …", new FontIcon(Feather.SHARE));
        save.setId("save-report");
        save.disableProperty()
                .bind(jobs.getSelectionModel().selectedItemProperty().isNull());
        save.setOnAction(press -> {
            File chosen = chooser("How it went, for others")
                    .showSaveDialog(node.getScene().getWindow());
            if (chosen != null) {
                JobOutcome picked = jobs.getSelectionModel().getSelectedItem();
                session.aftercare().saveReport(picked.job(), chosen.toPath());
            }
        });
        Button take = new Button("Take reports in …", new FontIcon(Feather.FILE));
        take.setId("take-reports");
        take.setOnAction(press -> {
            File chosen =
                    chooser("Reports of others").showOpenDialog(node.getScene().getWindow());
            if (chosen != null) {
                session.aftercare().takeReports(chosen.toPath());
            }
        });
        FlowPane head = new Flow(
                save,
                take,
                Texts.wrapped(Texts.soft(
                        "A report is a line of CSV: route, model, build, how it went. Own jobs count by themselves.")));
        head.getStyleClass().add("page-head");
        return head;
    }

    private static FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("CSV", "*.csv"));
        return chooser;
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(AftercareView view) {
        int picked = Math.max(0, jobs.getSelectionModel().getSelectedIndex());
        jobs.getItems().setAll(view.jobs());
        jobs.getSelectionModel().select(Math.min(picked, view.jobs().size() - 1));
    }

    private void show(JobOutcome outcome) {
        changes.getChildren().clear();
        if (outcome == null) {
            return;
        }
        Comparison comparison = outcome.comparison();
        if (comparison.changes().stream().allMatch(change -> change.after().isEmpty())) {
            changes.getChildren()
                    .add(new Empty(
                            "Nothing was read since",
                            "Take the readings once more: listing, banner, the screens. Then look here.",
                            Empty.action("empty-read-again", "Take a reading", leads::takeReading)));
        }
        if (!comparison.isAsPlanned()) {
            Button why = new Button("What may this be?");
            why.setId("what-may-this-be");
            why.getStyleClass().add("do-this");
            why.setOnAction(press -> trouble.run());
            changes.getChildren().add(why);
        }
        for (Outcome kind : ORDER) {
            List<Change> of = comparison.of(kind);
            if (!of.isEmpty()) {
                changes.getChildren().add(card(kind, of));
            }
        }
    }

    private static Card card(Outcome kind, List<Change> changes) {
        Card card = new Card(heading(kind) + "  (" + changes.size() + ")");
        if (kind == Outcome.UNCHANGED || kind == Outcome.UNKNOWN) {
            // What tells least is named only.
            card.getChildren()
                    .add(Texts.wrapped(Texts.soft(changes.stream()
                            .map(change -> change.fact().label())
                            .collect(Collectors.joining(", ")))));
            return card;
        }
        changes.forEach(change -> card.getChildren().add(row(change)));
        return card;
    }

    private static Node row(Change change) {
        Label fact = Texts.plain(change.fact().label());
        fact.getStyleClass().add("change-fact");
        Label before = Texts.exact(change.before().orElse("not known"));
        Label after = Texts.exact(change.after().orElse("not known"));
        before.getStyleClass().add("text-soft");
        VBox words = new VBox(
                new HBox(fact, before, Texts.soft("  →  "), after), Texts.wrapped(Texts.soft(change.because())));
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(Sign.of(sign(change.outcome())), words);
        row.getStyleClass().add("signed-line");
        return row;
    }

    private static Truth sign(Outcome outcome) {
        return outcome.isWrong() ? Truth.NO : outcome == Outcome.UNKNOWN ? Truth.UNKNOWN : Truth.YES;
    }

    private static String heading(Outcome outcome) {
        return switch (outcome) {
            case UNEXPECTED -> "Not meant";
            case NOT_CHANGED -> "Meant, and still the old one";
            case AS_PLANNED -> "As meant";
            case UNKNOWN -> "Known on one side only";
            case UNCHANGED -> "As before";
        };
    }

    /** An ended job in the list. */
    private static final class OutcomeCell extends ListCell<JobOutcome> {
        @Override
        protected void updateItem(JobOutcome outcome, boolean empty) {
            super.updateItem(outcome, empty);
            setGraphic(empty || outcome == null ? null : drawn(outcome));
        }

        private static Node drawn(JobOutcome outcome) {
            Comparison comparison = outcome.comparison();
            long wrong = comparison.changes().stream()
                    .filter(change -> change.outcome().isWrong())
                    .count();
            boolean read = comparison.changes().stream()
                    .anyMatch(change -> change.after().isPresent());
            Label title = Texts.plain(outcome.job().sheet().title());
            title.getStyleClass().add("route-name");
            VBox lines = new VBox(
                    title,
                    Texts.soft(outcome.job().end().orElseThrow().end().word()),
                    Texts.soft(!read ? "nothing read since" : String.format(Locale.ROOT, "%d not as meant", wrong)));
            HBox drawn = new HBox(Sign.of(!read ? Truth.UNKNOWN : wrong == 0 ? Truth.YES : Truth.NO), lines);
            drawn.getStyleClass().add("route-row");
            drawn.setPrefWidth(0);
            return drawn;
        }
    }
}
