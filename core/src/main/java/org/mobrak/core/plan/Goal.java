package org.mobrak.core.plan;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** What a person wants of a phone: state facts with certain values. */
public enum Goal {
    ROOT("root", "Permanent root", Map.of(Fact.ROOT, "permanent")),
    RECOVERY("recovery", "Custom recovery", Map.of(Fact.RECOVERY, "custom")),
    CUSTOM_OS("custom-os", "Custom OS", Map.of(Fact.OS_KIND, "custom")),
    UPDATE_KEEP_ROOT(
            "update-keep-root", "Update and keep root", Map.of(Fact.UPDATE, "installed", Fact.ROOT, "permanent")),
    WRITE_PROTECTION_OFF("write-protection-off", "Write protection off", Map.of(Fact.WRITE_PROTECTION, "off")),
    STOCK("stock", "Back to stock", Map.of(Fact.OS_KIND, "stock", Fact.RECOVERY, "stock", Fact.ROOT, "none"));

    private final String key;
    private final String label;
    private final Map<Fact, String> wanted;

    Goal(String key, String label, Map<Fact, String> wanted) {
        this.key = key;
        this.label = label;
        this.wanted = wanted;
    }

    public static Optional<Goal> ofKey(String key) {
        return Arrays.stream(values()).filter(goal -> goal.key.equals(key)).findFirst();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    public boolean isReachedIn(Facts facts) {
        return wanted.entrySet().stream()
                .allMatch(want -> facts.value(want.getKey())
                        .filter(want.getValue()::equals)
                        .isPresent());
    }

    /** The facts that make it up, with the value each must have. */
    Map<Fact, String> wanted() {
        return wanted;
    }
}
