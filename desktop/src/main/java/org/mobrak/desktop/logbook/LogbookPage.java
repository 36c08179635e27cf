package org.mobrak.desktop.logbook;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JournalEntry;
import org.mobrak.core.job.SheetStep;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.Snapshot;
import org.mobrak.desktop.session.Snapshot.PastJob;
import org.mobrak.desktop.session.View;

/** The page that remembers. */
public final class LogbookPage implements View {
    private final ZoneId zone;
    private final DateTimeFormatter minute;
    private final ListView<PastJob> jobs = new ListView<>();
    private final Sheet detail = new Sheet(new VBox());
    private final HBox node;

    /** Shows times in the given zone. */
    public LogbookPage(ZoneId zone) {
        this.zone = zone;
        this.minute =
                DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH).withZone(zone);
        jobs.setId("jobs");
        jobs.setCellFactory(list -> new JobCell());
        jobs.setPlaceholder(new Empty("Nothing yet", "A job comes here when it has ended, whether it worked or not."));
        jobs.getSelectionModel().selectedItemProperty().addListener((property, old, past) -> showDetail(past));
        detail.getStyleClass().add("wide-scroll");
        node = new HBox(jobs, detail);
        node.getStyleClass().add("page");
        HBox.setHgrow(detail, Priority.ALWAYS);
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
            JournalEntry end = past.job().end().orElseThrow();
            VBox lines = new VBox(
                    named(past.phone().nickname()),
                    Texts.plain(past.job().sheet().title()),
                    Texts.soft(end.kind().word() + "  ·  " + minute.format(end.at())));
            HBox drawn = new HBox(Sign.of(result(end.kind())), lines);
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

    private static Truth result(JournalEntry.Kind kind) {
        return switch (kind) {
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
        JournalEntry end = past.job().end().orElseThrow();
        String effects = past.job().sheet().effects().entrySet().stream()
                .map(effect -> effect.getKey().label() + ": " + effect.getValue())
                .sorted()
                .collect(Collectors.joining("; "));
        Card card = new Card(
                past.phone().nickname() + ": " + end.kind().word(),
                Texts.wrapped(Texts.plain(past.job().sheet().title())),
                Texts.wrapped(Texts.soft(
                        "From " + minute.format(past.job().startedAt()) + " to " + minute.format(end.at()))));
        if (end.kind() == JournalEntry.Kind.WORKED) {
            card.getChildren().add(Texts.wrapped(Texts.plain("Since then: " + effects + ".")));
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
        for (JournalEntry entry : job.journal()) {
            HBox line = new HBox(Texts.exact(time.format(entry.at())), Texts.wrapped(Texts.plain(said(job, entry))));
            line.getStyleClass().add("signed-line");
            lines.getChildren().add(line);
        }
        return new Card("Journal", lines);
    }

    private static String said(Job job, JournalEntry entry) {
        Optional<String> title = entry.stepId().flatMap(id -> title(job.sheet().steps(), id));
        return entry.kind().word() + title.map(step -> ": " + step).orElse("");
    }

    private static Optional<String> title(List<SheetStep> steps, String id) {
        return steps.stream()
                .filter(step -> step.id().equals(id))
                .map(SheetStep::title)
                .findFirst();
    }
}
