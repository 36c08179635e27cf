package org.mobrak.core.gather;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Finding;

/**
 * A line of the gathering list.
 *
 * @param kept the file that was taken for it
 * @param findings on that file for this use, the gravest first
 * @param reason why it stands so, in a sentence
 */
public record GatherItem(Need need, Standing standing, Optional<Kept> kept, List<Finding> findings, String reason) {
    public GatherItem {
        findings = List.copyOf(findings);
    }

    /** Its size in bytes, had or still to be fetched; zero where nobody knows. */
    public long bytes() {
        return kept.map(file -> file.material().bytes())
                .orElseGet(() ->
                        need instanceof Need.OfFile file ? file.file().bytes().orElse(0L) : 0L);
    }
}
