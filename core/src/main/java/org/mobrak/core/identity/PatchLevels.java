package org.mobrak.core.identity;

import java.util.Optional;

/** Which phones have a patch level at all: the platform shows one from OS version 6 on (from memory of its release notes). */
final class PatchLevels {
    private static final int FIRST_WITH_ONE = 6;

    private PatchLevels() {}

    /** That there is none, where the OS version says so; empty where there is one, or it cannot be told. */
    static Optional<Belief> on(Optional<String> osVersion) {
        return osVersion
                .filter(version -> beginsWithNumber(version) && major(version) < FIRST_WITH_ONE)
                .map(version -> new Belief.Absent("OS version " + version + " is too old to have a patch level."));
    }

    private static boolean beginsWithNumber(String version) {
        return !version.isEmpty() && isDigit(version.charAt(0));
    }

    /** The number before the first other character; of a long one only as much as matters. */
    private static int major(String version) {
        int number = 0;
        for (int i = 0; i < version.length() && isDigit(version.charAt(i)) && number < FIRST_WITH_ONE; i++) {
            number = number * 10 + version.charAt(i) - '0';
        }
        return number;
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }
}
