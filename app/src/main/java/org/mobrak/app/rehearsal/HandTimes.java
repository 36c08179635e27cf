package org.mobrak.app.rehearsal;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;

/** When each key went down and came up, in seconds, held against the first stroke of a chord: what the hands did wrong. */
final class HandTimes {
    /** Less than this nobody can mend by trying. */
    private static final double NOTICEABLE = 0.1;

    private final Map<Key, Double> down = new EnumMap<>(Key.class);
    private final Map<Key, Double> up = new EnumMap<>(Key.class);

    void pressed(Key key, double at) {
        down.put(key, at);
        up.remove(key);
    }

    void released(Key key, double at) {
        up.put(key, at);
    }

    /**
     * What was wrong, in a sentence; empty where nothing shows.
     *
     * @param hold how long all keys must be down together
     */
    Optional<String> fault(Stroke stroke, double hold) {
        List<Key> missing =
                stroke.keys().stream().filter(key -> !down.containsKey(key)).toList();
        if (!missing.isEmpty()) {
            return Optional.of(missing.get(0).word() + " was missing.");
        }
        double together = stroke.keys().stream().mapToDouble(down::get).max().orElse(0);
        double first = stroke.keys().stream().mapToDouble(down::get).min().orElse(0);
        Optional<Key> early = stroke.keys().stream()
                .filter(key -> up.getOrDefault(key, Double.MAX_VALUE) < together + hold - NOTICEABLE)
                .min(Comparator.comparingDouble(up::get));
        if (early.isPresent()) {
            double by = together + hold - Objects.requireNonNull(up.get(early.get()));
            return Optional.of(String.format(
                    Locale.ROOT, "%s was let go %.1f s too early.", early.get().word(), by));
        }
        Key last = stroke.keys().stream()
                .max(Comparator.comparingDouble(down::get))
                .orElseThrow();
        return together - first > NOTICEABLE
                ? Optional.of(String.format(Locale.ROOT, "%s came %.1f s late.", last.word(), together - first))
                : Optional.empty();
    }
}
