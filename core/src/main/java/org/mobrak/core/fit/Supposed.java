package org.mobrak.core.fit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/** The value that a condition would have to find, where a fact has only a few and nobody has read it yet. */
final class Supposed {
    private Supposed() {}

    /** Of some wanted values the usual one, else the first. */
    static Map<Fact, String> within(Fact fact, List<String> wanted) {
        return fact.domain().words().isEmpty()
                ? Map.of()
                : fact.usual()
                        .filter(wanted::contains)
                        .or(() -> Optional.of(wanted.get(0)))
                        .map(value -> Map.of(fact, value))
                        .orElseThrow();
    }

    /** Of the values that are not excluded the usual one, else the first. */
    static Map<Fact, String> without(Fact fact, List<String> excluded) {
        List<String> left = fact.domain().words().stream()
                .filter(word -> !excluded.contains(word))
                .toList();
        return left.isEmpty() ? Map.of() : within(fact, left);
    }
}
