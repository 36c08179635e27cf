package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Source;

class FitCheckTest {
    private static final Catalogue NOTHING = new Catalogue(List.of(), List.of());

    private static final Route PACKAGE = route("package")
            .target("TS-J540", "5.1.1", "J5-0382", "J5-0371")
            .excluding("J5-0390", "hole closed.")
            .making(Fact.ROOT, "permanent");

    /** The two schools, each sentence of their definition a row. */
    @ParameterizedTest
    @CsvSource({
        "practical, TS-J540, 5.1.1, J5-0100, fits",
        "practical, TS-J540, 5.0.2, J5-0100, caution",
        "practical, TS-J540, 6.0, J5-0100, caution",
        "practical, TS-J540B, 5.1.1, J5-0382, refused",
        "practical, TS-J540, 5.1.1, J5-0390, refused",
        "exact, TS-J540, 5.1.1, J5-0382, fits",
        "exact, TS-J540, 5.1.1, J5-0100, refused",
        "exact, TS-J540, , J5-0371, fits",
        "exact, TS-J540, 5.1.1, , needs a reading",
        "practical, TS-J540, , J5-0371, needs a reading",
        "practical, , 5.1.1, J5-0382, needs a reading",
        "practical, , 5.1.1, J5-0390, refused",
    })
    void followsTheTwoSchools(String school, String model, String os, String build, String verdict) {
        Facts facts = known(model, os, build);
        RouteFit fit =
                FitCheck.alone(NOTHING, PACKAGE, facts, Optional.of(School.valueOf(school.toUpperCase(Locale.ROOT))));
        assertThat(fit.verdict().word()).as("%s", fit.clauses()).isEqualTo(verdict);
        assertThat(fit.clauses())
                .allSatisfy(clause -> assertThat(clause.reason()).matches("(?s)[A-Z].*\\."));
    }

    @Test
    void whatCanBrickForGoodIsExactUnlessTheUserSaysOtherwise() {
        Route deadly = route("deadly")
                .bootloader("TS-J540", "J5B-014", "J5-0382")
                .writing(PartitionClass.BOOTLOADER)
                .making(Fact.LOCK, "unlocked");
        Facts facts = facts("model=TS-J540", "osVersion=5.1.1", "buildNumber=J5-0100", "bootloader=J5B-014");
        assertThat(FitCheck.alone(NOTHING, deadly, facts, Optional.empty()).verdict())
                .isEqualTo(Verdict.REFUSED);
        assertThat(FitCheck.alone(NOTHING, deadly, facts, Optional.of(School.PRACTICAL))
                        .verdict())
                .isEqualTo(Verdict.FITS);
        Facts other = facts.supposing(Map.of(Fact.BOOTLOADER, "J5B-015"));
        assertThat(FitCheck.alone(NOTHING, deadly, other, Optional.of(School.PRACTICAL))
                        .verdict())
                .as("the bootloader is exact in either school")
                .isEqualTo(Verdict.REFUSED);
    }

    @Test
    void aNoThatAnotherRouteTurnsNeedsAStepAndOneThatNothingTurnsRefuses() {
        Route unlock = route("unlock").needs(Fact.LOCK, "locked").making(Fact.LOCK, "unlocked");
        Route recovery = route("recovery").needs(Fact.LOCK, "unlocked").making(Fact.RECOVERY, "custom");
        Route root = route("root").needs(Fact.RECOVERY, "custom").making(Fact.ROOT, "permanent");
        Facts locked = facts("lock=locked", "recovery=stock");
        assertThat(verdicts(locked, unlock, recovery, root))
                .containsExactly(Verdict.FITS, Verdict.NEEDS_STEP, Verdict.NEEDS_STEP);
        assertThat(verdicts(locked, recovery, root)).containsExactly(Verdict.REFUSED, Verdict.REFUSED);
        RouteFit waiting = check(locked, unlock, recovery, root).get(2);
        assertThat(waiting.clauses().get(0).step()).contains("Route recovery");
    }

    @Test
    void whatIsUnknownDecidesBeforeAStepDoes() {
        Route unlock = route("unlock").making(Fact.LOCK, "unlocked");
        Route both = route("both")
                .needs(Fact.LOCK, "unlocked")
                .needs(Fact.CARD, "yes")
                .making(Fact.RECOVERY, "custom");
        assertThat(verdicts(facts("lock=locked"), unlock, both).get(1)).isEqualTo(Verdict.NEEDS_READING);
        assertThat(verdicts(facts("lock=locked", "card=no"), unlock, both).get(1))
                .isEqualTo(Verdict.REFUSED);
        assertThat(verdicts(facts("lock=locked", "card=yes"), unlock, both).get(1))
                .isEqualTo(Verdict.NEEDS_STEP);
    }

