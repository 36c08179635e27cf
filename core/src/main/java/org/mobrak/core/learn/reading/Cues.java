package org.mobrak.core.learn.reading;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** The words that the reader looks for; data, in {@code cues.yaml}. */
final class Cues {
    private static final Map<String, List<String>> SHIPPED = shipped();

    private Cues() {}

    private static Map<String, List<String>> shipped() {
        try (InputStream in = Cues.class.getResourceAsStream("cues.yaml")) {
            return Map.copyOf(new YAMLMapper().readValue(in, new TypeReference<Map<String, List<String>>>() {}));
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    /** The words of a name; a name that is not there is a fault of the program. */
    static Cue of(String name) {
        return Cue.of(Objects.requireNonNull(SHIPPED.get(name), name).toArray(String[]::new));
    }
}
