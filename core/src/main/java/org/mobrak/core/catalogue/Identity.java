package org.mobrak.core.catalogue;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.mobrak.core.identity.CrossChecks;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;

/** Who a phone is once the catalogue has spoken: its readings, what they add up to, and what is odd about them. */
public record Identity(Ledger ledger, Facts facts, List<Finding> findings) {
    public Identity {
        findings = List.copyOf(findings);
    }

    /** Adds the catalogue's word to the readings and checks them against each other. */
    public static Identity of(Catalogue catalogue, Ledger readings, List<Finding> aboutTheTexts) {
        Ledger ledger = catalogue.complete(readings);
        Facts facts = ledger.facts();
        List<Finding> findings = Stream.concat(CrossChecks.of(facts).stream(), aboutTheTexts.stream())
                .sorted(Comparator.comparing(Finding::severity))
                .toList();
        return new Identity(ledger, facts, findings);
    }
}
