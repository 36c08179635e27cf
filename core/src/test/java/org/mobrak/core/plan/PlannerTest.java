package org.mobrak.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.Minutes;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Recognition;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.School;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

class PlannerTest {
    private static final Route UNLOCK = route("unlock")
            .needs(Fact.LOCK, "locked")
            .marking("notice")
            .costing(0, 10, true)
            .making(Fact.LOCK, "unlocked");
    private static final Route RECOVERY =
            route("recovery").needs(Fact.LOCK, "unlocked").making(Fact.RECOVERY, "custom");
    private static final Route ROOT =
            route("root").needs(Fact.RECOVERY, "custom").making(Fact.ROOT, "permanent");
    private static final Route BOUGHT = route("bought").costing(25, 5, false).making(Fact.ROOT, "permanent");
    private static final Facts LOCKED = facts("lock=locked", "recovery=stock", "osVersion=4.1");

    @Test
    void putsRoutesInARowAndOffersWhatNothingBeats() {
        Planner.Answer answer = plan(LOCKED, Limits.none(), UNLOCK, RECOVERY, ROOT, BOUGHT);
        assertThat(answer.plans())
                .extracting(Plan::title)
                .containsExactly("Route bought", "Route unlock → Route recovery → Route root");
        assertThat(answer.blockers()).isEmpty();
        assertThat(answer.plans().get(1).tradeOffs())
                .contains("30 minutes", "wipes the data", "for good: notice", "costs nothing");
    }

    @Test
    void keepsTheUsersLimits() throws Exception {
        assertThat(plan(LOCKED, Limits.none().with("no-money"), UNLOCK, RECOVERY, ROOT, BOUGHT)
                        .plans())
                .hasSize(1);
        assertThat(plan(LOCKED, Limits.none().with("no-data-loss"), UNLOCK, RECOVERY, ROOT, BOUGHT)
                        .plans())
                .extracting(Plan::title)
                .containsExactly("Route bought");
        assertThat(plan(LOCKED, Limits.none().with("minutes=29").with("no-money"), UNLOCK, RECOVERY, ROOT, BOUGHT)
                        .blockers())
                .containsExactly("Limit “no money”: “Route bought” costs money.");
        assertThat(plan(LOCKED, Limits.none().with("minutes=20").with("no-money"), UNLOCK, RECOVERY, ROOT)
                        .blockers())
                .containsExactly("Limit of 20 minutes: the work takes about 30.");
        assertThatThrownBy(() -> Limits.none().with("no-fuss")).hasMessageContaining("no-data-loss");
    }

