package org.mobrak.core.logbook;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import org.mobrak.core.job.RunSheet;

/** Run sheets as JSON, the form in which a job keeps its own. */
final class SheetJson {
    private static final ObjectMapper MAPPER = JsonMapper.builder()
            .addModule(new Jdk8Module())
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private SheetJson() {}

    static String write(RunSheet sheet) {
        try {
            return MAPPER.writeValueAsString(sheet);
        } catch (JsonProcessingException impossible) {
            throw new IllegalStateException("A run sheet holds only plain values", impossible);
        }
    }

    static RunSheet read(String json) {
        try {
            return MAPPER.readValue(json, RunSheet.class);
        } catch (JsonProcessingException broken) {
            throw new IllegalStateException(
                    "The logbook holds a run sheet that cannot be read; restore a copy", broken);
        }
    }
}
