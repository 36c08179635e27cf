package org.mobrak.core.mend;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.mobrak.core.catalogue.trouble.Question;

/**
 * The question whose answer is expected to narrow causes down most: the expected reduction of their entropy, which is the
 * mutual information of cause and answer (T. M. Cover, J. A. Thomas, Elements of Information Theory, 2nd ed. 2006, §2.4). A
 * question that may forbid all the rest goes first.
 */
final class NextQuestion {
    /** Less than this is not worth a person's time; our own choice. */
    private static final double LEAST_BITS = 0.005;

    private static final double LN_2 = Math.log(2);

    /** The causes that say something of a question, by its id; of the others each answer is as likely as the next. */
    private final Map<String, List<Diagnosis.Likely>> telling = new HashMap<>();
    /** The sum of p log₂ p over all causes: what is uncertain, with its sign turned. */
    private final double sum;

    NextQuestion(List<Diagnosis.Likely> causes) {
        for (Diagnosis.Likely likely : causes) {
            likely.cause()
                    .answers()
                    .keySet()
                    .forEach(id -> telling.computeIfAbsent(id, same -> new ArrayList<>())
                            .add(likely));
        }
        this.sum = causes.stream()
                .mapToDouble(likely -> plogp(likely.probability()))
                .sum();
    }

    private static double plogp(double p) {
        return p <= 0 ? 0 : p * Math.log(p) / LN_2;
    }

    Optional<Diagnosis.Next> of(Collection<Question> open) {
        return open.stream()
                .map(question -> new Diagnosis.Next(question, bits(question)))
                .filter(next -> next.bits() > LEAST_BITS)
                .max(Comparator.comparing(
                                (Diagnosis.Next next) -> next.question().stop())
                        .thenComparingDouble(Diagnosis.Next::bits)
                        .thenComparing(next -> next.question().id(), Comparator.reverseOrder()));
    }

    /**
     * Bits of uncertainty that the answer takes away on average; from 0 to the bits there are. Of an answer with the chance c, and
     * the joint chances j of it and each cause, c times the entropy left is c log₂ c − Σ j log₂ j; the causes that say nothing
     * are taken together, so that only those that do are gone through.
     */
    double bits(Question question) {
        List<Diagnosis.Likely> tellers = telling.getOrDefault(question.id(), List.of());
        double even = 1.0 / question.answers().size();
        double others =
                1 - tellers.stream().mapToDouble(Diagnosis.Likely::probability).sum();
        double othersSum = sum
                - tellers.stream()
                        .mapToDouble(likely -> plogp(likely.probability()))
                        .sum();
        double left = 0;
        for (String answer : question.answers()) {
            double chance = others * even;
            double joint = even * othersSum + others * plogp(even);
            for (Diagnosis.Likely likely : tellers) {
                double both = likely.probability()
                        * Posterior.likelihood(
                                Objects.requireNonNull(likely.cause().answers().get(question.id())), question, answer);
                chance += both;
                joint += plogp(both);
            }
            left += plogp(chance) - joint;
        }
        return Math.max(0, -sum - left);
    }
}
