package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.Optional;

/**
 * One file of a catalogue, read: a phone family, a route, a grammar or a hole.
 *
 * @param file its path in the catalogue's folder, with slashes
 */
record Entry<T>(String file, YamlText.Tree tree, T value) {

    JsonNode root() {
        return tree.root();
    }

    int line(String pointer) {
        return tree.line(pointer);
    }

    /** A file as it was read: the entry, unless a fault forbids it, and its faults. */
    record Read<T>(Optional<Entry<T>> entry, List<Fault> faults) {
        Read {
            faults = List.copyOf(faults);
        }
    }
}
