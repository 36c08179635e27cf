package org.mobrak.core.catalogue.browse;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.trouble.AppNeed;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.identity.build.TextPattern;

/** A catalogue that is looked through. It can be asked from any thread and does not change. */
public final class CatalogueBrowser {
    private final Catalogue catalogue;
    private final Troubles troubles;
    private final List<Listed> entries;
    /** The routes that need a hole, by its id. */
    private final Map<String, List<Route>> byHole = new HashMap<>();

    /** An entry and what is sought in it. */
    private record Listed(BrowsedEntry entry, String sought) {}

    private CatalogueBrowser(Catalogue catalogue, Troubles troubles, List<BrowsedEntry> entries) {
        this.catalogue = catalogue;
        this.troubles = troubles;
        catalogue
                .routes()
                .forEach(route -> holes(route)
                        .forEach(hole -> byHole.computeIfAbsent(hole, id -> new ArrayList<>())
                                .add(route)));
        this.entries =
                entries.stream().map(entry -> new Listed(entry, entry.sought())).toList();
    }

    /** Everything in a catalogue, kind by kind and within a kind by name. */
    public static CatalogueBrowser of(Catalogue catalogue, Troubles troubles) {
        List<BrowsedEntry> all = new ArrayList<>();
        catalogue.phones().forEach(phone -> all.add(listed(phone)));
        catalogue.routes().forEach(route -> all.add(listed(route)));
        catalogue.holes().forEach(hole -> all.add(listed(hole)));
        catalogue.dangers().forEach(danger -> all.add(listed(danger)));
        troubles.symptoms().forEach(symptom -> all.add(listed(symptom)));
        troubles.causes().forEach(cause -> all.add(listed(cause)));
        troubles.questions().forEach(question -> all.add(listed(question)));
        troubles.apps().forEach(app -> all.add(listed(app)));
        all.sort(Comparator.comparing(BrowsedEntry::kind)
                .thenComparing(entry -> entry.name().toLowerCase(Locale.ROOT))
                .thenComparing(BrowsedEntry::id));
        return new CatalogueBrowser(catalogue, troubles, all);
    }

    private static BrowsedEntry entry(
            EntryKind kind, String id, String name, String about, String file, List<String> models) {
        return new BrowsedEntry(kind, id, name, about, kind.folder() + "/" + file, models);
    }

    private static BrowsedEntry listed(KnownPhone phone) {
        String name = phone.family().maker() + " " + phone.family().shopName();
        String file = phone.file().substring(phone.file().lastIndexOf('/') + 1);
        return entry(EntryKind.PHONE, phone.model(), phone.model() + ", " + name, "", file, List.of(phone.model()));
    }

    private static BrowsedEntry listed(Route route) {
        List<String> models = route.fits().phones().stream()
                .map(Route.Target::model)
                .distinct()
                .toList();
        return entry(EntryKind.ROUTE, route.id(), route.name(), route.summary(), route.id() + ".yaml", models);
    }

    private static BrowsedEntry listed(Hole hole) {
        return entry(
                EntryKind.HOLE,
                hole.id(),
                hole.id(),
                hole.summary(),
                hole.id().toLowerCase(Locale.ROOT) + ".yaml",
                List.of());
    }

    private static BrowsedEntry listed(Danger danger) {
        return entry(
                EntryKind.DANGER,
                danger.id(),
                danger.id().replace('-', ' '),
                danger.because(),
                danger.id() + ".yaml",
                List.of());
    }

    private static BrowsedEntry listed(Symptom symptom) {
        String words = String.join(", ", symptom.words());
        return entry(EntryKind.SYMPTOM, symptom.id(), symptom.name(), words, symptom.id() + ".yaml", List.of());
    }

    private static BrowsedEntry listed(Cause cause) {
        String advice = cause.advice().orElse("");
        return entry(EntryKind.CAUSE, cause.id(), cause.name(), advice, cause.id() + ".yaml", List.of());
    }

    private static BrowsedEntry listed(Question question) {
        return entry(
                EntryKind.QUESTION,
                question.id(),
                question.question(),
                question.how(),
                question.id() + ".yaml",
                List.of());
    }

