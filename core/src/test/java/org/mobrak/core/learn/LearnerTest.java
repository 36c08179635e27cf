package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.identity.VisibleText;
import org.mobrak.core.learn.reading.Sure;

/**
 * A corpus of invented guides with the truth beside them. Precision and recall are those of C. D. Manning, P. Raghavan, H. Schütze,
 * Introduction to Information Retrieval, 2008, §8.3.
 */
class LearnerTest {
    private static final Path GUIDES = Sample.HOME.resolve("core/src/test/resources/org/mobrak/core/learn/guides");
    private static final LocalDate DAY = LocalDate.of(2026, 11, 26);

    /** What does harm where it is wrong. */
    private static final Set<String> HARMS =
            Set.of("models", "excluded", "builds", "battery", "files", "keys", "waits", "drafts", "wipes");

    private final Learner learner = new Learner();

    private Lesson learn(String name, String text) {
        return learner.learn(List.of(new Learner.Source(name, text.getBytes(StandardCharsets.UTF_8))), DAY);
    }

    private static Set<String> all(Lesson lesson, Function<ObjectNode, List<String>> of) {
        Set<String> all = new TreeSet<>();
        lesson.routes().forEach(route -> all.addAll(of.apply(route)));
        return all;
    }

    private static List<String> each(JsonNode nodes, Function<JsonNode, String> of) {
        return StreamSupport.stream(nodes.spliterator(), false).map(of).toList();
    }

    private static Set<String> condition(Lesson lesson, String fact, String kind) {
        return all(lesson, route -> {
            List<String> found = new ArrayList<>();
            for (JsonNode one : route.at("/fits/requires")) {
                if (one.path("fact").asText().equals(fact) && one.has(kind)) {
                    JsonNode value = one.get(kind);
                    found.addAll(value.isArray() ? each(value, JsonNode::asText) : List.of(value.asText()));
                }
            }
            return found;
        });
    }

    private static List<String> notIs(JsonNode one, String fact) {
        return one.at("/not/fact").asText().equals(fact) ? each(one.at("/not/is"), JsonNode::asText) : List.of();
    }

    /** The keys that are held first, whatever the cue is called. */
    private static String held(String chord) {
        String keys = chord.replaceFirst("^(?:hold|press) ", "").replaceFirst("(?: until| for|;).*$", "");
        return String.join(" + ", new TreeSet<>(List.of(keys.split(" \\+ "))));
    }

    private static String kernel(JsonNode one) {
        if (one.at("/not/fact").asText().equals("kernelRelease")) {
            return "<" + one.at("/not/atLeast").asText();
        }
        boolean kernel = one.path("fact").asText().equals("kernelRelease");
        return !kernel
                ? ""
                : one.has("atMost")
                        ? "<=" + one.get("atMost").asText()
                        : ">=" + one.get("atLeast").asText();
    }

    private static Set<String> day(Lesson lesson, String name) {
        return all(
                lesson,
                route -> route.at("/notes/learnt").has(name)
                        ? List.of(route.at("/notes/learnt/" + name).asText())
                        : List.of());
    }

