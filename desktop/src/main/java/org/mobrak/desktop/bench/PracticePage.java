package org.mobrak.desktop.bench;

import java.util.Locale;
import java.util.Set;
import javafx.animation.AnimationTimer;
import javafx.event.EventHandler;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.desktop.job.RunPage;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;

/** A rehearsal played by hand. It is marked at its head, so that nobody takes it for the real job. */
public final class PracticePage {
    private static final double NANOS = 1e9;
    /** What only says something is shown so often; what moves, at each frame. */
    private static final long SELDOM_NANOS = 100_000_000;
    /** A program that stood still for longer than this did not let the phone's time go by meanwhile. */
    private static final double MOST_SECONDS = 0.5;

    private final Practice practice;
    private final RunPage sheet;
    private final BenchPane bench;
    private final Label notice = Texts.wrapped(Texts.plain(""));
    private final ToggleGroup paces = new ToggleGroup();
    private final VBox node;
    private final AnimationTimer clock = new Beat();
    private final EventHandler<KeyEvent> keys = this::key;

    /** @param leave takes the phone off the bench */
    public PracticePage(Practice practice, Runnable leave) {
        this.practice = practice;
        sheet = new RunPage(
                practice.session(), new Empty("The job is over", "Leave the rehearsal, or begin it again."));
        bench = new BenchPane(practice);
        notice.setId("practice-notice");
        notice.managedProperty().bind(notice.visibleProperty());
        notice.setVisible(false);
        practice.session().snapshot().addListener((source, before, now) -> sheet.show(now));
        practice.session().notice().addListener((source, before, now) -> {
            notice.setVisible(now.isPresent());
            now.ifPresent(one -> Texts.say(notice, one.text()));
        });
        Sheet beside = new Sheet(bench.node());
        beside.getStyleClass().add("bench-side");
        sheet.node().getStyleClass().add("practice-sheet");
        HBox body = new Columns(sheet.node(), beside);
        HBox.setHgrow(sheet.node(), Priority.ALWAYS);
        VBox.setVgrow(body, Priority.ALWAYS);
        node = new VBox(head(leave), notice, body);
        node.setId("practice");
        node.sceneProperty().addListener((property, before, scene) -> moved(before, scene));
    }

    public Region node() {
        return node;
    }

    private FlowPane head(Runnable leave) {
        Label mark = Texts.plain("Rehearsal");
        mark.getStyleClass().add("rehearsal-mark");
        FlowPane head = new Flow(mark, Texts.soft("Nothing here is real, and nothing of it reaches the logbook."));
        for (Pace pace : Pace.values()) {
            ToggleButton button = new ToggleButton(pace.words());
            button.setId("pace-" + pace.name().toLowerCase(Locale.ROOT).replace('_', '-'));
            button.setUserData(pace);
            button.setToggleGroup(paces);
            button.setSelected(pace == Pace.REAL);
            button.setFocusTraversable(false);
            head.getChildren().add(button);
        }
        paces.selectedToggleProperty().addListener((property, before, now) -> {
            if (now == null) {
                paces.selectToggle(before);
            }
        });
        Button skip = new Button("Skip the wait", new FontIcon(Feather.FAST_FORWARD));
        skip.setId("skip-wait");
        skip.setFocusTraversable(false);
        skip.setOnAction(press -> practice.skip());
        Button off = new Button("Leave the rehearsal", new FontIcon(Feather.X));
        off.setId("leave-rehearsal");
        off.setOnAction(press -> leave.run());
        head.getChildren().addAll(skip, off);
        head.getStyleClass().addAll("page-head", "rehearsal-head");
        return head;
    }

    /** The clock goes only while it is looked at. */
    private void moved(Scene before, Scene scene) {
        if (before != null) {
            before.removeEventFilter(KeyEvent.ANY, keys);
            practice.releaseAll();
            clock.stop();
        }
        if (scene != null) {
            scene.addEventFilter(KeyEvent.ANY, keys);
            clock.start();
            // Else it falls to the first button of the head, which leaves.
            sheet.takeKeyboard();
        }
    }

    private void key(KeyEvent event) {
        boolean mine = !(event.getTarget() instanceof TextInputControl) && !event.isShortcutDown();
        boolean known = event.getEventType() == KeyEvent.KEY_PRESSED || event.getEventType() == KeyEvent.KEY_RELEASED;
        if (!mine || !known) {
            return;
        }
        bench.keys().of(event.getCode()).ifPresent(key -> {
            if (event.getEventType() == KeyEvent.KEY_PRESSED) {
                practice.press(key);
            } else {
                practice.release(key);
            }
            event.consume();
        });
    }

    private double factor() {
        return ((Pace) paces.getSelectedToggle().getUserData()).factor();
    }

    /** Each frame of the screen is a stretch of the bench's time. */
    private final class Beat extends AnimationTimer {
        private long last;
        private long shown;
        private Set<Key> before = Set.of();

        @Override
        public void start() {
            last = 0;
            shown = 0;
            super.start();
        }

        @Override
        public void handle(long now) {
            double passed = last == 0 ? 0 : (now - last) / NANOS;
            last = now;
            practice.pass(Math.min(passed, MOST_SECONDS) * factor());
            Set<Key> held = practice.held();
            if (now - shown > SELDOM_NANOS || !held.equals(before)) {
                shown = now;
                before = held;
                bench.show(practice.view());
            }
            bench.trace(practice.seconds(), held);
        }
    }
}
