package org.mobrak.link.bench;

import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;

/**
 * How a bench phone stands at one moment of virtual time.
 *
 * @param seconds since the rehearsal began
 * @param battery in percent
 * @param celsius how warm the battery is
 */
public record BenchState(
        Mode mode, double seconds, double battery, double celsius, Hands hands, Wire wire, Inside inside) {
    private static final double USUAL_PERCENT = 70;

    /**
     * What is held.
     *
     * @param held the keys that are down, and since when
     * @param strokes how many strokes of each way were done so far, in the order of {@link BenchTruth#ways}
     */
    public record Hands(Map<Key, Double> held, List<Integer> strokes) {
        public Hands {
            held = Map.copyOf(held);
            strokes = List.copyOf(strokes);
        }

        /** The same keys, and no way begun. */
        Hands anew() {
            return new Hands(held, Collections.nCopies(strokes.size(), 0));
        }
    }

    /**
     * How it hangs on the computer.
     *
     * @param driver whether the computer knows the phone's port
     */
    public record Wire(Cable cable, boolean driver) {}

    /**
     * What is in it.
     *
     * @param facts what is so of the phone now
     * @param broken what holds nothing that can run
     * @param repairs whether the stock OS would put its own recovery back
     * @param fresh whether a recovery was written, and neither it nor the OS has started since
     * @param dirty whether something makes the next start loop, which a light wipe ends
     * @param wiped whether the next start is a first one
     * @param sealed whether it asks for a password that nobody set before it gives its storage, until that is formatted
     */
    public record Inside(
            Map<Fact, String> facts,
            Set<PartitionClass> broken,
            boolean repairs,
            boolean fresh,
            boolean dirty,
            boolean wiped,
            boolean sealed) {
        public Inside {
            facts = Map.copyOf(facts);
            broken = Set.copyOf(broken);
        }

        Inside knowing(Map<Fact, String> more) {
            Map<Fact, String> all = new EnumMap<>(Fact.class);
            all.putAll(facts);
            all.putAll(more);
            return new Inside(all, broken, repairs, fresh, dirty, wiped, sealed);
        }

        Inside broken(Set<PartitionClass> more, Set<PartitionClass> mended) {
            Set<PartitionClass> all = EnumSet.noneOf(PartitionClass.class);
            all.addAll(broken);
            all.removeAll(mended);
            all.addAll(more);
            return new Inside(facts, all, repairs, fresh, dirty, wiped, sealed);
        }

        Inside repairing(boolean will, boolean written) {
            return new Inside(facts, broken, will, written, dirty, wiped, sealed);
        }

        Inside next(boolean loops, boolean first) {
            return new Inside(facts, broken, repairs, fresh, loops, first, sealed);
        }

        Inside sealing(boolean asks) {
            return new Inside(facts, broken, repairs, fresh, dirty, wiped, asks);
        }

        boolean is(Fact fact, String value) {
            return value.equals(facts.get(fact));
        }
    }

    /** A phone as it is laid on the bench: running, on the cable that is at hand. */
    public static BenchState of(BenchTruth phone) {
        Map<Fact, String> truth = phone.truth();
        double battery = truth.containsKey(Fact.BATTERY_PERCENT)
                ? Double.parseDouble(truth.get(Fact.BATTERY_PERCENT))
                : USUAL_PERCENT;
        Cable cable = "factory".equals(truth.get(Fact.CABLE)) ? Cable.FACTORY : Cable.DATA;
        boolean repairs = phone.nature().selfRepair();
        return new BenchState(
                Mode.OS,
                0,
                battery,
                Optional.ofNullable(truth.get(Fact.BATTERY_TEMPERATURE))
                        .map(Double::parseDouble)
                        .orElse(Heat.ROOM),
                new Hands(Map.of(), Collections.nCopies(phone.ways().size(), 0)),
                new Wire(cable, true),
                new Inside(truth, Set.of(), repairs, false, false, false, false));
    }

    BenchState in(Mode other) {
        return new BenchState(other, seconds, battery, celsius, hands.anew(), wire, inside);
    }

    BenchState later(double more) {
        return new BenchState(
                mode, seconds + more, battery, Heat.after(celsius, more, Heat.RESTING), hands, wire, inside);
    }

    BenchState charged(double percent) {
        double now = Math.max(0, Math.min(100, percent));
        return new BenchState(mode, seconds, now, celsius, hands, wire, inside);
    }

    /** The same after some time on the charger. */
    BenchState charging(double time, double percent) {
        return new BenchState(
                        mode, seconds + time, battery, Heat.after(celsius, time, Heat.CHARGING), hands, wire, inside)
                .charged(percent);
    }

    BenchState with(Hands other) {
        return new BenchState(mode, seconds, battery, celsius, other, wire, inside);
    }

    BenchState with(Wire other) {
        return new BenchState(mode, seconds, battery, celsius, hands, other, inside);
    }

    BenchState with(Inside other) {
        return new BenchState(mode, seconds, battery, celsius, hands, wire, other);
    }

    /** The same after work that takes its time and its share of the battery. */
    BenchState working(BenchTruth phone, double time) {
        double left = Math.max(0, battery - phone.nature().drainPercent() * time / 3600);
        return new BenchState(mode, seconds + time, left, Heat.after(celsius, time, Heat.WORKING), hands, wire, inside);
    }

    /** What is so of the phone, with what changes by itself. */
    public Map<Fact, String> facts() {
        return inside.knowing(Map.of(
                        Fact.BATTERY_PERCENT,
                        String.valueOf(Math.round(battery)),
                        Fact.BATTERY_TEMPERATURE,
                        String.valueOf(Math.round(celsius)),
                        Fact.CABLE,
                        wire.cable() == Cable.FACTORY ? "factory" : "data"))
                .facts();
    }

    /** Whether it shows the question for a password that nobody set. */
    public boolean asksForPassword() {
        return inside.sealed() && (mode == Mode.OS || mode == Mode.RECOVERY);
    }

    /** Whether the computer sees the phone now. */
    public boolean hasPort() {
        boolean talks = mode == Mode.OS || mode == Mode.DOWNLOAD || mode == Mode.FLASH_CONSOLE || mode == Mode.RECOVERY;
        return talks && wire.cable().carriesData() && wire.driver();
    }
}
