package org.mobrak.core.logbook;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.util.List;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Material;

/** Values that the logbook keeps whole in one column. */
final class Json {
    private static final ObjectMapper MAPPER = JsonMapper.builder()
            .addModule(new Jdk8Module())
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();

    private Json() {}

    static String write(Object value) {
        try {
            return MAPPER.writeValueAsString(value);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException("The logbook keeps only plain values", impossible);
        }
    }

    static <T> T read(String json, Class<T> type) throws JsonProcessingException {
        return MAPPER.readValue(json, type);
    }

    static List<Finding> findings(String json) {
        return read(json, new TypeReference<>() {});
    }

    static Material material(String json) {
        return read(json, new TypeReference<>() {});
    }

    private static <T> T read(String json, TypeReference<T> type) {
        try {
            return Whole.checked(MAPPER.readValue(json, type));
        } catch (JsonProcessingException broken) {
            throw new Legible.BadRow(broken);
        }
    }
}
