package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.mobrak.app.workshop.WorkshopPlace;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.logbook.Workspace;

/** The workshop's place in a workspace. */
final class WorkshopAtDesk implements WorkshopPlace {
    private static final Map<Piece, String> KEPT = Map.of(Piece.GUIDES, "workshop-guides", Piece.DRAFTS, "workshop");

    private final Workspace workspace;
    private final UndoStack undo;
    private final Clock clock;
    private final Supplier<List<Known>> phones;
    private final Runnable forget;

    /**
     * The place.
     *
     * @param phones the one on the desk first
     * @param forget drops what was worked out by the catalogue as it was
     */
    WorkshopAtDesk(Workspace workspace, UndoStack undo, Clock clock, Supplier<List<Known>> phones, Runnable forget) {
        this.workspace = workspace;
        this.undo = undo;
        this.clock = clock;
        this.phones = phones;
        this.forget = forget;
    }

    @Override
    public Catalogue catalogue() {
        return workspace.catalogue().catalogue();
    }

    @Override
    public Path folder() {
        return workspace.folder().resolve("catalogue");
    }

    @Override
    public List<Known> phones() {
        return phones.get();
    }

    @Override
    public LocalDate today() {
        return LocalDate.now(clock);
    }

    @Override
    public String kept(Piece piece) {
        return workspace.logbook().setting(nameOf(piece)).orElse("");
    }

    @Override
    public void keep(Piece piece, String text) {
        workspace.logbook().putSetting(nameOf(piece), text);
    }

    @Override
    public void did(String what, Runnable taken, Runnable again) {
        undo.did(new UndoStack.Step(what, taken, again));
    }

    @Override
    public void changed() throws IOException {
        workspace.reloadCatalogue();
        forget.run();
    }

    private static String nameOf(Piece piece) {
        return piece == Piece.GUIDES ? "workshop-guides" : "workshop";
    }
}
