package org.mobrak.core.identity;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Facts held against each other: what cannot both be true is told, and nothing is changed. */
public final class CrossChecks {
    private CrossChecks() {}

    /** Every finding about these facts, the heaviest first. */
    public static List<Finding> of(Facts facts) {
        Stream<Finding> conflicts = Stream.of(Fact.values()).flatMap(fact -> conflict(fact, facts).stream());
        return Stream.concat(conflicts, apiLevel(facts).stream()).toList();
    }

    private static Optional<Finding> conflict(Fact fact, Facts facts) {
        if (!(facts.belief(fact) instanceof Belief.Conflicting split)) {
            return Optional.empty();
        }
        Reading leader = split.readings().get(0);
        Reading other = split.readings().stream()
                .filter(reading -> !reading.value().equals(leader.value()))
                .findFirst()
                .orElseThrow();
        return Optional.of(Finding.caution(
                "conflict",
                "%s: “%s” (%s) against “%s” (%s); the first leads. Read it once more on the phone: %s."
                        .formatted(
                                fact.label(),
                                leader.value(),
                                leader.place(),
                                other.value(),
                                other.place(),
                                fact.whereToRead())));
    }

    private static Optional<Finding> apiLevel(Facts facts) {
        Optional<String> version = facts.value(Fact.OS_VERSION);
        Optional<Integer> expected = version.flatMap(ReleaseTable::apiLevelOf);
        return facts.value(Fact.API_LEVEL)
                .filter(level -> expected.isPresent() && Integer.parseInt(level) != expected.get())
                .map(level -> Finding.caution(
                        "api-level-release",
                        "OS version %s belongs to API level %d, but the phone says %s; one of the two was edited."
                                .formatted(version.orElseThrow(), expected.orElseThrow(), level)));
    }
}
