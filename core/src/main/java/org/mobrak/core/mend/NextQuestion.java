package org.mobrak.core.mend;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Entropy;
import org.mobrak.core.catalogue.trouble.Question;

/**
 * The question whose answer is expected to narrow causes down most: the expected reduction of their entropy, which is the
 * mutual information of cause and answer (T. M. Cover, J. A. Thomas, Elements of Information Theory, 2nd ed. 2006, §2.4). A
 * question that may forbid all the rest goes first.
 */
final class NextQuestion {
    /** Less than this is not worth a person's time; our own choice. */
    private static final double LEAST_BITS = 0.005;

    private final List<Diagnosis.Likely> causes;
    private final double now;

    NextQuestion(List<Diagnosis.Likely> causes) {
        this.causes = causes;
        this.now =
                Entropy.bits(causes.stream().map(Diagnosis.Likely::probability).toList());
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

    /** Bits of uncertainty that the answer takes away on average; from 0 to the bits there are. */
    double bits(Question question) {
        double even = 1.0 / question.answers().size();
        double left = 0;
        for (String answer : question.answers()) {
            double chance = 0;
            List<Double> weights = new ArrayList<>(causes.size());
            for (Diagnosis.Likely likely : causes) {
                Map<String, Double> said = likely.cause().answers().get(question.id());
                double joint =
                        likely.probability() * (said == null ? even : Posterior.likelihood(said, question, answer));
                weights.add(joint);
                chance += joint;
            }
            left += chance == 0 ? 0 : chance * Entropy.bits(weights);
        }
        return Math.max(0, now - left);
    }
}
