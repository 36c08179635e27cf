package org.mobrak.desktop.parts;

import javafx.scene.Node;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** Esc closes what was opened. */
public final class Escape {
    private Escape() {}

    /** Puts away what was opened when Esc is pressed within it; a list that hangs open closes first. */
    public static void from(Node opened, Runnable putAway) {
        opened.addEventFilter(KeyEvent.KEY_PRESSED, key -> {
            boolean listOpen = key.getTarget() instanceof ComboBoxBase<?> box && box.isShowing();
            if (key.getCode() == KeyCode.ESCAPE && !listOpen) {
                putAway.run();
                key.consume();
            }
        });
    }
}
