package org.mobrak.core.job;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Increase;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * What must be read from the phone once a route is done: the values that it says it brings, and those of what it must not have
 * touched although it was near: the radio under a new system, the recovery, the build under a new kernel.
 */
final class Expected {
    /** What can be read as a value; whether root is there is proved by what happens. */
    private static final List<Fact> READ = List.of(
            Fact.OS_VERSION,
            Fact.BUILD_NUMBER,
            Fact.KERNEL_RELEASE,
            Fact.KERNEL_BUILT,
            Fact.BASEBAND,
            Fact.BOOTLOADER,
            Fact.WARRANTY_FUSE,
            Fact.CUSTOM_WRITES,
            Fact.WRITE_PROTECTION,
            Fact.LOCK);

    /** What a person looks at whether it stayed, by the part of the storage that holds it. */
    private static final Map<PartitionClass, Fact> STAYS = Map.of(
            PartitionClass.RADIO, Fact.BASEBAND,
            PartitionClass.RECOVERY, Fact.RECOVERY,
            PartitionClass.SYSTEM, Fact.BUILD_NUMBER);

    /** Told by the screens from which one writes, and by no other. */
    private static final Set<Fact> ON_THE_LOADERS_SCREEN =
            EnumSet.of(Fact.BOOTLOADER, Fact.WARRANTY_FUSE, Fact.CUSTOM_WRITES, Fact.WRITE_PROTECTION, Fact.LOCK);

    private Expected() {}

    /** What of it can be read in a mode; without one the phone's system runs. */
    static Map<Fact, String> readable(Map<Fact, String> expected, Optional<String> mode) {
        Map<Fact, String> read = new EnumMap<>(Fact.class);
        expected.forEach((fact, value) -> {
            boolean loader = ON_THE_LOADERS_SCREEN.contains(fact);
            boolean can = switch (mode.orElse(Passage.OS)) {
                // Which recovery is there shows when it starts.
                case Passage.OS -> !loader && fact != Fact.RECOVERY;
                case "recovery" -> fact == Fact.RECOVERY;
                default -> loader;
            };
            if (can) {
                read.put(fact, value);
            }
        });
        return read;
    }

    /** What of it is a value that can be read, and not more or less than before. */
    static Map<Fact, String> values(Map<Fact, String> effects) {
        Map<Fact, String> values = new EnumMap<>(Fact.class);
        effects.forEach((fact, value) -> {
            if (READ.contains(fact) && !Increase.is(value)) {
                values.put(fact, value);
            }
        });
        return values;
    }

    /** @param before what is known of the phone before the route */
    static Map<Fact, String> after(Route route, Facts before) {
        Map<Fact, String> expected = new EnumMap<>(Fact.class);
        Map<Fact, Optional<String>> aftermath = Aftermath.of(route, before);
        for (Fact fact : READ) {
            Optional.ofNullable(route.changes().effects().get(fact))
                    .flatMap(effect -> Increase.resolved(effect, before.value(fact)))
                    .ifPresent(value -> expected.put(fact, value));
        }
        Set<PartitionClass> writes = Set.copyOf(route.changes().writes());
        boolean near = writes.contains(PartitionClass.SYSTEM) || writes.contains(PartitionClass.KERNEL);
        STAYS.forEach((where, fact) -> {
            boolean stays = near
                    && !aftermath.containsKey(fact)
                    && !route.changes().effects().containsKey(fact)
                    && (!writes.contains(where) || route.changes().keeps().contains(where));
            if (stays) {
                before.value(fact).ifPresent(value -> expected.put(fact, value));
            }
        });
        return expected;
    }
}
