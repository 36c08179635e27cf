package org.mobrak.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadingParser;

/** What each rung is worth is common practice, no published source. */
class ProofTest {
    private static List<Seen> seen(String words) {
        return Arrays.stream(words.split(" "))
                .filter(word -> !word.isEmpty())
                .map(word -> Seen.ofWord(word).orElseThrow())
                .toList();
    }

    /** Each line counts as the one thing it says; a no is never heard as a yes. */
    @ParameterizedTest
    @CsvSource({
        "Root access: YES, proof-app-yes",
        "This phone is NOT rooted., proof-app-no",
        "This phone isn't rooted, proof-app-no",
        "Root: no, proof-app-no",
        "No root access here, proof-app-no",
        "Device is rooted, proof-app-yes",
        "Files was granted root, granted",
        "Request denied, denied",
        "uid=0(root) gid=0(root), uid0",
        "Binary is up to date, manager-says",
        "Grow the root vegetables, ''",
        "'Root works\nthen: root was denied', proof-app-yes denied",
    })
    void takesAnAppsWordsForNoMoreThanTheySay(String text, String seen) {
        assertThat(ProofTalk.of(text.replace("\\n", "\n")).stream().map(ProofTalk.Said::what))
                .isEqualTo(seen(seen));
    }

    @ParameterizedTest
    @CsvSource({
        "icon, unknown, 1, permanent, icon-only",
        "icon manager-says, unknown, 2, permanent, ''",
        "proof-app-yes, temporary, 3, permanent, temporary-only",
        "granted uid0, temporary, 5, permanent, temporary-only",
        "granted restart, temporary, 4, permanent, temporary-only",
        "granted restart granted, permanent, 6, permanent, ''",
        "restart uid0, permanent, 6, permanent, ''",
        "icon restart icon, unknown, 1, permanent, icon-only",
        "granted restart proof-app-no, none, 0, none, manager-without-root temporary-only",
        "uid0 restart uid0 update, unknown, 0, unknown, ''",
        "uid0 restart uid0 update granted, temporary, 4, permanent, temporary-only",
        "uid0 restart uid0 unrooted, none, 0, none, ''",
        "unrooted proof-app-yes, temporary, 3, permanent, temporary-only",
        "icon proof-app-no, none, 1, none, manager-without-root",
        "proof-app-no granted, temporary, 4, permanent, temporary-only",
        "uid0 proof-app-no, unknown, 0, unknown, ''",
        "denied, unknown, 0, unknown, ''",
        "update, unknown, 0, unknown, ''",
    })
    void claimsNoMoreThanTheRungThatWasReached(String words, String strict, int rung, String lenient, String warnings) {
        RootProof proof = Ladder.climb(seen(words), Facts.none(), Strictness.STRICT);
        assertThat(proof.state().word()).isEqualTo(strict);
        assertThat(proof.rung()).isEqualTo(rung);
        assertThat(String.join(
                        " ", proof.warnings().stream().map(ProofWarning::code).toList()))
                .isEqualTo(warnings);
        assertThat(Ladder.climb(seen(words), Facts.none(), Strictness.LENIENT)
                        .state()
                        .word())
                .isEqualTo(lenient);
    }

    @Test
    void permanentIsNeverClaimedWithoutRootSeenAfterARestart() {
        Random random = new Random(15);
        Seen[] all = Seen.values();
        for (int round = 0; round < 20_000; round++) {
            List<Seen> seen = new ArrayList<>();
            for (int i = random.nextInt(8); i >= 0; i--) {
                seen.add(all[random.nextInt(all.length)]);
            }
            RootProof proof = Ladder.climb(seen, Facts.none(), Strictness.STRICT);
            if (proof.state() == RootProof.State.PERMANENT) {
                int ended = Math.max(seen.lastIndexOf(Seen.UPDATE), seen.lastIndexOf(Seen.UNROOTED));
                List<Seen> since = seen.subList(ended + 1, seen.size());
                List<Seen> started = since.subList(since.indexOf(Seen.RESTART), since.size());
                assertThat(started).as("%s", seen).containsAnyOf(Seen.PROOF_APP_YES, Seen.GRANTED, Seen.UID0);
            }
        }
    }

