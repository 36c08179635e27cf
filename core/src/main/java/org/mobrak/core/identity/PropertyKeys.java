package org.mobrak.core.identity;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The platform's own property keys and the facts they speak of. The keys are those the platform publishes and every
 * listing shows; the meaning of the bootloader's flags is common practice, no published source.
 */
final class PropertyKeys {

    /** A fact with the value a property gives it. */
    record Said(Fact fact, String value) {}

    private record Rule(Fact fact, UnaryOperator<String> meaning) {}

    private static final Map<String, Rule> RULES = rules();

    private PropertyKeys() {}

    /** What a property says; empty if the key is of no interest or the value says that nobody knows. */
    static Optional<Said> read(String key, String value) {
        Rule rule = RULES.get(key);
        if (rule == null || value.isBlank() || value.equals("unknown")) {
            return Optional.empty();
        }
        return Optional.of(new Said(rule.fact(), rule.meaning().apply(value)));
    }

    /** Whether a line is nothing but one of the keys, as where a file breaks off. */
    static boolean isKey(String line) {
        return RULES.containsKey(line);
    }

    private static Map<String, Rule> rules() {
        Map<String, Rule> rules = new LinkedHashMap<>();
        plain(rules, "ro.product.model", Fact.MODEL);
        plain(rules, "ro.product.device", Fact.DEVICE);
        plain(rules, "ro.product.name", Fact.PRODUCT);
        plain(rules, "ro.product.manufacturer", Fact.MAKER);
        plain(rules, "ro.carrier", Fact.CARRIER);
        plain(rules, "ro.product.cpu.abi", Fact.ABI);
        plain(rules, "ro.build.version.release", Fact.OS_VERSION);
        plain(rules, "ro.build.version.sdk", Fact.API_LEVEL);
        plain(rules, "ro.build.id", Fact.BUILD_ID);
        plain(rules, "ro.build.display.id", Fact.BUILD_NUMBER);
        plain(rules, "ro.build.version.incremental", Fact.INCREMENTAL);
        plain(rules, "ro.build.type", Fact.BUILD_TYPE);
        plain(rules, "ro.build.tags", Fact.BUILD_TAGS);
        plain(rules, "ro.build.fingerprint", Fact.FINGERPRINT);
        plain(rules, "ro.build.version.security_patch", Fact.PATCH_LEVEL);
        plain(rules, "gsm.version.baseband", Fact.BASEBAND);
        plain(rules, "ro.bootloader", Fact.BOOTLOADER);
        plain(rules, "ro.boot.bootloader", Fact.BOOTLOADER);
        rules.put("ro.build.date.utc", new Rule(Fact.BUILD_DATE, PropertyKeys::isoInstant));
        flag(rules, "ro.boot.flash.locked", Fact.LOCK, "unlocked", "locked");
        flag(rules, "ro.boot.warranty_bit", Fact.WARRANTY_FUSE, "intact", "blown");
        flag(rules, "ro.warranty_bit", Fact.WARRANTY_FUSE, "intact", "blown");
        return Map.copyOf(rules);
    }

    private static void plain(Map<String, Rule> rules, String key, Fact fact) {
        rules.put(key, new Rule(fact, UnaryOperator.identity()));
    }

    private static void flag(Map<String, Rule> rules, String key, Fact fact, String zero, String one) {
        rules.put(key, new Rule(fact, value -> value.equals("0") ? zero : value.equals("1") ? one : value));
    }

    /** Seconds since 1970 as ISO 8601; any other text stays as it is, to be shown and distrusted. */
    private static String isoInstant(String seconds) {
        try {
            return Instant.ofEpochSecond(Long.parseLong(seconds)).toString();
        } catch (NumberFormatException | DateTimeException notSeconds) {
            return seconds;
        }
    }
}
