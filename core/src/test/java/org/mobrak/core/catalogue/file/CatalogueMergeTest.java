package org.mobrak.core.catalogue.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.io.file.PathUtils;
import org.assertj.core.api.InstanceOfAssertFactories;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.Difference.State;
import org.mobrak.core.identity.UnreadableInput;

class CatalogueMergeTest {
    private static final Path SHIPPED = Path.of(System.getProperty("mobrak.home"), "catalogue");
    private static final String GO_ONLINE = "routes/go-online.yaml";
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

    @TempDir
    private Path folder;

    private Path ours;

    @BeforeEach
    void copyTheShippedCatalogue() throws IOException {
        ours = folder.resolve("ours");
        Sample.copyOfShipped(ours);
    }

    @Test
    void takesFromAZipAndPutsEverythingBack() throws IOException {
        String before = Files.readString(ours.resolve(GO_ONLINE));
        Path zip = zip("friend/" + GO_ONLINE, before.replace("handsOn: [1, 1, 3]", "handsOn: [1, 2, 3]"));
        try (CatalogueMerge merge = CatalogueMerge.open(ours, zip)) {
            List<Difference> differing =
                    merge.differences().stream().filter(Difference::canBeTaken).toList();
            assertThat(differing).singleElement().satisfies(one -> {
                assertThat(one.name()).isEqualTo("routes/go-online");
                assertThat(one.state()).isEqualTo(State.DIFFERENT);
                assertThat(one.changes())
                        .extracting(Difference.Change::sentence)
                        .containsExactly("costs/handsOn/1: 1 became 2");
            });
            CatalogueMerge.Taken taken = merge.take(differing, TODAY);
            Route route =
                    CatalogueLoader.load(ours).catalogue().route("go-online").orElseThrow();
            assertThat(route.costs().handsOn().usual()).isEqualTo(2);
            assertThat(route.origin()).contains(new Route.Origin("theirs.zip", "2026-11-25"));
            taken.undo();
            assertThat(Files.readString(ours.resolve(GO_ONLINE))).isEqualTo(before);
        }
    }

    @Test
    void symptomsCausesQuestionsAndAppsAreTakenToo() throws IOException {
        Path zip = zip(
                "routes/" + "go-online.yaml",
                Files.readString(ours.resolve(GO_ONLINE)),
                "symptoms/sings.yaml",
                "id: sings\nname: It sings\nwords: [it hums]\n",
                "questions/loud.yaml",
                "id: loud\nquestion: Is it loud?\nhow: Listen.\nanswers: [\"yes\", \"no\"]\n",
                "causes/bird.yaml",
                "id: bird\nname: A bird\nweight: 2\nexplains: {sings: 1}\nanswers:\n  loud: {\"yes\": 0.9}\nadvice: Open the window.\n",
                "apps/a.yaml",
                "id: org.bird.song\nname: Song\nreliesOn: [org.bird.voice]\n");
        try (CatalogueMerge merge = CatalogueMerge.open(ours, zip)) {
            List<Difference> wanted =
                    merge.differences().stream().filter(Difference::canBeTaken).toList();
            assertThat(wanted)
                    .extracting(Difference::name)
                    .containsExactly("apps/org.bird.song", "causes/bird", "questions/loud", "symptoms/sings");
            merge.take(wanted, TODAY);
        }
        TroubleLoader.Loaded loaded = TroubleLoader.load(
                CatalogueLoader.Folders.of(ours), CatalogueLoader.load(ours).catalogue());
        assertThat(loaded.faults()).isEmpty();
        assertThat(loaded.troubles().symptom("sings")).isPresent();
        assertThat(loaded.troubles().reliedOnBy("org.bird.voice")).containsExactly("org.bird.song");
        assertThat(loaded.troubles().causes()).anyMatch(cause -> cause.id().equals("bird"));
        assertThat(Files.readString(ours.resolve("causes/bird.yaml"))).contains("origin: {from: \"theirs.zip\"");
    }

    @Test
    void aDraftIsToldAndNeverTakenOrPlannedWith() throws IOException {
        Path draft = ours.resolve("routes/learnt.yaml");
        Files.writeString(
                draft,
                "id: learnt\nname: Learnt\ndraft: true\nfamily: exploit app\nsummary: Learnt.\nfits: {phones: []}\n");
        CatalogueLoader.Loaded loaded = CatalogueLoader.load(ours);
        assertThat(loaded.catalogue().route("learnt")).isEmpty();
        assertThat(loaded.faults())
                .filteredOn(fault -> fault.file().equals("routes/learnt.yaml"))
                .isNotEmpty()
                .allMatch(Fault::isWarning)
                .anyMatch(fault -> fault.what().contains("draft"))
                .anyMatch(fault -> fault.what().contains("costs"));
        Files.writeString(draft, Files.readString(draft) + "weather: fine\n");
        assertThat(CatalogueLoader.load(ours).faults())
                .as("what is wrong in a draft is wrong")
                .filteredOn(fault -> fault.file().equals("routes/learnt.yaml"))
                .anyMatch(fault -> !fault.isWarning());
        Files.writeString(
                draft, Files.readString(ours.resolve(GO_ONLINE)).replace("id: go-online", "id: learnt\ndraft: false"));
        assertThat(CatalogueLoader.load(ours).catalogue().route("learnt"))
                .as("confirmed")
                .isPresent();
    }

