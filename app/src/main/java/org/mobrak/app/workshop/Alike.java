package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;

/** What the catalogue has already for the phones of a draft: the same way, perhaps older, or one that says the contrary. */
public final class Alike {
    private final ObjectNode draft;
    private final Set<String> models;

    private Alike(ObjectNode draft) {
        this.draft = draft;
        this.models = texts(draft.at("/fits/phones"), "model");
    }

    /** A sentence for each route that a person should look at beside the draft. */
    public static List<String> of(ObjectNode draft, Catalogue catalogue) {
        Alike alike = new Alike(draft);
        return Stream.concat(
                        alike.sold(catalogue),
                        catalogue.routes().stream()
                                .filter(route ->
                                        !route.id().equals(draft.path("id").asText()))
                                .flatMap(route -> alike.said(route).stream()))
                .toList();
    }

    /** Without a model number the shop name in the title leads to those that bear it. */
    private Stream<String> sold(Catalogue catalogue) {
        String title = draft.path("name").asText().toLowerCase(Locale.ROOT);
        if (!models.isEmpty() || title.isBlank()) {
            return Stream.empty();
        }
        return catalogue.phones().stream()
                .collect(Collectors.groupingBy(
                        phone -> phone.family().shopName(),
                        TreeMap::new,
                        Collectors.mapping(KnownPhone::model, Collectors.joining(", "))))
                .entrySet()
                .stream()
                .filter(sold ->
                        title.matches("(?s).*\\b" + Pattern.quote(sold.getKey().toLowerCase(Locale.ROOT)) + "\\b.*"))
                .map(sold -> "The catalogue knows the “%s” as %s. Which of them is meant?"
                        .formatted(sold.getKey(), sold.getValue()));
    }

    private static Set<String> texts(JsonNode list, String name) {
        return StreamSupport.stream(list.spliterator(), false)
                .map(one -> one.path(name).asText())
                .filter(text -> !text.isEmpty())
                .collect(Collectors.toSet());
    }

    private Optional<String> said(Route route) {
        Set<String> shared = new TreeSet<>(
                route.fits().phones().stream().map(Route.Target::model).toList());
        shared.retainAll(models);
        Set<String> contrary = new TreeSet<>(
                route.fits().phones().stream().map(Route.Target::model).toList());
        contrary.retainAll(excluded());
        if (!contrary.isEmpty() && sameFile(route)) {
            return Optional.of("“%s” is for %s, which this draft says is out, with the same file."
                    .formatted(route.name(), String.join(", ", contrary)));
        }
        if (shared.isEmpty() || !sameGain(route)) {
            return Optional.empty();
        }
        String which = shared.size() == 1 ? shared.iterator().next() : shared.size() + " of these models";
        return Optional.of("“%s” in the catalogue does the same for %s, %s."
                .formatted(route.name(), which, sameFile(route) ? "with the same file" : "with other files"));
    }

    private Set<String> excluded() {
        return StreamSupport.stream(draft.at("/fits/requires").spliterator(), false)
                .filter(one -> one.at("/not/fact").asText().equals("model"))
                .flatMap(one -> StreamSupport.stream(one.at("/not/is").spliterator(), false))
                .map(JsonNode::asText)
                .collect(Collectors.toSet());
    }

    private boolean sameGain(Route route) {
        Map<Fact, String> effects = route.changes().effects();
        return Stream.of(Fact.ROOT, Fact.RECOVERY, Fact.LOCK, Fact.OS_KIND)
                .anyMatch(fact -> effects.containsKey(fact)
                        && effects.get(fact)
                                .equals(draft.at("/changes/effects/" + fact.key())
                                        .asText()));
    }

    private boolean sameFile(Route route) {
        Set<String> sums = new HashSet<>();
        for (String kind : List.of("md5", "sha1", "sha256")) {
            sums.addAll(texts(draft.at("/work/files"), kind));
        }
        return route.work().files().stream()
                .flatMap(file -> Stream.of(file.md5(), file.sha1(), file.sha256()))
                .flatMap(Optional::stream)
                .anyMatch(sums::contains);
    }
}
