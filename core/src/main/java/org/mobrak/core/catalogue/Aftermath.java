package org.mobrak.core.catalogue;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * What is known of a phone after a route. What its partitions hold is known by certain facts; once such a partition is
 * written they are what the route says, and where it says nothing nobody knows them any more. A wipe empties the internal
 * storage. This is the one place where that is decided; search, look-ahead, replay and fit all ask here.
 */
public final class Aftermath {
    /** By which facts the content of a partition is known. */
    private static final Map<PartitionClass, Set<Fact>> KNOWN_BY = Map.of(
            PartitionClass.SYSTEM,
            EnumSet.of(
                    Fact.OS_VERSION,
                    Fact.API_LEVEL,
                    Fact.BUILD_ID,
                    Fact.BUILD_ID_DATE,
                    Fact.BUILD_NUMBER,
                    Fact.INCREMENTAL,
                    Fact.BUILD_TYPE,
                    Fact.BUILD_TAGS,
                    Fact.FINGERPRINT,
                    Fact.BUILD_DATE,
                    Fact.PATCH_LEVEL,
                    Fact.DEBUGGABLE,
                    Fact.UPDATE),
            PartitionClass.KERNEL,
            EnumSet.of(
                    Fact.KERNEL_RELEASE,
                    Fact.KERNEL_BUILT,
                    Fact.KERNEL_BUILDER,
                    Fact.KERNEL_COMPILER,
                    Fact.KERNEL_BUILD,
                    Fact.KERNEL_KIND),
            PartitionClass.RECOVERY,
            EnumSet.of(Fact.RECOVERY),
            PartitionClass.RADIO,
            EnumSet.of(Fact.BASEBAND),
            PartitionClass.BOOTLOADER,
            EnumSet.of(Fact.BOOTLOADER));

    private static final Set<Fact> ALL = union();

    /** Switches that are off on a phone that starts for the first time. */
    private static final List<Fact> RESET = List.of(Fact.USB_DEBUGGING, Fact.UNKNOWN_SOURCES);

    private static final Set<Fact> UNKNOWN_AFTER_A_WIPE = Set.of(Fact.DATA_FREE, Fact.INTERNET);

    private static final List<Fact> SWITCHES = List.of(Fact.USB_DEBUGGING, Fact.UNKNOWN_SOURCES, Fact.OEM_UNLOCK);

    private static final List<Fact> BACKUPS = List.of(Fact.IMAGE_BACKUP, Fact.APP_BACKUP, Fact.RADIO_BACKUP);

    private Aftermath() {}

    private static Set<Fact> union() {
        Set<Fact> all = EnumSet.noneOf(Fact.class);
        KNOWN_BY.values().forEach(all::addAll);
        return all;
    }

    /** Whatever work of any kind may have changed. */
    public static Set<Fact> everything() {
        Set<Fact> all = EnumSet.copyOf(ALL);
        Stream.of(Fact.values()).filter(Fact::canBeGiven).forEach(all::add);
        return all;
    }

    /** The facts that are otherwise than before: each with its new value, or empty where it is no longer known. */
    public static Map<Fact, Optional<String>> of(Route route, Facts before) {
        Map<Fact, Optional<String>> after = new EnumMap<>(Fact.class);
        Route.Changes changes = route.changes();
        for (PartitionClass written : changes.writes()) {
            if (!changes.keeps().contains(written)) {
                forget(facts(written), before, after);
            }
        }
        if (changes.wipesData()) {
            after.putAll(wiped(before));
        }
        if (changes.writes().contains(PartitionClass.SYSTEM) && !changes.keeps().contains(PartitionClass.SYSTEM)) {
            // A new system starts, or its route has failed.
            exchange(Fact.OS_STARTS, "no", "yes", before, after);
        }
        changes.effects()
                .forEach((fact, effect) -> after.put(
                        fact, Increase.is(effect) ? Increase.of(effect, before.value(fact)) : Optional.of(effect)));
        // A switch that the phone does not have is turned neither on nor off.
        SWITCHES.stream()
                .filter(fact -> before.value(fact).filter("absent"::equals).isPresent())
                .forEach(after::remove);
        return after;
    }

    /** By which facts the content of a partition is known; one of unknown name may be any. */
    public static Set<Fact> facts(PartitionClass written) {
        return written == PartitionClass.UNKNOWN ? ALL : KNOWN_BY.getOrDefault(written, Set.of());
    }

    private static void forget(Set<Fact> facts, Facts before, Map<Fact, Optional<String>> after) {
        for (Fact fact : facts) {
            if (before.value(fact).isPresent()) {
                after.put(fact, Optional.empty());
            }
        }
    }

    /** Copies on the phone, switches and backups that lie only there are gone; what was verified lies elsewhere too. */
    public static Map<Fact, Optional<String>> wiped(Facts before) {
        Map<Fact, Optional<String>> after = new EnumMap<>(Fact.class);
        after.put(Fact.FILES_COPIED, Optional.of("no"));
        RESET.stream()
                .filter(fact -> before.value(fact).filter("absent"::equals).isEmpty())
                .forEach(fact -> after.put(fact, Optional.of("off")));
        exchange(Fact.OEM_UNLOCK, "on", "off", before, after);
        BACKUPS.forEach(fact -> exchange(fact, "taken", "none", before, after));
        forget(UNKNOWN_AFTER_A_WIPE, before, after);
        return after;
    }

    /** The facts that nobody knows any more once the data is gone. */
    public static Set<Fact> unknownAfterAWipe() {
        return UNKNOWN_AFTER_A_WIPE;
    }

    private static void exchange(
            Fact fact, String gone, String instead, Facts before, Map<Fact, Optional<String>> after) {
        if (before.value(fact).filter(gone::equals).isPresent()) {
            after.put(fact, Optional.of(instead));
        }
    }
}
