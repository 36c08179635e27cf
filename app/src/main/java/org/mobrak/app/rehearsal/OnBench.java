package org.mobrak.app.rehearsal;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.mobrak.app.Outlook;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.Nature;

/** Lays a phone of the drawer on the bench: as it is known, the rest as usual, and what has no usual drawn by the seed. */
final class OnBench {
    private static final int LEAST_PERCENT = 35;
    private static final int MOST_PERCENT = 95;

    private OnBench() {}

    static BenchTruth of(String nickname, Outlook outlook, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Facts known = outlook.facts();
        Map<Fact, String> truth = new EnumMap<>(Fact.class);
        for (Fact fact : Fact.values()) {
            fact.usual().ifPresent(value -> truth.put(fact, value));
        }
        truth.putAll(known.values());
        truth.computeIfAbsent(
                Fact.BATTERY_PERCENT, fact -> String.valueOf(random.nextInt(LEAST_PERCENT, MOST_PERCENT)));
        boolean repairs = random.nextBoolean();
        Nature usual = Nature.usual();
        Nature drawn = new Nature(
                usual.bootSeconds(),
                usual.firstBootSeconds(),
                usual.holdSeconds(),
                usual.writeMegabytes(),
                usual.drainPercent(),
                usual.chargePercent(),
                repairs,
                usual.seals(),
                usual.apps());
        return new BenchTruth(nickname, nickname, truth, Map.of(), drawn, List.of());
    }
}
