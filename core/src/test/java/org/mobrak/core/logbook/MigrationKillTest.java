package org.mobrak.core.logbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.util.concurrent.TimeUnit;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.sqlite.SQLiteDataSource;

/** A program that is killed amid bringing an old logbook up to date, or amid a daily copy, leaves what was before or what comes after. */
class MigrationKillTest {
    private static final int PHONES = 30_000;

    @TempDir
    private Path top;

    /** A logbook as the first Mobrak left it. */
    private Path old() throws Exception {
        Path folder = top.resolve("old");
        Files.createDirectories(folder.resolve("catalogue/routes"));
        SQLiteDataSource source = new SQLiteDataSource();
        source.setUrl("jdbc:sqlite:" + folder.resolve("logbook.db"));
        Flyway.configure()
                .dataSource(source)
                .locations("classpath:org/mobrak/core/logbook")
                .target("1")
                .load()
                .migrate();
        try (Connection connection = source.getConnection()) {
            connection.setAutoCommit(false);
            try (PreparedStatement phone = connection.prepareStatement(
                    "INSERT INTO phone (nickname, added_at) VALUES (?, '2026-01-01T12:00:00Z')")) {
                for (int i = 0; i < PHONES; i++) {
                    phone.setString(1, "Phone " + i);
                    phone.addBatch();
                }
                phone.executeBatch();
            }
            connection.commit();
        }
        Workspace.agree(folder, top.resolve("cache"));
        return folder;
    }

    @ParameterizedTest
    @ValueSource(ints = {250, 500, 750, 1_000, 1_400})
    void nothingIsLost(int millis) throws Exception {
        Path folder = old();
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        MigrationVictim.class.getName(),
                        folder.toString(),
                        top.resolve("cache").toString())
                .redirectErrorStream(true)
                .start();
        try (BufferedReader said = process.inputReader()) {
            assertThat(said.lines().anyMatch(MigrationVictim.BEGINS::equals)).isTrue();
            // The moment is meant to be any; nothing is waited for.
            process.waitFor(millis, TimeUnit.MILLISECONDS);
        } finally {
            process.destroyForcibly().waitFor();
        }
        try (Workspace open = Workspace.open(folder, top.resolve("cache"))) {
            assertThat(open.logbook().phones()).hasSize(PHONES);
            assertThat(open.damage()).isEmpty();
        }
        for (Path copy : Backups.of(folder)) {
            assertThat(IntegrityCheck.of(copy)).as("%s", copy).isEmpty();
        }
    }
}
