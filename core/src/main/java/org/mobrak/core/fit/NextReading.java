package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Entropy;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * A reading worth taking: how much its answer is expected to tell about the verdicts.
 *
 * <p>Every answer the catalogue tells apart, and one more for an answer it does not know, is held equally likely. The verdict of
 * a route follows from the answer, so what the answer tells about it is the entropy of the verdicts over the answers (C. E.
 * Shannon, Bell Syst. Tech. J. 27, 1948); bits are summed over the routes. Routes that are refused already stay so and are left
 * out. Cost: answers × routes fits per fact; in a large catalogue so many answers, evenly spaced, as keep within a bound.
 *
 * @param settles expected number of verdicts that no longer need a reading, from 0 to the number of routes
 * @param bits expected reduction of entropy over the verdicts
 */
public record NextReading(Fact fact, double settles, double bits) {
    private static final String ANOTHER = "another";
    private static final int MOST_FITS = 20_000;
    private static final int FEWEST_ANSWERS = 4;

    /** How the fact is read, for a person. */
    public String how() {
        return fact.whereToRead();
    }

    /** All unknown facts that some verdict waits for, the most telling first. */
    public static List<NextReading> propose(Catalogue catalogue, Facts facts, Optional<School> choice) {
        List<RouteFit> now = new FitCheck(catalogue, facts, choice)
                .routes().stream()
                        .filter(fit -> fit.verdict() != Verdict.REFUSED)
                        .toList();
        Set<Fact> asked = now.stream()
                .filter(fit -> fit.verdict() == Verdict.NEEDS_READING)
                .flatMap(fit -> fit.clauses().stream())
                .flatMap(clause -> clause.asks().stream())
                .filter(fact -> facts.value(fact).isEmpty())
                .collect(Collectors.toSet());
        Catalogue open = catalogue.with(now.stream().map(RouteFit::route).toList());
        return asked.stream()
                .map(fact -> weigh(fact, open, facts, choice, waiting(now)))
                .sorted(Comparator.comparingDouble(NextReading::bits)
                        .thenComparingDouble(NextReading::settles)
                        .reversed()
                        .thenComparing(NextReading::fact))
                .toList();
    }

    private static NextReading weigh(Fact fact, Catalogue open, Facts facts, Optional<School> choice, long waitingNow) {
        int routes = open.routes().size();
        List<List<RouteFit>> outcomes = some(List.copyOf(answers(open, fact)), routes).stream()
                .map(answer -> new FitCheck(open, facts.supposing(Map.of(fact, answer)), choice).routes())
                .toList();
        double bits = IntStream.range(0, routes)
                .mapToDouble(route -> Entropy.bits(outcomes.stream()
                        .collect(Collectors.groupingBy(
                                outcome -> outcome.get(route).verdict(), Collectors.counting()))
                        .values()))
                .sum();
        double waiting =
                outcomes.stream().mapToLong(NextReading::waiting).average().orElse(0);
        return new NextReading(fact, waitingNow - waiting, bits);
    }

    private static List<String> some(List<String> answers, int routes) {
        int most = Math.max(FEWEST_ANSWERS, MOST_FITS / Math.max(1, routes));
        return answers.size() <= most
                ? answers
                : IntStream.range(0, most)
                        .mapToObj(i -> answers.get((int) ((long) i * (answers.size() - 1) / (most - 1))))
                        .toList();
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
