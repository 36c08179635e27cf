package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.logbook.Backups;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;

/** A program that is killed amid an import, an export or the bringing back of a copy leaves what was before or what comes after. */
class TransferKillTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final Instant NOON = Instant.parse("2026-05-01T12:00:00Z");
    private static final int PHONES = 40;
    private static final int TEXTS = 25;

    @TempDir
    private Path top;

    private Path cache;
    private Transfers transfers;
    private Path full;
    private Path zip;

    @BeforeEach
    void fill() throws Exception {
        cache = top.resolve("cache");
        transfers = new Transfers(HOME, cache, Clock.systemUTC());
        full = made("full");
        try (Workspace open = Workspace.open(full, cache)) {
            open.logbook().together(() -> {
                for (int phone = 0; phone < PHONES; phone++) {
                    PhoneRecord record = open.logbook().addPhone("Phone " + phone, NOON.plusSeconds(phone));
                    for (int text = 0; text < TEXTS; text++) {
                        String words =
                                "Build number: B%d.%d%n".formatted(phone, text).repeat(40);
                        open.logbook()
                                .take(record, new RawText("t" + text, words, List.of()), NOON.plusSeconds(100 + text));
                    }
                }
                return null;
            });
        }
        zip = top.resolve("full.zip");
        transfers.export(full, Optional.empty(), false, zip);
    }

    private Path made(String name) throws Exception {
        Path folder = top.resolve(name);
        Workspace.create(folder, List.of(HOME.resolve("catalogue")));
        return folder;
    }

    private void killAmid(String what, Path workspace, Path file, int millis) throws Exception {
        endAmid(what, workspace, file, millis, Process::destroyForcibly);
    }

    private void endAmid(String what, Path workspace, Path file, int millis, Consumer<Process> end) throws Exception {
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        TransferVictim.class.getName(),
                        what,
                        HOME.toString(),
                        cache.toString(),
                        workspace.toString(),
                        file.toString())
                .redirectErrorStream(true)
                .start();
        try (BufferedReader said =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            String line = said.readLine();
            while (line != null && !line.equals(TransferVictim.BEGINS)) {
                line = said.readLine();
            }
            // The moment is meant to be any; nothing is waited for.
            process.waitFor(millis, TimeUnit.MILLISECONDS);
            end.accept(process);
            process.waitFor();
        } finally {
            process.destroyForcibly().waitFor();
        }
    }

    /** Told to end (SIGTERM) or killed: when the same was done again nothing of the first time is left, and all is there. */
    @ParameterizedTest
    @CsvSource({"import, true, 300", "import, false, 900", "export, true, 150", "export, false, 400"})
    void whateverEndsItNothingIsLeftBehind(String what, boolean gently, int millis) throws Exception {
        Path into = made("into");
        phones(into);
        Path workspace = what.equals("import") ? into : full;
        Path file = what.equals("import") ? zip : top.resolve("out/new.zip");
        Files.createDirectories(top.resolve("out"));
        endAmid(what, workspace, file, millis, gently ? Process::destroy : Process::destroyForcibly);
        if (what.equals("import")) {
            transfers.take(zip, into, Set.of());
        } else {
            transfers.export(full, Optional.empty(), false, file);
        }
        assertThat(phones(workspace)).isEqualTo(PHONES);
        for (Path place : List.of(workspace, top.resolve("out"))) {
            try (Stream<Path> inside = Files.list(place)) {
                assertThat(inside.map(one -> one.getFileName().toString()))
                        .noneMatch(name -> name.startsWith(".mobrak-"));
            }
        }
    }

    private int phones(Path workspace) throws Exception {
        try (Workspace open = Workspace.open(workspace, cache)) {
            return open.logbook().phones().size();
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {150, 700, 1_300})
    void amidAnImportAllRowsAreThereOrNone(int millis) throws Exception {
        Path into = made("into");
        phones(into);
        killAmid("import", into, zip, millis);
        assertThat(phones(into)).isIn(0, PHONES);
        assertThat(transfers.check(into).problems()).isEmpty();
        transfers.take(zip, into, Set.of());
        assertThat(phones(into)).isEqualTo(PHONES);
        assertThat(transfers.check(into).entries()).isEqualTo((long) PHONES * TEXTS);
    }

    @ParameterizedTest
    @ValueSource(ints = {150, 700, 1_300})
    void amidAMergeOfTwoClubsOneHistoryIsThereOrBoth(int millis) throws Exception {
        Path into = made("club");
        try (Workspace open = Workspace.open(into, cache)) {
            open.logbook().addPhone("Our own", NOON);
        }
        killAmid("import", into, zip, millis);
        assertThat(phones(into)).isIn(1, PHONES + 1);
        assertThat(transfers.check(into).problems()).isEmpty();
        transfers.take(zip, into, Set.of());
        assertThat(phones(into)).isEqualTo(PHONES + 1);
    }

    @ParameterizedTest
    @ValueSource(ints = {200, 900})
    void amidAnExportTheFileThatWasThereStaysWhole(int millis) throws Exception {
        killAmid("export", full, zip, millis);
        Path into = made("into");
        transfers.take(zip, into, Set.of());
        assertThat(phones(into)).isEqualTo(PHONES);
        assertThat(phones(full)).isEqualTo(PHONES);
    }

    @Test
    void amidTheBringingBackOfACopyTheLogbookIsOneOrTheOther() throws Exception {
        try (Workspace open = Workspace.open(full, cache)) {
            open.backUp(LocalDate.of(2026, 5, 1));
        }
        Path copy = Backups.of(full).get(0);
        try (Workspace open = Workspace.open(full, cache)) {
            open.logbook().addPhone("A later one", NOON);
        }
        for (int millis : new int[] {60, 250}) {
            killAmid("restore", full, copy, millis);
            assertThat(phones(full)).isIn(PHONES, PHONES + 1);
            assertThat(transfers.check(full).problems()).isEmpty();
        }
        try (Stream<Path> left = Files.list(full)) {
            assertThat(left.map(file -> file.getFileName().toString())).contains("logbook.db", "catalogue");
        }
    }
}
