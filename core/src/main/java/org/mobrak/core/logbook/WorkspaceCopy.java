package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.identity.UnreadableInput;

/** A workspace as it stands, a second time: something to try things on that nobody needs to keep. */
public final class WorkspaceCopy {
    private WorkspaceCopy() {}

    /**
     * Copies logbook and catalogue; the workspace may be open meanwhile. The files that were looked into are left out: they are for
     * the real phone.
     *
     * @param to a folder that does not exist yet
     */
    public static void make(Path from, Path to) throws IOException {
        Files.createDirectories(to);
        PathUtils.copyDirectory(from.resolve("catalogue"), to.resolve("catalogue"));
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + from.resolve("logbook.db"));
                PreparedStatement copying = connection.prepareStatement("VACUUM INTO ?")) {
            copying.setString(1, to.resolve("logbook.db").toString());
            copying.execute();
            forgetFiles(to);
        } catch (SQLException broken) {
            throw new UnreadableInput(from + " cannot be copied (" + broken.getMessage() + ").");
        }
    }

    /**
     * Copies a workspace that came from elsewhere as it lies there, to be looked through: nothing is written into it, and no link in it
     * is followed. An {@link UnreadableInput} tells why its logbook must not be opened.
     *
     * @param to a folder that does not exist yet
     */
    public static void forALook(Path from, Path to) throws IOException {
        if (!Files.isDirectory(from.resolve("catalogue"), LinkOption.NOFOLLOW_LINKS)) {
            throw new UnreadableInput(from + " is no workspace; check the path.");
        }
        new LogbookGuard(from.resolve("logbook.db")).check(true);
        Files.createDirectories(to);
        for (String ending : List.of("", "-wal", "-journal")) {
            Path file = from.resolve("logbook.db" + ending);
            if (Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
                Files.copy(file, to.resolve(file.getFileName()), LinkOption.NOFOLLOW_LINKS);
            }
        }
        PathUtils.copyDirectory(from.resolve("catalogue"), to.resolve("catalogue"), LinkOption.NOFOLLOW_LINKS);
    }

    private static void forgetFiles(Path copy) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + copy.resolve("logbook.db"));
                Statement forgetting = connection.createStatement()) {
            for (String table : List.of("stock_check", "stock_copy", "material", "entry")) {
                forgetting.execute("DELETE FROM " + table);
            }
            // What is left is put in order anew when the copy is opened.
            forgetting.execute("PRAGMA user_version = 0");
        }
    }
}
