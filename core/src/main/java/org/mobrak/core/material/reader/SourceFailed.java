package org.mobrak.core.material.reader;

import java.io.IOException;

/** The file itself, or the room for a temporary copy, could not be read or written: not the fault of what is in it. */
final class SourceFailed extends IOException {
    private static final long serialVersionUID = 1L;

    SourceFailed(String message, IOException cause) {
        super(message, cause);
    }
}
