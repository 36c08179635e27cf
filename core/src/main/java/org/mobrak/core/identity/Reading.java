package org.mobrak.core.identity;

import java.time.Instant;
import java.util.Objects;

/**
 * One raw observation: a source said this value of this fact.
 *
 * @param file name of the text it stood in, as the user knows it
 * @param line line in that text, from 1
 * @param takenAt when the text was taken in
 */
public record Reading(Fact fact, String value, Source source, String file, int line, Instant takenAt) {
    public Reading {
        Objects.requireNonNull(fact);
        Objects.requireNonNull(source);
        Objects.requireNonNull(file);
        Objects.requireNonNull(takenAt);
        fact.domain().objection(value).ifPresent(objection -> {
            throw new IllegalArgumentException(fact.label() + " " + objection);
        });
        if (line < 1) {
            throw new IllegalArgumentException("Lines count from 1, not " + line);
        }
    }

    /** Where it stands, for a person: {@code listing.txt, line 12}. */
    public String place() {
        return source == Source.TYPED ? "typed in" : file + ", line " + line;
    }
}
