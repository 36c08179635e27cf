package org.mobrak.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.mobrak.core.Sample.NOW;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.plan.Cost;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;

class JobTest {
    private static final Route FIRST = route("first")
            .gate(Fact.BATTERY_PERCENT, 30)
            .step(Phase.DO, "write it")
            .step(Phase.TIDY, "sweep")
            .making(Fact.RECOVERY, "custom");
    private static final Route SECOND = route("second")
            .needs(Fact.RECOVERY, "custom")
            .gate(Fact.BATTERY_PERCENT, 50)
            .step(Phase.DO, "install it")
            .step(Phase.PROVE, "ask for root")
            .step(Phase.PREPARE, "lay it down")
            .making(Fact.ROOT, "permanent");
    private static final Facts LOW = facts("batteryPercent=41", "recovery=stock");
    private static final Facts FULL = facts("batteryPercent=64", "recovery=stock");

    @Test
    void eachGateStandsDirectlyBeforeWhatNeedsIt() {
        RunSheet sheet = job().sheet();
        assertThat(sheet.steps())
                .extracting(Step::title)
                .containsExactly(
                        "lay it down",
                        "Battery percent: at least 50",
                        "write it",
                        "Battery percent: at least 50",
                        "install it",
                        "ask for root",
                        "sweep");
        assertThat(sheet.steps())
                .extracting(Step::id)
                .containsExactly("prepare-1", "prepare-2", "do-1", "do-2", "do-3", "prove-1", "tidy-1");
        assertThat(sheet.step("do-1").orElseThrow().changes().effects()).containsEntry(Fact.RECOVERY, "custom");
        assertThat(sheet.step("do-3").orElseThrow().changes().effects()).containsEntry(Fact.ROOT, "permanent");
    }

    @Test
    void aGateOpensOnlyWithAGoodReading() {
        Job job = job();
        Step battery = job.sheet().steps().get(1);
        assertThat(job.objectionToTick(battery, Facts.none()))
                .hasValueSatisfying(why -> assertThat(why).contains("not known", "Status bar"));
        assertThat(job.objectionToTick(battery, LOW)).contains("Battery percent is 41; it must be 50 or more.");
        assertThat(job.objectionToTick(battery, FULL)).isEmpty();
    }

    @Test
    void nothingIsDoneToThePhoneBeforeEverythingIsPrepared() {
        Job job = job();
        List<Step> steps = job.sheet().steps();
        assertThat(job.objectionToTick(steps.get(2), FULL))
                .hasValueSatisfying(why -> assertThat(why).contains("lay it down"));
        assertThat(job.objectionToTick(steps.get(1), FULL))
                .as("preparing goes in any order")
                .isEmpty();
        job = ticked(job, 0, 1);
        assertThat(job.objectionToTick(steps.get(3), FULL)).contains("First “write it” (Do).");
        job = ticked(job, 2);
        assertThat(job.objectionToTick(steps.get(2), FULL)).contains("This step is ticked already.");
        assertThat(job.objectionToUntick(steps.get(0)))
                .hasValueSatisfying(why -> assertThat(why).contains("write it"));
        assertThat(job.objectionToUntick(steps.get(2))).isEmpty();
        assertThat(job.next()).contains(steps.get(3));
    }

    @Test
    void theJournalAloneSaysWhereAJobStands() {
        Job job = ticked(job(), 0, 1, 2);
        Step written = job.sheet().steps().get(2);
        assertThat(job.tickedCount()).isEqualTo(3);
        job = job.with(List.of(new Event.Unticked(NOW, written.id())));
        assertThat(job.isTicked(written)).isFalse();
        assertThat(job.events()).hasSize(4);
        job = job.with(List.of(new Event.Ended(NOW, Event.End.STOPPED, "rain")));
        assertThat(job.objectionToTick(written, FULL)).contains("This job has ended.");
        assertThat(job.end()).hasValueSatisfying(end -> assertThat(end.note()).isEqualTo("rain"));
    }