    @Test
    void aShellOfTheRecoveryIsNoProofAndWhatAManagerIsDecidesTheWarning() {
        Facts shell = facts("uid=0(root) gid=0(root) context=u:r:init:s0\n");
        assertThat(Ladder.climb(List.of(), shell, Strictness.STRICT).rung()).isEqualTo(5);
        assertThat(Ladder.climb(seen("restart"), shell, Strictness.STRICT).state())
                .as("nothing says that it was seen afterwards")
                .isEqualTo(RootProof.State.TEMPORARY);
        for (String recovery : List.of(
                "uid=0(root) gid=0(root) context=u:r:recovery:s0\n",
                "[ro.bootmode]: [recovery]\nuid=0(root) gid=0(root)\n")) {
            Parsed parsed = parse(recovery);
            assertThat(parsed.findings()).extracting(Finding::code).contains("shell-of-recovery");
            assertThat(Ladder.climb(List.of(), new Ledger(parsed.readings()).facts(), Strictness.STRICT)
                            .state())
                    .isEqualTo(RootProof.State.UNKNOWN);
        }
        Facts without = Facts.none().supposing(Map.of(Fact.ROOT_MANAGER, "none"));
        assertThat(Ladder.climb(seen("proof-app-yes"), without, Strictness.STRICT)
                        .warnings())
                .contains(ProofWarning.ROOT_WITHOUT_MANAGER);
        Facts stale = Facts.none().supposing(Map.of(Fact.ROOT_MANAGER, "stale"));
        assertThat(Ladder.climb(seen("icon"), stale, Strictness.STRICT).warnings())
                .contains(ProofWarning.STALE_BINARY);
    }

    private static Parsed parse(String text) {
        return ReadingParser.parse(new RawText("x", text, List.of()), Sample.NOW);
    }

    private static Facts facts(String text) {
        return new Ledger(parse(text).readings()).facts();
    }

    @Test
    void eachFactIsHeldAgainstWhatWasPlannedWithAReason() throws Exception {
        Catalogue shipped = Sample.shipped();
        Route package_ = shipped.route("lantern-root-package").orElseThrow();
        assertThat(package_.changes().writes()).contains(PartitionClass.KERNEL);
        Facts before = Facts.none()
                .supposing(Map.of(
                        Fact.MODEL, "OV-L210",
                        Fact.OS_VERSION, "4.1.2",
                        Fact.KERNEL_RELEASE, "3.0.31-412087",
                        Fact.KERNEL_BUILD, "#1",
                        Fact.BASEBAND, "B1",
                        Fact.CUSTOM_WRITES, "0",
                        Fact.BATTERY_PERCENT, "80",
                        Fact.LOCK, "locked"));
        String planned = package_.changes().effects().get(Fact.KERNEL_RELEASE);
        Comparison good = Comparison.of(
                before,
                before.supposing(Map.of(
                        Fact.KERNEL_RELEASE,
                        planned,
                        Fact.KERNEL_BUILD,
                        "#7",
                        Fact.ROOT,
                        "permanent",
                        Fact.CUSTOM_WRITES,
                        "1",
                        Fact.BATTERY_PERCENT,
                        "40",
                        Fact.RECOVERY,
                        "stock")),
                List.of(package_));
        assertThat(good.isAsPlanned()).as("%s", good).isTrue();
        assertThat(outcome(good, Fact.KERNEL_RELEASE)).isEqualTo(Comparison.Outcome.AS_PLANNED);
        assertThat(outcome(good, Fact.KERNEL_BUILD))
                .as("its partition was written")
                .isEqualTo(Comparison.Outcome.AS_PLANNED);
        assertThat(outcome(good, Fact.CUSTOM_WRITES)).isEqualTo(Comparison.Outcome.AS_PLANNED);
        assertThat(outcome(good, Fact.ROOT))
                .as("planned, and not known before")
                .isEqualTo(Comparison.Outcome.AS_PLANNED);
        assertThat(outcome(good, Fact.RECOVERY)).isEqualTo(Comparison.Outcome.UNKNOWN);
        assertThat(outcome(good, Fact.BASEBAND)).isEqualTo(Comparison.Outcome.UNCHANGED);
        assertThat(good.changes()).extracting(Comparison.Change::fact).doesNotContain(Fact.BATTERY_PERCENT);
        Comparison bad = Comparison.of(
                before,
                before.supposing(Map.of(Fact.BASEBAND, "B2", Fact.MODEL, "OV-L210F", Fact.OS_VERSION, "4.1.2")),
                List.of(package_));
        assertThat(bad.isAsPlanned()).isFalse();
        assertThat(outcome(bad, Fact.KERNEL_RELEASE)).isEqualTo(Comparison.Outcome.NOT_CHANGED);
        assertThat(bad.of(Comparison.Outcome.UNEXPECTED))
                .extracting(Comparison.Change::because)
                .anyMatch(because -> because.startsWith("The radio was not among what was written."))
                .anyMatch(because -> because.contains("trust the download mode"));
    }

