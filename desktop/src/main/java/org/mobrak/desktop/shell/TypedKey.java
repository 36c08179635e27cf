package org.mobrak.desktop.shell;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/**
 * The control key and a character, wherever a keyboard has it: beside others with Shift, or on the number pad. A key's code says where
 * it lies on one keyboard only.
 */
final class TypedKey extends KeyCombination {
    private final String character;
    private final KeyCode usual;
    private final KeyCode pad;

    /**
     * A character.
     *
     * @param usual the key that has it by itself on many keyboards
     * @param pad the key of the number pad
     */
    TypedKey(String character, KeyCode usual, KeyCode pad) {
        super(SHORTCUT_DOWN);
        this.character = character;
        this.usual = usual;
        this.pad = pad;
    }

    @Override
    public boolean match(KeyEvent key) {
        boolean typed = key.getText().isEmpty()
                ? key.getCode() == usual && !key.isShiftDown()
                : key.getText().equals(character);
        return key.isShortcutDown() && !key.isAltDown() && (typed || key.getCode() == pad);
    }

    @Override
    public String getName() {
        return "Ctrl+" + character;
    }

    @Override
    public String getDisplayText() {
        return getName();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof TypedKey key && key.character.equals(character);
    }

    @Override
    public int hashCode() {
        return character.hashCode();
    }
}
