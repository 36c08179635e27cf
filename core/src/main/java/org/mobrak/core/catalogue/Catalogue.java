package org.mobrak.core.catalogue;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.build.Rulers;

/** All that is known of phones, routes, makers' build strings, holes and dangers; routes are in the order of their ids. */
public record Catalogue(
        List<KnownPhone> phones, List<Route> routes, Rulers rulers, List<Hole> holes, List<Danger> dangers) {
    public Catalogue {
        holes = List.copyOf(holes);
        dangers = List.copyOf(dangers);
        phones = List.copyOf(phones);
        routes = List.copyOf(routes);
    }

    /** A catalogue without dangers. */
    public Catalogue(List<KnownPhone> phones, List<Route> routes, Rulers rulers, List<Hole> holes) {
        this(phones, routes, rulers, holes, List.of());
    }

    /** A catalogue without grammars, holes and dangers. */
    public Catalogue(List<KnownPhone> phones, List<Route> routes) {
        this(phones, routes, Rulers.none(), List.of());
    }

    /** The same with other routes. */
    public Catalogue with(List<Route> other) {
        return new Catalogue(phones, other, rulers, holes, dangers);
    }

    /** The hole with this public identifier. */
    public Optional<Hole> hole(String id) {
        return holes.stream().filter(hole -> hole.id().equals(id)).findFirst();
    }

    /** The danger with this id. */
    public Optional<Danger> danger(String id) {
        return dangers.stream().filter(danger -> danger.id().equals(id)).findFirst();
    }

    /** The variant with exactly this model number. */
    public Optional<KnownPhone> phone(String model) {
        return phones.stream()
                .filter(phone -> phone.variant().model().equals(model))
                .findFirst();
    }

    public Optional<Route> route(String id) {
        return routes.stream().filter(route -> route.id().equals(id)).findFirst();
    }

    /** The ledger with what the catalogue knows of its model number added; it ranks below every other source. */
    public Ledger complete(Ledger ledger) {
        Optional<KnownPhone> known = ledger.facts().value(Fact.MODEL).flatMap(this::phone);
        Instant at = ledger.readings().isEmpty()
                ? Instant.EPOCH
                : ledger.readings().get(0).takenAt();
        return known.map(phone -> ledger.with(phone.readings(at))).orElse(ledger);
    }
}
