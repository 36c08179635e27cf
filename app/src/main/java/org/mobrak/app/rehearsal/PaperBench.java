package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Card;
import org.mobrak.core.job.Step;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.Stimulus;

/**
 * Phone, computer and cable as one order of a card after the other finds them: which file lies where, whether the computer was let
 * in, what was done so far. What an order takes for granted and nobody brought about is what the card lacks.
 */
final class PaperBench {
    private static final double MINUTE = 60;
    private static final double HALFWAY = 0.5;
    /** What is noted of a gate that was open when it was read. */
    static final String IT_IS_SO = "it is as the card says";
    /** What can be read from a phone only while its system or a recovery runs. */
    private static final Set<Fact> ON_THE_SCREEN = EnumSet.of(
            Fact.BATTERY_PERCENT, Fact.USB_DEBUGGING, Fact.UNKNOWN_SOURCES, Fact.OEM_UNLOCK, Fact.BATTERY_TEMPERATURE);
    /** Set in the system's own settings. */
    private static final Set<Fact> SWITCHES = EnumSet.of(Fact.USB_DEBUGGING, Fact.UNKNOWN_SOURCES, Fact.OEM_UNLOCK);

    /** Without these what is to be done is refused by the phone itself. */
    private static final Set<Fact> REFUSES =
            EnumSet.of(Fact.UNKNOWN_SOURCES, Fact.OEM_UNLOCK, Fact.INTERNET, Fact.CARD);

    private final Setting setting;
    private final Diary diary;
    private final Hands hands;
    private final StepWork tools;
    private final PaperFiles files;
    private final PaperCable cable;
    /** The boxes whose work went. */
    private final Set<String> done = new HashSet<>();

    /** Whether the program that wrote last leaves the phone as it is. */
    private boolean stays;
    /** Whether data went that the plan had promised to leave. */
    private boolean lost;

    private Optional<Stuck> lack = Optional.empty();

    PaperBench(Setting setting, Hands hands, StepWork tools, BenchFiles files, Diary diary) {
        this.setting = setting;
        this.diary = diary;
        this.hands = hands;
        this.tools = tools;
        this.files = new PaperFiles(setting.sheet(), hands, new Fetching(setting, files));
        this.cable = new PaperCable(hands);
    }

    /** What the card lacked at the last order; empty where it went on. */
    Optional<Stuck> lack() {
        return lack;
    }

    /** Notes that the card says nothing of something. */
    void lacks(Card.Entry entry, Stuck.Kind kind, String missing) {
        if (lack.isEmpty()) {
            lack = Optional.of(new Stuck(entry.id(), kind, missing));
        }
    }

    private void note(String kind, String text) {
        diary.note(hands.state().seconds(), kind, text);
    }

    /** The box went to its end. */
    void passed(Step box) {
        if (isStart(box)) {
            done.add(box.id());
        }
    }

    /** Does what a remedy's words say. */
    void mend(PrintedRemedy said) {
        tools.mend(said);
        if (said.deeds().contains(PrintedRemedy.Deed.FORMAT)) {
            emptied();
        }
    }

    /** Somebody who knows the trade brings it to where the box should have left it. */
    void helpPast(Step box) {
        box.gate().ifPresent(gate -> tools.arrange(gate.fact(), gate.is(), gate.atLeast()));
        if (box instanceof Step.Copy copy) {
            files.copied(copy.what().name(), copy.to());
        }
        box.how().flatMap(Step.Doing::mode).flatMap(Mode::ofWord).ifPresent(hands::bringTo);
        if (box instanceof Step.Act act && tools.works(box)) {
            cable.plugIn();
            hands.does(new Stimulus.Work(tools.task(act, files.all(), Set.of(), Person.CAREFUL)));
        }
        done.add(box.id());
        lack = Optional.empty();
    }

    /** Does one order; gives whether it went. */
    boolean order(Card.Order order, Card.Entry entry, Step box, Set<Fault> now) throws IOException {
        if (order instanceof Card.Lay lay) {
            files.lay(lay.what(), tools.route(box), now);
            return true;
        }
        if (order instanceof Card.Put put) {
            return isWhole(entry, files.put(put));
        }
        if (order instanceof Card.PlugIn) {
            cable.plugIn();
            cable.note(entry.text());
            return true;
        }
        if (order instanceof Card.Before before) {
            before(before.what(), box);
            return true;
        }
        if (order instanceof Card.Hold hold) {
            hold(hold, box, now);
            return true;
        }
        if (order instanceof Card.Unknown unknown) {
            lacks(entry, Stuck.Kind.NO_KEYS, "The keys into " + unknown.mode() + ".");
            return false;
        }
        return order instanceof Card.Compare compare
                ? compare(compare, entry)
                : work((Card.Work) order, entry, box, now);
    }

