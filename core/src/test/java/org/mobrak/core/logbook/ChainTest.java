package org.mobrak.core.logbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;

class ChainTest {
    private static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");
    private static final RunSheet SHEET =
            new RunSheet("Root by a package", List.of(), Set.of(), Optional.empty(), Optional.empty());
    private static final int FLIPS = 120;

    @TempDir
    private Path top;

    private Path folder;

    /** A drawer with some of everything, and what it says. */
    private List<Dossier> fill() throws Exception {
        folder = Files.createDirectories(top.resolve("drawer/catalogue/routes"))
                .getParent()
                .getParent();
        try (Workspace workspace = open()) {
            Logbook logbook = workspace.logbook();
            for (int number = 1; number < 6; number++) {
                PhoneRecord phone = logbook.addPhone("Hive " + number, NOW);
                logbook.take(phone, typed("model=KQ-T" + number, NOW));
                long gone = logbook.take(phone, typed("root=none", NOW.plusSeconds(1)));
                Job job = logbook.start(phone, JobPlan.unknown(), SHEET, NOW.plusSeconds(2));
                logbook.record(job, new Event.Ended(NOW.plusSeconds(3), Event.End.WORKED, "as it should"));
                logbook.withdraw(gone, NOW.plusSeconds(4));
                logbook.putSetting("wish " + phone.id(), "root");
            }
            return dossiers(workspace);
        }
    }

    private static List<Dossier> dossiers(Workspace workspace) {
        return workspace.logbook().phones().stream()
                .map(workspace.logbook()::dossier)
                .toList();
    }

    private static Reading typed(String text, Instant at) throws Exception {
        return TypedReading.parse(text, at);
    }

    private Workspace open() throws IOException {
        return Workspace.open(folder, top.resolve("cache"));
    }

    private void change(String... sql) throws Exception {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("logbook.db"));
                Statement statement = connection.createStatement()) {
            for (String one : sql) {
                statement.execute(one);
            }
        }
    }

    /** Sixty of them had been tried by hand before; twelve went unnoticed. */
    @Test
    void aBitThatTurnsOverIsToldOrChangesNothing() throws Exception {
        List<Dossier> whole = fill();
        Path file = folder.resolve("logbook.db");
        byte[] bytes = Files.readAllBytes(file);
        Random random = new Random(36);
        int noticed = 0;
        for (int flip = 0; flip < FLIPS; flip++) {
            byte[] turned = bytes.clone();
            int at = random.nextInt(turned.length);
            turned[at] ^= (byte) (1 << random.nextInt(Byte.SIZE));
            Files.write(file, turned);
            try (Workspace workspace = open()) {
                boolean told = !WorkspaceCheck.of(workspace).problems().isEmpty();
                noticed += told ? 1 : 0;
                if (!told) {
                    assertThat(dossiers(workspace)).as("byte %d", at).isEqualTo(whole);
                }
            } catch (UnreadableInput refused) {
                noticed++;
            }
            for (String beside : List.of("-wal", "-shm")) {
                Files.deleteIfExists(folder.resolve("logbook.db" + beside));
            }
        }
        assertThat(noticed).as("some did turn over something").isGreaterThan(FLIPS / 10);
    }

    @Test
    void theFirstEntryThatWasChangedIsToldAndWhatIsBehindItStaysAndIsMarked() throws Exception {
        fill();
        try (Workspace workspace = open()) {
            assertThat(WorkspaceCheck.of(workspace).problems()).isEmpty();
        }
        change(
                "UPDATE intake SET text = 'model=KQ-W29' WHERE id = 3",
                "UPDATE entry SET content = 'x' WHERE seq = 20",
                "DELETE FROM event WHERE id = 5",
                "UPDATE setting SET value = 'stock' WHERE name = 'wish 2'",
                "INSERT INTO phone (nickname, added_at) VALUES ('Smuggled', '2026-11-24T09:00:00Z')");
        List<Finding> told = new ArrayList<>();
        try (Workspace workspace = open()) {
            List<String> problems = WorkspaceCheck.of(workspace).problems();
            assertThat(problems)
                    .anyMatch(problem -> problem.contains("text 3 is not as it was"))
                    .anyMatch(problem -> problem.contains("does not follow"))
                    .anyMatch(problem -> problem.contains("event 5 is gone"))
                    .anyMatch(problem -> problem.contains("setting"))
                    .anyMatch(problem -> problem.contains("phone 6 was not written down by Mobrak"));
            workspace.lookThrough(found -> {
                synchronized (told) {
                    told.add(found);
                    told.notifyAll();
                }
            });
            synchronized (told) {
                while (told.isEmpty()) {
                    told.wait();
                }
            }
            Dossier second =
                    workspace.logbook().dossier(workspace.logbook().phones().get(1));
            assertThat(second.findings()).extracting(Finding::code).containsExactly("changed-entry");
            assertThat(second.ledger().facts().value(Fact.MODEL))
                    .as("stays readable")
                    .contains("KQ-W29");
            assertThat(workspace
                            .logbook()
                            .dossier(workspace.logbook().phones().get(2))
                            .findings())
                    .isEmpty();
        }
        assertThat(told).singleElement().extracting(Finding::code).isEqualTo("logbook-changed");
    }

    @Test
    void aDateThatHasNotComeMovesNothingOfOnesOwn() throws Exception {
        fill();
        change(
                "UPDATE intake SET text = 'lock=locked', taken_at = '2099-01-01T00:00:00Z' WHERE id = 1",
                "UPDATE entry SET clock = '2099-01-01T00:00:00Z' WHERE kind = 'intake' AND row = 1",
                "UPDATE intake SET taken_at = '+1000000000-12-31T23:59:59.999999999Z' WHERE id = 3",
                "UPDATE entry SET clock = '+1000000000-12-31T23:59:59.999999999Z' WHERE kind = 'intake' AND row = 3",
                "UPDATE event SET event = replace(event, '2026', '2099') WHERE id = 1");
        try (Workspace workspace = open()) {
            Logbook logbook = workspace.logbook();
            Instant later = NOW.plus(Duration.ofDays(1));
            for (PhoneRecord phone : logbook.phones().subList(0, 2)) {
                logbook.take(phone, typed("lock=unlocked", later));
                Dossier dossier = logbook.dossier(phone);
                assertThat(dossier.ledger().facts().value(Fact.LOCK))
                        .as("what was read last")
                        .contains("unlocked");
                assertThat(dossier.intakes().get(dossier.intakes().size() - 1).takenAt())
                        .isEqualTo(later);
                assertThat(dossier.jobs().get(0).events())
                        .allMatch(event -> event.at().isBefore(later));
            }
            assertThat(logbook.dossier(logbook.phones().get(0)).findings())
                    .extracting(Finding::code)
                    .containsExactly("odd-date");
            assertThat(logbook.dossier(logbook.phones().get(1)).findings())
                    .extracting(Finding::code)
                    .containsExactly("unreadable-entry");
        }
    }
}
