package org.mobrak.core.plan;

import java.util.Arrays;
import java.util.Optional;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** What a person wants of a phone: one state fact with a certain value. */
public enum Goal {
    ROOT("root", "Permanent root", Fact.ROOT, "permanent"),
    RECOVERY("recovery", "Custom recovery", Fact.RECOVERY, "custom"),
    WRITE_PROTECTION_OFF("write-protection-off", "Write protection off", Fact.WRITE_PROTECTION, "off");

    private final String key;
    private final String label;
    private final Fact fact;
    private final String value;

    Goal(String key, String label, Fact fact, String value) {
        this.key = key;
        this.label = label;
        this.fact = fact;
        this.value = value;
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

    /** Whether a route ends here. */
    public boolean isReachedBy(Route route) {
        return value.equals(route.changes().effects().get(fact));
    }

    public boolean isReachedIn(Facts facts) {
        return facts.value(fact).filter(value::equals).isPresent();
    }
}
