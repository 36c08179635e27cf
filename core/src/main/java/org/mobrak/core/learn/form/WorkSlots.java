package org.mobrak.core.learn.form;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.learn.reading.Chords;

/** Files, steps, time, money and notes of a route. */
final class WorkSlots {
    private static final List<String> PHASES = List.of("gather", "prepare", "do", "prove", "tidy");
    private static final List<String> MODES = List.of("off", "os", "recovery", "download", "flash-console");
    private static final Map<String, String> WAYS = Map.of(
            "recovery",
            "into the recovery",
            "download",
            "into download mode",
            "flash-console",
            "into the flash console");
    private static final int ESTIMATES = 3;

    private WorkSlots() {}

    static List<Slot> files(JsonNode route) {
        List<Slot> slots = new ArrayList<>();
        for (int i = 0; i < route.at("/work/files").size(); i++) {
            String path = "/work/files/" + i;
            String id = "file:" + i + ":";
            String of = "File " + (i + 1) + ": ";
            slots.add(Slot.text(id + "name", Group.FILES, of + "name", Field.Kind.LINE, path + "/name"));
            slots.add(Slot.text(id + "role", Group.FILES, of + "what it is", Field.Kind.LINE, path + "/role"));
            slots.add(Slot.choice(
                    id + "partition",
                    Group.FILES,
                    of + "written to",
                    Field.Kind.CHOICE,
                    path + "/partition",
                    Arrays.stream(PartitionClass.values())
                            .map(PartitionClass::word)
                            .toList()));
            slots.add(Slot.choice(
                    id + "where",
                    Group.FILES,
                    of + "lies on the",
                    Field.Kind.CHOICE,
                    path + "/where",
                    List.of("phone", "computer")));
            slots.add(Slot.text(id + "slot", Group.FILES, of + "slot of the flasher", Field.Kind.LINE, path + "/slot"));
            for (String sum : List.of("md5", "sha1", "sha256")) {
                slots.add(Slot.text(
                        id + sum, Group.FILES, of + sum.toUpperCase(Locale.ROOT), Field.Kind.LINE, path + "/" + sum));
            }
        }
        return slots;
    }

    static List<Slot> steps(JsonNode route) {
        List<Slot> slots = new ArrayList<>();
        for (int i = 0; i < route.at("/work/steps").size(); i++) {
            String path = "/work/steps/" + i;
            String id = "step:" + i + ":";
            String of = "Step " + (i + 1) + ": ";
            slots.add(step(id + "text", of + "what to do", path));
            slots.add(Slot.choice(
                    id + "phase", Group.STEPS, of + "part of the work", Field.Kind.CHOICE, path + "/phase", PHASES));
            slots.add(Slot.choice(
                    id + "mode", Group.STEPS, of + "the phone is then in", Field.Kind.CHOICE, path + "/mode", MODES));
            slots.add(Slot.text(id + "keys", Group.STEPS, of + "keys", Field.Kind.LINE, path + "/keys"));
            slots.add(Slot.text(id + "sign", Group.STEPS, of + "sign that it worked", Field.Kind.LINE, path + "/sign"));
            slots.add(Slot.text(
                    id + "ifNot", Group.STEPS, of + "what helps if it is not seen", Field.Kind.LINE, path + "/ifNot"));
            slots.add(Slot.number(
                    id + "normalUntil", Group.STEPS, of + "minutes that are normal", path + "/normalUntil"));
            slots.add(Slot.number(
                    id + "worryAfter", Group.STEPS, of + "minutes from which to worry", path + "/worryAfter"));
        }
        return slots;
    }

    /** The phone's keys, at the step that leads there; told where no step does, they become one. */
    static List<Slot> keys() {
        return WAYS.entrySet().stream()
                .map(way -> new Slot(
                        "keys:" + way.getKey(),
                        Group.STEPS,
                        "Keys " + way.getValue(),
                        Field.Kind.LINE,
                        "/work/steps",
                        List.of(),
                        route -> way(route, way.getKey())
                                .map(step -> step.get("keys").asText())
                                .orElse(""),
                        (route, typed) -> putKeys(route, way.getKey(), way.getValue(), typed.strip())))
                .toList();
    }

    private static Optional<JsonNode> way(JsonNode route, String mode) {
        return StreamSupport.stream(route.at("/work/steps").spliterator(), false)
                .filter(step -> step.path("mode").asText().equals(mode) && step.has("keys"))
                .findFirst();
    }

    private static void putKeys(ObjectNode route, String mode, String into, String typed) throws Refusal {
        Optional<JsonNode> known = way(route, mode);
        if (typed.isEmpty()) {
            known.ifPresent(step -> ((ObjectNode) step).remove("keys"));
            return;
        }
        Optional<String> keys = KeyChord.read(typed).map(KeyChord::text).or(() -> Chords.ofWords(typed));
        if (keys.isEmpty()) {
            throw new Refusal(
                    "Write the keys as they are held: hold volume-down + power until the logo; press volume-up.");
        }
        if (known.isPresent()) {
            ((ObjectNode) known.get()).put("keys", keys.get());
            return;
        }
        ArrayNode steps = Places.list(route, "/work/steps");
        int first = (int) StreamSupport.stream(steps.spliterator(), false)
                .takeWhile(step -> !step.path("mode").asText().equals(mode))
                .count();
        steps.insertObject(first)
                .put("phase", "do")
                .put("title", Character.toUpperCase(into.charAt(0)) + into.substring(1))
                .put("text", "Hold the keys.")
                .put("mode", mode)
                .put("keys", keys.get());
    }

