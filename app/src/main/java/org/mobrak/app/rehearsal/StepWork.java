package org.mobrak.app.rehearsal;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState;
import org.mobrak.link.bench.Cable;
import org.mobrak.link.bench.Stimulus;
import org.mobrak.link.bench.Stimulus.Image;

/** Turns a step of the sheet into what hands do, and tells whether its sign is seen. */
final class StepWork {
    private static final double USUAL_SECONDS = 60;
    private static final double HALFWAY = 0.5;
    /** A margin over what a gate asks, so that it is not shut again at once. */
    private static final int SPARE_PERCENT = 5;

    private static final int PERCENT_TO_GO_ON = 50;

    private final Setting setting;
    private final RunSheet sheet;
    private final Hands hands;
    private final Map<String, Route> routes = new HashMap<>();
    private final Map<String, Truth> suited = new HashMap<>();

    StepWork(Setting setting, Hands hands) {
        this.setting = setting;
        this.sheet = setting.sheet();
        this.hands = hands;
        setting.plan().routes().forEach(route -> routes.putIfAbsent(route.name(), route));
    }

    Route route(Step step) {
        return routes.getOrDefault(step.route(), setting.plan().routes().get(0));
    }

    /** Does a step as the sheet orders it, and nothing else; gives whether its sign is seen. */
    boolean doIt(Step step, Map<String, BenchFiles.Fetched> files, Set<Fault> faults, Person person) {
        if (step instanceof Step.Copy) {
            hands.does(new Stimulus.Arrange(Map.of(Fact.FILES_COPIED, "yes")));
            return true;
        }
        if (step instanceof Step.Plug) {
            plugIn();
            return isSeen(step);
        }
        if (step instanceof Step.Move move) {
            go(move, faults.contains(Fault.KEYS_WRONG));
            return isSeen(step);
        }
        if (route(step).isHousekeeping()) {
            return keepHouse(step);
        }
        boolean slip = faults.contains(Fault.KEYS_WRONG);
        step.how().flatMap(Step.Doing::keys).ifPresent(keys -> hands.hold(keys, slip));
        boolean done = !works(step) || hands.does(new Stimulus.Work(task(step, files, faults, person)));
        return done && isSeen(step);
    }

    /** The cable that is at hand goes in. */
    private void plugIn() {
        if (hands.state().wire().cable() == Cable.NONE) {
            hands.does(new Stimulus.Plug(Cable.DATA));
        }
    }

    /** What is ordered first, and then the keys; where nobody knows them the usual ones, as a try. */
    private void go(Step.Move move, boolean slip) {
        Mode wanted =
                move.doing().mode().flatMap(Mode::ofWord).orElse(hands.state().mode());
        if (hands.state().mode() == wanted && wanted != Mode.OS) {
            return;
        }
        if (move.first().contains(Step.First.BY_ITSELF)) {
            hands.does(new Stimulus.Restart(wanted));
            return;
        }
        move.first().forEach(this::first);
        if (move.doing().keys().isPresent()) {
            KeyChord keys = move.doing().keys().get();
            hands.hold(keys, slip);
            if (keys.isEndedByTheCable() && !slip) {
                plugIn();
            }
        } else if (wanted != Mode.OS && wanted != Mode.OFF) {
            hands.tryUsual(wanted);
        }
    }

    void first(Step.First order) {
        switch (order) {
            case UNPLUG -> hands.does(new Stimulus.Plug(Cable.NONE));
            case SWITCH_OFF, FORCE_OFF -> {
                // Whoever sees that it is off leaves it so.
                if (hands.state().mode() != Mode.OFF) {
                    hands.holdPower();
                }
            }
            case BY_ITSELF -> {
                // Only what was done before leads there.
            }
            case KEEP_RECOVERY -> hands.does(new Stimulus.KeepRecovery());
            case RESTART -> {
                // What has restarted by itself need not be restarted.
                if (hands.state().mode() != Mode.OS) {
                    hands.does(new Stimulus.Restart(Mode.OS));
                }
            }
        }
    }

