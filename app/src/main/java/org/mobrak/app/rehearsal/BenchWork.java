package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.app.Session;
import org.mobrak.app.rehearsal.BenchView.Doing;
import org.mobrak.app.rehearsal.BenchView.Offer;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState;
import org.mobrak.link.bench.Stimulus;

/** What the steps of a sheet mean on the bench, when a person plays them: what can be done, what comes of it, what was passed over. */
final class BenchWork {
    private static final double GLANCE_SECONDS = 1;

    private final Setting setting;
    private final Hands hands;
    private final PlayedBench bench;
    private final Diary diary;
    private final Faults faults;
    private final StepWork work;
    private final Map<String, Fetching.Taken> files = new HashMap<>();
    private final Set<String> anew = new HashSet<>();
    private final Set<String> tried = new HashSet<>();
    private final Set<String> done = new HashSet<>();
    private final Map<String, Set<Fault>> waiting = new HashMap<>();
    private String told = "";

    BenchWork(Setting setting, Hands hands, PlayedBench bench, Diary diary, Faults faults) {
        this.setting = setting;
        this.hands = hands;
        this.bench = bench;
        this.diary = diary;
        this.faults = faults;
        this.work = new StepWork(setting, hands);
    }

    /** Makes the files of the sheet; those that come with a fault, too. */
    void fetch(BenchFiles made) throws IOException {
        Fetching fetching = new Fetching(setting, made);
        for (Step step : setting.sheet().steps()) {
            if (step instanceof Step.Fetch fetch && fetch.needed().isPresent()) {
                files.put(step.id(), fetching.take(fetch.needed().get(), work.route(step), faults.at(step)));
            }
        }
    }

    /** The step of the bench's own sheet: a job's may have been made stricter by its files. */
    Step known(Step step) {
        return setting.sheet().steps().stream()
                .filter(one -> one.id().equals(step.id()) && one.title().equals(step.title()))
                .findFirst()
                .orElse(step);
    }

    /** A step is next. What goes wrong of itself does so now. */
    void before(Step step) {
        diary.at(step.id());
        told = "";
        Set<Fault> amid = EnumSet.noneOf(Fault.class);
        for (Fault fault : faults.at(step)) {
            Optional<Stimulus> first = fault.before(bench.state().battery());
            first.ifPresent(hands::does);
            if (first.isEmpty()) {
                amid.add(fault);
            }
        }
        if (amid.contains(Fault.KEYS_WRONG)) {
            told = "Whether the keys go wrong here is in your own hands.";
        }
        bench.followTheHands();
        waiting.put(step.id(), amid);
    }

    /** Begun on the sheet, so it is begun on the bench. */
    void beginOnce(Step step) {
        if (tried.add(step.id())) {
            doIt(step);
        }
    }

    /** What can be done at the bench for a step. */
    private List<Offer> offers(Step step, Job job) {
        List<Offer> all = new ArrayList<>(ofStep(step));
        if (bench.state().asksForPassword()) {
            all.add(new Offer(Doing.FORMAT, "Leave the password empty, and format the data"));
        }
        again(step, job).ifPresent(lost -> all.add(new Offer(Doing.DO_AGAIN, "Once more: " + lost.title())));
        return all;
    }

    /** What was done before and is undone by now, once a person has seen that something is missing. */
    private Optional<Step> again(Step step, Job job) {
        return tried.contains(step.id()) && !done.contains(step.id()) ? work.toRepeat(step, job) : Optional.empty();
    }

    private List<Offer> ofStep(Step step) {
        if (step instanceof Step.Fetch) {
            return ofFile(step);
        }
        if (step instanceof Step.Ready ready) {
            Fact fact = ready.askGate().fact();
            return List.of(
                    new Offer(
                            Doing.NOTE_IT,
                            "Note what it says: " + fact.label() + " "
                                    + value(fact).orElse("not told")),
                    new Offer(Doing.SEE_TO_IT, "See to it"));
        }
        if (step instanceof Step.Prove) {
            return List.of(new Offer(Doing.LOOK, "Look: " + step.title()));
        }
        boolean toBegin =
                work.works(step) && !work.isHousekeeping(step) && takesTime(step) && !tried.contains(step.id());
        boolean byKeys = step.how().flatMap(Step.Doing::keys).isPresent() && !work.works(step);
        return toBegin || byKeys
                ? List.of()
                : List.of(
                        new Offer(Doing.DO_IT, (tried.contains(step.id()) ? "Once more: " : "Do it: ") + step.title()));
    }

