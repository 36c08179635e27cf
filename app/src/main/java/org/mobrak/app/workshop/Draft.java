package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.learn.Questions;

/**
 * A route on the workshop's table.
 *
 * @param route in the catalogue's form; whoever holds a draft changes a copy of it and never this one
 * @param maker of phones that the catalogue does not know yet
 * @param shopName of these phones
 * @param left the fields whose question the person leaves open
 * @param file in which it was saved, of the catalogue's folder
 */
record Draft(ObjectNode route, String maker, String shopName, Set<String> left, Optional<String> file) {
    private static final Set<String> MODES = Set.of("recovery", "download", "flash-console");

    Draft {
        left = Set.copyOf(left);
    }

    static Draft of(ObjectNode route) {
        return new Draft(route, "", "", Set.of(), Optional.empty());
    }

    String id() {
        return route.path("id").asText();
    }

    String name() {
        return route.path("name").asText();
    }

    Draft with(ObjectNode other) {
        return new Draft(other, maker, shopName, left, file);
    }

    Draft called(String otherMaker, String otherName) {
        return new Draft(route, otherMaker, otherName, left, file);
    }

    Draft leaving(String field) {
        Set<String> more = new HashSet<>(left);
        if (!more.remove(field)) {
            more.add(field);
        }
        return new Draft(route, maker, shopName, more, file);
    }

    Draft savedAs(String name) {
        return new Draft(route, maker, shopName, left, Optional.of(name));
    }

    /**
     * What is still to be answered.
     *
     * @param silent what is asked because its sheet would not say it
     */
    List<Questions.Question> open(List<Questions.Question> silent) {
        Map<String, Questions.Question> all = new LinkedHashMap<>();
        Stream.concat(Questions.of(route).stream(), silent.stream())
                .filter(question -> !left.contains(question.field()))
                .forEach(question -> all.putIfAbsent(question.field(), question));
        return List.copyOf(all.values());
    }

    /** The models in full that no phone of the catalogue has. */
    Set<String> newModels(Catalogue catalogue) {
        Set<String> models = new LinkedHashSet<>();
        StreamSupport.stream(route.at("/fits/phones").spliterator(), false)
                .map(phone -> phone.path("model").asText())
                .filter(model -> !TextPattern.isPattern(model))
                .filter(model -> catalogue.phone(model).isEmpty())
                .forEach(models::add);
        return models;
    }

    /** The family of the phones it brings with it; empty where the catalogue knows them all. */
    Optional<ObjectNode> family(Catalogue catalogue) {
        Set<String> models = newModels(catalogue);
        if (models.isEmpty()) {
            return Optional.empty();
        }
        ObjectNode family = route.objectNode();
        family.put(
                "id",
                ("phones-of-" + id())
                        .substring(0, Math.min(80, id().length() + 10))
                        .replaceAll("-$", ""));
        family.put("maker", maker.isBlank() ? KnownPhone.UNKNOWN : maker);
        family.put("shopName", shopName.isBlank() ? KnownPhone.UNKNOWN : shopName);
        models.forEach(model -> family.withArray("/variants").addObject().put("model", model));
        keys().forEach((mode, keys) ->
                family.withArray("/keys").addObject().put("mode", mode).put("keys", keys));
        return Optional.of(family);
    }

    /** The keys that its steps tell, by the mode they lead into; they are the phone's, and serve all its routes. */
    Map<String, String> keys() {
        Map<String, String> keys = new LinkedHashMap<>();
        StreamSupport.stream(route.at("/work/steps").spliterator(), false)
                .filter(step -> MODES.contains(step.path("mode").asText()))
                .filter(step -> KeyChord.read(step.path("keys").asText()).isPresent())
                .forEach(step -> keys.putIfAbsent(
                        step.path("mode").asText(), step.path("keys").asText()));
        return keys;
    }
}
