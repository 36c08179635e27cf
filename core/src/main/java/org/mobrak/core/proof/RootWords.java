package org.mobrak.core.proof;

import java.util.Optional;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** What is said of a phone's root, in the same words wherever it is said. */
public final class RootWords {
    private RootWords() {}

    /** In two or three words, by what is known of the phone. */
    public static String brief(Facts facts) {
        if (facts.belief(Fact.ROOT) instanceof Belief.Conflicting) {
            return "root disputed";
        }
        return switch (facts.value(Fact.ROOT).orElse("")) {
            case "permanent" -> "rooted";
            case "temporary" -> "root for now";
            case "none" -> "no root";
            default -> "root unknown";
        };
    }

    /** In one sentence: what is known, and how far it is proved. */
    public static String sentence(Facts facts, RootProof proof) {
        return known(facts, proof) + " (step " + proof.rung() + " of " + Rung.values().length + " of the proof).";
    }

    private static String known(Facts facts, RootProof proof) {
        Optional<String> noted = facts.value(Fact.ROOT);
        if (facts.belief(Fact.ROOT) instanceof Belief.Conflicting) {
            return "Sources disagree about root; prove it anew";
        }
        return switch (proof.state()) {
            case PERMANENT -> "Rooted, and it lasts";
            case TEMPORARY ->
                noted.filter("permanent"::equals).isPresent()
                        ? "Rooted by what was noted, but not shown yet to last over a restart"
                        : "Root for now: not shown yet to last over a restart";
            case NONE ->
                noted.filter(word -> !word.equals("none")).isPresent()
                        ? "Noted as rooted, but the proof found none"
                        : "No root";
            case UNKNOWN ->
                switch (noted.orElse("")) {
                    case "permanent" -> "Rooted by what was noted, not proved here";
                    case "temporary" -> "Root for now by what was noted, not proved here";
                    case "none" -> "No root by what was noted";
                    default -> "Root unknown: nothing proved yet";
                };
        };
    }
}
