package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.commons.text.similarity.LevenshteinDistance;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.identity.Fact;

/** Binds checked trees to the catalogue's records. A value outside its fact's domain is refused here. */
final class CatalogueMapper {
    private static final int NEAR = 3;

    private CatalogueMapper() {}

    static ObjectMapper create() {
        return builder(new JsonFactory()).build();
    }

    static JsonMapper.Builder builder(JsonFactory form) {
        SimpleModule words = new SimpleModule("catalogue words");
        words.addDeserializer(Fact.class, new FactReader());
        words.addKeyDeserializer(Fact.class, new FactKeyReader());
        words.addDeserializer(Condition.class, new ConditionReader());
        words.addDeserializer(KeyChord.class, new ChordReader());
        return JsonMapper.builder(form)
                .addModules(new Jdk8Module(), words)
                .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .enable(MapperFeature.ACCEPT_CASE_INSENSITIVE_ENUMS);
    }

    private static Fact fact(DeserializationContext context, String key) throws JsonMappingException {
        return Fact.ofKey(key)
                .orElseThrow(() -> JsonMappingException.from(
                        context, "“" + key + "” is no fact Mobrak knows" + nearest(key) + "."));
    }

    /** The fact whose key differs in the fewest letters, if it is near at all. */
    private static String nearest(String key) {
        LevenshteinDistance letters = new LevenshteinDistance(NEAR);
        return Arrays.stream(Fact.values())
                .map(Fact::key)
                .filter(known -> letters.apply(known, key) >= 0)
                .min(Comparator.comparingInt(known -> letters.apply(known, key)))
                .map(known -> "; maybe you mean “" + known + "”")
                .orElse("");
    }

    private static final class FactReader extends StdDeserializer<Fact> {
        private static final long serialVersionUID = 1L;

        FactReader() {
            super(Fact.class);
        }

        @Override
        public Fact deserialize(JsonParser parser, DeserializationContext context) throws IOException {
            return fact(context, parser.getText());
        }
    }

    private static final class ChordReader extends StdDeserializer<KeyChord> {
        private static final long serialVersionUID = 1L;

        ChordReader() {
            super(KeyChord.class);
        }

        @Override
        public KeyChord deserialize(JsonParser parser, DeserializationContext context) throws IOException {
            try {
                return KeyChord.parse(parser.getText());
            } catch (IllegalArgumentException none) {
                throw JsonMappingException.from(context, none.getMessage());
            }
        }
    }

    private static final class FactKeyReader extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) throws IOException {
            return fact(context, key);
        }
    }

    private static final class ConditionReader extends StdDeserializer<Condition> {
        private static final long serialVersionUID = 1L;

        /** The words of each kind of condition over one fact. */
        private static final List<List<String>> KINDS = List.of(
                List.of("is"),
                List.of("like"),
                List.of("atLeast", "atMost"),
                List.of("notBefore", "notAfter"),
                List.of("revisionAtLeast", "revisionAtMost"));

        ConditionReader() {
            super(Condition.class);
        }

        @Override
        public Condition deserialize(JsonParser parser, DeserializationContext context) throws IOException {
            return condition(parser.readValueAsTree(), context);
        }

        private static Condition condition(JsonNode node, DeserializationContext context) throws JsonMappingException {
            Optional<String> because = text(node, "because");
            if (node.has("allOf") || node.has("anyOf")) {
                List<Condition> parts = new ArrayList<>();
                for (JsonNode part : node.path(node.has("allOf") ? "allOf" : "anyOf")) {
                    parts.add(condition(part, context));
                }
                return node.has("allOf") ? new Condition.AllOf(parts) : new Condition.AnyOf(parts);
            }
            if (node.has("not")) {
                return new Condition.Not(condition(node.get("not"), context), because);
            }
            return node.has("hole")
                    ? new Condition.HoleOpen(node.get("hole").asText(), because)
                    : leaf(node, because, context);
        }

        private static Condition leaf(JsonNode node, Optional<String> because, DeserializationContext context)
                throws JsonMappingException {
            Fact fact = fact(context, node.path("fact").asText());
            List<String> kinds = KINDS.stream()
                    .filter(kind -> kind.stream().anyMatch(node::has))
                    .map(kind -> kind.get(0))
                    .toList();
            if (kinds.size() != 1) {
                throw JsonMappingException.from(
                        context,
                        "A condition needs one of “is”, “like”, “atLeast”/“atMost”, “notBefore”/“notAfter” and “revisionAtLeast”/“revisionAtMost”.");
            }
            return switch (kinds.get(0)) {
                case "is" -> new Condition.OneOf(fact, values(node.get("is"), fact, context), because);
                case "like" -> new Condition.Like(fact, texts(node.get("like")), because);
                case "notBefore" ->
                    new Condition.Dated(fact, day(node, "notBefore", context), day(node, "notAfter", context), because);
                case "revisionAtLeast" ->
                    new Condition.Revision(fact, text(node, "revisionAtLeast"), text(node, "revisionAtMost"), because);
                default -> new Condition.Between(fact, text(node, "atLeast"), text(node, "atMost"), because);
            };
        }

        private static List<String> values(JsonNode nodes, Fact fact, DeserializationContext context)
                throws JsonMappingException {
            List<String> values = new ArrayList<>();
            for (String value : texts(nodes)) {
                values.add(allowed(fact, value, context));
            }
            return List.copyOf(values);
        }

        private static List<String> texts(JsonNode nodes) {
            List<String> texts = new ArrayList<>();
            nodes.forEach(node -> texts.add(node.asText()));
            return List.copyOf(texts);
        }

        private static Optional<String> day(JsonNode node, String name, DeserializationContext context)
                throws JsonMappingException {
            Optional<String> day = text(node, name);
            try {
                day.ifPresent(LocalDate::parse);
                return day;
            } catch (DateTimeException noDay) {
                throw JsonMappingException.from(context, "“" + day.get() + "” is no day; write it like 2016-11-05.");
            }
        }

        private static String allowed(Fact fact, String value, DeserializationContext context)
                throws JsonMappingException {
            Optional<String> objection = fact.domain().objection(value);
            if (objection.isPresent()) {
                throw JsonMappingException.from(context, fact.label() + " " + objection.get() + ".");
            }
            return value;
        }

        private static Optional<String> text(JsonNode node, String name) {
            return Optional.ofNullable(node.get(name)).map(JsonNode::asText);
        }
    }
}
