package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

class EvidenceTest {
    /**
     * The score method without continuity correction, R. G. Newcombe, “Two-sided confidence intervals for the single proportion”,
     * Statistics in Medicine 17 (1998), table I; the figures are from memory.
     */
    @ParameterizedTest
    @CsvSource({"81,263,0.2553,0.3662", "15,148,0.0624,0.1605", "0,20,0.0000,0.1611", "1,29,0.0061,0.1718"})
    void theIntervalIsThatOfTheTable(int worked, int tried, double lower, double upper) {
        Evidence evidence = new Evidence(Evidence.Group.THIS_BUILD, worked, tried);
        assertThat(evidence.lowerBound()).isCloseTo(lower, within(5e-5));
        assertThat(evidence.upperBound()).isCloseTo(upper, within(5e-5));
        assertThat(evidence.rate()).isBetween(evidence.lowerBound(), evidence.upperBound());
    }

    @Test
    void withoutATryNothingIsKnown() {
        Evidence none = new Evidence(Evidence.Group.ANY_PHONE, 0, 0);
        assertThat(none.lowerBound()).isZero();
        assertThat(none.upperBound()).isEqualTo(1);
        assertThat(none.rate()).isNaN();
    }

    /** What happened on this very build counts first: the interval is over the nearest phones of which anybody reported. */
    @Test
    void theNearestPhonesCount() {
        Route route = route("r")
                .target("M1", "4.1", "B1", "B2")
                .target("M1", "4.3", "B3")
                .reported("M1", "B1", 5, 0)
                .reported("M1", "B2", 30, 0)
                .reported("M1", "B3", 0, 2)
                .reported("M2", "B1", 0, 9)
                .making(Fact.ROOT, "permanent");
        Facts here = facts("model=M1", "osVersion=4.1", "buildNumber=B1");
        assertThat(Evidence.of(route, here).sentence()).startsWith("5 of 5 reports on this very build");
        Facts sister = here.supposing(Map.of(Fact.BUILD_NUMBER, "B9"));
        assertThat(Evidence.of(route, sister).sentence()).startsWith("35 of 35 reports on other builds of this OS");
        assertThat(Evidence.of(route, sister).counting())
                .as("thirty-five of thirty-five elsewhere do not beat five of five here")
                .isLessThan(Evidence.of(route, here).counting());
        assertThat(Evidence.of(route, facts("model=M1", "osVersion=6.0")).group())
                .isEqualTo(Evidence.Group.THIS_MODEL);
        assertThat(Evidence.of(route, facts("model=M3")).group()).isEqualTo(Evidence.Group.OTHER_MODELS);
        assertThat(Evidence.of(route, Facts.none()).tried()).isEqualTo(46);
    }

    /** A way that fails on this very build is doubted, however often it worked elsewhere. */
    @ParameterizedTest
    @CsvSource({
        "0, 6, caution, true",
        "0, 1, caution, false",
        "1, 9, caution, true",
        "3, 3, fits, false",
        "5, 0, fits, false"
    })
    void failingOnThisBuildIsACaution(int worked, int failed, String verdict, boolean strong) {
        Route route = route("r")
                .target("M1", "4.1")
                .reported("M1", "B2", 100, 0)
                .reported("M1", "B1", worked, failed)
                .making(Fact.ROOT, "permanent");
        RouteFit fit = FitCheck.alone(
                new Catalogue(List.of(), List.of(route)),
                route,
                facts("model=M1", "osVersion=4.1", "buildNumber=B1"),
                Optional.empty());
        assertThat(fit.verdict().word()).isEqualTo(verdict);
        assertThat(fit.clauses().stream().anyMatch(clause -> clause.doubtWeight() == 2))
                .isEqualTo(strong);
    }
}
