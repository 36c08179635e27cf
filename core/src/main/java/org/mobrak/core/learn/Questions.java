package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;

/** What a safe route needs and a draft does not say, by what stands in the draft now. */
public final class Questions {
    private static final Set<String> DANGEROUS = Set.of("bootloader", "radio", "partition-table");

    private final JsonNode route;
    private final List<Question> asked = new ArrayList<>();

    private Questions(JsonNode route) {
        this.route = route;
    }

    /**
     * A question to the person.
     *
     * @param field the field of the draft's form that answers it
     * @param path where the answer belongs, a JSON pointer into the route
     */
    public record Question(String field, String path, String ask) {}

    /** Everything that is open in a draft, in the order in which a person would fill it. */
    public static List<Question> of(JsonNode route) {
        Questions questions = new Questions(route);
        questions.phones();
        questions.changes();
        questions.work();
        questions.votes();
        return List.copyOf(questions.asked);
    }

    private void ask(String field, String path, String ask) {
        asked.add(new Question(field, path, ask));
    }

    private static Stream<JsonNode> each(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false);
    }

    private void phones() {
        JsonNode phones = route.at("/fits/phones");
        if (phones.isEmpty()) {
            ask(
                    "models",
                    "/fits/phones",
                    ShopNames.in(route.path("name").asText())
                            .map(name ->
                                    ("For which model numbers is it? It speaks of the “%s”, and several models may be "
                                                    + "sold under one name.")
                                            .formatted(name))
                            .orElse("For which model numbers is it? None is named."));
        }
        boolean version = each(phones)
                        .anyMatch(phone ->
                                phone.has("osVersion") || !phone.path("builds").isEmpty())
                || each(route.at("/fits/requires"))
                        .anyMatch(one -> one.path("fact").asText().equals("osVersion"));
        if (!version) {
            ask("osVersion", "/fits/phones", "For which OS versions or builds is it?");
        }
    }

    private void changes() {
        if (route.at("/changes/writes").isEmpty()) {
            ask("writes", "/changes/writes", "What does it write: app, system, kernel, recovery, radio, bootloader?");
        }
        if (route.at("/changes/effects").isEmpty()) {
            ask("effect:root", "/changes/effects", "What is otherwise afterwards: root, recovery, lock, OS?");
        }
        if (!route.at("/changes").has("wipesData")) {
            ask("wipesData", "/changes/wipesData", "Is data lost? The text does not say.");
        }
    }

    private void work() {
        if (each(route.at("/work/gates")).noneMatch(gate -> gate.has("atLeast"))) {
            ask("gate:batteryPercent", "/work/gates", "How full must the battery be? The text does not say.");
        }
        if (route.at("/work/steps").isEmpty()) {
            ask("steps", "/work/steps", "What is to be done, step by step?");
        }
        JsonNode files = route.at("/work/files");
        if (each(files).noneMatch(Questions::hasSum)) {
            each(route.at("/changes/writes"))
                    .map(JsonNode::asText)
                    .filter(DANGEROUS::contains)
                    .forEach(partition -> ask(
                            "file:0:sha256",
                            "/work/files",
                            "It writes the %s; no checksum is given.".formatted(partition)));
        }
        for (int i = 0; i < files.size(); i++) {
            if (!hasSum(files.get(i))) {
                ask(
                        "file:" + i + ":md5",
                        "/work/files/" + i,
                        "No checksum is given for " + files.get(i).path("name").asText() + ".");
            }
        }
        if (!route.has("costs")) {
            ask("costs:handsOn", "/costs", "How long does it take, in hand and in waiting, and does it cost money?");
            return;
        }
        if (!route.at("/costs").has("handsOn")) {
            ask("costs:handsOn", "/costs/handsOn", "How many minutes does it take in hand?");
        }
        if (!route.at("/costs").has("waiting")) {
            ask("costs:waiting", "/costs/waiting", "How many minutes are waited?");
        }
    }

    /** Where recordings of the job do not agree, until somebody decides. */
    private void votes() {
        each(route.at("/notes/learnt/votes"))
                .filter(vote -> route.at(vote.path("at").asText())
                        .asText()
                        .equals(vote.path("said").asText()))
                .forEach(vote -> ask(
                        field(vote.path("at").asText()),
                        vote.path("at").asText(),
                        vote.path("ask").asText()));
    }

    /** The form's field for a place in the route. */
    private static String field(String at) {
        return at.startsWith("/work/steps/")
                ? "step:" + at.substring("/work/steps/".length()).replace('/', ':')
                : at.startsWith("/work/gates/")
                        ? "gate:batteryPercent"
                        : at.startsWith("/changes/") ? at.substring("/changes/".length()) : "models";
    }

    private static boolean hasSum(JsonNode file) {
        return file.has("md5") || file.has("sha1") || file.has("sha256");
    }
}