    /** The text of a step; its title is what stands before the first full stop. */
    private static Slot step(String id, String label, String path) {
        return new Slot(
                id,
                Group.STEPS,
                label,
                Field.Kind.TEXT,
                path + "/text",
                List.of(),
                route -> route.at(path + "/text").asText(""),
                (route, typed) -> {
                    if (typed.isBlank()) {
                        throw new Refusal("A step says what to do; take the step out instead.");
                    }
                    String text = typed.strip();
                    String first = text.split("[.!?](?:\\s|$)", 2)[0];
                    ObjectNode step = Places.parent(route, path + "/text");
                    step.put("text", text).put("title", first.substring(0, Math.min(first.length(), 80)));
                });
    }

    static List<Slot> costs() {
        return List.of(
                minutes("handsOn", "Minutes in hand (one figure, or least, usual, most)"),
                minutes("waiting", "Minutes of waiting (one figure, or least, usual, most)"),
                money());
    }

    private static Slot minutes(String name, String label) {
        String path = "/costs/" + name;
        return new Slot(
                "costs:" + name,
                Group.COSTS,
                label,
                Field.Kind.LINE,
                path,
                List.of(),
                route -> StreamSupport.stream(route.at(path).spliterator(), false)
                        .map(JsonNode::asText)
                        .collect(Collectors.joining(" ")),
                (route, typed) -> putMinutes(route, path, typed.strip()));
    }

    private static void putMinutes(ObjectNode route, String path, String typed) throws Refusal {
        if (typed.isEmpty()) {
            Places.remove(route, path);
            if (route.path("costs").isEmpty()) {
                route.remove("costs");
            }
            return;
        }
        List<Integer> minutes = new ArrayList<>();
        for (String part : typed.split("[\\s,;/-]{1,10}")) {
            minutes.add(Places.number("Minutes", part));
        }
        while (minutes.size() < ESTIMATES
                && minutes.size()
                        == minutes.stream().filter(minutes.get(0)::equals).count()) {
            minutes.add(minutes.get(0));
        }
        boolean ordered =
                minutes.size() == ESTIMATES && minutes.get(0) <= minutes.get(1) && minutes.get(1) <= minutes.get(2);
        if (!ordered) {
            throw new Refusal("Give one figure, or three of which each is at least the one before: 5 10 20.");
        }
        ArrayNode list = Places.list(route, path);
        list.removeAll();
        minutes.forEach(list::add);
    }

    private static Slot money() {
        String path = "/costs/money";
        return new Slot(
                "costs:money",
                Group.COSTS,
                "Money, with its currency (such as 25 USD)",
                Field.Kind.LINE,
                path,
                List.of(),
                route -> route.at(path).isMissingNode()
                        ? ""
                        : route.at(path + "/amount").asText() + " "
                                + route.at(path + "/currency").asText(),
                (route, typed) -> {
                    String[] parts = typed.strip().split("\\s+");
                    if (typed.isBlank()) {
                        Places.remove(route, path);
                    } else if (parts.length == 2
                            && parts[0].matches("[0-9]{1,5}(?:\\.[0-9]{1,2})?")
                            && parts[1].matches("[A-Z]{3}")) {
                        Places.parent(route, path + "/amount")
                                .put("amount", new BigDecimal(parts[0]))
                                .put("currency", parts[1]);
                    } else {
                        throw new Refusal("Write the amount and the currency's three letters: 25 USD.");
                    }
                });
    }

    static List<Slot> notes() {
        return List.of(
                Slot.text("name", Group.NOTES, "Name of the route", Field.Kind.LINE, "/name"),
                Slot.text("family", Group.NOTES, "Kind of way", Field.Kind.LINE, "/family"),
                Slot.text("summary", Group.NOTES, "In a sentence", Field.Kind.TEXT, "/summary"),
                lines("hazards", "Dangers, each on a line", "/notes/hazards"),
                Slot.text("learntFrom", Group.NOTES, "Learnt from", Field.Kind.LINE, "/notes/learnt/from"),
                day("checked", "Checked on (year-month-day)"),
                day("written", "Written on (year-month-day)"),
                day("updated", "Changed by its author on (year-month-day)"));
    }

    private static Slot day(String name, String label) {
        return Slot.text(name, Group.NOTES, label, Field.Kind.LINE, "/notes/learnt/" + name);
    }

    /** Sentences have commas in them, so only lines part these. */
    private static Slot lines(String id, String label, String path) {
        return new Slot(
                id,
                Group.NOTES,
                label,
                Field.Kind.TEXT,
                path,
                List.of(),
                route -> Places.lines(route.at(path)),
                (route, typed) -> Places.putLines(
                        route,
                        path,
                        typed.lines()
                                .map(String::strip)
                                .filter(line -> !line.isEmpty())
                                .toList()));
    }
}
