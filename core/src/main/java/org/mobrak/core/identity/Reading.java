package org.mobrak.core.identity;

import java.time.Instant;
import java.util.Objects;
import java.util.Optional;

/**
 * One raw observation: a source said this value of this fact.
 *
 * @param file name of the text it stood in, as the user knows it
 * @param line line in that text, from 1
 * @param takenAt when the text was taken in
 * @param setAside why the user does not let it count; empty where it counts
 */
public record Reading(
        Fact fact, String value, Source source, String file, int line, Instant takenAt, Optional<String> setAside) {
    /** How the place of a reading begins that a job brought about; its number follows. */
    public static final String PROOF = "proof of job ";

    public Reading {
        Objects.requireNonNull(fact);
        Objects.requireNonNull(source);
        Objects.requireNonNull(file);
        Objects.requireNonNull(takenAt);
        Objects.requireNonNull(setAside);
        fact.domain().objection(value).ifPresent(objection -> {
            throw new IllegalArgumentException(fact.label() + " " + objection);
        });
        if (line < 1) {
            throw new IllegalArgumentException("Lines count from 1, not " + line);
        }
    }

    /** A reading that counts. */
    public Reading(Fact fact, String value, Source source, String file, int line, Instant takenAt) {
        this(fact, value, source, file, line, takenAt, Optional.empty());
    }

    /** The same reading, kept but no longer counting. */
    public Reading aside(String reason) {
        return new Reading(fact, value, source, file, line, takenAt, Optional.of(reason));
    }

    /** What follows from this reading for another fact; it counts only where this one does. */
    public Reading follows(Fact other, String otherValue) {
        return new Reading(other, otherValue, Source.WORKED_OUT, file, line, takenAt, setAside);
    }

    /** The same reading, noted elsewhere. */
    public Reading noted(String where) {
        return new Reading(fact, value, source, where, line, takenAt, setAside);
    }

    /** Whether a job brought it about, so that what was read before it is history. */
    boolean isProof() {
        return file.startsWith(PROOF);
    }

    public boolean counts() {
        return setAside.isEmpty();
    }

    /** Where it stands, for a person: {@code listing.txt, line 12}. */
    public String place() {
        if (isProof()) {
            return file;
        }
        return source == Source.TYPED ? "typed in" : file + ", line " + line;
    }
}