    private void before(Step.First what, Step box) {
        if (what != Step.First.BY_ITSELF) {
            tools.first(what);
        } else if (stands(box) && !stays) {
            box.how()
                    .flatMap(Step.Doing::mode)
                    .flatMap(Mode::ofWord)
                    .ifPresent(to -> hands.does(new Stimulus.Restart(to)));
        }
    }

    private void hold(Card.Hold hold, Step box, Set<Fault> now) {
        boolean restarts =
                box.how().flatMap(Step.Doing::mode).filter("os"::equals).isPresent()
                        && hands.state().mode() == Mode.OS;
        if (restarts) {
            hands.does(new Stimulus.Restart(Mode.OS));
            return;
        }
        hands.hold(hold.keys(), now.contains(Fault.KEYS_WRONG));
        if (hold.keys().isEndedByTheCable()) {
            cable.plugIn();
        }
    }

    private boolean compare(Card.Compare compare, Card.Entry entry) {
        Gate gate = compare.wanted();
        boolean shows = hands.state().mode() == Mode.OS || hands.state().mode() == Mode.RECOVERY;
        if (ON_THE_SCREEN.contains(gate.fact()) && !shows) {
            lacks(entry, Stuck.Kind.NO_VALUE, "Where " + gate.fact().label() + " is read in this mode.");
            return false;
        }
        if (holds(gate)) {
            note("seen", IT_IS_SO);
            compare.opener().ifPresent(cable::note);
            return true;
        }
        if (compare.opener().isEmpty()) {
            if (gate.fact() == Fact.MODEL) {
                return false;
            }
            lacks(entry, Stuck.Kind.GATE_CANNOT_OPEN, "What to do where it is not so.");
            return false;
        }
        if (SWITCHES.contains(gate.fact()) && hands.state().mode() != Mode.OS) {
            lacks(entry, Stuck.Kind.ORDER, gate.fact().label() + " is set while the system runs.");
            return false;
        }
        if (gate.fact() == Fact.CABLE) {
            cable.fetch(gate);
        } else {
            tools.arrange(gate.fact(), gate.is(), gate.atLeast());
        }
        compare.opener().ifPresent(cable::note);
        return holds(gate);
    }

    private boolean holds(Gate gate) {
        return gate.fact() == Fact.CABLE
                ? cable.suits(gate)
                : GateJudge.result(gate, setting.facts(hands.state().facts())) == Truth.YES;
    }

    private boolean work(Card.Work work, Card.Entry entry, Step box, Set<Fault> now) {
        Mode here = hands.state().mode();
        Optional<Mode> wanted = work.mode().flatMap(Mode::ofWord);
        if (wanted.filter(mode -> mode != here).isPresent()) {
            lacks(
                    entry,
                    Stuck.Kind.NO_MODE,
                    "How the phone gets from " + here.screen() + " to "
                            + wanted.get().screen() + ".");
            return false;
        }
        String words = entry.title() + " " + entry.text();
        if (PaperCable.isAboutTheKey(words)) {
            if (!cable.isBridged()) {
                lacks(
                        entry,
                        Stuck.Kind.ORDER,
                        "The phone asks for the computer's key only with debugging on and the cable in.");
                return false;
            }
            cable.note(words);
        }
        if (entry.phase() == Phase.PROVE && wanted.isEmpty() && here != Mode.OS) {
            lacks(entry, Stuck.Kind.NO_MODE, "How the phone gets from " + here.screen() + " to its system.");
            return false;
        }
        if (entry.phase() == Phase.PROVE || entry.phase() == Phase.GATHER) {
            return reads(work);
        }
        if (tools.isHousekeeping(box)) {
            // Seen to at the bench.
            return cable.around(() -> tools.keepHouse(box));
        }
        boolean works = tools.works(box);
        if (!works && work.files().isEmpty()) {
            done.add(box.id());
            return true;
        }
        if (!stands(box)) {
            note("seen", "nothing happens; what this stands on was not done");
            return false;
        }
        boolean went = lacksNothing(work, entry, box) && (works ? use(work, box, now) : passes(box));
        if (went) {
            done.add(box.id());
        }
        return went;
    }

    /** Something is done that changes nothing yet: it takes its time. */
    private boolean passes(Step box) {
        box.how()
                .flatMap(Step.Doing::normalMinutes)
                .ifPresent(minutes -> hands.does(new Stimulus.Pass(minutes * MINUTE * HALFWAY)));
        return true;
    }

    /** Whether the phone says what the card says it must. */
    private boolean reads(Card.Work work) {
        Map<Fact, String> now = hands.state().facts();
        return work.expects().entrySet().stream().allMatch(one -> one.getValue().equals(now.get(one.getKey())));
    }

