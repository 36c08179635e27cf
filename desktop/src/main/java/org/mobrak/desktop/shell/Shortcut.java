package org.mobrak.desktop.shell;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import org.mobrak.desktop.help.Command;

/**
 * Keys and what they do.
 *
 * @param leftToFields whether they mean something else inside a text field, and are left to it
 */
record Shortcut(KeyCombination keys, boolean leftToFields, String words, Runnable action) {
    static KeyCombination control(KeyCode code) {
        return new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN);
    }

    Command command() {
        return new Command("action", words, told(keys), action);
    }

    private static String told(KeyCombination keys) {
        return keys.getName().replace("Shortcut", "Ctrl");
    }
}
