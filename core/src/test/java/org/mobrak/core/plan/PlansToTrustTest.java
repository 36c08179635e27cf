package org.mobrak.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import org.mobrak.core.identity.build.Rulers;

/** What a plan must not promise: data it loses, a goal it does not reach, a gate that nothing opens. */
class PlansToTrustTest {
    private static final Facts LOCKED = facts("lock=locked", "recovery=stock", "root=none");

    /** A light wipe will do between builds of one system; from another, or across big versions, the data is lost. */
    @ParameterizedTest
    @CsvSource({
        "custom, 4.4.2, true",
        "stock, 4.4.2, false",
        "custom, 4.3, false",
        ", 4.4.2, false",
    })
    void aLightWipeKeepsTheDataWithinOneSystemOnly(String kind, String version, boolean keeps) throws Exception {
        Route next = route("next")
                .changing(new Route.Changes(
                        Map.of(Fact.OS_KIND, "custom", Fact.OS_VERSION, "4.4.4", Fact.BUILD_NUMBER, "C-2"),
                        List.of(PartitionClass.SYSTEM),
                        List.of(),
                        List.of(),
                        true,
                        true))
                .making(Map.of());
        Catalogue catalogue = new Catalogue(List.of(), List.of(next));
        Facts phone = kind == null ? facts("osVersion=" + version) : facts("osVersion=" + version, "osKind=" + kind);
        Goal goal = Goal.ofKey("build=C-2").orElseThrow();
        assertThat(Planner.plan(goal, catalogue, phone, Optional.empty(), Limits.none())
                        .plans())
                .singleElement()
                .satisfies(plan -> assertThat(plan.cost().dataLoss()).isTrue());
        Planner.Answer kept = Planner.plan(
                goal, catalogue, phone, Optional.empty(), Limits.none().with("no-data-loss"));
        assertThat(kept.plans().isEmpty()).isEqualTo(!keeps);
        if (!keeps && kind != null) {
            assertThat(kept.blockers()).containsExactly("Limit “no data loss”: “Route next” wipes the data.");
        }
    }

    /** Stock is the maker's kernel too, and the switches back; what is not known there is held to be so. */
    @Test
    void stockIsTheKernelAndTheSwitchesToo() {
        Facts almost = facts("osKind=stock", "recovery=stock", "root=none");
        assertThat(Goal.STOCK.isReachedIn(almost)).isTrue();
        assertThat(Goal.STOCK.isReachedIn(almost.supposing(Map.of(Fact.KERNEL_KIND, "custom"))))
                .isFalse();
        Facts debugged = facts("osKind=stock", "recovery=stock", "root=none", "usbDebugging=on", "oemUnlock=absent");
        assertThat(Goal.STOCK.isReachedIn(debugged)).isFalse();
        Route back = route("back")
                .writing(PartitionClass.APP)
                .making(Map.of(Fact.USB_DEBUGGING, "off", Fact.OEM_UNLOCK, "off"));
        Catalogue catalogue = new Catalogue(List.of(), List.of(back));
        assertThat(Planner.plan(Goal.STOCK, catalogue, debugged, Optional.empty(), Limits.none())
                        .plans())
                .singleElement()
                .satisfies(plan -> assertThat(plan.routes()).containsExactly(back));
    }

    /** What was read before the trouble that contradicts it reaches no goal; what was read after it does. */
    @Test
    void aReadingNoYoungerThanTheTroubleReachesNothing() {
        Instant later = Sample.NOW.plusSeconds(60);
        Reading root = Sample.reading(Fact.ROOT, "permanent", Source.TYPED, "a", 1, Sample.NOW);
        Reading gone = Sample.reading(Fact.TROUBLE, "root-gone-after-restart", Source.TYPED, "b", 1, later);
        Catalogue none = new Catalogue(List.of(), List.of());
        assertThat(Planner.plan(
                                Goal.ROOT,
                                none,
                                new Ledger(List.of(root, gone)).facts(),
                                Optional.empty(),
                                Limits.none())
                        .plans())
                .isEmpty();
        assertThat(Planner.plan(
                                Goal.ROOT,
                                none,
                                new Ledger(List.of(root.takenAt(later.plusSeconds(60)), gone)).facts(),
                                Optional.empty(),
                                Limits.none())
                        .plans())
                .hasSize(1);
    }

