package org.mobrak.core.catalogue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.build.BuildGrammar;
import org.mobrak.core.identity.build.Rulers;

/**
 * Reads a catalogue folder: {@code phones}, {@code routes}, {@code grammars} and {@code holes}, each with files
 * {@code *.yaml}. A file with a fault is left out and told of; the others still serve.
 */
public final class CatalogueLoader {
    private final Entries entries;
    private final List<Fault> faults;

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
        return whole(folder).loaded();
    }

    static Whole whole(Path folder) throws IOException {
        Entries entries = Entries.of(folder);
        return new Whole(new CatalogueLoader(entries).load(), entries);
    }

    private Loaded load() {
        List<KnownPhone> phones =
                entries.phones().stream().flatMap(one -> variants(one).stream()).toList();
        entries.grammars().forEach(this::checkExamples);
        checkModels(phones);
        List<Hole> holes = entries.holes().stream().map(Entry::value).toList();
        List<BuildGrammar> grammars =
                entries.grammars().stream().map(Entry::value).toList();
        return new Loaded(new Catalogue(phones, sound(phones, holes), new Rulers(grammars), holes), faults);
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

    /** The routes that may be planned with; the faults of the others are told. */
    private List<Route> sound(List<KnownPhone> phones, List<Hole> holes) {
        Models models = Models.of(phones);
        UseCheck use = new UseCheck(entries.routes());
        Set<String> ids = holes.stream().map(Hole::id).collect(Collectors.toSet());
        Map<String, String> fileOfId = new HashMap<>();
        List<Route> sound = new ArrayList<>();
        for (Entry<Route> entry : entries.routes()) {
            List<Fault> found = new ArrayList<>(RouteChecks.of(entry, models, ids));
            String other = fileOfId.putIfAbsent(entry.value().id(), entry.file());
            if (other != null) {
                String what = "The id " + entry.value().id() + " is used in " + other + " already.";
                found.add(new Fault(entry.file(), entry.line("/id"), what, "Give each route its own id."));
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
