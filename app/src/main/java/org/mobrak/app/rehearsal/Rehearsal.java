package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.app.Outlook;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
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
import org.mobrak.core.plan.Plan;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.Stimulus;

/**
 * One person, one sheet, one bench phone. The same input always gives the same report.
 */
public final class Rehearsal {
    /** So often a step is tried, with its remedies between (our own choice). */
    private static final int MOST_TRIES = 3;

    private final Outlook outlook;
    private final Plan plan;
    private final RunSheet sheet;
    private final BenchTruth phone;
    private final Fetching fetching;
    private final Person person;
    private final Faults faults;
    private final Diary diary = new Diary();
    private final Hands hands;
    private final StepWork work;
    private final Map<String, BenchFiles.Fetched> fetched = new HashMap<>();
    private Job job;

    /**
     * A rehearsal.
     *
     * @param phone the setting's, as quick as it is this time
     */
    Rehearsal(Setting setting, BenchTruth phone, BenchFiles files, List<Fault.At> faults, Person person) {
        this.outlook = setting.outlook();
        this.plan = setting.plan();
        this.sheet = setting.sheet();
        this.phone = phone;
        this.fetching = new Fetching(setting, files);
        this.person = person;
        this.faults = Faults.placed(faults, sheet);
        this.hands = new Hands(phone, diary);
        this.work = new StepWork(setting, hands);
        JobPlan keeping = JobPlan.of(plan, Optional.empty(), List.of(), outlook.facts());
        this.job = new Job(0, 0, keeping, sheet, Instant.EPOCH, List.of());
    }

    /** Works through the sheet to its end, whatever that is. */
    public Report run() throws IOException {
        for (Step step : sheet.steps()) {
            diary.at(step.id());
            note("step", step.title());
            Optional<Report.End> end = take(step);
            if (hands.state().mode() == Mode.DEAD) {
                end = Optional.of(Report.End.DEAD);
            }
            if (end.isPresent()) {
                return report(end.get());
            }
            tick(step);
        }
        diary.at("");
        return report(isReached() ? Report.End.GOAL : comeBack());
    }

    private Optional<Report.End> take(Step step) throws IOException {
        before(step);
        if (step instanceof Step.Fetch fetch) {
            fetch(fetch);
            return Optional.empty();
        }
        if (step instanceof Step.Ready ready) {
            return ready(ready);
        }
        return act(step);
    }

    /** What goes wrong of itself before a step. */
    private void before(Step step) {
        for (Fault fault : faults.at(step)) {
            note("fault", fault.word());
            fault.before(hands.state().battery()).ifPresent(hands::does);
        }
    }

    /** A careful person holds every file against the phone and the source's checksum, and fetches it anew where that is wrong. */
    private void fetch(Step.Fetch step) throws IOException {
        if (step.needed().isEmpty()) {
            return;
        }
        NeededFile wanted = step.needed().get();
        Fetching.Taken taken = fetching.take(wanted, route(step), faults.at(step));
        BenchFiles.Fetched came = taken.came();
        if (taken.objection().isPresent() && person == Person.CAREFUL) {
            diary.caught(seconds(), "file check: " + taken.objection().get().message());
            note("remedy", wanted.name() + " is fetched anew");
            came = taken.right();
        } else if (taken.objection().isPresent()) {
            diary.wouldHave("file check: " + taken.objection().get().message());
        }
        fetched.put(wanted.name(), came);
    }

    private Optional<Report.End> ready(Step.Ready step) {
        Gate gate = step.askGate();
        for (int tries = 0; tries < 2; tries++) {
            Facts facts = look(gate.fact());
            if (GateJudge.result(gate, facts) == Truth.YES) {
                return Optional.empty();
            }
            String told =
                    "gate: " + step.title() + " (" + GateJudge.of(gate, facts).sentence() + ")";
            if (person == Person.HASTY) {
                diary.wouldHave(told);
                note("passed", step.title());
                job = job.with(List.of(new Event.Overridden(now(), step.id(), "in haste")));
                return Optional.empty();
            }
            if (tries == 0) {
                diary.caught(seconds(), told);
                open(gate);
            }
        }
        return Optional.of(Report.End.STOPPED_AT_GATE);
    }

    /** Brings about what a gate asks for, where a person can. */
    private void open(Gate gate) {
        boolean hopeless = gate.fact() == Fact.BATTERY_PERCENT && isUnfit();
        if (!hopeless && work.arrange(gate.fact(), gate.is(), gate.atLeast())) {
            note("remedy", gate.fact().label() + " is seen to");
        }
    }

    /** A battery that must not be charged. */
    private boolean isUnfit() {
        String body = hands.state().facts().getOrDefault(Fact.BATTERY_BODY, "flat");
        return !body.equals("flat");
    }

    private Optional<Report.End> act(Step step) throws IOException {
        Set<Fault> now = new HashSet<>(faults.at(step));
        for (int tries = 1; tries <= MOST_TRIES; tries++) {
            if (person == Person.CAREFUL) {
                topUp(step);
            }
            boolean seen = work.doIt(step, images(step), now, person);
            after(now);
            now.clear();
            if (hands.state().mode() == Mode.DEAD) {
                return Optional.of(Report.End.DEAD);
            }
            if (seen) {
                return Optional.empty();
            }
            String sign = step.how().flatMap(Step.Doing::sign).orElse(step.title());
            if (person == Person.HASTY) {
                diary.wouldHave("sign: " + sign);
                return Optional.empty();
            }
            diary.caught(seconds(), "sign: " + sign);
            job = job.with(List.of(new Event.SignMissed(now(), step.id(), "")));
            if (tries == MOST_TRIES || !remedy(step, tries)) {
                break;
            }
        }
        return Optional.of(comeBack());
    }

