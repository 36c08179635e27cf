package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.core.catalogue.Route.Phase;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Fact;
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

        Bench(Path folder) throws Exception {
            session = new Session(folder, top.resolve("cache"), DrawerFile.benchOf(folder), CLOCK, drawing);
            does(Session::open);
        }

        void does(Consumer<Session> command) throws Exception {
            drawing.submit(() -> command.accept(session)).get(20, TimeUnit.SECONDS);
            while (drawing.submit(() -> session.work().get().isPresent()).get(20, TimeUnit.SECONDS)) {
                Thread.onSpinWait();
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
    void aJobIsWalkedAndWhatWasWantedIsKept() throws Exception {
        Path folder = top.resolve("workspace");
        Workspace.create(folder, List.of(HOME.resolve("catalogue"), HOME.resolve("demo/catalogue")));
        Limits limits = Limits.none().with("no-money").with("minutes=90");
        try (Bench bench = new Bench(folder)) {
            bench.does(session ->
                    session.takePasted("[ro.product.model]: [KQ-T5]\n[ro.build.version.release]: [2.3.6]\n"));
            assertThat(bench.desk().dossier().phone().nickname())
                    .as("a paste without a phone makes one")
                    .isEqualTo("KQ-T5");
            bench.does(session -> session.takeTyped(Fact.BATTERY_PERCENT, "80"));
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
            bench.does(session -> session.tick(nothing));
            assertThat(bench.session.notice().get()).map(Notice::text).contains("No job runs on this phone.");
            bench.does(session -> session.takeTyped(Fact.BATTERY_PERCENT, "many"));
            assertThat(bench.session.notice().get()).map(Notice::bad).contains(true);
            assertThat(bench.desk().dossier().intakes()).isEmpty();
        }
    }
}
