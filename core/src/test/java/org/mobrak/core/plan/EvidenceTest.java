package org.mobrak.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EvidenceTest {
    /**
     * The score method without continuity correction, R. G. Newcombe, “Two-sided confidence intervals for the single proportion”,
     * Statistics in Medicine 17 (1998), table I; the figures are from memory.
     */
    @ParameterizedTest
    @CsvSource({"81,263,0.2553,0.3662", "15,148,0.0624,0.1605", "0,20,0.0000,0.1611", "1,29,0.0061,0.1718"})
    void theIntervalIsThatOfTheTable(int worked, int tried, double lower, double upper) {
        Evidence evidence = new Evidence(worked, tried);
        assertThat(evidence.lowerBound()).isCloseTo(lower, within(5e-5));
        assertThat(evidence.upperBound()).isCloseTo(upper, within(5e-5));
        assertThat(evidence.rate()).isBetween(evidence.lowerBound(), evidence.upperBound());
    }

    @Test
    void withoutATryNothingIsKnown() {
        Evidence none = new Evidence(0, 0);
        assertThat(none.lowerBound()).isZero();
        assertThat(none.upperBound()).isEqualTo(1);
        assertThat(none.rate()).isNaN();
    }
}
