package org.mobrak.core.logbook.transfer;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import org.mobrak.core.identity.UnreadableInput;
import org.sqlite.SQLiteConfig;

/** A connection of its own to the logbook of a workspace that is held open meanwhile. */
final class Database {
    private static final int PATIENCE_MILLIS = 5_000;

    private Database() {}

    static Connection open(Path workspace) throws IOException {
        SQLiteConfig config = new SQLiteConfig();
        config.enforceForeignKeys(true);
        config.setBusyTimeout(PATIENCE_MILLIS);
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        try {
            Connection connection = config.createConnection("jdbc:sqlite:" + workspace.resolve("logbook.db"));
            connection.setAutoCommit(false);
            return connection;
        } catch (SQLException broken) {
            throw failed(workspace, broken);
        }
    }

    static IOException failed(Path workspace, SQLException broken) {
        return new UnreadableInput("The logbook of %s cannot be used (%s).".formatted(workspace, broken.getMessage()));
    }
}