    /** A tool does with one step what the steps before it have set up; a package finds what those before it have written. */
    private boolean stands(Step box) {
        return setting.sheet().steps().stream()
                .takeWhile(earlier -> !earlier.equals(box))
                .filter(earlier -> earlier.route().equals(box.route()) && earlier.phase() == Phase.DO)
                .filter(earlier -> earlier instanceof Step.Act || isStart(earlier))
                .allMatch(earlier -> done.contains(earlier.id()));
    }

    private static boolean isStart(Step step) {
        return step instanceof Step.Move move
                && move.doing().mode().filter("os"::equals).isPresent();
    }

    private boolean lacksNothing(Card.Work work, Card.Entry entry, Step box) {
        return isWhole(entry, lacking(work, tools.route(box)));
    }

    /** Whether the card lacks nothing; else the hand is stuck there. */
    private boolean isWhole(Card.Entry entry, Optional<Lack> lacking) {
        lacking.ifPresent(one -> lacks(entry, one.kind(), one.missing()));
        return lacking.isEmpty();
    }

    private Optional<Lack> lacking(Card.Work work, Route route) {
        String mode = work.mode().orElse("");
        boolean computer = mode.equals("download") || mode.equals("flash-console");
        boolean bridge = !computer && route.work().gates().stream().anyMatch(PaperBench::asksForABridge);
        boolean cut = (computer || bridge) && !cable.carriesData();
        boolean strange = bridge && !mode.equals("recovery") && !cable.isLetIn();
        return files.missing(work, computer)
                .or(() -> mode.equals("download") ? files.slotless(work) : Optional.empty())
                .or(() -> lack(cut, Stuck.Kind.NO_CABLE, "That the cable goes in."))
                .or(() -> route.work().gates().stream()
                        .filter(gate -> REFUSES.contains(gate.fact()) && !holds(gate))
                        .findFirst()
                        .map(shut -> new Lack(
                                Stuck.Kind.NO_SWITCH,
                                "That this is wanted: " + shut.fact().label() + ".")))
                .or(() -> lack(strange, Stuck.Kind.NO_SWITCH, "That debugging is on and the computer's key accepted."));
    }

    private static Optional<Lack> lack(boolean is, Stuck.Kind kind, String missing) {
        return is ? Optional.of(new Lack(kind, missing)) : Optional.empty();
    }

    private static boolean asksForABridge(Gate gate) {
        return gate.fact() == Fact.USB_DEBUGGING && gate.is().contains("on");
    }

    private boolean use(Card.Work work, Step box, Set<Fault> now) {
        if (!files.areInTheirSlots(work)) {
            note("seen", "the flasher says that this file is for another slot");
            return false;
        }
        Chosen chosen = Chosen.of(work, box);
        Stimulus.Task task = chosen.on(tools.task(box, files.taken(work), now, Person.CAREFUL));
        boolean done = hands.does(new Stimulus.Work(task));
        if (done && task.wipes()) {
            emptied();
        }
        lost |= done && task.wipes() && !box.changes().wipes();
        stays = chosen.stays();
        chosen.restarts().filter(any -> done).ifPresent(hands::does);
        return done;
    }

    private void emptied() {
        files.emptied();
        cable.forget();
    }

    /** Whether what the card prints is seen, and in the time it gives. */
    boolean sees(Card.Entry entry, Step box, double begun) {
        boolean handled = box.how().flatMap(Step.Doing::keys).isPresent()
                || box instanceof Step.Act act && !act.with().files().isEmpty();
        boolean changes = handled || box instanceof Step.Move || box instanceof Step.Plug || tools.works(box);
        if (entry.sign().isEmpty() && changes && entry.phase() != Phase.PREPARE) {
            lacks(entry, Stuck.Kind.NO_SIGN, "What is seen when it went well.");
            return false;
        }
        double passed = (hands.state().seconds() - begun) / MINUTE;
        boolean late = entry.patience().filter(minutes -> passed > minutes).isPresent()
                && box.how().isPresent();
        return !late && (box.how().isEmpty() || isKept(box) || tools.isSeen(box));
    }

    /** Seen to at the bench; the way into a mode is none of it. */
    private boolean isKept(Step box) {
        return box instanceof Step.Act && tools.isHousekeeping(box);
    }

    boolean isReached() {
        // Nobody is done with a phone that stands in a recovery.
        return hands.state().mode() == Mode.OS
                && !lost
                && setting.plan().goal().wanted().entrySet().stream()
                        .allMatch(want ->
                                want.getValue().equals(hands.state().facts().get(want.getKey())));
    }
}
