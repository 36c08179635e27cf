package org.mobrak.core.identity.reader;

import java.time.Instant;
import java.util.List;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;

/** What a text gave: the readings in it and what was wrong with it. */
public record Parsed(List<Reading> readings, List<Finding> findings) {
    public Parsed {
        readings = List.copyOf(readings);
        findings = List.copyOf(findings);
    }

    /** The same, taken at another time. */
    Parsed takenAt(Instant at) {
        boolean same = readings.isEmpty() || readings.get(0).takenAt().equals(at);
        return same
                ? this
                : new Parsed(
                        readings.stream().map(reading -> reading.takenAt(at)).toList(), findings);
    }
}
