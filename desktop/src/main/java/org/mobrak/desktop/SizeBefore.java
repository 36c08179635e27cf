package org.mobrak.desktop;

import javafx.stage.Stage;
import org.mobrak.desktop.WindowPlaces.Place;
import org.mobrak.desktop.parts.Drawn;

/**
 * What a window goes back to when it is made smaller again. On some desktops the toolkit answers that with the size of the whole
 * screen, so the place that it had before is given to it once more.
 */
final class SizeBefore {
    /** Pulses after which a window that was changed stands still. */
    private static final int STILL = 15;

    private final Stage stage;
    private Place before;
    private boolean givingBack;

    private SizeBefore(Stage stage, Place first) {
        this.stage = stage;
        this.before = first;
    }

    /** @param first where it stands when it comes up */
    static SizeBefore of(Stage stage, Place first) {
        SizeBefore size = new SizeBefore(stage, first);
        stage.xProperty().addListener((property, was, is) -> size.later());
        stage.yProperty().addListener((property, was, is) -> size.later());
        stage.widthProperty().addListener((property, was, is) -> size.later());
        stage.heightProperty().addListener((property, was, is) -> size.later());
        stage.maximizedProperty().addListener((property, was, is) -> size.turned(is));
        return size;
    }

    /** Where it stood when it was not as large as the screen. */
    Place place() {
        return before;
    }

    private void later() {
        // What is seen while it grows or shrinks is neither the one size nor the other.
        Drawn.after(STILL, () -> {
            if (!stage.isMaximized() && !givingBack) {
                before = Place.of(stage);
            }
        });
    }

    private void turned(boolean large) {
        givingBack = !large;
        if (!large) {
            Drawn.after(STILL / 2, () -> before.move(stage));
            Drawn.after(2 * STILL, () -> givingBack = false);
        }
    }
}
