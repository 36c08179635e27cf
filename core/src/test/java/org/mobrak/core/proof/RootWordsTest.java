package org.mobrak.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Source;

/** What the rail, the drawer and the page say of one phone agrees, whatever was noted and whatever was proved. */
class RootWordsTest {
    private static final Instant THEN = Instant.parse("2026-11-01T10:00:00Z");

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "          |                        | root unknown | Root unknown: nothing proved yet (step 0 of 6 of the proof).",
                "permanent |                        | rooted       | Rooted by what was noted, not proved here (step 0 of 6 of the proof).",
                "none      |                        | no root      | No root (step 0 of 6 of the proof).",
                "temporary | UID0                   | root for now | Root for now: not shown yet to last over a restart (step 5 of 6 of the proof).",
                "permanent | UID0                   | rooted       | Rooted by what was noted, but not shown yet to last over a restart (step 5 of 6 of the proof).",
                "permanent | UID0 RESTART UID0      | rooted       | Rooted, and it lasts (step 6 of 6 of the proof).",
                "permanent | PROOF_APP_NO           | rooted       | Noted as rooted, but the proof found none (step 0 of 6 of the proof)."
            })
    void oneSentenceForOneMatter(String noted, String seen, String brief, String sentence) {
        Facts facts = noted == null
                ? Facts.none()
                : new Ledger(List.of(Sample.reading(Fact.ROOT, noted, Source.TYPED, "", 0, THEN))).facts();
        List<Seen> steps = seen == null
                ? List.of()
                : List.of(seen.split(" ")).stream().map(Seen::valueOf).toList();
        RootProof proof = Ladder.climb(steps, facts, Strictness.values()[0]);
        assertThat(RootWords.brief(facts)).isEqualTo(brief);
        assertThat(RootWords.sentence(facts, proof)).isEqualTo(sentence);
    }
}
