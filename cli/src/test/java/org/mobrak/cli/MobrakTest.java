package org.mobrak.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.io.file.PathUtils;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;

class MobrakTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final Path READINGS = HOME.resolve("demo/readings");

    @TempDir
    private Path folder;

    @TempDir
    private Path cache;

    private record Outcome(int status, String out, String err) {
        JsonNode json() throws IOException {
            return new ObjectMapper().readTree(out);
        }
    }

    @Test
    void identifiesAPhoneAsTheContractSays() throws IOException {
        Outcome outcome = run("", "identify", reading("hive-03-listing.txt"), reading("hive-03-banner.txt"), "--json");
        assertThat(outcome.status()).isEqualTo(Mobrak.DONE);
        assertThat(outcome.err()).isEmpty();
        JsonNode json = outcome.json();
        assertThat(names(json))
                .containsExactly("facts", "readings", "conflicts", "findings", "variants", "separators", "rulers");
        assertThat(json.at("/facts/buildIdDate").asText()).isEqualTo("2012-08-23");
        assertThat(json.at("/rulers/0/segments/2/label").asText()).isEqualTo("Bootloader revision");
        assertThat(json.at("/facts/model").asText()).isEqualTo("OV-L210F");
        assertThat(json.at("/facts/shopName").asText()).isEqualTo("Lantern 2");
        assertThat(json.at("/facts/buildDate").asText()).isEqualTo("2013-10-22T09:30:15Z");
        assertThat(json.at("/facts/kernelRelease").asText()).isEqualTo("3.0.31-412087");
        assertThat(json.at("/facts/lock").isMissingNode())
                .as("absent when unknown")
                .isTrue();
        assertThat(names(json.at("/readings/0"))).containsExactly("fact", "value", "source", "file", "line");
        assertThat(json.at("/conflicts")).isEmpty();
    }

    @Test
    void tellsConflictsAndFindings() throws IOException {
        String text =
                "[ro.product.model]: [KQ-T5]\n[ro.build.version.release]: [2.3.6]\n[ro.build.version.sdk]: [16]\n";
        JsonNode json =
                run(text, "identify", "-", "--set", "model=KQ-T5B", "--json").json();
        assertThat(json.at("/facts/model").asText()).isEqualTo("KQ-T5");
        assertThat(json.at("/conflicts/0/fact").asText()).isEqualTo("model");
        assertThat(json.at("/conflicts/0/values").findValuesAsText("source"))
                .containsExactly("property list", "typed in");
        assertThat(json.at("/findings").findValuesAsText("code")).containsExactly("conflict", "api-level-release");
        assertThat(json.at("/findings/0/severity").asText()).isEqualTo("caution");
        assertThat(run(text, "identify", "-").out())
                .contains("Model number")
                .contains("KQ-T5")
                .contains("caution (certain): OS version 2.3.6");
    }

    @Test
    void tellsWhichVariantsRemainAndWhatWouldTellThemApart() throws IOException {
        Outcome outcome = run("", "identify", reading("hive-02-about.txt"), "--json");
        JsonNode json = outcome.json();
        assertThat(json.at("/variants").findValuesAsText("model")).containsExactly("OV-L210", "OV-L210F", "OV-L215");
        assertThat(json.at("/separators/0/fact").asText()).isEqualTo("model");
        assertThat(json.at("/separators/0/bits").asDouble()).isEqualTo(1.58);
        assertThat(run("", "identify", reading("hive-02-about.txt")).out())
                .contains("It may be: OV-L210, OV-L210F, OV-L215");
    }

    @Test
    void takesACollectionFileByFile() throws IOException {
        Files.copy(READINGS.resolve("hive-03-listing.txt"), folder.resolve("a.txt"));
        Files.copy(READINGS.resolve("hive-07-system.prop"), folder.resolve("b.prop"));
        Files.writeString(folder.resolve("c.txt"), "a letter about bees");
        Outcome outcome = run("", "identify", "--each", folder.toString(), "--json");
        assertThat(outcome.status()).isEqualTo(Mobrak.DONE);
        assertThat(outcome.err()).hasLineCount(1).contains("c.txt holds no reading");
        JsonNode phones = outcome.json().at("/phones");
        assertThat(phones).hasSize(3);
        assertThat(phones.at("/0/facts/model").asText()).isEqualTo("OV-L210F");
        assertThat(phones.at("/1/facts/model").asText()).isEqualTo("KQ-T5");
        assertThat(phones.at("/2/error").asText()).contains("holds no reading");
        assertThat(run("", "identify", "--each", folder.toString()).out())
                .contains("OV-L210F         4.1.2    LN2-F09-131022");
        assertThat(run("", "identify", "--each", folder.resolve("c.txt").toString())
                        .status())
                .isEqualTo(Mobrak.UNREADABLE);
    }

    @Test
    void plansAChainAndGivesEveryVerdictWithItsReasons() throws IOException {
        Outcome outcome = run(
                "",
                "plan",
                "--goal",
                "root",
                reading("hive-11-listing.txt"),
                "--set",
                "lock=locked",
                "--set",
                "recovery=stock",
                "--json");
        assertThat(outcome.status()).isEqualTo(Mobrak.DONE);
        JsonNode json = outcome.json();
        assertThat(names(json))
                .containsExactly(
                        "goal",
                        "phone",
                        "plans",
                        "blockers",
                        "routes",
                        "nextReadings",
                        "more",
                        "assuming",
                        "rest",
                        "reachable");
        JsonNode plan = json.at("/plans/0");
        assertThat(names(plan))
                .containsExactly(
                        "routes",
                        "marks",
                        "dataLoss",
                        "riskPoints",
                        "money",
                        "minutes",
                        "doubt",
                        "warnings",
                        "figures");
        assertThat(plan.at("/figures").findValuesAsText("name"))
                .contains("Risk points", "Phone in hand", "Battery", "Storage");
        assertThat(plan.at("/routes"))
                .extracting(JsonNode::asText)
                .as("the unlock wipes, so the files are copied once more")
                .containsExactly("juniper-unlock", "juniper-recovery", "copy-the-files", "root-package-from-recovery");
        assertThat(plan.at("/dataLoss").asBoolean()).isTrue();
        assertThat(plan.at("/minutes/low").asDouble())
                .isLessThan(plan.at("/minutes/typical").asDouble());
        JsonNode recovery = route(json, "juniper-recovery");
        assertThat(recovery.at("/verdict").asText()).isEqualTo("needs a step");
        assertThat(recovery.at("/clauses").findValuesAsText("result")).containsExactly("yes", "yes", "no");
        assertThat(recovery.at("/clauses/2/reason").asText()).contains("“Unlock the Juniper” turns this into a yes.");
        assertThat(route(json, "juniper-unlock").at("/verdict").asText()).isEqualTo("fits");
        assertThat(route(json, "wick-exploit-app").at("/verdict").asText()).isEqualTo("refused");
    }

    private static JsonNode route(JsonNode answer, String id) {
        return StreamSupport.stream(answer.at("/routes").spliterator(), false)
                .filter(route -> route.at("/id").asText().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void answersNoWithTheBlockersAndTheNextReading() throws IOException {
        Outcome unknown = run("", "plan", "--goal", "root", reading("hive-11-listing.txt"), "--json");
        assertThat(unknown.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(unknown.json().at("/plans")).isEmpty();
        assertThat(unknown.json().at("/blockers/0").asText()).contains("Bootloader lock is not known");
        assertThat(unknown.json().at("/nextReadings").findValuesAsText("fact"))
                .contains("lock", "recovery")
                .doesNotContain("patchLevel");
        assertThat(unknown.json().at("/assuming/0/supposition").asText())
                .isEqualTo("If the bootloader lock is locked (as usual)");
        assertThat(unknown.json().at("/assuming/0/supposes/lock").asText()).isEqualTo("locked");
        assertThat(unknown.json().at("/assuming").findValuesAsText("supposition"))
                .contains("If the bootloader lock is unlocked");
        Outcome limited = run("", "plan", "--goal", "root", "--limit", "no-marks", reading("hive-03-listing.txt"));
        assertThat(limited.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(limited.out())
                .contains("In the way: Limit “no permanent marks”: it would leave for good: custom-write counter up")
                .contains("refused (see them with --all)");
        assertThat(run("", "plan", "--goal", "root", "--school", "exact", reading("hive-03-listing.txt"), "--json")
                        .json()
                        .at("/plans/0/routes/0")
                        .asText())
                .isEqualTo("lantern-root-package");
    }

    @Test
    void saysWhatAPlanWouldAssumeAndWhatIsWithinReachInstead() throws IOException {
        Outcome outcome = run("", "plan", "--goal", "root", reading("hive-08-about.txt"), "--json");
        assertThat(outcome.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        JsonNode json = outcome.json();
        assertThat(json.at("/plans")).isEmpty();
        List<String> assumed = json.at("/assuming").findValuesAsText("routes");
        assertThat(json.at("/assuming")).isNotEmpty().hasSameSizeAs(assumed);
        assertThat(json.at("/assuming/0/assumptions/0").asText()).contains("is not known");
        assertThat(run("", "plan", "--goal", "root", reading("hive-08-about.txt"))
                        .out())
                .contains("If all turns out well: Ladder on the phone")
                .contains("assuming Ladder on the phone: Kernel release is not known")
                .doesNotContain("housekeeping");
        Outcome instead = run(
                "", "plan", "--goal", "write-protection-off", reading("hive-11-listing.txt"), "--set", "lock=locked");
        assertThat(instead.out()).contains("In the way: ").contains("Within reach instead: Custom recovery (recovery)");
    }

    /** A way of a person's own choice, old parts as goals, mends by how likely they mend, and what is told of a locked phone. */
    @Test
    void plansByChoiceByPartAndByOdds() throws IOException {
        Outcome chosen = run(
                "",
                "plan",
                "--goal",
                "root",
                "--route",
                "larch-toolkit",
                reading("hive-03-listing.txt"),
                "--set",
                "kernelRelease=3.0.31",
                "--set",
                "kernelBuilt=2013-10-22",
                "--json");
        assertThat(chosen.json().at("/plans").findValuesAsText("dataLoss")).containsExactly("true");
        assertThat(chosen.json().at("/plans/0/doubt").asInt()).isPositive();
        assertThat(run("", "plan", "--goal", "root", "--route", "nobody", reading("hive-03-listing.txt"))
                        .status())
                .isEqualTo(Mobrak.WRONG_USAGE);
        Outcome radio = run("", "plan", "--goal", "radio=J540-1.4.22", reading("hive-11-listing.txt"), "--json");
        assertThat(radio.json().at("/plans/0/routes")).as("it has that radio").isEmpty();
        assertThat(run("", "plan", "--goal", "radio=", reading("hive-11-listing.txt"))
                        .status())
                .isEqualTo(Mobrak.WRONG_USAGE);
        String[] refusing = {
            "plan",
            "--goal",
            "mend:app-refuses-custom-state",
            "--set",
            "model=TS-J540",
            "--set",
            "root=permanent",
            "--set",
            "usbDebugging=on",
            "--set",
            "batteryPercent=80"
        };
        assertThat(run("", refusing).out())
                .contains("Plan: Mend one property", "Plan: Switch USB debugging off again", "% probability");
        Outcome locked = run(
                "", "plan", "--goal", "root", "--json", reading("hive-14-label.txt"), reading("hive-14-download.txt"));
        assertThat(locked.json().at("/blockers")).hasSize(1);
        assertThat(locked.json().at("/routes").findValuesAsText("verdict")).containsOnly("refused");
        Outcome torn =
                run("", "plan", "--goal", "root", "--json", reading("hive-12-listing.txt"), "--set", "lock=locked");
        assertThat(torn.json().at("/routes").toString())
                .contains("But the readings disagree (Bootloader lock unlocked or locked)");
    }

    @ParameterizedTest
    @CsvSource({
        "4.4W, 4.3, null",
        "4.1.2, 4.1.10, -1",
        "5, 4.4.4, 1",
        "4.1, 4.1.0, 0",
        "3.4.0-a, 3.4.0-b, null",
        "3.4.9-gd1, 3.4.9, 0",
        "3.4.9, 3.4.9-gd1, null"
    })
    void ordersTwoVersions(String first, String second, String order) throws IOException {
        Outcome outcome = run("", "compare-versions", first, second, "--json");
        assertThat(outcome.json().get("order").asText()).isEqualTo(order);
        assertThat(outcome.status()).isEqualTo(order.equals("null") ? Mobrak.ANSWER_IS_NO : Mobrak.DONE);
        assertThat(run("", "compare-versions", first, second).out())
                .contains(first)
                .contains(second);
    }

    /** Digits and marks are the same on every computer. */
    @ParameterizedTest
    @ValueSource(strings = {"ar-EG-u-nu-arab", "de-DE", "hi-IN-u-nu-deva"})
    void writesTheSameWhateverTheLocale(String locale) {
        String[] plan = {"plan", "--goal", "root", "--all", reading("hive-03-listing.txt")};
        String[] inspect = {
            "inspect", HOME.resolve("demo/files/key-recovery-l210.tar").toString()
        };
        List<String> before = List.of(run("", plan).out(), run("", inspect).out());
        Locale usual = Locale.getDefault();
        try {
            Locale.setDefault(Locale.forLanguageTag(locale));
            assertThat(List.of(run("", plan).out(), run("", inspect).out())).isEqualTo(before);
        } finally {
            Locale.setDefault(usual);
        }
    }

    @Test
    void warningsAreToldAndHinderNothing() throws IOException {
        copyOfShipped(folder.resolve("copy"));
        Path route = folder.resolve("copy/routes/juniper-recovery.yaml");
        Files.writeString(route, Files.readString(route).replaceFirst(", sign: A swipe screen\\.", ""));
        Outcome outcome = run("", "catalogue", "check", folder.resolve("copy").toString(), "--json");
        assertThat(outcome.status()).isEqualTo(Mobrak.DONE);
        assertThat(outcome.json().at("/faults/0/weight").asText()).isEqualTo("warning");
        assertThat(outcome.json().at("/routes").asInt()).isEqualTo(80);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "identify; Give at least one FILE",
                "identify --set lock=perhaps; must be one of locked, unlocked",
                "identify --set colour=blue; no fact Mobrak knows",
                "plan demo.txt; --goal",
                "plan --goal fame demo.txt; the goals are root",
                "plan --goal root --school strict demo.txt; exact or practical",
                "plan --goal root --limit no-fuss demo.txt; no-data-loss",
                "dance; dance",
                "catalogue; check",
            })
    void saysInOneLineWhatIsWrongWithTheUsage(String line, String words) {
        Outcome outcome = run("", line.split(" "));
        assertThat(outcome.status()).isEqualTo(Mobrak.WRONG_USAGE);
        assertThat(outcome.out()).isEmpty();
        assertThat(outcome.err()).contains(words).hasLineCount(1);
    }

    @Test
    void saysInOneLineWhyAnInputCannotBeRead() throws IOException {
        Path empty = Files.createFile(folder.resolve("empty.txt"));
        Path binary = Files.write(folder.resolve("binary.img"), new byte[4_096]);
        Path catalogue = Files.createDirectory(folder.resolve("catalogue"));
        for (List<String> line : List.of(
                List.of("identify", empty.toString(), "--json"),
                List.of("identify", binary.toString(), "--json"),
                List.of("identify", folder.toString(), "--json"),
                List.of(
                        "identify",
                        reading("hive-03-listing.txt"),
                        folder.resolve("nowhere.txt").toString(),
                        "--json"),
                List.of("identify", "-"),
                List.of("identify", "--catalogue", catalogue.toString(), reading("hive-03-listing.txt")),
                List.of("catalogue", "check", folder.resolve("nowhere").toString()))) {
            Outcome outcome = run("", line.toArray(String[]::new));
            assertThat(outcome.status()).as("%s", line).isEqualTo(Mobrak.UNREADABLE);
            assertThat(outcome.out()).as("%s", line).isEmpty();
            assertThat(outcome.err())
                    .as("%s", line)
                    .hasLineCount(1)
                    .startsWith("mobrak: ")
                    .doesNotContain("Exception");
        }
    }

    @Test
    void checksACatalogueFileByFile() throws IOException {
        assertThat(run("", "catalogue", "check", HOME.resolve("catalogue").toString())
                        .out())
                .contains("0 phones, 37 routes, 0 faults, 0 warnings");
        assertThat(run("", "catalogue", "check", HOME.resolve("demo/catalogue").toString())
                        .out())
                .as("the holes that ship are known to every catalogue")
                .contains("18 phones, 43 routes, 0 faults, 0 warnings");
        copyOfShipped(folder.resolve("copy"));
        Path route = folder.resolve("copy/routes/juniper-unlock.yaml");
        Files.writeString(route, Files.readString(route).replace("lock: unlocked", "lock: ajar"));
        Outcome outcome = run("", "catalogue", "check", folder.resolve("copy").toString(), "--json");
        assertThat(outcome.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(outcome.json().at("/faults/0/file").asText()).isEqualTo("routes/juniper-unlock.yaml");
        assertThat(outcome.json().at("/faults/0/line").asInt()).isEqualTo(14);
        Outcome plan = run(
                "",
                "plan",
                "--goal",
                "root",
                "--catalogue",
                folder.resolve("copy").toString(),
                reading("hive-03-listing.txt"),
                "--json");
        assertThat(plan.err()).as("a fault is told, and the rest serves").contains("juniper-unlock.yaml:14");
        assertThat(plan.json().at("/plans")).hasSize(1);
    }

    /** A catalogue from before keys belonged to the phone: what its routes agree on moves, what they do not is told. */
    @Test
    void bringsKeysFromRoutesToTheirPhones() throws IOException {
        Path copy = folder.resolve("old");
        copyOfShipped(copy);
        Path phone = copy.resolve("phones/orvane-lantern-2.yaml");
        String now = Files.readString(phone);
        Files.writeString(phone, now.replaceFirst("(?s)keys:\n.*?partitions:", "partitions:"));
        Path route = copy.resolve("routes/lantern2-recovery-package.yaml");
        Outcome would = run("", "catalogue", "upgrade", copy.toString(), "--dry-run", "--json");
        assertThat(would.json()
                        .at("/moved")
                        .path("phones/orvane-lantern-2.yaml")
                        .get(0)
                        .asText())
                .isEqualTo(
                        "  - {mode: download, keys: \"hold volume-down + home + power until the warning; press volume-up\","
                                + " models: [OV-L210, OV-L210F, OV-L215]}");
        assertThat(Files.readString(phone)).doesNotContain("keys:");
        Files.writeString(
                route,
                Files.readString(route).replaceFirst("volume-down \\+ home \\+ power until", "home + power until"));
        Outcome done = run("", "catalogue", "upgrade", copy.toString());
        assertThat(done.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(done.out())
                .contains("has gained", "models: [OV-L215]", "Left to you: OV-L210F: its routes tell 2 chords");
        assertThat(run("", "catalogue", "check", copy.toString()).out()).contains("0 faults");
        assertThat(Files.readString(phone)).startsWith(now.substring(0, now.indexOf("keys:")));
    }

    private static void copyOfShipped(Path copy) throws IOException {
        PathUtils.copyDirectory(HOME.resolve("catalogue"), copy);
        PathUtils.copyDirectory(HOME.resolve("demo/catalogue"), copy);
    }

    private static String reading(String name) {
        return READINGS.resolve(name).toString();
    }

    private static List<String> names(JsonNode node) {
        return StreamSupport.stream(((Iterable<String>) node::fieldNames).spliterator(), false)
                .toList();
    }

    @Test
    void mergesCataloguesWithoutOverwriting() throws IOException {
        Path friend = folder.resolve("friend");
        copyOfShipped(friend);
        Path unlock = friend.resolve("routes/juniper-unlock.yaml");
        String theirs = Files.readString(unlock).replaceFirst("handsOn: .*", "handsOn: [1, 2, 3]");
        Files.writeString(unlock, theirs);
        Files.writeString(
                friend.resolve("routes/new.yaml"), theirs.replaceFirst("id: juniper-unlock", "id: lark-unlock"));
        String[] merge = {
            "catalogue",
            "merge",
            HOME.resolve("demo/catalogue").toString(),
            friend.toString(),
            "--into",
            folder.resolve("both").toString(),
            "--json"
        };
        Outcome dry =
                run("", Stream.concat(Stream.of(merge), Stream.of("--dry-run")).toArray(String[]::new));
        assertThat(folder.resolve("both")).doesNotExist();
        assertThat(dry.json().at("/dryRun").asBoolean()).isTrue();
        Outcome outcome = run("", merge);
        assertThat(outcome.status()).as("one differs and nobody decided").isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(outcome.json().at("/entries")).anySatisfy(entry -> {
            assertThat(entry.at("/id").asText()).isEqualTo("juniper-unlock");
            assertThat(entry.at("/state").asText()).isEqualTo("differs");
            assertThat(entry.at("/taken").asBoolean()).isFalse();
            assertThat(entry.at("/changes/0/where").asText()).startsWith("costs/handsOn");
        });
        assertThat(folder.resolve("both/routes/lark-unlock.yaml"))
                .content()
                .contains("origin: {from: \"friend\", taken: 2026-11-24}");
        assertThat(folder.resolve("both/routes/juniper-unlock.yaml")).content().isNotEqualTo(theirs);
        assertThat(run("", merge).status()).as("the folder is no longer empty").isEqualTo(Mobrak.WRONG_USAGE);
        Outcome taken = run(
                "",
                "catalogue",
                "merge",
                folder.resolve("both").toString(),
                friend.toString(),
                "--into",
                folder.resolve("both").toString(),
                "--take",
                "routes/juniper-unlock");
        assertThat(taken.out()).contains("routes/juniper-unlock: differs, taken");
        assertThat(taken.status()).isEqualTo(Mobrak.DONE);
        assertThat(folder.resolve("both/routes/juniper-unlock.yaml")).content().startsWith(theirs);
        assertThat(folder.resolve("both/replaced/routes/juniper-unlock.yaml")).exists();
        assertThat(run("", "catalogue", "check", folder.resolve("both").toString())
                        .status())
                .isEqualTo(Mobrak.DONE);
    }

    @Test
    void aSheetHasEachGateDirectlyBeforeWhatNeedsIt() throws IOException {
        Path page = folder.resolve("card.html");
        Outcome outcome = run(
                "",
                "sheet",
                "--goal",
                "root",
                reading("hive-11-listing.txt"),
                "--set",
                "lock=locked",
                "--set",
                "recovery=stock",
                "--html",
                page.toString(),
                "--json");
        assertThat(outcome.status()).isEqualTo(Mobrak.DONE);
        JsonNode json = outcome.json();
        List<JsonNode> steps = new ArrayList<>();
        json.path("steps").forEach(steps::add);
        List<String> titles =
                steps.stream().map(step -> step.path("title").asText()).toList();
        assertThat(titles.indexOf("Image backup: taken or verified"))
                .isGreaterThan(titles.indexOf("The recovery starts"))
                .isLessThan(titles.indexOf("Install the zip"));
        JsonNode unlock = steps.get(titles.indexOf("Unlock"));
        assertThat(unlock.path("id").asText())
                .isEqualTo(json.path("pointOfNoReturn").asText());
        assertThat(unlock.path("effects").path("lock").asText()).isEqualTo("unlocked");
        JsonNode model = steps.get(titles.indexOf("Model number: TS-J540"));
        assertThat(model.path("kind").asText()).isEqualTo("ready");
        assertThat(model.path("gate").path("overridable").asBoolean(true)).isFalse();
        JsonNode console = steps.get(titles.indexOf("Into the flash console"));
        assertThat(console.path("keys").path(0).path("hold").toString()).isEqualTo("[\"volume-up\",\"power\"]");
        assertThat(console.path("keys").path(0).path("until").asText()).isEqualTo("it vibrates");
        assertThat(page).content().contains("<svg", "No way back from here", "until it vibrates");
        assertThat(run("", "sheet", "--goal", "root", "--set", "batteryBody=swollen", reading("hive-11-listing.txt"))
                        .status())
                .isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(run(
                                "",
                                "sheet",
                                "--goal",
                                "root",
                                "--plan",
                                "99",
                                reading("hive-11-listing.txt"),
                                "--set",
                                "lock=locked",
                                "--set",
                                "recovery=stock")
                        .status())
                .isEqualTo(Mobrak.WRONG_USAGE);
    }

    @Test
    void plansForJoinedGoalsAndForTroublesAndReadsWellWithoutJson() {
        Outcome joined = run(
                "",
                "plan",
                "--goal",
                "root+recovery",
                reading("hive-03-listing.txt"),
                reading("hive-03-banner.txt"),
                "--set",
                "recovery=stock",
                "--set",
                "batteryPercent=20");
        assertThat(joined.status()).isEqualTo(Mobrak.DONE);
        assertThat(joined.out())
                .contains("Plan: Moss on the phone → Recovery in download mode, Lantern 2")
                .contains("leaves for good: custom-write counter up, warranty fuse blown")
                .contains("Storage needed: 3.4 MB; what the phone has is not known.")
                .as("it is charged first")
                .doesNotContain("Battery needed");
        Outcome spared = run(
                "",
                "plan",
                "--goal",
                "root+recovery",
                "--limit",
                "no-blown-fuse",
                reading("hive-03-listing.txt"),
                reading("hive-03-banner.txt"),
                "--set",
                "recovery=stock");
        assertThat(spared.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(spared.out())
                .contains(
                        "In the way: Limit “no blown fuse”: “Recovery in download mode, Lantern 2” blows the warranty fuse.");
        Outcome mended = run(
                "",
                "plan",
                "--goal",
                "mend:manager-binary-old",
                reading("hive-03-listing.txt"),
                "--set",
                "root=permanent");
        assertThat(mended.out()).contains("Plan: Bring the root binary up to date");
    }

    /** Each wrong use is told in one line that says what would be right. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "plan --goal root+stock x; root+stock” is no goal",
                "plan --goal mend:everything x; is no goal",
                "plan --goal root --limit no-fuss x; no-blown-fuse",
                "plan --goal root --limit minutes=soon x; minutes=N",
                "plan --goal root --school strict x; use exact or practical",
                "catalogue; Try: check, merge or upgrade",
                "catalogue merge A; Missing required",
                "catalogue merge {catalogue} {catalogue} --into {catalogue} --take routes/nothing; is nothing that B has otherwise",
                "catalogue merge {catalogue} {catalogue} --into {demo}; holds something already",
                "catalogue merge {catalogue} {demo}/catalogue --into {catalogue}/routes/new; lies inside of what is merged",
            })
    void tellsWrongUseInALine(String words, String told) {
        String[] arguments = words.replace(
                        "{catalogue}", HOME.resolve("catalogue").toString())
                .replace("{demo}", HOME.resolve("demo").toString())
                .split(" ");
        Outcome outcome = run("", arguments);
        assertThat(outcome.status()).isEqualTo(Mobrak.WRONG_USAGE);
        assertThat(outcome.out()).isEmpty();
        assertThat(outcome.err().lines())
                .singleElement()
                .asString()
                .startsWith("mobrak: ")
                .contains(told);
    }

    @Test
    void aCatalogueThatCannotBeOpenedIsUnreadable() {
        Outcome outcome = run(
                "",
                "catalogue",
                "merge",
                HOME.resolve("demo/catalogue").toString(),
                HOME.resolve("README.md").toString(),
                "--into",
                folder.resolve("new").toString());
        assertThat(outcome.status()).isEqualTo(Mobrak.UNREADABLE);
        assertThat(outcome.err()).contains("is neither a catalogue folder nor a zip of one");
        assertThat(folder.resolve("new")).doesNotExist();
    }

    @Test
    void anotherClubsYearComesInIsSearchedAndGoesOutAgain() throws IOException {
        Path own = folder.resolve("of-the-club");
        String club = HOME.resolve("demo/friend/club-year.zip").toString();
        JsonNode would = run("", "import", club, "--into", own.toString(), "--dry-run", "--json")
                .json();
        assertThat(would.at("/phones")).hasSize(12);
        assertThat(own).doesNotExist();
        assertThat(run("", "import", club, "--into", own.toString(), "--json").status())
                .isEqualTo(Mobrak.DONE);
        assertThat(run("", "search", own.toString(), "sluice").out()).contains("Pond 1, ›sluice‹");
        JsonNode whole = run("", "check", own.toString(), "--json").json();
        assertThat(whole.at("/jobs").asInt()).isEqualTo(51);
        assertThat(whole.at("/problems")).isEmpty();
        Path out = folder.resolve("out-again.zip");
        JsonNode rows = run("", "export", own.toString(), "--to", out.toString(), "--with-files", "--json")
                .json()
                .at("/rows");
        assertThat(rows.at("/jobs.jsonl").asInt()).isEqualTo(51);
        assertThat(rows.at("/inside").isMissingNode())
                .as("no file lies on that shelf")
                .isTrue();
    }

    @Test
    void aPhoneIsEmptiedForItsNextOwnerByAJobOfItsOwn() throws IOException {
        JsonNode plan = run("", "plan", "--goal", "hand-on", reading("hive-03-listing.txt"), "--json")
                .json();
        assertThat(plan.at("/plans/0/routes").toString()).contains("hand-on");
        assertThat(plan.at("/plans/0/dataLoss").asBoolean()).isTrue();
        JsonNode sheet = run("", "sheet", "--goal", "hand-on", reading("hive-03-listing.txt"), "--json")
                .json();
        assertThat(sheet.at("/steps").findValuesAsText("title"))
                .containsSubsequence(
                        "App-and-data backup: verified",
                        "Take the accounts out",
                        "Take card and SIM out",
                        "Wipe everything",
                        "Look at it as a stranger would");
        Outcome kept = run(
                "", "plan", "--goal", "hand-on", "--limit", "no-data-loss", reading("hive-03-listing.txt"), "--json");
        assertThat(kept.status()).as("nothing is emptied and kept").isEqualTo(Mobrak.ANSWER_IS_NO);
        Outcome done = run("", "rehearse", "--phone", "hive-03", "--goal", "hand-on", "--json");
        assertThat(done.json().at("/end").asText()).isEqualTo("goal");
        assertThat(done.json().at("/facts/ownerData").asText()).isEqualTo("removed");
    }

    @Test
    void inspectsFilesAsTheContractSays() throws IOException {
        JsonNode firmware = run("", "inspect", file("LN2-F09-131022-stock.tar.md5"), "--json")
                .json();
        assertThat(names(firmware))
                .contains("file", "bytes", "kind", "digests", "members", "trailer", "kernel", "boot");
        assertThat(names(firmware.at("/digests"))).containsExactly("md5", "sha1", "sha256", "crc32");
        assertThat(firmware.at("/kind").asText()).isEqualTo("tar-md5");
        assertThat(firmware.at("/trailer/valid").asBoolean()).isTrue();
        assertThat(firmware.at("/kernel/release").asText()).isEqualTo("3.0.31-412087");
        assertThat(firmware.at("/kernel/compression").asText()).isEqualTo("gzip");
        assertThat(firmware.at("/boot/patchLevel").asText()).isEqualTo("2013-10");
        assertThat(firmware.at("/sparse/expandedBytes").asLong()).isEqualTo(12 << 20);
        assertThat(firmware.at("/members").findValuesAsText("kind")).contains("boot-image", "sparse-image", "elf");
        assertThat(names(firmware.at("/writes/0"))).containsExactly("partition", "class", "because");
        JsonNode update = run("", "inspect", file("root-package-from-the-thread.zip"), "--json", "--headers-only")
                .json();
        assertThat(update.at("/devices/0").asText()).isEqualTo("lantern2q");
        assertThat(update.at("/digests").isMissingNode()).isTrue();
    }

    @Test
    void inspectsSeveralFoldersAndStandardInput() throws IOException {
        Outcome several = run("one line\n", "inspect", "-", file(""), "--json");
        assertThat(several.status()).isEqualTo(Mobrak.DONE);
        assertThat(several.json().at("/files")).hasSize(10);
        assertThat(several.json().at("/files/0/kind").asText()).isEqualTo("text");
        assertThat(several.json().at("/files/0/file").asText()).isEqualTo("-");
        Outcome missing = run("", "inspect", "/nowhere/x.zip", file("about.txt"), "--json");
        assertThat(missing.status()).isEqualTo(Mobrak.UNREADABLE);
        assertThat(missing.err()).hasLineCount(1).contains("/nowhere/x.zip does not exist");
        assertThat(run("", "inspect", "/dev/null").err()).hasLineCount(1).contains("is no plain file");
        assertThat(run("", "inspect", file("key-recovery-l210.tar")).out())
                .contains("STOP: ")
                .contains("67584 bytes");
        assertThat(run("", "inspect").status()).isEqualTo(Mobrak.WRONG_USAGE);
    }

    @Test
    void whatWasFoundReadsWellWithoutJson() throws IOException {
        assertThat(run("", "inspect", file("LN2-F09-131022-stock.tar.md5")).out())
                .contains("stock.tar.md5: tar archive with its md5 at the end, 409,659 bytes")
                .contains("md5 at end   right")
                .contains("kernel       Linux version 3.0.31-412087")
                .contains("OS           4.1.2")
                .contains("writes       radio (radio), by the member radio.img")
                .contains("writes       tweak (unknown), by the member tweak.bin")
                .contains("    └ kernel: kernel image, 53,482 bytes");
        assertThat(run("", "inspect", file("root-package-from-the-thread.zip")).out())
                .contains("devices      lantern2q");
        assertThat(run("", "verify", "--md5", "0".repeat(32), file("about.txt")).out())
                .contains("about.txt: mismatch")
                .contains("  should be " + "0".repeat(32));
    }

    @Test
    void saysWhetherAFileIsForThePhoneAndTheRoute() throws IOException {
        Outcome sister = run(
                "",
                "inspect",
                file("root-package-from-the-thread.zip"),
                "--for",
                reading("hive-03-listing.txt"),
                "--json");
        assertThat(sister.json().at("/findings/0/code").asText()).isEqualTo("sister-variant");
        assertThat(sister.json().at("/writes/1/class").asText())
                .as("the phone's own name for it")
                .isEqualTo("bootloader");
        Outcome right = run(
                "",
                "inspect",
                file("l210_rec_FINAL(2).tar"),
                "--for",
                reading("hive-03-listing.txt"),
                "--route",
                "lantern2-recovery-package",
                "--needed",
                "key-recovery-l210.tar",
                "--json");
        assertThat(right.json().at("/findings").findValuesAsText("code")).contains("digest-right", "as-the-route-says");
        assertThat(run("", "inspect", file("about.txt"), "--route", "nonsense").status())
                .isEqualTo(Mobrak.WRONG_USAGE);
    }

    @Test
    void verifiesAgainstListsAndSingleValues() throws IOException {
        String md5 = run("", "inspect", file("about.txt"), "--json")
                .json()
                .at("/digests/md5")
                .asText();
        assertThat(run("", "verify", "--md5", md5.toUpperCase(Locale.ROOT), file("about.txt"))
                        .out())
                .contains("about.txt: ok");
        Outcome wrong = run("", "verify", "--md5", "0".repeat(32), file("about.txt"), "--json");
        assertThat(wrong.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(wrong.json().at("/files/0/result").asText()).isEqualTo("mismatch");
        assertThat(wrong.json().at("/files/0/actual").asText()).isEqualTo(md5);
        assertThat(run("", "verify", "--sha256", "abc", file("about.txt")).status())
                .isEqualTo(Mobrak.WRONG_USAGE);

        Files.writeString(folder.resolve("a.txt"), "abc");
        Path list = Files.writeString(
                folder.resolve("sums"),
                "MD5 (a.txt) = 900150983cd24fb0d6963f7d28e17f72\nsha1: a9993e364706816aba3e25717850c26c9cd0d89d\n" + md5
                        + " *gone.txt\n");
        Outcome beside = run("", "verify", "--list", list.toString(), "--json");
        assertThat(beside.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(beside.json().at("/files").findValuesAsText("result")).containsExactly("ok", "missing");
        Path wide = folder.resolve("wide.sums");
        Files.writeString(
                wide,
                "\ufeffa9993e364706816aba3e25717850c26c9cd0d89d  .\\a.txt\r\n900150983cd24fb0d6963f7d28e17f7  a.txt\r\n",
                StandardCharsets.UTF_16LE);
        Outcome cut = run("", "verify", "--list", wide.toString());
        assertThat(cut.out()).contains("a.txt: ok");
        assertThat(cut.err()).hasLineCount(1).contains("line 2: not a checksum");
        Outcome strange = run("", "verify", "--list", list.toString(), file("about.txt"));
        assertThat(strange.out()).contains("not listed");
        assertThat(run("", "verify", "--list", "/nowhere", file("about.txt")).status())
                .isEqualTo(Mobrak.UNREADABLE);
        assertThat(run("abc", "verify", "--sha1", "a9993e364706816aba3e25717850c26c9cd0d89d", "-")
                        .out())
                .isEqualTo("-: ok" + System.lineSeparator());
    }

    /** What the codes do to a terminal: ECMA-48; direction characters: Unicode Standard Annex 9. */
    @Test
    void whatComesFromOutsideCannotForgeALineOnTheTerminal() throws IOException {
        Path forged = Files.writeString(
                folder.resolve("a\u001b[2K\rgood\u202Etxt.prop\nall.txt: ok"), "[ro.product.model]: [KQ-T5]\n");
        Outcome text = run("", "verify", "--md5", "0".repeat(32), forged.toString());
        assertThat(text.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(text.out() + text.err()).doesNotContain("\u001b", "\r", "\u202E");
        assertThat(text.out().lines()).noneMatch(line -> line.startsWith("all.txt"));
        assertThat(text.out()).contains("\\u001B[2K");
        Outcome json = run("", "verify", "--md5", "0".repeat(32), forged.toString(), "--json");
        assertThat(json.out()).doesNotContain("\u202E");
        assertThat(json.json().at("/files/0/file").asText())
                .as("data stays data")
                .isEqualTo(forged.toString());
        Outcome refused = run(
                "",
                "identify",
                forged.resolveSibling("gone\u001b]0;x\u0007\nok").toString());
        assertThat(refused.status()).isEqualTo(Mobrak.UNREADABLE);
        assertThat(refused.err()).hasLineCount(1).doesNotContain("\u001b", "\u0007");
    }

    @Test
    void statusOneMeansNoAndNothingElse() throws IOException {
        Path list = Files.writeString(folder.resolve("sums"), "0".repeat(32) + "  a\0b\n");
        assertThat(run("", "verify", "--list", list.toString()).status()).isNotIn(Mobrak.ANSWER_IS_NO, Mobrak.DONE);
        assertThat(run("", "identify", "@" + list).status()).isEqualTo(Mobrak.UNREADABLE);
        String parts = "1.".repeat(2_000) + "1";
        assertThat(run("", "compare-versions", parts, "4.1").status()).isEqualTo(Mobrak.DONE);
        Path long1 = Files.writeString(
                folder.resolve("long.txt"),
                "[ro.product.model]: [KQ-T5]\n[ro.build.version.release]: [" + parts + "]\n[ro.build.id]: [GRK39F]\n");
        JsonNode json = run("", "identify", long1.toString(), "--json").json();
        assertThat(json.at("/facts/buildId").asText()).isEqualTo("GRK39F");
        assertThat(json.at("/facts/osVersion").isMissingNode()).isTrue();
        assertThat(json.at("/findings").findValuesAsText("code")).contains("value-too-long");
        Path banner = Files.writeString(
                folder.resolve("banner.txt"), "Linux version 3.0.31 (a@b) #1" + " A".repeat(2_000) + "\n");
        assertThat(run("", "identify", banner.toString()).status()).isNotIn(Mobrak.ANSWER_IS_NO, Mobrak.INSIDE);
    }

    @Test
    void anAnswerThatCannotBeWrittenIsAnError() {
        Writer full = new Writer() {
            @Override
            public void write(char[] text, int offset, int length) throws IOException {
                throw new IOException("No space left on device");
            }

            @Override
            public void flush() {}

            @Override
            public void close() {}
        };
        StringWriter err = new StringWriter();
        Mobrak mobrak = new Mobrak(new ByteArrayInputStream(new byte[0]), Clock.systemUTC(), HOME, cache);
        assertThat(Mobrak.run(
                        mobrak, new PrintWriter(full, true), new PrintWriter(err, true), "compare-versions", "1", "2"))
                .isEqualTo(Mobrak.INSIDE);
        assertThat(err.toString()).contains("is the disk full?");
    }

    private static String file(String name) {
        return READINGS.getParent().resolve("files").resolve(name).toString();
    }

    @Test
    void rehearsesAJobOnTheBench() throws IOException {
        Outcome clean = run("", "rehearse", "--phone", "hive-06", "--goal", "recovery", "--seed", "3", "--json");
        assertThat(clean.status()).isEqualTo(Mobrak.DONE);
        assertThat(clean.json().at("/end").asText()).isEqualTo("goal");
        assertThat(clean.json().at("/facts/recovery").asText()).isEqualTo("custom");
        assertThat(run("", "rehearse", "--phone", "hive-06", "--goal", "recovery", "--seed", "3", "--json")
                        .out())
                .as("the same seed gives the same")
                .isEqualTo(clean.out());
        Outcome wrong =
                run("", "rehearse", "--phone", "hive-06", "--goal", "recovery", "--fault", "damaged-file", "--json");
        assertThat(wrong.json().at("/wouldHaveCaught/0").asText()).startsWith("file check: ");
        assertThat(wrong.json().at("/reached").asBoolean()).isTrue();
        Outcome label = run("", "rehearse", "--phone", "hive-08", "--goal", "stock", "--person", "careful");
        assertThat(label.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(label.out())
                .contains("A rehearsal, no real job.")
                .contains("End: stopped-at-gate")
                .contains("Model number");
        Outcome rooted = run(
                "",
                "rehearse",
                "--phone",
                "hive-01",
                "--goal",
                "unrooted",
                "--set",
                "root=permanent",
                "--set",
                "rootManager=present",
                "--json");
        assertThat(rooted.status()).isEqualTo(Mobrak.DONE);
        assertThat(rooted.json().at("/end").asText()).isEqualTo("goal");
        assertThat(rooted.json().at("/routes/0").asText()).isEqualTo("unroot-from-the-manager");
        assertThat(run("", "rehearse", "--phone", "hive-01", "--goal", "root", "--set", "root=rainy")
                        .err())
                .contains("root");
        assertThat(run("", "rehearse", "--phone", "hive-99", "--goal", "root").err())
                .contains("lies on no bench")
                .contains("hive-01");
        assertThat(run("", "rehearse", "--phone", "hive-06", "--goal", "recovery", "--fault", "rain")
                        .err())
                .contains("“rain” is no fault")
                .contains("cable-drop");
        assertThat(run("", "rehearse", "--phone", "hive-06", "--goal", "recovery", "--fault", "cable-drop@do-99")
                        .err())
                .contains("no step “do-99”");
        assertThat(run("", "rehearse", "--phone", "hive-06", "--goal", "recovery", "--seed", "many")
                        .status())
                .isEqualTo(Mobrak.WRONG_USAGE);
        assertThat(run("", "rehearse", "--goal", "root").status()).isEqualTo(Mobrak.WRONG_USAGE);
    }

    @Test
    void tellsEveryWayToDoAStepAndWhatHasteCosts() throws IOException {
        Outcome sheet = run(
                "", "sheet", "--goal", "recovery", reading("hive-03-listing.txt"), "--set", "recovery=stock", "--json");
        JsonNode download = StreamSupport.stream(sheet.json().at("/steps").spliterator(), false)
                .filter(step -> step.path("mode").asText().equals("download") && step.has("or"))
                .findFirst()
                .orElseThrow();
        assertThat(download.at("/by").asText()).isEqualTo("keys");
        assertThat(download.at("/or").findValuesAsText("by")).containsExactly("plug", "command");
        assertThat(download.at("/or/0/keys/0/hold/0").asText()).isEqualTo("service-plug");
        assertThat(download.at("/or/1/from").asText()).isEqualTo("os");
        assertThat(download.at("/or/1/keys")).isEmpty();
        Outcome hasty = run(
                "",
                "rehearse",
                "--phone",
                "hive-06",
                "--goal",
                "recovery",
                "--fault",
                "wrong-variant-file",
                "--person",
                "hasty",
                "--json");
        assertThat(hasty.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(hasty.json().at("/end").asText()).isIn("came-back", "gave-up", "dead");
        assertThat(hasty.json().at("/faults/0").asText()).startsWith("wrong-variant-file@gather-");
        assertThat(hasty.json().at("/wouldHaveCaught").toString()).contains("file check");
        assertThat(run("", "rehearse", "--phone", "hive-06", "--goal", "write-protection-off", "--json")
                        .json()
                        .has("blockers"))
                .isTrue();
        Path described = Files.writeString(
                folder.resolve("mine.yaml"), "id: mine\nname: mine\ntruth: {model: KQ-T5, osVersion: \"2.3.6\"}\n");
        assertThat(run("", "rehearse", "--phone", described.toString(), "--goal", "stock", "--json")
                        .json()
                        .at("/phone")
                        .asText())
                .isIn("mine", described.toString());
        Files.writeString(
                described, "id: mine\ntruth: {model: KQ-T5}\nways: [{keys: hold power, from: [asleep], to: os}]\n");
        Path own = Files.createDirectories(folder.resolve("own/bench"));
        Files.copy(described, own.resolve("mine.yaml"));
        Files.createDirectory(folder.resolve("own/routes"));
        Outcome checked = run("", "catalogue", "check", folder.resolve("own").toString());
        assertThat(checked.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(checked.out()).contains("bench/mine.yaml").contains("“asleep” is no mode of a phone");
        Outcome impossible = run("", "rehearse", "--phone", described.toString(), "--goal", "root");
        assertThat(impossible.status()).isEqualTo(Mobrak.UNREADABLE);
        assertThat(impossible.err()).hasLineCount(1).contains("“asleep” is no mode of a phone");
    }

    @Test
    void patchesAPropertyFileAndWritesOnlyWhereItIsTold() throws IOException {
        Path file = Files.writeString(folder.resolve("system.prop"), "ro.a=1\nro.b=2\n");
        Path out = folder.resolve("out.prop");
        Path diff = folder.resolve("out.diff");
        Outcome done = run(
                "",
                "patch",
                file.toString(),
                "--set",
                "ro.a=0",
                "--expect",
                "1",
                "--out",
                out.toString(),
                "--diff",
                diff.toString(),
                "--json");
        assertThat(done.status()).isEqualTo(Mobrak.DONE);
        assertThat(names(done.json()))
                .startsWith("status", "line", "before", "after", "sha256Before", "sha256After", "back");
        assertThat(done.json().at("/after").asText()).isEqualTo("ro.a=0");
        assertThat(file).hasContent("ro.a=1\nro.b=2\n");
        assertThat(out).hasContent("ro.a=0\nro.b=2\n");
        assertThat(diff).content().contains("-ro.a=1\n+ro.a=0\n");
        Files.delete(out);
        Outcome again = run(
                "", "patch", file.toString(), "--set", "ro.a=1", "--expect", "0", "--out", out.toString(), "--json");
        assertThat(again.status()).isEqualTo(Mobrak.DONE);
        assertThat(again.json().at("/status").asText()).isEqualTo("already");
        assertThat(out).as("already writes nothing").doesNotExist();
        assertThat(run("", "patch", file.toString(), "--set", "ro.a=0", "--expect", "1 ")
                        .status())
                .isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(run("", "patch", file.toString(), "--set", "ro.a=0 ", "--expect", "1")
                        .status())
                .isEqualTo(Mobrak.WRONG_USAGE);
        assertThat(run(
                                "",
                                "patch",
                                file.toString(),
                                "--set",
                                "ro.a=0",
                                "--expect",
                                "1",
                                "--diff",
                                folder.resolve("./system.prop").toString())
                        .status())
                .isEqualTo(Mobrak.WRONG_USAGE);
        assertThat(run("", "patch", file.toString(), "--set", "ro.a=0", "--expect", "1", "--out", file.toString())
                        .out())
                .contains("to undo: ./mobrak patch");
        assertThat(file).hasContent("ro.a=0\nro.b=2\n");
        Files.write(file, new byte[] {'r', 0});
        Outcome binary = run("", "patch", file.toString(), "--set", "ro.a=0", "--expect", "1", "--json");
        assertThat(binary.status()).isEqualTo(Mobrak.UNREADABLE);
        assertThat(binary.json().at("/status").asText()).isEqualTo("not-properties");
        assertThat(binary.err()).hasLineCount(1);
        assertThat(run("", "patch", "/nowhere", "--set", "ro.a=0", "--expect", "1")
                        .status())
                .isEqualTo(Mobrak.UNREADABLE);
    }

    @Test
    void aWorkspaceGoesOutComesInIsSearchedAndLookedThrough() throws Exception {
        Path own = folder.resolve("own");
        Workspace.create(own, List.of(HOME.resolve("catalogue")));
        try (Workspace open = Workspace.open(own, cache)) {
            PhoneRecord phone = open.logbook().addPhone("Grandmother's", Instant.parse("2026-11-23T08:00:00Z"));
            open.logbook()
                    .take(
                            phone,
                            TextIntake.of(Path.of(reading("hive-03-listing.txt"))),
                            Instant.parse("2026-11-23T08:00:00Z"));
        }
        Path zip = folder.resolve("own.zip");
        Outcome out = run("", "export", own.toString(), "--to", zip.toString(), "--json");
        assertThat(out.status()).isEqualTo(Mobrak.DONE);
        assertThat(out.json().at("/rows/texts.jsonl").asInt()).isEqualTo(1);
        Path page = folder.resolve("case.html");
        Path text = folder.resolve("case.md");
        Path rows = folder.resolve("case.csv");
        Outcome report = run(
                "",
                "report",
                own.toString(),
                "--phone",
                "Grandmother's",
                "--to",
                page.toString(),
                "--to",
                text.toString(),
                "--to",
                rows.toString(),
                "--json");
        assertThat(report.status()).as(report.err()).isEqualTo(Mobrak.DONE);
        assertThat(report.json().at("/written")).hasSize(3);
        assertThat(page).content().contains("<h1>Grandmother&#39;s</h1>", "OV-L210F", "hive-03-listing.txt");
        assertThat(text).content().contains("# Grandmother's", "- Model number: OV-L210F (property list)");
        assertThat(CSVParser.parse(rows, StandardCharsets.UTF_8, CSVFormat.RFC4180)
                        .getRecords())
                .as("RFC 4180, read by a library")
                .allSatisfy(row -> assertThat(row.size()).isEqualTo(4))
                .anySatisfy(row -> assertThat(row.toList()).containsExactly("", "fact", "Model number", "OV-L210F"));
        Path calendar = folder.resolve("phones.ics");
        Outcome due = run("", "reminders", own.toString(), "--all", "--ics", calendar.toString(), "--json");
        assertThat(due.status()).as(due.err()).isEqualTo(Mobrak.DONE);
        assertThat(due.json().path("today").asText()).isEqualTo("2026-11-24");
        assertThat(calendar).content().startsWith("BEGIN:VCALENDAR");
        assertThat(run("", "reminders", own.toString()).out())
                .as("what comes later is told only with --all")
                .isEqualToIgnoringNewLines("Nothing is due.");
        Path other = folder.resolve("other");
        Outcome look = run("", "import", zip.toString(), "--into", other.toString(), "--dry-run", "--json");
        assertThat(look.json().at("/phones/0/becomes").asText()).isEqualTo("new");
        assertThat(other).doesNotExist();
        assertThat(run("", "import", zip.toString(), "--into", other.toString()).status())
                .isEqualTo(Mobrak.DONE);
        Outcome again = run("", "import", zip.toString(), "--into", other.toString(), "--json");
        assertThat(again.json().at("/phones/0/becomes").asText()).isEqualTo("same");
        assertThat(again.json().at("/known/texts.jsonl").asInt()).isEqualTo(1);
        Outcome found = run("", "search", other.toString(), "LN2-F0", "--json");
        assertThat(found.status()).isEqualTo(Mobrak.DONE);
        assertThat(found.json().at("/hits/0/phone").asText()).isEqualTo("Grandmother's");
        Outcome slip = run("", "search", other.toString(), "grandmohter", "--json");
        assertThat(slip.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(slip.json().at("/proposals/0").asText()).isEqualTo("grandmother");
        Path moved = other.resolveSibling("received");
        PathUtils.copyDirectory(other, moved);
        byte[] logbook = Files.readAllBytes(moved.resolve("logbook.db"));
        Outcome looked = run("", "check", moved.toString());
        assertThat(looked.status()).as(looked.out()).isEqualTo(Mobrak.DONE);
        assertThat(run(
                                "",
                                "export",
                                moved.toString(),
                                "--to",
                                folder.resolve("received.zip").toString())
                        .status())
                .isEqualTo(Mobrak.DONE);
        Outcome unasked = run("", "import", zip.toString(), "--into", moved.toString());
        assertThat(unasked.status()).isEqualTo(Mobrak.UNREADABLE);
        assertThat(unasked.err()).contains("Nothing was written", "agree");
        assertThat(moved.resolve("logbook.db")).hasBinaryContent(logbook);
        assertThat(run("", "import", zip.toString(), "--into", moved.toString(), "--agree")
                        .status())
                .isEqualTo(Mobrak.DONE);
        Outcome check = run("", "check", other.toString(), "--json");
        assertThat(check.status()).isEqualTo(Mobrak.DONE);
        assertThat(check.json().at("/entries").asInt()).isEqualTo(1);
        Files.writeString(other.resolve("catalogue/routes/bad.yaml"), "id: [");
        assertThat(run("", "check", other.toString()).status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        for (List<String> wrong : List.of(
                List.of("export", "/nowhere", "--to", zip.toString()),
                List.of("export", own.toString(), "--to", "/nowhere/x.zip"),
                List.of("export", own.toString(), "--to", zip.toString(), "--phone", "nobody"),
                List.of("import", own.toString(), "--into", other.toString()),
                List.of("import", zip.toString(), "--into", HOME.toString()),
                List.of("report", own.toString(), "--phone", "nobody", "--to", page.toString()),
                List.of(
                        "report",
                        own.toString(),
                        "--phone",
                        "Grandmother's",
                        "--to",
                        folder.resolve("x.doc").toString()),
                List.of("reminders", "/nowhere"),
                List.of("check", "/nowhere"),
                List.of("search", "/nowhere", "x"))) {
            Outcome refused = run("", wrong.toArray(String[]::new));
            assertThat(refused.status()).as("%s", wrong).isEqualTo(Mobrak.UNREADABLE);
            assertThat(refused.err()).as("%s", wrong).hasLineCount(1);
        }
        assertThat(HOME.resolve("logbook.db"))
                .as("nothing was opened that is no workspace")
                .doesNotExist();
    }

    @Test
    void aGoalCanBeThatAPhoneStandsAsItDid() throws IOException {
        Outcome back = run(
                "",
                "plan",
                "--goal",
                "as:recovery=stock",
                "--set",
                "model=TS-J540",
                "--set",
                "osVersion=5.1.1",
                "--set",
                "lock=unlocked",
                "--set",
                "recovery=custom",
                "--json");
        assertThat(back.status()).as(back.err()).isEqualTo(Mobrak.DONE);
        assertThat(back.json().path("goal").asText()).isEqualTo("as:recovery=stock");
        assertThat(back.json().at("/plans/0/routes").toString()).contains("juniper5-stock-recovery");
        for (String wrong : List.of("as:", "as:recovery=mine", "as:model=TS-J540", "as:root=none,root=permanent")) {
            Outcome refused = run("", "plan", "--goal", wrong, "--set", "model=TS-J540");
            assertThat(refused.status()).as(wrong).isEqualTo(2);
            assertThat(refused.err()).as(wrong).contains("is no goal");
        }
    }

    @Test
    void provesComparesAndDiagnoses() throws IOException {
        Outcome proved = run(
                "",
                "prove",
                "--seen",
                "granted",
                "--seen",
                "restart",
                "--seen",
                "uid0",
                "--set",
                "recovery=custom",
                "--json");
        assertThat(proved.status()).isEqualTo(Mobrak.DONE);
        assertThat(proved.json().at("/root/state").asText()).isEqualTo("permanent");
        assertThat(proved.json().at("/root/rung").asInt()).isEqualTo(6);
        assertThat(proved.json().at("/recovery/state").asText()).isEqualTo("custom");
        Outcome shell = run("", "prove", reading("hive-12-shell.txt"), "--json");
        assertThat(shell.json().at("/root/state").asText()).isEqualTo("temporary");
        Path words = Files.writeString(folder.resolve("words.txt"), "Phone: Hive 12\nRoot access: yes\n");
        Outcome said = run("", "prove", "--seen", "restart", "--words", words.toString(), "--json");
        assertThat(said.json().at("/root/rung").asInt()).isEqualTo(6);
        Files.writeString(words, "Thank you for flying with us");
        assertThat(run("", "prove", "--words", words.toString()).err()).contains("“not rooted”");
        assertThat(run("", "prove", "--seen", "icon").status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(run("", "prove", "--seen", "icon", "--school", "lenient").out())
                .contains("Root: permanent, rung 1");
        assertThat(run("", "prove", "--seen", "smoke").err()).contains("proof-app-yes");
        Path blown = Files.writeString(
                folder.resolve("blown.txt"),
                Files.readString(Path.of(reading("hive-03-listing.txt")))
                        .replace("[ro.boot.warranty_bit]: [0]", "[ro.boot.warranty_bit]: [1]"));
        Outcome compared = run(
                "",
                "compare",
                "--before",
                reading("hive-03-listing.txt"),
                "--after",
                blown.toString(),
                "--set-after",
                "recovery=custom",
                "--set-before",
                "recovery=stock",
                "--route",
                "lantern2-recovery-package",
                "--json");
        assertThat(compared.status()).as(compared.out()).isEqualTo(Mobrak.DONE);
        assertThat(compared.json().at("/facts").findValuesAsText("outcome")).contains("as-planned", "unchanged");
        Outcome worse = run("", "compare", "--set-before", "baseband=1", "--set-after", "baseband=2");
        assertThat(worse.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(worse.out()).contains("The radio was not among what was written");
        assertThat(run("", "compare", "--set-before", "baseband=1").status()).isEqualTo(Mobrak.WRONG_USAGE);
        assertThat(run("", "compare", "--set-before", "baseband=1", "--set-after", "baseband=1", "--route", "x")
                        .status())
                .isEqualTo(Mobrak.WRONG_USAGE);
        Outcome diagnosed = run(
                "",
                "diagnose",
                "--symptom",
                "root-without-manager",
                "--answer",
                "manager-opens=not-there",
                "--did",
                "toolkit-script",
                "--set",
                "root=temporary",
                "--json");
        assertThat(diagnosed.status()).isEqualTo(Mobrak.DONE);
        assertThat(diagnosed.json().at("/causes/0/id").asText()).isEqualTo("manager-never-installed");
        assertThat(diagnosed.json().at("/mends/0/route").asText()).isEqualTo("mend-install-manager");
        Outcome radio = run(
                "",
                "diagnose",
                "--set",
                "model=TS-J540",
                "--set",
                "osVersion=5.1.1",
                "--symptom",
                "app-refuses-carrier-and-model",
                "--did",
                "juniper5-update-zip",
                "--answer",
                "radio-belongs=no",
                "--set",
                "buildNumber=J5-511-0391",
                "--json");
        assertThat(radio.json().at("/causes/0/id").asText()).isEqualTo("os-behind-radio");
        assertThat(radio.json().at("/mends").findValuesAsText("route")).contains("juniper5-radio");
        Outcome behind = run(
                "",
                "diagnose",
                reading("hive-11-listing.txt"),
                "--symptom",
                "ota-fails",
                "--set",
                "recovery=custom",
                "--json");
        assertThat(behind.json().at("/causes/0/id").asText()).isEqualTo("custom-recovery-in-the-way");
        assertThat(run("", "diagnose", "--symptom", "ota-fails").out()).contains("Next question");
        assertThat(run(
                                "",
                                "diagnose",
                                "--symptom",
                                "ota-fails",
                                "--answer",
                                "app-says=root",
                                "--answer",
                                "app-says=version")
                        .err())
                .contains("both");
        assertThat(run("", "diagnose", "--symptom", "none-such").status()).isEqualTo(Mobrak.WRONG_USAGE);
        Path before = Files.writeString(
                folder.resolve("before.txt"),
                "package:org.tessaro.accounts\npackage:org.tessaro.mail\npackage:org.x.y\n");
        Path after =
                Files.writeString(folder.resolve("after.txt"), "package:org.tessaro.mail\npackage:org.x.y disabled\n");
        Outcome apps = run("", "apps", "--before", before.toString(), "--after", after.toString(), "--json");
        assertThat(apps.json().at("/gone/0/package").asText()).isEqualTo("org.tessaro.accounts");
        assertThat(apps.json().at("/gone/0/reliedOnBy").toString()).contains("org.tessaro.mail");
        assertThat(apps.json().at("/disabled/0").asText()).isEqualTo("org.x.y");
        assertThat(run("", "apps", "--before", before.toString(), "--after", reading("hive-10-battery.txt"))
                        .status())
                .isEqualTo(Mobrak.UNREADABLE);
    }

    @Test
    void learnsADraftFromAGuideThatTheCheckTakesAndNobodyPlansWith() throws IOException {
        String guide = """
                Root for the Wren 3 (KQ-W31)
                Not for KQ-W39. OS version 4.2.2. Battery at least 50 %.
                wren3-boot.img md5 9f86d081884c7d659a2feaa0c55ad015
                1. Put the phone into download mode
                2. Write wren3-boot.img, do not touch anything else
                """;
        Path own = folder.resolve("own");
        Outcome learnt = run(guide, "learn", "-", "--out", own.toString(), "--json");
        assertThat(learnt.status()).isEqualTo(Mobrak.DONE);
        assertThat(names(learnt.json()))
                .containsExactly("routes", "phones", "evidence", "missing", "warnings", "account");
        assertThat(learnt.json().at("/routes/0/fits/phones/0/model").asText()).isEqualTo("KQ-W31");
        assertThat(learnt.json().at("/routes/0/fits/requires/0/not/is/0").asText())
                .isEqualTo("KQ-W39");
        assertThat(learnt.json().at("/routes/0/work/files/0/md5").asText())
                .isEqualTo("9f86d081884c7d659a2feaa0c55ad015");
        assertThat(learnt.json().at("/evidence").toString()).contains("\"line\":3");
        assertThat(learnt.json().at("/missing").findValuesAsText("ask"))
                .anyMatch(ask -> ask.startsWith("How long does it take"));
        Outcome checked = run("", "catalogue", "check", own.toString(), "--json");
        assertThat(checked.status()).as(checked.out()).isEqualTo(Mobrak.DONE);
        assertThat(checked.json().at("/routes").asInt())
                .as("a draft is no route yet")
                .isZero();
        assertThat(checked.json().at("/faults/0/what").asText()).contains("draft");
        Outcome listed = run(
                "[ro.product.model]: [QV-31]\n[ro.product.manufacturer]: [Quellmar]\n[ro.build.version.release]: [4.4.2]\n",
                "learn",
                "-",
                "--json");
        assertThat(listed.status()).isEqualTo(Mobrak.DONE);
        assertThat(listed.json().at("/phones/0/variants/0/model").asText()).isEqualTo("QV-31");
        Outcome poem = run("The bees come home at evening light.\n", "learn", "-", "--json");
        assertThat(poem.status()).isEqualTo(Mobrak.ANSWER_IS_NO);
        assertThat(poem.json().at("/warnings").findValuesAsText("code")).containsExactly("nothing-learnt");
        assertThat(run("", "learn", "/nowhere").status()).isEqualTo(Mobrak.UNREADABLE);
        for (List<String> line : List.of(
                List.of("learn", folder.toString()),
                List.of("apps", "--before", folder.toString(), "--after", folder.toString()),
                List.of("patch", folder.toString(), "--set", "a=1", "--expect", "0"))) {
            Outcome outcome = run("", line.toArray(String[]::new));
            assertThat(outcome.status()).as("%s", line).isEqualTo(Mobrak.UNREADABLE);
            assertThat(outcome.err()).as("%s", line).hasLineCount(1).contains("is a folder");
        }
        assertThat(run(guide, "learn", "-").out())
                .contains("draft: Root for the Wren 3")
                .contains("ask: ");
    }

    private Outcome run(String standardInput, String... arguments) {
        Clock clock = Clock.fixed(Instant.parse("2026-11-24T09:00:00Z"), ZoneOffset.UTC);
        StringWriter out = new StringWriter();
        StringWriter err = new StringWriter();
        Mobrak mobrak = new Mobrak(
                new ByteArrayInputStream(standardInput.getBytes(StandardCharsets.UTF_8)), clock, HOME, cache);
        int status = Mobrak.run(mobrak, new PrintWriter(out, true), new PrintWriter(err, true), arguments);
        if (List.of(arguments).contains("--json") && !out.toString().isBlank()) {
            assertThat(schema(arguments[0]).validate(out.toString(), InputFormat.JSON))
                    .as("the answer keeps to its schema")
                    .isEmpty();
        }
        return new Outcome(status, out.toString(), err.toString());
    }

    /** What is promised of a command's answer. */
    private static Schema schema(String command) {
        try {
            return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(
                            Files.readString(HOME.resolve("docs/schema/answers/" + command + ".schema.json")),
                            InputFormat.JSON);
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }
}
