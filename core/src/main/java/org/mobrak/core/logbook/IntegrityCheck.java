package org.mobrak.core.logbook;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.sqlite.SQLiteConfig;

/**
 * The thorough look at a whole logbook, beside the work and on a connection of its own that can only read: every page, that the
 * indexes say what the tables say, and that each row belongs to something. The quick look at opening leaves the last two out,
 * since they take as long as the logbook is large.
 */
final class IntegrityCheck implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(IntegrityCheck.class);
    private static final long PATIENCE_MILLIS = 5_000;

    private final Path file;
    private final Consumer<Damage> damaged;
    private final Thread thread = new Thread(this::look, "integrity");

    // Both are touched by the thread that looks and by the one that closes.
    private @Nullable Statement statement;
    private boolean closed;

    /**
     * A look that has not begun.
     *
     * @param damaged is told what was found, on the thread that looks; not called for a logbook that is whole
     */
    IntegrityCheck(Path file, Consumer<Damage> damaged) {
        this.file = file;
        this.damaged = damaged;
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
    }

    void start() {
        thread.start();
    }

    /** What is wrong inside a logbook, looked for at once; empty where nothing is. */
    static Optional<Damage> of(Path file) {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        try (Connection connection = config.createConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            return damage(file, statement);
        } catch (SQLException broken) {
            return Optional.of(Damage.inside(file, String.valueOf(broken.getMessage())));
        }
    }

    private void look() {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        try (Connection connection = config.createConnection("jdbc:sqlite:" + file);
                Statement opened = connection.createStatement()) {
            if (begins(opened)) {
                damage(file, opened).ifPresent(this::tell);
            }
        } catch (SQLException broken) {
            if (!isClosed()) {
                tell(Damage.inside(file, String.valueOf(broken.getMessage())));
            }
        }
    }

    /** Rows are held against their checksums only where the database itself is whole. */
    private static Optional<Damage> damage(Path file, Statement statement) throws SQLException {
        Optional<Damage> pages = pages(statement).map(what -> Damage.inside(file, what));
        if (pages.isPresent()) {
            return pages;
        }
        Optional<Damage> changed = Damage.of(file, ChainCheck.of(statement));
        return changed.isPresent() ? changed : orphans(statement).map(what -> Damage.inside(file, what));
    }

    private static Optional<String> pages(Statement statement) throws SQLException {
        statement.execute("PRAGMA trusted_schema = OFF");
        try (ResultSet pages = statement.executeQuery("PRAGMA integrity_check(1)")) {
            boolean whole = !pages.next() || "ok".equals(pages.getString(1));
            return whole ? Optional.empty() : Optional.of(pages.getString(1));
        }
    }

    private static Optional<String> orphans(Statement statement) throws SQLException {
        try (ResultSet orphans = statement.executeQuery("PRAGMA foreign_key_check")) {
            return orphans.next()
                    ? Optional.of("a row of “%s” belongs to nothing".formatted(orphans.getString(1)))
                    : Optional.empty();
        }
    }

    private void tell(Damage found) {
        LOG.warn("{}: {}", file, found.told().message());
        damaged.accept(found);
    }

    private synchronized boolean begins(Statement opened) {
        statement = opened;
        return !closed;
    }

    private synchronized boolean isClosed() {
        return closed;
    }

    private synchronized void stop() {
        closed = true;
        try {
            if (statement != null) {
                statement.cancel();
            }
        } catch (SQLException over) {
            LOG.debug("the look was over already", over);
        }
    }

    /** Calls it off and waits until its connection is closed; a later one could no longer tidy up beside the logbook. */
    @Override
    public void close() {
        stop();
        try {
            thread.join(PATIENCE_MILLIS);
        } catch (InterruptedException hurried) {
            Thread.currentThread().interrupt();
        }
    }
}
