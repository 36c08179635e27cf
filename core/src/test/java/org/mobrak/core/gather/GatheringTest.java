package org.mobrak.core.gather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;
import static org.mobrak.core.Sample.NOW;
import static org.mobrak.core.Sample.facts;

import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.material.Forge;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.Write;
import org.mobrak.core.material.check.CheckContext;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;

/** What a job of the demo needs, from the files an evening of downloads leaves behind. */
class GatheringTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final String KEY = "key-recovery-l210.tar";
    private static final Path FILES = HOME.resolve("demo/files");
    private static final String[] LANTERN = {
        "model=OV-L210F",
        "device=lantern2",
        "osVersion=4.1.2",
        "buildNumber=LN2-F09-131022",
        "recovery=stock",
        "root=none"
    };

    @TempDir
    Path folder;

    private final List<Kept> kept = new ArrayList<>();
    private Catalogue catalogue;
    private Facts facts;

    @BeforeEach
    void layOut() throws IOException {
        catalogue = Sample.shipped();
        facts = facts(LANTERN);
    }

    @Test
    void aFileFindsItsPlaceByContentUnderAnyName() throws IOException {
        assertThat(item(KEY).standing()).isEqualTo(Standing.MISSING);
        drop("l210_rec_FINAL(2).tar");
        assertThat(item(KEY).standing()).isEqualTo(Standing.HAVE);
        assertThat(item(KEY).kept()).contains(kept.get(0));
    }

    @Test
    void theRightNameDoesNotMakeItRight() throws IOException {
        drop(KEY);
        GatherItem wrong = item(KEY);
        assertThat(wrong.standing()).isEqualTo(Standing.WRONG);
        assertThat(wrong.findings()).extracting("code").contains("truncated", "size-mismatch", "digest-mismatch");
        drop("l210_rec_FINAL(2).tar");
        assertThat(item(KEY).standing()).isEqualTo(Standing.HAVE);
    }

    /** A checksum is a gate of its own; what a phone cannot start without is never taken on trust. */
    @Test
    void aFileCountsAsFetchedByItsBytesWhereTheyAreKnown() throws IOException {
        assertThat(item(KEY).objection())
                .get(STRING)
                .contains("Its checksum is known")
                .contains("drop it here");
        drop(KEY);
        GatherItem wrong = item(KEY);
        assertThat(wrong.objection()).get(STRING).startsWith("The file on the bench is wrong");
        assertThat(wrong.objectionToPass()).isEmpty();
        drop("l210_rec_FINAL(2).tar");
        assertThat(item(KEY).objection()).isEmpty();
        facts = facts(Stream.concat(Stream.of(LANTERN), Stream.of("batteryPercent=64"))
                .toArray(String[]::new));
        drop("lantern2-root-412.tar.md5");
        Kept package412 = kept.get(kept.size() - 1);
        assertThat(package412.material().writes()).extracting(Write::kind).contains(PartitionClass.UNKNOWN);
        assertThat(new GatherItem(wrong.need(), Standing.WRONG, Optional.of(package412), List.of(), "")
                        .objectionToPass())
                .get(STRING)
                .contains("cannot start without");
    }

    @Test
    void theSistersPackageIsFoundByWhatItWritesAndRefused() throws IOException {
        drop("key-recovery-l215.tar");
        GatherItem wrong = item(KEY);
        assertThat(wrong.standing()).isEqualTo(Standing.WRONG);
        assertThat(wrong.findings()).extracting("code").contains("sister-variant");
    }

    @Test
    void onAShelfOfSeveralPhonesAFileOfQuiteAnotherSizeIsNoWrongOne() throws IOException {
        facts = facts("model=TS-J540", "device=juniper5", "osVersion=5.1.1", "lock=unlocked", "recovery=custom");
        drop("l210_rec_FINAL(2).tar");
        Plan plan = Planner.plan(
                        Goal.ofKey("as:recovery=stock").orElseThrow(),
                        catalogue,
                        facts,
                        Optional.empty(),
                        Limits.none())
                .plans()
                .get(0);
        GatherItem image = Gathering.of(
                        RunSheet.of(plan, catalogue, facts),
                        Set.of(),
                        new CheckContext(facts, catalogue, Optional.empty()),
                        kept)
                .items()
                .stream()
                .filter(item -> item.need().title().contains("stock-recovery"))
                .findFirst()
                .orElseThrow();
        assertThat(image.standing()).isEqualTo(Standing.MISSING);
        assertThat(image.kept()).isEmpty();
    }

    @Test
    void whatStillLiesInAnArchiveIsSaidToLieThere() throws IOException {
        Path zip = folder.resolve("download.zip");
        try (var out = new ZipOutputStream(Files.newOutputStream(zip))) {
            out.putNextEntry(new ZipEntry("key-recovery-l210.tar"));
            out.write(Files.readAllBytes(FILES.resolve("bench-flasher-3.07.zip")));
        }
        keep(Forge.inspect(folder, "download.zip", Files.readAllBytes(zip)), Kept.State.THERE);
        assertThat(item(KEY).reason()).contains("It lies in download.zip: unpack that once");
    }

    @Test
    void aFileThatIsGoneOrChangedCountsNoMore() throws IOException {
        Inspection found = Forge.inspect(
                folder, "key-recovery-l210.tar", Files.readAllBytes(FILES.resolve("l210_rec_FINAL(2).tar")));
        keep(found, Kept.State.GONE);
        assertThat(item(KEY).standing()).isEqualTo(Standing.MISSING);
        keep(found, Kept.State.CHANGED);
        assertThat(item(KEY).standing()).isEqualTo(Standing.UNCHECKED);
    }

    @Test
    void toolsThingsAndMoneyStandOnTheListToo() throws IOException {
        Gathering list = list();
        assertThat(list.items())
                .extracting(item -> item.need().title())
                .contains("Tool: Bench flasher", "Cable: data or factory");
        assertThat(list.count(Standing.MISSING)).isEqualTo(2);
        assertThat(list.count(Standing.UNCHECKED)).isEqualTo(4);
        assertThat(list.missingBytes()).isEqualTo(71_680);
        assertThat(list.hasUnknownSizes()).isTrue();
        facts = facts(Stream.concat(Stream.of(LANTERN), Stream.of("cable=data")).toArray(String[]::new));
        assertThat(item("Cable: data or factory").standing()).isEqualTo(Standing.HAVE);
    }

    /** Nobody gave a checksum for it; there is something in it of which nobody knows where it goes. */
    @Test
    void whatIsInAFileDecidesHowFullTheBatteryMustBe() throws IOException {
        Predicate<Plan> package412 = plan -> plan.title().equals("Root package in download mode");
        facts = facts(Stream.concat(Stream.of(LANTERN), Stream.of("batteryPercent=64"))
                .toArray(String[]::new));
        assertThat(battery(package412).standing()).isEqualTo(Standing.HAVE);
        drop("lantern2-root-412.tar.md5");
        assertThat(list(Goal.ROOT, package412).items())
                .filteredOn(item -> item.kept().isPresent())
                .extracting(GatherItem::standing)
                .containsExactly(Standing.UNCHECKED);
        GatherItem battery = battery(package412);
        assertThat(battery.standing()).isEqualTo(Standing.MISSING);
        assertThat(battery.need().title()).isEqualTo("Battery percent: at least 90");
        assertThat(battery.reason()).contains("Battery percent is 64; it must be 90 or more.");
        assertThat(((Need.OfThing) battery.need()).text())
                .isEqualTo(
                        "lantern2-root-412.tar.md5 writes a partition of unknown name; the phone must not go off in the middle.");
    }

    private GatherItem battery(Predicate<Plan> wanted) {
        return list(Goal.ROOT, wanted).items().stream()
                .filter(item -> item.need().title().startsWith("Battery"))
                .findFirst()
                .orElseThrow();
    }

    /** FAT32 keeps the size of a file in 32 bits (FAT32 File System Specification 1.03); from memory. */
    @Test
    void aFileThatIsTooLargeForTheCardIsToldBeforeItIsFetched() {
        NeededFile system = Sample.file(
                "system.zip", Optional.of(1L << 32), Optional.empty(), Optional.empty(), Optional.empty(), Map.of());
        GatherItem item = new Placing(new CheckContext(facts, catalogue, Optional.empty()), kept)
                .place(List.of(new Need.OfFile("gather-1", "a route", system)))
                .get(0);
        assertThat(item.standing()).isEqualTo(Standing.MISSING);
        assertThat(item.findings()).extracting("code").containsExactly("too-large-for-fat32");
        assertThat(item.bytes()).isEqualTo(1L << 32);
    }

    @Test
    void copiesSayWhetherThereIsAWayBack() throws IOException {
        drop("boot-stock-LN2-F09-131022.img");
        Kept image = kept.get(0);
        assertThat(comeBack(List.of())).isEqualTo(Truth.NO);
        assertThat(comeBack(List.of(copy(image, "LN2-F09-131022", Optional.empty()))))
                .isEqualTo(Truth.UNKNOWN);
        assertThat(comeBack(List.of(copy(image, "LN2-F08-130611", Optional.of(true)))))
                .isEqualTo(Truth.UNKNOWN);
        assertThat(comeBack(List.of(copy(image, "LN2-F09-131022", Optional.of(false)))))
                .isEqualTo(Truth.NO);
        assertThat(comeBack(List.of(
                        copy(image, "LN2-F08-130611", Optional.of(true)),
                        copy(image, "LN2-F09-131022", Optional.of(true)))))
                .isEqualTo(Truth.YES);
    }

    private Truth comeBack(List<StockCopy> copies) {
        return RestoreCheck.of(Set.of(PartitionClass.KERNEL, PartitionClass.DATA), facts, copies)
                .get(0)
                .possible();
    }

    private static StockCopy copy(Kept file, String build, Optional<Boolean> whole) {
        return new StockCopy(
                1,
                1,
                PartitionClass.KERNEL,
                "OV-L210F",
                build,
                file,
                whole.map(found -> new StockCopy.Check(NOW, found)));
    }

    @Test
    void theJobsFolderSortsAndACancelledCopyLeavesNothing() throws IOException {
        JobFolder job =
                JobFolder.of(folder.resolve("files"), LocalDate.of(2026, 11, 25), "Hive 3, orchard wall", "Root");
        assertThat(job.path().getFileName()).hasToString("2026-11-25 hive-3-orchard-wall, root");
        Path place = job.place(2, "key/recovery.tar");
        assertThat(place.getFileName()).hasToString("02 key-recovery.tar");
        Path from = FILES.resolve("l210_rec_FINAL(2).tar");
        assertThatThrownBy(() ->
                        job.keep(from, place, bytes -> Thread.currentThread().interrupt()))
                .isInstanceOf(ClosedByInterruptException.class);
        assertThat(Thread.interrupted()).isTrue();
        assertThat(job.path()).isEmptyDirectory();
        assertThat(job.keep(from, place, Watch.NONE)).hasSameBinaryContentAs(from);
        keep(Forge.inspect(job.path(), "02 key-recovery.tar", Files.readAllBytes(from)), Kept.State.THERE);
        job.writeChecksums(kept);
        assertThat(job.path().resolve("SHA256SUMS"))
                .hasContent("c0af184f2d2e579c60fd3d86dbdf17769ed08b5857b1a79a92e0b417beb0ffb4  02 key-recovery.tar");
    }

    @Test
    void nothingIsWrittenThroughALinkInTheJobsFolder() throws IOException {
        JobFolder job = JobFolder.of(folder.resolve("files"), LocalDate.of(2026, 11, 25), "Hive 3", "Root");
        Path letter = Files.writeString(folder.resolve("letter.txt"), "dear bees");
        Path from = FILES.resolve("l210_rec_FINAL(2).tar");
        Path place = job.place(1, "key.tar");
        Files.createDirectories(job.path());
        for (String name : List.of("01 key.tar", "01 key.tar.part", "SHA256SUMS", "SHA256SUMS.part")) {
            Files.createSymbolicLink(job.path().resolve(name), letter);
        }
        assertThat(job.keep(from, place, Watch.NONE))
                .hasSameBinaryContentAs(from)
                .isRegularFile();
        job.writeChecksums(kept);
        assertThat(letter).hasContent("dear bees");

        Path elsewhere = Files.createDirectories(folder.resolve("elsewhere"));
        JobFolder linked = JobFolder.of(folder.resolve("files"), LocalDate.of(2026, 11, 26), "Hive 4", "Root");
        Files.createSymbolicLink(linked.path(), elsewhere);
        assertThatThrownBy(() -> linked.keep(from, linked.place(1, "key.tar"), Watch.NONE))
                .hasMessageContaining("is a link");
        assertThat(elsewhere).isEmptyDirectory();
    }

    private void drop(String name) throws IOException {
        keep(Forge.inspect(folder, name, Files.readAllBytes(FILES.resolve(name))), Kept.State.THERE);
    }

    private void keep(Inspection found, Kept.State state) {
        kept.add(new Kept(kept.size(), found.file(), Material.of(found), NOW, NOW.plusSeconds(kept.size()), state));
    }

    private Gathering list() throws IOException {
        return list(Goal.ofKey("recovery").orElseThrow(), plan -> true);
    }

    private Gathering list(Goal goal, Predicate<Plan> wanted) {
        Plan plan = Planner.plan(goal, catalogue, facts, Optional.empty(), Limits.none()).plans().stream()
                .filter(wanted)
                .findFirst()
                .orElseThrow();
        return Gathering.of(
                RunSheet.of(plan, catalogue, facts),
                Set.of(),
                new CheckContext(facts, catalogue, Optional.empty()),
                kept);
    }

    private GatherItem item(String title) throws IOException {
        return list().items().stream()
                .filter(item -> item.need().title().equals(title))
                .findFirst()
                .orElseThrow();
    }
}
