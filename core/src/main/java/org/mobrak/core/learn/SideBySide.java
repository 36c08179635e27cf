package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.mobrak.core.catalogue.Habit;

/**
 * Several recordings of one job as one draft: what all do is taken, what one does and another does not is kept and asked, and so is a
 * value on which they differ. The one with the most steps gives the words.
 */
final class SideBySide {
    private static final String ROUTE = "/routes/0";
    /** So much of the shorter recording must be found in the other, else they are parts of one. */
    private static final double SAME_JOB = .5;

    private static final int LEAST_FACTOR = 2;

    private final List<Lesson> lessons;
    private final List<String> names;
    private final List<List<JsonNode>> steps;
    private final ObjectNode route;
    private final ArrayNode votes;
    /** By the number of a recording, where its values stand now. */
    private final List<Map<String, String>> moved = new ArrayList<>();

    private SideBySide(List<Lesson> lessons, List<String> names) {
        this.lessons = lessons;
        this.names = names;
        this.steps = lessons.stream()
                .map(lesson -> Alignment.steps(lesson.routes().get(0)))
                .toList();
        this.route = lessons.get(0).routes().get(0).deepCopy();
        this.votes = route.arrayNode();
        lessons.forEach(lesson -> moved.add(new HashMap<>()));
    }

    /** One lesson of them all; empty where they do not tell the same job. */
    static Optional<Lesson> of(List<Lesson> told, List<String> sources) {
        boolean each = told.size() > 1
                && told.stream().allMatch(lesson -> lesson.routes().size() == 1);
        if (!each) {
            return Optional.empty();
        }
        List<Integer> order = new ArrayList<>();
        told.forEach(lesson -> order.add(order.size()));
        order.sort(Comparator.comparingInt((Integer i) ->
                        -Alignment.steps(told.get(i).routes().get(0)).size())
                .thenComparing(i -> i));
        SideBySide beside = new SideBySide(
                order.stream().map(told::get).toList(),
                order.stream().map(sources::get).toList());
        List<Alignment.Row> rows = Alignment.of(beside.steps);
        return beside.isOneJob(rows) ? Optional.of(beside.lesson(rows)) : Optional.empty();
    }

    private boolean isOneJob(List<Alignment.Row> rows) {
        for (int i = 1; i < lessons.size(); i++) {
            int own = i;
            long shared = rows.stream()
                    .filter(row -> row.told().containsKey(own) && row.told().size() > 1)
                    .count();
            Set<String> models = models(0);
            models.retainAll(models(own));
            boolean apart =
                    models.isEmpty() && !models(0).isEmpty() && !models(own).isEmpty();
            int least = Math.min(steps.get(0).size(), steps.get(own).size());
            if (apart || least == 0 || shared < least * SAME_JOB) {
                return false;
            }
        }
        return true;
    }

    private Set<String> models(int recording) {
        return each(lessons.get(recording).routes().get(0).at("/fits/phones"))
                .map(SideBySide::model)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** A model number as it is heard: nobody says the dash. */
    private static String model(JsonNode phone) {
        return phone.path("model").asText().toUpperCase(Locale.ROOT).replaceAll("[-_ ]", "");
    }

    private static java.util.stream.Stream<JsonNode> each(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false);
    }

    private Lesson lesson(List<Alignment.Row> rows) {
        phones();
        union("/fits/requires");
        union("/fits/excludedBuilds");
        union("/changes/writes");
        union("/work/files");
        union("/work/tools");
        battery();
        union("/work/gates");
        union("/notes/hazards");
        wipes();
        steps(rows);
        ObjectNode learnt = (ObjectNode) route.at("/notes/learnt");
        learnt.put("from", Evident.cut(String.join(", ", names), 500));
        route.put("summary", "Learnt from " + names.size() + " recordings side by side.");
        if (!votes.isEmpty()) {
            learnt.set("votes", votes);
        }
        return told();
    }

    /** A phone of which not all speak is left out: a wrong one costs more than one that is added by hand. */
    private void phones() {
        Set<String> shared = models(0);
        Set<String> some = new LinkedHashSet<>(shared);
        for (int i = 1; i < lessons.size(); i++) {
            Set<String> own = models(i);
            some.addAll(own);
            if (!own.isEmpty() && !shared.isEmpty()) {
                shared.retainAll(own);
            }
        }
        some.removeAll(shared);
        ArrayNode kept = route.arrayNode();
        int at = 0;
        for (JsonNode phone : route.at("/fits/phones")) {
            if (shared.contains(model(phone))) {
                moved.get(0).put(ROUTE + "/fits/phones/" + at, ROUTE + "/fits/phones/" + kept.size());
                kept.add(phone);
            }
            at++;
        }
        ((ObjectNode) route.at("/fits")).set("phones", kept);
        if (!some.isEmpty() && !kept.isEmpty()) {
            vote(
                    "/fits/phones/0/model",
                    kept.get(0).path("model").asText(),
                    "Not all recordings speak of %s; left out. Add it if the work is the same there."
                            .formatted(String.join(", ", some)));
        }
    }

    /** What stands in one of them and not in another stands in all. */
    private void union(String path) {
        if (!(route.at(path) instanceof ArrayNode list)) {
            return;
        }
        for (int i = 1; i < lessons.size(); i++) {
            JsonNode more = lessons.get(i).routes().get(0).at(path);
            for (int j = 0; j < more.size(); j++) {
                String key = key(more.get(j));
                if (each(list).noneMatch(one -> key(one).equals(key))) {
                    moved.get(i).put(ROUTE + path + "/" + j, ROUTE + path + "/" + list.size());
                    list.add(more.get(j));
                }
            }
        }
    }

