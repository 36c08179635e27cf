package org.mobrak.desktop.logbook;

import java.time.Instant;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.logbook.history.Timeline;
import org.mobrak.desktop.parts.Texts;

/** A phone's life on one strip: its jobs, when it was rooted, and when something was read. */
final class LifeRow extends HBox {
    private LifeRow(String name, TimePane pane) {
        getStyleClass().add("life-row");
        Label named = Texts.plain(name);
        named.getStyleClass().add("life-name");
        HBox.setHgrow(pane, Priority.ALWAYS);
        getChildren().addAll(named, pane);
    }

    /** The strip of a phone. */
    static LifeRow of(Timeline life, TimeView view, Consumer<Instant> point) {
        TimePane pane = new TimePane(view, point);
        pane.getStyleClass().add("life-pane");
        life.lanes().stream()
                .filter(lane -> lane.fact() == Fact.ROOT)
                .flatMap(lane -> lane.spans().stream())
                .filter(span -> !span.value().equals("none"))
                .forEach(span -> pane.put(region("life-root", "root " + span.value()), span.from(), span.until()));
        life.jobs().forEach(job -> pane.put(job(job), job.from(), job.until()));
        pane.mark(life.marks().stream().map(Timeline.Mark::at).toList());
        LifeRow row = new LifeRow(life.phone().nickname(), pane);
        Texts.aloud(row, told(life));
        return row;
    }

    /** The strip of a fact. */
    static LifeRow of(Timeline.Lane lane, TimeView view, Consumer<Instant> point) {
        TimePane pane = new TimePane(view, point);
        lane.spans().forEach(span -> {
            Label word = TimePane.word(span.value(), "life-span");
            word.getStyleClass().add("may-be-cut");
            word.getStyleClass().add(style(lane.fact(), span));
            pane.put(word, span.from(), span.until());
        });
        LifeRow row = new LifeRow(lane.fact().label(), pane);
        Texts.aloud(
                row,
                lane.fact().label() + ": "
                        + String.join(
                                ", then ",
                                lane.spans().stream().map(Timeline.Span::value).toList()));
        return row;
    }

    private static String style(Fact fact, Timeline.Span span) {
        boolean custom = fact == Fact.ROOT && !span.value().equals("none")
                || span.value().equals("custom")
                || span.value().equals("unlocked");
        return span.torn() ? "life-span-torn" : custom ? "life-span-changed" : "life-span-plain";
    }

    private static Region job(Timeline.JobSpan job) {
        String word = job.end().map(Event.End::word).orElse("runs");
        Region bar = region("life-job", job.title() + ": " + word);
        bar.getStyleClass().add("life-job-" + word.toLowerCase(Locale.ROOT));
        return bar;
    }

    private static Region region(String style, String words) {
        Region region = new Region();
        region.getStyleClass().add(style);
        Texts.tip(region, words);
        return region;
    }

    private static String told(Timeline life) {
        return "%s: %d readings, %d jobs"
                .formatted(
                        life.phone().nickname(),
                        life.marks().size(),
                        life.jobs().size());
    }
}
