package org.mobrak.benchmarks;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.file.CatalogueLoader.Folders;

/** What ships, from the project's root. */
final class Shipped {
    static final Folders FOLDERS =
            new Folders(List.of(Path.of("catalogue"), Path.of("demo", "catalogue")), Optional.empty());

    private Shipped() {}
}
