package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.catalogue.Act;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;

/**
 * Judges by the definition and by nothing else: it makes every world that the readings allow and asks in each, with plain yes
 * and no, whether the route fits. It shares no line with the judge that it is held against, knows no sentence, and is slow.
 *
 * @param values what each fact may be: one value where it was read, several where readings disagree, all where nobody read it
 * @param read the facts of which there is a reading that can be
 */
record NaiveJudge(Catalogue catalogue, Map<Fact, List<String>> values, Set<Fact> read) {
    /** That there is none, as there is no patch level on old systems. */
    static final String NONE = "";

    /** A version of another system, with no place among the versions. */
    static final String OTHER_SYSTEM = "5.1L";

    private static final Set<Fact> BATTERY =
            EnumSet.of(Fact.BATTERY_BODY, Fact.BATTERY_HEALTH, Fact.BATTERY_TEMPERATURE, Fact.TROUBLE);
    private static final List<Fact> NAMES = List.of(Fact.BUILD_NUMBER, Fact.INCREMENTAL, Fact.BUILD_ID);
    private static final int MOST_WORLDS = 1_500;

    /** How it is in one world: it fits, it fits but may turn out otherwise for a reason that is told, it does not. */
    enum Answer {
        NO,
        DOUBTFUL,
        YES;

        Answer and(Answer other) {
            return compareTo(other) < 0 ? this : other;
        }

        static Answer of(boolean yes) {
            return yes ? YES : NO;
        }
    }

    /** The answers of all worlds; empty where there are too many to try. */
    Optional<Set<Answer>> answers(Route route) {
        Set<Answer> seen = EnumSet.noneOf(Answer.class);
        List<Fact> facts = touched(route).stream().sorted().toList();
        long worlds = 1;
        for (Fact fact : facts) {
            worlds *= values.getOrDefault(fact, List.of(NONE)).size();
            if (worlds > MOST_WORLDS) {
                return Optional.empty();
            }
        }
        // Once a route is seen to go each way, further worlds tell nothing.
        each(facts, 0, new EnumMap<>(Fact.class), world -> {
            seen.add(fits(route, world));
            return seen.size() < Answer.values().length;
        });
        return Optional.of(seen);
    }

    /** Goes through the worlds until somebody has seen enough; whether nobody had. */
    private boolean each(List<Fact> facts, int at, Map<Fact, String> world, Predicate<Map<Fact, String>> goOn) {
        if (at == facts.size()) {
            return !canBe(world) || goOn.test(world);
        }
        for (String value : values.getOrDefault(facts.get(at), List.of(NONE))) {
            world.put(facts.get(at), value);
            if (!each(facts, at + 1, world, goOn)) {
                return false;
            }
        }
        return true;
    }

    /** Systems before 4.4 have no patch level that anybody could not have read, those from 6 on have one. */
    private boolean canBe(Map<Fact, String> world) {
        String os = world.get(Fact.OS_VERSION);
        String patch = world.get(Fact.PATCH_LEVEL);
        if (os == null || patch == null || read.contains(Fact.PATCH_LEVEL) || os.equals(OTHER_SYSTEM)) {
            return true;
        }
        return patch.equals(NONE) ? order(os, "6") < 0 : order(os, "4.4") >= 0;
    }

    Set<Fact> touched(Route route) {
        Set<Fact> facts = EnumSet.noneOf(Fact.class);
        facts.addAll(BATTERY);
        if (!route.fits().phones().isEmpty()) {
            facts.addAll(EnumSet.of(Fact.MODEL, Fact.OS_VERSION, Fact.BOOTLOADER, Fact.CARRIER));
            facts.addAll(NAMES);
        }
        if (!route.fits().excludedBuilds().isEmpty()) {
            facts.addAll(NAMES);
        }
        Stream<Condition> conditions = Stream.concat(
                route.fits().requires().stream(),
                catalogue.dangers().stream()
                        .filter(danger -> forbids(danger, route))
                        .map(Danger::when));
        conditions.flatMap(Condition::facts).forEach(facts::add);
        if (facts.contains(Fact.PATCH_LEVEL)) {
            facts.add(Fact.OS_VERSION);
        }
        return facts;
    }

    private Answer fits(Route route, Map<Fact, String> world) {
        Answer answer = battery(world);
        if (!route.fits().phones().isEmpty()) {
            Answer best = Answer.NO;
            for (Route.Target entry : route.fits().phones()) {
                Answer one = entry(route, entry, world);
                best = one.compareTo(best) > 0 ? one : best;
            }
            answer = answer.and(best);
        }
        for (Route.Exclusion exclusion : route.fits().excludedBuilds()) {
            answer = answer.and(Answer.of(NAMES.stream()
                    .noneMatch(name -> like(fold(exclusion.build()), fold(world.getOrDefault(name, NONE))))));
        }
        for (Danger danger : catalogue.dangers()) {
            boolean counts = danger.severity() == Danger.Severity.STOP && forbids(danger, route);
            answer = answer.and(Answer.of(!counts || !isThere(danger, world)));
        }
        for (Condition condition : route.fits().requires()) {
            answer = answer.and(holds(condition, world, false));
        }
        return answer;
    }

