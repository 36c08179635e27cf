package org.mobrak.core.logbook;

import java.time.Instant;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.logbook.Chain.Kind;

/**
 * The order in which the entries of a phone were written down. Nothing was read before it was written down, so an entry whose date is
 * later than that counts as of then; and what was written down after it is later, whatever a clock said that was ahead of its time.
 */
final class WrittenDown {
    private final Map<Kind, Map<Long, Instant>> latest = new EnumMap<>(Kind.class);
    private Optional<Instant> odd = Optional.empty();
    private long count;

    /** When an entry was written down, by the clock of this computer. */
    record Entry(Kind kind, long row, Instant clock) {}

    /** @param entries in the order in which they were written down */
    WrittenDown(List<Entry> entries) {
        Instant next = Instant.MAX;
        for (int i = entries.size() - 1; i >= 0; i--) {
            Entry entry = entries.get(i);
            next = entry.clock().isAfter(next) ? next.minusMillis(1) : entry.clock();
            latest.computeIfAbsent(entry.kind(), kind -> new HashMap<>()).put(entry.row(), next);
        }
    }

    /** The time by which an entry counts. */
    Instant place(Kind kind, long row, Instant said) {
        Instant most = latest.getOrDefault(kind, Map.of()).getOrDefault(row, said);
        if (!said.isAfter(most)) {
            return said;
        }
        if (Sequence.isAhead(said, most)) {
            odd = odd.or(() -> Optional.of(said));
            count++;
        }
        return most;
    }

    /** Tells of the entries that had to be placed; empty where none had. */
    Optional<Finding> told() {
        return odd.map(first -> Finding.caution(
                "odd-date",
                count == 1
                        ? "One entry bears the date %s, which had not come yet when it was written down. It counts by its place in the logbook."
                                .formatted(first)
                        : "%d entries bear dates that had not come yet when they were written down, the first of them %s. They count by their place in the logbook."
                                .formatted(count, first)));
    }
}
