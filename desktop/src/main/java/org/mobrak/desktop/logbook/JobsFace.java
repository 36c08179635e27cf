package org.mobrak.desktop.logbook;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javafx.collections.ListChangeListener;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.SelectionMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot.PastJob;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.EventWords;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.history.JobPair;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** The jobs that have ended; one of them in full, or two held against each other. */
final class JobsFace {
    private final Session session;
    private final ZoneId zone;
    private final DateTimeFormatter minute;
    private final ListView<PastJob> jobs = new ListView<>();
    private final Empty nothing;
    private final Empty hidden =
            new Empty("No job is like that", "Above is chosen what is seen; “Show all” shows the others again.");
    private final Sheet detail = new Sheet(new VBox());
    private final HBox node = new Columns();

    /** @param leads the ways to other pages */
    JobsFace(Session session, ZoneId zone, Leads leads) {
        nothing = new Empty(
                "No job has ended yet",
                "Choose a plan on the page Ways and write its run sheet; a job comes here when it has ended, whether it worked or not.",
                Empty.action("empty-logbook-ways", "Choose a plan", leads::ways));
        this.session = session;
        this.zone = zone;
        this.minute =
                DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH).withZone(zone);
        jobs.setId("jobs");
        Texts.aloud(jobs, "Jobs that have ended. With two of them chosen they are held against each other.");
        jobs.setCellFactory(list -> new JobCell());
        jobs.setPlaceholder(nothing);
        jobs.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        jobs.getSelectionModel().getSelectedItems().addListener((ListChangeListener<PastJob>) change -> showChosen());
        VBox.setVgrow(jobs, Priority.ALWAYS);
        VBox list = new VBox(jobs, hint());
        list.getStyleClass().add("job-list");
        detail.getStyleClass().add("wide-scroll");
        HBox.setHgrow(detail, Priority.ALWAYS);
        node.getChildren().addAll(list, detail);
        session.history().pair().addListener((source, before, now) -> now.ifPresent(this::showPair));
    }

    private Region hint() {
        return Texts.wrapped(Texts.soft(
                "Two of them, chosen with Ctrl and a click or Shift and an arrow, are held against each other."));
    }

    Region node() {
        return node;
    }

    /**
     * Shows jobs.
     *
     * @param all whether these are all there are
     */
    void show(List<PastJob> past, boolean all) {
        jobs.setPlaceholder(all ? nothing : hidden);
        if (!jobs.getItems().equals(past)) {
            jobs.getItems().setAll(past);
            jobs.getSelectionModel().clearSelection();
            jobs.getSelectionModel().selectFirst();
            showChosen();
        }
    }

    private void showChosen() {
        List<PastJob> chosen = jobs.getSelectionModel().getSelectedItems().stream()
                .filter(Objects::nonNull)
                .toList();
        if (chosen.size() == 2) {
            // What began first stands at the left.
            session.history().hold(chosen.get(1), chosen.get(0));
            return;
        }
        VBox content = new VBox();
        content.getStyleClass().add("side");
        if (!chosen.isEmpty()) {
            content.getChildren()
                    .addAll(result(chosen.get(0)), journal(chosen.get(0).job()));
        }
        detail.setContent(content);
    }

    private void showPair(JobPair pair) {
        if (jobs.getSelectionModel().getSelectedItems().size() == 2) {
            detail.setContent(new PairTable(pair, minute));
        }
    }

    private final class JobCell extends ListCell<PastJob> {
        @Override
        protected void updateItem(PastJob past, boolean empty) {
            super.updateItem(past, empty);
            setGraphic(empty || past == null ? null : drawn(past));
        }

        private HBox drawn(PastJob past) {
            Event.Ended end = past.job().end().orElseThrow();
            VBox lines = new VBox(
                    named(past.phone().nickname()),
                    Texts.plain(past.job().sheet().title()),
                    Texts.soft(end.end().word() + "  ·  " + minute.format(end.at())));
            HBox drawn = new HBox(Sign.of(result(end.end())), lines);
            drawn.getStyleClass().add("route-row");
            drawn.prefWidthProperty().bind(getListView().widthProperty().subtract(40));
            return drawn;
        }

        private Region named(String nickname) {
            Region name = Texts.plain(nickname);
            name.getStyleClass().add("route-name");
            return name;
        }
    }

    private static Truth result(Event.End end) {
        return switch (end) {
            case WORKED -> Truth.YES;
            case FAILED -> Truth.NO;
            default -> Truth.UNKNOWN;
        };
    }

    private Card result(PastJob past) {
        Event.Ended end = past.job().end().orElseThrow();
        String effects = past.job().readings().stream()
                .collect(Collectors.toMap(Reading::fact, Reading::value, (earlier, later) -> later, TreeMap::new))
                .entrySet()
                .stream()
                .map(effect -> effect.getKey().label() + ": " + effect.getValue())
                .collect(Collectors.joining("; "));
        Card card = new Card(
                past.phone().nickname() + ": " + end.end().word(),
                Texts.wrapped(Texts.plain(past.job().sheet().title())),
                Texts.wrapped(Texts.soft(
                        "From " + minute.format(past.job().startedAt()) + " to " + minute.format(end.at()))));
        if (!effects.isEmpty()) {
            card.getChildren().add(Texts.wrapped(Texts.plain("Brought about: " + effects + ".")));
        }
        if (!end.note().isBlank()) {
            card.getChildren().add(Texts.wrapped(Texts.plain("Note: " + end.note())));
        }
        return card;
    }

    private Card journal(Job job) {
        VBox lines = new VBox();
        lines.getStyleClass().add("lines");
        DateTimeFormatter time = DateTimeFormatter.ofPattern("HH:mm:ss").withZone(zone);
        for (Event event : job.events()) {
            HBox line = new HBox(
                    whole(Texts.exact(time.format(event.at()))), Texts.wrapped(Texts.plain(EventWords.of(job, event))));
            line.getStyleClass().add("signed-line");
            lines.getChildren().add(line);
        }
        return new Card("Journal", lines);
    }

    /** However long stands beside it. */
    private static Label whole(Label label) {
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }
}
