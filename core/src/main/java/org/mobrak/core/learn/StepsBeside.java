package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Habit;

/** The steps of several recordings as one list: what not all do is kept and asked, and so is what they do in different ways. */
final class StepsBeside {
    /** Waits that differ by less are one. */
    private static final int LEAST_FACTOR = 2;

    private final List<Lesson> lessons;
    private final List<String> names;
    private final List<List<JsonNode>> steps;
    private final Ballot ballot;
    private final Moved moved;

    StepsBeside(List<Lesson> lessons, List<String> names, List<List<JsonNode>> steps, Ballot ballot, Moved moved) {
        this.lessons = lessons;
        this.names = names;
        this.steps = steps;
        this.ballot = ballot;
        this.moved = moved;
    }

    /** The steps of the job, in their order. */
    ArrayNode merged(List<Alignment.Row> rows) {
        ArrayNode merged = JsonNodeFactory.instance.arrayNode();
        for (Alignment.Row row : rows) {
            int first =
                    row.told().keySet().stream().min(Comparator.naturalOrder()).orElseThrow();
            ObjectNode step = (ObjectNode) told(first, row).deepCopy();
            String path = "/work/steps/" + merged.size();
            row.told().forEach((recording, at) -> moved.put(recording, "/work/steps/" + at, path));
            row.told().keySet().stream().filter(recording -> recording != first).forEach(recording -> {
                habit(step, told(recording, row));
                fill(step, told(recording, row));
            });
            keys(step, row, path);
            waits(step, row, path);
            if (row.told().size() < lessons.size() && !isSaidElsewhere(step)) {
                ballot.ask(path + "/text", step.path("text").asText(), missing(row));
            }
            merged.add(step);
        }
        return merged;
    }

    private JsonNode told(int recording, Alignment.Row row) {
        return steps.get(recording).get(row.told().getOrDefault(recording, 0));
    }

    private String missing(Alignment.Row row) {
        String by = row.told().keySet().stream()
                .map(recording -> names.get(recording) + when(recording, row))
                .collect(Collectors.joining(", "));
        return "%d of %d recordings do this: %s. Keep the step, change it, or take it out."
                .formatted(row.told().size(), lessons.size(), by);
    }

    /** “ at 2:13”. */
    private String when(int recording, Alignment.Row row) {
        String path = Moved.ROUTE + "/work/steps/" + row.told().get(recording) + "/";
        return lessons.get(recording).evidence().stream()
                .filter(one -> one.path().startsWith(path))
                .flatMap(one -> one.clock().stream())
                .findFirst()
                .map(clock -> " at " + clock)
                .orElse("");
    }

    /** That it is charged and switched off is told in many places. */
    private static boolean isSaidElsewhere(JsonNode step) {
        return step.path("mode").asText().equals("off")
                || step.path("phase").asText().equals("prepare")
                        && step.path("text").asText().toLowerCase(Locale.ROOT).contains("charge");
    }

    /** One holds keys, another types a command: both lead there, and each person has a habit. */
    private static void habit(ObjectNode step, JsonNode other) {
        boolean typed = step.has("keys") && Alignment.isCommand(other);
        boolean held = Alignment.isCommand(step) && other.has("keys");
        if (!typed && !held || step.has("or")) {
            return;
        }
        step.put("by", typed ? Habit.KEYS.word() : Habit.COMMAND.word());
        ObjectNode or = step.putArray("or").addObject();
        or.put("by", typed ? Habit.COMMAND.word() : Habit.KEYS.word());
        or.put("text", other.path("text").asText());
        if (held) {
            or.set("keys", other.get("keys"));
        }
    }

    /** What the first does not say and another does. */
    private static void fill(ObjectNode step, JsonNode other) {
        for (String field : List.of("mode", "keys", "sign", "normalUntil", "worryAfter", "ifNot", "with", "wipe")) {
            boolean ofAnotherHabit = step.has("or") && (field.equals("keys") || field.equals("with"));
            if (!step.has(field) && other.has(field) && !ofAnotherHabit) {
                step.set(field, other.get(field));
            }
        }
    }

    /** Most decide what is held. */
    private void keys(ObjectNode step, Alignment.Row row, String path) {
        Map<String, List<Integer>> said = new LinkedHashMap<>();
        row.told()
                .keySet()
                .forEach(recording -> Optional.of(
                                told(recording, row).path("keys").asText())
                        .filter(keys -> !keys.isEmpty())
                        .ifPresent(keys -> said.computeIfAbsent(held(keys), none -> new ArrayList<>())
                                .add(recording)));
        if (said.size() < 2) {
            return;
        }
        List<Integer> most =
                said.values().stream().max(Comparator.comparingInt(List::size)).orElseThrow();
        JsonNode chosen = told(most.get(0), row);
        for (String field : List.of("title", "text", "keys")) {
            step.put(field, chosen.path(field).asText());
        }
        Map<String, String> by = new LinkedHashMap<>();
        said.forEach((keys, recordings) -> by.put(
                keys,
                recordings.stream()
                        .map(recording -> names.get(recording) + when(recording, row))
                        .collect(Collectors.joining(", "))));
        ballot.ask(
                path + "/keys", step.path("keys").asText(), "Which keys? They hold %s.".formatted(Ballot.listed(by)));
    }

    private static String held(String keys) {
        return keys.replaceFirst("^hold ", "").replaceFirst(" until .*|;.*", "");
    }

    /** The longest wait, so that nobody pulls a cable too early; asked where they differ by much. */
    private void waits(ObjectNode step, Alignment.Row row, String path) {
        Map<Integer, String> said = new TreeMap<>();
        row.told()
                .keySet()
                .forEach(recording -> Optional.of(
                                told(recording, row).path("normalUntil").asInt())
                        .filter(minutes -> minutes > 0)
                        .ifPresent(minutes -> said.merge(
                                minutes, names.get(recording) + when(recording, row), (one, two) -> one + ", " + two)));
        if (said.isEmpty()) {
            return;
        }
        int least = said.keySet().iterator().next();
        int most = said.keySet().stream().max(Comparator.naturalOrder()).orElseThrow();
        step.put("normalUntil", most);
        if (most >= least * LEAST_FACTOR) {
            ballot.ask(
                    path + "/normalUntil",
                    String.valueOf(most),
                    "How many minutes are normal? They say %s; the longest was taken.".formatted(Ballot.listed(said)));
        }
    }
}
