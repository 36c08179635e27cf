package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Overlay;
import org.mobrak.core.identity.build.Rulers;

/** What a route can ask besides a value: patterns, days, bootloader revisions and open holes. */
class ConditionsTest {
    private Catalogue catalogue;

    @BeforeEach
    void load() throws IOException {
        catalogue = Sample.shipped();
    }

    @ParameterizedTest
    @CsvSource({"LN2-F09-131022, yes", "LN2-F09-121022, no", "LN3-F09-131022, no", ", unknown"})
    void patternsMatchWholeValues(String build, String result) {
        Condition like = new Condition.Like(Fact.BUILD_NUMBER, List.of("LN2-?09-13*"), Optional.empty());
        Clause clause = judge(like, build == null ? "lock=locked" : "buildNumber=" + build);
        assertThat(clause.result().word()).isEqualTo(result);
        assertThat(clause.reason()).contains("LN2-?09-13*");
    }

    /** A limit on the numbers is answered by the numbers; a limit with a suffix only by the same suffix. */
    @ParameterizedTest
    @CsvSource({
        "3.4.9-gd1e2f3, 3.4.9, yes",
        "3.4.10-gd1e2f3, 3.4.9, no",
        "3.4.9, 3.4.9-a, unknown",
        "3.4.9-a, 3.4.9-a, yes",
        "3.4.9-b, 3.4.9-a, unknown",
        "new, 3.4.9, unknown",
    })
    void suffixesOfKernelsCarryNoOrder(String release, String limit, String result) {
        Condition atMost =
                new Condition.Between(Fact.KERNEL_RELEASE, Optional.empty(), Optional.of(limit), Optional.empty());
        Clause clause = judge(atMost, "kernelRelease=" + release);
        assertThat(clause.result().word()).isEqualTo(result);
        if (release.contains("-") && !result.equals("unknown")) {
            assertThat(clause.reason()).contains("behind the numbers carries no order");
        }
    }

    /** Build numbers are ordered by their maker's grammar, and nobody else's. */
    @ParameterizedTest
    @CsvSource({
        "LN2-F09-131022, yes",
        "LN2-F08-130611, no",
        "LN2-E09-131022, unknown",
        "J5-511-0382, unknown",
        "9, unknown"
    })
    void buildNumbersAreOrderedByTheirGrammar(String build, String result) {
        Condition atLeast = new Condition.Between(
                Fact.BUILD_NUMBER, Optional.of("LN2-F09-131001"), Optional.empty(), Optional.empty());
        assertThat(judge(atLeast, "maker=Orvane", "buildNumber=" + build)
                        .result()
                        .word())
                .isEqualTo(result);
    }

    /** A patch level on an OS too old to have one is older than any; from 4.4 to 5.1 some phones have one and some have none. */
    @ParameterizedTest
    @CsvSource({
        "osVersion=4.3, yes, no",
        "osVersion=4.4.2, unknown, unknown",
        "osVersion=5.1.1, unknown, unknown",
        "osVersion=6.0, unknown, unknown",
        "lock=locked, unknown, unknown",
    })
    void absentIsAnAnswerOnlyWhereThereCanBeNone(String said, String before, String after) {
        Optional<String> none = Optional.empty();
        Optional<String> day = Optional.of("2016-01-01");
        assertThat(judge(new Condition.Dated(Fact.PATCH_LEVEL, none, day, none), said)
                        .result()
                        .word())
                .isEqualTo(before);
        assertThat(judge(new Condition.Dated(Fact.PATCH_LEVEL, day, none, none), said)
                        .result()
                        .word())
                .isEqualTo(after);
    }

    @ParameterizedTest
    @CsvSource({
        "3, 02, no",
        "02, 3, yes",
        "9, 10, yes",
        "A, B, yes",
        "Z, AA, yes",
        "9, A, yes",
        "A1, 9, unknown",
        "x, 9, unknown"
    })
    void revisionsAreOrderedAsNumbersOrLetters(String revision, String most, String result) {
        Truth truth = Orders.within(Optional.empty(), revision, Optional.of(most), Overlay::compareParts);
        assertThat(truth.word()).isEqualTo(result);
    }