    @Test
    void whatCannotBeWrittenWholeIsNotTakenAtAll() throws IOException {
        String before = Files.readString(ours.resolve(GO_ONLINE));
        Path zip = zip(
                GO_ONLINE,
                before.replace("handsOn: [1, 1, 3]", "handsOn: [1, 2, 3]"),
                "routes/other.yaml",
                before.replace("id: go-online", "id: go-other"));
        Path inTheWay = Files.createDirectories(ours.resolve("routes/go-other.yaml.new/x"));
        try (CatalogueMerge merge = CatalogueMerge.open(ours, zip)) {
            List<Difference> wanted =
                    merge.differences().stream().filter(Difference::canBeTaken).toList();
            assertThat(wanted).hasSize(2);
            assertThatThrownBy(() -> merge.take(wanted, TODAY)).isInstanceOf(IOException.class);
            assertThat(ours.resolve(GO_ONLINE)).hasContent(before);
            assertThat(ours.resolve("replaced")).doesNotExist();
            Files.delete(inTheWay);
            assertThat(merge.take(wanted, TODAY).written()).hasSize(2);
            assertThat(ours.resolve("routes")).isDirectoryNotContaining("glob:**.new");
        }
        Path elsewhere = Files.move(ours.resolve("routes"), folder.resolve("elsewhere"));
        Files.createSymbolicLink(ours.resolve("routes"), elsewhere);
        Files.delete(elsewhere.resolve("go-other.yaml"));
        try (CatalogueMerge merge = CatalogueMerge.open(ours, zip)) {
            List<Difference> wanted =
                    merge.differences().stream().filter(Difference::canBeTaken).toList();
            assertThatThrownBy(() -> merge.take(wanted, TODAY)).hasMessageContaining("is a link");
        }
    }

    @Test
    void whatStandsTwiceIsToldAndNeitherIsTaken() throws IOException {
        String one = Files.readString(ours.resolve(GO_ONLINE)).replace("id: go-online", "id: go-other");
        Path twoFiles = zip("routes/a.yaml", one, "routes/b.yaml", one.replace("[1, 1, 3]", "[1, 2, 3]"));
        try (CatalogueMerge merge = CatalogueMerge.open(ours, twoFiles)) {
            assertThat(merge.differences()).noneMatch(Difference::canBeTaken);
            assertThat(merge.faults())
                    .extracting(Fault::text)
                    .singleElement(InstanceOfAssertFactories.STRING)
                    .contains("routes/b.yaml", "routes/a.yaml already");
        }
        // The library refuses to write one name twice, so the second is renamed in the bytes, which have the same
        // length.
        Path oneName = zip("x/routes/a.yaml", one, "x/routes/b.yaml", one.replace("id: go-other", "id: go-twice"));
        String bytes = Files.readString(oneName, StandardCharsets.ISO_8859_1);
        Files.writeString(oneName, bytes.replace("routes/b.yaml", "routes/a.yaml"), StandardCharsets.ISO_8859_1);
        try (CatalogueMerge merge = CatalogueMerge.open(ours, oneName)) {
            assertThat(merge.differences()).noneMatch(Difference::canBeTaken);
            assertThat(merge.faults())
                    .extracting(Fault::text)
                    .singleElement(InstanceOfAssertFactories.STRING)
                    .contains("routes/a.yaml", "several files of this name");
        }
    }

    @Test
    void neitherAFaultyEntryNorAnythingOutsideIsTaken() throws IOException {
        Path zip = zip(GO_ONLINE, "id: go-online\n", "../outside.yaml", "id: x\n", "routes/../../evil.yaml", "id: y\n");
        try (CatalogueMerge merge = CatalogueMerge.open(ours, zip)) {
            assertThat(merge.faults()).extracting(Fault::file).contains(GO_ONLINE);
            assertThat(merge.differences()).noneMatch(Difference::canBeTaken);
        } catch (UnreadableInput refused) {
            assertThat(refused).hasMessageContaining("neither a catalogue folder nor a zip");
        }
        assertThat(folder.resolve("evil.yaml")).doesNotExist();
        Files.writeString(folder.resolve("no.zip"), "no zip");
        assertThatThrownBy(() -> CatalogueMerge.open(ours, folder.resolve("no.zip")))
                .isInstanceOf(UnreadableInput.class);
    }