    /** A doubtful way never hides an equal one without, and of equals both are shown. */
    @Test
    void doubtIsARespectAndEqualsAreBothShown() {
        Route sure = route("sure").target("M1", "4.1").costing(0, 5, false).making(Fact.ROOT, "permanent");
        Route twin = route("twin").target("M1", "4.1").costing(0, 5, false).making(Fact.ROOT, "permanent");
        Route doubtful =
                route("doubtful").target("M1", "6.0").costing(0, 4, false).making(Fact.ROOT, "permanent");
        Route worse = route("worse").target("M1", "6.0").costing(0, 6, false).making(Fact.ROOT, "permanent");
        assertThat(plan(facts("model=M1", "osVersion=4.1"), Limits.none(), sure, twin, doubtful, worse)
                        .plans())
                .extracting(plan -> plan.routes().get(0).id())
                .containsExactly("sure", "twin", "doubtful");
    }

    /** Root with nobody to ask is told on the plan. */
    @Test
    void rootWithoutAManagerIsToldOnThePlan() {
        Route bare = route("bare").making(Fact.ROOT, "permanent");
        Route whole = route("whole").making(Map.of(Fact.ROOT, "permanent", Fact.ROOT_MANAGER, "present"));
        assertThat(plan(facts("root=none"), Limits.none(), bare).plans().get(0).warnings())
                .singleElement()
                .asString()
                .contains("gives every app root");
        assertThat(plan(facts("root=none"), Limits.none(), whole).plans().get(0).warnings())
                .isEmpty();
    }

    /** A gate that nothing can open is in the way, and told: a switch the phone has not, a hot battery that must not be charged. */
    @Test
    void aGateThatNothingCanOpenIsInTheWay() {
        Route needy = route("needy").gate(Fact.OEM_UNLOCK, "on").making(Fact.ROOT, "permanent");
        Route pressed = route("switch").asHousekeeping().making(Fact.OEM_UNLOCK, "on");
        assertThat(plan(facts("oemUnlock=absent"), Limits.none(), needy, pressed)
                        .blockers())
                .containsExactly("Route needy: OEM unlock switch is absent; it must be on.");
        Route hungry = route("hungry").gate(Fact.BATTERY_PERCENT, 50).making(Fact.ROOT, "permanent");
        Route charge = route("charge").asHousekeeping().making(Fact.BATTERY_PERCENT, "95");
        Danger hot = new Danger(
                "hot",
                new Condition.Between(Fact.BATTERY_TEMPERATURE, Optional.of("45"), Optional.empty(), Optional.empty()),
                Set.of(Act.CHARGE),
                Danger.Severity.STOP,
                Optional.of(Danger.IfUnknown.PASS),
                "It is hot.",
                "for this test");
        Catalogue catalogue = new Catalogue(List.of(), List.of(hungry, charge), Rulers.none(), List.of(), List.of(hot));
        Facts low = facts("batteryPercent=20", "batteryTemperature=46");
        assertThat(Planner.plan(Goal.ROOT, catalogue, low, Optional.empty(), Limits.none())
                        .blockers())
                .containsExactly("Route hungry: Battery percent is 20; it must be 50 or more.");
        Facts cool = facts("batteryPercent=20", "batteryTemperature=30");
        assertThat(Planner.plan(Goal.ROOT, catalogue, cool, Optional.empty(), Limits.none())
                        .plans())
                .singleElement()
                .satisfies(plan -> assertThat(plan.routes()).containsExactly(charge, hungry));
    }

    /** A way of a person's own choice, with why it would not have been shown. */
    @Test
    void aWayOfOnesOwnChoiceSaysWhyItLost() {
        Route slow = route("slow").costing(0, 50, false).making(Fact.ROOT, "permanent");
        Route quick = route("quick").costing(0, 5, false).making(Fact.ROOT, "permanent");
        Route other = route("other").making(Fact.CARD, "yes");
        Catalogue catalogue = new Catalogue(List.of(), List.of(slow, quick, other));
        Planner.Answer own =
                Planner.chosen(Goal.ROOT, List.of(slow), catalogue, LOCKED, Optional.empty(), Limits.none());
        assertThat(own.plans())
                .singleElement()
                .satisfies(plan -> assertThat(plan.routes()).containsExactly(slow));
        assertThat(own.lost()).contains("“Route quick” leads there too and costs no more in any respect.");
        assertThat(Planner.chosen(Goal.ROOT, List.of(quick), catalogue, LOCKED, Optional.empty(), Limits.none())
                        .lost())
                .isEmpty();
        assertThat(Planner.chosen(Goal.ROOT, List.of(other), catalogue, LOCKED, Optional.empty(), Limits.none())
                        .blockers())
                .containsExactly("These routes do not lead to “Permanent root”.");
    }

    private static Planner.Answer plan(Facts facts, Limits limits, Route... routes) {
        return Planner.plan(Goal.ROOT, new Catalogue(List.of(), List.of(routes)), facts, Optional.empty(), limits);
    }
}
