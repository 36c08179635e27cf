package org.mobrak.core.identity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;

class LedgerTest {
    private static final Instant MONDAY = Instant.parse("2026-11-23T09:00:00Z");
    private static final Instant TUESDAY = MONDAY.plusSeconds(86_400);

    @Test
    void believesWhatSourcesAgreeOnAndKnowsNothingOtherwise() {
        Facts facts = ledger(
                        reading(Fact.MODEL, "KQ-T5", Source.PROPERTY_LISTING, MONDAY),
                        reading(Fact.MODEL, "KQ-T5", Source.TYPED, TUESDAY))
                .facts();
        assertThat(facts.belief(Fact.MODEL)).isInstanceOf(Belief.Certain.class);
        assertThat(facts.belief(Fact.MODEL).readings()).hasSize(2);
        assertThat(facts.belief(Fact.LOCK)).isInstanceOf(Belief.Unknown.class);
        assertThat(facts.value(Fact.LOCK)).isEmpty();
    }

    @Test
    void showsBothSidesOfAConflictAndTheBetterSourceLeads() {
        Facts facts = ledger(
                        reading(Fact.MODEL, "KQ-T5B", Source.TYPED, TUESDAY),
                        reading(Fact.MODEL, "KQ-T5", Source.PROPERTY_LISTING, MONDAY),
                        reading(Fact.KERNEL_RELEASE, "3.0.1", Source.PROPERTY_LISTING, MONDAY),
                        reading(Fact.KERNEL_RELEASE, "3.0.2", Source.KERNEL_BANNER, MONDAY))
                .facts();
        assertThat(facts.belief(Fact.MODEL)).isInstanceOf(Belief.Conflicting.class);
        assertThat(facts.belief(Fact.MODEL).readings())
                .extracting(Reading::value)
                .containsExactly("KQ-T5", "KQ-T5B");
        assertThat(facts.value(Fact.KERNEL_RELEASE)).contains("3.0.2");
    }

    @Test
    void aLaterReadingOfWhatChangesIsNoContradiction() {
        Ledger ledger = ledger(
                reading(Fact.ROOT, "none", Source.TYPED, MONDAY),
                reading(Fact.LOCK, "locked", Source.PROPERTY_LISTING, TUESDAY),
                reading(Fact.LOCK, "unlocked", Source.TYPED, TUESDAY.plusSeconds(60)),
                reading(Fact.ROOT, "permanent", Source.TYPED, TUESDAY));
        assertThat(ledger.facts().belief(Fact.ROOT)).isInstanceOf(Belief.Certain.class);
        assertThat(ledger.facts().value(Fact.ROOT)).contains("permanent");
        assertThat(ledger.facts().value(Fact.LOCK)).contains("unlocked");
        assertThat(ledger.of(Fact.ROOT)).as("nothing is overwritten").hasSize(2);
    }

    /** What was typed never drops what was seen at the same time: both are told, and what was seen leads. */
    @Test
    void seenBeatsTypedAndBothAreTold() {
        for (Source seen : Source.values()) {
            if (seen != Source.TYPED && seen != Source.CATALOGUE && seen != Source.WORKED_OUT) {
                Facts facts = ledger(
                                reading(Fact.BATTERY_PERCENT, "95", Source.TYPED, MONDAY),
                                reading(Fact.BATTERY_PERCENT, "34", seen, MONDAY))
                        .facts();
                assertThat(facts.said(Fact.BATTERY_PERCENT)).as("%s", seen).containsExactly("34", "95");
            }
        }
        Facts later = ledger(
                        reading(Fact.LOCK, "unlocked", Source.TYPED, MONDAY),
                        reading(Fact.LOCK, "locked", Source.BOOTLOADER_VARIABLES, TUESDAY))
                .facts();
        assertThat(later.said(Fact.LOCK)).as("seen later").containsExactly("locked");
    }

    /** A reading that cannot be says nothing; another of the same fact stands. */
    @ParameterizedTest
    @CsvSource({
        "BUILD_DATE, 1970-01-01T00:00:00Z, 2013-05-04",
        "KERNEL_BUILT, 2031-01-01, 2013-05-04",
        "PATCH_LEVEL, 2014-01-01, 2016-05-01",
        "PATCH_LEVEL, soon, 2016-05",
        "BUILD_NUMBER, LN2-F0\uFFFD, LN2-F09-131022",
        "CARRIER, N/A, Brookcell",
    })
    void whatCannotBeSaysNothing(Fact fact, String torn, String whole) {
        Reading cannotBe = reading(fact, torn, Source.PROPERTY_LISTING, TUESDAY);
        assertThat(ledger(cannotBe).facts().value(fact)).isEmpty();
        assertThat(ledger(cannotBe).facts().impossible(fact)).contains(cannotBe);
        assertThat(ledger(cannotBe, reading(fact, whole, Source.TYPED, TUESDAY))
                        .facts()
                        .said(fact))
                .containsExactly(whole);
    }