    /** One that is passed over while nobody knows is there only if it is for sure, whatever nobody has read. */
    private boolean isThere(Danger danger, Map<Fact, String> world) {
        if (danger.asks()) {
            return holds(danger.when(), world, true) != Answer.NO;
        }
        // Whether there is a patch level at all is told by the version of the OS.
        List<Fact> unread = danger.when()
                .facts()
                .flatMap(fact -> fact == Fact.PATCH_LEVEL ? Stream.of(fact, Fact.OS_VERSION) : Stream.of(fact))
                .filter(fact -> !read.contains(fact))
                .distinct()
                .toList();
        return each(unread, 0, new EnumMap<>(world), some -> holds(danger.when(), some, true) == Answer.YES);
    }

    private static boolean forbids(Danger danger, Route route) {
        return danger.forbids().contains(Act.ANYTHING)
                || danger.forbids().contains(Act.WIPE) && route.changes().wipesData();
    }

    /** Of a battery that nobody looked at, nobody says that it may burn. */
    private Answer battery(Map<Fact, String> world) {
        boolean burns = seen(world, Fact.BATTERY_BODY, "swollen")
                || seen(world, Fact.BATTERY_BODY, "damaged")
                || seen(world, Fact.BATTERY_HEALTH, "overheated")
                || seen(world, Fact.TROUBLE, "battery-hot");
        return Answer.of(!burns);
    }

    private boolean seen(Map<Fact, String> world, Fact fact, String value) {
        return read.contains(fact) && value.equals(world.get(fact));
    }

    private Answer entry(Route route, Route.Target entry, Map<Fact, String> world) {
        boolean deadly = route.changes().writes().stream()
                .anyMatch(written -> written == PartitionClass.BOOTLOADER
                        || written == PartitionClass.RADIO
                        || written == PartitionClass.PARTITION_TABLE);
        boolean whole = like(entry.model(), world.get(Fact.MODEL))
                && entry.bootloader()
                        .map(loader -> loader.equals(world.get(Fact.BOOTLOADER)))
                        .orElse(true)
                && entry.carrier()
                        .map(carrier -> carrier.equals(world.get(Fact.CARRIER)))
                        .orElse(true);
        return !whole ? Answer.NO : deadly ? exact(entry, world) : practical(entry, world);
    }

    private static boolean listed(Route.Target entry, Map<Fact, String> world) {
        return entry.builds().stream().anyMatch(build -> NAMES.stream().anyMatch(name -> like(build, world.get(name))));
    }

    /** A build that is listed brings its own OS version, unless somebody read another. */
    private Answer exact(Route.Target entry, Map<Fact, String> world) {
        String phone = world.getOrDefault(Fact.OS_VERSION, NONE);
        boolean version = entry.osVersion()
                .map(os -> !phone.equals(OTHER_SYSTEM) && order(os, phone) == 0)
                .orElse(true);
        boolean listed = listed(entry, world);
        boolean unread = !read.contains(Fact.OS_VERSION);
        return Answer.of(
                listed && (version || unread) || version && entry.anyBuild().isPresent());
    }

    private static Answer practical(Route.Target entry, Map<Fact, String> world) {
        if (entry.osVersion().isPresent()) {
            String os = world.getOrDefault(Fact.OS_VERSION, NONE);
            if (os.equals(OTHER_SYSTEM)) {
                return Answer.NO;
            }
            return order(entry.osVersion().get(), os) == 0 ? Answer.YES : Answer.DOUBTFUL;
        }
        boolean any = entry.builds().isEmpty() || entry.anyBuild().isPresent() || listed(entry, world);
        return any ? Answer.YES : Answer.DOUBTFUL;
    }

    private Answer holds(Condition condition, Map<Fact, String> world, boolean forbidden) {
        if (condition instanceof Condition.AllOf all) {
            return all.parts().stream()
                    .map(part -> holds(part, world, forbidden))
                    .reduce(Answer.YES, Answer::and);
        }
        if (condition instanceof Condition.AnyOf any) {
            return any.parts().stream()
                    .map(part -> holds(part, world, forbidden))
                    .max(Answer::compareTo)
                    .orElse(Answer.NO);
        }
        if (condition instanceof Condition.Not not) {
            return switch (holds(not.part(), world, !forbidden)) {
                case YES, DOUBTFUL -> Answer.NO;
                case NO -> Answer.YES;
            };
        }
        if (condition instanceof Condition.HoleOpen hole) {
            return open(catalogue.hole(hole.id()).orElseThrow(), world);
        }
        return Answer.of(leaf(condition, world, forbidden));
    }