    /** What each field of the truth is read from. */
    private static Map<String, Set<String>> fields(Lesson lesson) {
        Map<String, Set<String>> fields = new LinkedHashMap<>();
        fields.put(
                "models",
                all(
                        lesson,
                        route -> each(
                                route.at("/fits/phones"),
                                phone -> phone.get("model").asText())));
        fields.put("excluded", all(lesson, route -> {
            List<String> out = new ArrayList<>();
            route.at("/fits/requires").forEach(one -> out.addAll(notIs(one, "model")));
            return out;
        }));
        fields.put("excludedCarriers", all(lesson, route -> {
            List<String> out = new ArrayList<>();
            route.at("/fits/requires").forEach(one -> out.addAll(notIs(one, "carrier")));
            return out;
        }));
        fields.put(
                "kernel",
                all(
                        lesson,
                        route -> each(route.at("/fits/requires"), LearnerTest::kernel).stream()
                                .filter(some -> !some.isEmpty())
                                .toList()));
        fields.put(
                "money",
                all(
                        lesson,
                        route -> route.at("/costs/money").isMissingNode()
                                ? List.of()
                                : List.of(route.at("/costs/money/amount").asText() + " "
                                        + route.at("/costs/money/currency").asText())));
        fields.put(
                "tools",
                all(
                        lesson,
                        route -> each(
                                route.at("/work/tools"),
                                tool -> tool.get("name").asText() + ">="
                                        + tool.path("atLeast").asText())));
        fields.put(
                "slots",
                all(
                        lesson,
                        route -> each(
                                        route.at("/work/files"),
                                        file -> file.path("slot").asText())
                                .stream()
                                .filter(some -> !some.isEmpty())
                                .toList()));
        fields.put("builds", all(lesson, route -> {
            List<String> builds = new ArrayList<>();
            route.at("/fits/phones").forEach(phone -> builds.addAll(each(phone.path("builds"), JsonNode::asText)));
            return builds;
        }));
        fields.put(
                "excludedBuilds",
                all(
                        lesson,
                        route -> each(
                                route.at("/fits/excludedBuilds"),
                                one -> one.get("build").asText())));
        fields.put(
                "osVersion",
                all(
                        lesson,
                        route -> each(
                                        route.at("/fits/phones"),
                                        phone -> phone.path("osVersion").asText())
                                .stream()
                                .filter(some -> !some.isEmpty())
                                .toList()));
        fields.put("osLike", condition(lesson, "osVersion", "like"));
        fields.put(
                "battery",
                all(
                        lesson,
                        route -> each(
                                        route.at("/work/gates"),
                                        gate -> gate.path("atLeast").asText())
                                .stream()
                                .filter(some -> !some.isEmpty())
                                .toList()));
        fields.put(
                "family",
                all(
                        lesson,
                        route -> List.of(route.get("family").asText()).stream()
                                .filter(some -> !some.equals("not known"))
                                .toList()));
        fields.put(
                "requires",
                all(
                        lesson,
                        route -> each(
                                        route.at("/fits/requires"),
                                        one -> one.has("is")
                                                        && !one.path("fact")
                                                                .asText()
                                                                .equals("osVersion")
                                                ? one.get("fact").asText() + "="
                                                        + String.join(",", each(one.get("is"), JsonNode::asText))
                                                : "")
                                .stream()
                                .filter(some -> !some.isEmpty())
                                .toList()));
        fields.put(
                "gates",
                all(
                        lesson,
                        route -> each(
                                        route.at("/work/gates"),
                                        gate -> gate.has("is")
                                                ? gate.get("fact").asText() + "="
                                                        + gate.at("/is/0").asText()
                                                : "")
                                .stream()
                                .filter(some -> !some.isEmpty())
                                .toList()));
        fields.put("effects", all(lesson, route -> {
            List<String> effects = new ArrayList<>();
            route.at("/changes/effects")
                    .properties()
                    .forEach(one ->
                            effects.add(one.getKey() + "=" + one.getValue().asText()));
            return effects;
        }));
        fields.put(
                "files",
                all(
                        lesson,
                        route -> each(
                                route.at("/work/files"),
                                file -> file.get("name").asText() + "="
                                        + List.of("md5", "sha1", "sha256").stream()
                                                .filter(file::has)
                                                .map(kind -> file.get(kind).asText())
                                                .findFirst()
                                                .orElse(""))));
        fields.put("written", day(lesson, "written"));
        fields.put("updated", day(lesson, "updated"));
        fields.put("writes", all(lesson, route -> each(route.at("/changes/writes"), JsonNode::asText)));
        fields.put(
                "keys",
                all(
                        lesson,
                        route -> each(
                                        route.at("/work/steps"),
                                        step -> held(step.path("keys").asText()))
                                .stream()
                                .filter(some -> !some.isEmpty())
                                .toList()));
        fields.put(
                "waits",
                all(
                        lesson,
                        route -> each(
                                        route.at("/work/steps"),
                                        step -> step.path("normalUntil").asText())
                                .stream()
                                .filter(some -> !some.isEmpty())
                                .toList()));
        return fields;
    }

    /** How often a field was found, missed and made up. */
    private static final class Score {
        private int right;
        private int missed;
        private int madeUp;

        double recall() {
            return right + missed == 0 ? 1 : (double) right / (right + missed);
        }

        double precision() {
            return right + madeUp == 0 ? 1 : (double) right / (right + madeUp);
        }
    }

