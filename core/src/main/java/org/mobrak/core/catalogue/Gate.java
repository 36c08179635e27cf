package org.mobrak.core.catalogue;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/** What must be true before the phone is touched: one of some values, or a number at least so high. */
public record Gate(Fact fact, List<String> is, Optional<Integer> atLeast, String why) {
    public Gate {
        is = is == null ? List.of() : List.copyOf(is);
    }

    /**
     * How full the battery must be before something is written: what the riskiest class of it asks. Empty where nothing is.
     *
     * @param writer the route or file that writes it
     */
    public static Optional<Gate> battery(Collection<PartitionClass> written, String writer) {
        return written.stream()
                .max(Comparator.comparingInt(PartitionClass::battery).thenComparingInt(PartitionClass::severity))
                .map(riskiest -> new Gate(
                        Fact.BATTERY_PERCENT,
                        List.of(),
                        Optional.of(riskiest.battery()),
                        "%s writes %s; the phone must not go off in the middle.".formatted(writer, riskiest.named())));
    }

    /** Whether another gate asks for as much of the same, or more. */
    public boolean isWithin(Gate other) {
        return other.fact == fact && other.atLeast.orElse(0) >= atLeast.orElse(0);
    }
}
