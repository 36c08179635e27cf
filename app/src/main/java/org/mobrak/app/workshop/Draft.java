package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.StreamSupport;
import org.mobrak.core.catalogue.Catalogue;
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

    /** What is still to be answered. */
    List<Questions.Question> open() {
        return Questions.of(route).stream()
                .filter(question -> !left.contains(question.field()))
                .toList();
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
        return Optional.of(family);
    }
}
