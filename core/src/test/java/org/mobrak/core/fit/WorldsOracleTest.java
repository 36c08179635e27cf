package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.NaiveJudge.Answer;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * The judge against the definition: a route fits only where it fits in every world that the readings allow, and is refused only
 * where it fits in none ({@link NaiveJudge}). {@code benchmarks/worlds.sh} runs a million; the build a sample.
 */
class WorldsOracleTest {
    private static final int ROUTES = 10;
    private static final int JUDGEMENTS = Integer.getInteger("mobrak.judgements", 60_000);
    private static final long SEED = Long.getLong("mobrak.seed", 20261201);

    private final Map<String, Integer> counted = new TreeMap<>();

    @Test
    void whatFitsFitsInEveryWorldAndWhatIsRefusedFitsInNone() {
        RandomTrade trade = new RandomTrade(SEED);
        int judged = 0;
        int equal = 0;
        while (judged < JUDGEMENTS) {
            Catalogue catalogue = trade.catalogue(ROUTES);
            RandomTrade.Phone phone = trade.phone();
            Facts facts = phone.ledger().facts();
            NaiveJudge naive = new NaiveJudge(catalogue, phone.values(), phone.read());
            for (Route route : catalogue.routes()) {
                Optional<Set<Answer>> worlds = naive.answers(route);
                if (worlds.isPresent()) {
                    RouteFit fit = FitCheck.alone(catalogue, route, facts, Optional.empty());
                    judged++;
                    equal += isEqual(fit, worlds.get(), phone, catalogue.dangers()) ? 1 : 0;
                }
            }
        }
        System.out.printf("%d judgements, %d equal; otherwise, all on the safe side: %s%n", judged, equal, counted);
        assertThat(equal).as("%s", counted).isGreaterThan((int) (0.99 * judged));
    }

    /** Whether both say the same; where not, that the judge is on the safe side is held, and why is counted. */
    private boolean isEqual(RouteFit fit, Set<Answer> worlds, RandomTrade.Phone phone, List<Danger> dangers) {
        boolean inAll = !worlds.contains(Answer.NO);
        boolean inNone = worlds.equals(EnumSet.of(Answer.NO));
        String said = "%s, in the worlds %s, readings %s, dangers %s".formatted(fit, worlds, phone.readings(), dangers);
        boolean equal = switch (fit.verdict()) {
            case FITS -> {
                assertThat(worlds).as(said).containsExactly(Answer.YES);
                yield true;
            }
            case CAUTION -> inAll;
            case REFUSED -> inNone;
            case NEEDS_READING -> !inAll && !inNone;
            case NEEDS_STEP -> throw new AssertionError("Nothing helps here: " + said);
        };
        counted.merge(
                fit.verdict()
                        + (equal ? "" : " for " + (inAll ? "all" : inNone ? "none" : "some") + ", " + why(fit, phone)),
                1,
                Integer::sum);
        if (!equal && fit.verdict() == Verdict.CAUTION) {
            assertThat(why(fit, phone)).as(said).isEqualTo("the system speaks for its kernel");
        }
        return equal;
    }

    private static String why(RouteFit fit, RandomTrade.Phone phone) {
        Route route = fit.route();
        boolean hole = route.fits().requires().stream()
                .flatMap(Condition::leaves)
                .anyMatch(leaf -> leaf instanceof Condition.HoleOpen);
        if (fit.verdict() == Verdict.CAUTION || fit.verdict() == Verdict.REFUSED && hole) {
            return hole && !phone.read().contains(Fact.KERNEL_KIND) ? "the system speaks for its kernel" : "?";
        }
        if (hole && !phone.odd().isEmpty()) {
            return "a bound that cannot be read might close it";
        }
        if (phone.torn().contains(Fact.MODEL) && !route.changes().writes().contains(PartitionClass.APP)) {
            return "nothing is written while it is open which phone this is";
        }
        return route.canBrickForGood() && !phone.torn().isEmpty()
                ? "what can end the phone waits until all that it rests on is settled"
                : "a fact stands in it twice";
    }
}
