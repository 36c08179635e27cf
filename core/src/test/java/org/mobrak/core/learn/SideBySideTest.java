package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class SideBySideTest {
    private static final String BY_KEYS = """
            0:02 root for the Quail 3, model QL-300, system 4.4.2
            0:10 copy quail-root.zip to the card and leave it zipped
            0:30 hold volume up and power until the bird, that is the recovery
            0:50 install from card, pick quail-root.zip
            1:10 it takes two minutes
            3:30 reboot the phone and check with the root app
            """;
    private static final String BY_COMMAND = """
            0:01 the QL-300 again, 4.4.2, and this time from the laptop
            0:12 copy quail-root.zip to the card, leave it zipped
            0:20 battery at sixty percent at least
            0:40 type sled reboot recovery and it goes into the recovery
            0:55 install from card, pick quail-root.zip
            1:20 three minutes, then reboot the phone and check with the root app
            """;
    private static final String ANOTHER_PHONE =
            BY_KEYS.replace("QL-300", "WR-77").replace("Quail", "Wren");

    private static Lesson learn(String... recordings) {
        int[] number = {0};
        return new Learner()
                .learn(
                        Stream.of(recordings)
                                .map(text -> new Learner.Source(
                                        "/home/somebody/rec" + ++number[0] + ".txt",
                                        text.getBytes(StandardCharsets.UTF_8)))
                                .toList(),
                        LocalDate.of(2026, 12, 1));
    }

    @Test
    void eachValueStandsWhereItsEvidenceSays() {
        Lesson lesson = learn(BY_KEYS, BY_COMMAND);
        assertThat(lesson.routes()).hasSize(1);
        JsonNode route = lesson.routes().get(0);
        assertThat(lesson.evidence())
                .filteredOn(one -> one.path().startsWith("/routes/0/work/steps/"))
                .isNotEmpty()
                .allSatisfy(one -> {
                    assertThat(route.at(one.path().substring("/routes/0".length()))
                                    .isMissingNode())
                            .as(one.path())
                            .isFalse();
                    assertThat(one.second()).isPresent();
                });
        assertThat(lesson.account())
                .extracting(Lesson.Line::file)
                .contains("/home/somebody/rec1.txt", "/home/somebody/rec2.txt");
        assertThat(route.at("/notes/learnt/from").asText())
                .as("folders of this computer stay here")
                .contains("rec1.txt", "rec2.txt")
                .doesNotContain("somebody");
    }

    @Test
    void whatOnlyOneSaysIsKeptAndAskedUntilItIsDecided() {
        Lesson lesson = learn(BY_KEYS, BY_COMMAND);
        JsonNode route = lesson.routes().get(0);
        assertThat(route.at("/work/gates").findValue("atLeast").asInt()).isEqualTo(60);
        List<String> asked = Questions.of(route).stream()
                .map(Questions.Question::ask)
                .filter(ask -> ask.contains("recordings do this"))
                .toList();
        assertThat(lesson.missing()).extracting(Lesson.Missing::ask).containsAll(asked);
        JsonNode decided = route.deepCopy();
        decided.at("/notes/learnt/votes").forEach(vote -> {
            String[] at = vote.path("at").asText().split("/");
            if (at[2].equals("steps")) {
                ((com.fasterxml.jackson.databind.node.ObjectNode)
                                decided.at("/work/steps").get(Integer.parseInt(at[3])))
                        .put(at[4], "as we do it here");
            }
        });
        assertThat(Questions.of(decided))
                .extracting(Questions.Question::ask)
                .noneMatch(ask -> ask.contains("recordings do this"));
    }

    @Test
    void anotherPhonesRecordingIsNotLaidBesideIt() {
        Lesson lesson = learn(BY_KEYS, ANOTHER_PHONE);
        assertThat(lesson.routes()).noneMatch(route -> route.at("/notes/learnt").has("votes"));
    }

    @Test
    void aClockIsNoRecording() {
        Lesson lesson = new Learner()
                .learn(
                        List.of(new Learner.Source("memo.txt", """
                                12:31 memo to myself: root for the QL-300, 4.4.2
                                12:40 copy quail-root.zip to the card
                                12:55 hold volume up and power until the bird, that is the recovery
                                13:05 install from card, pick quail-root.zip
                                """.getBytes(StandardCharsets.UTF_8))),
                        LocalDate.of(2026, 12, 1));
        assertThat(lesson.evidence()).allSatisfy(one -> assertThat(one.second()).isEmpty());
    }
}
