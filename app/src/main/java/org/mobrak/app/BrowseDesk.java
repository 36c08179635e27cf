package org.mobrak.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.browse.BrowsedEntry;
import org.mobrak.core.catalogue.browse.CatalogueBrowser;
import org.mobrak.core.catalogue.file.EntryText;

/** The catalogue looked through. Nothing of it changes anything, so it is worked out only when somebody looks. */
public final class BrowseDesk {
    private final Workers workers;
    private final Supplier<Workbench> bench;
    private final Observed<Optional<CatalogueBrowser>> browser = new Observed<>(Optional.empty());
    private final Observed<Optional<Opened>> opened = new Observed<>(Optional.empty());

    // These belong to the worker thread.
    private Optional<Catalogue> read = Optional.empty();
    private Optional<CatalogueBrowser> made = Optional.empty();

    BrowseDesk(Workers workers, Supplier<Workbench> bench) {
        this.workers = workers;
        this.bench = bench;
    }

    /**
     * An entry that lies open.
     *
     * @param lines what its file says; none where the file cannot be read
     * @param uses the entries that it names
     * @param usedBy the entries that name it
     * @param reports what people reported of it, the latest first
     */
    public record Opened(
            BrowsedEntry entry,
            List<EntryText.Line> lines,
            List<BrowsedEntry> uses,
            List<BrowsedEntry> usedBy,
            List<Route.Report> reports) {}

    /** Everything in the catalogue; empty until somebody looked. */
    public Observed<Optional<CatalogueBrowser>> browser() {
        return browser;
    }

    /** The entry that lies open. */
    public Observed<Optional<Opened>> opened() {
        return opened;
    }

    /** Looks through the catalogue as it is now. */
    public void look() {
        workers.quietly(() -> {
            Optional<CatalogueBrowser> now = now();
            workers.draw(() -> {
                if (!browser.get().equals(now)) {
                    browser.set(now);
                }
            });
        });
    }

    private Optional<CatalogueBrowser> now() {
        Optional<Workbench> open = Optional.ofNullable(bench.get());
        try {
            Optional<Catalogue> catalogue = open.map(one -> one.phones().catalogue());
            if (catalogue.isPresent() && !(read.isPresent() && read.get() == catalogue.get())) {
                read = catalogue;
                made = Optional.of(
                        CatalogueBrowser.of(catalogue.get(), open.get().troubles()));
            }
            return made;
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** Opens an entry. */
    public void open(BrowsedEntry entry) {
        workers.quietly(() -> now().ifPresent(known -> {
            Opened now = new Opened(entry, lines(entry), known.uses(entry), known.usedBy(entry), known.reports(entry));
            workers.draw(() -> opened.set(Optional.of(now)));
        }));
    }

    private List<EntryText.Line> lines(BrowsedEntry entry) {
        try {
            return EntryText.of(bench.get().entryEdits().openText(entry.file()).text());
        } catch (IOException unreadable) {
            return List.of();
        }
    }
}
