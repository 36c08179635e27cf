package org.mobrak.app;

import java.util.List;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.identity.reader.Parsed;

/** Something to tell the user at once. A bad one says what was wrong and what to do. */
public record Notice(boolean bad, String text) {

    /** What came of taking a text or several in, with the first thing that was wrong with them. */
    static Notice taken(String name, List<Parsed> parsed) {
        int readings = parsed.stream().mapToInt(one -> one.readings().size()).sum();
        List<Finding> odd = parsed.stream()
                .flatMap(one -> one.findings().stream())
                .filter(finding -> finding.severity() != Severity.NOTE)
                .toList();
        String first = odd.isEmpty() ? "" : " " + odd.get(0).message();
        String more = odd.size() < 2 ? "" : " (And %d more below.)".formatted(odd.size() - 1);
        String count = readings == 1 ? "1 reading" : readings + " readings";
        return new Notice(!odd.isEmpty(), "%s taken from “%s”.%s%s".formatted(count, name, first, more));
    }
}
