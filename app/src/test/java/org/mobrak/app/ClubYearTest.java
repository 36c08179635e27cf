package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.history.Tally;
import org.mobrak.core.logbook.history.Timeline;
import org.mobrak.core.logbook.transfer.Export;
import org.mobrak.core.logbook.transfer.Import;

/** A year of another club's work: it comes in, reads the same after it went out again, and joins with other people's. */
class ClubYearTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final Path CLUB = HOME.resolve("demo/friend/club-year.zip");

    @TempDir
    private Path top;

    private Path cache() {
        return top.resolve("cache");
    }

    private Path workspace(String name) throws IOException {
        Path folder = top.resolve(name);
        Workspace.create(folder, List.of(HOME.resolve("catalogue"), HOME.resolve("demo/catalogue")));
        return folder;
    }

    /** The lines of each kind of row, without a name that a computer gave. */
    private static Map<String, Set<String>> rows(Path zip) throws IOException {
        Map<String, Set<String>> rows = new TreeMap<>();
        try (ZipFile file = new ZipFile(zip.toFile())) {
            for (ZipEntry entry : file.stream()
                    .filter(one -> one.getName().endsWith(".jsonl"))
                    .toList()) {
                String text = new String(file.getInputStream(entry).readAllBytes(), StandardCharsets.UTF_8);
                rows.put(entry.getName(), Set.copyOf(text.strip().lines().toList()));
            }
        }
        return rows;
    }

    @Test
    void aYearComesInAndGoesOutAsItWas() throws Exception {
        Path own = workspace("own");
        Path again = top.resolve("again.zip");
        try (Workspace open = Workspace.open(own, cache())) {
            Import.take(CLUB, own, own, Set.of(), Instant.now());
            Export.write(own, Optional.empty(), false, again, Instant.EPOCH);
            assertThat(rows(again)).isEqualTo(rows(CLUB));
            List<Dossier> dossiers = open.logbook().phones().stream()
                    .map(open.logbook()::dossier)
                    .toList();
            Tally tally = Tally.of(
                    dossiers.stream().flatMap(one -> one.jobs().stream()).toList(),
                    open.catalogue().catalogue());
            assertThat(tally.jobs()).isEqualTo(rows(CLUB).get("jobs.jsonl").size());
            assertThat(tally.signs().stream().mapToInt(Tally.Count::times).sum())
                    .as("counted in the file itself")
                    .isEqualTo(count("sign-missed"));
            assertThat(tally.times()).anyMatch(one -> one.own().counts() && one.learnt() != one.said());
            assertThat(dossiers).allSatisfy(one -> {
                Timeline life = Timeline.of(one);
                assertThat(life.jobs()).hasSameSizeAs(one.jobs());
                assertThat(life.range()).isPresent();
            });
        }
    }

    private static int count(String event) throws IOException {
        return (int) rows(CLUB).get("events.jsonl").stream()
                .filter(line -> line.contains("\"event\":\"" + event + "\""))
                .count();
    }

    @Test
    void twoClubsJoinedHaveAllOfBothWhateverTheOrder() throws Exception {
        Path other = workspace("other");
        Path sent = top.resolve("sent.zip");
        try (Workspace open = Workspace.open(other, cache())) {
            var phone = open.logbook().addPhone("Moor 1, gate", Instant.parse("2026-02-01T10:00:00Z"));
            open.logbook().take(phone, TypedReading.parse("batteryPercent=41", Instant.parse("2026-02-01T10:01:00Z")));
            Export.write(other, Optional.empty(), false, sent, Instant.EPOCH);
        }
        Map<String, Set<String>> one = joined("one", CLUB, sent);
        Map<String, Set<String>> two = joined("two", sent, CLUB);
        assertThat(one).isEqualTo(two);
        rows(CLUB).forEach((name, lines) -> assertThat(one.get(name)).as(name).containsAll(lines));
        rows(sent).forEach((name, lines) -> assertThat(one.get(name)).as(name).containsAll(lines));
    }

    private Map<String, Set<String>> joined(String name, Path first, Path second) throws IOException {
        Path into = workspace(name);
        Path out = top.resolve(name + ".zip");
        try (Workspace open = Workspace.open(into, cache())) {
            Import.take(first, into, into, Set.of(), Instant.now());
            Import.take(second, into, into, Set.of(), Instant.now());
            assertThat(open.logbook().phones()).hasSize(13);
            Export.write(into, Optional.empty(), false, out, Instant.EPOCH);
        }
        return rows(out);
    }
}
