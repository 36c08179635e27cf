package org.mobrak.core.catalogue;

import com.fasterxml.jackson.core.JsonPointer;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.build.BuildGrammar;
import org.mobrak.core.identity.build.Rulers;

/**
 * Reads a catalogue folder: {@code phones}, {@code routes}, {@code grammars} and {@code holes}, each with files
 * {@code *.yaml}. A file with a fault is left out and told
 * of; the others still serve.
 */
public final class CatalogueLoader {
    private static final long MOST_BYTES = 2 << 20;
    private static final int MOST_FILES = 200_000;

    private final ObjectMapper mapper = CatalogueMapper.create();
    private final Schema phoneSchema = schema("phone.schema.json");
    private final Schema routeSchema = schema("route.schema.json");
    private final Schema grammarSchema = schema("grammar.schema.json");
    private final Schema holeSchema = schema("hole.schema.json");
    private final List<Fault> faults = new ArrayList<>();
    private final Path folder;

    /** A catalogue and what was wrong in its files, in the order of the files. */
    public record Loaded(Catalogue catalogue, List<Fault> faults) {
        public Loaded {
            faults = List.copyOf(faults);
        }
    }

    private record Bound<T>(String file, YamlText.Tree tree, T value) {}

    private CatalogueLoader(Path folder) {
        this.folder = folder;
    }

    /** Loads a folder; an {@link UnreadableInput} tells that it is no catalogue at all. */
    public static Loaded load(Path folder) throws IOException {
        if (!Files.isDirectory(folder.resolve("routes")) && !Files.isDirectory(folder.resolve("phones"))) {
            throw new UnreadableInput(folder + " is no catalogue; it needs a folder “routes” or “phones”.");
        }
        return new CatalogueLoader(folder).load();
    }

    private Loaded load() throws IOException {
        List<KnownPhone> phones = new ArrayList<>();
        for (Path file : files("phones")) {
            read(file, phoneSchema, PhoneFamily.class).ifPresent(bound -> phones.addAll(variants(bound)));
        }
        List<Bound<Route>> routes = new ArrayList<>();
        for (Path file : files("routes")) {
            read(file, routeSchema, Route.class).ifPresent(routes::add);
        }
        List<BuildGrammar> grammars = new ArrayList<>();
        for (Path file : files("grammars")) {
            read(file, grammarSchema, BuildGrammar.class).ifPresent(bound -> {
                checkExamples(bound);
                grammars.add(bound.value());
            });
        }
        List<Hole> holes = new ArrayList<>();
        for (Path file : files("holes")) {
            read(file, holeSchema, Hole.class).ifPresent(bound -> holes.add(bound.value()));
        }
        checkModels(phones);
        List<Route> sound = sound(routes, phones, holes);
        return new Loaded(new Catalogue(phones, sound, new Rulers(grammars), holes), faults);
    }

