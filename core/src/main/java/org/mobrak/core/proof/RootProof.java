package org.mobrak.core.proof;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.fit.Truth;

/**
 * How far root was proved.
 *
 * @param reached the highest rung with a yes; empty where there is none
 * @param rungs what each rung answers, all six
 */
public record RootProof(State state, Optional<Rung> reached, Map<Rung, Truth> rungs, List<ProofWarning> warnings) {
    public RootProof {
        rungs = new EnumMap<>(rungs);
        warnings = List.copyOf(warnings);
    }

    /** What may be claimed. */
    public enum State {
        NONE,
        TEMPORARY,
        PERMANENT,
        UNKNOWN;

        /** For programs, and as the fact's value where it is one. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** From 0 to 6. */
    public int rung() {
        return reached.map(Rung::number).orElse(0);
    }

    /** Whether root of any kind was shown. */
    public boolean isProved() {
        return state == State.PERMANENT || state == State.TEMPORARY;
    }
}
