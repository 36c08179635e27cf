package org.mobrak.core.logbook;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.function.Consumer;
import org.apache.commons.io.file.PathUtils;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationInfo;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.CatalogueCache;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.TroubleLoader;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.UnreadableInput;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;

/**
 * A folder with a logbook and a catalogue, held by one program at a time.
 *
 * @see #open
 */
public final class Workspace implements AutoCloseable {
    /** A text has at most 8 MiB; a row that is larger was not written by Mobrak. */
    private static final String MOST_BYTES_OF_A_ROW = String.valueOf(64 << 20);

    private static final long PATIENCE_MILLIS = 5_000;

    private final Path folder;
    private final WorkspaceLock lock;
    private final Connection held;
    private final Logbook logbook;
    private final FutureTask<Begun> reading;
    private Optional<IntegrityCheck> integrity = Optional.empty();
    private Optional<Thread> backup = Optional.empty();

    /** The catalogue as it was read last; null until somebody asks for it. */
    private @Nullable Read read;

    /** A catalogue and where it was read from, which reads it faster another time. */
    private record Read(CatalogueCache cache, CatalogueLoader.Loaded catalogue) {}

    /** A catalogue that is being read. */
    private record Begun(CatalogueCache cache, CatalogueCache.Begun catalogue) {}

    private Workspace(Path folder, WorkspaceLock lock, FutureTask<Begun> reading) throws IOException {
        this.folder = folder;
        this.lock = lock;
        SQLiteDataSource database = openLogbook(folder.resolve("logbook.db"), lock.hadLogbook());
        lock.mark();
        // While one connection stays open the files beside the logbook do too; a full disk could not take them anew,
        // and
        // without them not even reading goes.
        this.held = connect(database);
        seal(held);
        this.logbook = new Logbook(held);
        this.reading = reading;
    }

    /** Begins to read the catalogue; logbook and catalogue do not need each other, so both are opened at once. */
    private static FutureTask<Begun> reading(Path folder, Path cache) {
        FutureTask<Begun> reading = new FutureTask<>(() -> {
            CatalogueCache kept = new CatalogueCache(cache);
            return new Begun(kept, kept.begin(folder.resolve("catalogue")));
        });
        Thread reader = new Thread(reading, "catalogue");
        reader.setDaemon(true);
        reader.start();
        return reading;
    }

