package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import com.fasterxml.jackson.dataformat.yaml.YAMLGenerator;
import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.mobrak.core.identity.UnreadableInput;

/** An entry as the text of a catalogue's file. */
public final class EntryYaml {
    private EntryYaml() {}

    public static String of(JsonNode entry) {
        YAMLMapper yaml = new YAMLMapper(YAMLFactory.builder()
                .disable(YAMLGenerator.Feature.WRITE_DOC_START_MARKER)
                .disable(YAMLGenerator.Feature.SPLIT_LINES)
                .build());
        try {
            return yaml.writeValueAsString(entry);
        } catch (JsonProcessingException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    /** The entry that a file holds, whether it is sound or not. */
    public static ObjectNode read(Path file) throws IOException {
        try {
            if (YamlText.parse(Files.readString(file, StandardCharsets.UTF_8)).root() instanceof ObjectNode entry) {
                return entry;
            }
        } catch (YamlText.BadYaml bad) {
            throw new UnreadableInput(bad.in(file.toString()).text());
        }
        throw new UnreadableInput(file + " holds no entry.");
    }

    /** The file of a kind that holds the entry of this id. */
    public static Optional<Path> find(Path catalogue, String kind, String id) throws IOException {
        for (Path file : Entries.files(catalogue, kind)) {
            // Most files are named after what they hold, so the others are opened only if none is.
            if (file.getFileName().toString().equals(id + ".yaml")
                    && read(file).path("id").asText().equals(id)) {
                return Optional.of(file);
            }
        }
        for (Path file : Entries.files(catalogue, kind)) {
            if (Files.readString(file).contains(id)
                    && read(file).path("id").asText().equals(id)) {
                return Optional.of(file);
            }
        }
        return Optional.empty();
    }
}
