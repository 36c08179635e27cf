package org.mobrak.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.NOW;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
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
