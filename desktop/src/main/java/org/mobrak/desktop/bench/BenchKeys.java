package org.mobrak.desktop.bench;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import org.mobrak.core.catalogue.KeyChord.Key;

/** The phone's keys, to be held with the mouse or, several at once, with the keyboard. */
public final class BenchKeys extends FlowPane {
    private static final PseudoClass DOWN = PseudoClass.getPseudoClass("down");
    /** Letters that lie apart, so that four can be held with one hand and none is what a page listens to. */
    private static final Map<Key, KeyCode> CODES = new EnumMap<>(Map.of(
            Key.VOLUME_UP, KeyCode.UP,
            Key.VOLUME_DOWN, KeyCode.DOWN,
            Key.POWER, KeyCode.P,
            Key.HOME, KeyCode.H,
            Key.BACK, KeyCode.B,
            Key.MENU, KeyCode.M,
            Key.CAMERA, KeyCode.C,
            Key.KEYBOARD_LETTER, KeyCode.L,
            Key.SERVICE_PLUG, KeyCode.S));

    private final Map<Key, Button> buttons = new HashMap<>();
    private final Hand hand;

    /** Told when a key goes down or up. */
    public interface Hand {
        void hold(Key key, boolean down);
    }

    public BenchKeys(List<Key> keys, Hand hand) {
        this.hand = hand;
        getStyleClass().add("bench-keys");
        keys.forEach(this::add);
    }

    private void add(Key key) {
        Button button = new Button(key.word() + "   " + name(Objects.requireNonNull(CODES.get(key))));
        button.setId("bench-" + key.word());
        button.getStyleClass().add("drill-key");
        button.setFocusTraversable(false);
        button.addEventFilter(MouseEvent.MOUSE_PRESSED, press -> hand.hold(key, true));
        button.addEventFilter(MouseEvent.MOUSE_RELEASED, release -> hand.hold(key, false));
        buttons.put(key, button);
        getChildren().add(button);
    }

    private static String name(KeyCode code) {
        return code == KeyCode.UP ? "↑" : code == KeyCode.DOWN ? "↓" : code.getName();
    }

    /** The phone's key that a key of the keyboard stands for; empty where it stands for none. */
    public Optional<Key> of(KeyCode code) {
        return buttons.keySet().stream().filter(key -> CODES.get(key) == code).findFirst();
    }

    public void show(Set<Key> held) {
        buttons.forEach((key, button) -> button.pseudoClassStateChanged(DOWN, held.contains(key)));
    }
}
