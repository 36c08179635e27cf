package org.mobrak.desktop.logbook;

import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import org.mobrak.desktop.parts.Texts;

/** The days or hours above the strips. */
final class TimeAxis extends Pane {
    private final TimeView view;

    TimeAxis(TimeView view) {
        this.view = view;
        getStyleClass().add("time-axis");
        view.follow(this::draw);
        widthProperty().addListener((property, old, now) -> draw());
    }

    private void draw() {
        getChildren().clear();
        double free = 0;
        for (TimeWindow.Tick tick : view.ticks()) {
            Label label = Texts.soft(tick.label());
            getChildren().add(label);
            label.applyCss();
            double x = view.window().share(tick.at()) * getWidth();
            double width = label.prefWidth(-1);
            // A label that would be cut or lie on another is left out.
            label.setVisible(x >= free && x + width <= getWidth());
            if (label.isVisible()) {
                free = x + width + label.getFont().getSize();
            }
            label.relocate(x, 0);
        }
    }
}
