package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What the file of an entry says, as lines that can be read without knowing how such files are written. */
public final class EntryText {
    private static final int MOST = 2_000;

    private EntryText() {}

    /**
     * A line.
     *
     * @param depth from 0
     * @param label what is told, in words; empty for one of several things
     * @param value may be empty where lines below tell it
     */
    public record Line(int depth, String label, String value) {}

    /** The lines of a text; none where it cannot be read. */
    public static List<Line> of(String text) {
        List<Line> lines = new ArrayList<>();
        try {
            add(YamlText.parse(text).root(), 0, lines);
        } catch (YamlText.BadYaml unreadable) {
            return List.of();
        }
        return lines;
    }

    private static void add(JsonNode node, int depth, List<Line> lines) {
        if (lines.size() >= MOST) {
            return;
        }
        if (node.isObject()) {
            node.properties().forEach(field -> add(words(field.getKey()), field.getValue(), depth, lines));
        } else {
            for (JsonNode one : node) {
                add("", one, depth, lines);
            }
        }
    }

    private static void add(String label, JsonNode value, int depth, List<Line> lines) {
        if (value.isValueNode()) {
            lines.add(new Line(depth, label, value.asText()));
        } else if (isPlainList(value)) {
            List<String> words = new ArrayList<>();
            value.forEach(one -> words.add(one.asText()));
            lines.add(new Line(depth, label, String.join(", ", words)));
        } else {
            lines.add(new Line(depth, label.isEmpty() ? "–" : label, ""));
            add(value, depth + 1, lines);
        }
    }

    private static boolean isPlainList(JsonNode value) {
        if (!value.isArray()) {
            return false;
        }
        for (JsonNode one : value) {
            if (!one.isValueNode()) {
                return false;
            }
        }
        return true;
    }

    /** As the files write it, {@code fixedByBuildDate}, and as a person reads it. */
    private static String words(String key) {
        String plain =
                key.replaceAll("([a-z])([A-Z])", "$1 $2").replace('-', ' ').toLowerCase(Locale.ROOT);
        return plain.substring(0, 1).toUpperCase(Locale.ROOT) + plain.substring(1);
    }
}
