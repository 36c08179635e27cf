package org.mobrak.desktop.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.desktop.parts.Texts;

/**
 * Keys to hold, drawn over time like a score: one line a key, a bar for as long as it is down, the cue at which it is let go. It
 * can be counted out: the stroke that is due lights up.
 */
final class ChordScore extends VBox {
    private static final PseudoClass DUE = PseudoClass.getPseudoClass("due");
    /** How wide a held stroke is beside a press. */
    private static final double HELD = 3;

    private final KeyChord chord;
    private final List<List<Region>> bars = new ArrayList<>();
    private final Label told = Texts.wrapped(Texts.plain(""));
    private final Button count = new Button("Count it out", new FontIcon(Feather.PLAY));
    private final Button seen = new Button("I see it");
    private final CheckBox aloud = new CheckBox("With sound");
    private final Timeline beat = new Timeline(new KeyFrame(Duration.seconds(1), tick -> tick()));
    private Optional<Clicks> clicks = Optional.empty();
    private int due = -1;
    private int seconds;

    ChordScore(KeyChord chord) {
        this.chord = chord;
        getStyleClass().add("score");
        Texts.aloud(this, "Keys: " + chord.text());
        count.setId("count-out");
        count.setOnAction(press -> begin());
        seen.setId("cue-seen");
        seen.setOnAction(press -> next());
        seen.setVisible(false);
        seen.managedProperty().bind(seen.visibleProperty());
        aloud.setId("count-aloud");
        aloud.selectedProperty().addListener((property, before, wanted) -> sound(wanted));
        told.getStyleClass().add("score-told");
        beat.setCycleCount(Animation.INDEFINITE);
        HBox foot = new HBox(count, seen, aloud, told);
        foot.getStyleClass().add("buttons");
        getChildren().addAll(grid(), foot);
    }

    private GridPane grid() {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("score-grid");
        List<Key> keys = chord.keys();
        ColumnConstraints names = new ColumnConstraints();
        names.setMinWidth(Region.USE_PREF_SIZE);
        grid.getColumnConstraints().add(names);
        double all = chord.strokes().stream().mapToDouble(ChordScore::width).sum();
        for (int column = 0; column < chord.strokes().size(); column++) {
            Stroke stroke = chord.strokes().get(column);
            ColumnConstraints wide = new ColumnConstraints();
            wide.setPercentWidth(78 * width(stroke) / all);
            grid.getColumnConstraints().add(wide);
            List<Region> ofStroke = new ArrayList<>();
            for (int row = 0; row < keys.size(); row++) {
                if (stroke.keys().contains(keys.get(row))) {
                    Region bar = new Region();
                    bar.getStyleClass().add(stroke.pressed() ? "score-press" : "score-hold");
                    bar.setMaxWidth(stroke.pressed() ? Region.USE_PREF_SIZE : Double.MAX_VALUE);
                    grid.add(bar, column + 1, row);
                    ofStroke.add(bar);
                }
            }
            Label cue = Texts.wrapped(Texts.soft(stroke.cue()));
            grid.add(cue, column + 1, keys.size());
            bars.add(ofStroke);
        }
        for (int row = 0; row < keys.size(); row++) {
            Label name = Texts.exact(keys.get(row).word());
            name.getStyleClass().add("score-key");
            grid.add(name, 0, row);
        }
        return grid;
    }

    private static double width(Stroke stroke) {
        return stroke.pressed() ? 1 : HELD;
    }

    /** Whether it is counted out aloud from the beginning. */
    void setAloud(boolean wanted) {
        aloud.setSelected(wanted);
    }

    private void begin() {
        due = -1;
        beat.play();
        next();
    }

    private void sound(boolean wanted) {
        clicks.ifPresent(Clicks::close);
        clicks = wanted ? Optional.of(new Clicks()) : Optional.empty();
    }

    private void next() {
        due++;
        seconds = 0;
        clicks.ifPresent(Clicks::now);
        if (due >= chord.strokes().size()) {
            stop();
            Texts.say(told, "That was all of it. Look for the sign below.");
        }
        light();
    }

    private void tick() {
        seconds++;
        clicks.ifPresent(Clicks::second);
        Stroke stroke = chord.strokes().get(due);
        boolean over = stroke.pressed()
                || stroke.seconds().filter(most -> seconds >= most).isPresent();
        if (over) {
            next();
        } else {
            light();
        }
    }

    private void light() {
        for (int i = 0; i < bars.size(); i++) {
            boolean lit = i == due;
            bars.get(i).forEach(bar -> bar.pseudoClassStateChanged(DUE, lit));
        }
        boolean counting = due >= 0 && due < chord.strokes().size();
        seen.setVisible(counting && !chord.strokes().get(due).pressed());
        Texts.say(count, counting ? "From the start" : "Count it out");
        if (counting) {
            Stroke stroke = chord.strokes().get(due);
            Texts.say(
                    told,
                    (stroke.pressed() ? "Press now: " : "Hold: ")
                            + String.join(
                                    " + ", stroke.keys().stream().map(Key::word).toList())
                            + (stroke.pressed() ? "" : "  ·  " + stroke.cue() + "  ·  " + seconds));
        }
    }

    void stop() {
        beat.stop();
    }

    /** It is no longer shown. */
    void leave() {
        stop();
        sound(false);
    }
}