    @Test
    void theCorpusIsUnderstoodAndNothingIsEverClaimedThatItForbids() throws IOException {
        Map<String, Score> scores = new LinkedHashMap<>();
        List<String> mistakes = new ArrayList<>();
        JsonNode truth =
                new ObjectMapper().readTree(GUIDES.resolve("truth.json").toFile());
        for (JsonNode guide : truth) {
            String name = guide.get("file").asText();
            Lesson lesson =
                    learner.learn(List.of(new Learner.Source(name, Files.readAllBytes(GUIDES.resolve(name)))), DAY);
            count(
                    scores,
                    mistakes,
                    name,
                    "drafts",
                    lesson.routes().size() == guide.get("drafts").asInt());
            if (guide.get("drafts").asInt() == 0) {
                assertThat(lesson.routes()).as("%s teaches nothing", name).isEmpty();
                assertThat(lesson.warnings())
                        .as(name)
                        .extracting(Lesson.Warning::code)
                        .contains("nothing-learnt");
                continue;
            }
            if (lesson.routes().isEmpty()) {
                continue;
            }
            fields(lesson).forEach((field, found) -> {
                Set<String> wanted = new TreeSet<>(
                        guide.path(field).isArray()
                                ? each(
                                        guide.get(field),
                                        one -> field.equals("keys") ? held(one.asText()) : one.asText())
                                : guide.has(field) ? List.of(guide.get(field).asText()) : List.of());
                Score score = scores.computeIfAbsent(field, same -> new Score());
                found.forEach(one -> score.madeUp += wanted.contains(one) ? 0 : 1);
                wanted.forEach(one -> score.missed += found.contains(one) ? 0 : 1);
                found.forEach(one -> score.right += wanted.contains(one) ? 1 : 0);
                if (!found.equals(wanted)) {
                    mistakes.add(name + " " + field + ": wanted " + wanted + ", found " + found);
                }
            });
            neverClaims(name, guide, lesson);
            beside(guide, lesson).forEach((what, right) -> count(scores, mistakes, name, what, right));
        }
        StringBuilder table = new StringBuilder();
        scores.forEach((field, score) -> table.append("%-15s recall %.2f precision %.2f (%d)%n"
                .formatted(field, score.recall(), score.precision(), score.right + score.missed)));
        Files.writeString(Sample.HOME.resolve("core/target/learning.txt"), table);
        scores.forEach((field, score) -> {
            boolean harms = HARMS.contains(field);
            assertThat(score.recall()).as("recall of %s %s", field, mistakes).isGreaterThanOrEqualTo(harms ? .8 : .5);
            assertThat(score.precision())
                    .as("precision of %s %s", field, mistakes)
                    .isGreaterThanOrEqualTo(harms ? .9 : .35);
        });
    }

    private static void count(
            Map<String, Score> scores, List<String> mistakes, String name, String what, boolean right) {
        Score score = scores.computeIfAbsent(what, same -> new Score());
        score.right += right ? 1 : 0;
        score.missed += right ? 0 : 1;
        if (!right) {
            mistakes.add(name + " " + what);
        }
    }

    /** What the truth says of a guide beside its fields, and whether it is so. */
    private static Map<String, Boolean> beside(JsonNode guide, Lesson lesson) {
        Map<String, Boolean> beside = new LinkedHashMap<>();
        JsonNode route = lesson.routes().get(0);
        if (guide.has("steps")) {
            beside.put(
                    "steps",
                    Math.abs(route.at("/work/steps").size() - guide.get("steps").asInt()) <= 1);
        }
        if (guide.has("wipes") || guide.has("notwipes")) {
            beside.put("wipes", route.at("/changes/wipesData").asBoolean() == guide.has("wipes"));
        }
        each(guide.path("warns"), JsonNode::asText)
                .forEach(code -> beside.put(
                        "warns",
                        lesson.warnings().stream().anyMatch(one -> one.code().equals(code))));
        each(guide.path("osAtLeast"), JsonNode::asText)
                .forEach(version -> beside.put(
                        "osAtLeast", condition(lesson, "osVersion", "atLeast").contains(version)));
        each(guide.path("osRange"), JsonNode::asText)
                .forEach(range -> beside.put(
                        "osRange",
                        condition(lesson, "osVersion", "atLeast").contains(range.split("[.][.]")[0])
                                && condition(lesson, "osVersion", "atMost").contains(range.split("[.][.]")[1])));
        return beside;
    }

    private static void neverClaims(String name, JsonNode guide, Lesson lesson) {
        Map<String, Set<String>> fields = fields(lesson);
        List<String> out = new ArrayList<>(each(guide.path("excluded"), JsonNode::asText));
        out.addAll(each(guide.path("never"), JsonNode::asText));
        assertThat(fields.get("models"))
                .as("%s: out is never in", name)
                .doesNotContainAnyElementsOf(out.isEmpty() ? List.of("-") : out);
        Set<String> steps = all(
                lesson,
                route -> each(route.at("/work/steps"), step -> step.get("text").asText()));
        each(guide.path("forbidden"), JsonNode::asText)
                .forEach(words -> assertThat(steps)
                        .as("%s: what is forbidden is no step", name)
                        .noneMatch(step -> step.contains(words)
                                && !step.matches("(?s).*\\b(?:not|never|n't) (?:\\w+ ){0,2}\\Q" + words + "\\E.*")));
        each(guide.path("notrequires"), JsonNode::asText)
                .forEach(state -> assertThat(fields.get("requires")).as(name).doesNotContain(state));
        lesson.evidence().forEach(one -> {
            assertThat(one.line()).as("%s %s", name, one).isPositive();
            assertThat(one.value().codePoints().noneMatch(VisibleText::isHidden))
                    .as(name)
                    .isTrue();
        });
    }

