package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;

/** A three-point estimate of time, in minutes: the least, the usual and the most it takes. */
public record Minutes(double least, double usual, double most) {
    public Minutes {
        if (!(0 <= least && least <= usual && usual <= most)) {
            throw new IllegalArgumentException(
                    "Minutes must rise from least to usual to most, not %s, %s, %s".formatted(least, usual, most));
        }
    }

    @JsonCreator
    static Minutes of(List<Double> three) {
        return new Minutes(three.get(0), three.get(1), three.get(2));
    }

    @JsonValue
    List<Double> three() {
        return List.of(least, usual, most);
    }

    /** The same, all three times as much. */
    Minutes times(double factor) {
        return factor == 1 ? this : new Minutes(factor * least, factor * usual, factor * most);
    }

    /** The expected time: (least + 4 usual + most) / 6, the classic PERT weighting (Malcolm et al. 1959). */
    public double mean() {
        return (least + 4 * usual + most) / 6;
    }

    /** The variance that goes with {@link #mean()}: ((most − least) / 6)². */
    public double variance() {
        double sigma = (most - least) / 6;
        return sigma * sigma;
    }
}
