package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Plan;

/**
 * Puts the steps of a plan in their order. What several routes ask alike is asked once; a gate stands directly before the route
 * that needs it, and again only where something between may have shut it.
 */
final class SheetWriter {
    private final Plan plan;
    private final SheetGates gates;
    private final Copies copies;
    private final Passage passage;
    private final Map<Route, String> cautions = new IdentityHashMap<>();
    private final Map<Route, Map<Fact, String>> expected = new IdentityHashMap<>();

    SheetWriter(Plan plan, Catalogue catalogue, Facts facts) {
        this.plan = plan;
        this.gates = new SheetGates(plan, catalogue, facts);
        this.copies = new Copies(plan, facts);
        String model = facts.value(Fact.MODEL).orElse("");
        this.passage = Passage.of(catalogue.phone(model).map(KnownPhone::family), facts);
        Facts here = facts;
        for (Route route : plan.routes()) {
            String care = FitCheck.alone(catalogue, route, here, Optional.empty()).clauses().stream()
                    .filter(clause -> clause.kind() == Clause.Kind.DANGER)
                    .flatMap(clause -> clause.doubt().stream())
                    .map(Clause.Doubt::words)
                    .collect(Collectors.joining(" "));
            cautions.put(route, care);
            expected.put(route, Expected.after(route, here));
            here = here.after(Aftermath.of(route, here));
        }
    }

    RunSheet sheet() {
        List<Step> steps = new ArrayList<>(gather());
        List<Step> done = new ArrayList<>(prepare());
        done.addAll(work());
        steps.addAll(passage.through(done));
        steps.addAll(tidy());
        Set<PartitionClass> writes = plan.routes().stream()
                .flatMap(route -> route.changes().writes().stream())
                .collect(Collectors.toSet());
        Optional<String> money = plan.money().map(Money::text);
        return new RunSheet(plan.title(), numbered(steps), writes, money, Optional.empty());
    }

    private List<Step> gather() {
        List<Step> steps = new ArrayList<>(Fetches.tools(plan.routes()));
        steps.addAll(Fetches.files(plan.routes()));
        working().forEach(route -> steps.addAll(own(route, Phase.GATHER)));
        return steps;
    }

    /** What makes the bench ready before anything is done, then what the routes want prepared, then the first gates. */
    private List<Step> prepare() {
        List<Step> steps = new ArrayList<>();
        List<Step> inRecovery = new ArrayList<>();
        Set<Fact> broughtThere = EnumSet.noneOf(Fact.class);
        for (int i = 0; i < plan.routes().size() && isHousekeepingUpTo(i); i++) {
            // What the system does is done while it runs; the recovery has its turn once, at the end.
            boolean recovery = isInRecovery(plan.routes().get(i));
            List<Step> turn = recovery ? inRecovery : steps;
            turn.addAll(gates.before(i, Phase.PREPARE));
            turn.addAll(own(plan.routes().get(i), Phase.PREPARE));
            if (recovery) {
                broughtThere.addAll(plan.routes().get(i).changes().effects().keySet());
            }
        }
        List<Step> gates = firstWork()
                .map(first -> this.gates.before(first, Phase.PREPARE))
                .orElse(List.of());
        Predicate<Step> there = gate ->
                gate.gate().map(Gate::fact).filter(broughtThere::contains).isPresent();
        // Switches before what needs them, the cable before what goes through it, and at last what was only just so.
        gates.stream()
                .filter(gate -> !isLate(gate) && there.negate().test(gate))
                .forEach(steps::add);
        List<Step> early = firstWork().map(copies::early).orElse(List.of());
        if (!early.isEmpty() || asksForABridge()) {
            steps.add(Passage.plug(plan.routes().get(firstWork().orElse(0)).name(), Phase.PREPARE));
        }
        List<Step> own = new ArrayList<>();
        working().forEach(route -> own.addAll(own(route, Phase.PREPARE)));
        steps.addAll(firstOfEach(own));
        steps.addAll(early);
        steps.addAll(inRecovery);
        gates.stream().filter(there).forEach(steps::add);
        gates.stream().filter(SheetWriter::isLate).forEach(steps::add);
        return steps;
    }

    private static boolean isInRecovery(Route housekeeping) {
        return housekeeping.steps().stream()
                .anyMatch(step -> step.mode().filter("recovery"::equals).isPresent());
    }

    /** The model is compared and the battery read directly before the work, after all that takes its time. */
    private static boolean isLate(Step gate) {
        return gate.gate()
                .map(Gate::fact)
                .filter(fact -> fact == Fact.MODEL || fact == Fact.BATTERY_PERCENT)
                .isPresent();
    }

