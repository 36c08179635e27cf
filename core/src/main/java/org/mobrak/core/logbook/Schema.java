package org.mobrak.core.logbook;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HexFormat;
import javax.sql.DataSource;

/** The tables of a logbook of this version, to the letter: where they stand, nothing need be brought up to date. */
final class Schema {
    /** SHA-256 of what the database says of its tables and indexes, after all migrations. */
    static final String DIGEST = "9d4d87fc3fb88258a68f0d52c92251ad48506deebc86281f207304e6064efea8";

    /** The last of the migrations. */
    static final int VERSION = 6;

    private static final String TABLES =
            "SELECT sql FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'flyway%' AND tbl_name NOT LIKE 'flyway%' ORDER BY type, name";

    private Schema() {}

    static boolean isCurrent(DataSource source) {
        try (Connection connection = source.getConnection();
                Statement statement = connection.createStatement()) {
            return DIGEST.equals(digest(statement)) && version(statement) == VERSION;
        } catch (SQLException noLogbook) {
            return false;
        }
    }

    private static int version(Statement statement) throws SQLException {
        try (ResultSet rows =
                statement.executeQuery("SELECT max(CAST(version AS INTEGER)) FROM flyway_schema_history")) {
            return rows.next() ? rows.getInt(1) : 0;
        }
    }

    static String digest(Statement statement) throws SQLException {
        StringBuilder all = new StringBuilder();
        try (ResultSet rows = statement.executeQuery(TABLES)) {
            while (rows.next()) {
                all.append(rows.getString(1).replaceAll("\\s+", " ")).append('\n');
            }
        }
        try {
            byte[] digest =
                    MessageDigest.getInstance("SHA-256").digest(all.toString().getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
