package org.mobrak.desktop.logbook;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.app.Snapshot.PastJob;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.EventWords;
import org.mobrak.core.job.Job;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** The page that remembers. */
public final class LogbookPage implements View {
    private final ZoneId zone;
    private final DateTimeFormatter minute;
    private final ListView<PastJob> jobs = new ListView<>();
    private final Sheet detail = new Sheet(new VBox());
    private final HBox past = new HBox();
    private final WholeLogbook whole;
    private final VBox node = new VBox();

    /**
     * The page.
     *
     * @param zone in which times are shown
     * @param goToPhone lays the phone of this number on the desk
     */
    public LogbookPage(Session session, ZoneId zone, Consumer<Long> goToPhone) {
        this.zone = zone;
        this.minute =
                DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH).withZone(zone);
        jobs.setId("jobs");
        jobs.setCellFactory(list -> new JobCell());
        jobs.setPlaceholder(new Empty("Nothing yet", "A job comes here when it has ended, whether it worked or not."));
        jobs.getSelectionModel().selectedItemProperty().addListener((property, old, past) -> showDetail(past));
        detail.getStyleClass().add("wide-scroll");
        past.getChildren().addAll(jobs, detail);
        past.getStyleClass().add("page-columns");
        HBox.setHgrow(detail, Priority.ALWAYS);
        whole = new WholeLogbook(session, goToPhone, this::layOut);
        node.getStyleClass().add("page");
        // What is dropped here is somebody's export, not a reading.
        Drops.onto(node, dropped -> session.logbook().lookAt(dropped.get(0)));
        layOut();
    }

    /** What was found or is offered stands where the jobs stand otherwise. */
    private void layOut() {
        Region body = whole.body().orElse(past);
        VBox.setVgrow(body, Priority.ALWAYS);
        node.getChildren().setAll(whole.head(), body);
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        if (!jobs.getItems().equals(snapshot.past())) {
            jobs.getItems().setAll(snapshot.past());
            jobs.getSelectionModel().selectFirst();
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

    private void showDetail(PastJob past) {
        VBox content = new VBox();
        content.getStyleClass().add("side");
        if (past != null) {
            content.getChildren().addAll(result(past), journal(past.job()));
        }
        detail.setContent(content);
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
                    Texts.exact(time.format(event.at())), Texts.wrapped(Texts.plain(EventWords.of(job, event))));
            line.getStyleClass().add("signed-line");
            lines.getChildren().add(line);
        }
        return new Card("Journal", lines);
    }
}
