package org.mobrak.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.desktop.help.Command;
import org.mobrak.desktop.identity.ReadingsPage;

/** What the window's keys do, and everything that is found by its name. */
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
        KeyCode digit = KeyCode.getKeyCode(String.valueOf(page.ordinal() + 1));
        return new Shortcut(Shortcut.control(digit), false, "Go to “" + page.label() + "”", () -> shell.open(page));
    }

    private List<Shortcut> sheets() {
        return List.of(
                new Shortcut(
                        Shortcut.control(KeyCode.K),
                        false,
                        "Find anything by its name",
                        () -> sides.find(this::commands)),
                plain(KeyCode.F1, "Help on this page", sides::help),
                new Shortcut(Shortcut.control(KeyCode.SLASH), false, "All keys", this::tell),
                new Shortcut(
                        Shortcut.control(KeyCode.COMMA), false, "Settings, this program, its log", shell::program));
    }

    private List<Shortcut> desk() {
        KeyCombination again =
                new KeyCodeCombination(KeyCode.Z, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN);
        return List.of(
                new Shortcut(
                        Shortcut.control(KeyCode.N), false, "Name another phone", inTheDrawer(drawer::askForPhone)),
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
                new Shortcut(Shortcut.control(KeyCode.PLUS), false, "Larger letters", () -> look.grow(1)),
                new Shortcut(Shortcut.control(KeyCode.EQUALS), false, "Larger letters", () -> look.grow(1)),
                new Shortcut(Shortcut.control(KeyCode.MINUS), false, "Smaller letters", () -> look.grow(-1)),
                new Shortcut(Shortcut.control(KeyCode.DIGIT0), false, "Letters as usual", () -> look.grow(0)),
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

    /** Everything that can be gone to or done by its name. */
    private List<Command> commands() {
        List<Command> found =
                new ArrayList<>(all().stream().map(Shortcut::command).toList());
        found.add(new Command("action", "Take the tour", "", sides::tour));
        Optional<Snapshot> now = Optional.ofNullable(session.snapshot().get());
        now.stream()
                .flatMap(snapshot -> snapshot.drawer().stream())
                .map(this::phone)
                .forEach(found::add);
        now.flatMap(Snapshot::desk).stream()
                .flatMap(desk -> desk.fits().stream())
                .map(this::route)
                .forEach(found::add);
        return found;
    }

    private Command phone(DrawerEntry entry) {
        String words = entry.phone().nickname() + ", " + entry.name();
        return new Command("phone", words, "", () -> session.pick(entry.phone()));
    }

    private Command route(RouteFit fit) {
        String words = fit.route().name() + ": " + fit.verdict().word();
        return new Command("route", words, "", () -> shell.goToRoute(fit.route()));
    }
}
