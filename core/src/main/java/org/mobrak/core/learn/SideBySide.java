package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;

/**
 * Several recordings of one job as one draft: what all do is taken, what one does and another does not is kept and asked, and so is a
 * value on which they differ. The one with the most steps gives the words.
 */
final class SideBySide {
    /** So much of the shorter recording must be found in the other, else they are parts of one. */
    private static final double SAME_JOB = .5;

    private final List<Lesson> lessons;
    private final List<String> names;
    private final List<List<JsonNode>> steps;
    private final ObjectNode route;
    private final Ballot ballot = new Ballot();
    private final Moved moved;

    private SideBySide(List<Lesson> lessons, List<String> names) {
        this.lessons = lessons;
        this.names = names;
        this.steps = lessons.stream()
                .map(lesson -> Alignment.steps(lesson.routes().get(0)))
                .toList();
        this.route = lessons.get(0).routes().get(0).deepCopy();
        this.moved = new Moved(lessons.size());
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

    private static Stream<JsonNode> each(JsonNode list) {
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
        ((ObjectNode) route.at("/work"))
                .set("steps", new StepsBeside(lessons, names, steps, ballot, moved).merged(rows));
        ObjectNode learnt = (ObjectNode) route.at("/notes/learnt");
        learnt.put("from", Evident.cut(String.join(", ", names), 500));
        route.put("summary", "Learnt from " + names.size() + " recordings side by side.");
        if (!ballot.votes().isEmpty()) {
            learnt.set("votes", ballot.votes());
        }
        return moved.lesson(route, lessons);
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
                moved.put(0, "/fits/phones/" + at, "/fits/phones/" + kept.size());
                kept.add(phone);
            }
            at++;
        }
        ((ObjectNode) route.at("/fits")).set("phones", kept);
        if (!some.isEmpty() && !kept.isEmpty()) {
            ballot.ask(
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
                    moved.put(i, path + "/" + j, path + "/" + list.size());
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
            ballot.ask(
                    "/work/gates/" + at + "/atLeast",
                    String.valueOf(most),
                    "How full must the battery be? They say %s; the highest was taken.".formatted(Ballot.listed(said)));
        }
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
            ballot.ask(
                    "/changes/wipesData",
                    "true",
                    "Is data lost? %s say yes, %s say no.".formatted(said.get(true), said.get(false)));
        }
    }
}
