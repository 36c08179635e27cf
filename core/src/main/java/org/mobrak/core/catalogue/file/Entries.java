package org.mobrak.core.catalogue.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.PhoneFamily;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.Entry.Read;
import org.mobrak.core.catalogue.trouble.AppNeed;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.build.BuildGrammar;

/** All files of a catalogue folder, each read for itself, with the faults that show in one file alone. */
record Entries(
        List<Entry<PhoneFamily>> phones,
        List<Entry<Route>> routes,
        List<Entry<BuildGrammar>> grammars,
        List<Entry<Hole>> holes,
        List<Entry<Danger>> dangers,
        List<Fault> faults) {
    static final List<String> KINDS =
            List.of("phones", "routes", "grammars", "holes", "dangers", "symptoms", "causes", "questions", "apps");
    private static final int MOST_FILES = 200_000;

    /** Reads folders; an {@link UnreadableInput} tells that one is no catalogue at all. */
    static Entries of(List<Path> folders) throws IOException {
        for (Path folder : folders) {
            if (!Files.isDirectory(folder.resolve("routes")) && !Files.isDirectory(folder.resolve("phones"))) {
                throw new UnreadableInput(folder + " is no catalogue; it needs a folder “routes” or “phones”.");
            }
        }
        List<Fault> faults = new ArrayList<>();
        return new Entries(
                read(folders, "phones", new EntryReader<>("phone.schema.json", PhoneFamily.class), faults),
                read(folders, "routes", new EntryReader<>("route.schema.json", Route.class), faults),
                read(folders, "grammars", new EntryReader<>("grammar.schema.json", BuildGrammar.class), faults),
                read(folders, "holes", new EntryReader<>("hole.schema.json", Hole.class), faults),
                read(folders, "dangers", new EntryReader<>("danger.schema.json", Danger.class), faults),
                faults);
    }

    Stream<Entry<?>> all() {
        return Stream.of(phones, routes, grammars, holes, dangers).flatMap(List::stream);
    }

    /** The entries that tell what goes wrong, of a folder; only who mends, checks or merges asks for them. */
    static List<Entry<?>> troubles(Path folder, List<Fault> faults) throws IOException {
        List<Entry<?>> all = new ArrayList<>();
        all.addAll(read(folder, "symptoms", new EntryReader<>("symptom.schema.json", Symptom.class), faults));
        all.addAll(read(folder, "causes", new EntryReader<>("cause.schema.json", Cause.class), faults));
        all.addAll(read(folder, "questions", new EntryReader<>("question.schema.json", Question.class), faults));
        all.addAll(read(folder, "apps", new EntryReader<>("app.schema.json", AppNeed.class), faults));
        return all;
    }

    private static <T> List<Entry<T>> read(List<Path> folders, String kind, EntryReader<T> reader, List<Fault> faults)
            throws IOException {
        List<Entry<T>> entries = new ArrayList<>();
        for (Path folder : folders) {
            entries.addAll(read(folder, kind, reader, faults));
        }
        return entries;
    }

    /** The same with the holes and dangers of others besides its own, which count as known and are not checked again. */
    Entries with(Entries known) {
        return new Entries(
                phones,
                routes,
                grammars,
                joined(holes, known.holes, Hole::id),
                joined(dangers, known.dangers, Danger::id),
                faults);
    }

    private static <T> List<Entry<T>> joined(List<Entry<T>> own, List<Entry<T>> known, Function<T, String> id) {
        Set<String> ids = own.stream().map(Entry::value).map(id).collect(Collectors.toSet());
        return Stream.concat(own.stream(), known.stream().filter(other -> !ids.contains(id.apply(other.value()))))
                .toList();
    }

    static <T> List<Entry<T>> read(Path folder, String kind, EntryReader<T> reader, List<Fault> faults)
            throws IOException {
        List<Read<T>> read = read(folder, files(folder, kind), reader);
        read.forEach(one -> faults.addAll(one.faults()));
        return read.stream().flatMap(one -> one.entry().stream()).toList();
    }

    private static <T> List<Read<T>> read(Path folder, List<Path> files, EntryReader<T> reader) throws IOException {
        try {
            return files.parallelStream()
                    .map(file -> reader.read(folder, checked(file)))
                    .toList();
        } catch (UncheckedIOException cancelled) {
            throw cancelled.getCause();
        }
    }

    private static Path checked(Path file) {
        if (Thread.currentThread().isInterrupted()) {
            throw new UncheckedIOException(new ClosedByInterruptException());
        }
        return file;
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
