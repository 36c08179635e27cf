package org.mobrak.core.learn.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.Questions;
import org.mobrak.core.learn.reading.Sure;

/** A draft as a person fills it: what is typed lands in its place, and nothing else moves. */
class FormTest {
    private static final String ROUTE = """
            {"id": "wren", "name": "Root for the Wren", "draft": true, "family": "download-mode package", "summary": "s",
             "fits": {"phones": [{"model": "KQ-W21", "osVersion": "4.2.2"}, {"model": "KQ-W23", "osVersion": "4.2.2"}],
              "excludedBuilds": [{"build": "W2-X", "because": "the hole is closed"}],
              "requires": [{"not": {"fact": "model", "is": ["KQ-W29"]}, "because": "another chipset"},
                           {"anyOf": [{"fact": "recovery", "is": ["custom"]}, {"fact": "lock", "is": ["unlocked"]}]}]},
             "changes": {"effects": {"root": "permanent"}, "writes": ["kernel"]},
             "work": {"files": [{"name": "k.tar", "role": "kernel"}],
              "gates": [{"fact": "usbDebugging", "is": ["on"], "why": "w"}],
              "steps": [{"phase": "do", "title": "Write it", "text": "Write it."}, {"phase": "prove", "title": "Check", "text": "Check."}]},
             "notes": {"hazards": ["Do not touch it, ever."]}}
            """;

    private final ObjectNode route = parse(ROUTE);

    private static ObjectNode parse(String json) {
        try {
            return (ObjectNode) new ObjectMapper().readTree(json);
        } catch (IOException wrong) {
            throw new AssertionError(wrong);
        }
    }

    private static String value(JsonNode route, String field) {
        return Form.of(route, Map.of()).field(field).orElseThrow().value();
    }

    @ParameterizedTest
    @CsvSource({
        "models, 'KQ-W21\nKQ-W23'",
        "osVersion, 4.2.2",
        "excludedModels, KQ-W29",
        "excludedBuilds, W2-X",
        "effect:root, permanent",
        "writes, kernel",
        "gate:usbDebugging, on",
        "file:0:name, k.tar",
        "step:1:text, Check.",
        "hazards, 'Do not touch it, ever.'",
        "wipesData, ''",
        "gate:batteryPercent, ''",
        "require:lock, ''",
    })
    void whatStandsInTheDraftIsShown(String field, String shown) {
        assertThat(value(route, field)).isEqualTo(shown.replace("\\n", "\n"));
    }

    @ParameterizedTest
    @CsvSource({
        "models, 'KQ-W21, KQ-W24', /fits/phones/1/model, KQ-W24",
        "models, 'KQ-W21, KQ-W24', /fits/phones/1/osVersion, 4.2.2",
        "osVersion, 4.4, /fits/phones/1/osVersion, 4.4",
        "builds, 'A-1;A-2', /fits/phones/1/builds/1, A-2",
        "anyBuild, Everybody says so, /fits/phones/0/anyBuild, Everybody says so",
        "excludedModels, 'X-1\nX-2', /fits/requires/0/not/is/1, X-2",
        "excludedModels, 'X-1\nX-2', /fits/requires/0/because, another chipset",
        "excludedBuilds, 'W2-X, W2-Y', /fits/excludedBuilds/0/because, the hole is closed",
        "excludedBuilds, 'W2-X, W2-Y', /fits/excludedBuilds/1/build, W2-Y",
        "osVersion:atLeast, 4.0, /fits/requires/2/atLeast, 4.0",
        "require:lock, unlocked, /fits/requires/2/is/0, unlocked",
        "gate:batteryPercent, 60, /work/gates/1/atLeast, 60",
        "gate:usbDebugging, off, /work/gates/0/is/0, off",
        "gate:internet, yes, /work/gates/1/fact, internet",
        "effect:recovery, custom, /changes/effects/recovery, custom",
        "effect:customWrites, +1, /changes/effects/customWrites, +1",
        "effect:kernelRelease, 3.4.5, /changes/effects/kernelRelease, 3.4.5",
        "writes, 'kernel\nrecovery', /changes/writes/1, recovery",
        "keeps, system, /changes/keeps/0, system",
        "wipesData, yes, /changes/wipesData, true",
        "wipesData, no, /changes/wipesData, false",
        "file:0:md5, 9f86d081884c7d659a2feaa0c55ad015, /work/files/0/md5, 9f86d081884c7d659a2feaa0c55ad015",
        "file:0:slot, recovery area, /work/files/0/slot, recovery area",
        "file:0:where, computer, /work/files/0/where, computer",
        "step:0:text, 'Write it now. Then wait.', /work/steps/0/title, Write it now",
        "step:0:sign, It says so, /work/steps/0/sign, It says so",
        "step:0:normalUntil, 5, /work/steps/0/normalUntil, 5",
        "step:0:mode, download, /work/steps/0/mode, download",
        "costs:handsOn, 7, /costs/handsOn/2, 7",
        "costs:handsOn, '5 10 20', /costs/handsOn/1, 10",
        "costs:waiting, 5-10-20, /costs/waiting/2, 20",
        "costs:money, 25 USD, /costs/money/currency, USD",
        "hazards, 'One, with a comma.\nTwo.', /notes/hazards/0, 'One, with a comma.'",
        "name, Another name, /name, Another name",
        "checked, 2026-11-26, /notes/learnt/checked, 2026-11-26",
    })
    void whatIsTypedLandsInItsPlaceAndIsShownAgain(String field, String typed, String pointer, String there)
            throws Refusal {
        String lines = typed.replace("\\n", "\n");
        ObjectNode before = route.deepCopy();
        ObjectNode changed = Form.with(route, field, lines);
        assertThat(route).as("the draft that was given stays").isEqualTo(before);
        assertThat(changed.at(pointer).asText()).isEqualTo(there);
        ObjectNode same = Form.with(changed, field, value(changed, field));
        assertThat(value(same, field)).as("what is shown can be typed").isEqualTo(value(changed, field));
        assertThat(changed.at("/fits/requires").toString())
                .as("what the form cannot show is left alone")
                .contains("anyOf");
    }

