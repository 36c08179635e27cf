package org.mobrak.app.rehearsal;

/** Who works through the sheet. */
public enum Person {
    /** Looks at every gate and sign, checks every file, and stops where the sheet says so. */
    CAREFUL,
    /** Takes what comes, passes every gate and never waits for a sign. */
    HASTY
}
