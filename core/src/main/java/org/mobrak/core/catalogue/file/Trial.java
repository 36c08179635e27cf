package org.mobrak.core.catalogue.file;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.PhoneFamily;
import org.mobrak.core.catalogue.Route;

/**
 * A route, and the phones it brings with it, held against a catalogue in which they do not stand yet: everything that would be
 * found if they did.
 *
 * @param catalogue with them; empty while a fault forbids it
 * @param route as it would be planned with
 */
public record Trial(Optional<Catalogue> catalogue, Optional<Route> route, List<Found> found) {
    private static final EntryReader<Route> ROUTES = new EntryReader<>("route.schema.json", Route.class);
    private static final EntryReader<PhoneFamily> PHONES = new EntryReader<>("phone.schema.json", PhoneFamily.class);

    public Trial {
        found = List.copyOf(found);
    }

    /**
     * A fault or a warning at its place.
     *
     * @param pointer the innermost value it is about, a JSON pointer into the route; empty for what is of the phones or of all
     */
    public record Found(String pointer, Fault fault) {}

    /**
     * Tries a route.
     *
     * @param draft of the route; that it is a draft is passed over
     * @param phones the families it brings with it
     * @param catalogue what the draft joins; an entry of the same id makes way
     */
    public static Trial of(ObjectNode draft, List<ObjectNode> phones, Catalogue catalogue) {
        ObjectNode confirmed = draft.deepCopy();
        confirmed.remove("draft");
        List<Found> found = new ArrayList<>();
        List<KnownPhone> known = new ArrayList<>(catalogue.phones());
        for (ObjectNode family : phones) {
            known.addAll(variants(family, found));
        }
        String name = "routes/" + draft.path("id").asText("route") + ".yaml";
        Entry.Read<Route> read = ROUTES.read(name, EntryYaml.of(confirmed).getBytes(StandardCharsets.UTF_8));
        List<Fault> faults = new ArrayList<>(read.faults());
        read.entry()
                .ifPresent(entry -> faults.addAll(RouteChecks.of(
                        entry,
                        Models.of(known),
                        catalogue.rulers(),
                        catalogue.holes().stream().map(Hole::id).collect(Collectors.toSet()))));
        Places places = new Places(confirmed);
        faults.forEach(fault -> found.add(new Found(places.at(fault.line()), fault)));
        Optional<Route> route = read.entry()
                .map(Entry::value)
                .filter(one -> found.stream().allMatch(each -> each.fault().isWarning()));
        return new Trial(route.map(one -> joined(catalogue, known, one)), route, found);
    }

    private static List<KnownPhone> variants(ObjectNode family, List<Found> found) {
        String name = "phones/" + family.path("id").asText("phones") + ".yaml";
        Entry.Read<PhoneFamily> read = PHONES.read(name, EntryYaml.of(family).getBytes(StandardCharsets.UTF_8));
        read.faults().forEach(fault -> found.add(new Found("", fault)));
        List<KnownPhone> variants = new ArrayList<>();
        read.entry()
                .ifPresent(entry -> entry.value()
                        .variants()
                        .forEach(variant -> variants.add(new KnownPhone(entry.value(), variant, name, 1))));
        return variants;
    }

    private static Catalogue joined(Catalogue catalogue, List<KnownPhone> phones, Route route) {
        List<Route> routes = new ArrayList<>(catalogue.routes().stream()
                .filter(one -> !one.id().equals(route.id()))
                .toList());
        routes.add(route);
        routes.sort(Comparator.comparing(Route::id));
        return new Catalogue(phones, routes, catalogue.rulers(), catalogue.holes(), catalogue.dangers());
    }

    /** Which value stands on which line: the form is written so that each has one of its own. */
    private static final class Places {
        private final NavigableMap<Integer, String> byLine = new TreeMap<>();

        Places(ObjectNode entry) {
            try {
                YamlText.Tree tree = YamlText.parse(EntryYaml.of(entry));
                collect(tree, "", entry);
            } catch (YamlText.BadYaml tooLarge) {
                // Told by the reader; then it has no places.
                byLine.clear();
            }
        }

        private void collect(YamlText.Tree tree, String pointer, JsonNode node) {
            byLine.put(tree.line(pointer), pointer);
            if (node.isObject()) {
                for (Map.Entry<String, JsonNode> inner : node.properties()) {
                    collect(tree, pointer + "/" + inner.getKey(), inner.getValue());
                }
            }
            for (int i = 0; node.isArray() && i < node.size(); i++) {
                collect(tree, pointer + "/" + i, node.get(i));
            }
        }

        String at(int line) {
            return line < 1 ? "" : Optional.ofNullable(byLine.get(line)).orElse("");
        }
    }
}
