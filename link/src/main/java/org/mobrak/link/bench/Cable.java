package org.mobrak.link.bench;

/** What is plugged in. */
public enum Cable {
    NONE,
    /** It charges and carries no data. */
    CHARGING,
    DATA,
    FACTORY;

    /** Whether the computer can see a phone over it. */
    public boolean carriesData() {
        return this == DATA || this == FACTORY;
    }
}
