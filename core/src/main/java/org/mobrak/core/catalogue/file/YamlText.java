package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.mobrak.core.identity.VisibleText;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.common.Anchor;
import org.snakeyaml.engine.v2.composer.Composer;
import org.snakeyaml.engine.v2.events.AliasEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.events.MappingStartEvent;
import org.snakeyaml.engine.v2.events.NodeEvent;
import org.snakeyaml.engine.v2.events.ScalarEvent;
import org.snakeyaml.engine.v2.events.SequenceStartEvent;
import org.snakeyaml.engine.v2.exceptions.Mark;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;
import org.snakeyaml.engine.v2.parser.Parser;
import org.snakeyaml.engine.v2.parser.ParserImpl;
import org.snakeyaml.engine.v2.scanner.StreamReader;

/**
 * YAML 1.2 that nobody vouches for, as a tree of plain values, with the line of every one.
 *
 * <p>Only the plain words of YAML's core schema mean something (YAML 1.2.2, §10.3): {@code true}, {@code false},
 * {@code null} and numbers. So {@code on}, {@code off} and dates stay the text they look like. Tags are refused;
 * aliases, depth and size are bounded.
 */
final class YamlText {
    private static final int MOST_CHARACTERS = 1 << 20;
    private static final int LONGEST_LINE = 20_000;
    private static final int MOST_ALIASES = 20;
    private static final int MOST_DEPTH = 20;
    private static final int MOST_NODES = 200_000;

    private static final LoadSettings SETTINGS =
            LoadSettings.builder().setCodePointLimit(MOST_CHARACTERS + 1).build();
    private static final Pattern NUMBER = Pattern.compile("[-+]?(?:0|[1-9][0-9]*)(?:\\.[0-9]+)?");
    private static final int LONGEST_NUMBER = 20;

    private final Parser parser;
    private final Map<Anchor, Anchored> anchors = new HashMap<>();
    private int nodes;
    private int aliases;

    /** What an anchor stands for, and how many values that is. */
    private record Anchored(JsonNode value, int nodes) {}

    /**
     * A file's text and its values. Lines are asked for only where something is wrong, so the nodes that know them are made
     * only then. For one thread only.
     */
    static final class Tree {
        private final String text;
        private final JsonNode root;
        private Optional<Node> source = Optional.empty();

        private Tree(String text, JsonNode root) {
            this.text = text;
            this.root = root;
        }

        String text() {
            return text;
        }

        JsonNode root() {
            return root;
        }

        /** The line, from 1, of the value at a JSON pointer (RFC 6901), or of the nearest value around it. */
        int line(String pointer) {
            Node here = source();
            for (String step :
                    pointer.isEmpty() ? new String[0] : pointer.substring(1).split("/")) {
                Optional<Node> inner = inner(here, step.replace("~1", "/").replace("~0", "~"));
                if (inner.isEmpty()) {
                    break;
                }
                here = inner.get();
            }
            return YamlText.line(here.getStartMark());
        }

        private Node source() {
            if (source.isEmpty()) {
                source = new Composer(SETTINGS, parserOf(text)).getSingleNode();
            }
            return source.orElseThrow();
        }

        private static Optional<Node> inner(Node node, String step) {
            if (node instanceof SequenceNode list) {
                int index = step.matches("[0-9]{1,6}") ? Integer.parseInt(step) : Integer.MAX_VALUE;
                List<Node> items = list.getValue();
                return index < items.size() ? Optional.of(items.get(index)) : Optional.empty();
            }
            return node instanceof MappingNode map
                    ? map.getValue().stream()
                            .filter(entry -> entry.getKeyNode() instanceof ScalarNode key
                                    && key.getValue().equals(step))
                            .map(NodeTuple::getValueNode)
                            .findFirst()
                    : Optional.empty();
        }
    }

    /** A text that is no YAML, or more than a catalogue file may be. */
    static final class BadYaml extends Exception {
        private static final long serialVersionUID = 1L;

        private final int line;
        private final String what;
        private final String remedy;

        BadYaml(int line, String what, String remedy) {
            super(what);
            this.what = what;
            this.line = line;
            this.remedy = remedy;
        }

        Fault in(String file) {
            return new Fault(file, line, what, remedy);
        }
    }

    private YamlText(String text) {
        this.parser = parserOf(text);
    }

    private static Parser parserOf(String text) {
        return new ParserImpl(SETTINGS, new StreamReader(SETTINGS, text));
    }

    static Tree parse(String text) throws BadYaml {
        if (text.length() > MOST_CHARACTERS) {
            throw new BadYaml(0, "The file is longer than a million characters.", "Split it.");
        }
        checkLines(text);
        try {
            return new Tree(text, new YamlText(text).document());
        } catch (MarkedYamlEngineException broken) {
            throw new BadYaml(
                    broken.getProblemMark().map(mark -> mark.getLine() + 1).orElse(0),
                    "This is no YAML: " + broken.getProblem() + ".",
                    "Maybe a quote or an indent is off.");
        } catch (YamlEngineException refused) {
            throw new BadYaml(0, firstLine(refused) + ".", "Split the file, or write repeated parts out.");
        } catch (NumberFormatException escape) {
            // The library reads the number behind a backslash without looking whether there is one.
            throw new BadYaml(
                    0, "This is no YAML: a backslash stands before what it cannot escape.", "Use single quotes.");
        }
    }

