package org.mobrak.core.fit;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.identity.Facts;

/** Whether a gate is open, and what to do if not. */
public record GateJudge(Truth result, String sentence) {

    public static GateJudge of(Gate gate, Facts facts) {
        String label = gate.fact().label();
        List<String> said = facts.said(gate.fact());
        if (said.isEmpty()) {
            String where = gate.fact().whereToRead();
            return new GateJudge(Truth.UNKNOWN, "%s is not known. Look here: %s.".formatted(label, where));
        }
        String values = String.join(" or ", said);
        Truth result = result(gate, facts);
        if (result == Truth.UNKNOWN && said.size() > 1) {
            return new GateJudge(
                    Truth.UNKNOWN,
                    "%s is %s: the readings disagree, and it must be %s. Read it again: %s."
                            .formatted(label, values, wanted(gate), gate.fact().whereToRead()));
        }
        return switch (result) {
            case YES -> new GateJudge(Truth.YES, "%s is %s: good.".formatted(label, values));
            case NO -> new GateJudge(Truth.NO, "%s is %s; it must be %s.".formatted(label, values, wanted(gate)));
            case UNKNOWN ->
                new GateJudge(
                        Truth.UNKNOWN,
                        "%s is %s, which is no number, so nobody can say whether it is %s."
                                .formatted(label, values, wanted(gate)));
        };
    }

    /**
     * Only whether it is open; putting the sentence together is what costs. Where sources disagree it is open only if it is with
     * every value that is said.
     */
    public static Truth result(Gate gate, Facts facts) {
        Optional<String> leading = facts.value(gate.fact());
        if (leading.isEmpty()) {
            return Truth.UNKNOWN;
        }
        Truth first = holds(gate, leading.get());
        return !facts.isTorn(gate.fact())
                        || facts.said(gate.fact()).stream().allMatch(value -> holds(gate, value) == first)
                ? first
                : Truth.UNKNOWN;
    }

    private static String wanted(Gate gate) {
        return gate.atLeast().map(least -> least + " or more").orElse(String.join(" or ", gate.is()));
    }

    /** Whether it would be open with this value. */
    public static Truth holds(Gate gate, String value) {
        if (gate.atLeast().isEmpty()) {
            return Truth.of(gate.is().contains(value));
        }
        return gate.fact().isNumber()
                ? Truth.of(Double.parseDouble(value) >= gate.atLeast().get())
                : Truth.UNKNOWN;
    }
}
