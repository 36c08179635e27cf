package org.mobrak.core.catalogue.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.UnreadableInput;

class CatalogueLoaderTest {
    private static final String ROUTE = "routes/juniper-recovery.yaml";

    @TempDir
    private Path folder;

    @BeforeEach
    void copyTheShippedCatalogue() throws IOException {
        Sample.copyOfShipped(folder);
    }

    @Test
    void theShippedCatalogueIsWithoutFault() throws IOException {
        CatalogueLoader.Loaded loaded = CatalogueLoader.load(Sample.SHIPPED_FOLDERS);
        assertThat(loaded.faults()).isEmpty();
        assertThat(loaded.catalogue().routes()).hasSizeGreaterThanOrEqualTo(40);
        assertThat(loaded.catalogue().routes().stream().map(Route::family).distinct())
                .as("every family of the trade, housekeeping and the way back")
                .hasSizeGreaterThanOrEqualTo(15);
        Route unlock = loaded.catalogue().route("juniper-unlock").orElseThrow();
        assertThat(unlock.changes().effects()).containsEntry(Fact.USB_DEBUGGING, "off");
        assertThat(unlock.changes().wipesData()).isTrue();
        assertThat(loaded.catalogue().phone("TS-J540B").orElseThrow().variant().carrier())
                .contains("Brookcell");
    }

