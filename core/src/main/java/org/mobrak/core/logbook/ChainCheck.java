package org.mobrak.core.logbook;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.logbook.Chain.Kind;
import org.mobrak.core.logbook.Chain.Link;

/** Holds every row against the checksum it got when it was written down. */
final class ChainCheck {
    /** More than these need not be named one by one. */
    private static final int MOST = 1_000;

    private final Statement statement;
    /** What each row said last, by its table and number. */
    private final Map<String, Map<Long, Link>> last = new HashMap<>();

    private final List<Changed> changed = new ArrayList<>();

    private ChainCheck(Statement statement) {
        this.statement = statement;
    }

    /**
     * A row that is not as it was written down.
     *
     * @param table where it stands
     * @param seq its line in the chain; 0 where it has none
     * @param how in a few words
     */
    record Changed(String table, long row, long seq, String how) {
        private static final Map<String, String> WORDS = Map.of(
                "intake", "text",
                "set_aside", "“set aside” note",
                "journal", "journal line",
                "material", "file",
                "stock_copy", "stock copy",
                "stock_check", "look at a stock copy");

        @Override
        public String toString() {
            return "%s %d %s".formatted(WORDS.getOrDefault(table, table), row, how);
        }
    }

    /** The rows that are not as they were written down, in the order in which they were. */
    static List<Changed> of(Statement statement) throws SQLException {
        ChainCheck check = new ChainCheck(statement);
        check.links();
        for (Kind kind : Kind.values()) {
            check.rows(kind);
        }
        check.settings();
        return check.changed.stream()
                .sorted((one, other) -> Long.compare(one.seq(), other.seq()))
                .toList();
    }

    private void links() throws SQLException {
        String before = "";
        long seq = 0;
        try (ResultSet rows = statement.executeQuery("SELECT * FROM entry ORDER BY seq")) {
            while (rows.next()) {
                Link link = Link.of(rows);
                seq++;
                if (link.seq() != seq || !link.sum().equals(link.expected(before))) {
                    add(new Changed(link.table(), link.row(), link.seq(), "does not follow the entry before it"));
                    seq = link.seq();
                }
                before = link.sum();
                last.computeIfAbsent(link.table(), table -> new HashMap<>()).put(link.row(), link);
            }
        }
    }

    private void rows(Kind kind) throws SQLException {
        Map<Long, Link> links = new HashMap<>(last.getOrDefault(kind.table(), Map.of()));
        try (ResultSet rows = statement.executeQuery("SELECT * FROM " + kind.table() + " ORDER BY id")) {
            while (rows.next()) {
                long id = rows.getLong("id");
                Optional<Link> link = Optional.ofNullable(links.remove(id));
                if (link.isEmpty()) {
                    add(new Changed(kind.table(), id, 0, "was not written down by Mobrak"));
                } else if (!link.get().content().equals(Chain.content(rows))) {
                    add(new Changed(kind.table(), id, link.get().seq(), "is not as it was written down"));
                }
            }
        }
        links.values().forEach(gone -> add(new Changed(kind.table(), gone.row(), gone.seq(), "is gone")));
    }

    private void settings() throws SQLException {
        try (ResultSet rows = statement.executeQuery("SELECT rowid, name, value, sum FROM setting ORDER BY name")) {
            while (rows.next()) {
                String sum = Checksum.of(String.valueOf(rows.getString(2)), String.valueOf(rows.getString(3)));
                if (!sum.equals(rows.getString(4))) {
                    add(new Changed("setting", rows.getLong(1), Long.MAX_VALUE, "is not as it was written down"));
                }
            }
        }
    }

    private void add(Changed one) {
        if (changed.size() < MOST) {
            changed.add(one);
        }
    }
}
