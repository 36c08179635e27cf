package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * A reading worth taking: how many verdicts its answer is expected to settle.
 *
 * <p>A verdict is settled when it no longer needs a reading. The expectation runs over every answer the catalogue tells
 * apart, all held equally likely, and one more for an answer it does not know. Cost: answers × routes fits per fact.
 *
 * @param settles expected number of verdicts settled, from 0 to the number of routes
 */
public record NextReading(Fact fact, double settles) {
    private static final String ANOTHER = "another";

    /** How the fact is read, for a person. */
    public String how() {
        return fact.whereToRead();
    }

    /** All unknown facts that some verdict waits for, the most telling first. */
    public static List<NextReading> propose(Catalogue catalogue, Facts facts, Optional<School> choice) {
        List<RouteFit> now = new FitCheck(catalogue, facts, choice).routes();
        Set<Fact> asked = now.stream()
                .filter(fit -> fit.verdict() == Verdict.NEEDS_READING)
                .flatMap(fit -> fit.clauses().stream())
                .flatMap(clause -> clause.asks().stream())
                .filter(fact -> facts.value(fact).isEmpty())
                .collect(Collectors.toSet());
        long open = waiting(now);
        return asked.stream()
                .map(fact -> new NextReading(fact, open - expectedOpen(catalogue, facts, choice, fact)))
                .sorted(Comparator.comparingDouble(NextReading::settles)
                        .reversed()
                        .thenComparing(NextReading::fact))
                .toList();
    }

    private static double expectedOpen(Catalogue catalogue, Facts facts, Optional<School> choice, Fact fact) {
        return answers(catalogue, fact).stream()
                .mapToLong(answer ->
                        waiting(new FitCheck(catalogue, facts.supposing(Map.of(fact, answer)), choice).routes()))
                .average()
                .orElse(0);
    }

    private static long waiting(List<RouteFit> fits) {
        return fits.stream()
                .filter(fit -> fit.verdict() == Verdict.NEEDS_READING)
                .count();
    }

    private static Set<String> answers(Catalogue catalogue, Fact fact) {
        Set<String> answers = new LinkedHashSet<>(fact.domain().words());
        if (answers.isEmpty()) {
            catalogue.routes().forEach(route -> mentioned(route, fact).forEach(answers::add));
            Optional.of(ANOTHER)
                    .filter(word -> fact.domain().objection(word).isEmpty())
                    .ifPresent(answers::add);
        }
        return answers;
    }

    private static Stream<String> mentioned(Route route, Fact fact) {
        Stream<String> ofTargets = route.fits().phones().stream().flatMap(target -> ofTarget(target, fact));
        Stream<String> ofExclusions = fact == Fact.BUILD_NUMBER
                ? route.fits().excludedBuilds().stream().map(Route.Exclusion::build)
                : Stream.empty();
        Stream<String> ofConditions =
                route.fits().requires().stream().flatMap(Condition::leaves).flatMap(leaf -> ofLeaf(leaf, fact));
        return Stream.of(ofTargets, ofExclusions, ofConditions).flatMap(values -> values);
    }

    private static Stream<String> ofTarget(Route.Target target, Fact fact) {
        return switch (fact) {
            case MODEL -> Stream.of(target.model());
            case OS_VERSION -> target.osVersion().stream();
            case BOOTLOADER -> target.bootloader().stream();
            case BUILD_NUMBER -> target.builds().stream();
            default -> Stream.empty();
        };
    }

    private static Stream<String> ofLeaf(Condition leaf, Fact fact) {
        List<String> values = new ArrayList<>();
        if (leaf instanceof Condition.OneOf some && some.fact() == fact) {
            values.addAll(some.values());
        } else if (leaf instanceof Condition.Between range && range.fact() == fact) {
            range.atLeast().ifPresent(values::add);
            range.atMost().ifPresent(values::add);
        }
        return values.stream();
    }
}
