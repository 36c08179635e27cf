package org.mobrak.core.learn.reading;

import java.util.Optional;

/**
 * OS versions for which something is.
 *
 * @param exact one version; with {@code .x} at its end all that begin so
 */
public record Versions(Optional<String> exact, Optional<String> atLeast, Optional<String> atMost) {
    static Versions exactly(String version) {
        return new Versions(Optional.of(version), Optional.empty(), Optional.empty());
    }

    static Versions from(String version) {
        return new Versions(Optional.empty(), Optional.of(version), Optional.empty());
    }

    static Versions upTo(String version) {
        return new Versions(Optional.empty(), Optional.empty(), Optional.of(version));
    }

    static Versions between(String low, String high) {
        return new Versions(Optional.empty(), Optional.of(low), Optional.of(high));
    }
}
