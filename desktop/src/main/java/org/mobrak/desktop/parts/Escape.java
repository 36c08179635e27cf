package org.mobrak.desktop.parts;

import javafx.scene.control.ComboBoxBase;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** Esc closes what was opened. */
public final class Escape {
    private Escape() {}

    /** Puts a box away in which something was to be chosen; its list closes first. */
    public static void from(ComboBoxBase<?> box, Runnable putAway) {
        box.addEventFilter(KeyEvent.KEY_PRESSED, key -> {
            if (key.getCode() == KeyCode.ESCAPE && !box.isShowing()) {
                putAway.run();
                key.consume();
            }
        });
    }
}
