package org.mobrak.app;

import java.util.ArrayList;
import java.util.List;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.Source;
import org.mobrak.core.proof.Comparison;

/** A phone before and after, by its readings. */
public final class BeforeAfter {
    private BeforeAfter() {}

    /** The routes of these ids, in this order. */
    public static List<Route> routes(List<String> ids, Catalogue catalogue) throws Refusal {
        List<Route> routes = new ArrayList<>();
        for (String id : ids) {
            routes.add(catalogue.route(id).orElseThrow(() -> new Refusal("The catalogue has no route “" + id + "”.")));
        }
        return routes;
    }

    public static Comparison compare(Identity before, Identity after, List<Route> routes) {
        return Comparison.of(read(before), read(after), routes);
    }

    /** What was read, without what only follows from the model number. */
    private static Facts read(Identity identity) {
        Ledger ledger = identity.ledger();
        return new Ledger(
                        ledger.readings().stream()
                                .filter(reading -> reading.source() != Source.CATALOGUE)
                                .toList(),
                        ledger.overwrites())
                .facts();
    }
}