    /** What a step does to a phone that a person has brought where it begins; empty where there is only something to look at. */
    Optional<Stimulus> stimulus(Step step, Map<String, BenchFiles.Fetched> files, Set<Fault> faults) {
        Step.Doing how = step.how().orElseThrow();
        if (step instanceof Step.Copy) {
            return Optional.of(new Stimulus.Arrange(Map.of(Fact.FILES_COPIED, "yes")));
        }
        if (works(step)) {
            // A tool whose list has changed does another thing once, whoever presses it; then it is read more closely.
            return Optional.of(new Stimulus.Work(task(step, files, faults, Person.HASTY)));
        }
        Optional<Mode> mode = how.mode().flatMap(Mode::ofWord);
        boolean byHand = how.keys().isEmpty()
                && mode.filter(one -> one != hands.state().mode()).isPresent();
        return byHand ? mode.map(StepWork::into) : Optional.empty();
    }

    private static Stimulus into(Mode mode) {
        return mode == Mode.OFF ? new Stimulus.SwitchOff() : new Stimulus.Restart(mode);
    }

    /** Whether the phone shows what a step should bring about, as far as that is a mode or a proof. */
    boolean isSeen(Step step) {
        if (step instanceof Step.Plug) {
            return hands.state().hasPort();
        }
        if (step instanceof Step.Copy) {
            return "yes".equals(hands.state().facts().get(Fact.FILES_COPIED));
        }
        Optional<Mode> mode = step.how().flatMap(Step.Doing::mode).flatMap(Mode::ofWord);
        boolean there = mode.isEmpty() || hands.state().mode() == mode.get();
        if (mode.filter(Mode.OS::equals).isPresent() && hands.state().asksForPassword()) {
            return false;
        }
        return there && (!(step instanceof Step.Prove) || isProved(step));
    }

    boolean isHousekeeping(Step step) {
        return route(step).isHousekeeping();
    }

    /** Whether anything is done to the phone: the last step of a route brings about what no step says of itself. */
    boolean works(Step step) {
        return step instanceof Step.Act act
                && (!act.writes().isEmpty()
                        || !brings(step).isEmpty()
                        || act.change().wipes());
    }

    Stimulus.Task task(Step step, Map<String, BenchFiles.Fetched> files, Set<Fault> faults, Person person) {
        Step.Doing how = step.how().orElseThrow();
        Optional<Mode> mode = how.mode().flatMap(Mode::ofWord);
        Route route = route(step);
        boolean computer = mode.filter(one -> one == Mode.DOWNLOAD || one == Mode.FLASH_CONSOLE)
                        .isPresent()
                || route.work().gates().stream().anyMatch(gate -> gate.fact() == Fact.USB_DEBUGGING);
        return new Stimulus.Task(
                mode.map(Set::of).orElse(Set.of()),
                computer,
                images((Step.Act) step, files),
                afterwards(step),
                step.changes().wipes(),
                suits(route),
                how.normalMinutes()
                        .map(minutes -> minutes * 60.0 * HALFWAY)
                        .filter(time -> time > 0)
                        .orElse(USUAL_SECONDS),
                faults.contains(Fault.CABLE_DROP) ? OptionalDouble.of(HALFWAY) : OptionalDouble.empty(),
                !faults.contains(Fault.SCRIPTED_TOOL_MENU_CHANGED) || person == Person.CAREFUL);
    }

    /** What is written where: by the files that the route has for it, as their bytes say, and else by the tool itself. */
    private static Map<PartitionClass, Image> images(Step.Act step, Map<String, BenchFiles.Fetched> files) {
        Map<PartitionClass, Image> images = new EnumMap<>(PartitionClass.class);
        step.writes().stream()
                .filter(where -> where != PartitionClass.APP)
                .forEach(where -> images.put(where, Image.RIGHT));
        for (BenchFiles.Fetched file : files.values()) {
            boolean meant =
                    file.wanted().partition().filter(step.writes()::contains).isPresent();
            if (meant) {
                // Two files may go to one class of partition; the worse one decides.
                file.images().forEach((where, image) -> images.merge(where, image, StepWork::worse));
            }
        }
        return images;
    }

    private static Image worse(Image one, Image other) {
        return one.compareTo(other) >= 0 ? one : other;
    }

    /** What a step brings about; a wipe empties the storage first, and sets the switches back. */
    private Map<Fact, String> afterwards(Step step) {
        Map<Fact, String> after = new EnumMap<>(Fact.class);
        if (step.changes().wipes()) {
            Aftermath.wiped(setting.facts(hands.state().inside().facts()))
                    .forEach((fact, value) -> value.ifPresent(known -> after.put(fact, known)));
        }
        after.putAll(brings(step));
        return after;
    }

