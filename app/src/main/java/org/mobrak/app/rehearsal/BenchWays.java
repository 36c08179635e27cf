package org.mobrak.app.rehearsal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.PhoneFamily;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.VersionOrder;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.KeyWay;

/**
 * Where a phone's keys lead. A bench phone says so itself; of one that does not, its family's file is believed, and where that is
 * silent too the keys are drawn from what phones usually have. No route is asked: what a route says of keys may be wrong.
 */
final class BenchWays {
    private static final KeyWay TO_RECOVERY =
            way("hold volume-up + power until the logo; hold volume-up until the menu", Mode.RECOVERY);
    private static final KeyWay TO_RECOVERY_BY_HOME =
            way("hold volume-up + home + power until the logo; hold volume-up + home until the menu", Mode.RECOVERY);
    private static final KeyWay TO_DOWNLOAD =
            way("hold volume-down + home + power until the warning; press volume-up", Mode.DOWNLOAD);
    private static final KeyWay BY_PLUG = way("hold service-plug until the download screen", Mode.DOWNLOAD);
    private static final KeyWay TO_CONSOLE = way("hold volume-up + power until it vibrates", Mode.FLASH_CONSOLE);
    private static final KeyWay TO_CONSOLE_DOWN = way("hold volume-down + power until it vibrates", Mode.FLASH_CONSOLE);
    private static final KeyWay RESTART =
            new KeyWay(KeyChord.parse("hold power until the menu"), EnumSet.of(Mode.OS), Mode.OS);

    /** With a home key, and without one in two kinds; common practice, no published source. */
    private static final List<List<KeyWay>> KINDS = List.of(
            List.of(TO_RECOVERY_BY_HOME, TO_DOWNLOAD, BY_PLUG, TO_CONSOLE_DOWN, RESTART),
            List.of(TO_RECOVERY, BY_PLUG, TO_CONSOLE_DOWN, RESTART),
            List.of(TO_RECOVERY, BY_PLUG, TO_CONSOLE, RESTART));

    private BenchWays() {}

    /** What people try on a phone of which nobody knows the keys, the likeliest first. */
    static List<KeyWay> usual() {
        return List.of(TO_RECOVERY_BY_HOME, TO_RECOVERY, TO_DOWNLOAD, BY_PLUG, TO_CONSOLE, TO_CONSOLE_DOWN);
    }

    /** @param seed draws the kind of phone it is, where nothing tells */
    static BenchTruth of(BenchTruth phone, Catalogue catalogue, long seed) {
        if (!phone.ways().isEmpty()) {
            return phone;
        }
        String model = phone.truth().getOrDefault(Fact.MODEL, "");
        List<KeyWay> known = catalogue
                .phone(model)
                .map(KnownPhone::family)
                .map(family -> of(family, model))
                .orElse(List.of());
        List<KeyWay> drawn = KINDS.get(hasHomeKey(phone) ? 0 : new SplittableRandom(seed).nextInt(KINDS.size()));
        List<KeyWay> all = new ArrayList<>(known);
        drawn.stream()
                .filter(way -> known.stream().noneMatch(one -> one.to() == way.to() || clash(one, way)))
                .forEach(all::add);
        return phone.with(List.copyOf(all));
    }

    /** Phones of those years mostly have one; common practice, no published source. */
    private static boolean hasHomeKey(BenchTruth phone) {
        OptionalInt order = VersionOrder.compare(phone.truth().getOrDefault(Fact.OS_VERSION, ""), "4.4");
        return order.isPresent() && order.getAsInt() < 0;
    }

    private static List<KeyWay> of(PhoneFamily family, String model) {
        return Set.of(Mode.RECOVERY, Mode.DOWNLOAD, Mode.FLASH_CONSOLE).stream()
                .sorted()
                .map(mode -> family.keys(model, mode.word()).map(keys -> way(keys.keys(), mode)))
                .flatMap(Optional::stream)
                .toList();
    }

    private static boolean clash(KeyWay one, KeyWay other) {
        return one.chord().strokes().get(0).equals(other.chord().strokes().get(0));
    }

    private static KeyWay way(String keys, Mode to) {
        return way(KeyChord.parse(keys), to);
    }

    private static KeyWay way(KeyChord chord, Mode to) {
        return new KeyWay(chord, EnumSet.of(Mode.OFF), to);
    }
}
