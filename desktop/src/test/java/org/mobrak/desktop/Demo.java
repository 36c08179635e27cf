package org.mobrak.desktop;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.core.catalogue.file.CatalogueCache;
import org.mobrak.core.logbook.Workspace;

/** The demo for a test: laid out once for all, and copied. */
final class Demo {
    private Demo() {}

    /** Made when the first test asks for it; nobody changes it afterwards. */
    private static final class Template {
        static final Path FOLDER = make();

        private static Path make() {
            try {
                Path top = Files.createTempDirectory(Path.of("target"), "demo");
                Path folder = top.toAbsolutePath().resolve("demo");
                DemoWorkspace.create(Desktop.HOME, folder, Desktop.cache(folder), Clock.systemUTC());
                return folder;
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }

    /** Lays the demo out in a folder that does not exist yet, with what was read of its catalogue. */
    static void in(Path folder) throws IOException {
        PathUtils.copyDirectory(Template.FOLDER, folder);
        new CatalogueCache(Desktop.cache(Template.FOLDER))
                .copied(
                        Template.FOLDER.resolve("catalogue"),
                        folder.resolve("catalogue"),
                        new CatalogueCache(Desktop.cache(folder)));
        Workspace.agree(folder, Desktop.cache(folder));
    }
}