    private static Begun result(FutureTask<Begun> reading) throws IOException {
        try {
            return reading.get();
        } catch (InterruptedException stopped) {
            throw new ClosedByInterruptException();
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof IOException unreadable) {
                throw unreadable;
            }
            throw new IllegalStateException(failed.getCause());
        }
    }

    /** Makes a new workspace with a copy of some catalogues as one; a folder that is a workspace already is left as it is. */
    public static void create(Path folder, List<Path> catalogues) throws IOException {
        if (Files.exists(folder.resolve("catalogue"))) {
            return;
        }
        if (Files.isDirectory(folder) && !PathUtils.isEmptyDirectory(folder)) {
            throw new UnreadableInput(folder + " holds other things and is no workspace; name an empty folder.");
        }
        Files.createDirectories(folder);
        for (Path catalogue : catalogues) {
            PathUtils.copyDirectory(catalogue, folder.resolve("catalogue"));
        }
    }

    /**
     * Opens a workspace and keeps others out until it is closed or the program ends. An {@link UnreadableInput} tells in one
     * line why that cannot be; a {@link FromElsewhere} that nobody agreed to it yet.
     *
     * @param cache where what was read of catalogues may be kept, outside of the workspace
     */
    public static Workspace open(Path folder, Path cache) throws IOException {
        Workspace opened = begin(folder, cache);
        try {
            opened.awaitCatalogue();
            return opened;
        } catch (IOException | RuntimeException failed) {
            opened.close();
            throw failed;
        }
    }

    /** Notes that the person agrees to open a workspace that was made elsewhere; asked once for a folder. */
    public static void agree(Path folder, Path cache) throws IOException {
        KnownFolder.of(folder, cache).trust();
    }

    /** Whether a workspace was made or opened here, or the person agreed to it. */
    public static boolean isOurs(Path folder, Path cache) throws IOException {
        return KnownFolder.of(folder, cache).isTrusted();
    }

    /** Opens a workspace as far as its logbook; its catalogue is read meanwhile. Else as {@link #open}. */
    public static Workspace begin(Path folder, Path cache) throws IOException {
        if (!Files.isDirectory(folder)) {
            throw new UnreadableInput(folder + " is no workspace; check the path.");
        }
        PrivateFolder.make(cache);
        KnownFolder known = KnownFolder.of(folder, cache);
        if (!known.isTrusted()) {
            throw new FromElsewhere(folder);
        }
        WorkspaceLock lock = WorkspaceLock.of(folder, cache);
        try {
            FutureTask<Begun> reading = reading(folder, cache);
            NativeLibrary.keepIn(cache);
            known.trust();
            return new Workspace(folder, lock, reading);
        } catch (IOException | RuntimeException failed) {
            lock.close();
            throw failed;
        }
    }

    /** As much of the catalogue as tells who a phone is; it may be without routes. */
    public Catalogue whoIsKnown() throws IOException {
        return result(reading).catalogue().known();
    }

    /** Waits until the whole catalogue was read. */
    public void awaitCatalogue() throws IOException {
        if (read == null) {
            Begun begun = result(reading);
            read = new Read(begun.cache(), begun.catalogue().whole());
        }
    }

    /**
     * Puts a copy in the logbook's place; what was there is kept beside the copies. Refused while anybody has the workspace open, whose
     * next write would go into a file that is another by then.
     *
     * @return where what was there is now
     */
    public static Path putBack(Path folder, Path cache, Path copy, String stamp) throws IOException {
        try (WorkspaceLock held = WorkspaceLock.of(folder, cache)) {
            return Backups.restore(folder, copy, stamp);
        }
    }

    private static SQLiteDataSource openLogbook(Path file, boolean known) throws IOException {
        new LogbookGuard(file).check(known);
        SQLiteConfig config = new SQLiteConfig();
        config.enforceForeignKeys(true);
        config.setJournalMode(SQLiteConfig.JournalMode.WAL);
        // A tick must outlive a power cut, not just the program.
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        config.setBusyTimeout(5_000);
        config.setPragma(SQLiteConfig.Pragma.LIMIT_LENGTH, MOST_BYTES_OF_A_ROW);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl("jdbc:sqlite:" + file);
        try {
            if (!Schema.isCurrent(source)) {
                if (known) {
                    new Backups(Objects.requireNonNull(file.toAbsolutePath().getParent())).makeBefore(Schema.VERSION);
                }
                migrate(source, file);
                if (!Schema.isCurrent(source)) {
                    throw new UnreadableInput(
                            file + " has other tables than a logbook; restore a copy of it, or move it away.");
                }
            }
        } catch (FlywayException broken) {
            throw new UnreadableInput(file + " is no logbook Mobrak can read; restore a copy of it, or move it away.");
        }
        return source;
    }

    /**
     * The one connection, which stays open: while it does the files beside the logbook are there too; a full disk could not take
     * them anew, and without them not even reading goes. It speaks to the driver itself, since what makes statements easy takes
     * its time to begin with.
     */
    private static Connection connect(SQLiteDataSource database) {
        try {
            Connection connection = database.getConnection();
            try (Statement statement = connection.createStatement()) {
                // What a schema says of itself runs nothing that could do harm.
                statement.execute("PRAGMA trusted_schema = OFF");
                mark(statement);
                connection.setAutoCommit(false);
                statement.executeQuery("SELECT count(*) FROM phone").close();
                connection.commit();
                connection.setAutoCommit(true);
            }
            return connection;
        } catch (SQLException failed) {
            throw new CannotGetJdbcConnectionException("The logbook cannot be opened.", failed);
        }
    }

    private static void seal(Connection held) {
        try {
            new Chain(held).sealWhatWasBefore();
        } catch (SQLException failed) {
            throw new CannotGetJdbcConnectionException("The logbook's entries cannot be put in order.", failed);
        }
    }

    private static void mark(Statement statement) throws SQLException {
        int application;
        try (ResultSet row = statement.executeQuery("PRAGMA application_id")) {
            application = row.getInt(1);
        }
        if (application != LogbookGuard.APPLICATION) {
            statement.execute("PRAGMA application_id = " + LogbookGuard.APPLICATION);
        }
    }

    private static void migrate(SQLiteDataSource source, Path file) throws IOException {
        Flyway flyway = Flyway.configure()
                .dataSource(source)
                .locations("classpath:org/mobrak/core/logbook")
                .initSql("PRAGMA trusted_schema = OFF")
                .load();
        boolean newer = Arrays.stream(flyway.info().applied())
                .map(MigrationInfo::getState)
                .anyMatch(state -> state.name().startsWith("FUTURE"));
        if (newer) {
            throw new UnreadableInput(file + " was written by a newer Mobrak; open it with that one.");
        }
        flyway.migrate();
    }

    public Path folder() {
        return folder;
    }

    public Logbook logbook() {
        return logbook;
    }

    /**
     * Begins to look through the whole logbook beside the work; closing the workspace calls it off.
     *
     * @param damaged is told what was found, on a thread of its own; not called for a logbook that is whole
     */
    public void lookThrough(Consumer<Finding> damaged) {
        IntegrityCheck check = new IntegrityCheck(folder.resolve("logbook.db"), found -> {
            logbook.mark(found.changed());
            damaged.accept(found.told());
        });
        integrity = Optional.of(check);
        check.start();
    }

    /** Makes the day's copy of the logbook beside the work, where there is none yet. */
    public void backUp(LocalDate day) {
        Thread copying = new Thread(() -> new Backups(folder).makeDaily(day), "backup");
        copying.setDaemon(true);
        copying.setPriority(Thread.MIN_PRIORITY);
        backup = Optional.of(copying);
        copying.start();
    }

    /** What is wrong inside the logbook, looked for from end to end; takes as long as the logbook is large. */
    Optional<Damage> damage() {
        return IntegrityCheck.of(folder.resolve("logbook.db"));
    }

    /** Reads the catalogue anew where its files have changed. */
    public void reloadCatalogue() throws IOException {
        CatalogueCache cache = read().cache();
        read = new Read(cache, cache.load(folder.resolve("catalogue")));
    }

    /** The workspace's catalogue and the faults in its files. */
    public CatalogueLoader.Loaded catalogue() {
        return read().catalogue();
    }

    private Read read() {
        try {
            awaitCatalogue();
        } catch (IOException vanished) {
            throw new UncheckedIOException(vanished);
        }
        return Objects.requireNonNull(read);
    }

    /** What goes wrong and what mends it, by the workspace's catalogue; read when it is asked for. */
    public Troubles troubles() throws IOException {
        return TroubleLoader.load(
                        CatalogueLoader.Folders.of(folder.resolve("catalogue")),
                        catalogue().catalogue())
                .troubles();
    }

    private static void wait(Thread copying) {
        try {
            copying.join(PATIENCE_MILLIS);
        } catch (InterruptedException hurried) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void close() throws IOException {
        integrity.ifPresent(IntegrityCheck::close);
        backup.ifPresent(Workspace::wait);
        try {
            held.close();
        } catch (SQLException failed) {
            throw new UncheckedIOException(new IOException("The logbook cannot be closed.", failed));
        }
        lock.close();
    }
}