    @ParameterizedTest
    @CsvSource({
        "require:lock, unlocked",
        "gate:batteryPercent, 60",
        "gate:internet, yes",
        "effect:recovery, custom",
        "wipesData, yes",
        "file:0:sha256, abc",
        "step:0:sign, It says so",
        "step:0:worryAfter, 9",
        "costs:handsOn, 7",
        "osVersion:atMost, 5.0",
        "excludedModels, X-1",
    })
    void anEmptiedFieldTakesItsValueOutAgain(String field, String typed) throws Refusal {
        ObjectNode filled = Form.with(route, field, typed);
        ObjectNode emptied = Form.with(filled, field, "");
        assertThat(value(emptied, field)).isEmpty();
        assertThat(count(emptied, typed)).as("nothing of it is left").isEqualTo(count(route, typed));
        assertThat(emptied.at("/fits/requires").toString()).contains("anyOf");
    }

    private static int count(ObjectNode route, String text) {
        return route.toString().split(Pattern.quote(text), -1).length;
    }

    @ParameterizedTest
    @CsvSource({
        "gate:batteryPercent, full, no whole number",
        "gate:batteryPercent, -5, no whole number",
        "step:0:normalUntil, soon, no whole number",
        "costs:handsOn, 5 3 9, each is at least the one before",
        "costs:handsOn, 5 9, each is at least the one before",
        "costs:money, cheap, 25 USD",
        "costs:money, 25 dollars, 25 USD",
        "require:lock, ajar, none of locked",
        "step:0:phase, later, none of gather",
        "step:0:text, '', take the step out instead",
        "step:9:text, x, no field",
        "nothing, x, no field",
    })
    void whatCannotBeIsRefusedWithTheRemedy(String field, String typed, String told) {
        assertThatThrownBy(() -> Form.with(route, field, typed))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(told);
    }

    @Test
    void moreModelsThanARouteNamesAreRefused() {
        String many = IntStream.range(0, 501).mapToObj(number -> "M-" + number).collect(Collectors.joining("\n"));
        assertThatThrownBy(() -> Form.with(route, "models", many)).hasMessageContaining("Make a second route");
        ObjectNode none = parse("{\"id\": \"x\"}");
        assertThatThrownBy(() -> Form.with(none, "osVersion", "4.4")).hasMessageContaining("which model numbers");
    }

    @Test
    void stepsAndFilesComeAndGoByAnyOfTheirFields() throws Refusal {
        ObjectNode more = Form.withFile(Form.withStep(route, "Let it start. It is slow."), "r.zip");
        assertThat(more.at("/work/steps/2/title").asText()).isEqualTo("Let it start");
        assertThat(more.at("/work/files/1/name").asText()).isEqualTo("r.zip");
        ObjectNode fewer = Form.without(Form.without(more, "step:0:sign"), "file:0:name");
        assertThat(fewer.at("/work/steps")).hasSize(2);
        assertThat(fewer.at("/work/steps/0/text").asText()).isEqualTo("Check.");
        assertThat(fewer.at("/work/files/0/name").asText()).isEqualTo("r.zip");
        assertThatThrownBy(() -> Form.without(more, "name")).isInstanceOf(Refusal.class);
    }

