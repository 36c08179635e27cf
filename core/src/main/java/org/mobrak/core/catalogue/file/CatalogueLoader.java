package org.mobrak.core.catalogue.file;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.PhoneFamily;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.build.BuildGrammar;
import org.mobrak.core.identity.build.Rulers;

/**
 * Reads a catalogue folder: {@code phones}, {@code routes}, {@code grammars}, {@code holes} and {@code dangers}, each with files
 * {@code *.yaml}. A file with a fault is left out and told of; the others still serve.
 */
public final class CatalogueLoader {
    private final Entries entries;
    private final List<Fault> faults;

    /**
     * Folders that make up one catalogue.
     *
     * @param own those whose entries it has
     * @param besides one whose holes and dangers are known besides; they are facts of the public record and need not be written down twice
     */
    public record Folders(List<Path> own, Optional<Path> besides) {
        public Folders {
            own = List.copyOf(own);
        }

        /** One folder that stands for itself. */
        public static Folders of(Path folder) {
            return new Folders(List.of(folder), Optional.empty());
        }

        List<Path> all() {
            return Stream.concat(own.stream(), besides.stream()).toList();
        }
    }

    /** A catalogue and what was wrong in its files. */
    public record Loaded(Catalogue catalogue, List<Fault> faults) {
        public Loaded {
            faults = List.copyOf(faults);
        }
    }

    /** The same with the entries it is made of: what a cache keeps. */
    record Whole(Loaded loaded, Entries entries) {}

    private CatalogueLoader(Entries entries) {
        this.entries = entries;
        this.faults = new ArrayList<>(entries.faults());
    }

    /** Loads a folder; an {@link UnreadableInput} tells that it is no catalogue at all. */
    public static Loaded load(Path folder) throws IOException {
        return load(Folders.of(folder));
    }

    /** Loads folders as one catalogue. */
    public static Loaded load(Folders folders) throws IOException {
        return whole(folders).loaded();
    }

    static Whole whole(Folders folders) throws IOException {
        Entries own = Entries.of(folders.own());
        Entries all = folders.besides().isPresent()
                ? own.with(Entries.of(List.of(folders.besides().get())))
                : own;
        return new Whole(new CatalogueLoader(all).load(), all);
    }

    private Loaded load() {
        List<KnownPhone> phones =
                entries.phones().stream().flatMap(one -> variants(one).stream()).toList();
        entries.grammars().forEach(this::checkExamples);
        checkModels(phones);
        List<Hole> holes = entries.holes().stream()
                .filter(this::isOrdered)
                .map(Entry::value)
                .toList();
        Rulers rulers = new Rulers(entries.grammars().stream().map(Entry::value).toList());
        List<Route> routes = sound(Models.of(phones), rulers, holes);
        return new Loaded(new Catalogue(phones, routes, rulers, holes, dangers(holes)), faults);
    }

    private static List<KnownPhone> variants(Entry<PhoneFamily> entry) {
        List<KnownPhone> phones = new ArrayList<>();
        for (PhoneFamily.Variant variant : entry.value().variants()) {
            phones.add(new KnownPhone(entry.value(), variant, entry.file(), entry.line("/variants/" + phones.size())));
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
    private void checkExamples(Entry<BuildGrammar> entry) {
        List<String> examples = entry.value().examples();
        for (int i = 0; i < examples.size(); i++) {
            if (entry.value().ruler(examples.get(i)).isEmpty()) {
                faults.add(new Fault(
                        entry.file(),
                        entry.line("/examples/" + i),
                        "The segments do not fit the example " + examples.get(i) + ".",
                        "Count the characters of each segment, marks included."));
            }
        }
    }

    /** Whether a hole's bounds can be held against a version at all. */
    private boolean isOrdered(Entry<Hole> entry) {
        List<Fault> found = HoleCheck.of(entry);
        faults.addAll(found);
        return found.isEmpty();
    }

    /** A danger of which two are told, or that turns on a hole nobody knows, is told as a fault; the first one counts. */
    private List<Danger> dangers(List<Hole> holes) {
        Set<String> known = holes.stream().map(Hole::id).collect(Collectors.toSet());
        Map<String, Danger> sound = new LinkedHashMap<>();
        for (Entry<Danger> entry : entries.dangers()) {
            List<Fault> found = DangerCheck.of(entry, known);
            faults.addAll(found);
            if (sound.containsKey(entry.value().id())) {
                String what =
                        "The danger %s is told twice.".formatted(entry.value().id());
                faults.add(new Fault(entry.file(), entry.line("/id"), what, "Give each its own id."));
            } else if (found.stream().allMatch(Fault::isWarning)) {
                sound.put(entry.value().id(), entry.value());
            }
        }
        return List.copyOf(sound.values());
    }

    /** The routes that may be planned with; the faults of the others are told. */
    private List<Route> sound(Models models, Rulers rulers, List<Hole> holes) {
        UseCheck use = new UseCheck(entries.routes());
        Set<String> ids = holes.stream().map(Hole::id).collect(Collectors.toSet());
        Map<String, String> fileOfId = new HashMap<>();
        Map<String, String> fileOfName = new HashMap<>();
        List<Route> sound = new ArrayList<>();
        for (Entry<Route> entry : entries.routes()) {
            List<Fault> found = new ArrayList<>(RouteChecks.of(entry, models, rulers, ids));
            String other = fileOfId.putIfAbsent(entry.value().id(), entry.file());
            if (other != null) {
                String what = "The id " + entry.value().id() + " is used in " + other + " already.";
                found.add(new Fault(entry.file(), entry.line("/id"), what, "Give each route its own id."));
            }
            String namesake = fileOfName.putIfAbsent(entry.value().name(), entry.file());
            if (namesake != null) {
                String what = "“%s” is the name of the route in %s too."
                        .formatted(entry.value().name(), namesake);
                found.add(Fault.warning(
                        entry.file(), entry.line("/name"), what, "Name them so that people can tell them apart."));
            }
            found.addAll(use.of(entry));
            faults.addAll(found);
            if (found.stream().allMatch(Fault::isWarning)) {
                sound.add(entry.value());
            }
        }
        sound.sort(Comparator.comparing(Route::id));
        return sound;
    }
}
