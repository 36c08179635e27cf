package org.mobrak.core.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Act;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Planner;

/** What must not be done in some states, by the dangers that ship, and who may be doubted. */
class DangersTest {
    private static Catalogue shipped;

    /** What each of these does to a phone is told by its name. */
    private static final Map<String, Route> ROUTES = Map.of(
            "unloop",
                    route("unloop")
                            .gate(Fact.USB_DEBUGGING, "on")
                            .writing(PartitionClass.APP)
                            .needs(Fact.TROUBLE, "loops-at-logo")
                            .making(Fact.TROUBLE, "none"),
            "older",
                    route("older")
                            .replacing(PartitionClass.SYSTEM)
                            .making(Map.of(Fact.OS_VERSION, "4.1.2", Fact.BUILD_DATE, "2013-05-01")),
            "loader",
                    route("loader")
                            .bootloader("OV-L210", "LN2E-B08", "*-13*")
                            .replacing(PartitionClass.BOOTLOADER)
                            .making(Fact.BOOTLOADER, "LN2E-B07"),
            "app",
                    route("app")
                            .gate(Fact.USB_DEBUGGING, "on")
                            .writing(PartitionClass.APP)
                            .making(Fact.ROOT, "temporary"),
            "wipe",
                    route("wipe")
                            .writing(PartitionClass.DATA)
                            .costing(0, 1, true)
                            .making(Fact.OTA_PATH, "open"),
            "lock", route("lock").writing(PartitionClass.APP).making(Fact.LOCK, "locked"),
            "charge", route("charge").asHousekeeping().making(Fact.BATTERY_PERCENT, "95"),
            "recovery", route("recovery").writing(PartitionClass.RECOVERY).making(Fact.RECOVERY, "custom"),
            "cool",
                    route("cool")
                            .writing(PartitionClass.APP)
                            .needs(Fact.TROUBLE, "battery-hot")
                            .making(Fact.TROUBLE, "none"));

