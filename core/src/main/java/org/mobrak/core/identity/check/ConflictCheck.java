package org.mobrak.core.identity.check;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;

/** Sources that disagree about a fact. A model number that the OS and the firmware tell differently has a usual cause. */
final class ConflictCheck implements Check {
    @Override
    public Stream<Finding> of(Case phone) {
        return Stream.of(Fact.values()).flatMap(fact -> conflict(fact, phone).stream());
    }

    private static Optional<Finding> conflict(Fact fact, Case phone) {
        if (!(phone.facts().belief(fact) instanceof Belief.Conflicting split)) {
            return Optional.empty();
        }
        return Optional.of(fact == Fact.MODEL && isPorted(split) ? ported(split) : conflict(fact, split));
    }

    private static Finding conflict(Fact fact, Belief.Conflicting split) {
        return Finding.caution(
                "conflict",
                "%s: %s. The first leads: %s. Read it once more on the phone: %s."
                        .formatted(
                                fact.label(),
                                sides(split),
                                split.readings().get(0).source().reason(),
                                fact.whereToRead()));
    }

    /** Each value with the place of the best reading that says it. */
    static String sides(Belief.Conflicting split) {
        List<String> values =
                split.readings().stream().map(Reading::value).distinct().toList();
        return values.stream()
                .map(value -> split.readings().stream()
                        .filter(reading -> reading.value().equals(value))
                        .findFirst()
                        .orElseThrow())
                .map(reading -> "“%s” (%s)".formatted(reading.value(), reading.place()))
                .collect(Collectors.joining(" against "));
    }

    private static boolean isPorted(Belief.Conflicting split) {
        Set<String> firmware = valuesOf(split, Source::isBelowTheOs);
        Set<String> system = valuesOf(split, Source::isOfTheOs);
        return firmware.size() == 1 && !system.isEmpty() && !system.containsAll(firmware);
    }

    private static Set<String> valuesOf(Belief.Conflicting split, Predicate<Source> among) {
        return split.readings().stream()
                .filter(reading -> among.test(reading.source()))
                .map(Reading::value)
                .collect(Collectors.toSet());
    }

    private static Finding ported(Belief.Conflicting split) {
        String firmware = valuesOf(split, Source::isBelowTheOs).iterator().next();
        return Finding.caution(
                        "ported-os",
                        "The OS and the firmware name different models: %s. The OS was ported from another phone; files must be made for %s, as the firmware says."
                                .formatted(sides(split), firmware))
                .but(Finding.Sureness.LIKELY);
    }
}
