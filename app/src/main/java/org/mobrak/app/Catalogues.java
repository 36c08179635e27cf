package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.CatalogueCache;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.CatalogueLoader.Folders;
import org.mobrak.core.catalogue.file.CatalogueLoader.Loaded;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.catalogue.file.TroubleLoader;
import org.mobrak.link.bench.BenchFolder;
import org.mobrak.link.bench.BenchTruth;

/** Where catalogues are, for whoever asks without a workspace. */
public final class Catalogues {
    private final Path home;
    private final CatalogueCache cache;

    /**
     * The catalogues.
     *
     * @param home where the shipped ones are
     * @param cache where what was read of catalogues may be kept
     */
    public Catalogues(Path home, Path cache) {
        this.home = home;
        this.cache = new CatalogueCache(cache);
    }

    /** Folders as one catalogue, as it was last read, or read anew if a file has changed; without folders what ships. */
    public Loaded load(List<Path> named) throws IOException {
        return cache.load(folders(named));
    }

    /** The same, always read anew: for whoever looks for faults. */
    public Loaded read(List<Path> named) throws IOException {
        Folders folders = folders(named);
        Loaded loaded = CatalogueLoader.load(folders);
        List<Fault> faults = new ArrayList<>(loaded.faults());
        faults.addAll(BenchFolder.faults(folders.own()));
        faults.addAll(TroubleLoader.load(folders, everyRoute(folders, loaded)).faults());
        return new Loaded(loaded.catalogue(), faults);
    }

    /** A mend may be a route of what ships. */
    private static Catalogue everyRoute(Folders folders, Loaded loaded) throws IOException {
        if (folders.besides().isEmpty()) {
            return loaded.catalogue();
        }
        List<Route> routes = new ArrayList<>(loaded.catalogue().routes());
        routes.addAll(CatalogueLoader.load(folders.besides().get()).catalogue().routes());
        return loaded.catalogue().with(routes);
    }

    /** What goes wrong and what mends it, by these folders and what ships for every phone. */
    public TroubleLoader.Loaded troubles(List<Path> named, Catalogue catalogue) throws IOException {
        return TroubleLoader.load(folders(named), catalogue);
    }

    /** The phones on the bench of these folders, or of what ships. */
    public List<BenchTruth> bench(List<Path> named) throws IOException {
        return BenchFolder.read(folders(named).own());
    }

    /** A bench phone that a file describes. */
    public BenchTruth benchPhone(Path file) throws IOException {
        return BenchFolder.readFile(file);
    }

    /** The folders that are named, with the holes that ship; without any, what ships: the general catalogue and the demo's. */
    private Folders folders(List<Path> named) {
        Path general = home.resolve("catalogue");
        return named.isEmpty()
                ? new Folders(List.of(general, home.resolve("demo/catalogue")), Optional.empty())
                : new Folders(named, Optional.of(general).filter(Files::isDirectory));
    }
}