    @Test
    void eachValueIsLedBackToThePhysicalLineItStandsOn() {
        Lesson lesson = learn(
                "x.html",
                "<html><body>\n\n<h1>Root for\nAB-10</h1>\n<p>\nfirst line<br>\nworks on AB-11\n</p><ol>\n<li>Install ab.apk</li>\n<li>Open the app</li></ol></body></html>");
        assertThat(lesson.evidence())
                .filteredOn(one -> one.value().equals("AB-11"))
                .extracting(Lesson.Evidence::line)
                .containsExactly(7);
        assertThat(lesson.evidence())
                .filteredOn(one -> one.value().startsWith("Install"))
                .extracting(Lesson.Evidence::line)
                .containsExactly(9);
    }

    @Test
    void hiddenCharactersOtherEncodingsAndLongTextsAreToldAndNeverReachADraft() {
        Lesson hidden = learn("x", "Root for AB\u202e-10 and AB-12\n1. Install ab.apk\n2. Open\u0007 the app\n");
        assertThat(hidden.warnings()).extracting(Lesson.Warning::code).contains("hidden-text");
        assertThat(hidden.routes().toString()).doesNotContain("\u202e", "\u0007");
        byte[] old = "Root f\u00fcr AB-10\n1. Install ab.apk\n2. Open the app\n".getBytes(StandardCharsets.ISO_8859_1);
        Lesson latin = learner.learn(List.of(new Learner.Source("x", old)), DAY);
        assertThat(latin.warnings()).extracting(Lesson.Warning::code).contains("encoding");
        assertThat(latin.routes().get(0).get("name").asText()).contains("f\u00fcr");
        Lesson wide = learner.learn(
                List.of(new Learner.Source(
                        "x",
                        "\ufeffRoot for AB-10\n1. Install ab.apk\n2. Open the app"
                                .getBytes(StandardCharsets.UTF_16LE))),
                DAY);
        assertThat(wide.routes()).hasSize(1);
        StringBuilder noise = new StringBuilder("Root for AB-10\n1. Install ab.apk\n2. Open the app\n");
        while (noise.length() < 9 << 20) {
            noise.append("bees hum ").append(noise.length()).append('\n');
        }
        assertThat(learn("x", noise.toString()).warnings())
                .extracting(Lesson.Warning::code)
                .contains("cut-off");
        assertThat(learn("x", "").routes()).isEmpty();
        assertThat(learn("x", "[".repeat(200_000)).routes()).isEmpty();
    }

    @Test
    void aListOfManyPhonesBecomesRoutesThatTheCatalogueTakes() throws IOException {
        StringBuilder table = new StringBuilder("Model,OS,Status\n");
        for (int i = 1000; i < 1800; i++) {
            table.append("XY-").append(i).append(",4.4.2,works\n");
        }
        Lesson lesson = learn("list.csv", table + "XY-1000,4.4.2,works\nXY-1900,4.4.2\n");
        assertThat(lesson.routes()).hasSize(2);
        assertThat(lesson.routes().get(0).at("/fits/phones")).hasSize(500);
        assertThat(lesson.routes().get(1).at("/fits/phones")).hasSize(301);
        assertThat(lesson.warnings())
                .filteredOn(warning -> warning.code().equals("table-row"))
                .extracting(Lesson.Warning::line)
                .containsExactly(802, 803);
    }

    @Test
    void aPhonesOwnListingAmongTheGuidesBecomesAPhoneWithItsPartitions() {
        String listing = """
                [ro.product.model]: [QV-31]
                [ro.product.manufacturer]: [Quellmar]
                [ro.board.platform]: [reed-9]
                [ro.build.version.release]: [4.4.2]
                """;
        // Sizes as proc(5) has them, in blocks of 1,024 bytes.
        String storage = """
                lrwxrwxrwx root root 2014-01-01 00:00 recovery -> /dev/block/mmcblk0p3
                lrwxrwxrwx root root 2014-01-01 00:00 boot -> /dev/block/mmcblk0p2
                lrwxrwxrwx root root 2014-01-01 00:00 radio -> /dev/block/mmcblk0p10
                major minor  #blocks  name
                 179        2      8192 mmcblk0p2
                 179       10     65536 mmcblk0p10
                """;
        Lesson lesson = learner.learn(
                List.of(
                        new Learner.Source("listing.txt", listing.getBytes(StandardCharsets.UTF_8)),
                        new Learner.Source("storage.txt", storage.getBytes(StandardCharsets.UTF_8)),
                        new Learner.Source(
                                "guide.txt",
                                "Root for the QV-31\n1. Install qv.apk\n2. Open the app\n"
                                        .getBytes(StandardCharsets.UTF_8))),
                DAY);
        assertThat(lesson.routes()).hasSize(1);
        JsonNode phone = lesson.phones().get(0);
        assertThat(phone.at("/variants/0/model").asText()).isEqualTo("QV-31");
        assertThat(phone.path("maker").asText()).isEqualTo("Quellmar");
        assertThat(each(
                        phone.path("partitions"),
                        one -> one.get("name").asText() + " " + one.get("class").asText() + " "
                                + one.path("bytes").asText()))
                .containsExactly("boot kernel 8388608", "recovery recovery ", "radio radio 67108864");
        assertThat(lesson.evidence())
                .filteredOn(one -> one.path().startsWith("/phones"))
                .extracting(Lesson.Evidence::file, Lesson.Evidence::line)
                .containsExactly(tuple("listing.txt", 1));
        assertThat(lesson.missing()).extracting(Lesson.Missing::path).contains("/phones/0/shopName");
    }

