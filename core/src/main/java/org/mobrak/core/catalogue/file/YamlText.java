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
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.composer.Composer;
import org.yaml.snakeyaml.error.MarkedYAMLException;
import org.yaml.snakeyaml.error.YAMLException;
import org.yaml.snakeyaml.events.AliasEvent;
import org.yaml.snakeyaml.events.Event;
import org.yaml.snakeyaml.events.MappingStartEvent;
import org.yaml.snakeyaml.events.NodeEvent;
import org.yaml.snakeyaml.events.ScalarEvent;
import org.yaml.snakeyaml.events.SequenceStartEvent;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.NodeId;
import org.yaml.snakeyaml.nodes.NodeTuple;
import org.yaml.snakeyaml.nodes.ScalarNode;
import org.yaml.snakeyaml.nodes.SequenceNode;
import org.yaml.snakeyaml.nodes.Tag;
import org.yaml.snakeyaml.parser.Parser;
import org.yaml.snakeyaml.parser.ParserImpl;
import org.yaml.snakeyaml.reader.StreamReader;
import org.yaml.snakeyaml.resolver.Resolver;

/**
 * YAML that nobody vouches for, as a tree of plain values, with the line of every one.
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

    private static final Resolver CORE_SCHEMA = new CoreSchema();

    private final Parser parser;
    private final Map<String, Anchored> anchors = new HashMap<>();
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
            return here.getStartMark().getLine() + 1;
        }

        private Node source() {
            if (source.isEmpty()) {
                LoaderOptions limits = new LoaderOptions();
                source = Optional.of(new Composer(parserOf(text), CORE_SCHEMA, limits).getSingleNode());
            }
            return source.get();
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

    private static final class CoreSchema extends Resolver {
        @Override
        protected void addImplicitResolvers() {
            addImplicitResolver(Tag.BOOL, Pattern.compile("true|false"), "tf");
            addImplicitResolver(Tag.NULL, Pattern.compile("null|~|"), "n~\0");
            addImplicitResolver(Tag.INT, Pattern.compile("[-+]?(0|[1-9][0-9]*)"), "-+0123456789");
            addImplicitResolver(Tag.FLOAT, Pattern.compile("[-+]?(0|[1-9][0-9]*)\\.[0-9]+"), "-+0123456789");
        }
    }

    private YamlText(String text) {
        this.parser = parserOf(text);
    }

    private static Parser parserOf(String text) {
        return new ParserImpl(new StreamReader(text), new LoaderOptions());
    }

    static Tree parse(String text) throws BadYaml {
        if (text.length() > MOST_CHARACTERS) {
            throw new BadYaml(0, "The file is longer than a million characters.", "Split it.");
        }
        checkLines(text);
        try {
            return new Tree(text, new YamlText(text).document());
        } catch (MarkedYAMLException broken) {
            int line = broken.getProblemMark() == null
                    ? 0
                    : broken.getProblemMark().getLine() + 1;
            throw new BadYaml(
                    line, "This is no YAML: " + broken.getProblem() + ".", "Maybe a quote or an indent is off.");
        } catch (YAMLException refused) {
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
        parser.getEvent();
        if (parser.checkEvent(Event.ID.StreamEnd)) {
            throw new BadYaml(0, "The file is empty.", "Describe one phone family or route in it, or remove it.");
        }
        parser.getEvent();
        JsonNode root = value(parser.getEvent(), 0);
        parser.getEvent();
        if (!parser.checkEvent(Event.ID.StreamEnd)) {
            throw new BadYaml(line(parser.peekEvent()), "The file holds more than one document.", "Split it.");
        }
        return root;
    }

    private static int line(Event event) {
        return event.getStartMark().getLine() + 1;
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
        if (node.getAnchor() != null) {
            anchors.put(node.getAnchor(), new Anchored(value, nodes - before));
        }
        return value;
    }

    /** An alias counts as all that it stands for; one inside of what it stands for is not known yet. */
    private JsonNode known(AliasEvent alias) throws BadYaml {
        Anchored anchored = anchors.get(alias.getAnchor());
        if (anchored == null) {
            throw new BadYaml(line(alias), "Found undefined alias " + alias.getAnchor() + ".", "Write the value out.");
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
        for (Event event = parser.getEvent(); !event.is(Event.ID.SequenceEnd); event = parser.getEvent()) {
            array.add(value(event, depth + 1));
        }
        return array;
    }

    private JsonNode map(MappingStartEvent start, int depth) throws BadYaml {
        refuseTag(start.getTag(), start);
        ObjectNode object = JsonNodeFactory.instance.objectNode();
        for (Event event = parser.getEvent(); !event.is(Event.ID.MappingEnd); event = parser.getEvent()) {
            if (!(event instanceof ScalarEvent key)) {
                throw new BadYaml(line(event), "A key must be a plain word.", "Write it without brackets.");
            }
            String name = word(key);
            if (object.has(name)) {
                throw new BadYaml(line(event), "“" + name + "” stands twice.", "Keep one of the two.");
            }
            object.set(name, value(parser.getEvent(), depth + 1));
        }
        return object;
    }

    private static void refuseTag(String tag, Event event) throws BadYaml {
        if (tag != null) {
            throw new BadYaml(
                    line(event), "The tag " + tag + " is not allowed.", "Remove it; plain values are enough.");
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
        Tag tag = event.isPlain() ? CORE_SCHEMA.resolve(NodeId.scalar, value, true) : Tag.STR;
        if (tag.equals(Tag.NULL)) {
            return json.nullNode();
        }
        if (tag.equals(Tag.BOOL)) {
            return json.booleanNode(Boolean.parseBoolean(value));
        }
        boolean number = tag.equals(Tag.INT) || tag.equals(Tag.FLOAT);
        return number && value.length() < 20 ? json.numberNode(new BigDecimal(value)) : json.textNode(value);
    }
}
