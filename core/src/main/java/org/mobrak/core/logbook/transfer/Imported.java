package org.mobrak.core.logbook.transfer;

import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What an export adds to a workspace, or would add.
 *
 * @param phones each phone of the export, and what becomes of it
 * @param added how many rows of each kind are new
 * @param known how many are here already
 * @param entries entries of the catalogue that are new
 * @param differing entries of the catalogue that are here with other words; they stay as they are
 * @param unreadable which rows hold something of which nothing can be made; they are taken as they are, since what a job wrote is in
 *     doubt where its row is bad
 */
public record Imported(
        List<Phone> phones,
        Map<String, Long> added,
        Map<String, Long> known,
        List<String> entries,
        List<String> differing,
        List<String> unreadable) {
    public Imported {
        phones = List.copyOf(phones);
        added = Map.copyOf(added);
        known = Map.copyOf(known);
        entries = List.copyOf(entries);
        differing = List.copyOf(differing);
        unreadable = List.copyOf(unreadable);
    }

    /** What becomes of a phone. */
    public enum Becomes {
        NEW,
        /** It came from the same beginning, such as an earlier export. */
        SAME,
        /** Its serial number is that of a phone that is here. */
        SAME_BY_SERIAL,
        /** The person said that it is the one of the same name. */
        SAME_AS_SAID,
        /** One of the same name is here; whether it is the same nobody has said, so it is added beside it. */
        NAMESAKE;

        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * A phone of the export.
     *
     * @param into the nickname it has here
     */
    public record Phone(String nickname, Becomes becomes, String into) {}

    /** How many rows are new, of all kinds. */
    public long addedRows() {
        return added.values().stream().mapToLong(Long::longValue).sum();
    }

    public boolean changesNothing() {
        return addedRows() == 0 && entries.isEmpty();
    }
}