    private boolean asksForABridge() {
        return firstWork()
                .filter(first -> plan.routes().get(first).gates().stream().anyMatch(Passage::asksForABridge))
                .isPresent();
    }

    /** Route by route; housekeeping after the first change is part of the doing. */
    private List<Step> work() {
        List<Step> steps = new ArrayList<>();
        int first = firstWork().orElse(plan.routes().size());
        for (int i = first; i < plan.routes().size(); i++) {
            Route route = plan.routes().get(i);
            List<Step> asked = i > first ? gates.before(i, Phase.DO) : List.of();
            asked.stream().filter(gate -> !isLate(gate)).forEach(steps::add);
            List<Step> last = asked.stream().filter(SheetWriter::isLate).toList();
            steps.addAll(route.isHousekeeping() ? keeping(route, last) : working(i, last));
        }
        return steps;
    }

    private List<Step> keeping(Route housekeeping, List<Step> last) {
        List<Step> steps = new ArrayList<>(last);
        own(housekeeping, Phase.PREPARE)
                .forEach(step -> steps.add(step.with(step.line().in(Phase.DO))));
        return steps;
    }

    /** What a route does. What can only be copied late is copied after its own wipe, else before what is read last of all. */
    private List<Step> working(int index, List<Step> last) {
        Route route = plan.routes().get(index);
        List<Step> own = told(route, own(route, Phase.DO, Phase.PROVE));
        int wiped = afterTheWipe(own);
        List<Step> steps = new ArrayList<>(last);
        steps.addAll(own.subList(0, wiped));
        steps.addAll(wiped == 0 ? 0 : steps.size(), copies.late(index));
        steps.addAll(own.subList(wiped, own.size()));
        return steps;
    }

    /** What is done and proved, each with what stands on no other page. */
    private List<Step> told(Route route, List<Step> own) {
        return expecting(route, paying(route, permitted(route, minding(route, careful(route, own)))));
    }

    /** What asks for care in the state the phone is in then is told with the first thing that is done. */
    private List<Step> careful(Route route, List<Step> own) {
        String care = cautions.getOrDefault(route, "");
        if (care.isEmpty() || own.isEmpty()) {
            return own;
        }
        List<Step> told = new ArrayList<>(own);
        told.set(0, saying(own.get(0), "Take care: " + care));
        return told;
    }

    /** With which rights a program is started stands with the first thing that is done in it. */
    private static List<Step> permitted(Route route, List<Step> own) {
        String rights = route.work().tools().stream()
                .filter(tool -> tool.rights().isPresent())
                .map(tool -> "Start %s with the rights of an %s."
                        .formatted(tool.name(), tool.rights().orElseThrow()))
                .collect(Collectors.joining(" "));
        Optional<Step> first = own.stream()
                .filter(step -> step instanceof Step.Act act
                        && act.doing().keys().isEmpty()
                        && !act.with().byItself())
                .findFirst();
        if (rights.isEmpty() || first.isEmpty()) {
            return own;
        }
        return own.stream()
                .map(step -> step.equals(first.get()) ? sayingFirst(step, rights) : step)
                .toList();
    }

    /** The price stands where it is paid, and not before what is free. */
    private static List<Step> paying(Route route, List<Step> own) {
        return own.stream()
                .map(step -> route.costs()
                        .money()
                        .filter(any ->
                                step instanceof Step.Act act && act.with().paid())
                        .map(price -> saying(step, "It costs " + price.text() + "."))
                        .orElse(step))
                .toList();
    }

    /** Each proof says what must be read where it is made: what was brought about by then, and what must have stayed. */
    private List<Step> expecting(Route route, List<Step> own) {
        Map<Fact, String> after = new EnumMap<>(expected.getOrDefault(route, Map.of()));
        Map<Fact, String> byThen = new EnumMap<>(Fact.class);
        List<Step> told = new ArrayList<>();
        for (int i = 0; i < own.size(); i++) {
            Step step = own.get(i);
            byThen.putAll(Expected.values(step.changes().effects()));
            if (!(step instanceof Step.Prove proof)) {
                told.add(step);
                continue;
            }
            boolean last = own.subList(i, own.size()).stream().allMatch(Step.Prove.class::isInstance);
            Map<Fact, String> here =
                    Expected.readable(last ? after : byThen, proof.doing().mode());
            (last ? after : byThen).keySet().removeAll(here.keySet());
            told.add(new Step.Prove(proof.line(), proof.doing(), proof.rung(), proof.change(), here));
        }
        return told;
    }

