package org.mobrak.core.identity;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which phones have a patch level at all. The platform shows one from OS version 6 on, and some makers brought it to versions
 * from 4.4 on, for which the patches were published too (from memory of the release notes and bulletins). So below 4.4 there is
 * none, and between the two nobody can tell without looking.
 */
final class PatchLevels {
    private static final Pattern NUMBERS = Pattern.compile("(\\d{1,4})(?:\\.(\\d{1,4}))?");
    private static final int MAJOR = 4;
    private static final int MINOR = 4;

    private PatchLevels() {}

    /** That there is none, where every OS version that is said is too old for one; empty where it cannot be told. */
    static Optional<Belief> on(List<String> osVersions) {
        boolean none = !osVersions.isEmpty() && osVersions.stream().allMatch(PatchLevels::isTooOld);
        return none
                ? Optional.of(new Belief.Absent(
                        "OS version " + String.join(" or ", osVersions) + " is too old to have a patch level."))
                : Optional.empty();
    }

    private static boolean isTooOld(String version) {
        Matcher numbers = NUMBERS.matcher(version);
        if (!numbers.lookingAt()) {
            return false;
        }
        int major = Integer.parseInt(numbers.group(1));
        // A version without a second number may be any of its kind.
        return major < MAJOR
                || major == MAJOR && numbers.group(2) != null && Integer.parseInt(numbers.group(2)) < MINOR;
    }
}
