package org.mobrak.core.learn.form;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.function.Function;
import org.mobrak.core.identity.Refusal;

/**
 * A place of a route that the form can fill.
 *
 * @param path where its value stands, or begins to stand
 * @param reads its value as it is typed; empty text where there is none
 */
record Slot(
        String id,
        Group group,
        String label,
        Field.Kind kind,
        String path,
        List<String> choices,
        Function<JsonNode, String> reads,
        Writer writer) {

    /** Puts what was typed into a route; empty text takes the value out. */
    interface Writer {
        void write(ObjectNode route, String typed) throws Refusal;
    }

    /** A text at one place. */
    static Slot text(String id, Group group, String label, Field.Kind kind, String path) {
        return choice(id, group, label, kind, path, List.of());
    }

    static Slot choice(String id, Group group, String label, Field.Kind kind, String path, List<String> choices) {
        return new Slot(
                id, group, label, kind, path, choices, route -> route.at(path).asText(""), (route, typed) -> {
                    if (typed.isBlank()) {
                        Places.remove(route, path);
                    } else {
                        Places.parent(route, path).put(Places.name(path), typed.strip());
                    }
                });
    }

    /** A whole number at one place. */
    static Slot number(String id, Group group, String label, String path) {
        return new Slot(
                id,
                group,
                label,
                Field.Kind.NUMBER,
                path,
                List.of(),
                route -> route.at(path).asText(""),
                (route, typed) -> {
                    if (typed.isBlank()) {
                        Places.remove(route, path);
                    } else {
                        Places.parent(route, path).put(Places.name(path), Places.number(label, typed));
                    }
                });
    }

    /** Several texts at one place. */
    static Slot list(String id, Group group, String label, String path, Field.Kind kind, List<String> choices) {
        return new Slot(
                id,
                group,
                label,
                kind,
                path,
                choices,
                route -> Places.lines(route.at(path)),
                (route, typed) -> Places.putLines(route, path, Places.typedLines(typed)));
    }
}
