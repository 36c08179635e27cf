package org.mobrak.core.identity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.maven.artifact.versioning.ComparableVersion;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
        assertThat(CrossChecks.of(facts)).extracting(Finding::code).containsExactly("conflict", "conflict");
    }

    @Test
    void aLaterReadingOfWhatChangesIsNoContradiction() {
        Ledger ledger = ledger(
                reading(Fact.ROOT, "none", Source.TYPED, MONDAY),
                reading(Fact.LOCK, "locked", Source.PROPERTY_LISTING, TUESDAY),
                reading(Fact.LOCK, "unlocked", Source.TYPED, TUESDAY),
                reading(Fact.ROOT, "permanent", Source.TYPED, TUESDAY));
        assertThat(ledger.facts().belief(Fact.ROOT)).isInstanceOf(Belief.Certain.class);
        assertThat(ledger.facts().value(Fact.ROOT)).contains("permanent");
        assertThat(ledger.facts().value(Fact.LOCK)).contains("unlocked");
        assertThat(ledger.of(Fact.ROOT)).as("nothing is overwritten").hasSize(2);
    }

    @Test
    void supposingLeavesTheFactsAlone() {
        Facts facts = ledger(reading(Fact.LOCK, "locked", Source.TYPED, MONDAY)).facts();
        assertThat(facts.supposing(Map.of(Fact.LOCK, "unlocked")).value(Fact.LOCK))
                .contains("unlocked");
        assertThat(facts.value(Fact.LOCK)).contains("locked");
    }

    /**
     * The platform's published table “Codenames, Tags, and Build Numbers”; the values were written down from memory, and those
     * from 4.1 to 8.1 were then held against the table of releases in Robolectric 4.3.1 (class DefaultSdkProvider).
     */
    @ParameterizedTest
    @CsvSource({
        "2.2.3, 8", "2.3.2, 9", "2.3.6, 10", "3.0.1, 11", "3.1, 12", "3.2.6, 13", "4.0.2, 14", "4.0.4, 15", "4.1.2, 16",
        "4.2.2, 17", "4.3.1, 18", "4.4.4, 19", "5.0.2, 21", "5.1.1, 22", "6.0.1, 23", "7.0, 24", "7.1.2, 25",
                "8.1.0, 27"
    })
    void knowsWhichApiLevelAReleaseHas(String release, int level) {
        assertThat(ReleaseTable.apiLevelOf(release)).contains(level);
        Facts edited = ledger(
                        reading(Fact.OS_VERSION, release, Source.PROPERTY_LISTING, MONDAY),
                        reading(Fact.API_LEVEL, String.valueOf(level + 1), Source.PROPERTY_LISTING, MONDAY))
                .facts();
        assertThat(CrossChecks.of(edited)).extracting(Finding::code).containsExactly("api-level-release");
    }

    @ParameterizedTest
    @CsvSource({
        "4.1.2, 4.1.10, -1",
        "4.1, 4.1.0, 0",
        "5, 4.4.4, 1",
        "3.4.0-g12ab, 3.4.1-g00aa, -1",
        "3.4.0-a, 3.4.0-b,",
        "3.4.0-a, 3.4.0-a, 0",
        "new, 4.1,",
    })
    void ordersByNumbersAndNothingElse(String a, String b, Integer order) {
        assertThat(VersionOrder.compare(a, b).stream()
                        .map(Integer::signum)
                        .boxed()
                        .findFirst()
                        .orElse(null))
                .isEqualTo(order);
    }

    /** Where there are only numbers, Maven's own version order is an independent reference. */
    @Test
    void ordersNumbersLikeAGeneralVersionLibrary() {
        Random random = new Random(5);
        for (int round = 0; round < 2_000; round++) {
            String a = version(random);
            String b = version(random);
            int expected = Integer.signum(new ComparableVersion(a).compareTo(new ComparableVersion(b)));
            assertThat(VersionOrder.compare(a, b).stream()
                            .map(Integer::signum)
                            .boxed()
                            .toList())
                    .as("%s against %s", a, b)
                    .containsExactly(expected);
        }
    }

    private static String version(Random random) {
        return IntStream.range(0, 1 + random.nextInt(4))
                .mapToObj(part -> String.valueOf(random.nextInt(part == 0 ? 5 : 12)))
                .collect(Collectors.joining("."));
    }

    @Test
    void refusesValuesOutsideAFactsDomain() {
        assertThatThrownBy(() -> reading(Fact.LOCK, "perhaps", Source.TYPED, MONDAY))
                .hasMessageContaining("locked, unlocked");
        assertThatThrownBy(() -> TypedReading.parse("batteryPercent=400", MONDAY))
                .hasMessageContaining("from 0 to 100");
        assertThatThrownBy(() -> TypedReading.parse("colour=blue", MONDAY))
                .hasMessageContaining("no fact Mobrak knows");
        assertThatThrownBy(() -> TypedReading.parse("lock", MONDAY)).hasMessageContaining("KEY=VALUE");
        assertThat(TypedReading.parse("lock = unlocked", MONDAY).value()).isEqualTo("unlocked");
    }

    private static Ledger ledger(Reading... readings) {
        return new Ledger(List.of(readings));
    }

    private static Reading reading(Fact fact, String value, Source source, Instant at) {
        return new Reading(fact, value, source, "somewhere", 1, at);
    }
}