    private static Comparison.Outcome outcome(Comparison comparison, Fact fact) {
        return comparison.changes().stream()
                .filter(change -> change.fact() == fact)
                .findFirst()
                .orElseThrow()
                .outcome();
    }

    @Test
    void appsGoneNewAndSwitchedOff() {
        AppList before = AppList.parse(
                "package:org.a.clock\npackage:/system/app/B.apk=org.b.mail\norg.c.notes\npackage:org.d.maps uid:10012\n");
        AppList after = AppList.parse(
                "package:org.a.clock\npackage:org.b.mail [disabled]\npackage:org.e.store\n$ list packages -d\npackage:org.d.maps\n");
        AppChanges changes = AppChanges.of(before, after);
        assertThat(changes.gone()).containsExactly("org.c.notes");
        assertThat(changes.added()).containsExactly("org.e.store");
        assertThat(changes.disabled()).containsExactly("org.b.mail", "org.d.maps");
        assertThat(AppChanges.of(after, before).enabled()).containsExactly("org.b.mail", "org.d.maps");
        assertThat(changes.findings()).isEmpty();
        assertThat(AppChanges.of(before, AppList.parse("package:x.y\npackage:x.z\npack"))
                        .findings())
                .extracting(Finding::code)
                .containsExactly("cut-listing", "other-phone");
    }

    /** Quoted commas, quotes and line breaks: RFC 4180, section 2. */
    @Test
    void reportsGoOutAndComeInAsCsv() throws Exception {
        OutcomeReport odd = new OutcomeReport(
                "way", "M,1", "B \"2\"", OutcomeReport.Went.PARTLY, Optional.of("a\r\nb"), LocalDate.of(2026, 11, 26));
        String csv = OutcomeReport.csv(List.of(odd));
        assertThat(csv)
                .isEqualTo(
                        "route,model,build,outcome,step,day\r\nway,\"M,1\",\"B \"\"2\"\"\",partly,\"a\r\nb\",2026-11-26\r\n");
        assertThat(OutcomeReport.parse(csv)).containsExactly(odd);
        assertThat(odd.evidence().worked()).isFalse();
        for (String bad : List.of(
                "route,model,build,outcome,step,day\r\n",
                "route,model,build,outcome,step,day\r\na,b,c,worked,,soon\r\n",
                "route,model,build,outcome,step,day\r\na,b,c,perhaps,,2026-11-26\r\n",
                "route,model,build,outcome,step,day\r\na,b\r\n",
                "route,model,build,outcome,step,day\r\na,\"b\r\n")) {
            assertThatThrownBy(() -> OutcomeReport.parse(bad)).isInstanceOf(UnreadableInput.class);
        }
    }
}