    private static boolean takesTime(Step step) {
        return step.how().flatMap(Step.Doing::normalMinutes).isPresent() || step.hasNoReturn();
    }

    private List<Offer> ofFile(Step step) {
        List<Offer> all = new ArrayList<>();
        if (files.containsKey(step.id())) {
            all.add(new Offer(Doing.LOOK_AT_THE_FILE, "Look into the file"));
            if (tried.contains(step.id()) && objection(step).isPresent()) {
                all.add(new Offer(Doing.FETCH_ANEW, "Fetch it anew"));
            }
        }
        return all;
    }

    private Optional<String> objection(Step step) {
        return Optional.ofNullable(files.get(step.id()))
                .filter(taken -> !anew.contains(step.id()))
                .flatMap(Fetching.Taken::objection)
                .map(finding -> finding.message());
    }

    /** Does what is offered; what is not offered for this step any more is passed over. */
    void take(Doing doing, Step step, Job job, Session session) {
        if (offers(step, job).stream().noneMatch(offer -> offer.doing() == doing)) {
            return;
        }
        switch (doing) {
            case NOTE_IT -> noteIt((Step.Ready) step, session);
            case SEE_TO_IT -> seeToIt(((Step.Ready) step).askGate());
            case LOOK_AT_THE_FILE -> {
                tried.add(step.id());
                told = objection(step).orElse("It is the file that was meant, to the byte.");
            }
            case FETCH_ANEW -> {
                anew.add(step.id());
                told = "Fetched anew. Look into it once more.";
            }
            case DO_IT -> {
                tried.add(step.id());
                doIt(step);
            }
            case DO_AGAIN -> again(step, job).ifPresent(this::doIt);
            case FORMAT -> {
                hands.does(new Stimulus.FormatData());
                bench.followTheHands();
            }
            case LOOK -> look(step);
        }
    }

    private Optional<String> value(Fact fact) {
        return Optional.ofNullable(bench.state().facts().get(fact));
    }

    private void noteIt(Step.Ready step, Session session) {
        // Looking takes a moment, so that what is noted is newer than what was done before, also while the clock
        // stands.
        bench.pass(GLANCE_SECONDS);
        Fact fact = step.askGate().fact();
        value(fact)
                .ifPresentOrElse(
                        value -> session.readings().takeTyped(fact, value),
                        () -> told = "The phone does not tell. Look elsewhere, or see to it.");
    }

    private void seeToIt(Gate gate) {
        boolean can = bench.busyWith().isEmpty() && work.arrange(gate.fact(), gate.is(), gate.atLeast());
        bench.followTheHands();
        told = can ? "Seen to. Note what it says now." : "That cannot be changed at the bench.";
    }

    private void look(Step step) {
        tried.add(step.id());
        boolean seen = work.isSeen(step);
        if (seen) {
            done.add(step.id());
        }
        String sign = step.how().flatMap(Step.Doing::sign).orElse("It is as it should be.");
        told = seen
                ? sign
                : "That is not what is seen. The phone shows "
                        + bench.state().mode().screen() + ".";
    }

