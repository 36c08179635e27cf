package org.mobrak.core.catalogue;

import java.util.Collection;

/**
 * Uncertainty in bits, as C. E. Shannon defines it (A Mathematical Theory of Communication, 1948, §6): −Σ p log₂ p.
 */
public final class Entropy {
    private static final double LN_2 = Math.log(2);

    private Entropy() {}

    /** The entropy of a choice whose chances are proportional to these weights; 0 where there is no choice. */
    public static double bits(Collection<? extends Number> weights) {
        double sum = weights.stream().mapToDouble(Number::doubleValue).sum();
        return weights.stream()
                .mapToDouble(Number::doubleValue)
                .filter(weight -> weight > 0)
                .map(weight -> -weight / sum * Math.log(weight / sum) / LN_2)
                .sum();
    }
}