    /** ISO 8601 and the usual written forms; a day that could be two is none. */
    @Test
    void theDayOfAGuideIsReadInEveryUsualFormAndNeverGuessedBetweenTwo() {
        Map<String, String> forms = Map.of(
                "2016-03-12", "2016-03-12",
                "2016/3/12", "2016-03-12",
                "12 March 2016", "2016-03-12",
                "12th of Mar 2016", "2016-03-12",
                "March 12, 2016", "2016-03-12",
                "12.3.2016", "2016-03-12",
                "25/03/2016", "2016-03-25",
                "03/25/2016", "2016-03-25",
                "03/04/2016", "",
                "31 February 2016", "");
        forms.forEach((said, day) -> {
            Lesson lesson =
                    learn("x", "Root for the QV-31\nLast updated: " + said + "\n1. Install qv.apk\n2. Open the app\n");
            assertThat(lesson.routes().get(0).at("/notes/learnt/updated").asText())
                    .as(said)
                    .isEqualTo(day);
        });
    }

    @Test
    void talkBelowAGuideChangesNothingOfWhatItTeaches() throws IOException {
        String talk = "\n\nyesterday my sister asked about her old one\nand what became of it, so we drank tea\n"
                + "the bees were loud that day\n";
        JsonNode truth =
                new ObjectMapper().readTree(GUIDES.resolve("truth.json").toFile());
        for (JsonNode guide : truth) {
            String name = guide.get("file").asText();
            boolean table = name.endsWith(".html") || name.endsWith(".csv") || name.endsWith(".tsv.txt");
            // Whether capitals say something is told by the whole of a text.
            if (table || name.contains("latin1") || name.contains("caps")) {
                continue;
            }
            String text = Files.readString(GUIDES.resolve(name));
            Lesson alone = learn(name, text);
            Lesson talked = learn(name, text + talk.repeat(20));
            assertThat(talked.routes()).as(name).isEqualTo(alone.routes());
            assertThat(talked.evidence()).as(name).isEqualTo(alone.evidence());
        }
    }

    @Test
    void aGuideThatQuotesAPhonesLinesIsStillAGuideAndADayOfAReplyIsNotItsAuthors() {
        Lesson quoting = learn("x", """
                Root for the QV-31
                Written on 3 May 2016
                Look with the shell; it should say
                [ro.product.model]: [QV-31]
                1. Install qv.apk
                2. Open the app
                Replies
                2019-01-01 works on my QV-31
                updated my QV-31 on 2020-02-02 and it worked on my other one
                """);
        assertThat(quoting.phones()).isEmpty();
        assertThat(quoting.routes()).hasSize(1);
        JsonNode learnt = quoting.routes().get(0).at("/notes/learnt");
        assertThat(learnt.path("written").asText()).isEqualTo("2016-05-03");
        assertThat(learnt.has("updated")).isFalse();
    }

    @Test
    void aShopNameWithoutAModelIsAskedForAndNeverTakenForOne() {
        Map<String, String> titles = Map.of(
                "How to root the Whinchat Mini", "“Whinchat Mini”",
                "Custom recovery for the Linnet S 2", "“Linnet S 2”",
                "Root your Pintail today", "“Pintail”",
                "Root on OS 5.1", "None is named.",
                "easy root", "None is named.");
        titles.forEach((title, asked) -> {
            Lesson lesson = learn("x", title + "\n1. Install whinchat.apk\n2. Open the app and tap root\n");
            assertThat(lesson.routes()).as(title).hasSize(1);
            assertThat(fields(lesson).get("models")).as(title).isEmpty();
            assertThat(lesson.missing())
                    .as(title)
                    .filteredOn(one -> one.path().endsWith("/fits/phones"))
                    .extracting(Lesson.Missing::ask)
                    .anyMatch(ask -> ask.startsWith("For which model numbers is it?") && ask.contains(asked));
        });
    }

