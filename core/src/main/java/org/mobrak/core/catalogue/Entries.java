package org.mobrak.core.catalogue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Entry.Read;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.build.BuildGrammar;

/** All files of a catalogue folder, each read for itself, with the faults that show in one file alone. */
record Entries(
        List<Entry<PhoneFamily>> phones,
        List<Entry<Route>> routes,
        List<Entry<BuildGrammar>> grammars,
        List<Entry<Hole>> holes,
        List<Fault> faults) {
    static final List<String> KINDS = List.of("phones", "routes", "grammars", "holes");
    private static final int MOST_FILES = 200_000;

    /** Reads a folder; an {@link UnreadableInput} tells that it is no catalogue at all. */
    static Entries of(Path folder) throws IOException {
        if (!Files.isDirectory(folder.resolve("routes")) && !Files.isDirectory(folder.resolve("phones"))) {
            throw new UnreadableInput(folder + " is no catalogue; it needs a folder “routes” or “phones”.");
        }
        List<Fault> faults = new ArrayList<>();
        return new Entries(
                read(folder, "phones", new EntryReader<>("phone.schema.json", PhoneFamily.class), faults),
                read(folder, "routes", new EntryReader<>("route.schema.json", Route.class), faults),
                read(folder, "grammars", new EntryReader<>("grammar.schema.json", BuildGrammar.class), faults),
                read(folder, "holes", new EntryReader<>("hole.schema.json", Hole.class), faults),
                faults);
    }

    private static <T> List<Entry<T>> read(Path folder, String kind, EntryReader<T> reader, List<Fault> faults)
            throws IOException {
        List<Read<T>> read = files(folder, kind).parallelStream()
                .map(file -> reader.read(folder, file))
                .toList();
        read.forEach(one -> faults.addAll(one.faults()));
        return read.stream().flatMap(one -> one.entry().stream()).toList();
    }

    /** The files of a kind, in the order of their names. */
    static List<Path> files(Path folder, String kind) throws IOException {
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
}