    private static boolean leaf(Condition condition, Map<Fact, String> world, boolean forbidden) {
        if (condition instanceof Condition.OneOf some) {
            String value = world.getOrDefault(some.fact(), NONE);
            return some.values().contains(value)
                    || forbidden
                            && some.values().stream().anyMatch(one -> fold(one).equals(fold(value)));
        }
        if (condition instanceof Condition.Like some) {
            String value = world.getOrDefault(some.fact(), NONE);
            return some.patterns().stream()
                    .anyMatch(one -> like(one, value) || forbidden && like(fold(one), fold(value)));
        }
        if (condition instanceof Condition.Between range) {
            String value = world.getOrDefault(range.fact(), NONE);
            return !value.equals(OTHER_SYSTEM)
                    && range.atLeast().map(least -> order(value, least) >= 0).orElse(true)
                    && range.atMost().map(most -> order(value, most) <= 0).orElse(true);
        }
        Condition.Dated dated = (Condition.Dated) condition;
        String day = world.getOrDefault(dated.fact(), NONE);
        return day.equals(NONE)
                ? dated.notBefore().isEmpty()
                : dated.notBefore().map(from -> !before(day, from)).orElse(true)
                        && dated.notAfter().map(to -> !before(to, day)).orElse(true);
    }

    /**
     * What was built before a hole became known has it open, whatever nobody has read; a reading that says otherwise closes it all
     * the same.
     */
    private Answer open(Hole hole, Map<Fact, String> world) {
        boolean ofTheKernel = hole.kernel().isPresent();
        boolean systemSpeaks = !ofTheKernel || "stock".equals(world.get(Fact.KERNEL_KIND));
        String release = world.getOrDefault(Fact.KERNEL_RELEASE, NONE);
        String os = world.getOrDefault(Fact.OS_VERSION, NONE);
        String patch = world.getOrDefault(Fact.PATCH_LEVEL, NONE);
        // A kernel that is known to have come with the system is as old as that, where nobody read its own date.
        boolean asOldAsTheSystem = systemSpeaks
                && read.containsAll(EnumSet.of(Fact.KERNEL_KIND, Fact.BUILD_DATE))
                && !read.contains(Fact.KERNEL_BUILT);
        boolean own = ofTheKernel && !asOldAsTheSystem;
        String built = world.getOrDefault(own ? Fact.KERNEL_BUILT : Fact.BUILD_DATE, NONE);
        boolean older = before(built, hole.published());
        boolean patched = systemSpeaks
                && (!older || read.contains(Fact.PATCH_LEVEL))
                && !patch.equals(NONE)
                && hole.fixedByPatchLevel().isPresent();
        boolean closed = hole.kernel().filter(range -> !within(range, release)).isPresent()
                || systemSpeaks
                        && hole.osVersion().filter(range -> !within(range, os)).isPresent()
                || patched && !before(patch, hole.fixedByPatchLevel().orElseThrow())
                || hole.fixedByBuildDate().filter(day -> !before(built, day)).isPresent()
                || systemSpeaks
                        && read.contains(Fact.BUILD_DATE)
                        && hole.fixedByBuildDate()
                                .filter(day -> !before(world.getOrDefault(Fact.BUILD_DATE, NONE), day))
                                .isPresent();
        if (closed) {
            return Answer.NO;
        }
        return older || patched ? Answer.YES : Answer.DOUBTFUL;
    }

    private static boolean within(Hole.Range range, String version) {
        return !version.equals(OTHER_SYSTEM)
                && range.atLeast().map(least -> order(version, least) >= 0).orElse(true)
                && range.atMost().map(most -> order(version, most) <= 0).orElse(true);
    }

    /** Days as ISO 8601 writes them stand in order as texts do. */
    private static boolean before(String day, String other) {
        return day.compareTo(other) < 0;
    }

    private static int order(String one, String other) {
        List<Integer> a = numbers(one);
        List<Integer> b = numbers(other);
        for (int i = 0; i < Math.max(a.size(), b.size()); i++) {
            int order = Integer.compare(i < a.size() ? a.get(i) : 0, i < b.size() ? b.get(i) : 0);
            if (order != 0) {
                return order;
            }
        }
        return 0;
    }

    private static List<Integer> numbers(String version) {
        List<Integer> numbers = new ArrayList<>();
        for (String part : version.split("\\.")) {
            numbers.add(Integer.valueOf(part));
        }
        return numbers;
    }

    /** A plain text, or a beginning with a star behind it. */
    private static boolean like(String pattern, @Nullable String value) {
        return value != null
                && (pattern.endsWith("*")
                        ? value.startsWith(pattern.substring(0, pattern.length() - 1))
                        : pattern.equals(value));
    }

    private static String fold(String text) {
        return text.strip()
                .toLowerCase(Locale.ROOT)
                .replace('o', '0')
                .replace('l', '1')
                .replace('i', '1')
                .replace('s', '5')
                .replace('b', '8');
    }
}
