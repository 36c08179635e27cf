package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.learn.page.Decoded;
import org.mobrak.core.learn.reading.Understood.Role;

/**
 * Texts of four other hands (forum, spoken, pages, tables) with the truth as a careful reader takes it. What harms a phone where it
 * is wrong is held here: for which phones, with which files and sums, at which charge. How the whole is counted stands in
 * docs/learning.md.
 */
class StrangersTest {
    private static final Path TEXTS = Sample.HOME.resolve("core/src/test/resources/org/mobrak/core/learn/strangers");
    private static final LocalDate DAY = LocalDate.of(2026, 12, 1);

    private final Learner learner = new Learner();
    private final List<String> missed = new ArrayList<>();
    private int found;
    private int asked;

    private Lesson learn(JsonNode truth) throws IOException {
        List<Learner.Source> sources = new ArrayList<>();
        for (JsonNode file : truth.get("files")) {
            sources.add(new Learner.Source(file.asText(), Files.readAllBytes(TEXTS.resolve(file.asText()))));
        }
        return learner.learn(sources, DAY);
    }

    private static JsonNode truth() throws IOException {
        return new ObjectMapper().readTree(TEXTS.resolve("truth.json").toFile());
    }

    private static String squashed(String text) {
        return text.toLowerCase(Locale.ROOT).replaceAll("[\\s_-]", "");
    }

    private static Set<String> models(Lesson lesson) {
        Set<String> models = new TreeSet<>();
        lesson.routes()
                .forEach(route -> route.at("/fits/phones")
                        .forEach(phone -> models.add(squashed(phone.get("model").asText()))));
        return models;
    }

    private static Set<Integer> battery(Lesson lesson) {
        Set<Integer> asked = new TreeSet<>();
        for (ObjectNode route : lesson.routes()) {
            route.at("/work/gates").forEach(gate -> {
                if (gate.get("fact").asText().equals("batteryPercent")) {
                    asked.add(gate.get("atLeast").asInt());
                }
            });
        }
        return asked;
    }

    private static String sum(JsonNode file) {
        return file.path("md5")
                .asText(file.path("sha1").asText(file.path("sha256").asText("")));
    }

    private void ask(String what, boolean there) {
        asked++;
        found += there ? 1 : 0;
        if (!there) {
            missed.add(what);
        }
    }

    @Test
    void whatHarmsIsFoundInStrangersTextsAndNeverMadeUp() throws IOException {
        for (JsonNode truth : truth()) {
            String name = truth.get("files").toString();
            Lesson lesson = learn(truth);
            if (!truth.get("guide").asBoolean()) {
                assertThat(lesson.routes()).as("%s is no guide", name).isEmpty();
                continue;
            }
            Set<String> models = models(lesson);
            truth.get("models").forEach(choices -> ask(name + " " + choices, any(choices, models)));
            truth.get("notModels")
                    .forEach(out -> assertThat(models).as("%s: never", name).doesNotContain(squashed(out.asText())));
            Set<Integer> battery = battery(lesson);
            truth.get("battery").forEach(choices -> ask(name + " battery " + choices, amount(choices, battery)));
            Set<Integer> fair = new HashSet<>();
            truth.get("battery").forEach(choices -> choices.forEach(one -> fair.add(one.asInt())));
            truth.get("fairBattery").forEach(one -> fair.add(one.asInt()));
            assertThat(fair)
                    .as("%s: a charge that the text does not ask for", name)
                    .containsAll(battery);
            sums(name, truth, lesson);
        }
        assertThat((double) found / asked)
                .as("of what is asked for; missed: %s", missed)
                .isGreaterThan(.9);
    }

    private static boolean any(JsonNode choices, Set<String> models) {
        return StreamSupport.stream(choices.spliterator(), false)
                .map(one -> squashed(one.asText()))
                .anyMatch(models::contains);
    }

    private static boolean amount(JsonNode choices, Set<Integer> battery) {
        return StreamSupport.stream(choices.spliterator(), false)
                .map(JsonNode::asInt)
                .anyMatch(battery::contains);
    }

    private void sums(String name, JsonNode truth, Lesson lesson) {
        Set<String> traps = new HashSet<>();
        truth.get("traps").forEach(one -> traps.add(one.asText()));
        for (ObjectNode route : lesson.routes()) {
            for (JsonNode file : route.at("/work/files")) {
                String wanted =
                        truth.at("/sums").path(file.get("name").asText()).asText("");
                assertThat(traps).as("%s: withdrawn", name).doesNotContain(sum(file));
                if (!wanted.isEmpty() && !sum(file).isEmpty()) {
                    assertThat(sum(file)).as("%s: %s", name, file.get("name")).isEqualTo(wanted);
                }
            }
        }
        truth.get("sums").properties().forEach(one -> {
            if (!one.getValue().asText().isEmpty()) {
                boolean there = lesson.routes().stream()
                        .flatMap(route ->
                                StreamSupport.stream(route.at("/work/files").spliterator(), false))
                        .anyMatch(file -> sum(file).equals(one.getValue().asText()));
                ask(name + " sum of " + one.getKey(), there);
            }
        });
    }

    /** Nothing vanishes: every line that holds something stands once in the account, and what it points to is there. */
    @Test
    void everyLineIsAccountedForOnce() throws IOException {
        for (JsonNode truth : truth()) {
            Lesson lesson = learn(truth);
            JsonNode whole = new ObjectMapper()
                    .valueToTree(java.util.Map.of("routes", lesson.routes(), "phones", lesson.phones()));
            Set<String> places = new HashSet<>();
            for (Lesson.Line line : lesson.account()) {
                assertThat(places.add(line.file() + ":" + line.line())).isTrue();
                line.fields()
                        .forEach(path -> assertThat(whole.at(path).isMissingNode())
                                .as("%s %s", line, path)
                                .isFalse());
            }
            for (JsonNode file : truth.get("files")) {
                String[] lines = Decoded.of(Files.readAllBytes(TEXTS.resolve(file.asText())))
                        .text()
                        .split("\r\n|\n|\r", -1);
                for (int i = 0; i < lines.length; i++) {
                    if (!lines[i].isBlank()) {
                        assertThat(places).contains(file.asText() + ":" + (i + 1));
                    }
                }
            }
        }
    }

    @Test
    void whatLooksLikeAnOrderAndIsNotUnderstoodIsToldAsSuch() {
        Lesson lesson = learner.learn(
                List.of(new Learner.Source(
                        "x",
                        ("Root for the QV-31 without a computer\n\nBattery at least 50 %.\n\n1. Install qv-root.apk\n2. Open it and tap root\n3. Wait 2 minutes\n\n"
                                        + "You must have the blue rabbit beside the phone.\n")
                                .getBytes(java.nio.charset.StandardCharsets.UTF_8))),
                DAY);
        assertThat(lesson.account())
                .filteredOn(line -> line.role() == Role.UNPLACED)
                .extracting(Lesson.Line::line)
                .containsExactly(9);
    }
}
