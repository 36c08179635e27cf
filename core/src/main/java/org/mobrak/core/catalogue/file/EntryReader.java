package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.core.JsonPointer;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SchemaRegistryConfig;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedByInterruptException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.file.Entry.Read;
import org.mobrak.core.catalogue.file.YamlText.BadYaml;

/** Reads one file of a kind: text, YAML, schema, record, and tells at which of them it fails. For any number of threads. */
final class EntryReader<T> {
    private static final int MOST_BYTES = 2 << 20;
    /** Whoever has mended so many has mended the rest too. */
    private static final int MOST_FAULTS = 50;
    /** Words of the schema for what is not there. */
    private static final Set<String> LACKING = Set.of("required", "minItems", "minProperties");

    private final ObjectMapper mapper = CatalogueMapper.create();
    private final Schema schema;
    private final Class<T> type;

    EntryReader(String schema, Class<T> type) {
        this.schema = schema(schema);
        this.type = type;
    }

    Read<T> read(Path folder, Path file) {
        String name = folder.relativize(file).toString().replace('\\', '/');
        if (!Files.isRegularFile(file)) {
            return refused(new Fault(
                    name, 0, "It is no plain file, and reading it might never end.", "Put a file in its place."));
        }
        // What a file says of its size is not believed.
        try (InputStream in = Files.newInputStream(file)) {
            return read(name, in.readNBytes(MOST_BYTES + 1));
        } catch (ClosedByInterruptException cancelled) {
            // Whoever was stopped has read nothing, which is no fault of the file.
            throw new UncheckedIOException(cancelled);
        } catch (IOException unreadable) {
            return refused(Fault.unread(name));
        }
    }

    Read<T> read(String name, byte[] bytes) {
        try {
            return read(name, YamlText.parse(text(bytes)));
        } catch (BadYaml bad) {
            return refused(bad.in(name));
        } catch (CharacterCodingException notText) {
            return refused(new Fault(name, 0, "The file is no UTF-8 text.", "Save it as UTF-8."));
        }
    }

    private static String text(byte[] bytes) throws CharacterCodingException, BadYaml {
        if (bytes.length > MOST_BYTES) {
            throw new BadYaml(0, "The file is larger than 2 MiB.", "Split it.");
        }
        return StandardCharsets.UTF_8
                .newDecoder()
                .decode(ByteBuffer.wrap(bytes))
                .toString();
    }

    private Read<T> read(String name, YamlText.Tree tree) {
        List<Error> errors = schema.validate(tree.root());
        if (tree.root().path("draft").asBoolean()) {
            return draft(name, tree, errors);
        }
        return errors.isEmpty() ? bind(name, tree) : new Read<>(Optional.empty(), faults(name, tree, errors));
    }

    /** What nobody has confirmed may lack things, and is never planned with. */
    private static <T> Read<T> draft(String name, YamlText.Tree tree, List<Error> errors) {
        List<Fault> all = new ArrayList<>();
        all.add(Fault.warning(
                name,
                tree.line("/draft"),
                "It is a draft; nothing is planned with it.",
                "Answer what it lacks, then take “draft” out."));
        for (Error error : errors) {
            Fault fault = fault(name, tree, error);
            boolean lacks = LACKING.contains(error.getKeyword());
            all.add(lacks ? Fault.warning(name, fault.line(), fault.what(), fault.remedy()) : fault);
        }
        return new Read<>(Optional.empty(), all);
    }

    private static List<Fault> faults(String name, YamlText.Tree tree, List<Error> errors) {
        Stream<Fault> first = errors.stream().limit(MOST_FAULTS).map(error -> fault(name, tree, error));
        Stream<Fault> rest = errors.size() <= MOST_FAULTS
                ? Stream.empty()
                : Stream.of(new Fault(
                        name,
                        0,
                        "There are %d more faults in it.".formatted(errors.size() - MOST_FAULTS),
                        "Mend those above first."));
        return Stream.concat(first, rest).toList();
    }

    private Read<T> bind(String name, YamlText.Tree tree) {
        try {
            T value = mapper.treeToValue(tree.root(), type);
            return new Read<>(Optional.of(new Entry<>(name, tree, value)), List.of());
        } catch (JsonMappingException misfit) {
            StringBuilder pointer = new StringBuilder();
            misfit.getPath()
                    .forEach(step -> pointer.append('/')
                            .append(step.getFieldName() == null ? step.getIndex() : step.getFieldName()));
            String what = misfit.getOriginalMessage();
            return refused(new Fault(
                    name,
                    tree.line(pointer.toString()),
                    what,
                    "docs/schema/facts.md lists every fact with its words."));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    private static <T> Read<T> refused(Fault fault) {
        return new Read<>(Optional.empty(), List.of(fault));
    }

    private static Fault fault(String name, YamlText.Tree tree, Error error) {
        String pointer = error.getInstanceLocation().toString();
        String value =
                pointer.isEmpty() ? "The file" : "“" + pointer.substring(1).replace('/', '.') + "”";
        if ("format".equals(error.getKeyword())) {
            String said = tree.root().at(JsonPointer.compile(pointer)).asText();
            String what = "%s is “%s”, which is no day.".formatted(value, said);
            return new Fault(name, tree.line(pointer), what, "Write a day that there is, like 2016-11-05.");
        }
        return new Fault(
                name, tree.line(pointer), value + ": " + error.getMessage() + ".", remedy(tree, pointer, error));
    }

    private static String remedy(YamlText.Tree tree, String pointer, Error error) {
        return "type".equals(error.getKeyword()) && isNumber(tree, pointer)
                ? "Maybe it needs quotes: “4.1” is text, 4.1 is a number."
                : "See docs/schema for what is allowed.";
    }

    private static boolean isNumber(YamlText.Tree tree, String pointer) {
        return tree.root().at(JsonPointer.compile(pointer)).isNumber();
    }

    private static Schema schema(String name) {
        try (InputStream in = EntryReader.class.getResourceAsStream(name)) {
            SchemaRegistryConfig config =
                    SchemaRegistryConfig.builder().formatAssertionsEnabled(true).build();
            return SchemaRegistry.withDefaultDialect(
                            SpecificationVersion.DRAFT_2020_12, builder -> builder.schemaRegistryConfig(config))
                    .getSchema(in, InputFormat.JSON);
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }
}
