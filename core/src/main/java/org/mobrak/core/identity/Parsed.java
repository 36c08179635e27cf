package org.mobrak.core.identity;

import java.util.List;

/** What a text gave: the readings in it and what was wrong with it. */
public record Parsed(List<Reading> readings, List<Finding> findings) {
    public Parsed {
        readings = List.copyOf(readings);
        findings = List.copyOf(findings);
    }
}
