package org.mobrak.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;
import static org.mobrak.core.Sample.NOW;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;

/** Every sheet can be walked to its end by somebody who ticks only what is true and finds everything at its worst. */
class SheetWalkTest {
    private static final Map<Fact, String> WORST = Map.of(
            Fact.IMAGE_BACKUP, "none",
            Fact.APP_BACKUP, "none",
            Fact.FILES_COPIED, "no",
            Fact.USB_DEBUGGING, "off",
            Fact.UNKNOWN_SOURCES, "off",
            Fact.OEM_UNLOCK, "off",
            Fact.INTERNET, "no",
            Fact.CARD, "no",
            Fact.BATTERY_PERCENT, "5",
            Fact.RECOVERY, "stock");

    /** An honest person with a phone. */
    private static final class Walker {
        private final Catalogue catalogue;
        private final Plan plan;
        private final List<Reading> noted = new ArrayList<>();
        private Facts truth;
        private Instant now = NOW;
        private Job job;

        Walker(Catalogue catalogue, Plan plan, Facts truth, RunSheet sheet) {
            this.catalogue = catalogue;
            this.plan = plan;
            this.truth = truth;
            this.job = new Job(1, 1, JobPlan.unknown(), sheet, NOW, List.of());
        }

        void walk() {
            for (Step step : job.sheet().steps()) {
                now = now.plusSeconds(60);
                step.gate().ifPresent(gate -> ready(step, gate));
                assertThat(job.objectionToTick(step, known()))
                        .as("%s: %s of %s", plan.title(), step.title(), step.route())
                        .isEmpty();
                job = job.with(job.ticking(step, known(), now));
                done(step);
            }
            believed()
                    .forEach((fact, value) -> assertThat(truth.value(fact))
                            .as("%s: %s is believed to be %s", plan.title(), fact.key(), value)
                            .contains(value));
        }

        private Facts known() {
            return new Ledger(
                            Stream.concat(noted.stream(), job.readings().stream())
                                    .toList(),
                            job.overwrites())
                    .facts();
        }

        /** What is believed of the phone at the end, of what work changes. */
        private Map<Fact, String> believed() {
            Map<Fact, String> believed = new EnumMap<>(Fact.class);
            Facts known = known();
            Stream.of(Fact.values())
                    .filter(fact -> fact != Fact.BATTERY_PERCENT)
                    .forEach(fact -> known.value(fact).ifPresent(value -> believed.put(fact, value)));
            return believed;
        }

        /** Looks, notes what is there, and makes it ready if that can be done as the phone is now. */
        private void ready(Step step, Gate gate) {
            if (GateJudge.of(gate, truth).result() != Truth.YES) {
                Route opener = catalogue.routes().stream()
                        .filter(Route::isHousekeeping)
                        .filter(route -> GateJudge.of(gate, truth.after(Aftermath.of(route, truth)))
                                        .result()
                                == Truth.YES)
                        .filter(route -> FitCheck.alone(catalogue, route, truth, Optional.empty())
                                        .verdict()
                                == Verdict.FITS)
                        .findFirst()
                        .orElse(null);
                if (opener == null) {
                    fail("%s: nothing makes “%s” ready where it stands; the phone is %s"
                            .formatted(plan.title(), step.title(), truth));
                }
                truth = truth.after(Aftermath.of(opener, truth));
            }
            now = now.plusSeconds(60);
            noted.add(new Reading(gate.fact(), truth.value(gate.fact()).orElseThrow(), new Origin.Typed(), now));
        }

        /** With its last step a route has done what it does. */
        private void done(Step step) {
            if (step instanceof Step.Copy copied) {
                truth = truth.after(copied.change().effects().entrySet().stream()
                        .collect(Collectors.toMap(Map.Entry::getKey, one -> Optional.of(one.getValue()))));
            }
            List<Step> steps = job.sheet().steps();
            boolean last = steps.subList(steps.indexOf(step) + 1, steps.size()).stream()
                    .noneMatch(later -> later.route().equals(step.route()) && later.phase() == step.phase());
            plan.routes().stream()
                    .filter(route -> route.name().equals(step.route()))
                    .filter(route -> step.phase() == (route.isHousekeeping() ? Phase.PREPARE : Phase.DO)
                            || route.isHousekeeping() && step.phase() == Phase.DO)
                    .filter(route -> last && step.gate().isEmpty())
                    .findFirst()
                    .ifPresent(route -> truth = truth.after(Aftermath.of(route, truth)));
            // A route's aftermath is that of all of it; what was copied amid it, after its wipe, is there.
            steps.stream()
                    .filter(copy -> copy instanceof Step.Copy && copy.phase() == Phase.DO && job.isTicked(copy))
                    .filter(copy -> last && copy.route().equals(step.route()))
                    .filter(copy -> steps.stream()
                            .skip(steps.indexOf(copy))
                            .noneMatch(later -> later.route().equals(step.route())
                                    && later.changes().wipes()))
                    .findFirst()
                    .ifPresent(copy -> truth = truth.after(Map.of(Fact.FILES_COPIED, Optional.of("yes"))));
        }
    }

