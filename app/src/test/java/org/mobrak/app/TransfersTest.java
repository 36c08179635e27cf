package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.apache.commons.io.file.PathUtils;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.transfer.Imported;

/** What goes out as a zip comes in again whole, once, beside what is there. */
class TransfersTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final Instant NOON = Instant.parse("2026-05-01T12:00:00Z");

    @TempDir
    private Path top;

    private Transfers transfers;
    private Path cache;

    @BeforeEach
    void begin() {
        cache = top.resolve("cache");
        transfers = new Transfers(HOME, cache, Clock.systemUTC());
    }

    private Path demo() throws IOException {
        Path folder = top.resolve("demo");
        DemoWorkspace.create(HOME, folder, cache, Clock.systemUTC());
        return folder;
    }

    private Path exported(Path workspace, String name) throws IOException {
        Path zip = top.resolve(name);
        transfers.export(workspace, Optional.empty(), false, zip);
        return zip;
    }

    /** All that a workspace says of its phones, without the numbers of rows. */
    private Map<String, List<String>> said(Path workspace) throws IOException {
        Map<String, List<String>> all = new TreeMap<>();
        try (Workspace open = Workspace.open(workspace, cache)) {
            for (PhoneRecord phone : open.logbook().phones()) {
                Dossier dossier = open.logbook().dossier(phone);
                List<String> said = new ArrayList<>();
                said.add(dossier.ledger().facts().values().toString());
                dossier.intakes()
                        .forEach(one -> said.add(
                                one.takenAt() + " " + one.name() + " " + one.kind() + " " + one.text() + one.findings()
                                        + one.withdrawnAt() + one.provedBy().isPresent()));
                dossier.jobs()
                        .forEach(job -> said.add(job.startedAt() + " " + job.plan() + job.sheet() + job.events()));
                open.logbook().materials().copies(phone).forEach(copy -> said.add(copy.covers() + copy.build()));
                all.put(phone.nickname() + " " + phone.addedAt(), said);
            }
        }
        return all;
    }

    @Test
    void theDemoGoesOutAndComesIntoAnEmptyPlaceAndReadsTheSame() throws IOException {
        Path demo = demo();
        Path zip = exported(demo, "demo.zip");
        Path other = top.resolve("elsewhere/own");
        Files.createDirectories(other.getParent());
        Imported look = transfers.look(zip, other, Set.of());
        assertThat(look.phones())
                .hasSize(15)
                .allSatisfy(phone -> assertThat(phone.becomes()).isEqualTo(Imported.Becomes.NEW));
        assertThat(other).as("a look makes nothing").doesNotExist();
        Imported done = transfers.take(zip, other, Set.of());
        assertThat(done).isEqualTo(look);
        assertThat(said(other)).isEqualTo(said(demo));
        assertThat(transfers.check(other).problems()).isEmpty();
        assertThat(transfers.take(zip, other, Set.of()).changesNothing())
                .as("the same once more adds nothing")
                .isTrue();
        assertThat(said(other)).isEqualTo(said(demo));
        try (var left = Files.list(other.getParent())) {
            assertThat(left).containsExactly(other);
        }
    }

    @Test
    void whatIsNoEntryStaysAtHomeAndWhatGoesOutComesInAgain() throws IOException {
        Path demo = demo();
        Path secret = Files.writeString(top.resolve("key.txt"), "a private key");
        Path catalogue = demo.resolve("catalogue");
        Files.createSymbolicLink(catalogue.resolve("routes/linked.yaml"), secret);
        Files.createDirectories(catalogue.resolve(".git"));
        Files.writeString(catalogue.resolve(".git/HEAD"), "ref");
        Files.writeString(catalogue.resolve(".DS_Store"), "leftover");
        Files.writeString(catalogue.resolve("routes/hive.yaml~"), "leftover");
        Files.writeString(catalogue.resolve("häuser.txt"), "of our own");
        Files.write(catalogue.resolve("large.txt"), new byte[3 << 20]);
        Path zip = exported(demo, "own.zip");
        try (ZipFile read = new ZipFile(zip.toFile())) {
            assertThat(read.stream().map(ZipEntry::getName))
                    .contains("catalogue/häuser.txt", "catalogue/large.txt")
                    .noneMatch(name -> name.contains("linked") || name.contains("/.") || name.endsWith("~"));
        }
        Path other = top.resolve("other");
        transfers.take(zip, other, Set.of());
        assertThat(said(other)).isEqualTo(said(demo));
        assertThat(other.resolve("catalogue/häuser.txt")).hasContent("of our own");
    }

    @Test
    void nothingGoesOutOverWhatIsOurs() throws IOException {
        Path demo = demo();
        byte[] logbook = Files.readAllBytes(demo.resolve("logbook.db"));
        Path link = Files.createSymbolicLink(top.resolve("link.zip"), demo.resolve("logbook.db"));
        for (Path own : List.of(demo.resolve("logbook.db"), demo.resolve("catalogue/x.zip"), link)) {
            assertThatThrownBy(() -> transfers.export(demo, Optional.empty(), false, own))
                    .hasMessageContaining("lies in the workspace");
        }
        assertThatThrownBy(() -> transfers.report(demo, "Hive 7", List.of(demo.resolve("catalogue/report.csv"))))
                .hasMessageContaining("lies in the workspace");
        assertThatThrownBy(() -> transfers.export(demo, Optional.empty(), false, top))
                .hasMessageContaining("is a folder; name a file in it");
        assertThat(demo.resolve("logbook.db")).hasBinaryContent(logbook);
        Path before = Files.writeString(top.resolve("old.zip"), "what was there");
        assertThatThrownBy(() -> transfers.export(demo, Optional.of("Nobody's"), false, before))
                .hasMessageContaining("No phone is called");
        assertThat(before).hasContent("what was there");
    }

    @Test
    void aRefusedImportLeavesNotOneEntryAndWritesThroughNoLink() throws IOException {
        Path demo = demo();
        Files.writeString(demo.resolve("catalogue/routes/new-one.yaml"), "id: new-one\n");
        Path zip = exported(demo, "good.zip");
        Path other = top.resolve("other");
        Workspace.create(other, List.of());
        Files.createDirectories(other.resolve("catalogue/routes"));
        Path elsewhere = Files.createDirectories(top.resolve("elsewhere"));
        Files.createSymbolicLink(other.resolve("catalogue/symptoms"), elsewhere);
        assertThatThrownBy(() -> transfers.take(zip, other, Set.of())).hasMessageContaining("is a link");
        assertThat(elsewhere).isEmptyDirectory();
        try (var left = Files.walk(other.resolve("catalogue"))) {
            assertThat(left.filter(Files::isRegularFile)).isEmpty();
        }
        assertThat(said(other)).isEmpty();
    }

    @Test
    void onePhoneGoesAloneAndComesIntoAWorkspaceOfItsOwn() throws IOException {
        Path demo = demo();
        Path zip = top.resolve("one.zip");
        String name = said(demo).keySet().stream()
                .filter(key -> key.startsWith("Hive 7"))
                .findFirst()
                .orElseThrow()
                .replaceFirst(" [^ ]+$", "");
        transfers.export(demo, Optional.of(name), false, zip);
        Path other = top.resolve("other");
        transfers.take(zip, other, Set.of());
        assertThat(said(other)).hasSize(1);
        assertThat(said(other).values())
                .containsExactly(said(demo).entrySet().stream()
                        .filter(entry -> entry.getKey().startsWith("Hive 7"))
                        .findFirst()
                        .orElseThrow()
                        .getValue());
        assertThat(transfers.check(other).problems())
                .as("with the catalogue for every phone")
                .isEmpty();
        assertThatThrownBy(() -> transfers.export(demo, Optional.of("Nobody's"), false, zip))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("No phone is called");
    }

    /** What is inside must be what its row tells of, and lies in the workspace's own folder. */
    @Test
    void filesGoAlongWhereThatIsWantedAndAreHeldToTheirDigests() throws IOException {
        Path demo = demo();
        Path zip = top.resolve("with-files.zip");
        Map<String, Long> counts = transfers.export(demo, Optional.empty(), true, zip);
        Path other = top.resolve("other");
        transfers.take(zip, other, Set.of());
        try (Workspace open = Workspace.open(other, cache)) {
            List<Kept> kept = open.logbook().materials().kept();
            assertThat(kept).hasSize(counts.get("inside").intValue()).isNotEmpty();
            assertThat(kept)
                    .allMatch(Kept::isThere)
                    .allMatch(file ->
                            file.path().startsWith(other.toAbsolutePath().resolve("files/received")));
        }
        assertThat(transfers.take(zip, other, Set.of()).changesNothing()).isTrue();
        try (FileSystem inside = FileSystems.newFileSystem(zip);
                var files = Files.list(inside.getPath("inside"))) {
            // The last of them, so that others were put there before.
            Files.writeString(files.max(Comparator.naturalOrder()).orElseThrow(), "another file");
        }
        Path third = top.resolve("third");
        assertThatThrownBy(() -> transfers.take(zip, third, Set.of()))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("is not the file it tells of");
        assertThat(third).doesNotExist();
        Path own = club("own", "The grey one", "GX1407", 0);
        assertThatThrownBy(() -> transfers.take(zip, own, Set.of())).isInstanceOf(UnreadableInput.class);
        try (var left = Files.walk(own)) {
            assertThat(left.filter(file -> file.toString().contains("received") && Files.isRegularFile(file)))
                    .as("nothing stays of what was refused")
                    .isEmpty();
        }
    }

    /** No name in it leads out of the folder for what came in, begins with a dot, or has a folder of its own. */
    @ParameterizedTest
    @ValueSource(strings = {"inside/.hidden", "inside/a/b.img", "inside/", "inside/..\\\\x", "files/received/a.img"})
    void aFileInsideUnderAnotherNameThanExportsGiveIsRefused(String name) throws IOException {
        Path zip = top.resolve("hostile.zip");
        Map<String, Long> counts = transfers.export(demo(), Optional.empty(), true, zip);
        assertThat(counts.get("inside")).isPositive();
        Path forged = top.resolve("forged.zip");
        try (ZipFile from = new ZipFile(zip.toFile());
                ZipOutputStream to = new ZipOutputStream(Files.newOutputStream(forged))) {
            for (ZipEntry entry : from.stream().map(ZipEntry.class::cast).toList()) {
                to.putNextEntry(new ZipEntry(entry.getName()));
                from.getInputStream(entry).transferTo(to);
            }
            to.putNextEntry(new ZipEntry(name));
            to.write(1);
        }
        Path other = top.resolve("other");
        assertThatThrownBy(() -> transfers.take(forged, other, Set.of()))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("which no export has");
        assertThat(other).doesNotExist();
    }

    private Path club(String name, String phone, String serial, int minutes) throws IOException {
        Path folder = top.resolve(name);
        Workspace.create(folder, List.of(HOME.resolve("catalogue")));
        try (Workspace open = Workspace.open(folder, cache)) {
            Logbook logbook = open.logbook();
            PhoneRecord record = logbook.addPhone(phone, NOON.plusSeconds(minutes * 60L));
            for (int i = 0; i < 3; i++) {
                String text = "Serial number: " + serial + "\nBattery level: " + (50 + minutes + i) + " %\n";
                logbook.take(record, new RawText(name + i, text, List.of()), NOON.plusSeconds(60L * (minutes + 2 * i)));
            }
        }
        return folder;
    }

    @Test
    void twoClubsKeepBothHistoriesOfOnePhoneInTheOrderInWhichThingsHappened() throws IOException {
        Path ours = club("ours", "The grey one", "GX1407", 0);
        Path theirs = club("theirs", "Pier phone", "GX1407", 1);
        Path zip = exported(theirs, "theirs.zip");
        Imported done = transfers.take(zip, ours, Set.of());
        assertThat(done.phones())
                .containsExactly(new Imported.Phone("Pier phone", Imported.Becomes.SAME_BY_SERIAL, "The grey one"));
        try (Workspace open = Workspace.open(ours, cache)) {
            Dossier dossier = open.logbook().dossier(open.logbook().phones().get(0));
            assertThat(dossier.intakes())
                    .extracting(intake -> intake.name())
                    .containsExactly("ours0", "theirs0", "ours1", "theirs1", "ours2", "theirs2");
            assertThat(dossier.ledger().facts().value(Fact.BATTERY_PERCENT)).contains("53");
        }
        assertThat(transfers.take(zip, ours, Set.of()).changesNothing()).isTrue();
        Path namesake = club("third", "The grey one", "QQ2208", 5);
        Path third = exported(namesake, "third.zip");
        assertThat(transfers.look(third, ours, Set.of()).phones())
                .extracting(Imported.Phone::becomes)
                .containsExactly(Imported.Becomes.NAMESAKE);
        transfers.take(third, ours, Set.of("The grey one"));
        assertThat(said(ours)).as("who says it is the same joins them").hasSize(1);
    }

    /** Whatever is in a workspace, the way out and in again loses nothing. */
    @Test
    void randomWorkspacesComeBackWhole() throws IOException {
        Random random = new Random(20261126);
        for (int round = 0; round < 8; round++) {
            Path folder = top.resolve("random" + round);
            Workspace.create(folder, List.of(HOME.resolve("catalogue")));
            try (Workspace open = Workspace.open(folder, cache)) {
                for (int phone = 0; phone < random.nextInt(6); phone++) {
                    PhoneRecord record = open.logbook()
                            .addPhone(
                                    "P" + random.nextInt(3) + "\"\u00e9\uD83D\uDCF1",
                                    NOON.plusMillis(random.nextInt(9)));
                    for (int text = 0; text < random.nextInt(20); text++) {
                        String words = random.ints(random.nextInt(200), 32, 0x2000)
                                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                                .toString();
                        long id = open.logbook()
                                .take(
                                        record,
                                        new RawText("t" + random.nextInt(3), words, List.of()),
                                        NOON.plusMillis(text));
                        if (random.nextInt(4) == 0) {
                            open.logbook().withdraw(id, NOON.plusSeconds(99));
                        }
                    }
                }
            }
            Path other = top.resolve("back" + round);
            transfers.take(exported(folder, "random" + round + ".zip"), other, Set.of());
            assertThat(said(other)).isEqualTo(said(folder));
        }
    }

    /** Each is refused with its reason, and nothing is changed. */
    @ParameterizedTest
    @CsvSource({
        "mobrak.json, '{\"format\":\"mobrak-workspace\",\"version\":9,\"exportedAt\":\"x\",\"rows\":{}}', newer Mobrak",
        "mobrak.json, '{\"format\":\"bees\",\"version\":1,\"exportedAt\":\"x\",\"rows\":{}}', another form",
        "../evil.txt, x, which no export has",
        "catalogue/../../evil.yaml, x, which no export has",
        "/etc/evil.yaml, x, which no export has",
        "run.sh, x, which no export has",
        "phones.jsonl, '{\"key\":\"a\",\"nickname\":7,\"addedAt\":\"2026-05-01T12:00:00Z\"}', without “nickname”",
        "phones.jsonl, {{, cannot be read in",
        "phones.jsonl, '{\"key\":\"a\",\"addedAt\":\"2026-05-01T12:00:00Z\"}', no logbook takes",
        "events.jsonl, '{\"key\":\"a\",\"job\":\"none\",\"at\":\"2026-05-01T12:00:00Z\",\"event\":{}}', belongs to nothing",
    })
    void whatIsNoExportIsRefusedWithItsReason(String name, String content, String reason) throws IOException {
        Path ours = club("ours", "The grey one", "GX1407", 0);
        Map<String, List<String>> before = said(ours);
        Path zip = exported(club("theirs", "Pier phone", "LL3", 1), "theirs.zip");
        Path changed = top.resolve("changed.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(changed));
                FileSystem in = FileSystems.newFileSystem(zip)) {
            try (var all = Files.walk(in.getPath("/"))) {
                for (Path file : all.filter(Files::isRegularFile).toList()) {
                    if (!file.toString().equals("/" + name)) {
                        add(out, file.toString().substring(1), Files.readAllBytes(file));
                    }
                }
            }
            add(out, name, content.getBytes(StandardCharsets.UTF_8));
        }
        assertThatThrownBy(() -> transfers.take(changed, ours, Set.of()))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining(reason);
        assertThat(said(ours)).isEqualTo(before);
        assertThat(top.resolve("evil.txt")).doesNotExist();
    }

    private static void add(ZipOutputStream out, String name, byte[] content) throws IOException {
        out.putNextEntry(new ZipEntry(name));
        out.write(content);
        out.closeEntry();
    }

    @Test
    void whatBurstsOrIsCutOffOrNoZipAtAllIsRefused() throws IOException {
        Path ours = club("ours", "The grey one", "GX1407", 0);
        Path zip = exported(ours, "ours.zip");
        byte[] whole = Files.readAllBytes(zip);
        for (int length : List.of(0, 1, whole.length / 2, whole.length - 1)) {
            Path cut = Files.write(top.resolve("cut.zip"), Arrays.copyOf(whole, length));
            assertThatThrownBy(() -> transfers.take(cut, ours, Set.of())).isInstanceOf(UnreadableInput.class);
        }
        byte[] misnamed = whole.clone();
        for (int i = 0; i + 4 < misnamed.length; i++) {
            if (misnamed[i] == 'P' && misnamed[i + 1] == 'K' && misnamed[i + 2] == 1 && misnamed[i + 3] == 2) {
                misnamed[i + 46] = (byte) 0xFF;
            }
        }
        Path odd = Files.write(top.resolve("odd.zip"), misnamed);
        assertThatThrownBy(() -> transfers.take(odd, ours, Set.of())).hasMessageContaining("is no zip");
        Path bomb = top.resolve("bomb.zip");
        try (OutputStream file = Files.newOutputStream(bomb);
                ZipOutputStream out = new ZipOutputStream(file)) {
            out.putNextEntry(new ZipEntry("texts.jsonl"));
            byte[] blanks = new byte[1 << 20];
            Arrays.fill(blanks, (byte) ' ');
            for (int i = 0; i < 64; i++) {
                out.write(blanks);
            }
            out.closeEntry();
        }
        assertThatThrownBy(() -> transfers.take(bomb, ours, Set.of())).hasMessageContaining("grow far beyond");
        assertThatThrownBy(() -> transfers.take(top, ours, Set.of())).hasMessageContaining("is no file");
        assertThatThrownBy(() -> transfers.take(zip, HOME, Set.of())).isInstanceOf(UnreadableInput.class);
        PathUtils.deleteDirectory(top.resolve("ours"));
    }

    /** What comes from a club's two members in either order is the same in the end. */
    @Test
    void whoComesInFirstMakesNoDifference() throws IOException {
        Path one = exported(club("one", "The grey one", "GX1407", 0), "one.zip");
        Path two = exported(club("two", "Pier phone", "LL3", 1), "two.zip");
        Path first = top.resolve("first");
        Path second = top.resolve("second");
        transfers.take(one, first, Set.of());
        transfers.take(two, first, Set.of());
        transfers.take(two, second, Set.of());
        transfers.take(one, second, Set.of());
        assertThat(said(first)).hasSize(2).isEqualTo(said(second));
        assertThat(transfers.search(first, "GX1407").hits())
                .extracting(hit -> hit.nickname())
                .containsOnly("The grey one");
        assertThat(transfers.check(second).entries()).isEqualTo(6);
    }
}