    @Test
    void aCacheHoldsUntilAFileChangesAndADamagedOneIsMadeAnew() throws IOException {
        CatalogueCache cache = new CatalogueCache(folder.resolve("cache"));
        CatalogueLoader.Loaded read = CatalogueLoader.load(ours);
        assertThat(cache.load(ours)).as("made").isEqualTo(read);
        assertThat(cache.load(ours)).as("from the cache").isEqualTo(read);
        CatalogueCache.Begun begun = cache.begin(ours);
        assertThat(begun.known()).isEqualTo(read.catalogue().with(List.of()));
        assertThat(begun.whole()).isEqualTo(read);
        assertThat(begun.whole()).isSameAs(begun.whole());
        Files.writeString(ours.resolve(GO_ONLINE), "id: [");
        assertThat(cache.load(ours).catalogue().route("go-online")).isEmpty();
        PathUtils.copyFileToDirectory(
                SHIPPED.resolve(GO_ONLINE), ours.resolve("routes"), StandardCopyOption.REPLACE_EXISTING);
        Files.setLastModifiedTime(ours.resolve(GO_ONLINE), FileTime.from(Instant.EPOCH));
        assertThat(cache.load(ours)).isEqualTo(read);
        try (var kept = Files.list(folder.resolve("cache"))) {
            for (Path file : kept.toList()) {
                Files.write(file, new byte[] {1, 2, 3});
            }
        }
        assertThat(cache.load(ours)).as("damaged").isEqualTo(read);
    }

    @Test
    void aCacheIsBelievedOnlyWhileItsSealIsWholeAndKeepsNoPassingFault() throws Exception {
        Path keeping = folder.resolve("cache");
        CatalogueCache cache = new CatalogueCache(keeping);
        CatalogueLoader.Loaded read = cache.load(ours);
        Path kept;
        try (var files = Files.list(keeping)) {
            kept = files.findFirst().orElseThrow();
        }
        byte[] whole = Files.readAllBytes(kept);
        Random random = new Random(12);
        for (int flip = 0; flip < 15; flip++) {
            byte[] flipped = whole.clone();
            flipped[random.nextInt(flipped.length)] ^= (byte) (1 << random.nextInt(8));
            Files.write(kept, flipped);
            assertThat(cache.load(ours)).isEqualTo(read);
        }
        Files.delete(kept);
        Files.createSymbolicLink(kept, Path.of("/dev/zero"));
        assertThat(cache.load(ours)).as("a device in its place").isEqualTo(read);

        FileTime written = Files.getLastModifiedTime(ours.resolve(GO_ONLINE));
        String text = Files.readString(ours.resolve(GO_ONLINE));
        Files.writeString(ours.resolve(GO_ONLINE), text.replace("id: go-online", "id: go-onlinf"));
        Files.setLastModifiedTime(ours.resolve(GO_ONLINE), written);
        assertThat(cache.load(ours).catalogue().route("go-onlinf"))
                .as("another content of the same size and time")
                .isPresent();

        Files.delete(ours.resolve(GO_ONLINE));
        Files.createSymbolicLink(ours.resolve(GO_ONLINE), Path.of("/dev/zero"));
        assertThat(cache.load(ours).faults()).extracting(Fault::what).anyMatch(what -> what.contains("no plain file"));
    }

    @Test
    void whatIsKeptOfACatalogueGoesWithItsCopyIfItStillHolds() throws Exception {
        CatalogueCache cache = new CatalogueCache(folder.resolve("cache"));
        CatalogueLoader.Loaded read = cache.load(ours);
        Path copy = folder.resolve("copy");
        PathUtils.copyDirectory(ours, copy);
        Path keeping = folder.resolve("cache-of-the-copy");
        CatalogueCache into = new CatalogueCache(keeping);
        cache.copied(ours, copy, into);
        Path kept;
        try (var files = Files.list(keeping)) {
            kept = files.findFirst().orElseThrow();
        }
        FileTime longAgo = FileTime.fromMillis(0);
        Files.setLastModifiedTime(kept, longAgo);
        assertThat(into.load(copy)).isEqualTo(read);
        assertThat(Files.getLastModifiedTime(kept)).as("not written anew").isEqualTo(longAgo);

        Files.writeString(ours.resolve(GO_ONLINE), Files.readString(ours.resolve(GO_ONLINE)) + "# seen\n");
        Path later = folder.resolve("cache-of-a-later-copy");
        cache.copied(ours, copy, new CatalogueCache(later));
        assertThat(later).as("what no longer holds").doesNotExist();
    }

    private Path zip(String... namesAndTexts) throws IOException {
        Path zip = folder.resolve("theirs.zip");
        try (OutputStream out = Files.newOutputStream(zip);
                ZipOutputStream archive = new ZipOutputStream(out)) {
            for (int i = 0; i < namesAndTexts.length; i += 2) {
                archive.putNextEntry(new ZipEntry(namesAndTexts[i]));
                archive.write(namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
            }
        }
        return zip;
    }
}
