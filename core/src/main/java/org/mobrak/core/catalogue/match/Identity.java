package org.mobrak.core.catalogue.match;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.build.BuildId;
import org.mobrak.core.identity.build.Ruler;
import org.mobrak.core.identity.check.CrossChecks;

/**
 * Who a phone is once the catalogue has spoken.
 *
 * @param ledger its readings, with what follows from them and from the catalogue
 * @param facts what they add up to
 * @param findings what is odd about them, the gravest first
 * @param candidates which variants it may still be
 * @param rulers its build strings taken apart
 */
public record Identity(Ledger ledger, Facts facts, List<Finding> findings, Candidates candidates, List<Ruler> rulers) {
    public Identity {
        findings = List.copyOf(findings);
        rulers = List.copyOf(rulers);
    }

    /** Adds the catalogue's word to the readings and checks them against each other. */
    public static Identity of(Catalogue catalogue, Ledger readings, List<Finding> aboutTheTexts) {
        Ledger ledger = catalogue.complete(workedOut(readings));
        Facts facts = ledger.facts();
        List<Finding> findings = Stream.of(
                        CrossChecks.of(ledger, facts, catalogue.rulers()).stream(),
                        new ModelCheck(catalogue, facts).findings(),
                        aboutTheTexts.stream())
                .flatMap(some -> some)
                .sorted(Comparator.comparing(Finding::severity))
                .toList();
        return new Identity(
                ledger,
                facts,
                findings,
                Candidates.of(catalogue, facts),
                catalogue.rulers().of(facts));
    }

    private static Ledger workedOut(Ledger readings) {
        List<Reading> dates = readings.readings().stream()
                .filter(reading -> reading.fact() == Fact.BUILD_ID)
                .flatMap(
                        reading -> BuildId.of(reading.value())
                                .map(id -> reading.follows(
                                        Fact.BUILD_ID_DATE, id.date().toString()))
                                .stream())
                .toList();
        return readings.with(dates);
    }
}
