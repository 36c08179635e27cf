package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.file.Files;
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

    private static void forgetFiles(Path copy) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + copy.resolve("logbook.db"));
                Statement forgetting = connection.createStatement()) {
            for (String table : List.of("stock_check", "stock_copy", "material")) {
                forgetting.execute("DELETE FROM " + table);
            }
        }
    }
}