    /** What is so after a step, on the phone itself: the sheet may only believe it later. */
    private Map<Fact, String> brings(Step step) {
        Map<Fact, String> brought = new EnumMap<>(Fact.class);
        Map<Fact, String> said = said(step);
        route(step).changes().effects().forEach((fact, value) -> {
            if (said.containsKey(fact)) {
                brought.put(fact, said.get(fact));
            } else if (bringer(step, fact).filter(step::equals).isPresent()) {
                brought.put(fact, value);
            }
        });
        return brought;
    }

    /** What the author says of this very step. */
    private Map<Fact, String> said(Step step) {
        return route(step).steps().stream()
                .filter(one -> step instanceof Step.Act && one.title().equals(step.title()))
                .findFirst()
                .map(RouteStep::effects)
                .orElse(Map.of());
    }

    /** The act by which a route brings something about. */
    private Optional<Step> bringer(Step among, Fact fact) {
        List<Step> acts = sheet.steps().stream()
                .filter(one ->
                        one instanceof Step.Act && one.route().equals(among.route()) && one.phase() != Phase.TIDY)
                .toList();
        Optional<Step> said = route(among).steps().stream()
                .filter(one -> one.effects().containsKey(fact))
                .flatMap(one -> acts.stream().filter(act -> act.title().equals(one.title())))
                .findFirst();
        boolean mark = fact == Fact.WARRANTY_FUSE || fact == Fact.CUSTOM_WRITES;
        Optional<Step> writer = acts.stream()
                .filter(act -> ((Step.Act) act)
                        .writes().stream()
                                .anyMatch(where -> mark || holds(where).contains(fact)))
                .reduce((earlier, later) -> mark ? earlier : later);
        return said.or(() -> writer).or(() -> acts.stream().reduce((earlier, later) -> later));
    }

    /** What is told by the content of a partition. */
    private static Set<Fact> holds(PartitionClass where) {
        Set<Fact> facts = EnumSet.noneOf(Fact.class);
        facts.addAll(Aftermath.facts(where));
        if (where == PartitionClass.RECOVERY) {
            facts.add(Fact.RECOVERY);
        }
        return facts;
    }

    private boolean isBroughtLater(Step proof, Fact fact) {
        return sheet.steps().stream()
                .dropWhile(one -> !one.equals(proof))
                .filter(one -> one instanceof Step.Act && one.route().equals(proof.route()))
                .anyMatch(one -> brings(one).containsKey(fact));
    }

    /** A proof shows what the phone is, whatever the sheet expects. */
    private boolean isProved(Step step) {
        Map<Fact, String> wanted = new EnumMap<>(Fact.class);
        route(step).changes().effects().forEach((fact, value) -> {
            boolean shown = fact != Fact.IMAGE_BACKUP && fact != Fact.APP_BACKUP && !isBroughtLater(step, fact);
            if (fact.domain().words().contains(value) && shown) {
                wanted.put(fact, value);
            }
        });
        Map<Fact, String> now = hands.state().facts();
        boolean proofOfRecovery = hands.state().mode() == Mode.RECOVERY;
        return wanted.entrySet().stream()
                .filter(want -> !proofOfRecovery || want.getKey() == Fact.RECOVERY)
                .allMatch(want -> want.getValue().equals(now.get(want.getKey())));
    }

    /** Judged once, when the route begins: what it does itself is no reason against it. */
    private Truth suits(Route route) {
        return suited.computeIfAbsent(
                route.id(), id -> setting.suits(route, hands.state().inside().facts()));
    }

    /** Housekeeping is done at the bench: a switch, a card, a backup, the charger. */
    boolean keepHouse(Step step) {
        boolean all = true;
        for (Map.Entry<Fact, String> one : brings(step).entrySet()) {
            Optional<Integer> least = one.getKey() == Fact.BATTERY_PERCENT
                    ? Optional.of(Integer.parseInt(one.getValue()))
                    : Optional.empty();
            all &= arrange(one.getKey(), List.of(one.getValue()), least);
        }
        return all;
    }

    /** Brings something about at the bench; gives whether a person can. */
    boolean arrange(Fact fact, List<String> is, Optional<Integer> atLeast) {
        BenchState state = hands.state();
        if (fact == Fact.BATTERY_PERCENT) {
            return hands.does(new Stimulus.Charge(Math.min(100, atLeast.orElse(0) + SPARE_PERCENT)));
        }
        if (fact == Fact.CABLE) {
            return hands.does(new Stimulus.Plug(is.contains("data") ? Cable.DATA : Cable.FACTORY));
        }
        boolean can = fact.group() == Fact.Group.BENCH
                && fact != Fact.HOST_OS
                && !"absent".equals(state.facts().get(fact));
        return can && !is.isEmpty() && hands.does(new Stimulus.Arrange(Map.of(fact, is.get(is.size() - 1))));
    }

