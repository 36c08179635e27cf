package org.mobrak.link.bench;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.link.Mode;

/** Bench phones as they are written down: a file each, in a folder {@code bench} beside the catalogue's others. */
public final class BenchFolder {
    private static final long MOST_BYTES = 1 << 20;

    private BenchFolder() {}

    // The form of the files.

    record Description(
            String id,
            String name,
            Map<String, String> truth,
            Map<String, String> says,
            Optional<Quick> nature,
            List<Way> ways) {}

    record Quick(
            Optional<Double> bootSeconds,
            Optional<Double> firstBootSeconds,
            Optional<Double> holdSeconds,
            Optional<Double> writeMegabytes,
            Optional<Double> drainPercent,
            Optional<Double> chargePercent,
            boolean selfRepair,
            boolean seals,
            Map<String, Map<String, String>> apps) {}

    record Way(String keys, List<String> from, String to, Optional<String> cable) {}

    /** All phones of some catalogue folders, by their ids. */
    public static List<BenchTruth> read(List<Path> catalogues) throws IOException {
        List<BenchTruth> phones = new ArrayList<>();
        for (Path file : files(catalogues)) {
            phones.add(readFile(file));
        }
        phones.sort(Comparator.comparing(BenchTruth::id));
        return phones;
    }

    /** What is wrong in the descriptions of some catalogue folders, for whoever checks them. */
    public static List<Fault> faults(List<Path> catalogues) throws IOException {
        List<Fault> faults = new ArrayList<>();
        for (Path file : files(catalogues)) {
            try {
                readFile(file);
            } catch (UnreadableInput wrong) {
                faults.add(new Fault(
                        "bench/" + file.getFileName(),
                        1,
                        wrong.getMessage(),
                        "See CONTRIBUTING.md for what a bench phone says."));
            }
        }
        return faults;
    }

    private static List<Path> files(List<Path> catalogues) throws IOException {
        List<Path> all = new ArrayList<>();
        for (Path catalogue : catalogues) {
            Path folder = catalogue.resolve("bench");
            if (Files.isDirectory(folder)) {
                try (Stream<Path> files = Files.list(folder)) {
                    files.filter(one -> one.toString().endsWith(".yaml"))
                            .sorted()
                            .forEach(all::add);
                }
            }
        }
        return all;
    }

    /** One phone; an {@link UnreadableInput} says what is missing or impossible in its description. */
    public static BenchTruth readFile(Path file) throws IOException {
        if (!Files.isRegularFile(file) || Files.size(file) > MOST_BYTES) {
            throw new UnreadableInput(file + " is no description of a bench phone; it must be a small YAML file.");
        }
        try {
            return phone(JsonMapper.builder(new YAMLFactory())
                    .addModule(new Jdk8Module())
                    .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                    .build()
                    .readValue(file.toFile(), Description.class));
        } catch (JsonProcessingException wrong) {
            throw new UnreadableInput(
                    file + ": " + wrong.getOriginalMessage().lines().findFirst().orElse("not YAML")
                            + ". It needs id, name and truth, and may have says, nature and ways.");
        } catch (IllegalArgumentException wrong) {
            throw new UnreadableInput(file + ": " + wrong.getMessage());
        }
    }

    private static BenchTruth phone(Description said) {
        if (said.id() == null || said.truth() == null || said.truth().get("model") == null) {
            throw new IllegalArgumentException("A bench phone needs an id and a truth with its model.");
        }
        return new BenchTruth(
                said.id(),
                said.name() == null ? said.id() : said.name(),
                facts(said.truth()),
                said.says() == null ? Map.of() : facts(said.says()),
                said.nature().map(BenchFolder::nature).orElseGet(Nature::usual),
                said.ways() == null
                        ? List.of()
                        : said.ways().stream().map(BenchFolder::way).toList());
    }

    private static Map<Fact, String> facts(Map<String, String> words) {
        Map<Fact, String> facts = new EnumMap<>(Fact.class);
        words.forEach((key, value) -> {
            Fact fact = Fact.ofKey(key)
                    .orElseThrow(() ->
                            new IllegalArgumentException("“" + key + "” is no fact; docs/schema/facts.md lists them."));
            fact.domain().objection(value).ifPresent(objection -> {
                throw new IllegalArgumentException(key + " " + objection + ".");
            });
            facts.put(fact, value);
        });
        return facts;
    }

    private static Nature nature(Quick said) {
        Nature usual = Nature.usual();
        return new Nature(
                said.bootSeconds().orElse(usual.bootSeconds()),
                said.firstBootSeconds().orElse(usual.firstBootSeconds()),
                said.holdSeconds().orElse(usual.holdSeconds()),
                said.writeMegabytes().orElse(usual.writeMegabytes()),
                said.drainPercent().orElse(usual.drainPercent()),
                said.chargePercent().orElse(usual.chargePercent()),
                said.selfRepair(),
                said.seals(),
                apps(said.apps()));
    }

    private static Map<String, Map<Fact, String>> apps(Map<String, Map<String, String>> said) {
        Map<String, Map<Fact, String>> apps = new TreeMap<>();
        if (said != null) {
            said.forEach((app, refuses) -> apps.put(app, facts(refuses)));
        }
        return apps;
    }

    private static KeyWay way(Way said) {
        EnumSet<Mode> from = EnumSet.noneOf(Mode.class);
        said.from().forEach(word -> from.add(mode(word)));
        return new KeyWay(
                KeyChord.parse(said.keys()),
                from,
                mode(said.to()),
                said.cable().filter("out"::equals).isPresent());
    }

    private static Mode mode(String word) {
        return Mode.ofWord(word)
                .orElseThrow(() -> new IllegalArgumentException("“" + word
                        + "” is no mode of a phone; the modes are off, os, recovery, download and flash-console."));
    }
}