    private void doIt(Step step) {
        if (work.isHousekeeping(step)) {
            boolean went = work.keepHouse(step);
            if (went) {
                done.add(step.id());
            }
            told = went ? "Done." : "That cannot be done at the bench.";
            bench.followTheHands();
            return;
        }
        Set<Fault> now = waiting.getOrDefault(step.id(), Set.of());
        waiting.put(step.id(), Set.of());
        Optional<Stimulus> stimulus = work.stimulus(step, images(step), now);
        if (stimulus.isEmpty()) {
            look(step);
            return;
        }
        if (step instanceof Step.Move move && move.first().contains(Step.First.KEEP_RECOVERY)) {
            hands.does(new Stimulus.KeepRecovery());
        }
        bench.begin(step.title(), stimulus.get(), went -> {
            if (went) {
                done.add(step.id());
            }
            told = "";
            now.forEach(fault -> fault.after().ifPresent(hands::does));
            bench.followTheHands();
        });
    }

    private Map<String, BenchFiles.Fetched> images(Step step) {
        Map<String, BenchFiles.Fetched> images = new HashMap<>();
        for (Step fetch : setting.sheet().steps()) {
            Fetching.Taken taken = files.get(fetch.id());
            if (taken == null) {
                continue;
            }
            boolean ofRoute = work.route(step).work().files().stream()
                    .map(NeededFile::name)
                    .anyMatch(taken.came().wanted().name()::equals);
            if (ofRoute) {
                images.put(taken.came().wanted().name(), anew.contains(fetch.id()) ? taken.right() : taken.came());
            }
        }
        return images;
    }

    void writeStock() {
        if (bench.busyWith().isEmpty()) {
            work.setBenchRight();
            work.writeStock(setting.phone().truth());
            bench.followTheHands();
        }
    }

    /** What was passed over when a step was ticked, and what would have caught it. */
    Optional<String> slip(Step step) {
        if (step instanceof Step.Fetch) {
            return objection(step).map(why -> "A look into the file would have told: " + why);
        }
        if (step instanceof Step.Ready ready) {
            boolean open = GateJudge.result(
                            ready.askGate(), setting.facts(bench.state().facts()))
                    == Truth.YES;
            return open
                    ? Optional.empty()
                    : Optional.of("The gate “" + step.title() + "” was passed, and it is not so.");
        }
        boolean shows = work.works(step) ? done.contains(step.id()) : work.isSeen(step) || done.contains(step.id());
        String sign = step.how().flatMap(Step.Doing::sign).orElse("its sign");
        return shows
                ? Optional.empty()
                : Optional.of("“" + step.title() + "” was ticked before this was seen: " + sign);
    }

    /** How it ended, and what was passed over. */
    record Ending(Optional<String> verdict, List<String> slips) {}

    BenchView view(double now, Optional<Step> step, Optional<Job> job, Ending ending) {
        BenchState state = bench.state();
        BenchView.Lead lead = BenchView.Lead.valueOf(state.wire().cable().name());
        return new BenchView(
                now,
                state.mode().word(),
                screen(state),
                bench.busyWith(),
                bench.share(),
                (int) Math.round(state.battery()),
                (int) Math.round(state.celsius()),
                new BenchView.Wire(lead, state.wire().driver(), state.hasPort()),
                bench.down(),
                step.flatMap(one -> job.map(running -> offers(one, running))).orElse(List.of()),
                told.isEmpty() ? lastSeen() : told,
                ending.verdict(),
                ending.slips());
    }

    private static String screen(BenchState state) {
        if (state.asksForPassword()) {
            return "a question for a password";
        }
        if (state.mode() == Mode.RECOVERY) {
            return state.facts().getOrDefault(Fact.RECOVERY, "stock").equals("custom")
                    ? "the custom recovery’s menu"
                    : "the stock recovery’s menu";
        }
        return state.mode().screen();
    }

    /** Asked with every frame, so from the end. What comes at once is seen at once: the same keys may mean two things. */
    private String lastSeen() {
        List<Report.Happened> all = diary.happened();
        Deque<String> last = new ArrayDeque<>();
        double at = -1;
        for (int i = all.size() - 1; i >= 0; i--) {
            Report.Happened one = all.get(i);
            if (at >= 0 && one.seconds() < at) {
                break;
            }
            if (one.kind().equals("seen")) {
                at = one.seconds();
                if (!last.contains(one.text())) {
                    last.addFirst(one.text());
                }
            }
        }
        return String.join("; ", last);
    }
}
