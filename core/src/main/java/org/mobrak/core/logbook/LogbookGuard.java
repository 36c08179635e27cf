package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.identity.UnreadableInput;
import org.sqlite.SQLiteDataSource;

/**
 * Looks at a logbook before it is opened, since a workspace may come from somebody else. A copy is looked at: opening a database
 * lets a log that lies beside it write into it, and that cannot be taken back.
 *
 * <p>The pragmas are those of the database's own documentation, “Defense Against The Dark Arts”.
 */
final class LogbookGuard {
    /** Read as text: “Mobr”. Older logbooks have 0 there. */
    static final int APPLICATION = 0x4D6F6272;

    private static final String LOG = "-wal";
    private static final String JOURNAL = "-journal";
    private static final String LOOKING = "mobrak-looking-";
    /** A log is written back long before it is so much larger than its database; our own choice. */
    private static final long MOST_BYTES_OF_A_LOG = 256L << 20;

    private final Path file;

    LogbookGuard(Path file) {
        this.file = file;
    }

    /**
     * An {@link UnreadableInput} tells why it must not be opened, and what to do.
     *
     * @param known whether there has been a logbook here before
     */
    void check(boolean known) throws IOException {
        Path log = beside(LOG);
        if (Files.notExists(file, LinkOption.NOFOLLOW_LINKS)) {
            if (known || Files.exists(log, LinkOption.NOFOLLOW_LINKS)) {
                throw new UnreadableInput(
                        "%s is missing; put a copy of it back, with the -wal file that belongs to that copy if it has one. To begin with an empty drawer, choose a new folder."
                                .formatted(file));
            }
            return;
        }
        for (Path each : List.of(file, log, beside("-shm"), beside(JOURNAL))) {
            if (Files.exists(each, LinkOption.NOFOLLOW_LINKS)
                    && !Files.isRegularFile(each, LinkOption.NOFOLLOW_LINKS)) {
                throw new UnreadableInput(each + " is a link or a device and no file; it is not opened.");
            }
        }
        checkRights();
        if (Files.size(file) > 0) {
            checkCopy(log);
        } else if (known || Files.exists(log)) {
            throw refused("is empty");
        }
    }

    private void checkRights() throws UnreadableInput {
        if (!Files.isReadable(file)) {
            throw new UnreadableInput(file + " may not be read by you; check its permissions.");
        }
        if (!Files.isWritable(file) || !Files.isWritable(file.getParent())) {
            throw new UnreadableInput(file
                    + " or its folder may not be written by you; check the permissions, or open a copy elsewhere.");
        }
    }

    /** All that the database would take with it when it is opened is looked at together with it. */
    private void checkCopy(Path log) throws IOException {
        List<Path> beside = List.of(log, beside(JOURNAL));
        long bytes = Files.size(file);
        for (Path each : beside) {
            long size = Files.exists(each) ? Files.size(each) : 0;
            if (size > Files.size(file) + MOST_BYTES_OF_A_LOG) {
                throw refused("has a log of %d MB beside it, far larger than itself".formatted(size >> 20));
            }
            bytes += size;
        }
        Leftovers.sweep(Path.of(System.getProperty("java.io.tmpdir")), LOOKING);
        Path folder = Files.createTempDirectory(Leftovers.named(LOOKING));
        folder.toFile().deleteOnExit();
        for (String ending : List.of("", LOG, JOURNAL, "-shm")) {
            folder.resolve("copy.db" + ending).toFile().deleteOnExit();
        }
        try {
            if (Files.getFileStore(folder).getUsableSpace() < bytes) {
                throw new UnreadableInput("There is no room in %s to look at the logbook first; %d MB are needed."
                        .formatted(folder.getParent(), (bytes >> 20) + 1));
            }
            Path copy = Files.copy(file, folder.resolve("copy.db"), LinkOption.NOFOLLOW_LINKS);
            for (String ending : List.of(LOG, JOURNAL)) {
                if (Files.exists(beside(ending))) {
                    Files.copy(beside(ending), folder.resolve("copy.db" + ending), LinkOption.NOFOLLOW_LINKS);
                }
            }
            look(copy);
        } finally {
            PathUtils.deleteDirectory(folder);
        }
    }

    private void look(Path copy) throws UnreadableInput {
        SQLiteDataSource source = new SQLiteDataSource();
        source.setUrl("jdbc:sqlite:" + copy);
        try (Connection connection = source.getConnection();
                Statement statement = connection.createStatement()) {
            // The driver offers no defensive mode. What that forbids would take a statement from outside, and none is
            // ever run: triggers and views are refused here, tables are compared to the letter.
            statement.execute("PRAGMA trusted_schema = OFF");
            statement.execute("PRAGMA cell_size_check = ON");
            int application = number(statement, "PRAGMA application_id");
            if (application != 0 && application != APPLICATION) {
                throw refused("belongs to another program");
            }
            if (number(statement, "SELECT count(*) FROM sqlite_master WHERE type NOT IN ('table', 'index')") > 0
                    || number(statement, "SELECT count(*) FROM sqlite_master WHERE sql LIKE 'CREATE VIRTUAL%'") > 0) {
                throw refused("holds commands of its own (triggers, views) that no logbook has");
            }
            if (!"ok".equals(text(statement, "PRAGMA quick_check(1)"))) {
                throw refused("is damaged");
            }
        } catch (SQLException broken) {
            throw refused("is no logbook Mobrak can read");
        }
    }

    private static int number(Statement statement, String sql) throws SQLException {
        return Integer.parseInt(text(statement, sql));
    }

    private static String text(Statement statement, String sql) throws SQLException {
        try (ResultSet rows = statement.executeQuery(sql)) {
            rows.next();
            return rows.getString(1);
        }
    }

    private UnreadableInput refused(String why) {
        return new UnreadableInput(
                "%s %s; nothing was changed. Move it away together with %s, %s and %s, then put a copy in its place."
                        .formatted(
                                file,
                                why,
                                beside(LOG).getFileName(),
                                beside("-shm").getFileName(),
                                beside(JOURNAL).getFileName()));
    }

    private Path beside(String ending) {
        return file.resolveSibling(file.getFileName() + ending);
    }
}
