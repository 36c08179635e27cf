package org.mobrak.core.fit;

import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Entropy;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * A reading worth taking: how much its answer is expected to tell about the verdicts that matter.
 *
 * <p>Every answer the catalogue tells apart ({@link Answers}) is held equally likely, but for the usual state of an untouched
 * phone, which is likelier. The verdict of a route follows from the answer, so what the answer tells about it is the entropy of
 * the verdicts over the answers (C. E. Shannon, Bell Syst. Tech. J. 27, 1948); bits are summed over the routes. Routes that are
 * refused already stay so and are left out, and so are those that do not matter to the goal. A reading that tells nothing is
 * never proposed. Cost: answers × routes fits per fact; in a large catalogue so many answers, evenly spaced, as keep within a
 * bound.
 *
 * @param settles expected number of verdicts that no longer need a reading, from 0 to the number of routes
 * @param bits expected reduction of entropy over the verdicts
 */
public record NextReading(Fact fact, double settles, double bits) {
    private static final double NOTHING = 1e-9;
    private static final int MOST_FITS = 20_000;
    private static final int FEWEST_ANSWERS = 4;

    /** How the fact is read, for a person. */
    public String how() {
        return fact.whereToRead();
    }

    /**
     * The facts that some verdict waits for: the model number before all else, then the most telling first.
     *
     * @param matter the routes whose verdicts are wanted
     */
    public static List<NextReading> propose(
            Catalogue catalogue, Facts facts, Optional<School> choice, Collection<Route> matter) {
        Set<String> ids = matter.stream()
                .filter(route -> !route.isHousekeeping())
                .map(Route::id)
                .collect(Collectors.toSet());
        List<RouteFit> now = new FitCheck(catalogue, facts, choice)
                .routes().stream()
                        .filter(fit -> fit.verdict() != Verdict.REFUSED
                                && ids.contains(fit.route().id()))
                        .toList();
        Catalogue open = catalogue.with(now.stream().map(RouteFit::route).toList());
        return asked(now, facts).stream()
                .map(fact -> weigh(fact, open, facts, choice, waiting(now)))
                .filter(reading -> reading.bits() > NOTHING)
                .sorted(Comparator.comparing((NextReading reading) -> reading.fact() == Fact.MODEL)
                        .thenComparingDouble(NextReading::bits)
                        .thenComparingDouble(NextReading::settles)
                        .reversed()
                        .thenComparing(NextReading::fact))
                .toList();
    }

    /** Before the model number is known, a route for one phone cannot be settled by anything else. */
    private static Set<Fact> asked(List<RouteFit> now, Facts facts) {
        boolean anyPhone = facts.value(Fact.MODEL).isEmpty();
        Set<Fact> asked = EnumSet.noneOf(Fact.class);
        for (RouteFit fit : now) {
            if (anyPhone && !fit.route().fits().phones().isEmpty()) {
                asked.add(Fact.MODEL);
            } else if (fit.verdict() == Verdict.NEEDS_READING) {
                fit.clauses().forEach(clause -> asked.addAll(clause.asks()));
            }
        }
        return asked;
    }

    private static NextReading weigh(Fact fact, Catalogue open, Facts facts, Optional<School> choice, long waitingNow) {
        int routes = open.routes().size();
        Map<String, Double> answers = Answers.of(open, facts, fact);
        List<String> some = some(List.copyOf(answers.keySet()), routes);
        List<List<RouteFit>> outcomes = some.stream()
                .map(answer -> new FitCheck(open, facts.supposing(Map.of(fact, answer)), choice).routes())
                .toList();
        List<Double> weights = some.stream().map(answers::get).toList();
        double bits = IntStream.range(0, routes)
                .mapToDouble(route -> bits(route, outcomes, weights))
                .sum();
        double all = weights.stream().mapToDouble(weight -> weight).sum();
        double waiting = IntStream.range(0, outcomes.size())
                .mapToDouble(i -> waiting(outcomes.get(i)) * weights.get(i) / all)
                .sum();
        return new NextReading(fact, some.isEmpty() ? 0 : waitingNow - waiting, bits);
    }

    private static double bits(int route, List<List<RouteFit>> outcomes, List<Double> weights) {
        Map<Verdict, Double> verdicts = new HashMap<>();
        for (int i = 0; i < outcomes.size(); i++) {
            verdicts.merge(outcomes.get(i).get(route).verdict(), weights.get(i), Double::sum);
        }
        return Entropy.bits(verdicts.values());
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
}
