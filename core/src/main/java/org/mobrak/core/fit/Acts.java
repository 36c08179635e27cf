package org.mobrak.core.fit;

import java.util.Optional;
import java.util.OptionalInt;
import org.mobrak.core.catalogue.Act;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Days;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Rulers;
import org.mobrak.core.identity.build.VersionOrder;

/** What a route does to a phone as it stands, as far as a danger may forbid it. */
final class Acts {
    /** Bytes from which on files are much to write at once (our own choice). */
    private static final long MUCH = 100_000_000;

    private final Facts facts;
    private final Rulers rulers;

    Acts(Facts facts, Rulers rulers) {
        this.facts = facts;
        this.rulers = rulers;
    }

    /** Whether a route does it; unknown where the two ages of what is written cannot be told apart. */
    Truth does(Act act, Route route) {
        return switch (act) {
            case ANYTHING -> Truth.YES;
            case WIPE, FORMAT -> Truth.of(route.changes().wipesData());
            case BIG_WRITE -> Truth.of(writesMuch(route));
            case WRITE_RADIO -> Truth.of(replaces(route, PartitionClass.RADIO));
            case WRITE_BOOTLOADER -> Truth.of(replaces(route, PartitionClass.BOOTLOADER));
            case CUSTOM_WRITE ->
                Truth.of(brings(route, Fact.RECOVERY, "custom")
                        || brings(route, Fact.KERNEL_KIND, "custom")
                        || brings(route, Fact.OS_KIND, "custom"));
            case OLDER_BOOTLOADER -> olderBootloader(route);
            case OLDER_FIRMWARE -> olderFirmware(route);
            case LOCK -> Truth.of(brings(route, Fact.LOCK, "locked"));
            case CHARGE -> Truth.of(route.changes().effects().containsKey(Fact.BATTERY_PERCENT));
            case START_OF_THE_OS -> Truth.of(needsStartedOs(route));
        };
    }

    private static boolean brings(Route route, Fact fact, String value) {
        return value.equals(route.changes().effects().get(fact));
    }

    private static boolean replaces(Route route, PartitionClass partition) {
        Route.Changes changes = route.changes();
        return changes.writes().contains(partition) && !changes.keeps().contains(partition);
    }

    private static boolean writesMuch(Route route) {
        long bytes = route.changes().writes().isEmpty()
                ? 0
                : route.work().files().stream()
                        .map(NeededFile::bytes)
                        .flatMap(Optional::stream)
                        .mapToLong(Long::longValue)
                        .sum();
        return replaces(route, PartitionClass.SYSTEM) || bytes >= MUCH;
    }

    /** What the route writes there becomes known by its effects; where it says nothing nobody can tell how old it is. */
    private Truth olderBootloader(Route route) {
        if (!replaces(route, PartitionClass.BOOTLOADER)) {
            return Truth.NO;
        }
        Optional<String> then = effect(route, Fact.BOOTLOADER);
        Optional<String> now = facts.value(Fact.BOOTLOADER);
        if (then.isEmpty() || now.isEmpty() || then.equals(now)) {
            return then.isPresent() && then.equals(now) ? Truth.NO : Truth.UNKNOWN;
        }
        OptionalInt order = rulers.order(Fact.BOOTLOADER, then.get(), now.get(), facts.value(Fact.MAKER));
        return order.isPresent() ? Truth.of(order.getAsInt() < 0) : Truth.UNKNOWN;
    }

    /** An older version, or an older build of the same one; where neither can be told, it is not held to be older. */
    private Truth olderFirmware(Route route) {
        if (!replaces(route, PartitionClass.SYSTEM)) {
            return Truth.NO;
        }
        OptionalInt version = order(route, Fact.OS_VERSION, VersionOrder::compare);
        if (version.isPresent() && version.getAsInt() != 0) {
            return Truth.of(version.getAsInt() < 0);
        }
        boolean older = isOlder(order(route, Fact.BUILD_DATE, Days::compare))
                || isOlder(order(route, Fact.BUILD_NUMBER, byGrammar(Fact.BUILD_NUMBER)))
                || isOlder(order(route, Fact.INCREMENTAL, byGrammar(Fact.INCREMENTAL)));
        return Truth.of(older);
    }

    private static boolean isOlder(OptionalInt order) {
        return order.isPresent() && order.getAsInt() < 0;
    }

    private Orders.Order byGrammar(Fact fact) {
        return (one, other) -> rulers.order(fact, one, other, facts.value(Fact.MAKER));
    }

    /** What the route makes of a fact against what it is now. */
    private OptionalInt order(Route route, Fact fact, Orders.Order order) {
        Optional<String> then = effect(route, fact);
        Optional<String> now = facts.value(fact);
        return then.isPresent() && now.isPresent() ? order.compare(then.get(), now.get()) : OptionalInt.empty();
    }

    private static Optional<String> effect(Route route, Fact fact) {
        return Optional.ofNullable(route.changes().effects().get(fact));
    }

    /** A switch that only the OS has, or a first step that begins in it. */
    private boolean needsStartedOs(Route route) {
        return route.work().gates().stream().anyMatch(this::isOpenedInTheOs)
                || route.changes().effects().keySet().stream().anyMatch(Acts::isSetInTheOs)
                || route.work().steps().stream()
                        .filter(step -> step.phase() == Phase.DO || step.phase() == Phase.PREPARE)
                        .limit(1)
                        .anyMatch(step ->
                                step.from().or(step::mode).filter("os"::equals).isPresent());
    }

    /** A switch for the unlock may be on from before; with the others the work itself goes through the OS. */
    private boolean isOpenedInTheOs(Gate gate) {
        return switch (gate.fact()) {
            case USB_DEBUGGING, UNKNOWN_SOURCES, INTERNET -> true;
            case OEM_UNLOCK -> GateJudge.result(gate, facts) != Truth.YES;
            default -> false;
        };
    }

    private static boolean isSetInTheOs(Fact fact) {
        return switch (fact) {
            case USB_DEBUGGING, UNKNOWN_SOURCES, OEM_UNLOCK, INTERNET, APP_BACKUP -> true;
            default -> false;
        };
    }
}
