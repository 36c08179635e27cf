package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
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
    private static final int CHUNK = 2_000;
    private static final int JUDGEMENTS = Integer.getInteger("mobrak.judgements", 3 * CHUNK);
    private static final long SEED = Long.getLong("mobrak.seed", 20261201);

    /** What came of some judgements: how many there were, and by what was said the number of those that were not equal. */
    private record Count(int judged, Map<String, Integer> unequal) {
        Count and(Count other) {
            Map<String, Integer> both = new TreeMap<>(unequal);
            other.unequal.forEach((why, many) -> both.merge(why, many, Integer::sum));
            return new Count(judged + other.judged, both);
        }

        int notEqual() {
            return unequal.values().stream().mapToInt(Integer::intValue).sum();
        }
    }

    @Test
    void whatFitsFitsInEveryWorldAndWhatIsRefusedFitsInNone() {
        Count all = IntStream.range(0, Math.max(1, JUDGEMENTS / CHUNK))
                .parallel()
                .mapToObj(chunk -> judge(SEED + chunk))
                .reduce(new Count(0, Map.of()), Count::and);
        String told = "%d judgements; %d not equal, all on the safe side: %s"
                .formatted(all.judged(), all.notEqual(), all.unequal());
        System.out.println(told);
        assertThat(all.notEqual()).as(told).isLessThan(all.judged() / 100);
    }

    private static Count judge(long seed) {
        RandomTrade trade = new RandomTrade(seed);
        Map<String, Integer> unequal = new TreeMap<>();
        int judged = 0;
        while (judged < CHUNK) {
            Catalogue catalogue = trade.catalogue(ROUTES);
            RandomTrade.Phone phone = trade.phone();
            Facts facts = phone.ledger().facts();
            NaiveJudge naive = new NaiveJudge(catalogue, phone.values(), phone.read());
            for (Route route : catalogue.routes()) {
                Optional<Set<Answer>> worlds = naive.answers(route);
                if (worlds.isPresent()) {
                    judged++;
                    RouteFit fit = FitCheck.alone(catalogue, route, facts, Optional.empty());
                    difference(fit, worlds.get(), phone, catalogue)
                            .ifPresent(why -> unequal.merge(why, 1, Integer::sum));
                }
            }
        }
        return new Count(judged, unequal);
    }

    /** Empty where both say the same. Where not, that the judge is on the safe side is held, and why is told. */
    private static Optional<String> difference(
            RouteFit fit, Set<Answer> worlds, RandomTrade.Phone phone, Catalogue catalogue) {
        boolean inAll = !worlds.contains(Answer.NO);
        boolean inNone = worlds.equals(EnumSet.of(Answer.NO));
        Supplier<String> said = () -> "%s, in the worlds %s, readings %s, dangers %s"
                .formatted(fit, worlds, phone.readings(), catalogue.dangers());
        boolean equal = switch (fit.verdict()) {
            case FITS -> {
                assertThat(worlds).as(said).containsExactly(Answer.YES);
                yield true;
            }
            case CAUTION -> inAll;
            case REFUSED -> inNone;
            // Between plainly and with a doubt a reading decides too.
            case NEEDS_READING -> worlds.size() > 1;
            case NEEDS_STEP -> throw new AssertionError("Nothing helps here: " + said.get());
        };
        String why = why(fit, phone);
        if (!equal && fit.verdict() == Verdict.CAUTION) {
            assertThat(why).as(said).isEqualTo(SYSTEM);
        }
        return equal
                ? Optional.empty()
                : Optional.of("%s where it fits in %s (%s)"
                        .formatted(fit.verdict().word(), inAll ? "all" : inNone ? "none" : "some", why));
    }

    private static final String SYSTEM = "what the system says is taken for its kernel, with a doubt or to refuse";

    private static String why(RouteFit fit, RandomTrade.Phone phone) {
        Route route = fit.route();
        List<Condition> leaves =
                route.fits().requires().stream().flatMap(Condition::leaves).toList();
        boolean hole = leaves.stream().anyMatch(leaf -> leaf instanceof Condition.HoleOpen)
                || fit.clauses().stream().anyMatch(clause -> clause.kind() == Clause.Kind.DANGER);
        boolean kindUnread = !phone.read().contains(Fact.KERNEL_KIND);
        if (hole && kindUnread && fit.verdict() != Verdict.NEEDS_READING) {
            return SYSTEM;
        }
        boolean unreadable = leaves.stream().flatMap(Condition::facts).anyMatch(phone.odd()::contains);
        if (unreadable) {
            return "a date that cannot be read might decide";
        }
        if (phone.torn().contains(Fact.MODEL) && !route.changes().writes().contains(PartitionClass.APP)) {
            return "nothing is written while it is open which phone this is";
        }
        return route.canBrickForGood() && !phone.torn().isEmpty()
                ? "what can end the phone waits until all that it rests on is settled"
                : "one fact stands in several places";
    }
}
