package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.io.IOException;
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
import org.mobrak.core.catalogue.Hole;
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
                .as("a list of builds that names no version does not say that every one will do")
                .isEqualTo(Verdict.CAUTION);
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

    /** Nothing fits that is made for one of the two phones that sources name, nor anything that writes a partition. */
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
                        Verdict.NEEDS_READING,
                        Verdict.NEEDS_READING,
                        Verdict.REFUSED,
                        Verdict.NEEDS_READING);
        assertThat(check(torn, any).get(0).clauses()).singleElement().satisfies(clause -> {
            assertThat(clause.kind()).isEqualTo(Clause.Kind.IDENTITY);
            assertThat(clause.reason()).contains("TS-J540 and TS-J540B");
            assertThat(clause.asks()).containsExactly(Fact.MODEL);
        });
    }

    /** By build number, incremental or build id, whichever is listed; a name of another form clears nothing. */
    @ParameterizedTest
    @CsvSource({
        "HD31-44, buildNumber=HD31-44, fits",
        "HD31-44, buildNumber=HD31-45, refused",
        "HD31-?4, buildNumber=HD31-44, fits",
        "7012345, buildNumber=HD31-44, needs a reading",
        "7012345, buildNumber=HD31-44 incremental=7012345, fits",
        "7012345, buildNumber=HD31-44 incremental=7012346, refused",
        "GRK39F, buildNumber=HD31-44, needs a reading",
        "GRK39F, buildNumber=HD31-44 buildId=GRK39F, fits",
        "GRK39F, buildNumber=HD31-44 buildId=GRK39, refused",
        "GRK39F, buildNumber=GRK39, refused",
        "HD31-44, lock=locked, needs a reading",
    })
    void aListMayHoldAnyOfABuildsNames(String listed, String said, String verdict) {
        Facts facts = facts(("model=M1 osVersion=4.1 " + said).split(" "));
        Route exact = route("exact").target("M1", "4.1", listed).making(Fact.ROOT, "permanent");
        assertThat(FitCheck.alone(NOTHING, exact, facts, Optional.of(School.EXACT))
                        .verdict()
                        .word())
                .isEqualTo(verdict);
        Route without = route("without")
                .target("M1", "4.1")
                .excluding(listed, "closed.")
                .making(Fact.ROOT, "permanent");
        String opposite = Map.of("fits", "refused", "refused", "fits").getOrDefault(verdict, verdict);
        assertThat(FitCheck.alone(NOTHING, without, facts, Optional.empty())
                        .verdict()
                        .word())
                .as("the same name excluded")
                .isEqualTo(opposite);
    }

    @Test
    void thatNoBuildIsListedIsKnownBeforeTheBuildIs() {
        Route unlisted = route("unlisted").target("M1", "4.1").making(Fact.ROOT, "permanent");
        RouteFit fit = FitCheck.alone(NOTHING, unlisted, facts("model=M1", "osVersion=4.1"), Optional.of(School.EXACT));
        assertThat(fit.verdict()).isEqualTo(Verdict.REFUSED);
        assertThat(fit.clauses().get(1).reason()).contains("lists no exact builds");
    }

    /** Somebody may say that every build will do; of another OS version he does not speak. */
    @ParameterizedTest
    @CsvSource({"4.1, fits", "4.2, refused", ", needs a reading"})
    void anyBuildWillDoWhereSomebodySaysSo(String os, String verdict) {
        Route any = route("any").anyBuild("M1", "4.1", "The maker's own notes.").making(Fact.ROOT, "permanent");
        Facts facts = os == null ? facts("model=M1") : facts("model=M1", "osVersion=" + os);
        RouteFit fit = FitCheck.alone(NOTHING, any, facts, Optional.of(School.EXACT));
        assertThat(fit.verdict().word()).isEqualTo(verdict);
        assertThat(fit.clauses().get(1).reason()).contains("The maker's own notes.");
    }

    /** What can brick for good wants every fact settled that it rests on. */
    @Test
    void whatCanBrickForGoodWaitsForEveryConflict() {
        Facts torn = new Ledger(List.of(
                        Sample.reading(Fact.BUILD_NUMBER, "B1", Source.PROPERTY_LISTING, "a", 1, Sample.NOW),
                        Sample.reading(Fact.BUILD_NUMBER, "B2", Source.ABOUT_SCREEN, "b", 1, Sample.NOW)))
                .facts()
                .supposing(Map.of(Fact.MODEL, "M1", Fact.OS_VERSION, "4.1"));
        Route deadly = route("deadly")
                .target("M1", "4.1", "B1")
                .writing(PartitionClass.BOOTLOADER)
                .making(Fact.LOCK, "unlocked");
        Route mild = route("mild").target("M1", "4.1", "B1").making(Fact.ROOT, "permanent");
        assertThat(FitCheck.alone(NOTHING, deadly, torn, Optional.empty()).verdict())
                .isEqualTo(Verdict.NEEDS_READING);
        assertThat(FitCheck.alone(NOTHING, mild, torn, Optional.of(School.EXACT))
                        .verdict())
                .as("with the one build it is listed, with the other it is not")
                .isEqualTo(Verdict.NEEDS_READING);
        assertThat(FitCheck.alone(NOTHING, mild, torn, Optional.of(School.PRACTICAL))
                        .verdict())
                .as("with either build it fits")
                .isEqualTo(Verdict.FITS);
    }

    /** A no that a route turns must be a yes after all that the route writes, and what it writes may make others unknown. */
    @Test
    void aStepThatForgetsIsNoHelp() {
        Route strict = route("strict")
                .target("M1", "4.1", "B1")
                .writing(PartitionClass.RADIO)
                .making(Fact.ROOT, "permanent");
        Facts phone = facts("model=M1", "osVersion=4.2", "buildNumber=B2", "root=none");
        Route silent = route("silent").replacing(PartitionClass.SYSTEM).making(Fact.OS_VERSION, "4.1");
        Route telling = route("telling")
                .replacing(PartitionClass.SYSTEM)
                .making(Map.of(Fact.OS_VERSION, "4.1", Fact.BUILD_NUMBER, "B1"));
        assertThat(verdicts(phone, silent, strict)).containsExactly(Verdict.FITS, Verdict.REFUSED);
        assertThat(verdicts(phone, telling, strict)).containsExactly(Verdict.FITS, Verdict.NEEDS_STEP);
    }

    /** Every kind of clause has answers that tell its verdicts apart; what changes nothing is never asked. */
    @Test
    void theNextReadingKnowsEveryKindOfClause() throws IOException {
        Catalogue shipped = Sample.shipped();
        Hole hole = shipped.hole("CVE-2015-3636").orElseThrow();
        Optional<String> none = Optional.empty();
        Map<Fact, Condition> asked = new EnumMap<>(Map.of(
                Fact.PATCH_LEVEL, new Condition.Dated(Fact.PATCH_LEVEL, none, Optional.of("2016-01-01"), none),
                Fact.BASEBAND, new Condition.Like(Fact.BASEBAND, List.of("R?-*"), none),
                Fact.BOOTLOADER, new Condition.Revision(Fact.BOOTLOADER, none, Optional.of("09"), none),
                Fact.KERNEL_RELEASE, new Condition.Between(Fact.KERNEL_RELEASE, none, Optional.of("3.4"), none),
                Fact.CARRIER, new Condition.Not(new Condition.OneOf(Fact.CARRIER, List.of("Brookcell"), none), none),
                Fact.KERNEL_BUILT, new Condition.HoleOpen(hole.id(), none)));
        asked.forEach((fact, condition) -> {
            Catalogue one = new Catalogue(
                    shipped.phones(),
                    List.of(route("one").needs(condition).making(Fact.ROOT, "permanent")),
                    shipped.rulers(),
                    shipped.holes());
            Facts rest = fact == Fact.KERNEL_BUILT
                    ? facts("maker=Orvane", "kernelRelease=3.10.0", "osVersion=4.4")
                    : facts("maker=Orvane");
            List<NextReading> next = NextReading.propose(one, rest, Optional.empty(), one.routes());
            assertThat(next).as("%s", fact).isNotEmpty();
            assertThat(next.get(0).fact()).isEqualTo(fact);
            assertThat(next.get(0).bits()).isGreaterThan(0);
        });
        Catalogue patched = new Catalogue(
                List.of(),
                List.of(route("patched").needs(asked.get(Fact.PATCH_LEVEL)).making(Fact.ROOT, "permanent")));
        assertThat(NextReading.propose(patched, facts("osVersion=4.3"), Optional.empty(), patched.routes()))
                .as("that there is none is an answer")
                .isEmpty();
        assertThat(NextReading.propose(patched, facts("osVersion=6.0"), Optional.empty(), List.of()))
                .as("no verdict that matters")
                .isEmpty();
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
