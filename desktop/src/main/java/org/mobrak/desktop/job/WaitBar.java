package org.mobrak.desktop.job;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.desktop.parts.Texts;

/**
 * How long a step takes: a stretch that is normal, one that is long, and one that is too long, with a mark that moves over them.
 * It counts from when the step was begun, which is on disk, so it goes on after the program was closed.
 */
final class WaitBar extends VBox {
    private static final double MORE = 1.3;
    private static final double HEIGHT = 18;

    private final Supplier<Instant> now;
    private final int normal;
    private final int worry;
    private final Optional<Instant> begun;
    private final Pane bar = new Pane();
    private final Region mark = new Region();
    private final Label told = Texts.wrapped(Texts.plain(""));
    private final Timeline beat = new Timeline(new KeyFrame(javafx.util.Duration.seconds(1), tick -> tell()));

    /** @param normal and {@code worry}: minutes */
    WaitBar(Supplier<Instant> now, int normal, Optional<Integer> worry, Optional<Instant> begun) {
        this.now = now;
        this.normal = normal;
        this.worry = Math.max(normal + 1, worry.orElse(normal * 2 + 1));
        this.begun = begun;
        getStyleClass().add("wait");
        Region calm = zone("wait-normal", 0, normal);
        Region slow = zone("wait-long", normal, this.worry);
        Region late = zone("wait-late", this.worry, whole());
        mark.getStyleClass().add("wait-mark");
        mark.resize(3, HEIGHT + 8);
        mark.setManaged(false);
        bar.getChildren().addAll(calm, slow, late, mark);
        bar.setMinHeight(HEIGHT + 8);
        bar.widthProperty().addListener((property, old, width) -> tell());
        HBox legend = new HBox(
                Texts.soft("normal: up to %d min".formatted(normal)),
                StepCard.spacer(),
                Texts.soft("worry only after %d min".formatted(this.worry)));
        told.setId("wait-told");
        getChildren().addAll(bar, legend, told);
        beat.setCycleCount(Animation.INDEFINITE);
        if (begun.isPresent()) {
            beat.play();
        }
        tell();
    }

    private double whole() {
        return worry * MORE;
    }

    private Region zone(String style, double from, double to) {
        Region zone = new Region();
        zone.getStyleClass().add(style);
        zone.setManaged(false);
        bar.widthProperty()
                .addListener((property, old, width) -> zone.resizeRelocate(
                        width.doubleValue() * from / whole(), 4, width.doubleValue() * (to - from) / whole(), HEIGHT));
        return zone;
    }

    private void tell() {
        mark.setVisible(begun.isPresent());
        if (begun.isEmpty()) {
            Texts.say(told, "The clock starts when you press Begin.");
            return;
        }
        Duration passed = Duration.between(begun.get(), now.get());
        Duration since = passed.isNegative() ? Duration.ZERO : passed;
        double minutes = since.toSeconds() / 60.0;
        mark.relocate(bar.getWidth() * Math.min(1, minutes / whole()), 0);
        Texts.say(told, "%d:%02d  ·  %s".formatted(since.toMinutes(), since.toSecondsPart(), verdict(minutes)));
    }

    private String verdict(double minutes) {
        if (minutes <= normal) {
            return "all is well; leave phone and cable alone";
        }
        return minutes <= worry
                ? "longer than usual and still no reason to worry"
                : "longer than it should take: see below what to do";
    }

    void stop() {
        beat.stop();
    }
}