    @Test
    void conditionsJoinAndTurn() {
        Condition unlocked = new Condition.OneOf(Fact.LOCK, List.of("unlocked"), Optional.empty());
        Condition card = new Condition.OneOf(Fact.CARD, List.of("yes"), Optional.empty());
        Condition old =
                new Condition.Between(Fact.OS_VERSION, Optional.of("2.2"), Optional.of("4.3"), Optional.empty());
        Condition notBrook = new Condition.Not(
                new Condition.OneOf(Fact.CARRIER, List.of("Brookcell"), Optional.empty()), Optional.of("They refuse."));
        Route any = route("any")
                .needs(new Condition.AnyOf(List.of(unlocked, card)))
                .needs(old)
                .needs(notBrook)
                .making(Fact.ROOT, "permanent");
        Route nested = route("nested")
                .needs(new Condition.Not(new Condition.AllOf(List.of(unlocked, card)), Optional.empty()))
                .making(Fact.ROOT, "permanent");
        Facts facts = facts("card=yes", "osVersion=4.3", "carrier=Fennlink");
        assertThat(verdicts(facts, any, nested)).containsExactly(Verdict.FITS, Verdict.NEEDS_READING);
        assertThat(check(facts, any).get(0).clauses())
                .extracting(Clause::result)
                .containsOnly(Truth.YES);
        assertThat(verdicts(facts("lock=locked", "card=no", "osVersion=4.4", "carrier=Brookcell"), any, nested))
                .containsExactly(Verdict.REFUSED, Verdict.FITS);
        assertThat(check(facts("card=yes"), any).get(0).clauses())
                .extracting(Clause::reason)
                .contains("Carrier is not known; it must not be Brookcell. They refuse.");
    }

    /** Nothing that writes a partition fits while two sources name different phones; what writes none is doubtful. */
    @Test
    void nothingIsWrittenWhileSourcesNameDifferentPhones() {
        Facts torn = new Ledger(List.of(
                        Sample.reading(Fact.MODEL, "TS-J540", Source.PROPERTY_LISTING, "a", 1, Sample.NOW),
                        Sample.reading(Fact.MODEL, "TS-J540B", Source.TYPED, "b", 1, Sample.NOW)))
                .facts()
                .supposing(Map.of(Fact.OS_VERSION, "5.1.1", Fact.BUILD_NUMBER, "J5-0382"));
        Route app = route("app")
                .writing(PartitionClass.APP)
                .target("TS-J540", "5.1.1")
                .making(Fact.CARD, "yes");
        Route sisters = route("sisters").target("TS-J540B", "5.1.1").making(Fact.ROOT, "permanent");
        Route others = route("others").target("TS-J440", "5.1.1").making(Fact.ROOT, "permanent");
        Route any = route("any").making(Fact.ROOT, "permanent");
        assertThat(verdicts(torn, PACKAGE, app, sisters, others, any))
                .containsExactly(
                        Verdict.NEEDS_READING,
                        Verdict.CAUTION,
                        Verdict.NEEDS_READING,
                        Verdict.REFUSED,
                        Verdict.NEEDS_READING);
        assertThat(check(torn, any).get(0).clauses()).singleElement().satisfies(clause -> {
            assertThat(clause.kind()).isEqualTo(Clause.Kind.IDENTITY);
            assertThat(clause.reason()).contains("TS-J540 and TS-J540B");
            assertThat(clause.asks()).containsExactly(Fact.MODEL);
        });
    }

    @Test
    void proposesTheReadingThatSettlesMost() {
        Route one = route("one").needs(Fact.LOCK, "unlocked").making(Fact.RECOVERY, "custom");
        Route two = route("two").needs(Fact.LOCK, "unlocked").making(Fact.ROOT, "permanent");
        Route three = route("three").needs(Fact.CARD, "yes").making(Fact.OTA_PATH, "blocked");
        Catalogue catalogue = new Catalogue(List.of(), List.of(one, two, three));
        List<NextReading> next = NextReading.propose(catalogue, Facts.none(), Optional.empty(), catalogue.routes());
        assertThat(next).extracting(NextReading::fact).containsExactly(Fact.LOCK, Fact.CARD);
        assertThat(next).extracting(NextReading::settles).containsExactly(2.0, 1.0);
        assertThat(next)
                .as("Shannon 1948: a verdict that falls either way with equal chances is worth one bit")
                .extracting(NextReading::bits)
                .element(1)
                .isEqualTo(1.0);
        assertThat(next.get(0).bits())
                .as("locked is held three times as likely as unlocked: 2 × H(1/4), H(1/4) = 0.8113 (a textbook value)")
                .isCloseTo(1.6226, within(1e-4));
        assertThat(NextReading.propose(
                        catalogue, facts("lock=locked", "card=no"), Optional.empty(), catalogue.routes()))
                .isEmpty();
    }

    private static Facts known(String model, String os, String build) {
        Map<Fact, String> known = new EnumMap<>(Fact.class);
        Optional.ofNullable(model).ifPresent(value -> known.put(Fact.MODEL, value));
        Optional.ofNullable(os).ifPresent(value -> known.put(Fact.OS_VERSION, value));
        Optional.ofNullable(build).ifPresent(value -> known.put(Fact.BUILD_NUMBER, value));
        return Facts.none().supposing(known);
    }

    private static List<RouteFit> check(Facts facts, Route... routes) {
        return new FitCheck(new Catalogue(List.of(), List.of(routes)), facts, Optional.empty()).routes();
    }

    private static List<Verdict> verdicts(Facts facts, Route... routes) {
        return check(facts, routes).stream().map(RouteFit::verdict).toList();
    }
}
