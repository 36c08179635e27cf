package org.mobrak.app.workshop;

import java.util.List;
import org.mobrak.core.catalogue.file.Fault;

/**
 * A file of the catalogue that lies open as text.
 *
 * @param name in the catalogue's folder
 * @param faults of the text as it is on disk
 */
public record OpenEntry(String name, String text, List<Fault> faults) {
    public OpenEntry {
        faults = List.copyOf(faults);
    }

    /** Whether it can be laid on the table as a form. */
    public boolean isRoute() {
        return name.startsWith("routes/");
    }
}
