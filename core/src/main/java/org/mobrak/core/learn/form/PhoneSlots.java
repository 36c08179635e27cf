package org.mobrak.core.learn.form;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.mobrak.core.identity.Refusal;

/** The phones that a route is for, and those that it is not for. */
final class PhoneSlots {
    private static final String PHONES = "/fits/phones";
    private static final String REQUIRES = "/fits/requires";
    private static final String EXCLUDED = "/fits/excludedBuilds";

    private PhoneSlots() {}

    static List<Slot> all() {
        return List.of(
                new Slot(
                        "models",
                        Group.PHONES,
                        "Model numbers",
                        Field.Kind.LIST,
                        PHONES + "/0/model",
                        List.of(),
                        PhoneSlots::models,
                        (route, typed) -> putModels(route, Places.typedLines(typed))),
                ofEach("osVersion", "OS version, where it is only one", Field.Kind.LINE),
                bound("atLeast", "OS version, at least"),
                bound("atMost", "OS version, at most"),
                ofEach("builds", "Builds", Field.Kind.LIST),
                ofEach("anyBuild", "Who says that every build will do", Field.Kind.LINE),
                new Slot(
                        "excludedModels",
                        Group.PHONES,
                        "Not for these models",
                        Field.Kind.LIST,
                        REQUIRES,
                        List.of(),
                        route -> each(route.at(REQUIRES))
                                .filter(PhoneSlots::excludesModels)
                                .map(one -> Places.lines(one.at("/not/is")))
                                .collect(Collectors.joining("\n")),
                        (route, typed) -> putExcluded(route, Places.typedLines(typed))),
                new Slot(
                        "excludedBuilds",
                        Group.PHONES,
                        "Not for these builds",
                        Field.Kind.LIST,
                        EXCLUDED,
                        List.of(),
                        route -> each(route.at(EXCLUDED))
                                .map(one -> one.path("build").asText())
                                .collect(Collectors.joining("\n")),
                        (route, typed) -> putExcludedBuilds(route, Places.typedLines(typed))));
    }

    private static Stream<JsonNode> each(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false);
    }

    private static String models(JsonNode route) {
        return each(route.at(PHONES)).map(phone -> phone.path("model").asText()).collect(Collectors.joining("\n"));
    }

    /** What was known of a phone that stays stays; a new one gets what all others have in common. */
    private static void putModels(ObjectNode route, List<String> models) {
        ArrayNode phones = Places.list(route, PHONES);
        Map<String, List<JsonNode>> known = new HashMap<>();
        phones.forEach(phone -> known.computeIfAbsent(phone.path("model").asText(), model -> new ArrayList<>())
                .add(phone));
        ObjectNode shared = shared(phones);
        phones.removeAll();
        for (String model : models) {
            known.getOrDefault(model, List.of(shared.deepCopy().put("model", model)))
                    .forEach(phones::add);
        }
    }

    private static ObjectNode shared(ArrayNode phones) {
        ObjectNode shared = JsonNodeFactory.instance.objectNode();
        JsonNode first = phones.path(0);
        for (String name : List.of("osVersion", "builds", "anyBuild")) {
            boolean same = first.has(name)
                    && each(phones).allMatch(phone -> first.get(name).equals(phone.get(name)));
            if (same) {
                shared.set(name, first.get(name));
            }
        }
        return shared;
    }

    /** A value that every phone of the route has; where they differ nothing is shown, and what is typed is for all. */
    private static Slot ofEach(String name, String label, Field.Kind kind) {
        return new Slot(
                name,
                Group.PHONES,
                label,
                kind,
                PHONES + "/0/" + name,
                List.of(),
                route -> ofAll(route, name),
                (route, typed) -> putEach(route, name, kind, typed));
    }

    private static String ofAll(JsonNode route, String name) {
        Set<String> values = each(route.at(PHONES))
                .map(phone -> phone.path(name).isArray()
                        ? Places.lines(phone.path(name))
                        : phone.path(name).asText(""))
                .collect(Collectors.toSet());
        return values.size() == 1 ? values.iterator().next() : "";
    }

    private static void putEach(ObjectNode route, String name, Field.Kind kind, String typed) throws Refusal {
        ArrayNode phones = Places.list(route, PHONES);
        if (phones.isEmpty()) {
            throw new Refusal("Say for which model numbers it is first.");
        }
        List<String> lines = Places.typedLines(typed);
        for (JsonNode phone : phones) {
            ObjectNode one = (ObjectNode) phone;
            one.remove(name);
            if (!lines.isEmpty() && kind == Field.Kind.LIST) {
                lines.forEach(one.putArray(name)::add);
            } else if (!lines.isEmpty()) {
                one.put(name, typed.strip());
            }
        }
    }

    private static Slot bound(String side, String label) {
        return new Slot(
                "osVersion:" + side,
                Group.PHONES,
                label,
                Field.Kind.LINE,
                REQUIRES,
                List.of(),
                route -> each(route.at(REQUIRES))
                        .filter(one -> Places.isFact(one, "osVersion") && one.has(side))
                        .map(one -> one.get(side).asText())
                        .findFirst()
                        .orElse(""),
                (route, typed) -> putBound(route, side, typed.strip()));
    }

    private static void putBound(ObjectNode route, String side, String version) {
        ArrayNode requires = Places.list(route, REQUIRES);
        ObjectNode range = (ObjectNode) each(requires)
                .filter(one -> Places.isFact(one, "osVersion") && (one.has("atLeast") || one.has("atMost")))
                .findFirst()
                .orElseGet(() -> requires.addObject().put("fact", "osVersion"));
        if (version.isEmpty()) {
            range.remove(side);
        } else {
            range.put(side, version);
        }
        if (range.size() == 1) {
            NeedSlots.drop(requires, range);
        }
    }

    private static boolean excludesModels(JsonNode one) {
        return Places.isFact(one.path("not"), "model") && one.path("not").has("is");
    }

    private static void putExcluded(ObjectNode route, List<String> models) {
        ArrayNode requires = Places.list(route, REQUIRES);
        List<JsonNode> before =
                each(requires).filter(PhoneSlots::excludesModels).toList();
        before.stream().skip(models.isEmpty() ? 0 : 1).forEach(one -> NeedSlots.drop(requires, one));
        if (models.isEmpty()) {
            return;
        }
        ObjectNode not = before.isEmpty() ? requires.addObject() : (ObjectNode) before.get(0);
        ArrayNode is = not.withObject("/not").put("fact", "model").putArray("is");
        models.forEach(is::add);
        if (!not.has("because")) {
            not.put("because", "It is said not to be for these.");
        }
    }

    private static void putExcludedBuilds(ObjectNode route, List<String> builds) {
        ArrayNode excluded = Places.list(route, EXCLUDED);
        Map<String, JsonNode> known = new HashMap<>();
        excluded.forEach(one -> known.put(one.path("build").asText(), one));
        excluded.removeAll();
        for (String build : builds) {
            excluded.add(known.getOrDefault(
                    build,
                    JsonNodeFactory.instance
                            .objectNode()
                            .put("build", build)
                            .put("because", "It is said not to be for this build.")));
        }
    }
}
