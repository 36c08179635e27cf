package org.mobrak.core.logbook.search;

import java.util.List;

/**
 * What came of a search.
 *
 * @param hits the best first
 * @param proposals other words that are in the logbook, where the typed ones are not
 */
public record Found(String query, List<Hit> hits, List<String> proposals) {
    public Found {
        hits = List.copyOf(hits);
        proposals = List.copyOf(proposals);
    }
}