    @BeforeAll
    static void load() throws IOException {
        shipped = Sample.shipped();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "older; rollbackFuse=present osVersion=4.3; refused",
                "older; rollbackFuse=absent osVersion=4.3; fits",
                "older; osVersion=4.3; caution",
                "older; rollbackFuse=present osVersion=4.1; fits",
                "older; rollbackFuse=present osVersion=4.1.2 buildDate=2013-10-22; refused",
                "older; rollbackFuse=present osVersion=4.1.2 buildDate=2013-02-01; fits",
                "loader; rollbackFuse=present; refused",
                "loader; rollbackFuse=absent; fits",
                "loader; ; needs a reading",
                "app; osStarts=no; refused",
                "app; trouble=loops-at-logo; refused",
                "app; osStarts=yes; fits",
                "app; ; fits",
                "wipe; osStarts=no; fits",
                "unloop; trouble=loops-at-logo; fits",
                "unloop; trouble=loops-at-logo osStarts=no; refused",
                "lock; osKind=custom; refused",
                "lock; osKind=stock recovery=custom; refused",
                "lock; osKind=stock recovery=stock kernelKind=stock; fits",
                "lock; osKind=stock recovery=stock; needs a reading",
                "charge; batteryTemperature=44.9; fits",
                "charge; batteryTemperature=45; refused",
                "charge; batteryTemperature=-1; refused",
                "charge; ; fits",
                "recovery; lockGuard=on; refused",
                "recovery; encryption=on; caution",
                "recovery; accountLock=on; refused",
                "charge; accountLock=on; refused",
                "wipe; trouble=battery-hot; refused",
                "cool; trouble=battery-hot; fits",
                "cool; trouble=battery-hot batteryBody=swollen; refused",
                "wipe; osVersion=4.0.4 kernelRelease=3.0.15-x; caution",
                "wipe; model=OV-L210F kernelRelease=3.0.15-x; refused",
                "wipe; model=OV-L215 kernelRelease=3.0.31; fits",
            })
    void someStatesForbidWhatARouteDoes(String name, String said, String verdict) {
        List<String> all = new ArrayList<>(said == null || said.isBlank() ? List.of() : List.of(said.split(" ")));
        // A phone that no danger of the demo is about.
        if (all.stream().noneMatch(one -> one.startsWith("model=")) && !name.equals("loader")) {
            all.add("model=M9");
        }
        if (name.equals("loader")) {
            all.addAll(List.of("model=OV-L210", "maker=Orvane", "bootloader=LN2E-B08", "buildNumber=LN2-E08-131104"));
        }
        RouteFit fit =
                FitCheck.alone(shipped, ROUTES.get(name), facts(all.toArray(String[]::new)), Optional.of(School.EXACT));
        assertThat(fit.verdict().word()).as("%s", fit.clauses()).isEqualTo(verdict);
    }

    /** A phone locked to an account gets one sentence and no plan, not even one that reaches its goal already. */
    @Test
    void nothingIsPlannedForAPhoneLockedToAnAccount() {
        Planner.Answer answer = Planner.plan(
                Goal.UNROOTED, shipped, facts("accountLock=on", "root=none"), Optional.empty(), Limits.none());
        assertThat(answer.plans()).isEmpty();
        assertThat(answer.assuming()).isEmpty();
        assertThat(answer.reachable()).isEmpty();
        assertThat(answer.blockers())
                .singleElement()
                .asString()
                .contains("locked to somebody’s account", "give it back");
    }

    /** A ported system can name another model: before what can end a phone something below the OS must name it too. */
    @Test
    void aModelThatOnlyAForeignSystemNamesIsDoubted() {
        Route deadly = route("deadly")
                .target("M1", "4.1", "B1")
                .writing(PartitionClass.BOOTLOADER)
                .making(Fact.LOCK, "unlocked");
        Route mild = route("mild")
                .target("M1", "4.1")
                .writing(PartitionClass.RECOVERY)
                .making(Fact.ROOT, "permanent");
        List<Reading> listing = List.of(
                reading(Fact.MODEL, "M1", Source.PROPERTY_LISTING),
                reading(Fact.OS_VERSION, "4.1", Source.PROPERTY_LISTING),
                reading(Fact.BUILD_NUMBER, "B1", Source.PROPERTY_LISTING));
        Facts sold = new Ledger(listing).facts();
        Facts foreign = new Ledger(listing)
                .with(List.of(reading(Fact.BUILD_TAGS, "test-keys", Source.PROPERTY_LISTING)))
                .facts();
        Facts labelled = new Ledger(listing)
                .with(List.of(
                        reading(Fact.BUILD_TAGS, "test-keys", Source.PROPERTY_LISTING),
                        reading(Fact.MODEL, "M1", Source.LABEL)))
                .facts();
        assertThat(List.of(sold, foreign, labelled))
                .extracting(facts -> verdict(deadly, facts))
                .containsExactly(Verdict.FITS, Verdict.NEEDS_READING, Verdict.FITS);
        assertThat(List.of(sold, foreign, labelled))
                .extracting(facts -> verdict(mild, facts))
                .containsExactly(Verdict.FITS, Verdict.CAUTION, Verdict.FITS);
    }

    /** What is excluded is found however it is written; what is allowed must be written as it is. */
    @ParameterizedTest
    @CsvSource({
        "LN2-F09-131022, refused, fits",
        "ln2-f09-131022, refused, needs a reading",
        "LN2-FO9-13I022, refused, refused",
        "LN2–F09–131022, refused, needs a reading",
        "LN2-F08-130611, fits, refused",
    })
    void exclusionsCompareWidelyAndPermissionsNarrowly(String build, String excluded, String listed) {
        Route excluding =
                route("excluding").excluding("LN2-F09-131022", "closed.").making(Fact.ROOT, "permanent");
        Route listing = route("listing").target("M1", "4.1", "LN2-F09-131022").making(Fact.ROOT, "permanent");
        Facts phone = facts("model=M1", "osVersion=4.1", "incremental=x", "buildId=FRF85", "buildNumber=" + build);
        assertThat(FitCheck.alone(shipped, excluding, phone, Optional.empty())
                        .verdict()
                        .word())
                .isEqualTo(excluded);
        assertThat(FitCheck.alone(shipped, listing, phone, Optional.of(School.EXACT))
                        .verdict()
                        .word())
                .as(
                        "listed: %s",
                        FitCheck.alone(shipped, listing, phone, Optional.of(School.EXACT))
                                .clauses())
                .isEqualTo(listed);
    }

    @ParameterizedTest
    @CsvSource({
        "Brookcell, refused, fits",
        "BROOKCELL, refused, needs a reading",
        "Brook-cell Wireless, refused, needs a reading",
        "Fennlink, fits, refused",
        "N/A, needs a reading, needs a reading",
    })
    void carriersAreKnownByAnySpelling(String carrier, String forbidden, String asked) {
        Condition brook = new Condition.OneOf(Fact.CARRIER, List.of("Brookcell"), Optional.empty());
        Route not =
                route("not").needs(new Condition.Not(brook, Optional.empty())).making(Fact.ROOT, "permanent");
        Route only = route("only").needs(brook).making(Fact.ROOT, "permanent");
        Facts phone = facts("carrier=" + carrier);
        assertThat(verdict(not, phone).word()).isEqualTo(forbidden);
        assertThat(verdict(only, phone).word()).isEqualTo(asked);
    }

    /** Model, version, build, bootloader and carrier must be those of one entry. */
    @Test
    void entriesAreJudgedWhole() {
        Route pooled = route("pooled")
                .bootloader("M1", "L1", "B1")
                .bootloader("M1", "L2", "B2")
                .writing(PartitionClass.BOOTLOADER)
                .making(Fact.LOCK, "unlocked");
        assertThat(verdict(pooled, facts("model=M1", "buildNumber=B1", "bootloader=L1")))
                .isEqualTo(Verdict.FITS);
        assertThat(verdict(pooled, facts("model=M1", "buildNumber=B1", "bootloader=L2")))
                .as("the build of one entry and the bootloader of the other")
                .isEqualTo(Verdict.REFUSED);
        Route carriers = route("carriers")
                .target(new Route.Target(
                        "M1",
                        Optional.of("4.1"),
                        Optional.empty(),
                        List.of(),
                        Optional.empty(),
                        Optional.of("Fennlink")))
                .making(Fact.ROOT, "permanent");
        assertThat(verdict(carriers, facts("model=M1", "osVersion=4.1", "carrier=Fennlink")))
                .isEqualTo(Verdict.FITS);
        assertThat(verdict(carriers, facts("model=M1", "osVersion=4.1"))).isEqualTo(Verdict.NEEDS_READING);
        assertThat(verdict(carriers, facts("model=M1", "osVersion=4.1", "carrier=Brookcell")))
                .isEqualTo(Verdict.REFUSED);
        assertThat(verdict(
                        route("other").target("M1", "4.4").making(Fact.ROOT, "permanent"),
                        facts("model=M1", "osVersion=4.4W")))
                .as("another system that only counts alike")
                .isEqualTo(Verdict.REFUSED);
    }

    private static Verdict verdict(Route route, Facts facts) {
        return FitCheck.alone(new Catalogue(List.of(), List.of(route)), route, facts, Optional.empty())
                .verdict();
    }

    private static Reading reading(Fact fact, String value, Source source) {
        return Sample.reading(fact, value, source, "a", 1, Sample.NOW);
    }

    /** Locked or unlocked, one of them it is: that nobody has looked lets no danger pass. */
    @Test
    void whatIsThereWhateverNobodyReadIsThere() {
        Condition either = new Condition.AnyOf(List.of(
                new Condition.OneOf(Fact.LOCK, List.of("locked"), Optional.empty()),
                new Condition.OneOf(Fact.LOCK, List.of("unlocked"), Optional.empty())));
        Danger danger = new Danger(
                "either",
                either,
                Set.of(Act.WIPE),
                Danger.Severity.STOP,
                Optional.of(Danger.IfUnknown.PASS),
                "For this test.",
                "invented for this test");
        Route wipe = ROUTES.get("wipe");
        Catalogue catalogue = new Catalogue(List.of(), List.of(), shipped.rulers(), List.of(), List.of(danger));
        assertThat(FitCheck.alone(catalogue, wipe, facts("model=OV-L210F"), Optional.empty())
                        .verdict())
                .isEqualTo(Verdict.REFUSED);
    }
}
