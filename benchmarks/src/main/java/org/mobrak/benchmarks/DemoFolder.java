package org.mobrak.benchmarks;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import org.mobrak.app.demo.DemoWorkspace;

/** Lays the demo's workspace out: the project's folder, the workspace's, the cache's. */
public final class DemoFolder {
    private DemoFolder() {}

    public static void main(String[] arguments) throws IOException {
        DemoWorkspace.create(Path.of(arguments[0]), Path.of(arguments[1]), Path.of(arguments[2]), Clock.systemUTC());
    }
}