    /** One edit of a good file (a bar stands for a line end), and the line and words by which its fault is told. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '"',
            value = {
                "family: flash console; family: !!java.lang.Runtime x; 3; tag",
                "osVersion: \"5.1.1\"; osVersion: 5.1; 7; needs quotes",
                "fact: lock; fact: luck; 10; maybe you mean “lock”",
                "fact: lock, is: [unlocked]; fact: lock, is: [unlocked], atMost: x; 10; needs one of",
                "- {fact: lock,; - {fact: lock, is: [locked]}|    - {fact: lock,; 10; can never fit",
                "- {fact: lock, is: [unlocked]; - {fact: osVersion, atLeast: 5.1.1, atMost: 4.4.4; 10; wrong way round",
                "- {fact: lock, is: [unlocked]; - {hole: CVE-1999-0001; 10; in no file under holes",
                "- {fact: lock, is: [unlocked]; - {fact: patchLevel, notAfter: 2016-13-01; 10; is no day",
                "effects: {recovery: custom}; effects: {lock: unlocked}; 12; gains nothing",
                "normalUntil: 1, worryAfter: 3; normalUntil: 9, worryAfter: 3; 25; worries before it is done",
                ", sign: A swipe screen.; , normalUntil: 1; 26; has no sign",
                "is: [unlocked]; is: [open]; 10; must be one of locked, unlocked",
                "effects: {recovery: custom}; effects: {recovery: fancy}; 12; must be one of stock, custom",
                "effects: {recovery: custom}; effects: {model: TS-J541}; 12; nothing that a route changes",
                "model: TS-J540B; model: TS-J54OB; 8; in no phone file",
                "id: juniper-recovery; id: juniper-unlock; 1; used in",
                "summary: A; summery: A; 1; summery",
                "phase: prove; phase: pray; 27; prove",
                "handsOn: [5, 8, 15]; handsOn: [5, 80, 15]; 15; rise",
                "costs:; fits:; 14; twice",
                "family: flash console; family: *nobody; 3; undefined alias",
                "osVersion: \"5.1.1\"}; osVersion: \"5.1.1\"}|    - {model: TS-J540, osVersion: \"5.1.1\"}; 8; stands twice",
                "handsOn: [5, 8, 15]; handsOn: [-5, 8, 15]; 15; minimum",
                "sha256: ; md5: ; 19; md5",
                "osVersion: \"5.1.1\"; osVersion: \"5.*\"; 7; pattern",
                "is: [unlocked]; is: [\"*\"]; 10; must be one of",
                "fact: lock, is: [unlocked]; fact: buildNumber, is: [\"J5-*\"]; 10; “is” compares exactly",
                "fact: lock, is: [unlocked]; fact: buildNumber, atLeast: \"7\"; 10; has no order",
                "fact: lock, is: [unlocked]; fact: osVersion, atMost: newest; 10; has no order",
                "fact: lock, is: [unlocked]; fact: patchLevel, atMost: \"2016-01-01\"; 10; is a day",
                "fact: lock, is: [unlocked]; fact: osVersion, notAfter: 2016-01-01; 10; is no day",
                "fact: lock, is: [unlocked]; fact: serial, revisionAtMost: \"3\"; 10; finds a bootloader revision",
                "date: 2016-10-04; date: 2014-02-29; 29; is no day",
                "batteryPercent, atLeast: 50; osVersion, atLeast: 50; 21; is no number",
                "batteryPercent, atLeast: 50; card, is: [perhaps]; 21; must be one of yes, no",
                "e07c5b92a36f18d4409be7125dc8f3a61b90e4d27fa5380c6d1e83b7249f5ac0}; e07c5b92a36f18d4409be7125dc8f3a61b90e4d27fa5380c6d1e83b7249f5ac0, partition: radio}; 19; does not say it writes",
                "writes: [recovery]; writes: [recovery]|  keeps: [system]; 14; nothing to keep",
                "writes: [recovery]; writes: [recovery]|  lightWipe: true; 14; no wipe to choose",
                "writes: [recovery]; writes: [recovery, radio]; 7; names no build",
                "effects: {recovery: custom}; effects: {recovery: custom, customWrites: \"+x\"}; 12; whole number",
            })
    void tellsEachFaultWithItsLine(String good, String bad, int line, String words) throws IOException {
        String text = Files.readString(folder.resolve(ROUTE));
        assertThat(text).contains(good);
        Files.writeString(folder.resolve(ROUTE), text.replaceFirst(Pattern.quote(good), bad.replace('|', '\n')));
        CatalogueLoader.Loaded loaded = CatalogueLoader.load(folder);
        assertThat(loaded.faults()).isNotEmpty();
        assertThat(loaded.faults())
                .allSatisfy(fault -> assertThat(fault.remedy()).isNotBlank());
        assertThat(loaded.faults()).as("%s", loaded.faults()).anySatisfy(fault -> {
            assertThat(fault.file()).startsWith("routes/juniper-");
            assertThat(fault.line()).isEqualTo(line);
            assertThat(fault.text()).containsIgnoringCase(words);
        });
        assertThat(loaded.catalogue().routes())
                .as("the other files still serve")
                .hasSizeGreaterThanOrEqualTo(40);
    }

    @Test
    void aFileThatCanBrickForGoodMustHaveAChecksumAndAFaultyRouteIsNeverPlannedWith() throws IOException {
        String text = Files.readString(folder.resolve(ROUTE))
                .replaceFirst("sha256: [0-9a-f]{64}", "partition: bootloader")
                .replace("writes: [recovery]", "writes: [bootloader]")
                .replace("osVersion: \"5.1.1\"}", "osVersion: \"5.1.1\", builds: [J5-511-0382]}")
                .replace("effects: {recovery: custom}", "effects: {bootloader: J5B-014}")
                .replace("atLeast: 50", "atLeast: 90");
        Files.writeString(folder.resolve(ROUTE), text);
        CatalogueLoader.Loaded loaded = CatalogueLoader.load(folder);
        assertThat(loaded.faults()).singleElement().satisfies(fault -> {
            assertThat(fault.what()).contains("can brick the phone for good and has no checksum");
            assertThat(fault.line()).isEqualTo(19);
        });
        assertThat(loaded.catalogue().route("juniper-recovery")).isEmpty();
    }

    @Test
    void housekeepingThatNothingAsksForIsAWarning() throws IOException {
        Path file = folder.resolve("routes/put-a-card-in.yaml");
        Files.writeString(file, Files.readString(file).replace("{card: \"yes\"}", "{card: \"no\"}"));
        assertThat(CatalogueLoader.load(folder).faults()).singleElement().satisfies(fault -> {
            assertThat(fault.isWarning()).isTrue();
            assertThat(fault.what()).isEqualTo("No route asks for Memory card to be no.");
        });
    }

    /** The same for a grammar. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '"',
            value = {
                "examples: [LN2F-B09; examples: [LN2F-C09; 4; do not fit the example LN2F-C09",
                "length: [2]; length: [3]; 4; Count the characters",
                "role: carrier; role: courier; 7; enumeration",
                "length: [2]; length: [3, 2]; 9; least length",
                "length: [2]; length: [2], format: dddd; 9; pattern",
                "literal: \"-B\"; literal: \"\"; 8; must be",
                "fact: bootloader; fact: model; 3; enumeration",
            })
    void tellsEachFaultOfAGrammar(String good, String bad, int line, String words) throws IOException {
        Path file = folder.resolve("grammars/orvane-bootloader.yaml");
        String text = Files.readString(file);
        assertThat(text).contains(good);
        Files.writeString(file, text.replaceFirst(Pattern.quote(good), bad));
        CatalogueLoader.Loaded loaded = CatalogueLoader.load(folder);
        assertThat(loaded.faults()).as("%s", loaded.faults()).anySatisfy(fault -> {
            assertThat(fault.file()).isEqualTo("grammars/orvane-bootloader.yaml");
            assertThat(fault.line()).isEqualTo(line);
            assertThat(fault.text()).containsIgnoringCase(words);
        });
        assertThat(loaded.catalogue().rulers().grammars()).hasSizeGreaterThanOrEqualTo(5);
    }

    @Test
    void refusesYamlThatIsMadeToHurt() throws IOException {
        String bomb =
                "a: &a [x, x]\nb: &b [*a, *a, *a, *a, *a, *a, *a, *a]\nc: &c [*b, *b, *b, *b, *b, *b, *b, *b]\nd: [*c, *c, *c, *c, *c, *c]\n";
        String itself = "a: &a [*a]\n";
        String deep = "[".repeat(5_000) + "]".repeat(5_000);
        String large = "# " + "bees ".repeat(250_000) + "\nid: x\n";
        for (String text : List.of(bomb, itself, deep, large, "", "- just\n- a list\n")) {
            Files.writeString(folder.resolve(ROUTE), text);
            assertThat(CatalogueLoader.load(folder).faults())
                    .as(text.substring(0, Math.min(40, text.length())))
                    .anySatisfy(fault -> assertThat(fault.file()).isEqualTo(ROUTE));
        }
        Files.writeString(folder.resolve(ROUTE), "id: x\nname: \"Hive\\u202E 3\"\n");
        assertThat(CatalogueLoader.load(folder).faults())
                .extracting(Fault::text)
                .anySatisfy(text -> assertThat(text).contains(":2:", "cannot be seen", "\\u202E"));
        Files.write(folder.resolve(ROUTE), new byte[] {(byte) 0xC3, (byte) 0x28});
        assertThat(CatalogueLoader.load(folder).faults())
                .anySatisfy(fault -> assertThat(fault.what()).contains("UTF-8"));
    }

    @Test
    void aFileOfNothingButFaultsOrOneLongLineIsToldInAFewLines() throws IOException {
        Path routes = Files.createDirectories(folder.resolve("hostile/routes"));
        Files.writeString(routes.resolve("ones.yaml"), "id: x\nfits:\n  phones: [" + "1,\n".repeat(60_000) + "]\n");
        Files.writeString(routes.resolve("comment.yaml"), "# " + "long ".repeat(100_000));
        assertThat(CatalogueLoader.load(folder.resolve("hostile")).faults())
                .hasSizeLessThan(60)
                .extracting(Fault::what)
                .contains("The line is longer than 20000 characters.")
                .anyMatch(what -> what.matches("There are [0-9]{5} more faults in it\\."));
    }

    @Test
    void aReadingThatWasStoppedIsNoCatalogueWithoutEntries() {
        Thread.currentThread().interrupt();
        assertThatThrownBy(() -> CatalogueLoader.load(folder)).isInstanceOf(ClosedByInterruptException.class);
        assertThat(Thread.interrupted()).isTrue();
    }

    @Test
    void saysThatAFolderIsNoCatalogue() {
        assertThatThrownBy(() -> CatalogueLoader.load(folder.resolve("nowhere")))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining("is no catalogue");
    }

    /** YAML 1.2.2, §10.3.2 “Tag Resolution”: what a plain word means in the core schema; the other rows are plain text there. */
    @ParameterizedTest
    @CsvSource({
        "null, null", "~, null", "true, true", "false, false", "0, 0", "-19, -19", "3.25, 3.25",
        "on, \"on\"", "off, \"off\"", "yes, \"yes\"", "2014-03-02, \"2014-03-02\"", "007, \"007\"", "1_000, \"1_000\"",
                "12:30, \"12:30\""
    })
    void plainWordsMeanWhatTheCoreSchemaSays(String yaml, String json) throws YamlText.BadYaml {
        assertThat(YamlText.parse("word: " + yaml).root().get("word")).hasToString(json);
    }
}
