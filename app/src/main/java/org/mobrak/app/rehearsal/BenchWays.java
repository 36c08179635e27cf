package org.mobrak.app.rehearsal;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.Otherwise;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.KeyWay;

/** Where a phone's keys lead: what the catalogue's routes for it say, unless it was described by hand. */
final class BenchWays {
    private static final Set<Mode> ANYWHERE =
            EnumSet.of(Mode.OFF, Mode.OS, Mode.DOWNLOAD, Mode.FLASH_CONSOLE, Mode.RECOVERY);
    /** By common practice, for a phone of which no route says anything. */
    private static final List<KeyWay> USUAL = List.of(
            way("hold volume-up + home + power until the logo; hold volume-up + home until the menu", Mode.RECOVERY),
            way("hold volume-up + power until the logo; hold volume-up until the menu", Mode.RECOVERY),
            way("hold volume-down + home + power until the warning; press volume-up", Mode.DOWNLOAD),
            way("hold service-plug until the download screen", Mode.DOWNLOAD),
            way("hold volume-up + power until it vibrates", Mode.FLASH_CONSOLE));

    private BenchWays() {}

    static BenchTruth of(BenchTruth phone, Catalogue catalogue) {
        if (!phone.ways().isEmpty()) {
            return phone;
        }
        Set<KeyWay> ways = new LinkedHashSet<>();
        String model = phone.truth().getOrDefault(Fact.MODEL, "");
        catalogue.routes().stream()
                .filter(route -> suits(route, model))
                .flatMap(route -> route.steps().stream())
                .forEach(step -> ways(step).forEach(ways::add));
        // One and the same chord leads to one place; what the routes say comes first.
        USUAL.stream()
                .filter(usual -> ways.stream().noneMatch(known -> clash(known, usual)))
                .forEach(ways::add);
        return phone.with(List.copyOf(ways));
    }

    private static boolean clash(KeyWay one, KeyWay other) {
        return one.chord().strokes().get(0).equals(other.chord().strokes().get(0)) && one.to() != other.to();
    }

    private static boolean suits(Route route, String model) {
        return route.fits().phones().isEmpty()
                || route.fits().phones().stream()
                        .anyMatch(target -> target.model().equals(model));
    }

    private static List<KeyWay> ways(RouteStep step) {
        Optional<Mode> to = step.mode().flatMap(Mode::ofWord);
        if (to.isEmpty()) {
            return List.of();
        }
        List<KeyWay> ways = new ArrayList<>();
        step.keys().ifPresent(keys -> ways.add(way(keys, step.from(), to.get())));
        for (Otherwise other : step.or()) {
            other.keys().ifPresent(keys -> ways.add(way(keys, other.from(), to.get())));
        }
        return ways;
    }

    private static KeyWay way(String keys, Mode to) {
        return way(KeyChord.parse(keys), Optional.empty(), to);
    }

    private static KeyWay way(KeyChord chord, Optional<String> from, Mode to) {
        boolean allKeys = chord.keys().contains(Key.ALL);
        Set<Mode> listening = EnumSet.of(to == Mode.OS ? Mode.OS : Mode.OFF);
        if (allKeys) {
            listening.addAll(ANYWHERE);
        }
        from.flatMap(Mode::ofWord).ifPresent(listening::add);
        return new KeyWay(chord, listening, to);
    }
}
