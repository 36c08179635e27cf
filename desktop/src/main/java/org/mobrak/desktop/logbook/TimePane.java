package org.mobrak.desktop.logbook;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;
import org.mobrak.desktop.parts.Texts;

/** A strip of time: what is laid on it stands where its time is in the window that is seen. */
class TimePane extends Pane {
    private static final double SCROLL = 0.9;
    private static final double LEAST = 3;

    private final TimeView view;
    private final Runnable follower = this::lay;
    private final List<Region> lines = new ArrayList<>();
    private double pressedAt;
    private TimeWindow pressedOn;

    /**
     * A strip.
     *
     * @param point is given the time that was clicked
     */
    TimePane(TimeView view, Consumer<Instant> point) {
        this.view = view;
        this.pressedOn = view.window();
        getStyleClass().add("time-pane");
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        widthProperty().addListener((property, old, now) -> lay());
        heightProperty().addListener((property, old, now) -> lay());
        sceneProperty().addListener((property, old, now) -> {
            // A row that is no longer shown follows nothing.
            view.leave(follower);
            if (now != null) {
                view.follow(follower);
                lay();
            }
        });
        setOnMousePressed(press -> {
            pressedAt = press.getX();
            pressedOn = view.window();
        });
        setOnMouseDragged(drag -> view.see(pressedOn.moved((pressedAt - drag.getX()) / getWidth())));
        setOnMouseClicked(click -> {
            if (click.isStillSincePress()) {
                point.accept(view.window().at(click.getX() / getWidth()));
            }
        });
        setOnScroll(scroll -> {
            if (scroll.isControlDown() && scroll.getDeltaY() != 0) {
                double factor = scroll.getDeltaY() > 0 ? SCROLL : 1 / SCROLL;
                view.see(view.window().zoomed(factor, view.window().at(scroll.getX() / getWidth())));
                scroll.consume();
            }
        });
    }

    /** From when to when something lasts; what has no length is a point. */
    private record Stretch(Instant from, Optional<Instant> until) {}

    /** Lays something from a time to another; to the end where it has none. */
    void put(Region what, Instant from, Optional<Instant> until) {
        what.setUserData(new Stretch(from, until));
        getChildren().add(what);
    }

    private void lay() {
        getChildren().removeAll(lines);
        lines.clear();
        view.ticks().forEach(tick -> lines.add(line("time-line", tick.at())));
        getChildren().addAll(0, lines);
        for (Node node : getChildren()) {
            if (node.getUserData() instanceof Stretch stretch && node instanceof Region region) {
                place(region, stretch);
            }
        }
        view.pointed().map(at -> line("time-pointer", at)).ifPresent(pointer -> {
            lines.add(pointer);
            getChildren().add(pointer);
        });
    }

    private Region line(String style, Instant at) {
        Region line = new Region();
        line.getStyleClass().add(style);
        line.setMouseTransparent(true);
        line.setManaged(false);
        line.resizeRelocate(Math.floor(view.window().share(at) * getWidth()), 0, 1, getHeight());
        return line;
    }

    private void place(Region region, Stretch stretch) {
        double left = Math.max(-LEAST, view.window().share(stretch.from()) * getWidth());
        double right = stretch.until()
                .map(until -> view.window().share(until) * getWidth())
                .orElse(getWidth());
        boolean seen = right >= 0 && left <= getWidth();
        region.setVisible(seen);
        if (seen) {
            double width = Math.max(LEAST, Math.min(right, getWidth() + LEAST) - left);
            region.setLayoutX(left);
            region.setPrefWidth(width);
            region.setMinWidth(width);
            region.setMaxWidth(width);
        }
    }

    /** A stretch with a word on it, which is left out where there is no room. */
    static Label word(String text, String style) {
        Label label = Texts.plain(text);
        label.getStyleClass().add(style);
        Texts.tip(label, text);
        return label;
    }
}
