package org.mobrak.desktop.parts;

import java.util.Optional;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** What lies on the clipboard, and where it may go. */
public final class Pasting {
    private static final String SEARCH = "mobrak.search";

    private Pasting() {}

    /** Whether these are the keys that paste. */
    public static boolean isPaste(KeyEvent key) {
        return key.isShortcutDown() && !key.isShiftDown() && !key.isAltDown() && key.getCode() == KeyCode.V
                || key.isShiftDown() && !key.isShortcutDown() && key.getCode() == KeyCode.INSERT;
    }

    /** The text on the clipboard if it has more than one line with something in it. */
    public static Optional<String> lines() {
        return Optional.ofNullable(Clipboard.getSystemClipboard().getString())
                .filter(text ->
                        text.lines().filter(line -> !line.isBlank()).limit(2).count() > 1);
    }

    /** What is pasted into this field is sought, however many lines it has. */
    public static void seeks(TextField field) {
        field.getProperties().put(SEARCH, true);
    }

    /** Whether a reading or a guide cannot be meant for this field, though somebody may paste one into it. */
    public static boolean takesOneLine(TextField field) {
        return !field.getProperties().containsKey(SEARCH);
    }

    /** Tab goes on to the next part of the page: no reading has one that is typed by hand. */
    static void leave(TextArea area, boolean back) {
        area.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.TAB, back, true, false, false));
    }

    /** Lets the key Tab leave an area of text as it leaves every other field. */
    public static void tabLeaves(TextArea area, KeyEvent key) {
        if (key.getCode() == KeyCode.TAB && !key.isControlDown()) {
            leave(area, key.isShiftDown());
            key.consume();
        }
    }
}