    /** The phone is one of those that sources name; the leading one. */
    private static Facts worst(Facts facts) {
        Facts worst = facts.settled(facts.torn().stream()
                .collect(
                        Collectors.toMap(fact -> fact, fact -> facts.value(fact).orElseThrow())));
        for (Map.Entry<Fact, String> bad : WORST.entrySet()) {
            if (worst.value(bad.getKey()).isEmpty()) {
                worst = worst.supposing(Map.of(bad.getKey(), bad.getValue()));
            }
        }
        return worst;
    }

    @Test
    void everySheetOfTheDemoIsWalkedToItsEnd() throws IOException {
        Catalogue catalogue = Sample.shipped();
        int walked = 0;
        for (Facts known : Sample.demoPhones(catalogue)) {
            for (Facts facts : List.of(known, worst(known))) {
                for (Goal goal : Goal.usual()) {
                    Planner.Answer answer = Planner.plan(goal, catalogue, facts, Optional.empty(), Limits.none());
                    for (Plan plan : Stream.of(answer.plans(), answer.rest(), answer.assuming())
                            .flatMap(List::stream)
                            .toList()) {
                        RunSheet sheet = RunSheet.of(plan, catalogue, facts);
                        new Walker(catalogue, plan, worst(facts.supposing(plan.supposes())), sheet).walk();
                        walked++;
                    }
                }
            }
        }
        assertThat(walked).isGreaterThan(100);
    }

    /** The sheet nobody could walk: the recovery that takes the backup comes first, then the backup, then what needs it. */
    @Test
    void aGateStandsAfterWhatMakesItPossible() throws IOException {
        Catalogue catalogue = Sample.shipped();
        Facts lantern = facts(
                "model=OV-L215",
                "osVersion=4.1.2",
                "recovery=stock",
                "root=none",
                "imageBackup=none",
                "batteryPercent=80",
                "kernelRelease=4.0");
        Plan plan = Planner.plan(Goal.ROOT, catalogue, lantern, Optional.empty(), Limits.none())
                .plans()
                .get(0);
        RunSheet sheet = RunSheet.of(plan, catalogue, lantern);
        List<String> work = sheet.of(Phase.DO).stream().map(Step::title).toList();
        assertThat(sheet.of(Phase.PREPARE)).extracting(Step::title).noneMatch(title -> title.contains("mage backup"));
        assertThat(work.indexOf("Take an image backup"))
                .isGreaterThan(work.indexOf("Start"))
                .isLessThan(work.indexOf("Image backup: taken or verified"));
        assertThat(work.indexOf("Image backup: taken or verified")).isLessThan(work.indexOf("Install the zip"));
        new Walker(catalogue, plan, worst(lantern), sheet).walk();
    }

    /** What was read before a step that may have changed it does not open a gate behind that step. */
    @Test
    void aGateInTheMiddleWantsAFreshReading() {
        Route wiping = route("wiping")
                .needs(Fact.LOCK, "locked")
                .gate(Fact.USB_DEBUGGING, "on")
                .costing(0, 5, true)
                .step(Phase.DO, "wipe it")
                .making(Fact.LOCK, "unlocked");
        Route root = route("root")
                .needs(Fact.LOCK, "unlocked")
                .gate(Fact.USB_DEBUGGING, "on")
                .step(Phase.DO, "root it")
                .making(Fact.ROOT, "permanent");
        Facts ready = facts("lock=locked", "usbDebugging=on", "batteryPercent=90");
        Catalogue catalogue = new Catalogue(List.of(), List.of(wiping, root));
        Plan plan = Planner.plan(Goal.ROOT, catalogue, ready, Optional.empty(), Limits.none())
                .plans()
                .get(0);
        Job job = new Job(1, 1, JobPlan.unknown(), RunSheet.of(plan, catalogue, ready), NOW, List.of());
        for (Step step : job.sheet().steps()) {
            if (step.phase() == Phase.PREPARE || step.title().equals("wipe it")) {
                job = job.with(List.of(new Event.Ticked(NOW.plusSeconds(60), step.id())));
            }
        }
        Step gate = job.sheet().of(Phase.DO).get(1);
        assertThat(gate.title()).isEqualTo("USB debugging: on");
        assertThat(job.objectionToTick(gate, ready))
                .hasValueSatisfying(why -> assertThat(why).contains("read before the last step"));
        Facts again = new Ledger(
                        List.of(new Reading(Fact.USB_DEBUGGING, "on", new Origin.Typed(), NOW.plusSeconds(120))))
                .facts();
        assertThat(job.objectionToTick(gate, again)).isEmpty();
    }
}
