package org.mobrak.core.learn.form;

import com.fasterxml.jackson.core.JsonPointer;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.mobrak.core.identity.Refusal;

/** Places in a route, by JSON pointer (RFC 6901). */
final class Places {
    private static final int MOST_LINES = 500;

    private Places() {}

    static ObjectNode parent(ObjectNode route, String path) {
        JsonPointer pointer = JsonPointer.compile(path).head();
        return pointer.matches() ? route : route.withObject(pointer);
    }

    static String name(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    static void remove(ObjectNode route, String path) {
        JsonNode parent = route.at(JsonPointer.compile(path).head());
        if (parent instanceof ObjectNode object) {
            object.remove(name(path));
        }
    }

    static ArrayNode list(ObjectNode route, String path) {
        return route.withArray(JsonPointer.compile(path));
    }

    static String lines(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(JsonNode::asText)
                .collect(Collectors.joining("\n"));
    }

    static void putLines(ObjectNode route, String path, List<String> lines) {
        ArrayNode list = list(route, path);
        list.removeAll();
        lines.forEach(list::add);
    }

    /** What was typed on lines, or parted by commas. */
    static List<String> typedLines(String typed) throws Refusal {
        List<String> lines = Arrays.stream(typed.split("[\n,;]"))
                .map(String::strip)
                .filter(line -> !line.isEmpty())
                .distinct()
                .toList();
        if (lines.size() > MOST_LINES) {
            throw new Refusal("A route names at most %d; these are %d. Make a second route for the rest."
                    .formatted(MOST_LINES, lines.size()));
        }
        return lines;
    }

    static int number(String label, String typed) throws Refusal {
        if (!typed.strip().matches("[0-9]{1,9}")) {
            throw new Refusal("%s: “%s” is no whole number.".formatted(label, typed.strip()));
        }
        return Integer.parseInt(typed.strip());
    }

    static boolean isFact(JsonNode entry, String key) {
        return entry.path("fact").asText().equals(key);
    }
}
