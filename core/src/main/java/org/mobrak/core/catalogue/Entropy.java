package org.mobrak.core.catalogue;

import java.util.Collection;

/**
 * Uncertainty in bits, as C. E. Shannon defines it (A Mathematical Theory of Communication, 1948, §6): −Σ p log₂ p.
 */
final class Entropy {
    private static final double LN_2 = Math.log(2);

    private Entropy() {}

    /** The entropy of a choice whose chances are proportional to these weights; 0 where there is no choice. */
    static double bits(Collection<Double> weights) {
        double sum = weights.stream().mapToDouble(Double::doubleValue).sum();
        return weights.stream()
                .filter(weight -> weight > 0)
                .mapToDouble(weight -> -weight / sum * Math.log(weight / sum) / LN_2)
                .sum();
    }
}