    /** Behind the last wipe that something follows which writes; what can only be copied late is copied there. */
    private static int afterTheWipe(List<Step> own) {
        int at = 0;
        for (int i = 0; i + 1 < own.size(); i++) {
            boolean follows = own.subList(i + 1, own.size()).stream()
                    .anyMatch(step ->
                            step instanceof Step.Act act && !act.writes().isEmpty());
            if (own.get(i).changes().wipes() && follows) {
                at = i + 1;
            }
        }
        return at;
    }

    /** What the author warns of stands on the step that writes first, and not on another page. */
    private static List<Step> minding(Route route, List<Step> own) {
        String hazards = String.join(" ", route.notes().hazards());
        Optional<Step> writing = own.stream()
                .filter(step -> step instanceof Step.Act act && !act.writes().isEmpty())
                .findFirst();
        if (hazards.isEmpty() || writing.isEmpty()) {
            return own;
        }
        return own.stream()
                .map(step -> step.equals(writing.get()) ? saying(step, "Mind: " + hazards) : step)
                .toList();
    }

    private static Step sayingFirst(Step step, String before) {
        Step.Line line = step.line();
        return step.with(line(line.route(), line.phase(), line.title(), before + " " + line.text()));
    }

    private static Step saying(Step step, String more) {
        Step.Line line = step.line();
        return step.with(line(line.route(), line.phase(), line.title(), line.text() + " " + more));
    }

    private List<Step> tidy() {
        List<Step> all = new ArrayList<>();
        working().forEach(route -> all.addAll(own(route, Phase.TIDY)));
        return firstOfEach(all);
    }

    private List<Route> working() {
        return plan.routes().stream().filter(route -> !route.isHousekeeping()).toList();
    }

    /** Whether a route and all before it only make the bench ready. */
    private boolean isHousekeepingUpTo(int index) {
        return plan.routes().subList(0, index + 1).stream().allMatch(Route::isHousekeeping);
    }

    /** The place of the first route that does anything to the phone. */
    private Optional<Integer> firstWork() {
        for (int i = 0; i < plan.routes().size(); i++) {
            if (!plan.routes().get(i).isHousekeeping()) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /** What two routes ask in the same words is asked once. */
    private static List<Step> firstOfEach(List<Step> steps) {
        Map<String, Step> first = new LinkedHashMap<>();
        steps.forEach(step -> first.putIfAbsent(step.title() + '\n' + step.text(), step));
        return List.copyOf(first.values());
    }

    private List<Step> own(Route route, Phase... phases) {
        // What is copied, and where to, is said file by file.
        if (route.isHousekeeping() && route.changes().effects().keySet().equals(Set.of(Fact.FILES_COPIED))) {
            return List.of();
        }
        RouteSteps steps = new RouteSteps(route);
        return route.steps().stream()
                .filter(step -> Arrays.asList(phases).contains(step.phase()))
                .map(steps::step)
                .toList();
    }

    static Step.Ready ready(String route, Gate gate, Phase phase) {
        return ready(route, gate, phase, "");
    }

    /** @param how what to do where the gate is shut, to stand behind its reason */
    static Step.Ready ready(String route, Gate gate, Phase phase, String how) {
        String wanted = gate.atLeast().map(least -> "at least " + least).orElse(String.join(" or ", gate.is()));
        return new Step.Ready(
                line(route, phase, gate.fact().label() + ": " + wanted, gate.why() + how), gate, overridable(gate));
    }

    /** What keeps a phone from being ended for good is passed by nobody (our own choice). */
    private static boolean overridable(Gate gate) {
        boolean bootloader =
                gate.fact() == Fact.BATTERY_PERCENT && gate.atLeast().orElse(0) >= PartitionClass.BOOTLOADER.battery();
        return gate.fact() != Fact.MODEL && !bootloader;
    }

    static Step.Line line(String route, Phase phase, String title, String text) {
        return new Step.Line("", phase, route, title, text);
    }

    static String id(Phase phase, int number) {
        return phase.label().toLowerCase(Locale.ROOT) + "-" + number;
    }

    private static List<Step> numbered(List<Step> steps) {
        Map<Phase, Integer> counts = new EnumMap<>(Phase.class);
        return steps.stream()
                .map(step -> step.with(id(step.phase(), counts.merge(step.phase(), 1, Integer::sum))))
                .toList();
    }
}
