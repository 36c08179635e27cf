package org.mobrak.core.logbook;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The order in which rows were written down, and a checksum of each over its words and the one before. A bit that turned over on the
 * disk, or a hand that wrote past Mobrak, is told by it; it does not keep out somebody who works the checksums out anew.
 */
public final class Chain {
    /** What a logbook is marked with once its rows from before are in the chain. */
    private static final int SEALED = 1;

    private final Connection connection;

    /** @param connection to the logbook; what is added becomes part of the transaction that is open on it */
    public Chain(Connection connection) {
        this.connection = connection;
    }

    /** A table whose rows are written down, and its column that says when. */
    enum Kind {
        PHONE("added_at"),
        JOB("started_at"),
        INTAKE("taken_at"),
        SET_ASIDE("at"),
        EVENT("at"),
        JOURNAL("at"),
        MATERIAL("seen_at"),
        STOCK_COPY("at"),
        STOCK_CHECK("at");

        private final String time;

        Kind(String time) {
            this.time = time;
        }

        String table() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A line of the chain.
     *
     * @param clock ISO 8601
     * @param content checksum of the row as it stood then
     */
    record Link(long seq, String table, long row, String clock, String content, String sum) {
        private static final Link BEFORE_ALL = new Link(0, "", 0, Instant.EPOCH.toString(), "", "");

        static Link of(ResultSet row) throws SQLException {
            return new Link(
                    row.getLong("seq"),
                    String.valueOf(row.getString("kind")),
                    row.getLong("row"),
                    String.valueOf(row.getString("clock")),
                    String.valueOf(row.getString("content")),
                    String.valueOf(row.getString("sum")));
        }

        Link with(String itsSum) {
            return new Link(seq, table, row, clock, content, itsSum);
        }

        /** What its checksum must be, after the one before. */
        String expected(String before) {
            return Checksum.of(before, String.valueOf(seq), table, String.valueOf(row), clock, content);
        }
    }

    /** Adds what a row says now. Where no time is given it is that of the line before. */
    void append(Kind kind, long row, Optional<Instant> clock) throws SQLException {
        try (Adding adding = new Adding(connection)) {
            adding.add(kind, row, clock);
        }
    }

    /** Adds rows that came from elsewhere, under the time at which they came. */
    public void appendCame(String table, List<Long> rows, Instant now) throws SQLException {
        Kind kind = Kind.valueOf(table.toUpperCase(Locale.ROOT));
        try (Adding adding = new Adding(connection)) {
            for (long row : rows) {
                adding.add(kind, row, Optional.of(now));
            }
        }
    }

    /** Line after line, with statements that are made once. */
    private static final class Adding implements AutoCloseable {
        private final Connection connection;
        private final PreparedStatement insert;
        private final Map<Kind, PreparedStatement> contents = new EnumMap<>(Kind.class);
        private Link last;

        Adding(Connection connection) throws SQLException {
            this.connection = connection;
            this.last = last(connection);
            this.insert = connection.prepareStatement(
                    "INSERT INTO entry (seq, kind, row, clock, content, sum) VALUES (?, ?, ?, ?, ?, ?)");
        }

        private static Link last(Connection connection) throws SQLException {
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery("SELECT * FROM entry ORDER BY seq DESC LIMIT 1")) {
                return rows.next() ? Link.of(rows) : Link.BEFORE_ALL;
            }
        }

        void add(Kind kind, long row, Optional<Instant> clock) throws SQLException {
            String at = clock.map(Instant::toString).orElse(last.clock());
            Link bare = new Link(last.seq() + 1, kind.table(), row, at, content(kind, row), "");
            last = bare.with(bare.expected(last.sum()));
            insert.setLong(1, last.seq());
            insert.setString(2, last.table());
            insert.setLong(3, last.row());
            insert.setString(4, last.clock());
            insert.setString(5, last.content());
            insert.setString(6, last.sum());
            insert.executeUpdate();
        }

        /** The checksum of a row as it stands; empty where it is gone. */
        private String content(Kind kind, long row) throws SQLException {
            PreparedStatement select = contents.get(kind);
            if (select == null) {
                select = connection.prepareStatement("SELECT * FROM " + kind.table() + " WHERE id = ?");
                contents.put(kind, select);
            }
            select.setLong(1, row);
            try (ResultSet rows = select.executeQuery()) {
                return rows.next() ? Chain.content(rows) : "";
            }
        }

        @Override
        public void close() throws SQLException {
            insert.close();
            for (PreparedStatement select : contents.values()) {
                select.close();
            }
        }
    }

    /** The checksum of the row that is read. A column that is empty does not count, so that a table can get more of them later. */
    static String content(ResultSet row) throws SQLException {
        List<String> words = new ArrayList<>();
        for (int column = 1; column <= row.getMetaData().getColumnCount(); column++) {
            String value = row.getString(column);
            if (value != null) {
                words.add(row.getMetaData().getColumnName(column));
                words.add(value);
            }
        }
        return Checksum.of(words.toArray(String[]::new));
    }

    /** Brings the rows of a logbook from before into the chain, all or none, in the order of their times; done once. */
    void sealWhatWasBefore() throws SQLException {
        if (isSealed()) {
            return;
        }
        boolean alone = connection.getAutoCommit();
        connection.setAutoCommit(false);
        try (Statement statement = connection.createStatement();
                Adding adding = new Adding(connection)) {
            for (Before row : before()) {
                adding.add(row.kind(), row.id(), Optional.of(row.clock()));
            }
            sealSettings();
            statement.execute("PRAGMA user_version = " + SEALED);
            connection.commit();
        } catch (SQLException | RuntimeException failed) {
            connection.rollback();
            throw failed;
        } finally {
            connection.setAutoCommit(alone);
        }
    }

    private boolean isSealed() throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery("PRAGMA user_version")) {
            return row.getInt(1) >= SEALED;
        }
    }

    private record Before(Kind kind, long id, Instant clock) {}

    /** A row without a time that can be read counts as written down with the one before it. */
    private List<Before> before() throws SQLException {
        List<Before> all = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            Instant last = Instant.EPOCH;
            try (Statement statement = connection.createStatement();
                    ResultSet rows = statement.executeQuery(
                            "SELECT id, %s FROM %s WHERE id NOT IN (SELECT row FROM entry WHERE kind = '%s') ORDER BY id"
                                    .formatted(kind.time, kind.table(), kind.table()))) {
                while (rows.next()) {
                    last = time(rows.getString(2)).orElse(last);
                    all.add(new Before(kind, rows.getLong(1), last));
                }
            }
        }
        all.sort(Comparator.comparing(Before::clock));
        return all;
    }

    private static Optional<Instant> time(String text) {
        try {
            return Optional.of(Times.of(text));
        } catch (DateTimeException | NullPointerException noTime) {
            return Optional.empty();
        }
    }

    private void sealSettings() throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("SELECT name, value FROM setting");
                PreparedStatement update = connection.prepareStatement("UPDATE setting SET sum = ? WHERE name = ?")) {
            while (rows.next()) {
                update.setString(1, Checksum.of(rows.getString(1), rows.getString(2)));
                update.setString(2, rows.getString(1));
                update.addBatch();
            }
            update.executeBatch();
        }
    }
}
