package org.mobrak.core.identity.check;

import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** A battery on which no work may start, or which must cool down first; the bound is common practice, no published source. */
final class BatteryCheck implements Check {
    /** In °C. */
    private static final double WARM = 40;

    @Override
    public Stream<Finding> of(Case phone) {
        return BatterySafety.stop(phone.facts()).or(() -> warm(phone)).stream();
    }

    private static Optional<Finding> warm(Case phone) {
        return phone.value(Fact.BATTERY_TEMPERATURE)
                .filter(degrees -> Double.parseDouble(degrees) > WARM)
                .map(degrees -> Finding.caution(
                        "battery-warm",
                        "The battery has %s °C. Let it cool down before anything is written.".formatted(degrees)));
    }
}
