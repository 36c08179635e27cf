package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.file.EntryYaml;

/** Files of a catalogue that were written together, and how that is taken back. */
final class SavedEntries {
    private final Path catalogue;
    private final List<Written> written = new ArrayList<>();

    /** A file as it was before and as it is now. */
    private record Written(Path file, Optional<String> before, String after) {}

    SavedEntries(Path catalogue) {
        this.catalogue = catalogue;
    }

    /**
     * Writes an entry; a file that holds something else is never written over.
     *
     * @param known the file in which the same entry was saved before, of the catalogue's folder
     */
    Path write(String kind, ObjectNode entry, Optional<String> known) throws IOException {
        Path folder = Files.createDirectories(catalogue.resolve(kind));
        String id = entry.path("id").asText();
        Path file = known.map(catalogue::resolve).orElse(folder.resolve(id + ".yaml"));
        for (int count = 2; known.isEmpty() && isTaken(file, id); count++) {
            file = folder.resolve(id + "-" + count + ".yaml");
        }
        writeText(file, EntryYaml.of(entry));
        return file;
    }

    /** Writes a file, whatever it held. */
    void writeText(Path file, String text) throws IOException {
        Optional<String> before = Files.exists(file) ? Optional.of(Files.readString(file)) : Optional.empty();
        put(file, text);
        written.add(new Written(file, before, text));
    }

    private boolean isTaken(Path file, String id) throws IOException {
        return Files.exists(file)
                && !(EntryYaml.read(file).path("id").asText().equals(id)
                        && EntryYaml.read(file).path("draft").asBoolean());
    }

    /** Before or after, never between. */
    private static void put(Path file, String text) throws IOException {
        Path beside = Files.createTempFile(file.getParent(), ".new-", ".tmp");
        try {
            Files.writeString(beside, text);
            Files.move(beside, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    void undo() {
        for (Written one : written) {
            trying(one.file(), one.before());
        }
    }

    private void redo() {
        for (Written one : written) {
            trying(one.file(), Optional.of(one.after()));
        }
    }

    /**
     * Remembers how all of it is taken back and done again.
     *
     * @param taken what else is to be done when it is taken back
     * @param again what else is to be done when it is done again
     */
    void undoable(WorkshopPlace place, String what, Runnable taken, Runnable again) {
        place.did(
                what,
                () -> {
                    undo();
                    changed(place);
                    taken.run();
                },
                () -> {
                    redo();
                    changed(place);
                    again.run();
                });
    }

    private static void changed(WorkshopPlace place) {
        try {
            place.changed();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static void trying(Path file, Optional<String> text) {
        try {
            if (text.isPresent()) {
                put(file, text.get());
            } else {
                Files.deleteIfExists(file);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
