package org.mobrak.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.file.CatalogueMerge;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Workspace;

/** The workspace's catalogue, and another one that is held against it; on the worker thread only. */
final class CatalogueComparison implements AutoCloseable {
    private final Workspace workspace;
    private Optional<CatalogueMerge> merge = Optional.empty();
    private Optional<Path> other = Optional.empty();
    private List<Difference> differences = List.of();

    CatalogueComparison(Workspace workspace) {
        this.workspace = workspace;
    }

    void compare(Path theirs) throws IOException {
        close();
        merge = Optional.of(CatalogueMerge.open(workspace.folder().resolve("catalogue"), theirs));
        other = Optional.of(theirs);
        differences = merge.get().differences();
    }

    /** Takes entries and gives the step by which that is undone. */
    UndoStack.Step take(List<Difference> entries, LocalDate day, Runnable changed) throws IOException, Refusal {
        Path theirs = other.orElseThrow(() -> new Refusal("Open another catalogue first."));
        CatalogueMerge.Taken taken = merge.orElseThrow().take(entries, day);
        reload(theirs);
        String name = entries.size() == 1 ? "taking " + entries.get(0).id() : "taking " + entries.size() + " entries";
        return new UndoStack.Step(
                name,
                () -> {
                    trying(taken::undo);
                    trying(() -> reload(theirs));
                    changed.run();
                },
                () -> {
                    trying(() -> {
                        compare(theirs);
                        merge.orElseThrow().take(entries, day);
                        reload(theirs);
                    });
                    changed.run();
                });
    }

    /** Something that may fail on the disk. */
    private interface OnDisk {
        void run() throws IOException;
    }

    private static void trying(OnDisk work) {
        try {
            work.run();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private void reload(Path theirs) throws IOException {
        workspace.reloadCatalogue();
        compare(theirs);
    }

    Snapshot.CatalogueState look() {
        var loaded = workspace.catalogue();
        return new Snapshot.CatalogueState(
                loaded.catalogue().phones().size(),
                loaded.catalogue().routes().size(),
                loaded.catalogue().holes().size(),
                loaded.faults(),
                other,
                differences,
                merge.map(CatalogueMerge::faults).orElse(List.of()));
    }

    @Override
    public void close() throws IOException {
        if (merge.isPresent()) {
            merge.get().close();
        }
        merge = Optional.empty();
        other = Optional.empty();
        differences = List.of();
    }
}
