package org.mobrak.core.logbook;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import java.io.IOException;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;

/** A job and its events as JSON with a version in it; facts by their keys. The form is fixed by the golden files of its tests. */
final class JobJson {
    /** To be raised when an old text would be read wrongly; then the old form is read beside the new one. */
    static final int VERSION = 2;

    private static final ObjectMapper MAPPER = JsonMapper.builder()
            .addModules(new Jdk8Module(), new JavaTimeModule(), facts())
            .disable(SerializationFeature.WRITE_DATES_AS_TIMESTAMPS)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private JobJson() {}

    /** What a job keeps of its beginning. */
    record Start(int version, JobPlan plan, RunSheet sheet) {}

    static String write(JobPlan plan, RunSheet sheet) {
        return write(new Start(VERSION, plan, sheet));
    }

    static String write(Event event) {
        return write((Object) event);
    }

    private static String write(Object value) {
        try {
            return MAPPER.writeValueAsString(value);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException("A job is plain values", impossible);
        }
    }

    /** Reads either form. */
    static Start start(String json) {
        try {
            JsonNode tree = MAPPER.readTree(json);
            int version = tree.path("version").asInt(1);
            if (version > VERSION) {
                throw new Legible.BadRow(new IOException("written by a newer Mobrak"));
            }
            return Whole.checked(version == 1 ? OldJob.start(json) : MAPPER.treeToValue(tree, Start.class));
        } catch (JsonProcessingException broken) {
            throw new Legible.BadRow(broken);
        }
    }

    static Event event(String json) {
        try {
            return Whole.checked(MAPPER.readValue(json, Event.class));
        } catch (JsonProcessingException broken) {
            throw new Legible.BadRow(broken);
        }
    }

    private static SimpleModule facts() {
        return new SimpleModule("facts by their keys")
                .addSerializer(Fact.class, new FactWriter())
                .addKeySerializer(Fact.class, new FactKeyWriter())
                .addDeserializer(Fact.class, new FactReader())
                .addKeyDeserializer(Fact.class, new FactKeyReader());
    }

    private static Fact fact(String key) throws IOException {
        return Fact.ofKey(key).orElseThrow(() -> new IOException("“" + key + "” is no fact"));
    }

    private static final class FactWriter extends StdSerializer<Fact> {
        private static final long serialVersionUID = 1L;

        FactWriter() {
            super(Fact.class);
        }

        @Override
        public void serialize(Fact fact, JsonGenerator out, SerializerProvider provider) throws IOException {
            out.writeString(fact.key());
        }
    }

    private static final class FactKeyWriter extends StdSerializer<Fact> {
        private static final long serialVersionUID = 1L;

        FactKeyWriter() {
            super(Fact.class);
        }

        @Override
        public void serialize(Fact fact, JsonGenerator out, SerializerProvider provider) throws IOException {
            out.writeFieldName(fact.key());
        }
    }

    private static final class FactReader extends StdDeserializer<Fact> {
        private static final long serialVersionUID = 1L;

        FactReader() {
            super(Fact.class);
        }

        @Override
        public Fact deserialize(JsonParser parser, DeserializationContext context) throws IOException {
            return fact(parser.getText());
        }
    }

    private static final class FactKeyReader extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) throws IOException {
            return fact(key);
        }
    }
}
