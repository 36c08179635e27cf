package org.mobrak.desktop.bench;

import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.mobrak.app.rehearsal.BenchView;
import org.mobrak.desktop.parts.Texts;

/** The phone as it lies there: what its screen shows, what it is busy with, and its battery. Nobody's phone looks like it. */
final class PhonePicture extends StackPane {
    private static final PseudoClass DARK = PseudoClass.getPseudoClass("dark");

    private final Label screen = Texts.wrapped(Texts.plain(""));
    private final Label busy = Texts.wrapped(Texts.soft(""));
    private final ProgressBar bar = new ProgressBar(0);
    private final Label battery = Texts.soft("");
    private final VBox glass;

    PhonePicture() {
        getStyleClass().add("bench-phone");
        screen.setId("bench-screen");
        battery.setId("bench-battery");
        busy.managedProperty().bind(busy.visibleProperty());
        bar.managedProperty().bind(bar.visibleProperty());
        bar.setMaxWidth(Double.MAX_VALUE);
        glass = new VBox(battery, screen, busy, bar);
        glass.setAlignment(Pos.TOP_CENTER);
        glass.getStyleClass().add("bench-glass");
        getChildren().add(glass);
    }

    void show(BenchView view) {
        boolean works = view.busyWith().isPresent();
        boolean dark = !works
                && (view.mode().equals("off")
                        || view.mode().equals("dead")
                        || view.mode().equals("black"));
        glass.pseudoClassStateChanged(DARK, dark);
        Texts.say(screen, works || dark ? "" : view.screen());
        screen.setVisible(!works);
        screen.setManaged(!works);
        Texts.say(busy, view.busyWith().map(what -> what + " …").orElse(""));
        busy.setVisible(works);
        bar.setVisible(works);
        bar.setProgress(view.share());
        Texts.say(battery, dark ? "" : "battery " + view.battery() + " %, " + view.celsius() + " °C");
        Texts.aloud(this, "The phone shows " + view.screen());
    }
}
