package org.mobrak.core.catalogue.file;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Otherwise;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.Rulers;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.identity.build.VersionOrder;

/** What no schema can see: whether a route can ever fit, gains anything, and says what a person needs to know. */
final class RouteChecks {
    private final Route route;
    private final FaultList faults;

    private RouteChecks(Entry<Route> entry) {
        this.route = entry.value();
        this.faults = new FaultList(entry);
    }

    /** Every fault and warning of one route, held against the phones, grammars and holes that are known. */
    static List<Fault> of(Entry<Route> entry, Models models, Rulers rulers, Set<String> holes) {
        RouteChecks checks = new RouteChecks(entry);
        checks.targets(models);
        checks.overlaps();
        new ScopeChecks(entry.value(), rulers, checks.faults).check();
        new ChangeChecks(entry.value(), checks.faults).check();
        new LeaningChecks(entry.value(), checks.faults).check();
        checks.gain();
        checks.contradictions();
        checks.holes(holes);
        checks.files();
        checks.steps();
        new HandChecks(entry.value(), checks.faults).check();
        return checks.faults.all();
    }

    /** Every fault and warning that shows in a route alone, whatever catalogue it lands in. */
    static List<Fault> ofItself(Entry<Route> entry) {
        RouteChecks checks = new RouteChecks(entry);
        new ScopeChecks(entry.value(), Rulers.none(), checks.faults).checkDeadly();
        new ChangeChecks(entry.value(), checks.faults).check();
        checks.files();
        checks.steps();
        new HandChecks(entry.value(), checks.faults).check();
        return checks.faults.all();
    }

    private void targets(Models models) {
        for (int i = 0; i < route.fits().phones().size(); i++) {
            String model = route.fits().phones().get(i).model();
            if (!models.hold(model)) {
                faults.fault(
                        "/fits/phones/" + i,
                        "Model " + model + " is in no phone file.",
                        "Add it there, or mend the number.");
            }
        }
    }

    /** The same phone named twice may be told two things; a build that works and does not work is told both. */
    private void overlaps() {
        List<Route.Target> phones = route.fits().phones();
        Set<List<Object>> seen = new HashSet<>();
        for (int i = 0; i < phones.size(); i++) {
            Route.Target target = phones.get(i);
            String pointer = "/fits/phones/" + i;
            if (!seen.add(List.of(target.model(), target.osVersion(), target.bootloader()))) {
                faults.warning(
                        pointer,
                        "Model %s with the same OS version and bootloader stands twice.".formatted(target.model()),
                        "Join the two, with all their builds.");
            }
            target.builds().stream()
                    .filter(build -> route.fits().excludedBuilds().stream()
                            .anyMatch(exclusion -> TextPattern.matches(exclusion.build(), build)))
                    .forEach(build -> faults.fault(
                            pointer, "Build %s is both listed and excluded.".formatted(build), "Drop one of the two."));
        }
    }

    private void gain() {
        if (!route.changes().effects().isEmpty()
                && route.changes().effects().entrySet().stream().allMatch(this::isAskedFor)) {
            faults.warning(
                    "/changes/effects",
                    "The route needs all that it brings about, so it gains nothing.",
                    "Maybe an effect is missing.");
        }
    }

    private boolean isAskedFor(Map.Entry<Fact, String> effect) {
        return allowed().getOrDefault(effect.getKey(), Set.of()).equals(Set.of(effect.getValue()));
    }

    /** For each fact that is asked for by its values, the values that all conditions leave. */
    private Map<Fact, Set<String>> allowed() {
        Map<Fact, Set<String>> allowed = new HashMap<>();
        for (Condition condition : route.fits().requires()) {
            if (condition instanceof Condition.OneOf some) {
                allowed.merge(some.fact(), Set.copyOf(some.values()), RouteChecks::common);
            }
        }
        for (Condition condition : route.fits().requires()) {
            if (condition instanceof Condition.Not not
                    && not.part() instanceof Condition.OneOf some
                    && allowed.containsKey(some.fact())) {
                Set<String> left = new HashSet<>(allowed.get(some.fact()));
                some.values().forEach(left::remove);
                allowed.put(some.fact(), left);
            }
        }
        return allowed;
    }

    private static Set<String> common(Set<String> one, Set<String> other) {
        Set<String> both = new HashSet<>(one);
        both.retainAll(other);
        return both;
    }

