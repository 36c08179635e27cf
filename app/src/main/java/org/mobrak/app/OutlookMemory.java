package org.mobrak.app;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.logbook.Dossier;

/**
 * What was worked out last of each phone: one command looks at the same phone several times, and planning is what takes long.
 * On the worker thread only.
 */
final class OutlookMemory {
    private final Map<Long, Known> known = new HashMap<>();
    private Optional<Outlook> last = Optional.empty();

    /** Who a phone is, and all that it was worked out from. */
    private record Known(Catalogue catalogue, Ledger ledger, List<Finding> findings, Identity identity) {
        boolean isOf(Catalogue other, Ledger readings, List<Finding> aboutTheTexts) {
            return catalogue == other && ledger.equals(readings) && findings.equals(aboutTheTexts);
        }
    }

    /** Who the phone is by all that is on disk of it. */
    Identity identity(Catalogue catalogue, Dossier dossier) {
        Ledger ledger = dossier.ledger();
        List<Finding> findings = dossier.findings();
        return known.compute(
                        dossier.phone().id(),
                        (id, before) -> before != null && before.isOf(catalogue, ledger, findings)
                                ? before
                                : new Known(catalogue, ledger, findings, Identity.of(catalogue, ledger, findings)))
                .identity();
    }

    /**
     * What follows from it and from what is wanted.
     *
     * @param odds how likely each route mends what is to be mended, by who the phone is
     */
    Outlook outlook(Catalogue catalogue, Dossier dossier, Wish wish, Function<Identity, Map<String, Double>> odds) {
        Identity identity = identity(catalogue, dossier);
        // The very same identity: whatever it was worked out from is as it was.
        if (last.filter(one -> one.identity() == identity && one.wish().equals(wish))
                .isEmpty()) {
            last = Optional.of(Outlook.of(catalogue, identity, wish, odds.apply(identity)));
        }
        return last.orElseThrow();
    }
}
