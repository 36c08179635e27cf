package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import org.mobrak.core.material.Scratch;

/** Folders in the computer's place for such, which go when this program ends, however it is told to. */
public final class Scratches {
    private Scratches() {}

    public static Scratch make() throws IOException {
        return Scratch.in(
                Path.of(System.getProperty("java.io.tmpdir")),
                end -> Runtime.getRuntime().addShutdownHook(new Thread(end)));
    }
}