    private void contradictions() {
        allowed().forEach((fact, values) -> {
            if (values.isEmpty()) {
                faults.fault(
                        "/fits/requires",
                        "No value of " + fact.label() + " meets all conditions, so the route can never fit.",
                        "Join them with anyOf, or drop one.");
            }
        });
        for (int i = 0; i < route.fits().requires().size(); i++) {
            if (route.fits().requires().get(i) instanceof Condition.Between range && isUpsideDown(range)) {
                faults.fault(
                        "/fits/requires/" + i,
                        "The bounds are the wrong way round, so the route can never fit.",
                        "Exchange atLeast and atMost.");
            }
        }
    }

    private static boolean isUpsideDown(Condition.Between range) {
        return range.atLeast().isPresent()
                && range.atMost().isPresent()
                && VersionOrder.compare(range.atLeast().get(), range.atMost().get())
                                .orElse(0)
                        > 0;
    }

    private void holes(Set<String> known) {
        List<Condition> requires = route.fits().requires();
        for (int i = 0; i < requires.size(); i++) {
            String pointer = "/fits/requires/" + i;
            requires.get(i).leaves().forEach(leaf -> {
                if (leaf instanceof Condition.HoleOpen hole && !known.contains(hole.id())) {
                    faults.fault(
                            pointer, hole.id() + " is in no file under holes.", "Add it there, or mend the number.");
                }
            });
        }
    }

    /** A file that can brick for good is the one that is checked hardest. */
    private void files() {
        boolean deadly = route.changes().writes().stream().anyMatch(PartitionClass::canBrickForGood);
        for (int i = 0; i < route.work().files().size(); i++) {
            NeededFile needed = route.work().files().get(i);
            if (deadly
                    && needed.partition()
                            .filter(PartitionClass::canBrickForGood)
                            .isPresent()
                    && !needed.hasDigest()) {
                faults.fault(
                        "/work/files/" + i,
                        needed.name() + " can brick the phone for good and has no checksum.",
                        "Give its md5, sha1 or sha256, and its size.");
            }
        }
    }

    private void steps() {
        for (int i = 0; i < route.work().steps().size(); i++) {
            RouteStep step = route.work().steps().get(i);
            String pointer = "/work/steps/" + i;
            boolean acts = step.phase() == Phase.DO || step.phase() == Phase.PROVE;
            if (acts && step.sign().isEmpty()) {
                faults.warning(
                        pointer,
                        "“" + step.title() + "” has no sign that it worked.",
                        "Say what the person should see.");
            }
            if (step.normalUntil().isPresent()
                    && step.worryAfter().isPresent()
                    && step.worryAfter().get() < step.normalUntil().get()) {
                faults.fault(
                        pointer,
                        "“" + step.title() + "” worries before it is done.",
                        "worryAfter must not be below normalUntil.");
            }
            change(step, pointer);
            ways(step, pointer);
        }
    }

    /** Ways to choose between are of one kind, and each is told once. */
    private void ways(RouteStep step, String pointer) {
        List<Habit> told = Stream.concat(step.by().stream(), step.or().stream().map(Otherwise::by))
                .toList();
        boolean oneKind = told.stream().map(Habit::kind).distinct().count() <= 1;
        boolean sound = oneKind
                && (step.or().isEmpty() || step.by().isPresent())
                && told.size() == Set.copyOf(told).size();
        if (!sound) {
            faults.fault(
                    pointer + "/or",
                    "The ways of “" + step.title() + "” are not of one kind, or one is told twice.",
                    "Say with by which way the step itself tells, and give each other way once.");
        }
    }

    /** A step does no more than its route. */
    private void change(RouteStep step, String pointer) {
        Set<PartitionClass> written = EnumSet.noneOf(PartitionClass.class);
        written.addAll(route.changes().writes());
        if (route.changes().wipesData()) {
            written.add(PartitionClass.DATA);
        }
        if (!written.containsAll(step.writes())
                || !route.changes()
                        .effects()
                        .keySet()
                        .containsAll(step.effects().keySet())) {
            faults.fault(
                    pointer,
                    "“" + step.title() + "” changes more than its route.",
                    "Name it under changes too, or take it out here.");
        }
        if (step.rung().isPresent() && step.phase() != Phase.PROVE) {
            faults.fault(pointer, "“" + step.title() + "” has a rung but is no proof.", "Take the rung out.");
        }
    }
}
