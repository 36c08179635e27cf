package org.mobrak.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Fact;

/** Between which systems a light wipe will do (common practice, no published source). */
final class LightWipe {
    private static final Pattern VERSION = Pattern.compile("(\\d{1,4})(?:\\.(\\d{1,4}))?.*");

    /** Up to here the second number told a big version; from memory. */
    private static final int LAST_WITH_TWO_NUMBERS = 4;

    private LightWipe() {}

    /** What must be so before: the same system, of the same big version, as the route brings. */
    static List<Condition> needs(Map<Fact, String> effects) {
        List<Condition> needs = new ArrayList<>();
        Optional.ofNullable(effects.get(Fact.OS_KIND))
                .ifPresent(
                        kind -> needs.add(
                                new Condition.OneOf(
                                        Fact.OS_KIND,
                                        List.of(kind),
                                        Optional.of(
                                                "A light wipe will do only between builds of one system; from another the wipe is full."))));
        Optional.ofNullable(effects.get(Fact.OS_VERSION))
                .flatMap(LightWipe::bigVersion)
                .ifPresent(big -> needs.add(new Condition.Like(
                        Fact.OS_VERSION,
                        List.of(big, big + ".*"),
                        Optional.of("A light wipe will do only within a big version; across them the wipe is full."))));
        return List.copyOf(needs);
    }

    private static Optional<String> bigVersion(String version) {
        Matcher numbers = VERSION.matcher(version);
        if (!numbers.matches()) {
            return Optional.empty();
        }
        boolean two = Integer.parseInt(numbers.group(1)) <= LAST_WITH_TWO_NUMBERS && numbers.group(2) != null;
        return Optional.of(two ? numbers.group(1) + "." + numbers.group(2) : numbers.group(1));
    }
}
