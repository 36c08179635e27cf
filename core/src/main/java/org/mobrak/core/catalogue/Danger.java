package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Optional;
import java.util.Set;

/**
 * A state in which something must not be done, whatever the route.
 *
 * @param when the state
 * @param forbids what must not be done in it
 * @param ifUnknown what follows where nobody knows whether the phone is in that state; it is asked if nothing is said
 * @param because why, for a person
 * @param source where this was read, or {@code from memory}, or {@code common practice, no published source}
 */
@JsonIgnoreProperties("origin")
public record Danger(
        String id,
        Condition when,
        Set<Act> forbids,
        Severity severity,
        Optional<IfUnknown> ifUnknown,
        String because,
        String source) {
    public Danger {
        forbids = Set.copyOf(forbids);
    }

    /** How grave it is. */
    public enum Severity {
        /** It is not done. */
        @JsonProperty("stop")
        STOP,
        /** It may be done, and the person is told. */
        @JsonProperty("caution")
        CAUTION
    }

    /** What follows where nobody knows whether the phone is in that state. */
    public enum IfUnknown {
        /** It must be read first. */
        @JsonProperty("ask")
        ASK,
        /** The person is told that nobody knows. */
        @JsonProperty("tell")
        TELL,
        /** It is passed over: nearly no phone is in that state, and who is sees it. */
        @JsonProperty("pass")
        PASS
    }

    /** Whether it is worth a word while nobody knows whether the phone is in that state. */
    public boolean speaksUnknown() {
        return severity == Severity.STOP && ifUnknown.orElse(IfUnknown.ASK) != IfUnknown.PASS;
    }

    /** Whether it must be read whether the phone is in that state. */
    public boolean asks() {
        return severity == Severity.STOP && ifUnknown.orElse(IfUnknown.ASK) == IfUnknown.ASK;
    }

    /** That the phone is not in that state: what a route needs that does what is forbidden there. */
    public Condition ruledOut() {
        return new Condition.Not(when, Optional.of(because));
    }
}