    private List<Path> files(String kind) throws IOException {
        if (!Files.isDirectory(folder.resolve(kind))) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(folder.resolve(kind))) {
            return all.filter(file -> file.toString().endsWith(".yaml"))
                    .sorted()
                    .limit(MOST_FILES)
                    .toList();
        }
    }

    private <T> Optional<Bound<T>> read(Path file, Schema schema, Class<T> type) {
        String name = folder.relativize(file).toString();
        try {
            if (Files.size(file) > MOST_BYTES) {
                throw new YamlText.BadYaml(0, "The file is larger than 2 MiB.", "Split it.");
            }
            YamlText.Tree tree = YamlText.parse(Files.readString(file));
            List<Error> errors = schema.validate(tree.root());
            errors.forEach(error -> faults.add(fault(name, tree, error)));
            return errors.isEmpty() ? bind(name, tree, type) : Optional.empty();
        } catch (YamlText.BadYaml bad) {
            faults.add(bad.in(name));
        } catch (CharacterCodingException notText) {
            faults.add(new Fault(name, 0, "The file is no UTF-8 text.", "Save it as UTF-8."));
        } catch (IOException unreadable) {
            faults.add(new Fault(name, 0, "The file cannot be read.", "Check its permissions."));
        }
        return Optional.empty();
    }

    private <T> Optional<Bound<T>> bind(String name, YamlText.Tree tree, Class<T> type) {
        try {
            return Optional.of(new Bound<>(name, tree, mapper.treeToValue(tree.root(), type)));
        } catch (JsonMappingException misfit) {
            StringBuilder pointer = new StringBuilder();
            misfit.getPath()
                    .forEach(step -> pointer.append('/')
                            .append(step.getFieldName() == null ? step.getIndex() : step.getFieldName()));
            String what = misfit.getOriginalMessage();
            faults.add(new Fault(name, tree.line(pointer.toString()), what, "See docs/schema for the words allowed."));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return Optional.empty();
    }

    private static Fault fault(String name, YamlText.Tree tree, Error error) {
        String pointer = error.getInstanceLocation().toString();
        String value =
                pointer.isEmpty() ? "The file" : "“" + pointer.substring(1).replace('/', '.') + "”";
        String remedy = "type".equals(error.getKeyword()) && isNumber(tree, pointer)
                ? "Maybe it needs quotes: “4.1” is text, 4.1 is a number."
                : "See docs/schema for what is allowed.";
        return new Fault(name, tree.line(pointer), value + ": " + error.getMessage() + ".", remedy);
    }

    private static boolean isNumber(YamlText.Tree tree, String pointer) {
        return tree.root().at(JsonPointer.compile(pointer)).isNumber();
    }

    private static List<KnownPhone> variants(Bound<PhoneFamily> bound) {
        List<KnownPhone> phones = new ArrayList<>();
        for (PhoneFamily.Variant variant : bound.value().variants()) {
            int line = bound.tree().line("/variants/" + phones.size());
            phones.add(new KnownPhone(bound.value(), variant, bound.file(), line));
        }
        return phones;
    }

    private void checkModels(List<KnownPhone> phones) {
        Map<String, KnownPhone> first = new HashMap<>();
        for (KnownPhone phone : phones) {
            KnownPhone other = first.putIfAbsent(phone.variant().model(), phone);
            if (other != null) {
                String what = "Model " + phone.variant().model() + " stands in " + other.file() + " already.";
                faults.add(new Fault(phone.file(), phone.line(), what, "Keep it in one family."));
            }
        }
    }

    /** A grammar proves itself on its own examples. */
    private void checkExamples(Bound<BuildGrammar> bound) {
        List<String> examples = bound.value().examples();
        for (int i = 0; i < examples.size(); i++) {
            if (bound.value().ruler(examples.get(i)).isEmpty()) {
                faults.add(new Fault(
                        bound.file(),
                        bound.tree().line("/examples/" + i),
                        "The segments do not fit the example " + examples.get(i) + ".",
                        "Count the characters of each segment, marks included."));
            }
        }
    }

    /** The routes that may be planned with; the faults of the others are told. */
    private List<Route> sound(List<Bound<Route>> routes, List<KnownPhone> phones, List<Hole> holes) {
        Set<String> ids = holes.stream().map(Hole::id).collect(Collectors.toSet());
        Map<String, String> fileOfId = new HashMap<>();
        List<Route> sound = new ArrayList<>();
        for (Bound<Route> bound : routes) {
            List<Fault> found = new ArrayList<>(RouteChecks.of(bound.file(), bound.tree(), bound.value(), phones, ids));
            String other = fileOfId.putIfAbsent(bound.value().id(), bound.file());
            if (other != null) {
                String what = "The id " + bound.value().id() + " is used in " + other + " already.";
                found.add(new Fault(bound.file(), bound.tree().line("/id"), what, "Give each route its own id."));
            }
            faults.addAll(found);
            if (found.stream().allMatch(Fault::isWarning)) {
                sound.add(bound.value());
            }
        }
        sound.sort(Comparator.comparing(Route::id));
        return sound;
    }

    private static Schema schema(String name) {
        try (InputStream in = CatalogueLoader.class.getResourceAsStream(name)) {
            return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(in, InputFormat.JSON);
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }
}
