package org.mobrak.core.catalogue.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Entropy;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.match.Candidates.Separator;
import org.mobrak.core.identity.Fact;

class CandidatesTest {
    private Catalogue catalogue;

    @BeforeEach
    void loadTheShippedCatalogue() throws IOException {
        catalogue = Sample.shipped();
    }

    /** C. E. Shannon, A Mathematical Theory of Communication (1948): the examples of §6 (grouping) and §7 (7/4 bits). */
    @Test
    void entropyIsShannons() {
        assertThat(Entropy.bits(List.of(1 / 2.0, 1 / 4.0, 1 / 8.0, 1 / 8.0))).isCloseTo(7 / 4.0, within(1e-12));
        double grouped = Entropy.bits(List.of(1.0, 1.0)) + Entropy.bits(List.of(2 / 3.0, 1 / 3.0)) / 2;
        assertThat(Entropy.bits(List.of(3.0, 2.0, 1.0))).isCloseTo(grouped, within(1e-12));
        assertThat(Entropy.bits(List.of(5.0))).isZero();
    }

    /** A window tells who is there before it has read a route. */
    @Test
    void toSayWhoAPhoneIsTakesNoRoutes() throws IOException {
        assertThat(Sample.demoIdentities(catalogue.with(List.of())))
                .isEqualTo(Sample.demoIdentities(catalogue))
                .anyMatch(who -> !who.findings().isEmpty());
    }

    @Test
    void aShopNameWithTwoChipsetsStaysOpenAndTheMostTellingReadingComesFirst() {
        Candidates open = Candidates.of(catalogue, Sample.facts("shopName=lantern 2"));
        assertThat(models(open)).containsExactly("OV-L210", "OV-L210F", "OV-L215");
        assertThat(open.areOpen()).isTrue();
        Separator first = open.separators().get(0);
        assertThat(first.fact()).isEqualTo(Fact.MODEL);
        assertThat(first.bits()).as("three alike: log₂ 3").isCloseTo(Math.log(3) / Math.log(2), within(1e-12));
        Separator chipset = open.separators().stream()
                .filter(one -> one.fact() == Fact.CHIPSET)
                .findFirst()
                .orElseThrow();
        assertThat(chipset.bits()).as("H(1/3)").isCloseTo(0.9183, within(1e-4));
        assertThat(chipset.answers()).containsEntry("reed-4", List.of("OV-L215"));
    }

    @Test
    void everyFactNarrowsAndAContradictionEmpties() {
        assertThat(models(Candidates.of(catalogue, Sample.facts("shopName=Lantern 2", "chipset=reed-2"))))
                .containsExactly("OV-L210", "OV-L210F");
        assertThat(models(Candidates.of(catalogue, Sample.facts("shopName=Lantern 2", "baseband=L210F-M07"))))
                .containsExactly("OV-L210F");
        assertThat(models(Candidates.of(catalogue, Sample.facts("shopName=Lantern 2", "chipset=sparrow-1"))))
                .isEmpty();
        assertThat(models(Candidates.of(catalogue, Sample.facts("model=OV-L3"))))
                .containsExactly("OV-L310", "OV-L310F");
        assertThat(models(Candidates.of(catalogue, Sample.facts("osVersion=4.1.2"))))
                .isEmpty();
        Candidates known = Candidates.of(catalogue, Sample.facts("model=OV-L210", "shopName=Lantern 2"));
        assertThat(models(known)).as("an exact number is not a part of another").containsExactly("OV-L210");
        assertThat(known.separators()).isEmpty();
    }

    @Test
    void looksForLookAlikesAndNeverTakesOneSilently() {
        assertThat(LookAlike.of("OV-L21O", catalogue.phones())).containsExactly("OV-L210");
        assertThat(LookAlike.of("T5-J540", catalogue.phones())).containsExactly("TS-J540");
        assertThat(LookAlike.of("ts j540b", catalogue.phones())).containsExactly("TS-J540B");
        assertThat(LookAlike.of("TS-J5408", catalogue.phones())).containsExactly("TS-J540B");
        assertThat(LookAlike.of("TS-J540", catalogue.phones())).as("itself").isEmpty();
        assertThat(Candidates.of(catalogue, Sample.facts("model=OV-L21O")).variants())
                .as("a look-alike is no match")
                .isEmpty();
    }

    private static List<String> models(Candidates candidates) {
        return candidates.variants().stream().map(one -> one.phone().model()).toList();
    }

    /** Every slip of one letter in every model number of the catalogue leads back to that number, and only as a proposal. */
    @Test
    void everySlipLeadsBack() {
        List<String> slips = List.of("0O", "O0", "1I", "I1", "5S", "S5", "8B", "B8");
        for (KnownPhone phone : catalogue.phones()) {
            String model = phone.model();
            for (int i = 0; i < model.length(); i++) {
                for (String slip : slips) {
                    if (model.charAt(i) == slip.charAt(0)) {
                        String typed = model.substring(0, i) + slip.charAt(1) + model.substring(i + 1);
                        assertThat(LookAlike.of(typed, catalogue.phones()))
                                .as(typed)
                                .contains(model);
                        assertThat(catalogue.phone(typed)).as(typed).isEmpty();
                    }
                }
            }
            assertThat(LookAlike.of(model.replace("-", ""), catalogue.phones())).contains(model);
        }
    }
}
