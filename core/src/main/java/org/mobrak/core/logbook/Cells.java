package org.mobrak.core.logbook;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;

/** The cells of one row, each as the value that was written there. What is missing or of another kind is an exception. */
record Cells(ResultSet row) {
    long number(String column) throws SQLException {
        return row.getLong(column);
    }

    Optional<Long> maybeNumber(String column) throws SQLException {
        long number = row.getLong(column);
        return row.wasNull() ? Optional.empty() : Optional.of(number);
    }

    boolean truth(String column) throws SQLException {
        return row.getBoolean(column);
    }

    String text(String column) throws SQLException {
        return Objects.requireNonNull(row.getString(column), column);
    }

    Optional<String> maybeText(String column) throws SQLException {
        return Optional.ofNullable(row.getString(column));
    }

    Instant time(String column) throws SQLException {
        return Times.of(text(column));
    }

    Optional<Instant> maybeTime(String column) throws SQLException {
        return maybeText(column).map(Times::of);
    }

    <E extends Enum<E>> E oneOf(Class<E> these, String column) throws SQLException {
        return Enum.valueOf(these, text(column));
    }
}
