package org.mobrak.core.fit;

import java.util.Optional;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.identity.Facts;

/** Whether a gate is open, and what to do if not. */
public record GateJudge(Truth result, String sentence) {

    public static GateJudge of(Gate gate, Facts facts) {
        String label = gate.fact().label();
        Optional<String> value = facts.value(gate.fact());
        if (value.isEmpty()) {
            String where = gate.fact().whereToRead();
            return new GateJudge(Truth.UNKNOWN, "%s is not known. Look here: %s.".formatted(label, where));
        }
        return switch (holds(gate, value.get())) {
            case YES -> new GateJudge(Truth.YES, "%s is %s: good.".formatted(label, value.get()));
            case NO -> new GateJudge(Truth.NO, "%s is %s; it must be %s.".formatted(label, value.get(), wanted(gate)));
            case UNKNOWN ->
                new GateJudge(
                        Truth.UNKNOWN,
                        "%s is %s, which is no number, so nobody can say whether it is %s."
                                .formatted(label, value.get(), wanted(gate)));
        };
    }

    /** Only whether it is open; putting the sentence together is what costs. */
    public static Truth result(Gate gate, Facts facts) {
        return facts.value(gate.fact()).map(value -> holds(gate, value)).orElse(Truth.UNKNOWN);
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