    /** By what two entries of a list are the same. */
    private static String key(JsonNode entry) {
        return entry.has("name")
                ? entry.path("name").asText().toLowerCase(Locale.ROOT)
                : entry.has("fact") ? entry.path("fact").asText() + entry.path("is") : entry.toString();
    }

    private static Optional<ObjectNode> battery(JsonNode route) {
        return each(route.at("/work/gates"))
                .filter(gate -> gate.has("atLeast"))
                .map(ObjectNode.class::cast)
                .findFirst();
    }

    /** Of several amounts the highest. */
    private void battery() {
        Map<Integer, String> said = new TreeMap<>();
        for (int i = 0; i < lessons.size(); i++) {
            String name = names.get(i);
            battery(lessons.get(i).routes().get(0))
                    .ifPresent(gate -> said.merge(gate.get("atLeast").asInt(), name, (one, two) -> one + ", " + two));
        }
        Optional<ObjectNode> own = battery(route);
        if (said.size() > 1 && own.isPresent()) {
            int most = said.keySet().stream().max(Comparator.naturalOrder()).orElseThrow();
            own.get().put("atLeast", most);
            int at = each(route.at("/work/gates")).toList().indexOf(own.get());
            vote(
                    "/work/gates/" + at + "/atLeast",
                    String.valueOf(most),
                    "How full must the battery be? They say %s; the highest was taken.".formatted(listed(said)));
        }
    }

    private static String listed(Map<?, String> said) {
        return said.entrySet().stream()
                .map(one -> one.getKey() + " (" + one.getValue() + ")")
                .collect(Collectors.joining(", "));
    }

    private void wipes() {
        Map<Boolean, String> said = new TreeMap<>();
        for (int i = 0; i < lessons.size(); i++) {
            JsonNode changes = lessons.get(i).routes().get(0).at("/changes");
            if (changes.has("wipesData")) {
                said.merge(changes.get("wipesData").asBoolean(), names.get(i), (one, two) -> one + ", " + two);
            }
        }
        if (said.isEmpty()) {
            return;
        }
        ((ObjectNode) route.at("/changes")).put("wipesData", said.containsKey(true));
        if (said.size() > 1) {
            vote(
                    "/changes/wipesData",
                    "true",
                    "Is data lost? %s say yes, %s say no.".formatted(said.get(true), said.get(false)));
        }
    }

    private void steps(List<Alignment.Row> rows) {
        ArrayNode merged = route.arrayNode();
        for (Alignment.Row row : rows) {
            int first =
                    row.told().keySet().stream().min(Comparator.naturalOrder()).orElseThrow();
            ObjectNode step = (ObjectNode) told(first, row).deepCopy();
            String path = "/work/steps/" + merged.size();
            row.told().forEach((recording, at) -> moved.get(recording).put(ROUTE + "/work/steps/" + at, ROUTE + path));
            row.told().keySet().stream().filter(recording -> recording != first).forEach(recording -> {
                habit(step, told(recording, row));
                fill(step, told(recording, row));
            });
            keys(step, row, path);
            waits(step, row, path);
            if (row.told().size() < lessons.size() && !isSaidElsewhere(step)) {
                vote(path + "/text", step.path("text").asText(), missing(row));
            }
            merged.add(step);
        }
        ((ObjectNode) route.at("/work")).set("steps", merged);
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
        String path = ROUTE + "/work/steps/" + row.told().get(recording) + "/";
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
        vote(path + "/keys", step.path("keys").asText(), "Which keys? They hold %s.".formatted(listed(by)));
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
            vote(
                    path + "/normalUntil",
                    String.valueOf(most),
                    "How many minutes are normal? They say %s; the longest was taken.".formatted(listed(said)));
        }
    }

    private void vote(String at, String said, String ask) {
        votes.addObject().put("at", at).put("said", said).put("ask", ask);
    }

    /** The lesson, each value's evidence where the value stands now. */
    private Lesson told() {
        List<Lesson.Evidence> evidence = new ArrayList<>();
        List<Lesson.Warning> warnings = new ArrayList<>();
        List<Lesson.Line> account = new ArrayList<>();
        for (int i = 0; i < lessons.size(); i++) {
            int recording = i;
            Set<String> paths = new HashSet<>();
            lessons.get(i)
                    .evidence()
                    .forEach(one -> place(recording, one.path()).ifPresent(path -> {
                        paths.add(path);
                        evidence.add(one.under(path));
                    }));
            warnings.addAll(lessons.get(i).warnings());
            lessons.get(i)
                    .account()
                    .forEach(line -> account.add(new Lesson.Line(
                            line.file(),
                            line.line(),
                            line.role(),
                            line.fields().stream()
                                    .flatMap(path -> place(recording, path).stream())
                                    .toList())));
        }
        List<Lesson.Missing> missing = Questions.of(route).stream()
                .map(asked -> new Lesson.Missing(ROUTE + asked.path(), asked.ask()))
                .toList();
        return new Lesson(List.of(route), lessons.get(0).phones(), evidence, missing, warnings, account);
    }

    /** Where a value of a recording stands now; empty where the draft does not have it from there. */
    private Optional<String> place(int recording, String path) {
        Optional<String> moved = this.moved.get(recording).entrySet().stream()
                .filter(one -> path.equals(one.getKey()) || path.startsWith(one.getKey() + "/"))
                .map(one -> one.getValue() + path.substring(one.getKey().length()))
                .findFirst();
        boolean listed = path.matches(ROUTE + "/(?:work/steps|fits/phones)/.*");
        return moved.or(() -> recording == 0 && !listed ? Optional.of(path) : Optional.empty())
                .filter(place -> place.startsWith("/phones/")
                        || !route.at(place.substring(ROUTE.length())).isMissingNode());
    }
}
