package org.mobrak.core.catalogue.file;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.identity.build.TextPattern;

/**
 * Keys that stand in routes, as catalogues had them before they belonged to the phone: which of them a phone's file can take
 * over, and which it cannot, with the reason.
 *
 * @param moved by the phone's file, the lines to be put under its {@code keys}
 * @param left sentences for a person
 */
public record KeysUpgrade(Map<String, List<String>> moved, List<String> left) {
    private static final Set<String> MODES = Set.of("recovery", "download", "flash-console");

    public KeysUpgrade {
        moved = Map.copyOf(moved);
        left = List.copyOf(left);
    }

    /** A mode of one phone. */
    private record Way(String file, String model, String mode) {}

    /** What the routes of a catalogue say of keys that its phones do not. */
    public static KeysUpgrade of(Catalogue catalogue) {
        Map<Way, Map<String, Set<String>>> told = new LinkedHashMap<>();
        List<String> left = new ArrayList<>();
        for (Route route : catalogue.routes()) {
            List<KnownPhone> phones = catalogue.phones().stream()
                    .filter(phone -> isFor(route, phone))
                    .toList();
            for (RouteStep step : route.steps()) {
                if (step.keys().isEmpty() || step.mode().filter(MODES::contains).isEmpty()) {
                    continue;
                }
                String mode = step.mode().orElseThrow();
                if (phones.isEmpty() && !route.fits().phones().isEmpty()) {
                    left.add("%s: its keys for %s belong to a phone that no file names.".formatted(route.id(), mode));
                }
                for (KnownPhone phone : phones) {
                    if (phone.family().keys(phone.model(), mode).isEmpty()) {
                        told.computeIfAbsent(new Way(phone.file(), phone.model(), mode), none -> new TreeMap<>())
                                .computeIfAbsent(
                                        step.keys().map(KeyChord::text).orElseThrow(), none -> new LinkedHashSet<>())
                                .add(route.id());
                    }
                }
            }
        }
        return joined(told, left);
    }

    private static boolean isFor(Route route, KnownPhone phone) {
        return route.fits().phones().stream().anyMatch(target -> TextPattern.matches(target.model(), phone.model()));
    }

    /** Variants of which the same is told are named in one line. */
    private static KeysUpgrade joined(Map<Way, Map<String, Set<String>>> told, List<String> left) {
        Map<String, Map<String, List<String>>> models = new TreeMap<>();
        told.forEach((way, chords) -> {
            if (chords.size() > 1) {
                left.add("%s: its routes tell %d chords for %s (%s). Try which is right, and write it into %s."
                        .formatted(
                                way.model(),
                                chords.size(),
                                way.mode(),
                                chords.entrySet().stream()
                                        .map(one -> one.getKey() + ": " + String.join(", ", one.getValue()))
                                        .collect(Collectors.joining("; ")),
                                way.file()));
                return;
            }
            String keys = "mode: %s, keys: \"%s\""
                    .formatted(way.mode(), chords.keySet().iterator().next());
            models.computeIfAbsent(way.file(), none -> new LinkedHashMap<>())
                    .computeIfAbsent(keys, none -> new ArrayList<>())
                    .add(way.model());
        });
        Map<String, List<String>> moved = new TreeMap<>();
        models.forEach((file, lines) -> moved.put(
                file,
                lines.entrySet().stream()
                        .map(one -> "  - {%s, models: [%s]}".formatted(one.getKey(), String.join(", ", one.getValue())))
                        .toList()));
        return new KeysUpgrade(moved, left);
    }

    /** A phone's file with the lines put under its keys; everything else in it stays to the byte. */
    public static String applied(String text, List<String> lines) {
        String all = lines.stream().map(line -> line + "\n").collect(Collectors.joining());
        int at = text.startsWith("keys:") ? 0 : text.indexOf("\nkeys:") + 1;
        boolean has = at > 0 || text.startsWith("keys:");
        if (!has) {
            return text + (text.endsWith("\n") ? "" : "\n") + "keys:\n" + all;
        }
        int end = text.indexOf('\n', at);
        return end < 0 ? text + "\n" + all : text.substring(0, end + 1) + all + text.substring(end + 1);
    }
}
