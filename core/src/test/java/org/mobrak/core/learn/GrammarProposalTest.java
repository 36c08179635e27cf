package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.catalogue.file.GrammarTrial;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.build.BuildGrammar;
import org.mobrak.core.identity.build.Ruler.Role;

/** The examples are invented; that an example may be parted so is proved by the grammar that is made of it. */
class GrammarProposalTest {
    private static List<Role> roles(GrammarProposal proposal) {
        return proposal.segments().stream().map(GrammarProposal.Segment::role).toList();
    }

    private static BuildGrammar grammar(GrammarProposal proposal) throws Refusal {
        GrammarTrial trial = GrammarTrial.of(proposal.entry("Lowmere", "buildNumber"));
        assertThat(trial.faults()).isEmpty();
        return trial.grammar().orElseThrow();
    }

    @Test
    void whatStaysWhatCountsAndWhatIsADayAreToldApart() throws Refusal {
        GrammarProposal days = GrammarProposal.of(List.of("LW4-E02-131105", "LW4-F07-140212", "LW4-E11-140630"));
        assertThat(roles(days)).containsExactly(Role.MODEL, Role.MARK, Role.CARRIER, Role.OTHER, Role.MARK, Role.DATE);
        assertThat(grammar(days).ruler("LW4-E12-150101")).isPresent();
        assertThat(grammar(days).ruler("LW4-E12-151301")).as("no such day").isEmpty();
        GrammarProposal named = days.with(3, Role.BOOTLOADER_REVISION);
        assertThat(grammar(named).hasRevision()).isTrue();
        GrammarProposal versions = GrammarProposal.of(List.of("J5-511-0382", "J6-601-0127", "J6-601-0400"));
        assertThat(roles(versions)).containsExactly(Role.MODEL, Role.MARK, Role.OS_VERSION, Role.MARK, Role.SERIAL);
    }

    @Test
    void whatHasNoFormInCommonOrIsTooLittleIsRefusedWithTheReason() {
        assertThatThrownBy(() -> GrammarProposal.of(List.of("A-1", "A-2", "A-2")))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("at least three");
        assertThatThrownBy(() -> GrammarProposal.of(List.of("A-1", "A-2", "A_3")))
                .hasMessageContaining("do not have the same form");
        assertThatThrownBy(
                        () -> GrammarProposal.of(List.of("A-1", "A-2", "A-3")).entry(" ", "buildNumber"))
                .hasMessageContaining("whose build numbers");
    }

    /** Whatever is composed by some grammar is taken apart by the one that is proposed for it. */
    @Test
    void aProposalAlwaysTakesApartWhatItWasMadeOf() throws Refusal {
        Random random = new Random(20261126);
        for (int round = 0; round < 500; round++) {
            String mark = List.of("-", ".", "_r").get(random.nextInt(3));
            int market = random.nextInt(3);
            List<String> builds = Stream.generate(() -> "LW%d%s%s%02d%s%02d%02d%02d"
                            .formatted(
                                    4 + random.nextInt(3),
                                    mark,
                                    "EFB".charAt(market),
                                    random.nextInt(100),
                                    mark,
                                    13 + random.nextInt(4),
                                    1 + random.nextInt(12),
                                    1 + random.nextInt(28))
                            .toUpperCase(Locale.ROOT))
                    .distinct()
                    .limit(3 + random.nextInt(5))
                    .toList();
            GrammarProposal proposal = GrammarProposal.of(builds);
            assertThat(GrammarProposal.failed(grammar(proposal), builds))
                    .as("%s", builds)
                    .isEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "OXH1_502_150314_r2 OXH1_502_150401_r3 OXH1_601_150609_r11|MODEL MARK OS_VERSION MARK DATE MARK OTHER SERIAL",
                "VP70.E3CK07 VP70.E3CL02 VP90.F1AA11|MODEL MARK CARRIER OTHER OTHER SERIAL",
                "20131105-7 20140212-9 20140630-12|DATE MARK SERIAL",
                "AB1 AB2 AB3|MODEL SERIAL",
                "X-110105-A X-120212-B X-130630-A|MODEL MARK DATE MARK CARRIER",
                "X-311399-1 X-311399-2 X-311399-3|MODEL MARK OTHER MARK SERIAL",
            })
    void eachPartIsToldByHowItDiffers(String builds, String roles) throws Refusal {
        GrammarProposal proposal = GrammarProposal.of(List.of(builds.split(" ")));
        assertThat(roles(proposal).stream().map(Enum::name).collect(Collectors.joining(" ")))
                .isEqualTo(roles);
        assertThat(GrammarProposal.failed(grammar(proposal), List.of(builds.split(" "))))
                .isEmpty();
        assertThat(proposal.segments())
                .allSatisfy(segment -> assertThat(segment.why()).isNotBlank());
    }

    @Test
    void aLongerNumberAndAnotherMarketStillFitAndWhatIsOfAnotherFormDoesNot() throws Refusal {
        BuildGrammar grammar = grammar(GrammarProposal.of(List.of("T5-W-97", "T5-W-98", "T5-B-99")));
        assertThat(grammar.ruler("T5-M-100")).as("a number that grew").isPresent();
        assertThat(grammar.ruler("T5-MM-100")).isEmpty();
        assertThat(grammar.ruler("T5_W_97")).isEmpty();
        assertThat(GrammarProposal.label(Role.DATE)).isEqualTo("Built");
        assertThat(GrammarProposal.roles()).doesNotContain(Role.MARK);
    }
}
