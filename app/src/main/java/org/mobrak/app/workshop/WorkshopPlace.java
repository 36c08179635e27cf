package org.mobrak.app.workshop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.match.Identity;

/** What the workshop may know and change; on the worker thread only. */
public interface WorkshopPlace {
    Catalogue catalogue();

    /** The folder of the workspace's catalogue. */
    Path folder();

    /** The phone on the desk first, then the others. */
    List<Known> phones();

    LocalDate today();

    /** What was kept of the table; empty text where nothing was. */
    String kept(Piece piece);

    void keep(Piece piece, String text);

    /** What is kept of the table: the guides, which are long and stay, and what a person makes of them. */
    enum Piece {
        GUIDES,
        DRAFTS
    }

    /** Remembers how a thing that was done is taken back and done again. */
    void did(String what, Runnable undo, Runnable redo);

    /** The catalogue's files have changed. */
    void changed() throws IOException;

    /**
     * A phone of the drawer.
     *
     * @param texts what was read of it and counts
     */
    record Known(String nickname, Identity identity, Optional<String> model, List<String> texts) {
        public Known {
            texts = List.copyOf(texts);
        }
    }
}
