package org.mobrak.core.logbook.history;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.Route.OwnPace;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Account;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;

class HistoryTest {
    private static final Instant NOON = Instant.parse("2026-03-01T12:00:00Z");
    private static final Route ROUTE = Sample.route("pack")
            .costing(0, 20, false)
            .step(Phase.DO, "lay it down")
            .step(Phase.DO, "press it")
            .making(Fact.ROOT, "permanent");

    private final Catalogue catalogue = new Catalogue(List.of(), List.of(ROUTE));

    private Plan plan(Catalogue with) {
        return Planner.plan(Goal.ROOT, with, Facts.none(), Optional.empty(), Limits.none())
                .plans()
                .get(0);
    }

    private Job job() {
        Plan plan = plan(catalogue);
        JobPlan keeping = JobPlan.of(plan, Optional.empty(), List.of(), Facts.none());
        return new Job(1, 1, keeping, RunSheet.of(plan, catalogue, Facts.none()), NOON, List.of());
    }

    private static List<Step> work(Job job) {
        return job.sheet().of(Phase.DO);
    }

    private static Instant after(int minutes) {
        return NOON.plus(Duration.ofMinutes(minutes));
    }

    /** A job whose first step is done after so many minutes and whose last is done after so many more. */
    private Job worked(int first, int last) {
        Job job = job();
        List<Step> steps = work(job);
        return job.with(List.of(
                new Event.Ticked(after(first), steps.get(0).id()),
                new Event.Ticked(after(first + last), steps.get(1).id()),
                new Event.Ended(after(first + last + 1), Event.End.WORKED, "")));
    }

    @Test
    void restsAndNightsAreNoWork() {
        Job job = job();
        List<Step> steps = work(job);
        Job rested = job.with(List.of(
                new Event.Paused(after(3), "lunch"),
                new Event.Resumed(after(63), "os"),
                new Event.Ticked(after(70), steps.get(0).id()),
                new Event.SignMissed(after(60 * 20), steps.get(1).id(), ""),
                new Event.Ticked(after(60 * 20 + 4), steps.get(1).id())));
        JobClock clock = JobClock.of(rested);
        assertThat(clock.of(steps.get(0))).contains(Duration.ofMinutes(10));
        assertThat(clock.of(steps.get(1))).as("a night lay before it").contains(Duration.ofMinutes(4));
        assertThat(clock.minutes(ROUTE.name())).contains(14.0);
        assertThat(JobClock.of(job).minutes(ROUTE.name())).as("not done").isEmpty();
    }

    /**
     * The credibility of n observations is n / (n + k) (Bühlmann, ASTIN Bulletin 4, 1967; from memory): with k = 3 three of them
     * weigh as much as what was said before, nine of them three times as much.
     */
    @Test
    void whatIsExpectedIsDrawnTowardsOnesOwnJobsFromThreeOn() {
        assertThat(new OwnPace(2, 40).towards(20)).isEqualTo(20);
        assertThat(new OwnPace(3, 40).towards(20)).isEqualTo(30);
        assertThat(new OwnPace(9, 40).towards(20)).isEqualTo(35);
        Map<String, OwnPace> own = OwnTimes.of(List.of(worked(10, 20), worked(20, 30), worked(10, 30)));
        assertThat(own).containsOnlyKeys("pack");
        assertThat(own.get("pack")).isEqualTo(new OwnPace(3, 40));
        Plan timed = plan(catalogue.with(List.of(ROUTE.at(own.get("pack")))));
        assertThat(timed.cost().minutes()).isCloseTo(30, within(1e-9));
        assertThat(Account.of(timed, Facts.none()).get(4).lines())
                .extracting(line -> line.sum())
                .contains("3 jobs of your own took 40.0 min: (3 × 20.0 + 3 × 40.0) / 6 = 30.0 min in all, so × 1.50");
        assertThat(JobPlan.of(timed, Optional.empty(), List.of(), Facts.none()).routes())
                .as("a route that was timed is the same route")
                .isEqualTo(job().plan().routes());
    }