    @ParameterizedTest
    @EnumSource(Saying.class)
    void aPieceOfTheGuideCountsAsWhatThePersonSays(Saying saying) throws Refusal {
        String piece = saying == Saying.CHECKSUM ? "9F86D081884C7D659A2FEAA0C55AD015" : "A piece";
        ObjectNode said = saying.in(route, piece);
        assertThat(said).isNotEqualTo(route);
        assertThat(said.toString()).containsIgnoringCase(piece);
        assertThat(saying.label()).isNotBlank();
    }

    @Test
    void aPieceThatCannotBeWhatIsSaidIsRefused() {
        assertThatThrownBy(() -> Saying.CHECKSUM.in(route, "9f86")).hasMessageContaining("this has 4");
        assertThatThrownBy(() -> Saying.CHECKSUM.in(route, "no sum")).hasMessageContaining("nothing else");
        ObjectNode none = parse("{\"id\": \"x\", \"fits\": {\"phones\": []}}");
        assertThatThrownBy(() -> Saying.SIGN.in(none, "It lights")).hasMessageContaining("no step yet");
        assertThatThrownBy(() -> Saying.CHECKSUM.in(none, "9f86d081884c7d659a2feaa0c55ad015"))
                .hasMessageContaining("no file yet");
    }

    /** What was read leads to its line as long as it stands there; what a person typed has none. */
    @Test
    void aFieldKnowsWhereItWasReadUntilAPersonChangesIt() throws Refusal {
        Lesson.Evidence read = new Lesson.Evidence("/routes/0/name", "Root for the Wren", "g.txt", 1, "t", Sure.GUESS);
        Lesson.Evidence data = new Lesson.Evidence("/routes/0/changes/wipesData", "true", "g.txt", 9, "t", Sure.LIKELY);
        Map<String, Lesson.Evidence> evidence = Map.of("/name", read, "/changes/wipesData", data);
        Field name = Form.of(route, evidence).field("name").orElseThrow();
        assertThat(name.read()).contains(read);
        assertThat(name.isDoubtful()).as("a guess").isTrue();
        ObjectNode lost = Form.with(route, "wipesData", "yes");
        assertThat(Form.of(lost, evidence).field("wipesData").orElseThrow().read())
                .contains(data);
        ObjectNode renamed = Form.with(route, "name", "Mine");
        assertThat(Form.of(renamed, evidence).field("name").orElseThrow().read())
                .isEmpty();
    }

    @Test
    void whatIsOpenIsAskedAtItsFieldUntilItIsAnswered() throws Refusal {
        assertThat(Questions.of(route))
                .extracting(Questions.Question::field)
                .containsExactly("wipesData", "gate:batteryPercent", "file:0:md5", "costs:handsOn");
        assertThat(Form.of(route, Map.of()).field("file:0:md5").orElseThrow().question())
                .contains("No checksum is given for k.tar.");
        ObjectNode answered = route;
        for (Map.Entry<String, String> answer : Map.of(
                        "wipesData",
                        "no",
                        "gate:batteryPercent",
                        "50",
                        "file:0:sha1",
                        "a".repeat(40),
                        "costs:handsOn",
                        "5")
                .entrySet()) {
            answered = Form.with(answered, answer.getKey(), answer.getValue());
        }
        assertThat(Questions.of(answered)).extracting(Questions.Question::field).containsExactly("costs:waiting");
        ObjectNode deadly = Form.with(route, "writes", "bootloader");
        assertThat(Questions.of(deadly))
                .extracting(Questions.Question::ask)
                .contains("It writes the bootloader; no checksum is given.");
    }

    /** Whatever is typed into whichever field, the draft is refused or has a form again, and no other field moves. */
    @Test
    void anyFieldCanBeFilledWithAnythingAndNoOtherMoves() {
        Random random = new Random(20261126);
        List<String> typed = List.of(
                "x", "4.2.2", "yes", "on", "50", "5 10 20", "A-1, A-2", "\u202e", "", "kernel", "a\nb", "25 USD");
        List<Field> fields = Form.of(route, Map.of()).fields();
        for (int round = 0; round < 3_000; round++) {
            Field field = fields.get(random.nextInt(fields.size()));
            String text = typed.get(random.nextInt(typed.size()));
            Optional<ObjectNode> changed = tried(field.id(), text);
            changed.ifPresent(now -> {
                Form form = Form.of(now, Map.of());
                boolean shared = field.id().equals("models")
                        || field.id().startsWith("step:") && field.id().endsWith(":text");
                fields.stream()
                        .filter(other -> !other.id().equals(field.id()) && !shared)
                        .forEach(other -> assertThat(form.field(other.id()).map(Field::value))
                                .as("%s after “%s” in %s", other.id(), text, field.id())
                                .contains(other.value()));
            });
        }
    }

    private Optional<ObjectNode> tried(String field, String text) {
        try {
            return Optional.of(Form.with(route, field, text));
        } catch (Refusal refused) {
            assertThat(refused.getMessage()).isNotBlank();
            return Optional.empty();
        }
    }
}
