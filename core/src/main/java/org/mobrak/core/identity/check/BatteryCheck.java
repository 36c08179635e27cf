package org.mobrak.core.identity.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** A battery on which no work may start. The bounds are common practice, no published source. */
final class BatteryCheck implements Check {
    private static final double HOT = 50;
    private static final double WARM = 40;
    private static final String STOP =
            " Stop: do not charge or flash. Take it to a battery recycler or a repair professional.";

    @Override
    public Stream<Finding> of(Case phone) {
        List<Finding> found = new ArrayList<>();
        phone.value(Fact.BATTERY_BODY)
                .filter(body -> !body.equals("flat"))
                .ifPresent(body -> found.add(Finding.stop("battery-" + body, "The battery is " + body + "." + STOP)));
        phone.value(Fact.BATTERY_HEALTH)
                .filter(health -> !health.equals("good") && !health.equals("cold"))
                .ifPresent(health -> found.add(
                        Finding.stop("battery-health", "The phone calls its battery " + health + "." + STOP)));
        temperature(phone).ifPresent(found::add);
        return found.stream();
    }

    private static Optional<Finding> temperature(Case phone) {
        return phone.value(Fact.BATTERY_TEMPERATURE)
                .map(Double::parseDouble)
                .filter(degrees -> degrees > WARM)
                .map(degrees -> degrees > HOT
                        ? Finding.stop("battery-hot", "The battery has %.1f °C.%s".formatted(degrees, STOP))
                        : Finding.caution(
                                "battery-warm",
                                "The battery has %.1f °C. Let it cool down before anything is written."
                                        .formatted(degrees)));
    }
}
