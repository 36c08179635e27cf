package org.mobrak.desktop.shell;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import org.kordamp.ikonli.feather.Feather;
import org.mobrak.app.Session;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.program.Looks;
import org.mobrak.desktop.program.ProgramSheet;

/** At the foot of the drawer: how the window looks, the program's own sheet, and other workspaces. */
final class ProgramCorner {
    private final Session session;
    private final SideSheets sides;
    private final Supplier<Look> look;
    private final FlowPane foot;
    private Optional<ProgramSheet.Place> place = Optional.empty();
    private Optional<Workspaces> offered = Optional.empty();

    /** @param look of the window, asked when something is pressed */
    ProgramCorner(Session session, SideSheets sides, Supplier<Look> look) {
        this.session = session;
        this.sides = sides;
        this.look = look;
        foot = foot();
    }

    FlowPane node() {
        return foot;
    }

    /**
     * Lets other workspaces be opened from this window.
     *
     * @param now whether all pages are made; else their menu comes after the last one
     */
    void offer(Workspaces workspaces, boolean now) {
        offered = Optional.of(workspaces);
        place = Optional.of(new ProgramSheet.Place(workspaces.here(), workspaces.log()));
        if (now) {
            addWorkspaces();
        }
    }

    /** Hardly anybody wants this at once, so it comes after the last page. */
    void addWorkspaces() {
        offered.ifPresent(all -> foot.getChildren().add(new WorkspaceMenu(all).button()));
        offered = Optional.empty();
    }

    private FlowPane foot() {
        Button light = PhoneHead.button(
                Feather.MOON, "Light or dark (F8)", () -> look.get().toggle());
        light.setId("light-or-dark");
        Button smaller = PhoneHead.button(
                Feather.ZOOM_OUT,
                "Smaller letters (Ctrl+Minus)",
                () -> look.get().grow(-1));
        smaller.setId("smaller");
        Button larger = PhoneHead.button(
                Feather.ZOOM_IN, "Larger letters (Ctrl+Plus)", () -> look.get().grow(1));
        larger.setId("larger");
        Button settings = PhoneHead.button(Feather.SETTINGS, "Settings, this program, its log (Ctrl+,)", this::program);
        settings.setId("program-sheet");
        FlowPane foot = new Flow(light, smaller, larger, settings);
        foot.getStyleClass().add("foot");
        return foot;
    }

    void program() {
        sides.program(this::makeProgram);
    }

    /** Shows one face of the program's sheet. */
    void program(String face) {
        sides.program(this::makeProgram, face);
    }

    private ProgramSheet makeProgram() {
        Path nowhere = session.snapshot().get().folder();
        return new ProgramSheet(
                session,
                new Looks(word -> look.get().choose(word), steps -> look.get().grow(steps)),
                place.orElse(new ProgramSheet.Place(nowhere, nowhere.resolve("mobrak.log"))),
                sides::close);
    }
}
