package org.mobrak.core.proof;

import java.util.Locale;

/** What counts as proof; people disagree. */
public enum Strictness {
    /** Only what was seen after a restart is permanent. The usual one: a claim that is too high costs a phone its data. */
    STRICT("An icon and a manager's word show what was installed; only a restart tells permanent root from temporary."),
    /** The manager's icon is proof enough. */
    LENIENT("Whoever sees the manager's icon takes the phone for rooted.");

    private final String reason;

    Strictness(String reason) {
        this.reason = reason;
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String reason() {
        return reason;
    }
}