    /** Of many plans that nothing beats a few are shown, and between them they are the best in every respect. */
    @Test
    void aHandfulShowsWhatThereIsToChooseFrom() {
        List<Route> routes = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            routes.add(route("trade" + i)
                    .costing(i * 2, 40 - 3 * i, false)
                    .writing(PartitionClass.values()[i % 6])
                    .making(Fact.ROOT, "permanent"));
        }
        routes.add(route("wiping").costing(0, 1, true).making(Fact.ROOT, "permanent"));
        Planner.Answer answer = plan(LOCKED, Limits.none(), routes.toArray(Route[]::new));
        assertThat(answer.plans()).hasSize(5).doesNotContainAnyElementsOf(answer.rest());
        assertThat(answer.rest()).isNotEmpty();
        List<Plan> all =
                Stream.concat(answer.plans().stream(), answer.rest().stream()).toList();
        for (ToDoubleFunction<Cost> respect :
                List.<ToDoubleFunction<Cost>>of(Cost::riskPoints, Cost::minutes, Cost::handsOn, Cost::money)) {
            double best =
                    all.stream().map(Plan::cost).mapToDouble(respect).min().orElseThrow();
            assertThat(answer.plans())
                    .extracting(plan -> respect.applyAsDouble(plan.cost()))
                    .contains(best);
        }
        assertThat(answer.plans().get(0).cost().dataLoss())
                .as("the mildest first")
                .isFalse();
    }

    /** The oldest chain of the trade: an older version that has the hole, root on it, and the update again. */
    @Test
    void goesBackAVersionAndForthAgain() throws IOException {
        Catalogue catalogue = Sample.shipped();
        Facts tern = facts(
                "model=KQ-T5B",
                "osVersion=2.3.6",
                "buildNumber=T5-B-236118",
                "kernelRelease=2.6.35.7",
                "buildDate=2011-01-10",
                "recovery=stock",
                "root=none",
                "update=installed");
        List<Plan> plans = Planner.plan(Goal.UPDATE_KEEP_ROOT, catalogue, tern, Optional.empty(), Limits.none())
                .plans();
        assertThat(plans)
                .extracting(Plan::title)
                .contains(
                        "Older firmware for the Tern → Sedum on the phone → Take the update over the air",
                        "Downgrade the Tern, root it, update again");
        assertThat(plans)
                .allSatisfy(plan -> assertThat(Replay.of(plan, catalogue, tern, Optional.empty())
                                .isSound())
                        .isTrue());
        assertThat(new FitCheck(catalogue, tern, Optional.empty()).routes())
                .filteredOn(fit -> fit.route().id().equals("sedum-exploit-app"))
                .singleElement()
                .satisfies(fit -> {
                    assertThat(fit.verdict()).isEqualTo(Verdict.NEEDS_STEP);
                    assertThat(fit.clauses())
                            .anySatisfy(clause -> assertThat(clause.step()).contains("Older firmware for the Tern"));
                });
    }

    /** By the exact school a build that is not listed is a no, until a route writes one that is. */
    @Test
    void aRouteThatWritesAListedBuildTurnsTheExactSchoolsNo() {
        Route strict = route("strict").target("M1", "4.1", "B1").making(Fact.ROOT, "permanent");
        Route back =
                route("back").target("M1", "4.2", "B2").making(Map.of(Fact.OS_VERSION, "4.1", Fact.BUILD_NUMBER, "B1"));
        Facts phone = facts("model=M1", "osVersion=4.2", "buildNumber=B2", "root=none");
        Catalogue catalogue = new Catalogue(List.of(), List.of(back, strict));
        Optional<School> exact = Optional.of(School.EXACT);
        assertThat(new FitCheck(catalogue, phone, exact).routes())
                .extracting(RouteFit::verdict)
                .containsExactly(Verdict.FITS, Verdict.NEEDS_STEP);
        assertThat(Planner.plan(Goal.ROOT, catalogue, phone, exact, Limits.none())
                        .plans())
                .extracting(Plan::title)
                .containsExactly("Route back → Route strict");
        assertThat(new FitCheck(new Catalogue(List.of(), List.of(strict)), phone, exact).routes())
                .extracting(RouteFit::verdict)
                .containsExactly(Verdict.REFUSED);
    }

    /** The wrong yes: stock firmware, then a chain that fits the build which the firmware has just replaced. */
    @Test
    void noClauseIsAnsweredByWhatWasReadBeforeTheWrite() {
        Route stock = route("stock")
                .target("M1", "4.4")
                .replacing(PartitionClass.SYSTEM, PartitionClass.KERNEL)
                .making(Map.of(Fact.OS_VERSION, "4.4", Fact.UPDATE, "pending"));
        Route chain = route("chain")
                .target("M1", "4.4", "B1")
                .needs(Fact.UPDATE, "pending")
                .replacing(PartitionClass.BOOTLOADER)
                .making(Fact.ROOT, "permanent");
        Facts phone = facts("model=M1", "osVersion=4.4", "buildNumber=B1", "kernelRelease=3.4", "update=installed");
        Catalogue catalogue = new Catalogue(List.of(), List.of(stock, chain));
        Planner.Answer answer = Planner.plan(Goal.ROOT, catalogue, phone, Optional.empty(), Limits.none());
        assertThat(answer.plans()).isEmpty();
        assertThat(answer.assuming())
                .singleElement()
                .satisfies(plan -> assertThat(plan.assumptions())
                        .singleElement()
                        .satisfies(open -> assertThat(open.asks()).contains(Fact.BUILD_NUMBER)));
        Plan plan = new Plan(Goal.ROOT, List.of(stock, chain), Cost.none());
        Replay replay = Replay.of(plan, catalogue, phone, Optional.empty());
        assertThat(replay.isSound()).isFalse();
        assertThat(replay.isSoundAssuming()).isTrue();
        assertThat(replay.steps().get(0).changesInWords()).contains("no longer hold");
        assertThat(replay.end().value(Fact.BOOTLOADER)).isEmpty();
    }

    /** Nobody has touched this phone, as far as anybody knows: that is supposed first, and said. */
    @Test
    void plansForAnUntouchedPhoneComeFirst() {
        Route unlock = route("unlock").needs(Fact.LOCK, "locked").making(Fact.LOCK, "unlocked");
        Planner.Answer answer = plan(Facts.none(), Limits.none(), unlock, RECOVERY, ROOT);
        assertThat(answer.plans()).isEmpty();
        assertThat(answer.assuming())
                .extracting(plan -> plan.supposition().orElseThrow() + ": " + plan.title())
                .containsExactly(
                        "If the bootloader lock is locked (as usual): Route unlock → Route recovery → Route root",
                        "If the recovery is custom: Route root",
                        "If the bootloader lock is unlocked: Route recovery → Route root");
        Map<Fact, String> supposed = answer.assuming().get(0).supposes();
        assertThat(plan(Facts.none().supposing(supposed), Limits.none(), unlock, RECOVERY, ROOT)
                        .plans())
                .as("once it is noted, the plan stands on what is known")
                .extracting(Plan::title)
                .containsExactly(answer.assuming().get(0).title());
        Planner.Answer back = Planner.plan(
                Goal.STOCK, new Catalogue(List.of(), List.of(ROOT)), Facts.none(), Optional.empty(), Limits.none());
        assertThat(back.plans()).isEmpty();
        assertThat(back.assuming().get(0).routes())
                .as("an untouched phone is stock")
                .isEmpty();
        assertThat(back.assuming().get(0).supposition())
                .hasValueSatisfying(words -> assertThat(words).contains("the recovery is stock (as usual)"));
    }

    @Test
    void withoutAModelNumberNoPlanIsMadeForSomeOtherPhone() throws IOException {
        Catalogue catalogue = Sample.shipped();
        for (Goal goal : Goal.usual()) {
            Planner.Answer answer =
                    Planner.plan(goal, catalogue, facts("osVersion=4.1.2"), Optional.empty(), Limits.none());
            assertThat(answer.recognition()).isInstanceOf(Recognition.NotRead.class);
            assertThat(answer.recognition().sentence().orElseThrow()).contains("Read it first: About screen");
            assertThat(Stream.of(answer.plans(), answer.rest(), answer.assuming())
                            .flatMap(List::stream)
                            .flatMap(plan -> plan.routes().stream()))
                    .allMatch(route -> route.fits().phones().isEmpty());
            assertThat(Planner.nextReadings(goal, catalogue, facts("osVersion=4.1.2"), Optional.empty())
                            .get(0)
                            .fact())
                    .isEqualTo(Fact.MODEL);
        }
    }

    @ParameterizedTest
    @CsvSource({"OV-L2I0F, Did you mean OV-L210F", "VM-P9O, Did you mean VM-P90", "VM-P71, The nearest known are VM-P70"
    })
    void ofAPhoneThatNoRouteNamesItSaysSoAndWhoIsNear(String model, String words) throws IOException {
        Catalogue catalogue = Sample.shipped();
        Facts facts = facts("model=" + model, "osVersion=4.1.2");
        Planner.Answer answer = Planner.plan(Goal.ROOT, catalogue, facts, Optional.empty(), Limits.none());
        assertThat(answer.recognition().sentence().orElseThrow())
                .startsWith("No route in the catalogue names model number " + model)
                .contains(words)
                .contains("make a route from a guide");
        assertThat(answer.assuming())
                .allSatisfy(plan -> assertThat(plan.routes())
                        .allMatch(route -> route.fits().phones().isEmpty()));
        assertThat(Planner.nextReadings(Goal.ROOT, catalogue, facts, Optional.empty()))
                .allSatisfy(next -> assertThat(next.bits()).isGreaterThan(0))
                .extracting(NextReading::fact)
                .doesNotContain(Fact.MODEL, Fact.CHIPSET);
    }

    /** Why a route is in no plan, in a sentence that is true of it. */
    @Test
    void saysTheTrueReasonWhyARouteIsUnused() throws Exception {
        Route slow = route("slow").costing(0, 50, false).making(Fact.ROOT, "permanent");
        Route quick = route("quick").costing(0, 5, false).making(Fact.ROOT, "permanent");
        Route dear = route("dear").costing(9, 1, false).making(Fact.ROOT, "permanent");
        Route other = route("other").making(Fact.OTA_PATH, "blocked");
        Catalogue catalogue = new Catalogue(List.of(), List.of(slow, quick, dear, other));
        Limits free = Limits.none().with("no-money");
        Planner.Answer answer = Planner.plan(Goal.ROOT, catalogue, LOCKED, Optional.empty(), free);
        Unused unused = new Unused(answer, catalogue, LOCKED, Optional.empty(), free);
        assertThat(unused.sentence(slow)).isEqualTo("“Route quick” leads there too and costs no more in any respect.");
        assertThat(unused.sentence(dear)).contains("Your limits keep it out", "costs money");
        assertThat(unused.sentence(other)).contains("does not lead to the goal");
    }

    @Test
    void aFuseIsBlownOnlyOnce() throws Exception {
        Route blowing = route("blowing").making(Map.of(Fact.ROOT, "permanent", Fact.WARRANTY_FUSE, "blown"));
        Limits spared = Limits.none().with("no-blown-fuse");
        assertThat(plan(facts("warrantyFuse=intact"), spared, blowing).blockers())
                .containsExactly("Limit “no blown fuse”: “Route blowing” blows the warranty fuse.");
        Planner.Answer borne = plan(facts("warrantyFuse=blown"), spared.with("no-marks"), blowing);
        assertThat(borne.plans())
                .singleElement()
                .satisfies(plan -> assertThat(plan.cost().marks())
                        .as("what is blown already costs nothing more")
                        .isEmpty());
    }

    @Test
    void joinsGoalsAndMendsTroubles() {
        Goal both = Goal.ofKey("root+recovery").orElseThrow();
        assertThat(both.label()).isEqualTo("Permanent root and custom recovery");
        assertThat(Planner.plan(
                                both,
                                new Catalogue(List.of(), List.of(UNLOCK, RECOVERY, BOUGHT)),
                                LOCKED,
                                Optional.empty(),
                                Limits.none())
                        .plans())
                .extracting(plan -> plan.routes().size())
                .containsExactly(3);
        assertThat(Goal.ofKey("root+stock")).as("they contradict").isEmpty();
        assertThat(Goal.ofKey("root+wings")).isEmpty();
        assertThat(Goal.ofKey("hand-on")).contains(Goal.HAND_ON);
        assertThat(Goal.ofKey("unrooted+hand-on").orElseThrow().wanted()).containsOnlyKeys(Fact.ROOT, Fact.OWNER_DATA);
        assertThat(Goal.usual()).as("nobody works on a phone for it").doesNotContain(Goal.HAND_ON);
        Route mend = route("mend").needs(Fact.TROUBLE, "store-missing").making(Fact.TROUBLE, "none");
        Goal mended = Goal.ofKey("mend:store-missing").orElseThrow();
        Catalogue mending = new Catalogue(List.of(), List.of(mend));
        Plan plan = Planner.plan(mended, mending, Facts.none(), Optional.empty(), Limits.none())
                .plans()
                .get(0);
        assertThat(Replay.of(plan, mending, Facts.none(), Optional.empty()).isSound())
                .isTrue();
    }

    @Test
    void namesTheSmallestSetOfBlockers() {
        Route far = route("far")
                .needs(Fact.CARD, "yes")
                .needs(Fact.CABLE, "factory")
                .making(Fact.ROOT, "permanent");
        Planner.Answer answer = plan(LOCKED, Limits.none(), RECOVERY, ROOT, far);
        assertThat(answer.plans()).isEmpty();
        assertThat(answer.blockers())
                .singleElement()
                .asString()
                .contains("Route recovery", "locked; this route needs unlocked");
        assertThat(plan(LOCKED, Limits.none(), UNLOCK).blockers())
                .singleElement()
                .asString()
                .contains("model number is not known");
        assertThat(plan(facts("root=permanent"), Limits.none(), ROOT).plans())
                .singleElement()
                .extracting(Plan::title)
                .isEqualTo("Nothing to do");
    }

    @Test
    void takesHousekeepingInWhereAGateIsKnownToBeClosed() {
        Route debugging = housekeeping("debugging", Fact.USB_DEBUGGING, "on", 3);
        Route slowly = housekeeping("slowly", Fact.USB_DEBUGGING, "on", 9);
        Route unlock = route("unlock")
                .needs(Fact.LOCK, "locked")
                .gate(Fact.USB_DEBUGGING, "on")
                .making(Map.of(Fact.LOCK, "unlocked", Fact.USB_DEBUGGING, "off"));
        Route root = route("root")
                .needs(Fact.LOCK, "unlocked")
                .gate(Fact.USB_DEBUGGING, "on")
                .making(Fact.ROOT, "permanent");
        Plan plan = plan(facts("lock=locked", "usbDebugging=off"), Limits.none(), debugging, slowly, unlock, root)
                .plans()
                .get(0);
        assertThat(plan.routes()).containsExactly(debugging, unlock, debugging, root);
        assertThat(plan.title()).isEqualTo("Route unlock → Route root");
        assertThat(plan.cost().handsOn()).isEqualTo(26);
        assertThat(plan(facts("lock=locked"), Limits.none(), debugging, unlock, root)
                        .plans()
                        .get(0)
                        .routes())
                .as("nothing is known of the first gate, so it waits for the day; of the second it is known")
                .containsExactly(unlock, debugging, root);
    }

    private static Route housekeeping(String id, Fact fact, String value, double minutes) {
        return route(id).asHousekeeping().costing(0, minutes, false).making(fact, value);
    }

    @Test
    void saysWhatItTakesForGrantedAndWhatIsWithinReachInstead() {
        Planner.Answer answer = plan(facts("recovery=stock"), Limits.none(), RECOVERY, ROOT);
        assertThat(answer.plans()).isEmpty();
        assertThat(answer.assuming()).hasSize(1);
        assertThat(answer.assuming().get(0).assumptions()).singleElement().satisfies(assumed -> {
            assertThat(assumed.sentence()).contains("Route recovery: Bootloader lock is not known");
            assertThat(assumed.asks()).containsExactly(Fact.LOCK);
        });
        Planner.Answer other = plan(facts("lock=unlocked"), Limits.none(), RECOVERY);
        assertThat(other.plans()).isEmpty();
        assertThat(other.reachable()).containsExactly(Goal.RECOVERY);
    }

    /** Every plan for every demo-like state of the shipped catalogue is accepted by the replay, which shares no search code. */
    @Test
    void everyPlanOfTheShippedCatalogueIsSoundWhenPlayedThrough() throws IOException {
        Catalogue catalogue = Sample.shipped();
        int played = 0;
        for (KnownPhone phone : catalogue.phones()) {
            for (String recovery : List.of("recovery=stock", "recovery=custom")) {
                for (String os : List.of("2.2.2", "4.1.2", "4.4.4", "5.1.1", "7.0")) {
                    Facts facts = facts(
                            "model=" + phone.model(),
                            "osVersion=" + os,
                            "lock=locked",
                            recovery,
                            "usbDebugging=off",
                            "update=pending",
                            "writeProtection=on",
                            "kernelRelease=3.4.0",
                            "buildDate=2013-01-01",
                            "batteryPercent=15",
                            "root=none",
                            "osKind=stock");
                    for (Goal goal : Goal.usual()) {
                        Planner.Answer answer = Planner.plan(goal, catalogue, facts, Optional.empty(), Limits.none());
                        for (Plan plan : answer.plans()) {
                            Replay replay = Replay.of(plan, catalogue, facts, Optional.empty());
                            assertThat(replay.isSound())
                                    .as("%s: %s", phone.model(), plan.title())
                                    .isTrue();
                            played++;
                        }
                        for (Plan plan : answer.assuming()) {
                            Replay replay = Replay.of(plan, catalogue, facts, Optional.empty());
                            assertThat(replay.isSoundAssuming()).isTrue();
                            assertThat(replay.isSound()).isFalse();
                        }
                    }
                }
            }
        }
        assertThat(played).isGreaterThan(100);
    }

    @Test
    void aPlanInTheWrongOrderIsNotSound() {
        Catalogue catalogue = new Catalogue(List.of(), List.of(UNLOCK, RECOVERY, ROOT));
        Plan right = new Plan(Goal.ROOT, List.of(UNLOCK, RECOVERY, ROOT), Cost.none());
        Plan wrong = new Plan(Goal.ROOT, List.of(RECOVERY, UNLOCK, ROOT), Cost.none());
        Plan cut = new Plan(Goal.ROOT, List.of(UNLOCK, RECOVERY), Cost.none());
        Replay replay = Replay.of(right, catalogue, LOCKED, Optional.empty());
        assertThat(replay.isSound()).isTrue();
        assertThat(replay.steps().get(0).changes())
                .containsEntry(Fact.LOCK, new Replay.Change(Optional.of("locked"), Optional.of("unlocked")));
        assertThat(Replay.of(wrong, catalogue, LOCKED, Optional.empty()).isSound())
                .isFalse();
        assertThat(Replay.of(cut, catalogue, LOCKED, Optional.empty()).reachesGoal())
                .isFalse();
    }

    /** Random small catalogues: the front must be that of trying every row of routes. */
    @Test
    void findsTheSameFrontAsBruteForce() {
        Random random = new Random(20261124);
        int withPlans = 0;
        for (int round = 0; round < 150; round++) {
            List<Route> routes = randomRoutes(random);
            Planner.Answer answer =
                    Planner.plan(Goal.ROOT, new Catalogue(List.of(), routes), LOCKED, Optional.empty(), Limits.none());
            Set<Cost> found = Stream.concat(answer.plans().stream(), answer.rest().stream())
                    .map(Plan::cost)
                    .collect(Collectors.toSet());
            assertThat(found).as("round %d", round).isEqualTo(bruteForce(routes));
            assertThat(answer.plans().size()).isLessThanOrEqualTo(5);
            withPlans += found.isEmpty() ? 0 : 1;
        }
        assertThat(withPlans).isGreaterThan(50);
    }

    private static List<Route> randomRoutes(Random random) {
        List<Map.Entry<Fact, String>> states = List.of(
                Map.entry(Fact.LOCK, "unlocked"),
                Map.entry(Fact.RECOVERY, "custom"),
                Map.entry(Fact.ROOT, "permanent"),
                Map.entry(Fact.LOCK, "locked"),
                Map.entry(Fact.CARD, "yes"),
                Map.entry(Fact.OS_VERSION, "4.1"));
        List<Route> routes = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            Sample route = route("r" + i).costing(random.nextInt(3) * 5, 1 + random.nextInt(20), random.nextBoolean());
            if (random.nextInt(3) == 0) {
                route.marking("mark " + random.nextInt(2));
            }
            if (random.nextInt(4) > 0) {
                Map.Entry<Fact, String> needed = states.get(random.nextInt(states.size()));
                route.needs(needed.getKey(), needed.getValue());
            }
            Map.Entry<Fact, String> made = states.get(random.nextInt(states.size()));
            if (random.nextInt(3) == 0) {
                routes.add(route.replacing(PartitionClass.SYSTEM).making(made.getKey(), made.getValue()));
                continue;
            }
            routes.add(
                    route.writing(PartitionClass.values()[random.nextInt(4)]).making(made.getKey(), made.getValue()));
        }
        return routes;
    }

    private static Set<Cost> bruteForce(List<Route> routes) {
        List<Cost> reached = new ArrayList<>();
        extend(routes, List.of(), LOCKED, Cost.none(), reached);
        Set<Cost> front = new HashSet<>();
        for (Cost cost : reached) {
            if (reached.stream().noneMatch(other -> other.atMost(cost) && !cost.atMost(other))) {
                front.add(cost);
            }
        }
        return front;
    }

    private static void extend(List<Route> routes, List<Route> row, Facts facts, Cost cost, List<Cost> reached) {
        if (facts.value(Fact.ROOT).filter("permanent"::equals).isPresent()) {
            reached.add(cost);
            return;
        }
        for (Route route : routes) {
            boolean usable =
                    FitCheck.alone(new Catalogue(List.of(), routes), route, facts, Optional.empty()).clauses().stream()
                            .allMatch(clause -> clause.result() == Truth.YES);
            if (usable && row.size() < 5) {
                List<Route> longer = new ArrayList<>(row);
                longer.add(route);
                extend(
                        routes,
                        longer,
                        facts.supposing(route.changes().effects()),
                        cost.plus(Cost.of(route, Facts.none())),
                        reached);
            }
        }
    }

    /** The state after a route by its definition, written down once more; of the facts of these catalogues only. */
    private static Facts byHand(Route route, Facts facts) {
        Map<Fact, String> after = new EnumMap<>(Fact.class);
        after.putAll(facts.values());
        boolean replaces = route.changes().writes().contains(PartitionClass.SYSTEM)
                && !route.changes().keeps().contains(PartitionClass.SYSTEM);
        if (replaces) {
            after.remove(Fact.OS_VERSION);
        }
        after.putAll(route.changes().effects());
        return Facts.none().supposing(after);
    }

    @Test
    void withoutReportsThereIsNoNumber() {
        assertThat(new Evidence(Evidence.Group.ANY_PHONE, 0, 0).sentence())
                .startsWith("No reports")
                .doesNotContain("%");
        assertThat(Evidence.riskPoints(
                        route("r").writing(PartitionClass.BOOTLOADER).making(Fact.LOCK, "unlocked"), Facts.none()))
                .isEqualTo(9);
        assertThat(Evidence.riskPoints(
                        route("r")
                                .writing(PartitionClass.BOOTLOADER)
                                .reported(20, 0)
                                .making(Fact.LOCK, "unlocked"),
                        Facts.none()))
                .isBetween(1.0, 2.0);
    }

    /** PERT, D. G. Malcolm et al., Oper. Res. 7 (1959): the usual textbook numbers (2, 4, 12) give mean 5 and variance 25/9. */
    @Test
    void weighsThreePointEstimatesLikePert() {
        Minutes minutes = new Minutes(2, 4, 12);
        assertThat(minutes.mean()).isEqualTo(5);
        assertThat(minutes.variance()).isCloseTo(25 / 9.0, within(1e-12));
        assertThatThrownBy(() -> new Minutes(5, 4, 12)).hasMessageContaining("rise");
    }

    private static Planner.Answer plan(Facts facts, Limits limits, Route... routes) {
        return Planner.plan(Goal.ROOT, new Catalogue(List.of(), List.of(routes)), facts, Optional.empty(), limits);
    }
}
