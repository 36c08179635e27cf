package org.mobrak.core.identity.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;

/** Whether a battery forbids all work: what the phone's page tells and what refuses every route. */
public final class BatterySafety {
    /** In °C; common practice, no published source. */
    private static final double HOT = 50;

    /** One reason to stop: the code it has if it is the gravest, and its part of the sentence. */
    private record Reason(String code, String words) {}

    private BatterySafety() {}

    /** Why no work may start, as a finding that stops; empty where nothing is known against the battery. */
    public static Optional<Finding> stop(Facts facts) {
        List<Reason> reasons = new ArrayList<>();
        facts.value(Fact.BATTERY_BODY)
                .filter(body -> !body.equals("flat"))
                .ifPresent(body -> reasons.add(new Reason("battery-" + body, "is " + body)));
        facts.value(Fact.BATTERY_HEALTH)
                .filter(health -> !health.equals("good") && !health.equals("cold"))
                .ifPresent(health -> reasons.add(new Reason("battery-health", "is " + health + ", as the phone says")));
        facts.value(Fact.BATTERY_TEMPERATURE)
                .filter(degrees -> Double.parseDouble(degrees) > HOT)
                .ifPresent(degrees -> reasons.add(new Reason("battery-hot", "has " + degrees + " °C")));
        facts.value(Fact.TROUBLE)
                .filter("battery-hot"::equals)
                .ifPresent(hot -> reasons.add(new Reason("battery-hot", "is hot to the hand")));
        return reasons.isEmpty() ? Optional.empty() : Optional.of(finding(reasons));
    }

    private static Finding finding(List<Reason> reasons) {
        String words = reasons.stream().map(Reason::words).collect(Collectors.joining(", and "));
        return Finding.stop(
                reasons.get(0).code(),
                "The battery %s. Stop: do not charge or flash. Take it to a battery recycler or a repair professional."
                        .formatted(words));
    }
}
