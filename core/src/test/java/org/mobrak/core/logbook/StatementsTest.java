package org.mobrak.core.logbook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class StatementsTest {
    private static final Instant AT = Instant.parse("2014-03-02T10:00:00Z");

    @Test
    void whatFailedFirstIsToldAlsoWhereTheDatabaseTookAllBackByItself() throws Exception {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite::memory:")) {
            Statements statements = new Statements(connection);
            statements.change("CREATE TABLE note (id INTEGER PRIMARY KEY, at TEXT, words TEXT)");
            assertThatThrownBy(() -> statements.together(() -> {
                        statements.add("INSERT INTO note (at, words) VALUES (?, ?)", AT, "lost");
                        try (Statement full = connection.createStatement()) {
                            full.execute("ROLLBACK");
                        }
                        throw new IOException("no room");
                    }))
                    .isInstanceOf(IOException.class)
                    .hasMessage("no room");
            long kept = statements.together(
                    () -> statements.add("INSERT INTO note (at, words) VALUES (?, ?)", AT, Optional.empty()));
            assertThat(statements.list("SELECT at, words FROM note WHERE id = ?", row -> row.time("at"), kept))
                    .as("goes on as before")
                    .containsExactly(AT);
            assertThat(statements.list("SELECT id FROM note", row -> row.number("id")))
                    .hasSize(1);
        }
    }
}
