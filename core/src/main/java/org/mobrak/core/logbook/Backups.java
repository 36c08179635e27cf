package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.mobrak.core.identity.UnreadableInput;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Copies of the logbook that are made by themselves: one for each day on which it is opened, and one before its tables are changed. They
 * lie in the workspace's folder {@code backups}; the newest are kept.
 */
public final class Backups {
    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    /** A fortnight of days on which somebody worked; our own choice. */
    private static final int KEPT = 14;

    private static final String BEGIN = "logbook-";
    private static final String END = ".db";
    private static final List<String> BESIDE = List.of("", "-wal", "-shm", "-journal");

    private final Path folder;
    private final Path logbook;

    Backups(Path workspace) {
        this.folder = workspace.resolve("backups");
        this.logbook = workspace.resolve("logbook.db");
    }

    /** The copies, the newest first. */
    public static List<Path> of(Path workspace) throws IOException {
        return new Backups(workspace).all();
    }

    private List<Path> all() throws IOException {
        if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
            return List.of();
        }
        try (Stream<Path> inside = Files.list(folder)) {
            return inside.filter(file -> file.getFileName().toString().startsWith(BEGIN)
                            && file.getFileName().toString().endsWith(END))
                    .sorted(Comparator.comparing(
                                    (Path file) -> file.getFileName().toString())
                            .reversed())
                    .toList();
        }
    }

    /** Makes the day's copy where there is none yet, and lets the oldest go. The logbook may be in use meanwhile. */
    void makeDaily(LocalDate day) {
        try {
            Path copy = folder.resolve(BEGIN + day + END);
            if (Files.exists(copy) || !Files.exists(logbook)) {
                return;
            }
            make(copy);
            for (Path old : all().stream().skip(KEPT).toList()) {
                Files.deleteIfExists(old);
            }
        } catch (IOException failed) {
            // The work goes on without; whoever looks at the copies sees that the day's is not there.
            LOG.warn("The logbook's copy for today could not be made", failed);
        }
    }

    /** Makes a copy before the tables are changed; without it they are not. */
    void makeBefore(int version) throws IOException {
        make(folder.resolve(BEGIN + "before-version-" + version + END));
    }

    /** The copy is there whole or not at all. */
    private void make(Path copy) throws IOException {
        if (Files.isSymbolicLink(folder)) {
            throw new UnreadableInput(folder + " is a link; no copy of the logbook is made through it. Delete it.");
        }
        Files.createDirectories(folder);
        Path beside = folder.resolve(".new-" + copy.getFileName());
        Files.deleteIfExists(beside);
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + logbook);
                PreparedStatement copying = connection.prepareStatement("VACUUM INTO ?")) {
            copying.setString(1, beside.toString());
            copying.execute();
            Files.move(beside, copy, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (SQLException broken) {
            throw new UnreadableInput("The logbook cannot be copied (" + broken.getMessage() + ").");
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    /**
     * Puts a copy in the logbook's place, of a workspace that nobody has open; what was there is kept beside the copies.
     *
     * @return where what was there is now
     */
    public static Path restore(Path workspace, Path copy, String stamp) throws IOException {
        Backups backups = new Backups(workspace);
        if (!copy.toAbsolutePath()
                        .normalize()
                        .startsWith(backups.folder.toAbsolutePath().normalize())
                || !Files.isRegularFile(copy)) {
            throw new UnreadableInput(copy + " is none of this workspace's copies.");
        }
        new LogbookGuard(copy).check(true);
        Path kept = Files.createDirectories(backups.folder.resolve("replaced-" + stamp));
        for (String ending : BESIDE) {
            Path old = workspace.resolve("logbook.db" + ending);
            if (Files.isRegularFile(old, LinkOption.NOFOLLOW_LINKS)) {
                Files.copy(old, kept.resolve(old.getFileName()), StandardCopyOption.REPLACE_EXISTING);
            }
        }
        Path fresh = workspace.resolve(".restoring.db");
        Files.copy(copy, fresh, StandardCopyOption.REPLACE_EXISTING);
        settle(backups.logbook);
        // A log that stays behind would be played into the logbook that takes the place of its own.
        Files.deleteIfExists(workspace.resolve("logbook.db-wal"));
        Files.deleteIfExists(workspace.resolve("logbook.db-shm"));
        Files.deleteIfExists(workspace.resolve("logbook.db-journal"));
        Files.move(fresh, backups.logbook, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        return kept;
    }

    /** What stands in the log goes into the logbook, so that it is whole without it; one that is damaged stays as it is. */
    private static void settle(Path logbook) {
        if (!Files.isRegularFile(logbook, LinkOption.NOFOLLOW_LINKS)) {
            return;
        }
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + logbook);
                Statement statement = connection.createStatement()) {
            statement.execute("PRAGMA wal_checkpoint(TRUNCATE)");
        } catch (SQLException damaged) {
            LOG.info("The logbook that makes way cannot be settled", damaged);
        }
    }
}