    /** The library's time grows with the square of a line. */
    private static void checkLines(String text) throws BadYaml {
        int start = 0;
        int number = 1;
        for (int end = text.indexOf('\n'); end >= 0; end = text.indexOf('\n', start)) {
            checkLine(end - start, number++);
            start = end + 1;
        }
        checkLine(text.length() - start, number);
    }

    private static void checkLine(int length, int number) throws BadYaml {
        if (length > LONGEST_LINE) {
            throw new BadYaml(
                    number, "The line is longer than %d characters.".formatted(LONGEST_LINE), "Break it into several.");
        }
    }

    /** The values come straight from the parser's events; making nodes of all of them first would take half as long again. */
    private JsonNode document() throws BadYaml {
        parser.next();
        if (parser.checkEvent(Event.ID.StreamEnd)) {
            throw new BadYaml(0, "The file is empty.", "Describe one phone family or route in it, or remove it.");
        }
        parser.next();
        JsonNode root = value(parser.next(), 0);
        parser.next();
        if (!parser.checkEvent(Event.ID.StreamEnd)) {
            throw new BadYaml(line(parser.peekEvent()), "The file holds more than one document.", "Split it.");
        }
        return root;
    }

    private static int line(Event event) {
        return line(event.getStartMark());
    }

    private static int line(Optional<Mark> mark) {
        return mark.map(Mark::getLine).orElse(-1) + 1;
    }

    private static String firstLine(Exception refused) {
        return String.valueOf(refused.getMessage()).lines().findFirst().orElse("The file was refused");
    }

    private JsonNode value(Event event, int depth) throws BadYaml {
        if (event instanceof AliasEvent alias) {
            return known(alias);
        }
        NodeEvent node = (NodeEvent) event;
        int before = nodes;
        count(1, event, depth);
        JsonNode value = node instanceof ScalarEvent scalar
                ? scalar(scalar)
                : node instanceof MappingStartEvent start ? map(start, depth) : list((SequenceStartEvent) node, depth);
        int held = nodes - before;
        node.getAnchor().ifPresent(anchor -> anchors.put(anchor, new Anchored(value, held)));
        return value;
    }

    /** An alias counts as all that it stands for; one inside of what it stands for is not known yet. */
    private JsonNode known(AliasEvent alias) throws BadYaml {
        Anchored anchored = anchors.get(alias.getAlias());
        if (anchored == null) {
            throw new BadYaml(
                    line(alias), "Found undefined alias " + alias.getAlias().getValue() + ".", "Write the value out.");
        }
        if (++aliases > MOST_ALIASES) {
            throw new BadYaml(line(alias), "The file holds too many aliases.", "Write the values out.");
        }
        count(anchored.nodes(), alias, 0);
        return anchored.value();
    }

    private void count(int more, Event event, int depth) throws BadYaml {
        nodes += more;
        if (nodes > MOST_NODES || depth > MOST_DEPTH) {
            throw new BadYaml(line(event), "The file holds too many values, or too deep ones.", "Split it.");
        }
    }

    private JsonNode list(SequenceStartEvent start, int depth) throws BadYaml {
        refuseTag(start.getTag(), start);
        ArrayNode array = JsonNodeFactory.instance.arrayNode();
        for (Event event = parser.next(); event.getEventId() != Event.ID.SequenceEnd; event = parser.next()) {
            array.add(value(event, depth + 1));
        }
        return array;
    }

    private JsonNode map(MappingStartEvent start, int depth) throws BadYaml {
        refuseTag(start.getTag(), start);
        ObjectNode object = JsonNodeFactory.instance.objectNode();
        for (Event event = parser.next(); event.getEventId() != Event.ID.MappingEnd; event = parser.next()) {
            if (!(event instanceof ScalarEvent key)) {
                throw new BadYaml(line(event), "A key must be a plain word.", "Write it without brackets.");
            }
            String name = word(key);
            if (object.has(name)) {
                throw new BadYaml(line(event), "“" + name + "” stands twice.", "Keep one of the two.");
            }
            object.set(name, value(parser.next(), depth + 1));
        }
        return object;
    }

    private static void refuseTag(Optional<String> tag, Event event) throws BadYaml {
        if (tag.isPresent()) {
            throw new BadYaml(
                    line(event), "The tag " + tag.get() + " is not allowed.", "Remove it; plain values are enough.");
        }
    }

    /** A value, or a key. */
    private static String word(ScalarEvent event) throws BadYaml {
        refuseTag(event.getTag(), event);
        String value = event.getValue();
        if (!VisibleText.of(value).equals(value)) {
            throw new BadYaml(
                    line(event),
                    "A character that cannot be seen stands in “" + VisibleText.oneLine(value) + "”.",
                    "Remove it; it could make one thing look like another.");
        }
        return value;
    }

    private static JsonNode scalar(ScalarEvent event) throws BadYaml {
        JsonNodeFactory json = JsonNodeFactory.instance;
        String value = word(event);
        if (!event.isPlain()) {
            return json.textNode(value);
        }
        return switch (value) {
            case "", "~", "null" -> json.nullNode();
            case "true", "false" -> json.booleanNode(Boolean.parseBoolean(value));
            default ->
                value.length() < LONGEST_NUMBER && NUMBER.matcher(value).matches()
                        ? json.numberNode(new BigDecimal(value))
                        : json.textNode(value);
        };
    }
}
