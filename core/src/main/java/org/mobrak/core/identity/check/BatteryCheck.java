package org.mobrak.core.identity.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** A battery on which no work may start. The bounds are common practice, no published source. */
final class BatteryCheck implements Check {
    private static final double HOT = 50;
    private static final double WARM = 40;

    /** One reason to stop: the code it has if it is the gravest, and its part of the sentence. */
    private record Reason(String code, String words) {}

    @Override
    public Stream<Finding> of(Case phone) {
        List<Reason> reasons = reasons(phone);
        return reasons.isEmpty() ? warm(phone).stream() : Stream.of(stop(reasons));
    }

    private static List<Reason> reasons(Case phone) {
        List<Reason> reasons = new ArrayList<>();
        phone.value(Fact.BATTERY_BODY)
                .filter(body -> !body.equals("flat"))
                .ifPresent(body -> reasons.add(new Reason("battery-" + body, "is " + body)));
        phone.value(Fact.BATTERY_HEALTH)
                .filter(health -> !health.equals("good") && !health.equals("cold"))
                .ifPresent(health -> reasons.add(new Reason("battery-health", "is " + health + ", as the phone says")));
        degrees(phone, HOT).ifPresent(degrees -> reasons.add(new Reason("battery-hot", "has " + degrees)));
        return reasons;
    }

    private static Finding stop(List<Reason> reasons) {
        String words = reasons.stream().map(Reason::words).collect(Collectors.joining(", and "));
        return Finding.stop(
                reasons.get(0).code(),
                "The battery %s. Stop: do not charge or flash. Take it to a battery recycler or a repair professional."
                        .formatted(words));
    }

    private static Optional<Finding> warm(Case phone) {
        return degrees(phone, WARM)
                .map(degrees -> Finding.caution(
                        "battery-warm",
                        "The battery has %s. Let it cool down before anything is written.".formatted(degrees)));
    }

    private static Optional<String> degrees(Case phone, double above) {
        return phone.value(Fact.BATTERY_TEMPERATURE)
                .filter(degrees -> Double.parseDouble(degrees) > above)
                .map(degrees -> degrees + " °C");
    }
}
