package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
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
}
