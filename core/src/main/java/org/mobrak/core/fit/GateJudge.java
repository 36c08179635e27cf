package org.mobrak.core.fit;

import java.util.Optional;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.identity.Facts;

/** Whether a gate is open, and what to do if not. */
public record GateJudge(Truth result, String sentence) {

    public static GateJudge of(Gate gate, Facts facts) {
        String label = gate.fact().label();
        String wanted = gate.atLeast().map(least -> least + " or more").orElse(String.join(" or ", gate.is()));
        Optional<String> value = facts.value(gate.fact());
        if (value.isEmpty()) {
            String where = gate.fact().whereToRead();
            return new GateJudge(Truth.UNKNOWN, "%s is not known. Look here: %s.".formatted(label, where));
        }
        boolean open = gate.atLeast().isPresent()
                ? Double.parseDouble(value.get()) >= gate.atLeast().get()
                : gate.is().contains(value.get());
        return open
                ? new GateJudge(Truth.YES, "%s is %s: good.".formatted(label, value.get()))
                : new GateJudge(Truth.NO, "%s is %s; it must be %s.".formatted(label, value.get(), wanted));
    }
}