    @Test
    void filesBelowHeadingsOfDifferentPhonesMakeADraftEachAndFilesOfOneTogetherOne() {
        String text = """
                Recoveries
                == QV-31 ==
                qv31-a.img
                sha256: 2c26b46b68ffc68ff99b453c1d30413413422d706483bfa0f98a5e886266e7ae
                qv31-b.zip
                == QV-33 ==
                qv33-a.img
                1. Write the image to the recovery.
                2. Restart.
                """;
        Lesson two = learn("x", text);
        assertThat(two.routes()).hasSize(2);
        assertThat(each(
                        two.routes().get(0).at("/work/files"),
                        file -> file.get("name").asText()))
                .containsExactly("qv31-a.img", "qv31-b.zip");
        assertThat(two.routes().get(0).at("/work/files/0/sha256").asText()).startsWith("2c26b46b");
        Lesson one = learn("x", text.replace("== QV-33 ==\n", ""));
        assertThat(one.routes()).hasSize(1);
        assertThat(one.routes().get(0).at("/work/files")).hasSize(3);
    }

    @Test
    void bootloadersAndRegionsAreHeardUnderTheirWords() {
        JsonNode fits = learn(
                        "x",
                        "Root for the QV-31 with bootloader QV3-B02\nOnly for region Coast or Hills.\n1. Install qv.apk\n2. Open the app\n")
                .routes()
                .get(0)
                .get("fits");
        assertThat(fits.at("/phones/0/bootloader").asText()).isEqualTo("QV3-B02");
        assertThat(each(fits.at("/requires/0/is"), JsonNode::asText)).containsExactly("Coast", "Hills");
        Lesson bound = learn(
                "x",
                "Root for the QV-31\nIt must have the bootloader QV3-B02 or later, else it will not start.\n1. Install qv.apk\n2. Open the app\n");
        assertThat(bound.routes().get(0).at("/fits/phones/0").has("bootloader")).isFalse();
        assertThat(bound.routes().get(0).at("/notes/hazards/0").asText()).contains("QV3-B02 or later");
    }

    @Test
    void aModelThatIsOnlyNamedIsLeftOutAndTold() {
        Lesson lesson = learn(
                "x",
                "Root for the QV-31\n1. Install qv.apk\n2. Open the app\nQV-33 users: other loader.\nDoes it work on the QV-35?\nOwners of the QV-37: this is not for you.\n");
        assertThat(fields(lesson).get("models")).containsExactly("QV-31");
        assertThat(fields(lesson).get("excluded")).containsExactly("QV-33", "QV-37");
        assertThat(lesson.warnings())
                .extracting(Lesson.Warning::text)
                .filteredOn(text -> text.contains("nothing says that this is for it"))
                .hasSize(1);
    }

    @Test
    void hostilePagesAreBoundedAndNothingInThemIsRun() {
        String steps = "<ol><li>Install ab.apk</li><li>Open the app</li></ol>";
        Lesson deep = learn(
                "x.html", "<html><body><h1>Root for AB-10</h1>" + "<div>".repeat(20_000) + steps + "</body></html>");
        assertThat(deep.routes()).hasSize(1);
        Lesson scripts = learn(
                "x.html",
                "<html><head><script>Root for AB-99</script><style>AB-98 {}</style></head><body><h1>Root for AB-10</h1>"
                        + "<form><input value='AB-97'>AB-96</form><img src='http://example.invalid/AB-95.png' onerror='AB-94()'>"
                        + "<template>AB-93</template>" + steps + "<!-- AB-92 --></body></html>");
        assertThat(scripts.routes().get(0).at("/fits/phones")).hasSize(1);
        assertThat(scripts.routes().toString()).doesNotContain("AB-9");
        StringBuilder wide = new StringBuilder("<html><body><h1>Root for AB-10</h1>" + steps + "<table><tr>");
        for (int i = 0; i < 200_000; i++) {
            wide.append("<td>").append(i).append("</td>");
        }
        assertThat(learn("x.html", wide + "</tr></table></body></html>").routes())
                .hasSize(1);
        Lesson open = learn(
                "x.html", "<html><body><p>Root for AB-10<p>1. Install ab.apk<p>2. Open <b>the app<table><tr><td>x");
        assertThat(open.routes()).as("tags that are never closed").hasSize(1);
        Lesson longLine = learn("x", "Root for AB-10 " + "AB-11 ".repeat(50_000) + "\n1. Install ab.apk\n2. Open it\n");
        assertThat(longLine.routes().get(0).at("/fits/phones")).hasSize(2);
    }

