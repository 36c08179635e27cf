package org.mobrak.core.logbook;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadTexts;

/**
 * A text that was taken of a phone, kept as it came.
 *
 * @param name the file's name, or where else it came from
 * @param provedBy the number of the job that brought about what it says
 * @param withdrawnAt when the user took it back; it is kept all the same
 */
public record Intake(
        long id,
        long phoneId,
        String name,
        Kind kind,
        String text,
        List<Finding> findings,
        Instant takenAt,
        Optional<Instant> withdrawnAt,
        Optional<Long> provedBy) {

    /** The code of the finding that tells of a text that cannot be read any more. */
    public static final String UNREADABLE = "unreadable-text";

    /** A text with readings in it, or one {@code key=value} that a person typed. */
    public enum Kind {
        TEXT,
        TYPED
    }

    /** The same by the logbook's order, and with what else is to be told of it. */
    Intake placed(Instant at, Optional<Finding> told) {
        List<Finding> all = Stream.concat(findings.stream(), told.stream()).toList();
        return new Intake(id, phoneId, name, kind, text, all, at, withdrawnAt, provedBy);
    }

    public boolean counts() {
        return withdrawnAt.isEmpty();
    }

    /** What can be read of it. One text that cannot be read is told as such, and the others are not touched by it. */
    Parsed parse(ReadTexts texts) {
        try {
            return read(texts);
        } catch (Refusal | RuntimeException | StackOverflowError unreadable) {
            return new Parsed(List.of(), List.of(unreadable()));
        }
    }

    private Finding unreadable() {
        return Finding.caution(
                UNREADABLE,
                "“%s”, taken on %s, cannot be read any more. It is kept; take it out if it is no use."
                        .formatted(name, takenAt.toString().substring(0, "2026-11-26".length())));
    }

    private Parsed read(ReadTexts texts) throws Refusal {
        return kind == Kind.TEXT
                ? texts.of(new RawText(name, text, findings), takenAt)
                : new Parsed(List.of(typed()), findings);
    }

    private Reading typed() throws Refusal {
        Reading said = TypedReading.parse(text, takenAt);
        return provedBy.map(said::provedBy).orElse(said);
    }
}
