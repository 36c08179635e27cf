package org.mobrak.core.catalogue;

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
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/** Binds checked trees to the catalogue's records. A value outside its fact's domain is refused here. */
final class CatalogueMapper {
    private CatalogueMapper() {}

    static ObjectMapper create() {
        SimpleModule words = new SimpleModule("catalogue words");
        words.addDeserializer(Fact.class, new FactReader());
        words.addKeyDeserializer(Fact.class, new FactKeyReader());
        words.addDeserializer(Condition.class, new ConditionReader());
        return JsonMapper.builder()
                .addModules(new Jdk8Module(), words)
                .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .enable(MapperFeature.ACCEPT_CASE_INSENSITIVE_ENUMS)
                .build();
    }

    private static Fact fact(DeserializationContext context, String key) throws JsonMappingException {
        return Fact.ofKey(key)
                .orElseThrow(() -> JsonMappingException.from(context, "“" + key + "” is no fact Mobrak knows."));
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

    private static final class FactKeyReader extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) throws IOException {
            return fact(context, key);
        }
    }

    private static final class ConditionReader extends StdDeserializer<Condition> {
        private static final long serialVersionUID = 1L;

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
            return leaf(node, because, context);
        }

        private static Condition leaf(JsonNode node, Optional<String> because, DeserializationContext context)
                throws JsonMappingException {
            Fact fact = fact(context, node.path("fact").asText());
            Optional<String> atLeast = text(node, "atLeast");
            Optional<String> atMost = text(node, "atMost");
            if (node.has("is") == (atLeast.isPresent() || atMost.isPresent())) {
                throw JsonMappingException.from(context, "A condition needs either “is” or “atLeast”/“atMost”.");
            }
            if (!node.has("is")) {
                return new Condition.Between(fact, atLeast, atMost, because);
            }
            List<String> values = new ArrayList<>();
            for (JsonNode value : node.get("is")) {
                values.add(allowed(fact, value.asText(), context));
            }
            return new Condition.OneOf(fact, List.copyOf(values), because);
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
