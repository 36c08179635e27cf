package org.mobrak.core.material;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Digests of one file: lower-case hexadecimal by digest. */
public record Digests(Map<Digest, String> values) {
    public Digests {
        Map<Digest, String> lower = new EnumMap<>(Digest.class);
        values.forEach((digest, value) -> lower.put(digest, value.toLowerCase(Locale.ROOT)));
        values = Collections.unmodifiableMap(lower);
    }

    public Optional<String> of(Digest digest) {
        return Optional.ofNullable(values.get(digest));
    }

    /** Whether another word of the same digest says the same; empty where that digest was not worked out. */
    public Optional<Boolean> agrees(Digest digest, String value) {
        return of(digest).map(value::equalsIgnoreCase);
    }
}
