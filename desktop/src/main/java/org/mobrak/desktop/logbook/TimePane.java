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
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
import javafx.scene.shape.Rectangle;
import org.mobrak.desktop.parts.Texts;

/** A strip of time: what is laid on it stands where its time is in the window that is seen. */
class TimePane extends Pane {
    private static final double SCROLL = 0.9;
    private static final double LEAST = 3;
    private static final double MARK_FROM = 0.65;

    private final TimeView view;
    private final Runnable follower = this::lay;
    /** One shape for all lines and one for all marks: a row with a node for each would be slow to scroll to. */
    private final Path lines = path("time-line");

    private final Path marks = path("life-mark");
    private final Region pointer = new Region();
    private List<Instant> marked = List.of();
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
        pointer.getStyleClass().add("time-pointer");
        pointer.setMouseTransparent(true);
        pointer.setManaged(false);
        getChildren().addAll(lines, marks, pointer);
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
        getChildren().add(getChildren().size() - 1, what);
    }

    /** Marks points in time. */
    void mark(List<Instant> times) {
        marked = List.copyOf(times);
    }

    private static Path path(String style) {
        Path path = new Path();
        path.getStyleClass().add(style);
        path.setMouseTransparent(true);
        path.setManaged(false);
        return path;
    }

    private void lay() {
        draw(lines, view.ticks().stream().map(TimeWindow.Tick::at).toList(), 0);
        draw(marks, marked, MARK_FROM * getHeight());
        for (Node node : getChildren()) {
            if (node.getUserData() instanceof Stretch stretch && node instanceof Region region) {
                place(region, stretch);
            }
        }
        pointer.setVisible(view.pointed().isPresent());
        view.pointed()
                .ifPresent(at ->
                        pointer.resizeRelocate(Math.floor(view.window().share(at) * getWidth()), 0, 1, getHeight()));
    }

    /** Upright lines from a height to the foot. */
    private void draw(Path path, List<Instant> times, double from) {
        List<PathElement> elements = new ArrayList<>();
        for (Instant at : times) {
            double x = Math.floor(view.window().share(at) * getWidth()) + 0.5;
            if (x >= 0 && x <= getWidth()) {
                elements.add(new MoveTo(x, from));
                elements.add(new LineTo(x, getHeight()));
            }
        }
        path.getElements().setAll(elements);
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