    /** A file may turn up that asks for more than the routes did, after the gate was ticked. */
    @Test
    void aGateThatShutAgainKeepsTheWorkFromBeginning() {
        Job job = ticked(job(), 0, 1);
        Step write = job.sheet().steps().get(2);
        assertThat(job.objectionToTick(write, FULL)).isEmpty();
        assertThat(job.objectionToTick(write, LOW)).contains("Battery percent is 41; it must be 50 or more.");
        Gate asked = Gate.battery(Set.of(PartitionClass.SYSTEM, PartitionClass.BOOTLOADER), "a file")
                .orElseThrow();
        Job strict = job.asking(List.of(new Demand(asked, "a file")));
        assertThat(strict.sheet().steps().get(1).title()).isEqualTo("Battery percent: at least 90");
        assertThat(strict.isTicked(strict.sheet().steps().get(1))).isTrue();
        assertThat(strict.objectionToTick(write, FULL)).contains("Battery percent is 64; it must be 90 or more.");
        assertThat(ticked(strict, 2).shutSince(LOW))
                .as("once begun it warns")
                .containsExactly("Battery percent is 41; it must be 90 or more.");
        Job begun = ticked(job, 2);
        assertThat(begun.asking(List.of(new Demand(asked, "a file")))).isSameAs(begun);
        assertThat(job.with(List.of(new Event.Demanded(NOW, new Demand(asked, "a file"))))
                        .sheet())
                .as("once noted the job keeps to it, whatever lies on the shelf")
                .isEqualTo(strict.sheet());
        RunSheet more = job.sheet()
                .asking(new Demand(new Gate(Fact.CABLE, List.of("data"), Optional.empty(), "why"), "a file"));
        assertThat(more.of(Phase.PREPARE)).extracting(Step::id).endsWith("prepare-3");
        assertThat(more.of(Phase.DO)).isEqualTo(job.sheet().of(Phase.DO));
    }

    /** Whoever ticks a proof has read its values; one that reads otherwise stops what comes after. */
    @Test
    void aProofNotesWhatMustBeReadAndStopsWhereItReadsOtherwise() {
        Route kernel = route("kernel")
                .writing(PartitionClass.KERNEL)
                .step(Phase.DO, "write it")
                .step(Phase.PROVE, "look")
                .making(Fact.KERNEL_RELEASE, "3.4-new");
        Facts before = facts("kernelRelease=3.4-old", "baseband=R1", "buildNumber=B7");
        Plan plan = new Plan(Goal.ROOT, List.of(kernel), new Cost(Set.of(), false, 0, 0, 0, 0, 0));
        RunSheet sheet = RunSheet.of(plan, new Catalogue(List.of(), List.of(kernel)), before);
        Job job = new Job(1, 1, JobPlan.unknown(), sheet, NOW, List.of());
        Step look = sheet.of(Phase.PROVE).get(0);
        assertThat(look.expected())
                .containsExactlyInAnyOrderEntriesOf(
                        Map.of(Fact.KERNEL_RELEASE, "3.4-new", Fact.BASEBAND, "R1", Fact.BUILD_NUMBER, "B7"));
        for (Step step : sheet.steps()) {
            if (!step.equals(look)) {
                job = job.with(List.of(new Event.Ticked(NOW, step.id())));
            }
        }
        Job done = job.with(job.ticking(look, before, NOW.plusSeconds(9)));
        assertThat(done.readings())
                .extracting(Reading::fact, Reading::value)
                .contains(tuple(Fact.BASEBAND, "R1"), tuple(Fact.KERNEL_RELEASE, "3.4-new"));
        Reading other = new Reading(Fact.BASEBAND, "R2", new Origin.Typed(), NOW.plusSeconds(5));
        assertThat(job.objectionToTick(look, before)).isEmpty();
        assertThat(job.objectionToTick(look, new Ledger(List.of(other)).facts()))
                .hasValueSatisfying(why -> assertThat(why).contains("Baseband must read R1 and reads R2"));
        assertThat(job.objectionToOverride(look)).as("with a reason").isEmpty();
    }

