package org.mobrak.core.catalogue.browse;

import java.util.List;
import java.util.Locale;

/**
 * An entry as it stands in a list.
 *
 * @param id within its kind; of a phone its model number
 * @param name by which a person knows it
 * @param about a sentence on it; may be empty
 * @param file in the catalogue's folder, such as {@code routes/comb.yaml}
 * @param models the model numbers that it names, as it writes them
 */
public record BrowsedEntry(EntryKind kind, String id, String name, String about, String file, List<String> models) {
    public BrowsedEntry {
        models = List.copyOf(models);
    }

    /** Everything of it that may be sought, in small letters. */
    String sought() {
        return String.join(" ", kind.one(), id, name, about, String.join(" ", models))
                .toLowerCase(Locale.ROOT);
    }
}
