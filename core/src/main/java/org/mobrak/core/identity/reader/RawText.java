package org.mobrak.core.identity.reader;

import java.util.List;
import org.mobrak.core.identity.Finding;

/**
 * Text as it came, not yet believed: only {@link ReadingParser} turns it into readings.
 *
 * @param name where it came from, as the user knows it: a file's name, or {@code pasted text}
 * @param text decoded, byte order mark and NUL characters taken off, line ends as they came
 * @param findings what was wrong with the bytes
 */
public record RawText(String name, String text, List<Finding> findings) {
    public RawText {
        findings = List.copyOf(findings);
    }
}