    @Test
    void whereTwoStatementsDisagreeBothAreShownAndTheSaferOneIsTaken() {
        String guide = """
                Root for AB-10 and AB-11
                Battery 30 % or more.
                1. Install ab.apk
                   md5 9f86d081884c7d659a2feaa0c55ad015
                   md5 60303ae22b998861bce3b28f33eec1be
                2. Open the app
                EDIT: battery at least 50 %!
                EDIT: AB-11 is not supported.
                Otherwise: 5f4dcc3b5aa765d61d8327deb882cf99
                """;
        Lesson lesson = learn("x", guide);
        assertThat(lesson.warnings())
                .filteredOn(warning -> warning.code().equals("contradiction"))
                .extracting(Lesson.Warning::line)
                .contains(5, 7, 8, 9);
        Map<String, Set<String>> fields = fields(lesson);
        assertThat(fields.get("battery")).containsExactly("50");
        assertThat(fields.get("models")).containsExactly("AB-10");
        assertThat(fields.get("files")).as("neither of two checksums").containsExactly("ab.apk=");
    }

    @Test
    void severalTextsAreOneGuideAndEachValueKnowsItsOwn() {
        Lesson lesson = learner.learn(
                List.of(
                        new Learner.Source("models.txt", "Supported:\nAB-10\nAB-12\n".getBytes(StandardCharsets.UTF_8)),
                        new Learner.Source(
                                "steps.txt",
                                "How to root\n1. Install ab.apk\n2. Open the app\n".getBytes(StandardCharsets.UTF_8))),
                DAY);
        assertThat(lesson.routes()).hasSize(1);
        assertThat(lesson.evidence())
                .filteredOn(one -> one.value().equals("AB-12"))
                .allSatisfy(one -> {
                    assertThat(one.file()).isEqualTo("models.txt");
                    assertThat(one.line()).isEqualTo(3);
                    assertThat(one.sure()).isEqualTo(Sure.CERTAIN);
                });
        assertThat(lesson.evidence())
                .filteredOn(one -> one.path().endsWith("/steps/1/text"))
                .allSatisfy(one -> assertThat(one.file()).isEqualTo("steps.txt"));
    }

    /** Nobody's file for another: cards of labels, a column that answers another question, images each for a version. */
    @Test
    void aFileIsOfferedOnlyToThePhonesAndVersionsItStandsWith() {
        Lesson cards = learn("cards.txt", """
                Model:    PL-3
                Os:       2.3.6
                File:     pl3root.zip
                MD5:      e4da3b7fbbce2345d7772b0674a318d5
                Battery:  30
                -----
                Model:    PL-5
                Os:       4.0.4
                File:     pl5root.zip
                MD5:      1679091c5a880faf6fb5e6087eb1b2dc
                Battery:  50
                -----
                Model:    PL-5W
                Os:       4.0.4
                Remark:   NOTHING WORKS, DO NOT USE pl5root.zip

                Both zips: onto the card, recovery (volume up + power), apply, restart.
                """);
        assertThat(fitting(cards)).containsExactly("PL-3 2.3.6 pl3root.zip", "PL-5 4.0.4 pl5root.zip");
        assertThat(cards.routes().get(1).at("/work/gates").findValue("atLeast").asInt())
                .isEqualTo(50);

        Lesson sheet = learn("sheet.csv", """
                model,os,build,app,md5,loses data,result
                GR-7,4.1.2,GR7_B14,grapple.apk,a5bfc9e07964f8dddeb95fc584cd965d,no,works
                GR-7,4.1.2,GR7_B15,grapple.apk,a5bfc9e07964f8dddeb95fc584cd965d,no,fails since B15
                GR-9,4.1.2,GR9_A01,grapple.apk,a5bfc9e07964f8dddeb95fc584cd965d,no,nothing works
                """);
        assertThat(fitting(sheet)).containsExactly("GR-7 4.1.2 grapple.apk");
        assertThat(sheet.routes().get(0).at("/fits/excludedBuilds").findValuesAsText("build"))
                .contains("GR7_B15");

        Lesson images = learn("images.md", """
                # Boot images with root for the Corvo C1

                Flash with `ptool flash boot FILE`. The bootloader must be unlocked.

                - boot-c1-2.1.img, md5 1f3870be274f6c49b3e31a0c6728957f, for 4.4.4
                - boot-c1-2.0.img, md5 b026324c6904b2a9cb4b88d6d61c81d1, for 4.4.2
                """);
        assertThat(fitting(images)).containsExactly("C1 4.4.4 boot-c1-2.1.img", "C1 4.4.2 boot-c1-2.0.img");
    }