    /** Keys that somebody has tried lead where no file of a phone says which. */
    @Test
    void keysThatWereNotedStandOnTheSheet() {
        Route pack = route("package").step(Phase.DO, "install it").making(Fact.ROOT, "permanent");
        RunSheet silent = bringing(pack, facts("model=XX-1"));
        RunSheet noted = bringing(pack, facts("model=XX-1", "recoveryKeys=hold volume-up + power until the logo"));
        assertThat(silent.steps().get(1).how().flatMap(Step.Doing::keys)).isEmpty();
        assertThat(silent.steps().get(1).text()).contains("Nobody has written down the keys", "note under Readings");
        assertThat(noted.steps().get(1).how().flatMap(Step.Doing::keys).map(KeyChord::text))
                .contains("hold volume-up + power until the logo");
        assertThat(bringing(pack, facts("model=XX-1", "recoveryKeys=both of them"))
                        .steps()
                        .get(1)
                        .how()
                        .flatMap(Step.Doing::keys))
                .as("what cannot be read as keys is none")
                .isEmpty();
    }

    private static RunSheet bringing(Route route, Facts facts) {
        Step.Line line = SheetWriter.line(route.name(), Phase.DO, "install it", "install it");
        Step.Doing inRecovery = new Step.Doing(
                Optional.empty(),
                Optional.of("recovery"),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
        Step work = new Step.Act(line, inRecovery, List.of(PartitionClass.SYSTEM), false, Step.Change.none());
        List<Step> steps = new ArrayList<>(List.of(Passage.plug(route.name(), Phase.PREPARE)));
        steps.add(work);
        return new RunSheet(
                "", Passage.of(Optional.empty(), facts).through(steps), Set.of(), Optional.empty(), Optional.empty());
    }

    private static Job job() {
        Catalogue catalogue = new Catalogue(List.of(), List.of(FIRST, SECOND));
        Plan plan = Planner.plan(Goal.ROOT, catalogue, LOW, Optional.empty(), Limits.none())
                .plans()
                .get(0);
        return new Job(1, 1, JobPlan.unknown(), RunSheet.of(plan, catalogue, LOW), NOW, List.of());
    }

    private static Job ticked(Job job, int... steps) {
        Job standing = job;
        for (int step : steps) {
            standing = standing.with(
                    List.of(new Event.Ticked(NOW, job.sheet().steps().get(step).id())));
        }
        return standing;
    }

    /** What makes the bench ready at first goes ahead of the gates; what an earlier route undid is done again in its turn. */
    @Test
    void housekeepingStandsWhereItIsNeeded() {
        Route first = route("debugging")
                .asHousekeeping()
                .step(Phase.PREPARE, "switch debugging")
                .making(Fact.USB_DEBUGGING, "on");
        Route unlock = route("unlock").step(Phase.DO, "unlock it").making(Fact.LOCK, "unlocked");
        Route root = route("root").step(Phase.DO, "root it").making(Fact.ROOT, "permanent");
        RunSheet sheet = RunSheet.of(
                new Plan(Goal.ROOT, List.of(first, unlock, first, root), new Cost(Set.of(), false, 0, 0, 0, 0, 0)),
                new Catalogue(List.of(), List.of(first, unlock, root)),
                Facts.none());
        assertThat(sheet.of(Phase.PREPARE))
                .extracting(Step::title)
                .containsExactly("switch debugging", "Battery percent: at least 20");
        assertThat(sheet.of(Phase.DO))
                .extracting(Step::title)
                .containsExactly("unlock it", "switch debugging", "Battery percent: at least 20", "root it");
        assertThat(sheet.steps()).extracting(Step::id).doesNotHaveDuplicates();
        assertThat(sheet.title()).isEqualTo("Route unlock → Route root");
    }
}
