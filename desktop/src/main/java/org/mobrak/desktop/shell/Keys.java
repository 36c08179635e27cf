package org.mobrak.desktop.shell;

import java.util.List;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import org.mobrak.app.Session;
import org.mobrak.desktop.identity.ReadingsPage;

/** What the window's keys do. */
record Keys(
        Session session, Shell shell, Look look, SideSheets sides, Room room, Drawer drawer, ReadingsPage readings) {

    List<Shortcut> all() {
        return Stream.of(pages(), sheets(), desk(), letters())
                .flatMap(List::stream)
                .toList();
    }

    private List<Shortcut> pages() {
        return Stream.of(Page.values()).map(this::opening).toList();
    }

    private Shortcut opening(Page page) {
        String digit = String.valueOf(page.ordinal() + 1);
        TypedKey key = new TypedKey(digit, KeyCode.getKeyCode(digit), KeyCode.valueOf("NUMPAD" + digit));
        return new Shortcut(key, false, "Go to “" + page.label() + "”", () -> shell.open(page));
    }

    private List<Shortcut> sheets() {
        return List.of(
                new Shortcut(Shortcut.control(KeyCode.K), false, "Find anything by its name", shell::find),
                plain(KeyCode.F1, "Help on this page", sides::help),
                new Shortcut(new TypedKey("/", KeyCode.SLASH, KeyCode.DIVIDE), false, "All keys", this::tell),
                new Shortcut(
                        new TypedKey(",", KeyCode.COMMA, KeyCode.COMMA),
                        false,
                        "Settings, this program, its log",
                        shell.corner()::program));
    }

    private List<Shortcut> desk() {
        KeyCombination again =
                new KeyCodeCombination(KeyCode.Z, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN);
        return List.of(
                new Shortcut(Shortcut.control(KeyCode.N), false, "Name another phone", shell::askForPhone),
                new Shortcut(
                        Shortcut.control(KeyCode.F),
                        false,
                        "Find a phone in the drawer",
                        inTheDrawer(drawer::askWhich)),
                new Shortcut(Shortcut.control(KeyCode.O), false, "Take files in as readings", readings::chooseFiles),
                new Shortcut(Shortcut.control(KeyCode.V), true, "Paste a reading or a guide", shell::pasteReading),
                new Shortcut(Shortcut.control(KeyCode.Z), true, "Undo", session::undo),
                new Shortcut(again, true, "Redo", session::redo));
    }

    private List<Shortcut> letters() {
        return List.of(
                new Shortcut(new TypedKey("+", KeyCode.PLUS, KeyCode.ADD), false, "Larger letters", () -> look.grow(1)),
                new Shortcut(
                        new TypedKey("=", KeyCode.EQUALS, KeyCode.EQUALS), false, "Larger letters", () -> look.grow(1)),
                new Shortcut(
                        new TypedKey("-", KeyCode.MINUS, KeyCode.SUBTRACT),
                        false,
                        "Smaller letters",
                        () -> look.grow(-1)),
                new Shortcut(
                        new TypedKey("0", KeyCode.DIGIT0, KeyCode.NUMPAD0),
                        false,
                        "Letters as usual",
                        () -> look.grow(0)),
                plain(KeyCode.F8, "Light or dark", look::toggle),
                plain(KeyCode.F9, "Show or hide the drawer", room::callDrawer));
    }

    private static Shortcut plain(KeyCode key, String words, Runnable action) {
        return new Shortcut(new KeyCodeCombination(key), false, words, action);
    }

    private Runnable inTheDrawer(Runnable asking) {
        return () -> {
            room.openDrawer();
            asking.run();
        };
    }

    private void tell() {
        sides.keys(all().stream().map(Shortcut::command).toList());
    }
}
