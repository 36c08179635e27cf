package org.mobrak.core.proof;

import java.util.Locale;

/** What is wrong with a root that is there, or seems to be, and what to do about it; common practice, no published source. */
public enum ProofWarning {
    ROOT_WITHOUT_MANAGER(
            "There is root and nobody who guards it: every app gets it without being asked. Install a root manager now, before anything else."),
    MANAGER_WITHOUT_ROOT(
            "There is a manager but no root: the way did not work on this build, or an update took it. Do the way again, or another; the manager alone does nothing."),
    STALE_BINARY(
            "The manager's binary is older than the manager: let it bring it up to date the normal way, then restart and prove again."),
    TEMPORARY_ONLY(
            "Root was not seen after a restart yet. Restart, and test one rung again; until then it is temporary."),
    ICON_ONLY("An icon shows that an app was installed and no more. Open it, and let an app ask for root.");

    private final String advice;

    ProofWarning(String advice) {
        this.advice = advice;
    }

    /** For programs. */
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String advice() {
        return advice;
    }
}
