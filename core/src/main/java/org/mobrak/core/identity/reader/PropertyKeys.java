package org.mobrak.core.identity.reader;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.mobrak.core.identity.Fact;

/**
 * The platform's own property keys and the facts they speak of. The keys are those the platform publishes and every
 * listing shows; the meaning of the bootloader's flags is common practice, no published source.
 *
 * <p>Over the years many keys moved into namespaces of the partitions: what was {@code ro.product.model} became {@code
 * ro.product.system.model}, and {@code ro.build.id} got sisters such as {@code ro.vendor.build.id}.
 */
final class PropertyKeys {
    /** The partitions whose keys stand in for the system's own, the nearest first. */
    private static final List<String> PARTITIONS = List.of("system", "product", "system_ext", "vendor", "odm");

    /**
     * A fact with the value a property gives it.
     *
     * @param isMain whether the key is the system's own and not that of one partition
     */
    record Said(Fact fact, String value, boolean isMain) {}

    private record Rule(Fact fact, UnaryOperator<String> meaning, int rank) {}

    private static final Map<String, Rule> RULES = rules();

    private PropertyKeys() {}

    /** What a property says; empty if the key is of no interest or the value says that nobody knows. */
    static Optional<Said> read(String key, String value) {
        Rule rule = RULES.get(key);
        if (rule == null || value.isBlank() || value.equals("unknown")) {
            return Optional.empty();
        }
        String meant = rule.meaning().apply(value);
        return meant.isEmpty() ? Optional.empty() : Optional.of(new Said(rule.fact(), meant, rule.rank() == 0));
    }

    /** Whether a line is nothing but one of the keys, as where a file breaks off. */
    static boolean isKey(String line) {
        return RULES.containsKey(line);
    }

    /** How far a key is from the system's own, which has 0. */
    static int rank(Fact fact, String key) {
        return Optional.ofNullable(RULES.get(key))
                .filter(rule -> rule.fact() == fact)
                .map(Rule::rank)
                .orElse(Integer.MAX_VALUE);
    }

    private static Map<String, Rule> rules() {
        Map<String, Rule> rules = new HashMap<>();
        product(rules, "model", Fact.MODEL);
        product(rules, "device", Fact.DEVICE);
        product(rules, "name", Fact.PRODUCT);
        product(rules, "manufacturer", Fact.MAKER);
        build(rules, "id", Fact.BUILD_ID);
        build(rules, "version.release", Fact.OS_VERSION);
        build(rules, "version.sdk", Fact.API_LEVEL);
        build(rules, "version.incremental", Fact.INCREMENTAL);
        build(rules, "type", Fact.BUILD_TYPE);
        build(rules, "tags", Fact.BUILD_TAGS);
        build(rules, "fingerprint", Fact.FINGERPRINT);
        plain(rules, "ro.build.display.id", Fact.BUILD_NUMBER);
        plain(rules, "ro.build.version.security_patch", Fact.PATCH_LEVEL);
        plain(rules, "ro.carrier", Fact.CARRIER);
        plain(rules, "ro.product.cpu.abi", Fact.ABI);
        plain(rules, "ro.board.platform", Fact.CHIPSET);
        plain(rules, "gsm.version.baseband", Fact.BASEBAND);
        plain(rules, "ro.bootloader", Fact.BOOTLOADER);
        plain(rules, "ro.boot.bootloader", Fact.BOOTLOADER);
        plain(rules, "ro.serialno", Fact.SERIAL);
        plain(rules, "ro.boot.serialno", Fact.SERIAL);
        dates(rules);
        flags(rules);
        return Map.copyOf(rules);
    }

    private static void product(Map<String, Rule> rules, String name, Fact fact) {
        plain(rules, "ro.product." + name, fact);
        for (String partition : PARTITIONS) {
            String key = "ro.product." + partition + "." + name;
            rules.put(key, new Rule(fact, UnaryOperator.identity(), PARTITIONS.indexOf(partition) + 1));
        }
    }

    private static void build(Map<String, Rule> rules, String name, Fact fact) {
        plain(rules, "ro.build." + name, fact);
        for (String partition : PARTITIONS) {
            String key = "ro." + partition + ".build." + name;
            rules.put(key, new Rule(fact, UnaryOperator.identity(), PARTITIONS.indexOf(partition) + 1));
        }
    }

    private static void plain(Map<String, Rule> rules, String key, Fact fact) {
        rules.put(key, new Rule(fact, UnaryOperator.identity(), 0));
    }

    private static void dates(Map<String, Rule> rules) {
        rules.put("ro.build.date.utc", new Rule(Fact.BUILD_DATE, PropertyKeys::isoInstant, 0));
        rules.put("ro.build.date", new Rule(Fact.BUILD_DATE, PropertyKeys::isoOfWords, 1));
        List<String> partitions = new ArrayList<>(PARTITIONS);
        partitions.add("bootimage");
        for (String partition : partitions) {
            String key = "ro." + partition + ".build.date.utc";
            rules.put(key, new Rule(Fact.BUILD_DATE, PropertyKeys::isoInstant, 2 + partitions.indexOf(partition)));
        }
    }

    private static void flags(Map<String, Rule> rules) {
        flag(rules, "ro.crypto.state", Fact.ENCRYPTION, "encrypted", "on", "unencrypted", "off");
        flag(rules, "ro.boot.flash.locked", Fact.LOCK, "0", "unlocked", "1", "locked");
        flag(rules, "ro.boot.vbmeta.device_state", Fact.LOCK, "unlocked", "unlocked", "locked", "locked");
        flag(rules, "ro.boot.warranty_bit", Fact.WARRANTY_FUSE, "0", "intact", "1", "blown");
        flag(rules, "ro.warranty_bit", Fact.WARRANTY_FUSE, "0", "intact", "1", "blown");
        flag(rules, "ro.debuggable", Fact.DEBUGGABLE, "0", "no", "1", "yes");
        flag(rules, "init.svc.adbd", Fact.USB_DEBUGGING, "running", "on", "stopped", "off");
        flag(rules, "sys.oem_unlock_allowed", Fact.OEM_UNLOCK, "0", "off", "1", "on");
    }

    /** Values and what they mean, in turns; any other value stays as it is, to be refused by the fact's domain. */
    private static void flag(Map<String, Rule> rules, String key, Fact fact, String... meanings) {
        List<String> pairs = Arrays.asList(meanings);
        rules.put(
                key,
                new Rule(
                        fact, value -> pairs.indexOf(value) % 2 == 0 ? pairs.get(pairs.indexOf(value) + 1) : value, 0));
    }

    /** Seconds since 1970 as ISO 8601; any other text stays as it is, to be shown and distrusted. */
    private static String isoInstant(String seconds) {
        try {
            return Instant.ofEpochSecond(Long.parseLong(seconds)).toString();
        } catch (NumberFormatException | DateTimeException notSeconds) {
            return seconds;
        }
    }

    private static String isoOfWords(String words) {
        return BannerDate.in(words).orElse("");
    }
}