    /** What a remedy's words say, at the phone and at the bench. */
    void mend(PrintedRemedy said) {
        for (PrintedRemedy.Deed deed : said.deeds()) {
            switch (deed) {
                case DRIVER -> hands.does(new Stimulus.Driver(true));
                case REPLUG ->
                    hands.does(new Stimulus.Plug(
                            hands.state().wire().cable().carriesData()
                                    ? hands.state().wire().cable()
                                    : Cable.DATA));
                case CHARGE -> arrange(Fact.BATTERY_PERCENT, List.of(), Optional.of(PERCENT_TO_GO_ON));
                case FORCE_OFF -> {
                    if (hands.state().mode() != Mode.OFF) {
                        hands.holdPower();
                    }
                }
                case INTO_RECOVERY -> said.keys().ifPresent(this::intoRecovery);
                case LIGHT_WIPE -> hands.does(new Stimulus.LightWipe());
                case FORMAT -> hands.does(new Stimulus.FormatData());
                case RESTORE, AGAIN -> {
                    // The step itself is done once more; a copy is brought back by a plan of its own.
                }
            }
        }
    }

    private void intoRecovery(KeyChord keys) {
        if (hands.state().mode() != Mode.OFF) {
            hands.holdPower();
        }
        hands.hold(keys, false);
    }

    /** Cable, driver, connection and card as they should be. */
    void setBenchRight() {
        if (!hands.state().wire().cable().carriesData()) {
            hands.does(new Stimulus.Plug(Cable.DATA));
        }
        hands.does(new Stimulus.Driver(true));
        hands.does(new Stimulus.Arrange(Map.of(Fact.INTERNET, "yes", Fact.CARD, "yes")));
        if (hands.state().battery() < 20) {
            hands.does(new Stimulus.Charge(50));
        }
    }

    /** The step before this one that must be done again: what it wrote is gone, or runs no more. */
    Optional<Step> toRepeat(Step step, Job job) {
        BenchState state = hands.state();
        return sheet.steps().stream()
                .takeWhile(earlier -> !earlier.equals(step))
                .filter(earlier -> job.isTicked(earlier) && earlier instanceof Step.Act)
                .filter(earlier -> isUndone((Step.Act) earlier, state))
                .reduce((earlier, later) -> later);
    }

    private boolean isUndone(Step.Act act, BenchState state) {
        boolean broken = act.writes().stream().anyMatch(state.inside().broken()::contains);
        boolean gone = act.writes().contains(PartitionClass.RECOVERY)
                && "custom".equals(brings(act).getOrDefault(Fact.RECOVERY, "custom"))
                && "stock".equals(state.facts().get(Fact.RECOVERY));
        return broken || gone;
    }

    /** Stock firmware over whatever does not run; a workshop has it at hand (our own choice). */
    void writeStock(Map<Fact, String> asItWas) {
        hands.bringTo(Mode.DOWNLOAD);
        Map<PartitionClass, Image> images = new EnumMap<>(PartitionClass.class);
        hands.state().inside().broken().forEach(where -> images.put(where, Image.RIGHT));
        images.put(PartitionClass.SYSTEM, Image.RIGHT);
        images.put(PartitionClass.KERNEL, Image.RIGHT);
        images.put(PartitionClass.RECOVERY, Image.RIGHT);
        Map<Fact, String> back = new EnumMap<>(Fact.class);
        for (Fact fact :
                Set.of(Fact.OS_VERSION, Fact.BUILD_NUMBER, Fact.KERNEL_RELEASE, Fact.INCREMENTAL, Fact.BUILD_ID)) {
            Optional.ofNullable(asItWas.get(fact)).ifPresent(value -> back.put(fact, value));
        }
        back.putAll(
                Map.of(Fact.RECOVERY, "stock", Fact.ROOT, "none", Fact.KERNEL_KIND, "stock", Fact.OS_KIND, "stock"));
        hands.does(new Stimulus.Work(new Stimulus.Task(
                Set.of(Mode.DOWNLOAD, Mode.FLASH_CONSOLE),
                true,
                images,
                back,
                false,
                Truth.YES,
                USUAL_SECONDS,
                OptionalDouble.empty(),
                true)));
    }
}
