package org.mobrak.core.logbook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assumptions.assumeThat;
import static org.mobrak.core.Sample.NOW;
import static org.mobrak.core.Sample.route;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.io.file.PathUtils;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.Otherwise;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.job.Demand;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.material.Forge;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Planner;

class WorkspaceTest {
    private static final List<Path> SHIPPED = Sample.SHIPPED_FOLDERS.own();
    private static final RunSheet SHEET = sheet();

    private static RunSheet sheet() {
        Catalogue catalogue = new Catalogue(
                List.of(),
                List.of(route("app")
                        .step(Phase.DO, "press")
                        .step(Phase.PROVE, "ask")
                        .making(Fact.ROOT, "permanent")));
        Planner.Answer answer = Planner.plan(Goal.ROOT, catalogue, Facts.none(), Optional.empty(), Limits.none());
        return RunSheet.of(answer.plans().get(0), catalogue, Facts.none());
    }

    @TempDir
    private Path top;

    private Path folder;

    @BeforeEach
    void create() throws Exception {
        folder = top.resolve("workspace");
        Workspace.create(folder, SHIPPED);
    }

    @Test
    void whatWasWrittenIsThereWhenItIsOpenedAgain() throws Exception {
        Job job;
        Dossier before;
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive “1” ; DROP TABLE phone", NOW);
            logbook.take(phone, TextIntake.pasted("[ro.product.model]: [KQ-T5]\n[ro.build.id]: [GR"), NOW);
            logbook.take(phone, TypedReading.parse("lock=locked", NOW));
            job = logbook.start(phone, JobPlan.unknown(), SHEET, NOW);
            job = logbook.record(job, new Event.Ticked(NOW, "do-1"));
            before = logbook.dossier(phone);
            assertThatThrownBy(() -> logbook.start(phone, JobPlan.unknown(), SHEET, NOW))
                    .hasMessageContaining("runs on this phone already");
        }
        try (Workspace workspace = open(folder)) {
            Dossier after =
                    workspace.logbook().dossier(workspace.logbook().phones().get(0));
            assertThat(after).isEqualTo(before);
            assertThat(after.runningJob()).contains(job);
            assertThat(after.ledger().facts().value(Fact.MODEL)).contains("KQ-T5");
            assertThat(after.ledger().facts().value(Fact.LOCK)).contains("locked");
            assertThat(after.findings())
                    .singleElement()
                    .satisfies(cut -> assertThat(cut.code()).isEqualTo("cut-listing"));
        }
    }

    /** What lies on disk at each moment is what a kill at that moment leaves: the events before it, whole, and none of the half. */
    @Test
    void aKillAtAnyEventLeavesAllThatWasAcknowledged() throws Exception {
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            Job job = logbook.start(phone, JobPlan.unknown(), SHEET, NOW);
            Step press = SHEET.of(Phase.DO).get(0);
            List<List<Event>> commands = List.of(
                    List.of(new Event.Chosen(NOW, Habit.PLUG)),
                    List.of(new Event.Begun(NOW, press.id())),
                    List.of(new Event.SignMissed(NOW, press.id(), "")),
                    job.ticking(press, Facts.none(), NOW),
                    List.of(new Event.Noted(NOW, press.id(), "warm")),
                    List.of(new Event.Paused(NOW, "rain"), new Event.Resumed(NOW, "os")),
                    List.of(new Event.Unticked(NOW, press.id())),
                    List.of(new Event.Ended(NOW, Event.End.STOPPED, "")));
            for (List<Event> command : commands) {
                Job before = job;
                job = logbook.together(() -> {
                    Job written = logbook.record(before, command);
                    assertThat(killedNow()).as("amid %s", command).isEqualTo(before.events());
                    return written;
                });
                assertThat(killedNow()).as("after %s", command).isEqualTo(job.events());
            }
        }
    }

    /** The events that a program started after a kill finds. */
    private List<Event> killedNow() throws IOException {
        Path left = Files.createTempDirectory(top, "left");
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Files.copy(file, left.resolve(file.getFileName()));
            }
        }
        Files.createDirectories(left.resolve("catalogue/routes"));
        Workspace.agree(left, top.resolve("cache"));
        try (Workspace workspace = open(left)) {
            Logbook logbook = workspace.logbook();
            return logbook.dossier(logbook.phones().get(0)).jobs().get(0).events();
        }
    }

    /** What was done is done, whether the job goes on or stops. */
    @Test
    void whatAStepBroughtAboutHoldsFromThenOn() throws Exception {
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            logbook.take(phone, TypedReading.parse("root=none", NOW));
            Step press = SHEET.of(Phase.DO).get(0);
            Job job = logbook.start(phone, JobPlan.unknown(), SHEET, NOW);
            job = logbook.record(job, new Event.Begun(NOW, press.id()));
            assertThat(rootOf(logbook, phone))
                    .as("while it is being done nobody knows")
                    .isEmpty();
            job = logbook.record(job, job.ticking(press, Facts.none(), NOW));
            assertThat(rootOf(logbook, phone)).contains("permanent");
            job = logbook.record(job, new Event.Unticked(NOW, press.id()));
            assertThat(rootOf(logbook, phone))
                    .as("nor after the tick was a mistake")
                    .isEmpty();
            job = logbook.record(job, job.ticking(press, Facts.none(), NOW));
            logbook.record(job, new Event.Ended(NOW, Event.End.STOPPED, "rain"));
            assertThat(rootOf(logbook, phone)).contains("permanent");
            logbook.take(phone, TypedReading.parse("root=none", NOW.plusSeconds(60)));
            assertThat(rootOf(logbook, phone)).as("a later reading").contains("none");
        }
    }

    private static Optional<String> rootOf(Logbook logbook, PhoneRecord phone) {
        return logbook.dossier(phone).ledger().facts().value(Fact.ROOT);
    }

    /** The sheet is one that an earlier version wrote. */
    @Test
    void aJobFromBeforePlansWereKeptGoesOnAndItsEffectsHoldAtItsEnd() throws Exception {
        try (Workspace workspace = open(folder);
                Connection connection = connect();
                Statement statement = connection.createStatement()) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            logbook.take(phone, TypedReading.parse("kernelRelease=3.0.31-412", NOW));
            try (PreparedStatement insert =
                    connection.prepareStatement("INSERT INTO job VALUES (7, ?, ?, '2026-11-24T09:00:01Z')")) {
                insert.setLong(1, phone.id());
                insert.setString(2, golden("job-1.json"));
                insert.execute();
            }
            statement.execute(
                    "INSERT INTO journal VALUES (1, 7, '2026-11-24T09:00:02Z', 'TICKED', 'gather-1', ''), (2, 7, '2026-11-24T09:00:03Z', 'TICKED', 'do-1', '')");
            Job job = logbook.dossier(phone).runningJob().orElseThrow();
            assertThat(job.tickedCount()).isEqualTo(2);
            assertThat(job.plan().isKnown()).isFalse();
            for (Step step : job.sheet().steps()) {
                job = job.isTicked(step) ? job : logbook.record(job, job.ticking(step, Facts.none(), NOW));
            }
            assertThat(rootOf(logbook, phone)).isEmpty();
            logbook.record(job, new Event.Ended(NOW, Event.End.WORKED, ""));
            Facts facts = logbook.dossier(phone).ledger().facts();
            assertThat(facts.value(Fact.ROOT)).contains("permanent");
            assertThat(facts.value(Fact.KERNEL_RELEASE)).contains("3.0.31-412root");
        }
    }

    /** The form in which jobs are kept; a change of it must not make those on disk unreadable. */
    @Test
    void aJobIsWrittenAndReadInTheFormOfTheGoldenFile() throws Exception {
        Step press = SHEET.of(Phase.DO).get(0);
        JobPlan plan = new JobPlan(
                "root",
                Optional.of("exact"),
                List.of("no-money"),
                List.of(new JobPlan.PlannedRoute("app", "Route app", "00ff")),
                Map.of(Fact.MODEL, "KQ-T5", Fact.ROOT, "none"));
        List<Event> events = List.of(
                new Event.Begun(NOW, press.id()),
                new Event.SignMissed(NOW, press.id(), "The sign does not come"),
                new Event.Ticked(NOW, press.id()),
                new Event.EffectHeld(NOW, press.id(), Map.of(Fact.ROOT, "temporary")),
                new Event.Unticked(NOW, press.id()),
                new Event.Proved(NOW, "prove-1", 6),
                new Event.ModeSeen(NOW, "recovery"),
                new Event.Overridden(NOW, "prepare-1", "a new battery"),
                new Event.FileTaken(NOW, "gather-1", "a.img", "cd"),
                new Event.Demanded(
                        NOW, new Demand(new Gate(Fact.CABLE, List.of("data"), Optional.empty(), "why"), "a.img")),
                new Event.Chosen(NOW, Habit.PLUG),
                new Event.Noted(NOW, press.id(), "warm"),
                new Event.Photo(NOW, press.id(), "/photos/1.jpg", "ab"),
                new Event.Paused(NOW, "rain"),
                new Event.Resumed(NOW, "os"),
                new Event.Ended(NOW, Event.End.WORKED, "well"));
        RunSheet sheet = everyKindOfStep();
        String written = Stream.concat(
                        Stream.of(JobJson.write(plan, sheet)), events.stream().map(JobJson::write))
                .collect(Collectors.joining("\n", "", "\n"));
        assertThat(written).isEqualTo(golden("job-2.jsonl"));
        assertThat(JobJson.start(written.lines().findFirst().orElseThrow()))
                .isEqualTo(new JobJson.Start(2, plan, sheet));
        assertThat(written.lines().skip(1).map(JobJson::event)).isEqualTo(events);
    }

    private static RunSheet everyKindOfStep() {
        Optional<String> none = Optional.empty();
        Step.Doing doing = new Step.Doing(
                Optional.of("os"),
                Optional.of("download"),
                Optional.of(KeyChord.parse("hold volume-down + power until the warning; press volume-up")),
                Optional.of("a warning"),
                Optional.of(2),
                Optional.of(5),
                List.of(new RouteStep.Remedy("nothing shows", "another cable")),
                Optional.of(Habit.KEYS),
                List.of(new Otherwise(Habit.PLUG, "Put the plug in.", Optional.of("off"), Optional.empty(), none)));
        Step.Change change =
                new Step.Change(Map.of(Fact.LOCK, "unlocked"), Set.of(Fact.LOCK, Fact.KERNEL_RELEASE), true);
        Gate gate = new Gate(Fact.BATTERY_PERCENT, List.of(), Optional.of(50), "why");
        return new RunSheet(
                "All kinds",
                List.of(
                        new Step.Fetch(
                                line("gather-1", Phase.GATHER),
                                Optional.of(Sample.file(
                                        "a.img",
                                        Optional.of(7L),
                                        none,
                                        Optional.of(PartitionClass.KERNEL),
                                        Optional.of(true),
                                        Map.of(Fact.KERNEL_RELEASE, "3.4")))),
                        new Step.Ready(line("prepare-1", Phase.PREPARE), gate, false),
                        new Step.Act(line("do-1", Phase.DO), doing, List.of(PartitionClass.KERNEL), true, change),
                        new Step.Prove(line("prove-1", Phase.PROVE), doing, Optional.of(4), change)),
                Set.of(PartitionClass.KERNEL),
                Optional.of("25.00 USD"),
                Optional.of(change));
    }

    private static Step.Line line(String id, Phase phase) {
        return new Step.Line(id, phase, "Route app", "title", "text");
    }

    private static String golden(String name) throws IOException {
        return new String(WorkspaceTest.class.getResourceAsStream(name).readAllBytes(), StandardCharsets.UTF_8);
    }

    @Test
    void aWithdrawnTextNoLongerCountsAndIsKept() throws Exception {
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            long intake = logbook.take(phone, TextIntake.pasted("[ro.product.model]: [KQ-T5]\n"), NOW);
            logbook.withdraw(intake, NOW);
            assertThat(logbook.dossier(phone).ledger().readings()).isEmpty();
            assertThat(logbook.dossier(phone).intakes()).hasSize(1);
            logbook.restore(intake);
            assertThat(logbook.dossier(phone).ledger().readings()).hasSize(1);
        }
    }

    @Test
    void aReadingSetAsideIsKeptWithItsReasonUntilItIsTakenBack() throws Exception {
        Reading reading;
        long entry;
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            logbook.take(phone, TextIntake.pasted("[ro.product.model]: [KQ-T5]\n[ro.build.id]: [GRK39F]\n"), NOW);
            reading = logbook.dossier(phone).ledger().of(Fact.MODEL).get(0);
            entry = logbook.setAside(phone, reading, "the board was swapped", NOW);
            assertThatThrownBy(
                            () -> logbook.setAside(phone, reading.follows(Fact.BUILD_ID_DATE, "2011-08-08"), "x", NOW))
                    .hasMessageContaining("Only what was read can be set aside");
        }
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.phones().get(0);
            assertThat(logbook.dossier(phone).ledger().of(Fact.MODEL))
                    .containsExactly(reading.aside("the board was swapped"));
            assertThat(logbook.dossier(phone).ledger().facts().value(Fact.MODEL))
                    .isEmpty();
            assertThat(logbook.dossier(phone).ledger().facts().value(Fact.BUILD_ID))
                    .contains("GRK39F");
            assertThat(logbook.dossier(phone).asideOf(reading.aside("the board was swapped")))
                    .hasValueSatisfying(one -> assertThat(one.id()).isEqualTo(entry));
            logbook.takeBackAside(entry, NOW);
            assertThat(logbook.dossier(phone).ledger().facts().value(Fact.MODEL))
                    .contains("KQ-T5");
            logbook.repeatAside(entry);
            assertThat(logbook.dossier(phone).ledger().facts().value(Fact.MODEL))
                    .isEmpty();
        }
    }

    @Test
    void aPhoneTakenOutOfTheDrawerComesBackWithAllItHad() throws Exception {
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            logbook.take(phone, TypedReading.parse("lock=locked", NOW));
            logbook.withdraw(phone, NOW);
            assertThat(logbook.phones()).isEmpty();
            logbook.restore(phone);
            assertThat(logbook.phones()).containsExactly(phone);
            assertThat(logbook.dossier(phone).intakes()).hasSize(1);
        }
    }

    @Test
    void filesAndStockCopiesAreRememberedAndAskedOfTheDisk() throws Exception {
        Path image = folder.resolveSibling("boot.img");
        byte[] bytes = Forge.bootImage(0, new byte[100], new byte[100], "lantern2");
        Inspection found = Forge.inspect(image.getParent(), "boot.img", bytes);
        PhoneRecord phone;
        try (Workspace workspace = open(folder)) {
            phone = workspace.logbook().addPhone("Hive 1", NOW);
            Kept kept =
                    workspace.logbook().materials().keep(List.of(found), NOW).get(0);
            long copy = workspace
                    .logbook()
                    .materials()
                    .register(phone, kept, PartitionClass.KERNEL, "OV-L210F", "LN2-F09", NOW);
            assertThat(copy).isPositive();
        }
        try (Workspace workspace = open(folder)) {
            Materials materials = workspace.logbook().materials();
            Kept kept = materials.kept().get(0);
            assertThat(kept.material()).isEqualTo(Material.of(found));
            assertThat(kept.state()).isEqualTo(Kept.State.THERE);
            StockCopy copy = materials.copies(phone).get(0);
            assertThat(copy.isVerified()).isFalse();
            materials.check(copy, true, NOW);
            materials.check(copy, false, NOW.plusSeconds(1));
            materials.check(copy, true, NOW.plusSeconds(2));
            assertThat(materials.copies(phone).get(0).isVerified()).isTrue();
            Files.write(image, new byte[3]);
            assertThat(materials.kept().get(0).state()).isEqualTo(Kept.State.CHANGED);
            assertThat(materials.copies(phone).get(0).isVerified()).isFalse();
            materials.keep(List.of(found), NOW);
            assertThat(materials.kept()).hasSize(1);
            Files.delete(image);
            assertThat(materials.kept().get(0).state()).isEqualTo(Kept.State.GONE);
            materials.withdraw(materials.kept().get(0), NOW);
            assertThat(materials.kept()).isEmpty();
        }
    }

    /** A logbook as the first version left it: its findings say nothing of how sure they are. */
    @Test
    void anEarlierVersionsLogbookIsBroughtUpToDate() throws Exception {
        open(folder).close();
        try (Connection connection = connect();
                Statement statement = connection.createStatement()) {
            for (String later : List.of("entry", "event", "stock_check", "stock_copy", "material", "set_aside")) {
                statement.execute("DROP TABLE " + later);
            }
            statement.execute("ALTER TABLE phone DROP COLUMN withdrawn_at");
            statement.execute("ALTER TABLE intake DROP COLUMN proved_by");
            statement.execute("ALTER TABLE setting DROP COLUMN sum");
            statement.execute("INSERT INTO setting VALUES ('page', 'fit')");
            statement.execute("PRAGMA user_version = 0");
            statement.execute("DELETE FROM flyway_schema_history WHERE version > '1'");
            statement.execute("INSERT INTO phone VALUES (1, 'Hive 1', '2026-11-24T09:00:00Z')");
            statement.execute(
                    "INSERT INTO intake VALUES (1, 1, 'x', 'TEXT', '[ro.build.id]: [GRK39F]', '[{\"severity\":\"CAUTION\",\"code\":\"nul-bytes\",\"message\":\"m\"}]', '2026-11-24T09:00:00Z', NULL)");
        }
        try (Workspace workspace = open(folder)) {
            Dossier dossier =
                    workspace.logbook().dossier(workspace.logbook().phones().get(0));
            assertThat(dossier.ledger().facts().value(Fact.BUILD_ID)).contains("GRK39F");
            assertThat(dossier.findings()).extracting(Finding::sure).containsExactly(Finding.Sureness.CERTAIN);
            assertThat(workspace.damage())
                    .as("its rows have checksums from now on")
                    .isEmpty();
        }
        assertThat(Backups.of(folder))
                .as("what it was before is kept")
                .extracting(file -> file.getFileName().toString())
                .containsExactly("logbook-before-version-6.db");
    }

    @Test
    void whatFailsHalfwayLeavesNothingBehind() throws Exception {
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            assertThatThrownBy(() -> logbook.together(() -> {
                        logbook.take(phone, TypedReading.parse("root=none", NOW));
                        logbook.start(phone, JobPlan.unknown(), SHEET, NOW);
                        throw new IOException("the disk is full");
                    }))
                    .hasMessage("the disk is full");
            assertThat(logbook.dossier(phone).intakes()).isEmpty();
            assertThat(logbook.dossier(phone).jobs()).isEmpty();
        }
    }

    /** Else every opening would bring it up to date anew, which takes longer than all the rest. */
    @Test
    void theTablesAfterAllMigrationsAreThoseThatAreKnown() throws Exception {
        open(folder).close();
        try (Connection connection = connect();
                Statement statement = connection.createStatement()) {
            assertThat(Schema.digest(statement)).isEqualTo(Schema.DIGEST);
            statement.execute("ALTER TABLE phone ADD COLUMN more TEXT");
        }
        assertThatThrownBy(() -> open(folder)).hasMessageContaining("has other tables than a logbook");
    }

    @Test
    void keepsASecondProgramOut() throws Exception {
        try (Workspace first = open(folder)) {
            assertThatThrownBy(() -> open(folder))
                    .isInstanceOf(UnreadableInput.class)
                    .hasMessageContaining("is open in another Mobrak");
        }
        open(folder).close();
    }

    @Test
    void refusesWhatIsNoWorkspaceAndHarmsNothing() throws Exception {
        assertThatThrownBy(() -> open(top.resolve("nowhere"))).hasMessageContaining("is no workspace");
        Path other = Files.createDirectories(top.resolve("other"));
        Files.writeString(other.resolve("letter.txt"), "bees");
        assertThatThrownBy(() -> Workspace.create(other, SHIPPED)).hasMessageContaining("holds other things");
        assertThat(other).isDirectoryContaining(file -> file.endsWith("letter.txt"));

        open(folder).close();
        try (Connection connection = connect();
                Statement statement = connection.createStatement()) {
            statement.execute(
                    "INSERT INTO flyway_schema_history SELECT 99, '99', 'later', type, script, checksum, installed_by, installed_on, execution_time, success FROM flyway_schema_history LIMIT 1");
        }
        assertThatThrownBy(() -> open(folder))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("newer Mobrak");
        byte[] noise = "this is no database, ".repeat(400).getBytes(java.nio.charset.StandardCharsets.UTF_8);
        Files.write(folder.resolve("logbook.db"), noise);
        assertThatThrownBy(() -> open(folder))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("nothing was changed")
                .hasMessageContaining("logbook.db-wal");
        assertThat(folder.resolve("logbook.db")).hasBinaryContent(noise);
    }

    /** The pragmas' and schema's meaning: the database's own documentation. What is refused is our own choice. */
    @ParameterizedTest
    @CsvSource({
        "CREATE TRIGGER t AFTER UPDATE ON setting BEGIN DELETE FROM intake; END, commands of its own",
        "CREATE VIEW v AS SELECT * FROM phone, commands of its own",
        "PRAGMA application_id = 7, another program"
    })
    void aStrangersLogbookIsRefusedBeforeItRunsAnything(String command, String told) throws IOException, SQLException {
        open(folder).close();
        try (Connection connection = connect();
                Statement statement = connection.createStatement()) {
            statement.execute(command);
        }
        byte[] before = Files.readAllBytes(folder.resolve("logbook.db"));
        assertThatThrownBy(() -> open(folder))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining(told);
        assertThat(folder.resolve("logbook.db")).hasBinaryContent(before);
        assertThat(folder).isDirectoryNotContaining("glob:**/looking*");
    }

    /** A journal that lies beside a database is played into it when it is opened (the database's own documentation, “Atomic Commit”). */
    @Test
    void aJournalThatBringsCommandsIsPlayedIntoACopyAlone() throws Exception {
        open(folder).close();
        Path logbook = folder.resolve("logbook.db");
        Path journal = folder.resolve("logbook.db-journal");
        Path planted = top.resolve("planted");
        try (Connection connection = connect();
                Statement statement = connection.createStatement()) {
            statement.execute("PRAGMA journal_mode = DELETE");
            statement.execute("CREATE TRIGGER t AFTER UPDATE ON setting BEGIN DELETE FROM intake; END");
            statement.execute("PRAGMA synchronous = OFF");
            connection.setAutoCommit(false);
            statement.execute("DROP TRIGGER t");
            Files.copy(journal, planted);
            connection.commit();
        }
        open(folder).close();
        byte[] before = Files.readAllBytes(logbook);
        Files.copy(planted, journal);
        assertThatThrownBy(() -> open(folder)).hasMessageContaining("commands of its own");
        assertThat(logbook).hasBinaryContent(before);
    }

    @Test
    @EnabledOnOs({OS.LINUX, OS.MAC})
    void whatWasMadeElsewhereIsNotWrittenIntoBeforeThePersonAgrees() throws Exception {
        Path theirs = top.resolve("theirs");
        Workspace.create(theirs, SHIPPED);
        try (Workspace workspace = open(theirs)) {
            workspace.logbook().addPhone("Hive 1", NOW);
        }
        Path cache = top.resolve("cache");
        Path received = top.resolve("received");
        PathUtils.copyDirectory(theirs, received);
        byte[] before = Files.readAllBytes(received.resolve("logbook.db"));
        Path key = Files.writeString(top.resolve("key"), "private");
        Files.createSymbolicLink(received.resolve("catalogue/key.yaml"), key);
        List<Path> all;
        try (var inside = Files.walk(received)) {
            all = inside.toList();
        }
        assertThat(Workspace.isOurs(received, cache)).isFalse();
        assertThatThrownBy(() -> open(received)).isInstanceOf(FromElsewhere.class);
        WorkspaceCopy.forALook(received, top.resolve("look"));
        assertThat(Files.isSymbolicLink(top.resolve("look/catalogue/key.yaml"))
                        || Files.notExists(top.resolve("look/catalogue/key.yaml")))
                .as("a link is not followed")
                .isTrue();
        assertThat(received.resolve("logbook.db")).hasBinaryContent(before);
        try (var inside = Files.walk(received)) {
            assertThat(inside).containsExactlyInAnyOrderElementsOf(all);
        }
        Workspace.agree(received, cache);
        open(received).close();
        assertThat(Workspace.isOurs(received, cache)).as("asked once").isTrue();
        assertThat(Files.getPosixFilePermissions(cache.resolve("workspaces"))).hasSize(3);
    }

    @Test
    @EnabledOnOs({OS.LINUX, OS.MAC})
    void linksAndPipesThatLieInAReceivedFolderAreNeitherWrittenThroughNorWaitedFor() throws Exception {
        open(folder).close();
        Path lock = folder.resolve("workspace.lock");
        Path letter = Files.writeString(top.resolve("letter.txt"), "a person's own");
        for (String kind : List.of("symbolic", "hard", "pipe")) {
            Files.deleteIfExists(lock);
            switch (kind) {
                case "symbolic" -> Files.createSymbolicLink(lock, letter);
                case "hard" -> Files.createLink(lock, letter);
                default -> new ProcessBuilder("mkfifo", lock.toString()).start().waitFor();
            }
            openSoon(folder).close();
            assertThat(letter).content().isEqualTo("a person's own");
        }
        Files.delete(lock);
        Path journal = folder.resolve("logbook.db-journal");
        new ProcessBuilder("mkfifo", journal.toString()).start().waitFor();
        assertThatThrownBy(() -> openSoon(folder)).hasMessageContaining("is a link or a device");
        Files.delete(journal);

        Path own = Files.createDirectories(folder.resolve("looking2019/photos"));
        Files.writeString(own.resolve("bird.txt"), "of the person's own");
        Path elsewhere = Files.createDirectories(top.resolve("elsewhere"));
        PathUtils.deleteDirectory(Files.createDirectories(folder.resolve("backups")));
        Files.createSymbolicLink(folder.resolve("backups"), elsewhere);
        openSoon(folder).close();
        new Backups(folder).makeDaily(LocalDate.of(2026, 3, 1));
        assertThat(own.resolve("bird.txt")).exists();
        assertThat(elsewhere).isEmptyDirectory();

        try (RandomAccessFile log =
                new RandomAccessFile(folder.resolve("logbook.db-wal").toFile(), "rw")) {
            log.setLength(3L << 30);
        }
        assertThatThrownBy(() -> openSoon(folder)).hasMessageContaining("far larger than itself");
    }

    /** Copies of logbooks that were looked at: what a killed program left goes, what another one is at work with stays. */
    @Test
    void onlyWhatADeadProgramLeftIsSweptFromTheTemporaryPlace() throws Exception {
        Path place = Path.of(System.getProperty("java.io.tmpdir"));
        Process gone = new ProcessBuilder("true").start();
        gone.waitFor();
        Path dead = Files.createTempDirectory(place, "mobrak-looking-" + gone.pid() + "-");
        Files.writeString(dead.resolve("copy.db"), "left behind");
        Path alive = Files.createTempDirectory(
                place, "mobrak-looking-" + ProcessHandle.current().pid() + "-");
        Path nobodys = Files.createTempDirectory(place, "mobrak-looking-mine-");
        try {
            open(folder).close();
            open(folder).close();
            assertThat(dead).doesNotExist();
            assertThat(alive).exists();
            assertThat(nobodys).exists();
        } finally {
            for (Path left : List.of(alive, nobodys)) {
                PathUtils.deleteDirectory(left);
            }
        }
    }

    /** Whoever waits for a pipe waits for ever. */
    private Workspace openSoon(Path workspace) {
        return Assertions.assertTimeoutPreemptively(Duration.ofSeconds(60), () -> open(workspace));
    }

    @Test
    void aMissingLogbookIsNotANewOneAndALogBesideItIsKept() throws Exception {
        open(folder).close();
        Path logbook = folder.resolve("logbook.db");
        Path away = Files.move(logbook, folder.resolve("elsewhere.db"));
        Path log = Files.writeString(folder.resolve("logbook.db-wal"), "what was not yet taken over");
        assertThatThrownBy(() -> open(folder)).hasMessageContaining("is missing; put a copy of it back");
        Files.createSymbolicLink(logbook, away);
        assertThatThrownBy(() -> open(folder)).hasMessageContaining("is a link");
        Files.delete(logbook);
        Files.createFile(logbook);
        assertThatThrownBy(() -> open(folder)).hasMessageContaining("is empty; nothing was changed");
        assertThat(log).hasContent("what was not yet taken over");
    }

    @Test
    void aClockSetBackDoesNotMakeALaterEntryAnEarlierOne() throws Exception {
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            Instant before = NOW.minus(Duration.ofDays(400));
            logbook.take(phone, TypedReading.parse("lock=unlocked", NOW));
            logbook.take(phone, TypedReading.parse("lock=locked", before));
            assertThat(logbook.dossier(phone).ledger().facts().value(Fact.LOCK)).contains("locked");
            assertThat(logbook.dossier(phone).findings())
                    .extracting(Finding::code)
                    .containsExactly("odd-clock");
            logbook.take(phone, TypedReading.parse("lock=unlocked", before));
            assertThat(logbook.dossier(phone).ledger().facts().isTorn(Fact.LOCK))
                    .as("what came at one time still contradicts itself")
                    .isTrue();
            Job job = logbook.start(phone, JobPlan.unknown(), SHEET, before);
            logbook.record(job, new Event.Ended(before, Event.End.WORKED, ""));
            logbook.take(phone, TypedReading.parse("root=none", before.plusSeconds(1)));
            assertThat(logbook.dossier(phone).ledger().facts().value(Fact.ROOT)).contains("none");
        }
    }

    @Test
    void oneTextThatCannotBeReadAnyMoreIsToldAndTheOthersStay() throws Exception {
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Hive 1", NOW);
            logbook.take(phone, TypedReading.parse("model=KQ-T5", NOW));
            long bad = logbook.take(phone, TypedReading.parse("root=none", NOW));
            try (Connection connection = connect();
                    Statement statement = connection.createStatement()) {
                statement.execute("UPDATE intake SET text = 'root=nonsense' WHERE id = " + bad);
            }
            Dossier dossier = logbook.dossier(phone);
            assertThat(dossier.ledger().facts().value(Fact.MODEL)).contains("KQ-T5");
            assertThat(dossier.intakes()).extracting(dossier::isReadable).containsExactly(true, false);
            assertThat(dossier.findings()).extracting(Finding::code).containsExactly("unreadable-text");
            logbook.withdraw(bad, NOW);
            assertThat(logbook.dossier(phone).findings()).isEmpty();
        }
    }

    @Test
    void aBadRowIsNamedAndHidesNothingButItself() throws Exception {
        try (Workspace workspace = open(folder)) {
            Logbook logbook = workspace.logbook();
            PhoneRecord bad = logbook.addPhone("Hive 1", NOW);
            PhoneRecord phone = logbook.addPhone("Hive 2", NOW);
            logbook.take(phone, TypedReading.parse("model=KQ-T5", NOW));
            logbook.take(phone, TypedReading.parse("root=none", NOW));
            long lost = logbook.take(phone, TypedReading.parse("lock=locked", NOW));
            Job job = logbook.start(phone, JobPlan.unknown(), SHEET, NOW);
            String step = SHEET.of(Phase.DO).get(0).id();
            logbook.record(job, new Event.Ticked(NOW.plusSeconds(5), step));
            long large = logbook.take(phone, TypedReading.parse("cable=data", NOW));
            try (Connection connection = connect();
                    Statement statement = connection.createStatement()) {
                statement.execute("UPDATE phone SET added_at = 'yesterday' WHERE id = " + bad.id());
                statement.execute("UPDATE intake SET taken_at = 7 WHERE id = " + lost);
                statement.execute("UPDATE intake SET text = zeroblob(100000000) WHERE id = " + large);
                statement.execute("UPDATE job SET sheet = '{' WHERE id = " + job.id());
            }
            assertThat(logbook.phones()).containsExactly(phone);
            assertThat(logbook.unread())
                    .singleElement()
                    .extracting(Finding::message)
                    .asString()
                    .contains("phone 1 ");
            Dossier dossier = logbook.dossier(phone);
            assertThat(dossier.findings())
                    .extracting(Finding::message)
                    .anyMatch(told -> told.contains("texts " + lost + ", " + large + " cannot be read"))
                    .anyMatch(told -> told.contains("job " + job.id()));
            Facts facts = dossier.ledger().facts();
            assertThat(facts.value(Fact.MODEL)).as("no work changes it").contains("KQ-T5");
            assertThat(facts.value(Fact.ROOT)).as("the job may have changed it").isEmpty();
            logbook.take(phone, TypedReading.parse("root=none", NOW.plusSeconds(9)));
            assertThat(logbook.dossier(phone).ledger().facts().value(Fact.ROOT)).contains("none");
        }
    }

    @Test
    void theLogbookIsSafeOnDisk() throws Exception {
        try (Workspace workspace = open(folder)) {
            assertThatThrownBy(() -> workspace
                            .logbook()
                            .take(new PhoneRecord(77, "nobody", NOW), TypedReading.parse("root=none", NOW)))
                    .as("foreign keys hold")
                    .hasMessageContaining("FOREIGN KEY");
            try (Connection connection = connect();
                    Statement statement = connection.createStatement()) {
                assertThat(statement.executeQuery("PRAGMA journal_mode").getString(1))
                        .isEqualTo("wal");
            }
            assertThat(folder.resolve("logbook.db-shm"))
                    .as("stays, since a full disk could not take it anew")
                    .isNotEmptyFile();
        }
    }

    /** A database that may not grow answers as one on a full disk, and the system has a device that is always full. */
    @Test
    void aFullDiskIsCalledThat() throws Exception {
        try (Connection connection = connect();
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE t (c)");
            statement.execute("PRAGMA max_page_count = 3");
            assertThatThrownBy(() -> statement.execute("INSERT INTO t VALUES (zeroblob(100000))"))
                    .satisfies(full -> assertThat(FullDisk.explains(new IllegalStateException(full)))
                            .hasValueSatisfying(told -> assertThat(told).contains("make room")));
        }
        Path device = Path.of("/dev/full");
        assumeThat(device).exists();
        assertThatThrownBy(() -> Files.write(device, new byte[1]))
                .satisfies(full -> assertThat(FullDisk.explains(full)).isPresent());
        assertThat(FullDisk.explains(new IOException("The cable was pulled."))).isEmpty();
    }

    private Workspace open(Path workspace) throws IOException {
        return Workspace.open(workspace, top.resolve("cache"));
    }

    private Connection connect() throws SQLException {
        return DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("logbook.db"));
    }

    @Test
    void aFortnightOfCopiesIsKeptAndOneOfThemComesBackWithNothingLost() throws Exception {
        try (Workspace workspace = open(folder)) {
            workspace.logbook().addPhone("Hive 1", NOW);
        }
        for (int day = 1; day < 20; day++) {
            new Backups(folder).makeDaily(LocalDate.of(2026, 3, day));
        }
        assertThat(Backups.of(folder)).hasSize(14);
        try (Workspace workspace = open(folder)) {
            workspace.logbook().addPhone("Hive 2", NOW);
        }
        Path copy = Backups.of(folder).get(0);
        try (Workspace workspace = open(folder)) {
            assertThatThrownBy(() -> Workspace.putBack(folder, top.resolve("cache"), copy, "0"))
                    .as("under a logbook that is in use")
                    .hasMessageContaining("open in another Mobrak");
            assertThat(workspace.logbook().phones()).hasSize(2);
        }
        Path kept = Workspace.putBack(folder, top.resolve("cache"), copy, "1");
        try (Workspace workspace = open(folder)) {
            assertThat(workspace.logbook().phones())
                    .extracting(PhoneRecord::nickname)
                    .containsExactly("Hive 1");
        }
        Backups.restore(folder, Files.copy(kept.resolve("logbook.db"), copy.resolveSibling("logbook-again.db")), "2");
        try (Workspace workspace = open(folder)) {
            assertThat(workspace.logbook().phones()).hasSize(2);
        }
        Path strange = Files.writeString(copy.resolveSibling("logbook-strange.db"), "no logbook");
        assertThatThrownBy(() -> Backups.restore(folder, strange, "3")).isInstanceOf(UnreadableInput.class);
        assertThatThrownBy(() -> Backups.restore(folder, folder.resolve("logbook.db"), "4"))
                .hasMessageContaining("none of this workspace's copies");
        try (Workspace workspace = open(folder)) {
            assertThat(workspace.logbook().phones()).hasSize(2);
        }
    }
}
