package org.mobrak.core.logbook;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.ArgumentPreparedStatementSetter;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.transaction.TransactionStatus;

/**
 * Statements over the one connection that stays open: what is begun together on it ends together, and nothing waits for itself.
 * Values are bound as the logbook keeps them: times as ISO 8601, which sorts and reads well, and words for what is one of a few.
 */
final class Statements {
    private final JdbcTemplate jdbc;
    private final DataSourceTransactionManager transactions;

    Statements(Connection held) {
        SingleConnectionDataSource source = new SingleConnectionDataSource(held, false);
        this.jdbc = new JdbcTemplate(source);
        this.transactions = new DataSourceTransactionManager(source);
        // A full disk tells itself when all is to be kept; then nothing of it may be left in the air.
        transactions.setRollbackOnCommitFailure(true);
        // Who catches a failure amid larger work goes on with the rest of it.
        transactions.setGlobalRollbackOnParticipationFailure(false);
    }

    /** Work that writes, and how it may fail. */
    interface Work<T, X extends Exception> {
        T done() throws X;
    }

    /** All of it or nothing: whatever is written by some work is undone if the work fails. */
    <T, X extends Exception> T together(Work<T, X> work) throws X {
        TransactionStatus begun = transactions.getTransaction(null);
        T done;
        try {
            done = work.done();
        } catch (Exception | Error failed) {
            takeBack(begun, failed);
            throw failed;
        }
        transactions.commit(begun);
        return done;
    }

    /** A database that ran out of room has taken everything back by itself, and objects to being asked; what failed first is told. */
    private void takeBack(TransactionStatus begun, Throwable failed) {
        try {
            transactions.rollback(begun);
        } catch (RuntimeException alsoFailed) {
            failed.addSuppressed(alsoFailed);
        }
    }

    /** Makes a value of a row; a cell that no value can be made of is told by an exception of any kind. */
    interface Maker<T> {
        T of(Cells row) throws SQLException;
    }

    /** What is asked for, row by row. A {@link Legible.BadRow} tells that one of them holds what no row should. */
    <T> List<T> list(String sql, Maker<T> maker, Object... values) {
        return jdbc.query(sql, (row, number) -> made(maker, new Cells(row)), bound(values));
    }

    <T> Optional<T> first(String sql, Maker<T> maker, Object... values) {
        return list(sql, maker, values).stream().findFirst();
    }

    private static <T> T made(Maker<T> maker, Cells row) throws SQLException {
        try {
            return maker.of(row);
        } catch (Legible.BadRow bad) {
            throw bad;
        } catch (RuntimeException noValue) {
            throw new Legible.BadRow(noValue);
        }
    }

    void change(String sql, Object... values) {
        jdbc.update(sql, bound(values));
    }

    /** Adds a row and gives its number. */
    long add(String sql, Object... values) {
        KeyHolder number = new GeneratedKeyHolder();
        jdbc.update(connection -> prepared(connection, sql, values), number);
        return Objects.requireNonNull(number.getKey()).longValue();
    }

    /** Adds a row, and what it says to the chain, both or neither; gives the row's number. */
    long write(Chain.Kind kind, Instant clock, String sql, Object... values) {
        return together(() -> {
            long number = add(sql, values);
            chain(kind, number, Optional.of(clock));
            return number;
        });
    }

    /** Changes a row, and adds what it says now to the chain, both or neither. */
    void rewrite(Chain.Kind kind, long row, Optional<Instant> clock, String sql, Object... values) {
        together(() -> {
            change(sql, values);
            chain(kind, row, clock);
            return row;
        });
    }

    private void chain(Chain.Kind kind, long row, Optional<Instant> clock) {
        jdbc.execute((ConnectionCallback<Boolean>) connection -> {
            new Chain(connection).append(kind, row, clock);
            return true;
        });
    }

    private static PreparedStatement prepared(Connection connection, String sql, Object... values) throws SQLException {
        PreparedStatement statement = connection.prepareStatement(sql, Statement.RETURN_GENERATED_KEYS);
        new ArgumentPreparedStatementSetter(bound(values)).setValues(statement);
        return statement;
    }

    private static @Nullable Object[] bound(Object... values) {
        return Arrays.stream(values).map(Statements::bound).toArray();
    }

    private static @Nullable Object bound(Object value) {
        if (value instanceof Optional<?> maybe) {
            return maybe.map(Statements::bound).orElse(null);
        }
        if (value instanceof Enum<?> one) {
            return one.name();
        }
        return value instanceof Instant time ? time.toString() : value;
    }
}