    /** A battery gate over what is no number is unknown, and never a crash. */
    @Test
    void aGateOverWhatIsNoNumberIsUnknown() {
        Gate gate = new Gate(Fact.OS_VERSION, List.of(), Optional.of(4), "why");
        assertThat(GateJudge.of(gate, facts("osVersion=4.1")).result()).isEqualTo(Truth.UNKNOWN);
    }

    @ParameterizedTest
    @CsvSource({
        "2013-12-31, yes",
        "2013-12-31T23:59:59Z, yes",
        "2014-01-01, no",
        "2012-12-31, no",
        "yesterday, unknown",
        "2013-02-30, unknown",
        "2013-12-31 and more, unknown",
        "2013-11, yes",
        "2014-01, no",
    })
    void daysAreComparedAsDays(String day, String result) {
        Condition dated = new Condition.Dated(
                Fact.KERNEL_BUILT, Optional.of("2013-01-01"), Optional.of("2013-12-31"), Optional.empty());
        assertThat(judge(dated, "kernelBuilt=" + day).result().word()).isEqualTo(result);
    }

    @ParameterizedTest
    @CsvSource({"LN2F-B08, yes", "LN2F-B09, yes", "LN2F-B10, no", "something, unknown"})
    void theBootloadersRevisionIsFoundByItsGrammar(String bootloader, String result) {
        Condition revision =
                new Condition.Revision(Fact.BOOTLOADER, Optional.empty(), Optional.of("09"), Optional.empty());
        Clause clause = judge(revision, "maker=Orvane", "bootloader=" + bootloader);
        assertThat(clause.result().word()).isEqualTo(result);
        assertThat(clause.reason()).contains("bootloader revision 09 or lower");
    }

