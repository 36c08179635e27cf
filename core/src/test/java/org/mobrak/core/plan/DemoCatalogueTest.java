package org.mobrak.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** The fifteen demo devices over the shipped catalogue: everything of the trade occurs, and every answer can be explained. */
class DemoCatalogueTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    private Catalogue catalogue;
    private Collection<Facts> phones;

    @BeforeEach
    void load() throws IOException {
        catalogue = Sample.shipped();
        phones = Sample.demoPhones(catalogue);
    }

    private List<RouteFit> fits(Facts facts) {
        return new FitCheck(catalogue, facts, Optional.empty()).routes();
    }

    @Test
    void everyVerdictOccurs() {
        assertThat(phones).hasSize(15);
        assertThat(phones.stream().flatMap(facts -> fits(facts).stream()).map(RouteFit::verdict))
                .containsAll(EnumSet.allOf(Verdict.class));
    }

    /** An expert can say of each verdict why it holds: some clause decides it, in a sentence. */
    @Test
    void everyVerdictHasItsReason() {
        for (Facts facts : phones) {
            for (RouteFit fit : fits(facts)) {
                Truth deciding = switch (fit.verdict()) {
                    case FITS, CAUTION -> Truth.YES;
                    case NEEDS_READING -> Truth.UNKNOWN;
                    case NEEDS_STEP, REFUSED -> Truth.NO;
                };
                boolean free = fit.clauses().isEmpty() && fit.verdict() == Verdict.FITS;
                assertThat(free || fit.clauses().stream().anyMatch(clause -> clause.result() == deciding))
                        .as("%s: %s", fit.route().id(), fit.verdict())
                        .isTrue();
                assertThat(fit.clauses())
                        .extracting(Clause::reason)
                        .allSatisfy(reason -> assertThat(reason).matches("(?s)[A-Z].*\\."));
            }
        }
    }

    @Test
    void everyDisagreementOfTheTradeIsOffered() {
        String asked = catalogue.routes().stream()
                .flatMap(route -> route.notes().alternatives().stream())
                .map(Route.Alternative::question)
                .collect(Collectors.joining(" "))
                .toLowerCase(Locale.ROOT);
        assertThat(asked)
                .contains(
                        "how exact",
                        "wipe",
                        "proves",
                        "keys or plug",
                        "by app or by command",
                        "touch or keys",
                        "take an update",
                        "restart when done",
                        "keep the manager");
    }

    @Test
    void everyHousekeepingIsTakenIntoSomePlanOrOpensAGate() {
        Set<String> asked = catalogue.routes().stream()
                .flatMap(route -> route.work().gates().stream())
                .map(gate -> gate.fact().key())
                .collect(Collectors.toSet());
        // Asked by every sheet on which the radio is written.
        asked.add("radioBackup");
        assertThat(catalogue.routes().stream().filter(Route::isHousekeeping))
                .hasSizeGreaterThanOrEqualTo(9)
                .allSatisfy(route -> assertThat(route.changes().effects().keySet())
                        .as(route.id())
                        .anyMatch(fact -> asked.contains(fact.key())));
    }

    /** The sums of an account come to what the planner weighed. */
    @Test
    void everyPlansAccountComesToItsCost() {
        int plans = 0;
        for (Facts facts : phones) {
            for (Goal goal : Goal.usual()) {
                Planner.Answer answer = Planner.plan(goal, catalogue, facts, Optional.empty(), Limits.none());
                List<Plan> all = Stream.of(answer.plans(), answer.rest(), answer.assuming())
                        .flatMap(List::stream)
                        .toList();
                for (Plan plan : all) {
                    Cost sum = plan.routes().stream()
                            .map(route -> Cost.of(route, facts))
                            .reduce(Cost.none(), Cost::plus);
                    assertThat(plan.cost().minutes()).isCloseTo(sum.minutes(), within(1e-9));
                    assertThat(plan.cost().riskPoints()).isCloseTo(sum.riskPoints(), within(1e-9));
                    Set<String> marks = new HashSet<>(sum.marks());
                    if (facts.value(Fact.WARRANTY_FUSE).filter("blown"::equals).isPresent()) {
                        marks.remove("warranty fuse blown");
                    }
                    assertThat(plan.cost().marks())
                            .as("what is blown costs nothing more")
                            .isEqualTo(marks);
                    assertThat(Account.of(plan, facts))
                            .allSatisfy(figure -> assertThat(figure.total()).isNotBlank());
                    plans++;
                }
            }
        }
        assertThat(plans).isGreaterThan(30);
    }

    /** Every plan on the shown front is worth showing: no other is at least as good in every respect and better in one. */
    @Test
    void noPlanOfADemoPhoneIsBeatenByAnother() {
        for (Facts facts : phones) {
            for (Goal goal : Goal.usual()) {
                Planner.Answer answer = Planner.plan(goal, catalogue, facts, Optional.empty(), Limits.none());
                List<Plan> front = Stream.concat(answer.plans().stream(), answer.rest().stream())
                        .toList();
                for (Plan one : front) {
                    assertThat(front)
                            .filteredOn(other -> other != one)
                            .noneMatch(other -> other.cost().atMost(one.cost()));
                }
                assertThat(answer.plans().isEmpty())
                        .isEqualTo(!answer.blockers().isEmpty());
            }
        }
    }
}
