package org.mobrak.core.logbook.transfer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.NOW;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.apache.commons.io.file.PathUtils;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;

/** What an export looks like, as docs/export.md promises it to whoever reads one with another program. */
class ExportFormTest {
    @TempDir
    private Path top;

    private Path folder;
    private Path cache;

    @BeforeEach
    void fill() throws Exception {
        folder = top.resolve("own");
        cache = top.resolve("cache");
        Workspace.create(folder, List.of(Sample.HOME.resolve("catalogue")));
        try (Workspace open = Workspace.open(folder, cache)) {
            Logbook logbook = open.logbook();
            for (String name : List.of("Grey", "Pier")) {
                PhoneRecord phone = logbook.addPhone(name, NOW);
                logbook.take(phone, new RawText("a.txt", "Model number: KQ-1\n", List.of()), NOW);
                logbook.take(phone, new RawText("a.txt", "Model number: KQ-1\n", List.of()), NOW);
                JobPlan plan = new JobPlan("Permanent root", Optional.empty(), List.of(), List.of(), Map.of());
                RunSheet sheet = new RunSheet("A job", List.of(), Set.of(), Optional.empty(), Optional.empty());
                Job job = logbook.start(phone, plan, sheet, NOW);
                logbook.record(job, new Event.Ended(NOW, Event.End.STOPPED, "rain"));
                logbook.putSetting("wish." + phone.id(), "root");
            }
            logbook.putSetting("phone", "2");
            logbook.putSetting("dark", "true");
        }
    }

    private Map<String, String> exported(Path workspace, Optional<String> phone) throws IOException {
        Path zip = top.resolve("out.zip");
        try (Workspace open = Workspace.open(workspace, cache)) {
            Export.write(open.folder(), phone, false, zip, NOW);
        }
        return unzipped(zip);
    }

    private static Map<String, String> unzipped(Path zip) throws IOException {
        Map<String, String> all = new LinkedHashMap<>();
        try (ZipFile file = new ZipFile(zip.toFile())) {
            for (ZipEntry entry : file.stream().map(ZipEntry.class::cast).toList()) {
                try (InputStream in = file.getInputStream(entry)) {
                    all.put(entry.getName(), new String(in.readAllBytes(), StandardCharsets.UTF_8));
                }
            }
        }
        return all;
    }

    private static List<JsonNode> rows(String lines) {
        return lines.lines()
                .map(line -> {
                    try {
                        return new ObjectMapper().readTree(line);
                    } catch (IOException wrong) {
                        throw new AssertionError(line, wrong);
                    }
                })
                .toList();
    }

    /** The demo's and another club's year too, which have rows of every kind but those of before there were events. */
    @Test
    void everyLineIsAsTheSchemaSays() throws IOException {
        ObjectNode forms = (ObjectNode) new ObjectMapper()
                .readTree(Sample.HOME.resolve("docs/schema/export.schema.json").toFile());
        SchemaRegistry registry = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
        Map<String, String> all = new LinkedHashMap<>(exported(folder, Optional.empty()));
        unzipped(Sample.HOME.resolve("demo/friend/club-year.zip"))
                .forEach((name, lines) -> all.merge(name, lines, (one, other) -> one.strip() + "\n" + other.strip()));
        assertThat(all.keySet().stream().filter(name -> name.endsWith(".jsonl")))
                .allMatch(name -> forms.path("$defs").has(name));
        forms.path("$defs").fieldNames().forEachRemaining(name -> {
            ObjectNode form = forms.deepCopy();
            form.put("$ref", "#/$defs/" + name);
            Schema schema = registry.getSchema(form.toString(), InputFormat.JSON);
            all.getOrDefault(name, "")
                    .lines()
                    .filter(line -> name.endsWith(".jsonl") && !line.isBlank())
                    .forEach(line -> assertThat(schema.validate(line, InputFormat.JSON))
                            .as(name + ": " + line)
                            .isEmpty());
        });
    }

    @Test
    void everyFieldThatIsWrittenIsDocumentedAndEachRowNamesWhatItBelongsTo() throws IOException {
        String documented = Files.readString(Sample.HOME.resolve("docs/export.md"));
        Map<String, String> all = exported(folder, Optional.empty());
        for (Part part : Part.values()) {
            assertThat(documented).contains("`" + part.file() + "`");
            Set<String> keys = new TreeSet<>();
            for (JsonNode row : rows(all.get(part.file()))) {
                row.fieldNames()
                        .forEachRemaining(
                                field -> assertThat(documented).as(field).contains("`" + field + "`"));
                assertThat(keys.add(row.get("key").asText()))
                        .as("a key names one row")
                        .isTrue();
                part.owner()
                        .ifPresent(
                                owner -> assertThat(row.has(Part.field(owner))).isTrue());
            }
        }
        assertThat(rows(all.get("texts.jsonl"))).hasSize(4);
        assertThat(rows(all.get("events.jsonl")))
                .hasSize(2)
                .allSatisfy(row -> assertThat(row.get("event").isObject()).isTrue());
        assertThat(rows(all.get("settings.jsonl")))
                .extracting(row -> row.get("name").asText())
                .contains("wish.", "dark")
                .doesNotContain("phone");
        assertThat(all.keySet()).anyMatch(name -> name.startsWith("catalogue/routes/"));
    }

    /** The same rows have the same keys wherever the workspace lies. */
    @Test
    void twoComputersWriteTheSameBytes() throws IOException {
        Map<String, String> here = exported(folder, Optional.empty());
        Path elsewhere = top.resolve("far/away/own");
        Files.createDirectories(elsewhere.getParent());
        PathUtils.copyDirectory(folder, elsewhere);
        Workspace.agree(elsewhere, top.resolve("cache"));
        assertThat(exported(elsewhere, Optional.empty())).isEqualTo(here);
    }

    @Test
    void onePhoneHasNothingOfTheOtherInIt() throws IOException {
        Map<String, String> one = exported(folder, Optional.of("Pier"));
        assertThat(String.join("\n", one.values())).contains("Pier").doesNotContain("Grey");
        assertThat(rows(one.get("texts.jsonl"))).hasSize(2);
        assertThat(rows(one.get("settings.jsonl")))
                .extracting(row -> row.get("name").asText())
                .containsExactly("wish.");
        assertThat(one.keySet()).noneMatch(name -> name.startsWith("catalogue/"));
        assertThat(rows(one.get("mobrak.json")).get(0).get("phone").asText()).isEqualTo("Pier");
    }

    @ParameterizedTest
    @CsvSource({"wish.12, wish., 12", "aftercare.7, aftercare., 7", "dark, dark, ", "phone, phone, ", "v2, v2, "})
    void theNumberOfAPhoneIsToldFromTheNameOfASetting(String text, String name, Long phone) {
        SettingName setting = SettingName.of(text);
        assertThat(setting.name()).isEqualTo(name);
        assertThat(setting.phone()).isEqualTo(Optional.ofNullable(phone));
        assertThat(setting.isLocal()).isEqualTo(text.equals("phone"));
    }

    @ParameterizedTest
    @CsvSource({
        "taken_at, takenAt",
        "phone_id, phone",
        "proved_by, provedBy",
        "step_id, stepId",
        "withdrawn_at, withdrawnAt",
        "text, text"
    })
    void columnsHaveTheirNameInJson(String column, String field) {
        assertThat(Part.field(column)).isEqualTo(field);
    }
}
