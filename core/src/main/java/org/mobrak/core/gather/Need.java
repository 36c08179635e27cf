package org.mobrak.core.gather;

import java.util.Optional;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.NeededFile;

/** Something a job needs on the bench. */
public sealed interface Need {
    /** What to call it. */
    String title();

    /** The step of the run sheet that asks for it; empty where none does. */
    String stepId();

    /**
     * A file.
     *
     * @param route the name of the route that needs it
     */
    record OfFile(String stepId, String route, NeededFile file) implements Need {
        @Override
        public String title() {
            return file.name();
        }
    }

    /** A program or driver for the computer; only a person can tell whether it is there. */
    record OfTool(String stepId, String title, String text) implements Need {}

    /**
     * A cable, a card, money.
     *
     * @param gate what must be true of it; empty where nothing is asked
     */
    record OfThing(String stepId, String title, String text, Optional<Gate> gate) implements Need {}
}
