package org.mobrak.core.mend.patch;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;

/** What keys mean, as far as the platform publishes it or people know; data, in {@code meanings.yaml}. */
final class KeyMeanings {
    private KeyMeanings() {}

    static Map<String, String> shipped() {
        try (InputStream in = KeyMeanings.class.getResourceAsStream("meanings.yaml")) {
            return new YAMLMapper().readValue(in, new TypeReference<>() {});
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }
}
