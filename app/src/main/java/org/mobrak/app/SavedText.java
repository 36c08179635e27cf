package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import org.mobrak.core.logbook.Output;

/** A text that a person wants as a file: there whole or not at all, under the rights of the file that makes way. */
public final class SavedText {
    private SavedText() {}

    public static void write(Path file, String text) throws IOException {
        Output.write(file, text);
    }
}
