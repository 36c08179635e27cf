package org.mobrak.core.identity.reader;

import java.util.List;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;

/** What a text gave: the readings in it and what was wrong with it. */
public record Parsed(List<Reading> readings, List<Finding> findings) {
    public Parsed {
        readings = List.copyOf(readings);
        findings = List.copyOf(findings);
    }
}
