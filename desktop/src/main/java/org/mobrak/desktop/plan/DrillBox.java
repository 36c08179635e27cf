package org.mobrak.desktop.plan;

import java.util.List;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.mobrak.app.Outlook;
import org.mobrak.app.RehearsalDesk;
import org.mobrak.app.rehearsal.Drill;
import org.mobrak.app.rehearsal.Drill.Lesson;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.desktop.bench.BenchKeys;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;

/**
 * A chord practised with one's own hands: each key is held with the mouse or by a key of the keyboard, several at once, and the bench
 * phone does what a phone does.
 */
final class DrillBox extends VBox {
    private static final double NANOS = 1e9;
    private final ComboBox<Lesson> lessons = new ComboBox<>();
    private final Label wanted = Texts.wrapped(Texts.exact(""));
    private final Label screen = Texts.plain("");
    private final Label verdict = Texts.wrapped(Texts.soft(""));
    private final StackPane place = new StackPane();
    private BenchKeys keys = new BenchKeys(List.of(), this::hold);
    private final AnimationTimer clock = new Clock();
    private Optional<Drill> drill = Optional.empty();
    private Optional<Outlook> outlook = Optional.empty();

    private final Label record = Texts.wrapped(Texts.soft(""));
    private final RehearsalDesk desk;
    private boolean told;

    DrillBox(RehearsalDesk desk) {
        this.desk = desk;
        record.setId("drill-record");
        desk.drills().addListener((source, before, now) -> tellRecord());
        lessons.setId("drill-lesson");
        lessons.setCellFactory(list -> new Title());
        lessons.setButtonCell(new Title());
        lessons.valueProperty().addListener((property, before, now) -> begin());
        screen.setId("drill-screen");
        screen.getStyleClass().add("drill-screen");
        verdict.setId("drill-verdict");
        Button again = new Button("Start over");
        again.setId("drill-again");
        again.setOnAction(press -> begin());
        HBox head = new HBox(lessons, again);
        lessons.setMaxWidth(Double.MAX_VALUE);
        again.setMinWidth(Button.USE_PREF_SIZE);
        HBox.setHgrow(lessons, Priority.ALWAYS);
        head.getStyleClass().add("buttons");
        HBox phone = new HBox(Texts.soft("The phone shows"), screen);
        phone.getStyleClass().add("named-row");
        getStyleClass().add("drill");
        getChildren().add(new Card("Practise the keys", head, wanted, place, phone, verdict, record));
        addEventFilter(KeyEvent.KEY_PRESSED, key -> byKey(key, true));
        addEventFilter(KeyEvent.KEY_RELEASED, key -> byKey(key, false));
        sceneProperty().addListener((property, before, scene) -> clock.stop());
    }

    /** What can be practised now; whoever holds keys just then goes on. */
    void offer(Outlook fresh, List<Lesson> offered) {
        outlook = Optional.of(fresh);
        if (!lessons.getItems().equals(offered)) {
            lessons.getItems().setAll(offered);
            lessons.setValue(offered.isEmpty() ? null : offered.get(0));
        } else if (drill.filter(one -> !one.held().isEmpty()).isEmpty()) {
            // The same keys may mean another thing on this phone.
            begin();
        }
    }

    private void begin() {
        drill = Optional.ofNullable(lessons.getValue()).flatMap(one -> outlook.map(all -> new Drill(all, one)));
        keys = new BenchKeys(drill.map(one -> one.chord().keys()).orElse(List.of()), this::hold);
        place.getChildren().setAll(keys);
        drill.ifPresent(one -> Texts.say(wanted, one.chord().text()));
        told = false;
        tellRecord();
        tell();
    }

    private void byKey(KeyEvent event, boolean down) {
        keys.of(event.getCode()).ifPresent(key -> {
            hold(key, down);
            event.consume();
        });
    }

    private void hold(Key key, boolean down) {
        drill.ifPresent(one -> {
            boolean rested = one.held().isEmpty();
            if (down && !one.held().contains(key)) {
                one.press(key);
            } else if (!down) {
                one.release(key);
            }
            // The clock runs only while something is held.
            if (one.held().isEmpty()) {
                clock.stop();
            } else if (rested) {
                clock.start();
            }
        });
        tell();
    }

    /** How well it sits, and when it should be tried again. */
    private void tellRecord() {
        String words = drill.map(Drill::chord)
                .flatMap(chord -> desk.drills().get().of(chord.text()))
                .map(one -> "It sat %d of %d times; again %s."
                        .formatted(
                                one.sat(),
                                one.tried(),
                                desk.isDue(drill.orElseThrow().chord()) ? "today" : "on " + one.due()))
                .orElse("Not practised yet.");
        Texts.say(record, words);
        // Whether it is due stands beside its name.
        lessons.setButtonCell(new Title());
    }

    /** A try is over once the phone went somewhere, wherever that is. */
    private void keepRecord(Drill one) {
        if (one.isOver() && !told) {
            told = true;
            desk.drilled(one.chord(), one.isThere());
        }
    }

    private void tell() {
        drill.ifPresent(one -> {
            Texts.say(screen, one.screen());
            Texts.say(verdict, one.verdict());
            keys.show(one.held());
            keepRecord(one);
        });
    }

    /** Real pace: what is a second here is a second on the bench. */
    private final class Clock extends AnimationTimer {
        private long last;

        @Override
        public void start() {
            last = 0;
            super.start();
        }

        @Override
        public void handle(long now) {
            double passed = last == 0 ? 0 : (now - last) / NANOS;
            last = now;
            drill.ifPresent(one -> one.pass(passed));
            tell();
        }
    }

    /** A lesson in the list, with a word where it is due. */
    private final class Title extends ListCell<Lesson> {
        @Override
        protected void updateItem(Lesson lesson, boolean empty) {
            super.updateItem(lesson, empty);
            boolean due = lesson != null && desk.isDue(lesson.chord());
            Texts.say(this, lesson == null || empty ? "" : (due ? "today  ·  " : "") + lesson.title());
        }
    }
}