    @Test
    void theFirmwareLeadsOnTheModelAndTheRunningSystemOnTheRest() {
        for (Source below : List.of(Source.DOWNLOAD_SCREEN, Source.BOOTLOADER_VARIABLES, Source.LABEL)) {
            Facts facts = ledger(
                            reading(Fact.MODEL, "TS-J540", Source.PROPERTY_LISTING, MONDAY),
                            reading(Fact.MODEL, "TS-J440", below, MONDAY),
                            reading(Fact.OS_VERSION, "5.1", below, MONDAY),
                            reading(Fact.OS_VERSION, "5.1.1", Source.PROPERTY_LISTING, MONDAY))
                    .facts();
            assertThat(facts.value(Fact.MODEL)).as("%s", below).contains("TS-J440");
            assertThat(facts.value(Fact.OS_VERSION)).as("%s", below).contains("5.1.1");
            assertThat(below.reason()).isNotBlank();
        }
    }

    @Test
    void aRootShellNeitherTakesBackLastingRootNorOutlivesItsLoss() {
        Instant wednesday = TUESDAY.plusSeconds(86_400);
        Reading lasting = reading(Fact.ROOT, "permanent", Source.TYPED, MONDAY);
        Reading shell = reading(Fact.ROOT, "temporary", Source.ROOT_PROOF, TUESDAY);
        Reading lost = reading(Fact.ROOT, "none", Source.TYPED, wednesday);
        assertThat(ledger(shell).facts().value(Fact.ROOT)).contains("temporary");
        assertThat(ledger(lasting, shell).facts().value(Fact.ROOT)).contains("permanent");
        assertThat(ledger(lasting, shell, lost).facts().value(Fact.ROOT)).contains("none");
    }

    @Test
    void aReadingSetAsideStaysAndIsNotJudged() {
        Reading wrong =
                reading(Fact.MODEL, "KQ-T5B", Source.PROPERTY_LISTING, MONDAY).aside("misread");
        Ledger ledger = ledger(wrong, reading(Fact.MODEL, "KQ-T5", Source.TYPED, TUESDAY));
        assertThat(ledger.facts().belief(Fact.MODEL)).isInstanceOf(Belief.Certain.class);
        assertThat(ledger.facts().value(Fact.MODEL)).contains("KQ-T5");
        assertThat(ledger.of(Fact.MODEL)).contains(wrong);
        assertThat(wrong.follows(Fact.DEVICE, "tern").counts()).isFalse();
        assertThat(ledger(wrong).facts().belief(Fact.MODEL)).isInstanceOf(Belief.Unknown.class);
    }

    @Test
    void supposingLeavesTheFactsAlone() {
        Facts facts = ledger(reading(Fact.LOCK, "locked", Source.TYPED, MONDAY)).facts();
        assertThat(facts.supposing(Map.of(Fact.LOCK, "unlocked")).value(Fact.LOCK))
                .contains("unlocked");
        assertThat(facts.value(Fact.LOCK)).contains("locked");
    }

    @Test
    void refusesValuesOutsideAFactsDomain() throws Exception {
        assertThatThrownBy(() -> reading(Fact.LOCK, "perhaps", Source.TYPED, MONDAY))
                .hasMessageContaining("locked, unlocked");
        assertThatThrownBy(() -> TypedReading.parse("batteryPercent=400", MONDAY))
                .hasMessageContaining("from 0 to 100");
        assertThatThrownBy(() -> TypedReading.parse("batteryTemperature=warm", MONDAY))
                .hasMessageContaining("a number from -40 to 120");
        assertThatThrownBy(() -> TypedReading.parse("cardFree=-1", MONDAY)).hasMessageContaining("from 0 up");
        assertThat(TypedReading.parse("cardFree=14710262989", MONDAY).value()).isEqualTo("14710262989");
        assertThatThrownBy(() -> TypedReading.parse("colour=blue", MONDAY))
                .hasMessageContaining("no fact Mobrak knows");
        assertThatThrownBy(() -> TypedReading.parse("lock", MONDAY)).hasMessageContaining("KEY=VALUE");
        assertThat(TypedReading.parse("lock = unlocked", MONDAY).value()).isEqualTo("unlocked");
    }

    private static Ledger ledger(Reading... readings) {
        return new Ledger(List.of(readings));
    }

    private static Reading reading(Fact fact, String value, Source source, Instant at) {
        return Sample.reading(fact, value, source, "somewhere", 1, at);
    }

    /** A job wrote another version a minute after the listing was taken: that is no conflict, the listing is history. */
    @Test
    void whatAJobProvedMakesEarlierVersionsHistory() {
        Instant first = Instant.parse("2026-11-25T09:00:00Z");
        Reading listed = Sample.reading(Fact.OS_VERSION, "2.3.6", Source.PROPERTY_LISTING, "listing", 1, first);
        Reading proved = Sample.reading(Fact.OS_VERSION, "2.3.3", Source.TYPED, "x", 1, first.plusSeconds(60))
                .provedBy(7);
        Ledger ledger = new Ledger(List.of(listed, proved));
        assertThat(ledger.facts().belief(Fact.OS_VERSION)).isInstanceOf(Belief.Certain.class);
        assertThat(ledger.facts().value(Fact.OS_VERSION)).contains("2.3.3");
        assertThat(ledger.history(Fact.OS_VERSION)).containsExactly(listed);
        assertThat(proved.place()).isEqualTo("proof of job 7");
        Reading typed = Sample.reading(Fact.OS_VERSION, "2.3.3", Source.TYPED, "typed in", 1, first.plusSeconds(60));
        assertThat(new Ledger(List.of(listed, typed)).facts().belief(Fact.OS_VERSION))
                .as("what a person types does not make what the phone says history")
                .isInstanceOf(Belief.Conflicting.class);
    }
}