    /** Of each draft the phone, its version and the files. */
    private static List<String> fitting(Lesson lesson) {
        return lesson.routes().stream()
                .map(route -> String.join(
                        " ",
                        String.join("/", route.at("/fits/phones").findValuesAsText("model")),
                        String.join("/", route.at("/fits/phones").findValuesAsText("osVersion")),
                        String.join("/", route.at("/work/files").findValuesAsText("name"))))
                .toList();
    }

    @Test
    void recordingsOfOneJobAreLaidSideBySideAndWhatTheyDoNotAgreeOnIsAsked() {
        Learner.Source careful = source("a.vtt", """
                WEBVTT

                00:00:02.000 --> 00:00:06.000
                Today the Lark 5 is rooted, model number LK-50, on system 5.1.1.

                00:00:07.000 --> 00:00:11.000
                Do not do this on the LK-50T, it has another loader.

                00:00:12.000 --> 00:00:16.000
                You want at least 50 percent in the battery.

                00:01:05.000 --> 00:01:12.000
                Switch the phone off, then hold volume up and power until the bird appears. That is the recovery.

                00:01:20.000 --> 00:01:26.000
                Choose install from card and pick lark-root.zip.

                00:01:40.000 --> 00:01:45.000
                It takes about two minutes.

                00:03:50.000 --> 00:03:55.000
                Restart the phone and check with the root app.
                """);
        Learner.Source other = source("b.srt", """
                1
                00:00:01,000 --> 00:00:05,000
                Rooting the LK-50. System is 5.1.1.

                2
                00:00:30,000 --> 00:00:34,000
                Charge it to 70 percent at least.

                3
                00:01:00,000 --> 00:01:06,000
                Hold volume down and power until the bird appears, the recovery.

                4
                00:01:10,000 --> 00:01:16,000
                Install from card, choose lark-root.zip, confirm.

                5
                00:01:20,000 --> 00:01:24,000
                This takes about five minutes.

                6
                00:02:00,000 --> 00:02:05,000
                Wipe the cache.

                7
                00:02:10,000 --> 00:02:16,000
                Reboot the phone, and open the root app to check.
                """);
        Learner.Source typed = source("c.txt", """
                0:03 so this is the lark five, the L K five zero
                0:10 five one one is what it runs
                0:44 hold volume up and power until the bird appears
                0:50 now we are in the recovery
                0:55 install from card, pick lark dash root dot zip
                1:02 about two minutes
                1:40 reboot the phone and check with the root app
                """);

        Lesson lesson = new Learner().learn(List.of(careful, other, typed), LocalDate.of(2026, 12, 1));

        assertThat(lesson.routes()).hasSize(1);
        JsonNode route = lesson.routes().get(0);
        assertThat(route.at("/fits/phones").findValuesAsText("model")).containsExactly("LK-50");
        assertThat(route.at("/work/gates").findValue("atLeast").asInt()).isEqualTo(70);
        List<JsonNode> steps = Alignment.steps(route);
        assertThat(steps)
                .extracting(step -> step.path("keys").asText())
                .contains("hold volume-up + power until the bird");
        assertThat(steps)
                .filteredOn(step -> step.path("text").asText().contains("lark-root.zip"))
                .singleElement()
                .extracting(step -> step.path("normalUntil").asInt())
                .isEqualTo(5);
        assertThat(route.at("/notes/learnt/votes").findValuesAsText("ask"))
                .anyMatch(ask -> ask.contains("50 (a.vtt), 70 (b.srt)"))
                .anyMatch(ask -> ask.contains("volume-down + power (b.srt at 1:00)"))
                .anyMatch(ask -> ask.startsWith("1 of 3 recordings do this: b.srt at 2:00"));
        assertThat(lesson.evidence())
                .filteredOn(one -> one.file().equals("c.txt") && one.path().endsWith("/keys"))
                .singleElement()
                .satisfies(one -> {
                    assertThat(one.clock()).contains("0:44");
                    assertThat(lesson.routes().get(0).at(one.path().substring("/routes/0".length())))
                            .isNotNull();
                });

        Lesson parts = new Learner().learn(List.of(careful, source("d.vtt", """
                                WEBVTT

                                00:00:02.000 --> 00:00:06.000
                                In part two we take the network lock off the Wren, KQ-W21.

                                00:00:10.000 --> 00:00:16.000
                                Copy wren-lock.zip to the card and unpack it.
                                """)), LocalDate.of(2026, 12, 1));
        assertThat(parts.routes())
                .as("another job is not laid beside it")
                .noneMatch(one -> one.at("/notes/learnt").has("votes"));
    }

    private static Learner.Source source(String name, String text) {
        return new Learner.Source(name, text.getBytes(StandardCharsets.UTF_8));
    }
}
