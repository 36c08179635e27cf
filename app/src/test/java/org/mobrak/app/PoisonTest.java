package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.transfer.Imported;

/** A row that holds what no row should stops nothing but itself, whatever it holds and wherever it stands. */
class PoisonTest extends DemoSessions {
    private static final List<String> POISONS = List.of(
            "",
            "null",
            "{}",
            "[null]",
            "{\"version\":2}",
            "{\"version\":2,\"plan\":{\"routes\":[null]},\"sheet\":{\"steps\":[null]}}",
            "[".repeat(5_000),
            "9".repeat(100_000),
            "+1000000000-12-31T23:59:59.999999999Z",
            "2099-01-01T00:00:00Z",
            "a\u0000b\u202e\n",
            "../../etc/x");
    /** Cells that hold what a person wrote, where any text is as good as another. */
    private static final Set<String> ANY_TEXT = Set.of("nickname", "name", "text", "note", "step_id", "model", "build");

    private static final List<String> SETTINGS = List.of(
            "drills",
            "habits",
            "proof",
            "sound",
            "reports",
            "phone",
            "reminders.1",
            "wish.1",
            "aftercare.1",
            "workshop",
            "workshop-guides",
            "rehearsed.1",
            "dark",
            "page",
            "size");

    private Path demo() throws Exception {
        Path folder = top.resolve("demo");
        DemoWorkspace.create(HOME, folder, top.resolve("cache"), Clock.systemUTC());
        return folder;
    }

    private static Connection connect(Path folder) throws SQLException {
        return DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("logbook.db"));
    }

    /** Rows are copied, and each copy gets one poisoned cell; gives the tables and numbers of those that must be told. */
    private static Set<String> poison(Path folder) throws SQLException {
        Set<String> poisoned = new LinkedHashSet<>();
        try (Connection connection = connect(folder);
                Statement statement = connection.createStatement()) {
            for (String table : List.of("job", "intake", "event", "material", "stock_copy")) {
                List<String> columns = new ArrayList<>();
                try (ResultSet all = statement.executeQuery("SELECT name FROM pragma_table_info('" + table + "')")) {
                    while (all.next()) {
                        columns.add(all.getString(1));
                    }
                }
                columns.remove("id");
                String same = String.join(", ", columns);
                for (String column : columns) {
                    for (String poison : POISONS) {
                        String others = same.replaceFirst("\\b" + column + "\\b", "?");
                        try (PreparedStatement insert = connection.prepareStatement(
                                "INSERT INTO %s (%s) SELECT %s FROM %s WHERE id = (SELECT min(id) FROM %s)"
                                        .formatted(table, same, others, table, table))) {
                            insert.setString(1, poison);
                            insert.executeUpdate();
                        } catch (SQLException notTaken) {
                            continue;
                        }
                        boolean odd = !ANY_TEXT.contains(column) && !poison.startsWith("2099");
                        if (odd && !column.endsWith("_id") && !column.equals("proved_by")) {
                            poisoned.add(table + "." + column);
                        }
                    }
                }
            }
        }
        return poisoned;
    }

    @Test
    void oneBadRowStopsNoCommandAndIsNamed() throws Exception {
        Path folder = demo();
        Path cache = top.resolve("cache");
        Transfers transfers = new Transfers(HOME, cache, Clock.systemUTC());
        assertThat(poison(folder)).hasSizeGreaterThan(10);
        List<String> problems = transfers.check(folder).problems();
        assertThat(problems)
                .anyMatch(told -> told.contains("texts") && told.contains("cannot be read"))
                .anyMatch(told -> told.contains("jobs") && told.contains("cannot be read"))
                .anyMatch(told -> told.contains("files") && told.contains("cannot be read"))
                .anyMatch(told -> told.contains("was not written down by Mobrak"));
        assertThat(transfers.reminders(folder)).isNotNull();
        assertThat(transfers.search(folder, "hive").hits()).isNotEmpty();
        List<PhoneRecord> phones;
        try (Workspace open = Workspace.open(folder, cache)) {
            phones = open.logbook().phones();
        }
        for (PhoneRecord phone : phones) {
            transfers.report(folder, phone.nickname(), List.of(top.resolve("case.html"), top.resolve("case.csv")));
        }
        Path zip = top.resolve("poisoned.zip");
        transfers.export(folder, Optional.empty(), false, zip);
        Path other = top.resolve("other");
        Imported came = transfers.take(zip, other, Set.of());
        assertThat(came.unreadable())
                .as("named before it is taken in")
                .anyMatch(row -> row.startsWith("jobs.jsonl, row ") && row.contains("sheet"))
                .anyMatch(row -> row.startsWith("texts.jsonl, row ") && row.contains("takenAt"));
        assertThat(transfers.take(zip, other, Set.of()).added())
                .as("what export writes, import takes, once")
                .isEmpty();
        assertThat(transfers.check(other).phones()).isEqualTo(phones.size());
        try (Session session = open(other, phones.get(0).nickname())) {
            assertThat(desk(session).dossier().phone().nickname())
                    .isEqualTo(phones.get(0).nickname());
        }
        assertThat(Files.size(zip)).isPositive();
    }

    /** What is kept of how the desk was left, and of drills, reports, wishes and drafts. */
    @Test
    void aSettingThatSaysNothingIsAsIfItWereNotThere() throws Exception {
        Path folder = demo();
        for (String poison : POISONS) {
            try (Connection connection = connect(folder);
                    PreparedStatement put =
                            connection.prepareStatement("INSERT OR REPLACE INTO setting (name, value) VALUES (?, ?)")) {
                for (String name : SETTINGS) {
                    put.setString(1, name);
                    put.setString(2, poison);
                    put.executeUpdate();
                }
            }
            try (Session session = open(folder, "Hive 1,")) {
                assertThat(desk(session).dossier().phone().nickname())
                        .as("%.20s", poison)
                        .startsWith("Hive 1,");
                assertThat(session.notice().get().filter(Notice::bad))
                        .as("%.20s", poison)
                        .isEmpty();
            }
        }
    }
}
