package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;

/**
 * One thing to do; waits are in minutes. With a choice of wipes, a step may belong to one of them.
 *
 * @param from the mode it begins in, where that is not the mode it ends in
 * @param mode the mode it ends in
 * @param ifNot what to do if the sign does not come; {@code remedies} tells more cases apart
 * @param writes what it writes; where no step of a route says so, the first that does anything is taken to write it all
 * @param effects what holds once it is done; where no step says so, the last that does anything brings it about
 * @param rung how much it proves, from 1 (an icon) to 6 (still so after a restart)
 * @param by which of several ways the text tells, where there are others
 * @param or the others
 * @param with what hands need besides
 */
public record RouteStep(
        Phase phase,
        String title,
        String text,
        Optional<String> from,
        Optional<String> mode,
        Optional<KeyChord> keys,
        Optional<String> sign,
        Optional<Integer> normalUntil,
        Optional<Integer> worryAfter,
        Optional<String> ifNot,
        List<Remedy> remedies,
        List<PartitionClass> writes,
        Map<Fact, String> effects,
        Optional<Integer> rung,
        boolean noReturn,
        Optional<Route.Wipe> wipe,
        Optional<Habit> by,
        List<Otherwise> or,
        @JsonInclude(JsonInclude.Include.NON_EMPTY) Optional<Handling> with) {
    public RouteStep {
        or = or == null ? List.of() : List.copyOf(or);
        remedies = remedies == null ? List.of() : List.copyOf(remedies);
        writes = writes == null ? List.of() : List.copyOf(writes);
        effects = effects == null ? Map.of() : Map.copyOf(effects);
        with = with == null ? Optional.empty() : with;
    }

    /** What hands need besides; nothing where the author does not say. */
    public Handling handling() {
        return with.orElse(Handling.NONE);
    }

    /** What to do for each thing that may be seen instead of the sign. */
    public List<Remedy> allRemedies() {
        return Stream.concat(remedies.stream(), ifNot.map(what -> new Remedy("The sign does not come", what)).stream())
                .toList();
    }

    /** Whether it is done with this kind of wipe. */
    boolean isWith(Route.Wipe chosen) {
        return wipe.isEmpty() || wipe.get() == chosen;
    }

    /** If a person sees the one, they do the other. */
    public record Remedy(
            @JsonProperty("if") String seen,
            @JsonProperty("do") String what) {}
}
