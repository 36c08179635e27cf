package org.mobrak.core.catalogue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.yaml.snakeyaml.LoaderOptions;
import org.yaml.snakeyaml.composer.Composer;
import org.yaml.snakeyaml.error.MarkedYAMLException;
import org.yaml.snakeyaml.error.YAMLException;
import org.yaml.snakeyaml.nodes.MappingNode;
import org.yaml.snakeyaml.nodes.Node;
import org.yaml.snakeyaml.nodes.NodeTuple;
import org.yaml.snakeyaml.nodes.ScalarNode;
import org.yaml.snakeyaml.nodes.SequenceNode;
import org.yaml.snakeyaml.nodes.Tag;
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
    private static final int MOST_ALIASES = 20;
    private static final int MOST_DEPTH = 20;
    private static final int MOST_NODES = 200_000;
    private static final Set<Tag> PLAIN = Set.of(Tag.MAP, Tag.SEQ, Tag.STR, Tag.INT, Tag.FLOAT, Tag.BOOL, Tag.NULL);

    private static final Resolver CORE_SCHEMA = new CoreSchema();

    private int nodes;

    /** A file's text, its values, and the nodes they come from, which know their lines. */
    record Tree(String text, JsonNode root, Node source) {

        /** The line, from 1, of the value at a JSON pointer (RFC 6901), or of the nearest value around it. */
        int line(String pointer) {
            Node here = source;
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

        private static Optional<Node> inner(Node node, String step) {
            if (node instanceof SequenceNode list) {
                int index = step.matches("[0-9]{1,6}") ? Integer.parseInt(step) : Integer.MAX_VALUE;
                return list.getValue().stream().skip(index).findFirst();
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
        private final String remedy;

        BadYaml(int line, String what, String remedy) {
            super(what);
            this.line = line;
            this.remedy = remedy;
        }

        Fault in(String file) {
            return new Fault(file, line, getMessage(), remedy);
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

    private YamlText() {}

    static Tree parse(String text) throws BadYaml {
        Node source = compose(text);
        return new Tree(text, new YamlText().convert(0, source), source);
    }

    private static Node compose(String text) throws BadYaml {
        if (text.length() > MOST_CHARACTERS) {
            throw new BadYaml(0, "The file is longer than a million characters.", "Split it.");
        }
        LoaderOptions limits = new LoaderOptions();
        limits.setMaxAliasesForCollections(MOST_ALIASES);
        limits.setNestingDepthLimit(MOST_DEPTH);
        Composer composer = new Composer(new ParserImpl(new StreamReader(text), limits), CORE_SCHEMA, limits);
        try {
            Node root = composer.getSingleNode();
            if (root == null) {
                throw new BadYaml(0, "The file is empty.", "Describe one phone family or route in it, or remove it.");
            }
            return root;
        } catch (MarkedYAMLException broken) {
            int line = broken.getProblemMark() == null
                    ? 0
                    : broken.getProblemMark().getLine() + 1;
            throw new BadYaml(
                    line, "This is no YAML: " + broken.getProblem() + ".", "Maybe a quote or an indent is off.");
        } catch (YAMLException refused) {
            throw new BadYaml(0, firstLine(refused) + ".", "Split the file, or write repeated parts out.");
        }
    }

    private static String firstLine(Exception refused) {
        return String.valueOf(refused.getMessage()).lines().findFirst().orElse("The file was refused");
    }

    private JsonNode convert(int depth, Node node) throws BadYaml {
        int line = node.getStartMark().getLine() + 1;
        if (!PLAIN.contains(node.getTag())) {
            throw new BadYaml(
                    line, "The tag " + node.getTag() + " is not allowed.", "Remove it; plain values are enough.");
        }
        if (++nodes > MOST_NODES || depth > MOST_DEPTH) {
            throw new BadYaml(line, "The file holds too many values, or an alias of itself.", "Write fewer aliases.");
        }
        if (node instanceof MappingNode map) {
            return convertMap(depth, map);
        }
        if (node instanceof SequenceNode sequence) {
            var array = JsonNodeFactory.instance.arrayNode();
            for (Node item : sequence.getValue()) {
                array.add(convert(depth + 1, item));
            }
            return array;
        }
        return scalar((ScalarNode) node);
    }

    private JsonNode convertMap(int depth, MappingNode map) throws BadYaml {
        ObjectNode object = JsonNodeFactory.instance.objectNode();
        for (NodeTuple entry : map.getValue()) {
            int line = entry.getKeyNode().getStartMark().getLine() + 1;
            if (!(entry.getKeyNode() instanceof ScalarNode key)) {
                throw new BadYaml(line, "A key must be a plain word.", "Write it without brackets.");
            }
            if (object.has(key.getValue())) {
                throw new BadYaml(line, "“" + key.getValue() + "” stands twice.", "Keep one of the two.");
            }
            object.set(key.getValue(), convert(depth + 1, entry.getValueNode()));
        }
        return object;
    }

    private static JsonNode scalar(ScalarNode node) {
        JsonNodeFactory json = JsonNodeFactory.instance;
        if (node.getTag().equals(Tag.NULL)) {
            return json.nullNode();
        }
        if (node.getTag().equals(Tag.BOOL)) {
            return json.booleanNode(Boolean.parseBoolean(node.getValue()));
        }
        boolean number = node.getTag().equals(Tag.INT) || node.getTag().equals(Tag.FLOAT);
        return number && node.getValue().length() < 20
                ? json.numberNode(new BigDecimal(node.getValue()))
                : json.textNode(node.getValue());
    }
}