    /** The public record of CVE-2015-3636 (kernels before 4.0.3, published 2015-05, patch level 2015-09-01), from memory. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "kernelRelease=4.0.5; no; Kernel release is 4.0.5; CVE-2015-3636 is open only in 2.6.39 to 4.0.2.",
                "kernelRelease=2.6.35; no; open only in 2.6.39 to 4.0.2",
                "kernelRelease=3.10.49 kernelKind=stock patchLevel=2015-08-01; yes; is open: patch level 2015-09-01 closes it",
                "kernelRelease=3.10.49 patchLevel=2015-08-01; doubted; is open: patch level 2015-09-01 closes it",
                "kernelRelease=3.10.49 patchLevel=2015-09-01; no; is closed by patch level 2015-09-01",
                "kernelRelease=3.10.49 kernelKind=stock buildDate=2015-03-14T12:00:31Z; yes; became known on 2015-05-02",
                "kernelRelease=3.10.49 buildDate=2015-03-14T12:00:31Z; doubted; became known on 2015-05-02",
                "kernelRelease=3.10.49 kernelBuilt=2015-03-14; yes; became known on 2015-05-02",
                "kernelRelease=3.10.49 kernelBuilt=2015-03-14 patchLevel=2015-10-01; no; is closed by patch level",
                "kernelRelease=3.10.49 kernelKind=custom kernelBuilt=2015-03-14 patchLevel=2015-10-01; yes; was built on",
                "kernelRelease=3.10.49 kernelKind=custom buildDate=2015-03-14; unknown; Kernel built is not known",
                "kernelRelease=3.10.49 kernelKind=custom kernelBuilt=2015-07-14 buildDate=2015-03-14; doubted; in these",
                "kernelRelease=3.10.49 buildDate=2015-06-14T12:00:31Z osVersion=4.3; doubted; is in these versions",
                "kernelRelease=3.10.49 buildDate=2015-06-14T12:00:31Z osVersion=5.0.2; unknown; Patch level is not known",
                "kernelRelease=3.10.49 buildDate=2015-06-14T12:00:31Z osVersion=6.0; unknown; Patch level is not known",
                "kernelRelease=3.10.49 buildDate=2015-06-14T12:00:31Z; unknown; Patch level is not known",
                "kernelRelease=3.10.49 patchLevel=soon buildDate=2015-03-14; unknown; reads “soon”, which is no day",
                "kernelRelease=3.10.49 patchLevel=2016-13-45; unknown; reads “2016-13-45”, which is no day",
                "kernelRelease=3.10.49 kernelKind=stock patchLevel=2015-08; yes; is open: patch level 2015-09-01 closes it",
                "kernelRelease=3.10.49 kernelBuilt=lately osVersion=4.4; unknown; reads “lately”, which is no day",
                "kernelRelease=3.10.49 kernelBuilt=1970-01-01 osVersion=4.4; unknown; reads “1970-01-01”, which cannot be",
                "kernelRelease=new buildDate=2015-03-14; unknown; is open only in",
                "kernelRelease=3.10.49; unknown; Kernel built is not known",
                "buildDate=2015-03-14T12:00:31Z; unknown; Kernel release is not known",
            })
    void aHoleIsOpenClosedOrCannotBeTold(String said, String result, String words) {
        Clause clause = judge(new Condition.HoleOpen("CVE-2015-3636", Optional.empty()), said.split(" "));
        assertThat(clause.result().word()).as(clause.reason()).isEqualTo(result.equals("doubted") ? "yes" : result);
        assertThat(clause.reason()).contains(words);
        assertThat(clause.doubt().isPresent()).isEqualTo(result.equals("doubted"));
        assertThat(clause.name()).isEqualTo("CVE-2015-3636");
    }

    @Test
    void theFewerClausesAreMissingTheMoreNearlyARouteFits() {
        RouteFit fit = FitCheck.alone(
                catalogue,
                route("any")
                        .needs(Fact.LOCK, "unlocked")
                        .needs(Fact.CARD, "yes")
                        .needs(Fact.CABLE, "data")
                        .making(Fact.ROOT, "permanent"),
                facts("lock=locked", "cable=data"),
                Optional.empty());
        assertThat(fit.clauses()).hasSize(3);
        assertThat(fit.missing()).as("one is a no, one is open").isEqualTo(2);
    }

    /** Whatever stops the work on the phone's page refuses every route, and a warm battery does not. */
    @ParameterizedTest
    @CsvSource({
        "batteryBody=swollen, refused",
        "batteryHealth=overheated, refused",
        "batteryTemperature=51, refused",
        "batteryTemperature=45, fits",
        "batteryBody=flat, fits"
    })
    void aBatteryThatMayBurnRefusesEveryRoute(String said, String verdict) {
        RouteFit fit =
                FitCheck.alone(catalogue, route("any").making(Fact.ROOT, "permanent"), facts(said), Optional.empty());
        assertThat(fit.verdict().word()).isEqualTo(verdict);
        assertThat(fit.clauses()).allMatch(clause -> clause.reason().contains("do not charge or flash"));
    }

    private Clause judge(Condition condition, String... said) {
        return new ConditionJudge(facts(said), catalogue).judge(condition);
    }

    /** A hole that every build from a certain day on has closed; the day itself counts. */
    @ParameterizedTest
    @CsvSource({
        "2014-01-14, yes, is open: it became known on 2014-01-15",
        "2014-03-31, yes, is in these versions",
        "2014-04-01, no, closed by build date 2014-04-01",
        "2014-05-01, no, closed by build date 2014-04-01",
        ", unknown, ",
    })
    void aHoleIsClosedByBuildDate(String built, String result, String words) {
        Hole hole = new Hole(
                "CVE-2014-0001",
                "An invented one.",
                Optional.of(new Hole.Range(Optional.of("3.0"), Optional.of("3.10"))),
                Optional.empty(),
                "2014-01-15",
                Optional.empty(),
                Optional.of("2014-04-01"),
                "invented for this test");
        Catalogue catalogue = new Catalogue(List.of(), List.of(), Rulers.none(), List.of(hole));
        Facts known = built == null ? facts("kernelRelease=3.4.0") : facts("kernelRelease=3.4.0", "buildDate=" + built);
        Clause clause = new ConditionJudge(known, catalogue).judge(new Condition.HoleOpen(hole.id(), Optional.empty()));
        assertThat(clause.result().word()).as(clause.reason()).isEqualTo(result);
        if (words != null) {
            assertThat(clause.reason()).contains(words);
        }
    }
}