    /** The battery is looked at again before anything is written: a gate that shut meanwhile warns. */
    private void topUp(Step step) {
        if (step instanceof Step.Act act && !act.writes().isEmpty() && !isUnfit()) {
            Gate.battery(act.writes(), step.title())
                    .flatMap(Gate::atLeast)
                    .filter(least -> hands.state().battery() < least)
                    .ifPresent(least -> {
                        diary.caught(seconds(), "warning: the battery is below " + least + " %");
                        hands.does(new Stimulus.Charge(least));
                    });
        }
    }

    private Map<String, BenchFiles.Fetched> images(Step step) throws IOException {
        Map<String, BenchFiles.Fetched> of = new HashMap<>();
        for (NeededFile wanted : route(step).work().files()) {
            if (fetched.containsKey(wanted.name())) {
                of.put(wanted.name(), fetched.get(wanted.name()));
            }
        }
        return of;
    }

    private void after(Set<Fault> faultsNow) {
        Stream.of(Fault.LOOPS_AT_LOGO, Fault.BLACK_SCREEN, Fault.RESTARTS_BY_ITSELF)
                .filter(faultsNow::contains)
                .flatMap(fault -> fault.after().stream())
                .forEach(hands::does);
    }

    /** What the sheet says to do when the sign does not come, one remedy after the other, and nothing else. */
    private boolean remedy(Step step, int turn) throws IOException {
        List<RouteStep.Remedy> all = step.how().map(Step.Doing::remedies).orElse(List.of());
        if (all.isEmpty()) {
            return false;
        }
        RouteStep.Remedy chosen = all.get((turn - 1) % all.size());
        note("remedy", chosen.what());
        PrintedRemedy said = PrintedRemedy.of(chosen.what());
        work.mend(said);
        if (said.from().isPresent()) {
            for (Step again : since(said.from().get(), step)) {
                work.doIt(again, images(again), Set.of(), person);
            }
        }
        return !said.isSilent();
    }

    /** The steps from one that is named to the one that is being done. */
    private List<Step> since(String title, Step until) {
        List<Step> before = sheet.steps().subList(0, sheet.steps().indexOf(until));
        int first = before.stream().map(Step::title).toList().lastIndexOf(title);
        return first < 0
                ? List.of()
                : before.subList(first, before.size()).stream()
                        .filter(one -> one.how().isPresent())
                        .toList();
    }

    /** The way back: a start that works, with stock firmware where what is on it does not run. */
    private Report.End comeBack() {
        work.setBenchRight();
        note("remedy", "the way back");
        hands.bringTo(Mode.OS);
        if (hands.state().mode() == Mode.LOOP && hands.state().inside().dirty()) {
            hands.holdPower();
            hands.bringTo(Mode.RECOVERY);
            hands.does(new Stimulus.LightWipe());
            hands.bringTo(Mode.OS);
        }
        if (hands.state().mode() != Mode.OS && hands.state().mode() != Mode.DEAD) {
            work.writeStock(phone.truth());
            hands.bringTo(Mode.OS);
        }
        return switch (hands.state().mode()) {
            case OS -> Report.End.CAME_BACK;
            case DEAD -> Report.End.DEAD;
            default -> Report.End.GAVE_UP;
        };
    }

    private void tick(Step step) {
        Step.Change change = step.changes();
        boolean matters = !change.effects().isEmpty() || change.wipes();
        job = job.with(job.ticking(step, matters ? believed() : Facts.none(), now()));
    }

    /** What the job believes by now: what was so at the beginning, and what it brought about. */
    private Facts believed() {
        List<Reading> readings = new ArrayList<>(outlook.identity().ledger().readings());
        readings.addAll(job.readings());
        return new Ledger(readings, job.overwrites()).facts();
    }

    /** What a person reads from the phone now, of one thing. */
    private Facts look(Fact fact) {
        List<Reading> readings = Optional.ofNullable(hands.state().facts().get(fact)).stream()
                .map(value -> new Reading(fact, value, new Origin.Typed(), now()))
                .toList();
        return new Ledger(readings).facts();
    }

    private boolean isReached() {
        return plan.goal().wanted().entrySet().stream()
                .allMatch(want -> want.getValue().equals(hands.state().facts().get(want.getKey())));
    }

    private Route route(Step step) {
        return work.route(step);
    }

    private Instant now() {
        return Instant.EPOCH.plusMillis((long) (seconds() * 1000));
    }

    private double seconds() {
        return hands.state().seconds();
    }

    private void note(String kind, String text) {
        diary.note(seconds(), kind, text);
    }

    private Report report(Report.End end) {
        note("end", end.word());
        Map<Fact, String> claimed = new EnumMap<>(Fact.class);
        job.readings().forEach(reading -> claimed.put(reading.fact(), reading.value()));
        return new Report(
                phone.id(),
                plan.goal().key(),
                plan.routes().stream().map(Route::id).toList(),
                faults.words(),
                end,
                end == Report.End.GOAL,
                seconds() / 60,
                diary.happened(),
                hands.state().facts(),
                claimed,
                diary.caught(),
                List.of());
    }
}