    private static BrowsedEntry listed(AppNeed app) {
        return entry(EntryKind.APP, app.id(), app.name(), app.id(), app.id() + ".yaml", List.of());
    }

    public List<BrowsedEntry> entries() {
        return entries.stream().map(Listed::entry).toList();
    }

    /** How many entries there are of a kind. */
    public long count(EntryKind kind) {
        return entries.stream().filter(one -> one.entry.kind() == kind).count();
    }

    /**
     * The entries that hold all of some words.
     *
     * @param words parted by blanks; empty for every entry
     * @param kind only these
     * @param model only what names this model number
     */
    public List<BrowsedEntry> find(String words, Optional<EntryKind> kind, Optional<String> model) {
        List<String> wanted = Stream.of(words.toLowerCase(Locale.ROOT).strip().split("\\s+"))
                .filter(word -> !word.isEmpty())
                .toList();
        return entries.stream()
                .filter(one -> kind.isEmpty() || kind.get() == one.entry.kind())
                .filter(one -> wanted.stream().allMatch(one.sought::contains))
                .map(Listed::entry)
                .filter(one -> model.isEmpty() || names(one, model.get()))
                .toList();
    }

    private boolean names(BrowsedEntry entry, String model) {
        if (entry.kind() == EntryKind.HOLE) {
            return byHole.getOrDefault(entry.id(), List.of()).stream().anyMatch(route -> isFor(route, model));
        }
        return entry.models().stream().anyMatch(named -> TextPattern.matches(named, model));
    }

    private static boolean isFor(Route route, String model) {
        return route.fits().phones().stream().anyMatch(target -> TextPattern.matches(target.model(), model));
    }

    private static Set<String> holes(Route route) {
        return route.fits().requires().stream()
                .flatMap(Condition::leaves)
                .filter(Condition.HoleOpen.class::isInstance)
                .map(leaf -> ((Condition.HoleOpen) leaf).id())
                .collect(Collectors.toSet());
    }

    /** The entries that this one names. */
    public List<BrowsedEntry> uses(BrowsedEntry entry) {
        return others(other -> refers(entry, other));
    }

    /** The entries that name this one. */
    public List<BrowsedEntry> usedBy(BrowsedEntry entry) {
        return others(other -> refers(other, entry));
    }

    private List<BrowsedEntry> others(Predicate<BrowsedEntry> wanted) {
        return entries.stream().map(Listed::entry).filter(wanted).toList();
    }

    private boolean refers(BrowsedEntry from, BrowsedEntry to) {
        return switch (from.kind()) {
            case ROUTE ->
                switch (to.kind()) {
                    case PHONE -> from.models().stream().anyMatch(named -> TextPattern.matches(named, to.id()));
                    case HOLE ->
                        byHole.getOrDefault(to.id(), List.of()).stream()
                                .anyMatch(route -> route.id().equals(from.id()));
                    default -> false;
                };
            case CAUSE -> cause(from).filter(cause -> refers(cause, to)).isPresent();
            case APP ->
                to.kind() == EntryKind.APP
                        && troubles.apps().stream()
                                .anyMatch(app -> app.id().equals(from.id())
                                        && app.reliesOn().contains(to.id()));
            default -> false;
        };
    }

    private static boolean refers(Cause cause, BrowsedEntry to) {
        return switch (to.kind()) {
            case SYMPTOM -> cause.explains().containsKey(to.id());
            case QUESTION -> cause.answers().containsKey(to.id());
            case ROUTE -> cause.mends().contains(to.id()) || cause.after().containsKey(to.id());
            default -> false;
        };
    }

    private Optional<Cause> cause(BrowsedEntry entry) {
        return troubles.causes().stream()
                .filter(one -> one.id().equals(entry.id()))
                .findFirst();
    }

    /** What people reported of a route, the latest first; none of anything else. */
    public List<Route.Report> reports(BrowsedEntry entry) {
        return entry.kind() != EntryKind.ROUTE
                ? List.of()
                : catalogue.route(entry.id()).stream()
                        .flatMap(route -> route.reports().stream())
                        .sorted(Comparator.comparing(Route.Report::date).reversed())
                        .toList();
    }
}
