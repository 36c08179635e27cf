package org.mobrak.core.logbook;

import java.nio.file.Path;
import org.mobrak.core.identity.UnreadableInput;

/** A workspace that was never opened here: nothing is written into it before the person agrees. */
public final class FromElsewhere extends UnreadableInput {
    private static final long serialVersionUID = 1L;

    FromElsewhere(Path folder) {
        super(
                folder
                        + " was not made or opened on this computer yet, or it was moved. Nothing was written. Look it through first (check), then agree to it (import: --agree).");
    }
}
