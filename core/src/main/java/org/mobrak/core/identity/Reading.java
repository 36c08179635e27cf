package org.mobrak.core.identity;

import java.time.Instant;
import java.util.Objects;
import java.util.Optional;

/**
 * One raw observation: a source said this value of this fact.
 *
 * @param takenAt when the text was taken in
 * @param setAside why the user does not let it count; empty where it counts
 */
public record Reading(Fact fact, String value, Origin origin, Instant takenAt, Optional<String> setAside) {
    public Reading {
        Objects.requireNonNull(fact);
        value = withoutBlanksAround(value);
        Objects.requireNonNull(origin);
        Objects.requireNonNull(takenAt);
        Objects.requireNonNull(setAside);
        fact.domain().objection(value).ifPresent(objection -> {
            throw new IllegalArgumentException(fact.label() + " " + objection);
        });
    }

    /** Blanks at the ends are nobody's word, hard spaces included; a text often brings them along. */
    private static String withoutBlanksAround(String text) {
        int from = 0;
        int to = text.length();
        while (from < to && isBlank(text.charAt(from))) {
            from++;
        }
        while (to > from && isBlank(text.charAt(to - 1))) {
            to--;
        }
        return text.substring(from, to);
    }

    private static boolean isBlank(char c) {
        return Character.isWhitespace(c) || Character.isSpaceChar(c);
    }

    /** A reading that counts. */
    public Reading(Fact fact, String value, Origin origin, Instant takenAt) {
        this(fact, value, origin, takenAt, Optional.empty());
    }

    /** The same reading, kept but no longer counting. */
    public Reading aside(String reason) {
        return new Reading(fact, value, origin, takenAt, Optional.of(reason));
    }

    /** The same reading, taken in at another time. */
    public Reading takenAt(Instant at) {
        return new Reading(fact, value, origin, at, setAside);
    }

    /** What follows from this reading for another fact; it counts only where this one does. */
    public Reading follows(Fact other, String otherValue) {
        return new Reading(other, otherValue, new Origin.Derived(origin), takenAt, setAside);
    }

    /** The same reading, as a job brought it about. */
    public Reading provedBy(long job) {
        return new Reading(fact, value, new Origin.Proved(job), takenAt, setAside);
    }

    /** What kind of source it comes from. */
    public Source source() {
        return origin.source();
    }

    /** The name of the text it stands in, as the user knows it. */
    public String file() {
        return origin.file();
    }

    /** The line in that text, from 1. */
    public int line() {
        return origin.line();
    }

    public boolean counts() {
        return setAside.isEmpty();
    }

    /** Where it stands, for a person: {@code listing.txt, line 12}. */
    public String place() {
        return origin.place();
    }
}
