package org.mobrak.core.plan;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.identity.Fact;

/** How full the battery must be before something is written: what the riskiest class of it asks. */
public final class BatteryGate {
    private BatteryGate() {}

    /**
     * The gate for what is written; empty where nothing is.
     *
     * @param writer the route or file that writes it
     */
    public static Optional<Gate> of(Collection<PartitionClass> written, String writer) {
        return written.stream()
                .max(Comparator.comparingInt(PartitionClass::battery).thenComparingInt(PartitionClass::severity))
                .map(riskiest -> new Gate(
                        Fact.BATTERY_PERCENT,
                        List.of(),
                        Optional.of(riskiest.battery()),
                        "%s writes %s; the phone must not go off in the middle.".formatted(writer, riskiest.named())));
    }
}
