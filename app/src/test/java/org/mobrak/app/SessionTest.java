package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;

/** What a user can do, done without a window. */
class SessionTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-11-24T09:00:00Z"), ZoneOffset.UTC);

    @TempDir
    private Path top;

    /** A session, and the thread on which it is called. */
    private final class Bench implements AutoCloseable {
        private final ExecutorService drawing = Executors.newSingleThreadExecutor();
        private final Session session;
        private final List<Glance> told = new CopyOnWriteArrayList<>();
        private final List<Notice> said = new CopyOnWriteArrayList<>();

        Bench(Path folder) throws Exception {
            session = new Session(folder, top.resolve("cache"), DrawerFile.benchOf(folder), CLOCK, drawing);
            session.notice().addListener((source, before, now) -> now.ifPresent(said::add));
            session.glance().addListener((source, before, now) -> told.add(now));
            session.snapshot().addListener((source, before, now) -> told.add(now.glance()));
            does(Session::open);
            does(Session::settle);
        }

        void does(Consumer<Session> command) throws Exception {
            drawing.submit(() -> command.accept(session)).get(20, TimeUnit.SECONDS);
            while (drawing.submit(() -> session.work().get().isPresent()).get(20, TimeUnit.SECONDS)) {
                Thread.sleep(1);
            }
        }

        Snapshot sees() {
            return session.snapshot().get();
        }

        Desk desk() {
            return sees().desk().orElseThrow();
        }

        @Override
        public void close() {
            session.close();
            drawing.shutdownNow();
        }
    }

    @Test
    void damageThatTheQuickLookPassesOverIsToldBesideTheWork() throws Exception {
        Path folder = top.resolve("damaged");
        Workspace.create(folder, List.of(HOME.resolve("catalogue")));
        try (Bench bench = new Bench(folder)) {
            bench.does(session -> session.readings().takePasted("[ro.product.model]: [KQ-T5]\n"));
            assertThat(bench.sees().unread()).isEmpty();
        }
        letAnIndexSayAnotherPhone(folder.resolve("logbook.db"));
        try (Bench bench = new Bench(folder)) {
            assertTimeoutPreemptively(Duration.ofSeconds(20), () -> {
                while (bench.sees().unread().isEmpty()) {
                    Thread.sleep(1);
                }
            });
            assertThat(bench.sees().unread())
                    .extracting(Finding::code)
                    .as("told with the workspace open")
                    .contains("logbook-damaged");
            assertThat(bench.session.notice().get())
                    .hasValueSatisfying(told -> assertThat(told.text()).contains("copy the whole folder"));
            assertThat(bench.desk().dossier().phone().nickname()).isEqualTo("KQ-T5");
        }
        assertThat(folder.resolve("logbook.db-wal")).doesNotExist();
    }

    @Test
    void whyAWorkspaceCannotBeOpenedIsNotDrownedByWhatWouldHaveFollowed() throws Exception {
        try (Bench bench = new Bench(top.resolve("nowhere"))) {
            assertThat(bench.sees()).isNull();
            assertThat(bench.told).isEmpty();
            assertThat(bench.said).hasSize(1).allMatch(one -> one.text().contains("nowhere is no workspace"));
        }
    }

    @Test
    void whoIsThereIsToldBeforeTheWaysAndStaysTheSame() throws Exception {
        Path folder = top.resolve("known");
        Workspace.create(folder, List.of(HOME.resolve("catalogue")));
        try (Bench bench = new Bench(folder)) {
            assertThat(bench.told.get(0).phone()).isEmpty();
            bench.does(session -> session.readings().takePasted("[ro.product.model]: [KQ-T5]\n"));
        }
        try (Bench bench = new Bench(folder)) {
            Glance first = bench.told.get(0);
            Glance.Phone phone = first.phone().orElseThrow();
            assertThat(phone.identity().facts().value(Fact.MODEL)).contains("KQ-T5");
            assertThat(first.drawer()).extracting(DrawerEntry::name).containsExactly("KQ-T5");
            Glance.Phone later = bench.told.get(1).phone().orElseThrow();
            assertThat(phone.tellsTheSame(later)).isTrue();
            bench.does(session -> session.readings().takePasted("[ro.build.version.release]: [4.4.2]\n"));
            Glance last = bench.told.get(bench.told.size() - 1);
            assertThat(last.phone().filter(phone::tellsTheSame)).isEmpty();
        }
    }

    private static void letAnIndexSayAnotherPhone(Path file) throws SQLException {
        String kept = "CREATE TABLE kept AS SELECT * FROM sqlite_master WHERE name = 'intake_of_phone'";
        statements(
                file, kept, "PRAGMA writable_schema = ON", "DELETE FROM sqlite_master WHERE name = 'intake_of_phone'");
        statements(
                file,
                "CREATE TEMP TABLE more AS SELECT * FROM phone",
                "UPDATE more SET id = id + 1",
                "INSERT INTO phone SELECT * FROM more",
                "UPDATE intake SET phone_id = phone_id + 1");
        statements(
                file, "PRAGMA writable_schema = ON", "INSERT INTO sqlite_master SELECT * FROM kept", "DROP TABLE kept");
    }

    private static void statements(Path file, String... all) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            for (String one : all) {
                statement.execute(one);
            }
        }
    }

    @Test
    void aJobIsWalkedAndWhatWasWantedIsKept() throws Exception {
        Path folder = top.resolve("workspace");
        Workspace.create(folder, List.of(HOME.resolve("catalogue"), HOME.resolve("demo/catalogue")));
        Limits limits = Limits.none().with("no-money").with("minutes=90");
        try (Bench bench = new Bench(folder)) {
            bench.does(session -> session.readings()
                    .takePasted("[ro.product.model]: [KQ-T5]\n[ro.build.version.release]: [2.3.6]\n"));
            assertThat(bench.desk().dossier().phone().nickname())
                    .as("a paste without a phone makes one")
                    .isEqualTo("KQ-T5");
            bench.does(session -> session.readings().takeTyped(Fact.BATTERY_PERCENT, "80"));
            assertThat(bench.desk().identity().facts().value(Fact.MODEL)).contains("KQ-T5");
            bench.does(session -> session.wish(Goal.ofKey("root+recovery").orElseThrow()));
            bench.does(session -> session.wish(Optional.of(School.EXACT)));
            bench.does(session -> session.wish(limits));
        }
        try (Bench bench = new Bench(folder)) {
            assertThat(bench.desk().wish())
                    .as("kept with the workspace")
                    .isEqualTo(new Wish(Goal.ofKey("root+recovery").orElseThrow(), Optional.of(School.EXACT), limits));
            bench.does(session -> session.undo());
            assertThat(bench.sees().undo()).isEmpty();
        }
    }

    @Test
    void aRefusalChangesNothingAndIsTold() throws Exception {
        Path folder = top.resolve("workspace");
        Workspace.create(folder, List.of(HOME.resolve("catalogue"), HOME.resolve("demo/catalogue")));
        try (Bench bench = new Bench(folder)) {
            bench.does(session -> session.addPhone("Hive 1"));
            Step nothing = new Step.Fetch(new Step.Line("gather-1", Phase.GATHER, "r", "t", "x"), Optional.empty());
            bench.does(session -> session.job().tick(nothing));
            assertThat(bench.session.notice().get()).map(Notice::text).contains("No job runs on this phone.");
            bench.does(session -> session.readings().takeTyped(Fact.BATTERY_PERCENT, "many"));
            assertThat(bench.session.notice().get()).map(Notice::bad).contains(true);
            assertThat(bench.desk().dossier().intakes()).isEmpty();
        }
    }
}
