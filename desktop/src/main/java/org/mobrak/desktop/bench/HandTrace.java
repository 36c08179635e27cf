package org.mobrak.desktop.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.desktop.parts.Texts;

/** What the hands do against what is asked: a line for each key, the asked time as an outline, the held time filled in. */
final class HandTrace extends Pane {
    /** A stroke until a cue is drawn so long; how long it takes shows on the phone (our own choice). */
    private static final double USUAL_SECONDS = 3;

    private static final double PRESS_SECONDS = 0.5;
    /** So many times what is asked for is shown, and no less than these seconds. */
    private static final double TIMES = 1.8;

    private static final double LEAST_SECONDS = 5;
    /** So long after the last try another one begins on an empty sheet. */
    private static final double ANEW_SECONDS = 6;

    private static final double GAP = 10;
    private static final double AIR = 4;

    private final List<Bar> bars = new ArrayList<>();
    private final Map<Key, Bar> open = new HashMap<>();
    private List<Key> keys = List.of();
    private Optional<KeyChord> asked = Optional.empty();
    private double began = -1;
    private double ended;
    private double window = LEAST_SECONDS;
    private List<Label> names = List.of();
    /** Taken at each layout: a frame only moves bars. */
    private double left;

    private double line;

    /** A stretch of time on a key's line, in seconds since the first key went down. */
    private static final class Bar {
        private final int line;
        private final double from;
        private final Region node = new Region();
        private double to;

        Bar(int line, double from, double to, String style) {
            this.line = line;
            this.from = from;
            this.to = to;
            node.getStyleClass().add(style);
            // They are placed at each frame, and nothing around them need be laid out again for that.
            node.setManaged(false);
        }
    }

    HandTrace() {
        getStyleClass().add("hand-trace");
    }

    /** Another chord is asked for. */
    void ask(Optional<KeyChord> chord) {
        if (!chord.equals(asked)) {
            asked = chord;
            clear();
        }
    }

    /** Begins anew: nothing was held yet. */
    private void clear() {
        bars.clear();
        open.clear();
        began = -1;
        getChildren().clear();
        keys = asked.map(KeyChord::keys).orElse(List.of());
        names = keys.stream().map(key -> Texts.exact(key.word())).toList();
        getChildren().addAll(names);
        double at = 0;
        for (Stroke stroke : asked.map(KeyChord::strokes).orElse(List.of())) {
            double takes = stroke.pressed()
                    ? PRESS_SECONDS
                    : stroke.seconds().map(Integer::doubleValue).orElse(USUAL_SECONDS);
            for (Key key : stroke.keys()) {
                add(new Bar(keys.indexOf(key), at, at + takes, "trace-asked"));
            }
            at += takes;
        }
        window = Math.max(LEAST_SECONDS, at * TIMES);
        say(Set.of());
        requestLayout();
    }

    private void add(Bar bar) {
        bars.add(bar);
        getChildren().add(bar.node);
    }

    /** The keys that are down at a moment of the bench's time. */
    void show(double seconds, Set<Key> held) {
        boolean anew = !held.isEmpty() && open.isEmpty() && began >= 0 && seconds - ended > ANEW_SECONDS;
        if (anew) {
            clear();
        }
        if (began < 0 && !held.isEmpty()) {
            began = seconds;
        }
        if (!held.equals(open.keySet())) {
            say(held);
        }
        for (Key key : keys) {
            if (held.contains(key)) {
                open.computeIfAbsent(key, fresh -> {
                                    Bar bar =
                                            new Bar(keys.indexOf(key), seconds - began, seconds - began, "trace-held");
                                    add(bar);
                                    return bar;
                                })
                                .to =
                        seconds - began;
            } else {
                open.remove(key);
            }
        }
        if (!held.isEmpty()) {
            ended = seconds;
        }
        if (!open.isEmpty()) {
            place();
        }
    }

    /** What the picture shows, for whoever hears it. */
    private void say(Set<Key> held) {
        String holds = keys.stream().filter(held::contains).map(Key::word).collect(Collectors.joining(" and "));
        Texts.aloud(
                this,
                (holds.isEmpty() ? "No key is held" : "Held: " + holds)
                        + asked.map(chord -> "; asked for: " + chord.text()).orElse(""));
    }

    private double line() {
        return AIR
                + names.stream().mapToDouble(name -> name.prefHeight(-1)).max().orElse(0);
    }

    @Override
    protected double computePrefHeight(double width) {
        return names.size() * line();
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected void layoutChildren() {
        super.layoutChildren();
        line = line();
        left = GAP
                + names.stream().mapToDouble(name -> name.prefWidth(-1)).max().orElse(0);
        for (int i = 0; i < names.size(); i++) {
            names.get(i).relocate(0, i * line);
        }
        place();
    }

    private void place() {
        double second = (getWidth() - left) / window;
        for (Bar bar : bars) {
            double from = Math.min(window, bar.from);
            double to = Math.min(window, bar.to);
            boolean filled = bar.node.getStyleClass().contains("trace-held");
            double inset = filled ? 5 : 2;
            bar.node.resizeRelocate(
                    left + from * second, bar.line * line + inset, Math.max(2, (to - from) * second), line - 2 * inset);
        }
    }
}