    @Test
    void theTallyCountsWhatWorkedAndWhatHeldItUp() {
        Job failed = job().with(List.of(
                new Event.Begun(after(1), work(job()).get(0).id()),
                new Event.SignMissed(after(9), work(job()).get(0).id(), ""),
                new Event.Ended(after(10), Event.End.FAILED, "")));
        Tally tally = Tally.of(List.of(worked(10, 20), failed, worked(5, 5), job()), catalogue);
        assertThat(tally.jobs()).as("one still runs").isEqualTo(3);
        assertThat(tally.routes()).hasSize(1);
        assertThat(tally.routes().get(0).evidence().worked()).isEqualTo(2);
        assertThat(tally.routes().get(0).evidence().tried()).isEqualTo(3);
        assertThat(tally.families().get(0).name()).isEqualTo(ROUTE.family());
        assertThat(tally.signs()).containsExactly(new Tally.Count("lay it down", 1));
        assertThat(tally.gates()).as("what came after it was begun").isEmpty();
        Job shut = job().with(List.of(new Event.Ended(after(1), Event.End.STOPPED, "it would not charge")));
        assertThat(Tally.of(List.of(shut), catalogue).gates())
                .containsExactly(new Tally.Count("Battery percent: at least 20", 1));
        assertThat(tally.times().get(0).own()).isEqualTo(new OwnPace(2, 20));
        assertThat(tally.times().get(0).learnt()).as("two are too few").isEqualTo(20);
        assertThat(Tally.of(List.of(failed), new Catalogue(List.of(), List.of()))
                        .families()
                        .get(0)
                        .name())
                .isEqualTo("no longer in the catalogue");
    }

    @Test
    void twoJobsSideBySideSayWhatWasDoneDifferently() {
        Step first = work(job()).get(0);
        Job one = job().with(List.of(
                new Event.SignMissed(after(2), first.id(), ""),
                new Event.FileTaken(after(3), first.id(), "a.img", "aa"),
                new Event.Ended(after(4), Event.End.FAILED, "")));
        Job other = worked(10, 20)
                .with(List.of(
                        new Event.FileTaken(after(5), first.id(), "a.img", "bb"),
                        new Event.Noted(after(6), first.id(), "another cable")));
        JobPair pair = JobPair.of(one, other);
        assertThat(pair.rows())
                .filteredOn(JobPair.Row::differs)
                .containsExactly(
                        new JobPair.Row(
                                JobPair.About.FILE, "lay it down", "a.img, SHA-256 aa", "a.img, SHA-256 bb", true),
                        new JobPair.Row(
                                JobPair.About.STEP,
                                "lay it down",
                                "the sign did not come; not done",
                                "“another cable”; done, 10 min",
                                true),
                        new JobPair.Row(JobPair.About.STEP, "press it", "not done", "done, 20 min", true));
        assertThat(JobPair.of(other, other).differing()).isZero();
    }

    @Test
    void whatWasReadAndWrittenTellsWhatWasKnownWhen() {
        Ledger ledger = new Ledger(
                List.of(root("none", 0), root("temporary", 10), root("temporary", 20), root("permanent", 50)),
                List.of(new Ledger.Overwrite(after(30), Set.of(Fact.ROOT))));
        assertThat(Timeline.spans(Fact.ROOT, ledger))
                .containsExactly(
                        new Timeline.Span(after(0), Optional.of(after(10)), "none", false),
                        new Timeline.Span(after(10), Optional.of(after(30)), "temporary", false),
                        new Timeline.Span(after(50), Optional.empty(), "permanent", false));
        assertThat(ledger.until(after(15)).facts().value(Fact.ROOT)).contains("temporary");
        assertThat(ledger.until(after(35)).facts().value(Fact.ROOT)).isEmpty();
    }

    private static Reading root(String value, int minutes) {
        return new Reading(Fact.ROOT, value, new Origin.Typed(), after(minutes));
    }
}
