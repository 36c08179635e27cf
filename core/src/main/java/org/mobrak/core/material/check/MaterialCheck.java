package org.mobrak.core.material.check;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.mobrak.core.identity.Finding;

/** Holds a file against a phone and a route. */
public final class MaterialCheck {
    private static final List<Rule> RULES = List.of(
            new DigestRule(),
            new DeviceRule(),
            new WritesRule(),
            new SchoolRule(),
            new VersionRule(),
            new KernelRule(),
            new HoldsRule(),
            new WrappingRule());

    private MaterialCheck() {}

    /** All there is to say of a file for a use, with what is said of the file itself; the gravest first. */
    public static List<Finding> of(Use use) {
        return Stream.concat(RULES.stream().flatMap(rule -> rule.check(use)), use.file().findings().stream())
                .sorted(Comparator.comparing(Finding::severity))
                .toList();
    }
}
