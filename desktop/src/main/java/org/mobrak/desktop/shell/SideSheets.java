package org.mobrak.desktop.shell;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import org.mobrak.desktop.help.Command;
import org.mobrak.desktop.help.HelpSheet;
import org.mobrak.desktop.help.Palette;
import org.mobrak.desktop.help.Tour;
import org.mobrak.desktop.program.ProgramSheet;

/**
 * What lies beside a page or over it: help, the sheet of the program, the tour, the palette. Each is made when it is first wanted, so
 * that whoever begins to work does not wait for it.
 */
final class SideSheets {
    private final BorderPane frame;
    private final StackPane over;
    private final ObjectProperty<Page> open;
    private final Runnable giveRoom;
    private Optional<HelpSheet> help = Optional.empty();
    private Optional<ProgramSheet> program = Optional.empty();
    private Optional<Palette> palette = Optional.empty();
    private Optional<Tour> tour = Optional.empty();
    private Optional<Page> helped = Optional.empty();

    /**
     * Nothing lies there yet.
     *
     * @param frame on whose right side sheets stand, and in whose middle the page
     * @param over what lies over everything
     * @param open the page that is seen
     * @param giveRoom asked when a sheet comes or goes
     */
    SideSheets(BorderPane frame, StackPane over, ObjectProperty<Page> open, Runnable giveRoom) {
        this.frame = frame;
        this.over = over;
        this.open = open;
        this.giveRoom = giveRoom;
    }

    boolean isBeside() {
        return frame.getRight() != null;
    }

    /** Whether Esc puts a sheet away; the palette takes its own. */
    boolean takesEscape() {
        return isBeside() && palette.filter(one -> one.node().isVisible()).isEmpty();
    }

    /** What the page that is open answers; asked for again it is put away. */
    void help() {
        if (isBeside() && helped.equals(Optional.of(open.get()))) {
            close();
        } else {
            showHelp();
        }
    }

    /** What the page that is open answers. */
    void showHelp() {
        showPage();
        putBeside(Optional.of(sheet().node()));
    }

    private void showPage() {
        helped = Optional.of(open.get());
        sheet().showPage(open.get().name().toLowerCase(Locale.ROOT), page());
    }

    private Node page() {
        return frame.getCenter();
    }

    /** Another page is seen; help that is open speaks of that. */
    void turned() {
        if (isBeside() && helped.isPresent()) {
            showPage();
        }
    }

    void keys(List<Command> commands) {
        helped = Optional.empty();
        sheet().showKeys(commands);
        putBeside(Optional.of(sheet().node()));
    }

    /** How one likes to work, what ships, and the log; asked for again it is put away. */
    void program(Supplier<ProgramSheet> maker) {
        helped = Optional.empty();
        ProgramSheet made = program.orElseGet(maker);
        program = Optional.of(made);
        made.look();
        Region sheet = made.node();
        putBeside(frame.getRight() == sheet ? Optional.empty() : Optional.of(sheet));
    }

    /** Shows the sheet of the program with one of its faces. */
    void program(Supplier<ProgramSheet> maker, String face) {
        if (program.map(ProgramSheet::node)
                .filter(node -> node == frame.getRight())
                .isEmpty()) {
            program(maker);
        }
        program.ifPresent(made -> made.turn(face));
    }

    private HelpSheet sheet() {
        HelpSheet made = help.orElseGet(() -> new HelpSheet(this::close, this::tour));
        help = Optional.of(made);
        return made;
    }

    void tour() {
        close();
        Tour made = tour.orElseGet(() ->
                new Tour(name -> open.set(Page.valueOf(name.toUpperCase(Locale.ROOT))), this::leaveTour));
        tour = Optional.of(made);
        if (!over.getChildren().contains(made.node())) {
            StackPane.setAlignment(made.node(), Pos.BOTTOM_LEFT);
            over.getChildren().add(made.node());
        }
        made.begin();
    }

    private void leaveTour() {
        tour.ifPresent(made -> over.getChildren().remove(made.node()));
    }

    /** @param maker of the palette, when it is first wanted */
    void find(Supplier<Palette> maker) {
        if (palette.isEmpty()) {
            Palette made = maker.get();
            palette = Optional.of(made);
            over.getChildren().add(made.node());
        }
        palette.ifPresent(Palette::open);
    }

    void close() {
        putBeside(Optional.empty());
    }

    private void putBeside(Optional<Region> sheet) {
        if (sheet.isEmpty()) {
            help.ifPresent(HelpSheet::left);
        }
        frame.setRight(sheet.orElse(null));
        giveRoom.run();
    }
}
