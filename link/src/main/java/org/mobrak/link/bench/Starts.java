package org.mobrak.link.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState.Inside;
import org.mobrak.link.bench.Turn.Observation;

/** What happens when a phone starts into a mode. */
final class Starts {
    private static final Set<PartitionClass> KEEP_IT_OFF =
            Set.of(PartitionClass.BOOTLOADER, PartitionClass.PARTITION_TABLE, PartitionClass.UNKNOWN);
    private static final Set<PartitionClass> KEEP_IT_LOOPING = Set.of(PartitionClass.KERNEL, PartitionClass.SYSTEM);
    /** Recovery and the modes of the loader come up quickly (our own choice). */
    private static final double SHORT_SECONDS = 12;

    private static final double HALFWAY = 0.5;
    private static final String PREPARES = "it says that it prepares its apps";
    static final String PASSWORD = "it asks for a password that nobody set";

    private final BenchTruth phone;

    Starts(BenchTruth phone) {
        this.phone = phone;
    }

    /** Starts it anew, whatever it does now. */
    Turn into(Mode wanted, BenchState before) {
        if (before.mode() == Mode.DEAD) {
            return Turn.shows(before, false, Mode.DEAD.screen());
        }
        if (before.battery() < 1) {
            return Turn.shows(before.in(Mode.OFF), false, "the battery is empty");
        }
        if (before.inside().broken().stream().anyMatch(KEEP_IT_OFF::contains)) {
            return Turn.shows(before.in(Mode.DEAD), false, Mode.DEAD.screen());
        }
        return switch (wanted) {
            case OS -> os(before);
            case RECOVERY -> recovery(before);
            case OFF -> Turn.shows(before.in(Mode.OFF).later(3), true, Mode.OFF.screen());
            default -> Turn.shows(before.working(phone, SHORT_SECONDS).in(wanted), true, wanted.screen());
        };
    }

    private Turn os(BenchState before) {
        Inside inside = before.inside();
        boolean loops = inside.dirty() || inside.broken().stream().anyMatch(KEEP_IT_LOOPING::contains);
        if (loops) {
            return Turn.shows(
                    before.working(phone, phone.nature().bootSeconds()).in(Mode.LOOP), false, Mode.LOOP.screen());
        }
        double time = inside.wiped()
                ? phone.nature().firstBootSeconds()
                : phone.nature().bootSeconds();
        BenchState started = before.working(phone, time).in(Mode.OS);
        List<Observation> seen = new ArrayList<>();
        if (inside.wiped()) {
            seen.add(new Observation(before.seconds() + time * HALFWAY, PREPARES));
        }
        if (started.asksForPassword()) {
            seen.add(new Observation(started.seconds(), PASSWORD));
            return new Turn(started, false, seen);
        }
        seen.add(new Observation(started.seconds(), Mode.OS.screen()));
        if (inside.is(Fact.TROUBLE, Works.APP_REFUSES)) {
            phone.nature()
                    .refusing(inside.facts())
                    .ifPresent(app -> seen.add(new Observation(
                            started.seconds(), app + " says that this phone was changed, and closes itself")));
        }
        Inside after = inside.next(false, false);
        if (inside.repairs() && inside.fresh()) {
            // Nobody sees it happen; it shows when the recovery is started.
            after = after.knowing(Map.of(Fact.RECOVERY, "stock"));
        }
        return new Turn(started.with(after.repairing(after.repairs(), false)), true, seen);
    }

    private Turn recovery(BenchState before) {
        Inside inside = before.inside();
        if (inside.broken().contains(PartitionClass.RECOVERY)) {
            return Turn.shows(before.working(phone, SHORT_SECONDS).in(Mode.LOOP), false, Mode.LOOP.screen());
        }
        boolean custom = inside.is(Fact.RECOVERY, "custom");
        BenchState started = before.working(phone, SHORT_SECONDS).in(Mode.RECOVERY);
        // A recovery that ran once keeps the OS from putting its own back.
        Inside after = inside.repairing(inside.repairs() && !custom, false);
        if (custom && started.asksForPassword()) {
            return Turn.shows(started.with(after), true, PASSWORD);
        }
        return Turn.shows(
                started.with(after), true, custom ? "the custom recovery’s screen" : "the stock recovery’s screen");
    }
}
