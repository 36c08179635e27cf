package org.mobrak.core.catalogue.file;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.FactTable;

/** What the documents say to those who write catalogues is what the code does. */
class SchemaDocsTest {
    private static final Path SCHEMAS = Sample.HOME.resolve("docs/schema");

    @Test
    void theListOfFactsIsThatOfTheCode() throws IOException {
        assertThat(Files.readString(SCHEMAS.resolve("facts.md")))
                .as("write it anew with: ./mobrak facts > docs/schema/facts.md")
                .isEqualTo(FactTable.markdown());
    }

    /** Every text that is held against a fact, or read as a version, day or number, says so. */
    @Test
    void everyFieldThatIsJudgedSaysHow() throws IOException {
        JsonNode route = new ObjectMapper().readTree(Files.readString(SCHEMAS.resolve("route.schema.json")));
        JsonNode target = route.at("/properties/fits/properties/phones/items/properties");
        for (String field : List.of("model", "osVersion", "bootloader", "builds", "anyBuild")) {
            assertThat(target.at("/" + field + "/description").asText())
                    .as(field)
                    .isNotBlank();
        }
        JsonNode condition = route.at("/$defs/condition/properties");
        for (String field :
                List.of("is", "like", "atLeast", "atMost", "notBefore", "notAfter", "revisionAtLeast", "hole")) {
            assertThat(condition.at("/" + field + "/description").asText())
                    .as(field)
                    .isNotBlank();
        }
        for (String field : List.of("effects", "writes", "keeps", "marks", "wipesData", "lightWipe")) {
            assertThat(route.at("/properties/changes/properties/" + field + "/description")
                            .asText())
                    .as(field)
                    .isNotBlank();
        }
        assertThat(route.at("/$defs/pattern/description").asText()).contains("star", "question mark");
    }
}
