package org.mobrak.core.fit;

import static java.util.Map.entry;
import static org.mobrak.core.Sample.route;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Act;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.identity.build.Rulers;

/** Catalogues and phones by chance, over few values, so that they meet often. All names are invented. */
final class RandomTrade {
    private static final Optional<String> ANY = Optional.empty();

    /** What each fact can be; nothing else is ever read, listed or asked. */
    static final Map<Fact, List<String>> POOL = new EnumMap<>(Map.ofEntries(
            entry(Fact.MODEL, List.of("KQ-A1", "KQ-A2", "VM-C1")),
            entry(Fact.OS_VERSION, List.of("4.1.2", "4.3", "4.4.2", "5.1", "6.0")),
            entry(Fact.BUILD_NUMBER, List.of("NB-101", "NB-102", "NB-103")),
            entry(Fact.INCREMENTAL, List.of("7001", "7002")),
            entry(Fact.BUILD_ID, List.of("FRF85", "FRF50")),
            entry(Fact.BOOTLOADER, List.of("L1", "L2")),
            entry(Fact.CARRIER, List.of("Brookcell", "Fennlink", "none at all")),
            entry(Fact.KERNEL_RELEASE, List.of("3.0.8", "3.4.0", "3.10.49")),
            entry(Fact.KERNEL_BUILT, List.of("2013-01-05", "2014-06-01", "2015-10-01")),
            entry(Fact.BUILD_DATE, List.of("2013-01-05", "2014-06-01", "2015-10-01")),
            entry(Fact.PATCH_LEVEL, List.of("2015-08-01", "2016-03-01")),
            entry(Fact.KERNEL_KIND, Fact.KERNEL_KIND.domain().words()),
            entry(Fact.LOCK, Fact.LOCK.domain().words()),
            entry(Fact.RECOVERY, Fact.RECOVERY.domain().words()),
            entry(Fact.ROOT, Fact.ROOT.domain().words()),
            entry(Fact.CARD, Fact.CARD.domain().words()),
            entry(Fact.ENCRYPTION, Fact.ENCRYPTION.domain().words()),
            entry(Fact.BATTERY_BODY, List.of("flat", "flat", "flat", "flat", "flat", "swollen")),
            entry(Fact.BATTERY_PERCENT, List.of("20", "34", "95"))));

    /** On either side of all that is asked for, and of another kind; what a phone may have that no list names. */
    private static final Map<Fact, List<String>> BESIDES = new EnumMap<>(Map.ofEntries(
            entry(Fact.MODEL, List.of("ZZ-9")),
            entry(Fact.OS_VERSION, List.of("2.3", "8.1", NaiveJudge.OTHER_SYSTEM)),
            entry(Fact.BUILD_NUMBER, List.of("NB-999", "XX-1")),
            entry(Fact.INCREMENTAL, List.of("7999")),
            entry(Fact.BUILD_ID, List.of("FRF91")),
            entry(Fact.BOOTLOADER, List.of("L9")),
            entry(Fact.CARRIER, List.of("Moorline")),
            entry(Fact.KERNEL_RELEASE, List.of("2.6.29", "4.9")),
            entry(Fact.KERNEL_BUILT, List.of("2010-01-01", "2017-01-01")),
            entry(Fact.BUILD_DATE, List.of("2010-01-01", "2017-01-01")),
            entry(Fact.PATCH_LEVEL, List.of("2015-10-01", "2017-01-01", NaiveJudge.NONE)),
            entry(Fact.BATTERY_PERCENT, List.of("0", "100"))));

    private static final List<Hole> HOLES = List.of(
            hole("CVE-2014-0001", Optional.of(range("3.0", "3.4.9")), Optional.empty(), "2014-01-10", ANY, ANY),
            hole(
                    "CVE-2014-0002",
                    Optional.of(range("3.0", "3.10.60")),
                    Optional.empty(),
                    "2014-01-10",
                    Optional.of("2015-09-01"),
                    Optional.of("2015-09-20")),
            hole(
                    "CVE-2014-0003",
                    Optional.empty(),
                    Optional.of(range("4.0", "5.0")),
                    "2014-01-10",
                    Optional.of("2015-09-01"),
                    ANY),
            hole("CVE-2014-0004", Optional.empty(), Optional.of(range("4.2", "6.0")), "2014-01-10", ANY, ANY));

    private final Random random;

    RandomTrade(long seed) {
        this.random = new Random(seed);
    }

    private static Hole.Range range(String least, String most) {
        return new Hole.Range(Optional.of(least), Optional.of(most));
    }

    private static Hole hole(
            String id,
            Optional<Hole.Range> kernel,
            Optional<Hole.Range> os,
            String published,
            Optional<String> patch,
            Optional<String> built) {
        return new Hole(id, "An invented one.", kernel, os, published, patch, built, "invented for this test");
    }

    /** What was read of a phone, and what that leaves open, told apart from how a ledger sees it. */
    record Phone(
            List<Reading> readings, Map<Fact, List<String>> values, Set<Fact> read, Set<Fact> torn, Set<Fact> odd) {
        Ledger ledger() {
            return new Ledger(readings);
        }
    }

    Phone phone() {
        Map<Fact, List<String>> values = new EnumMap<>(Fact.class);
        List<Reading> readings = new ArrayList<>();
        Set<Fact> torn = EnumSet.noneOf(Fact.class);
        Set<Fact> odd = EnumSet.noneOf(Fact.class);
        for (Map.Entry<Fact, List<String>> one : POOL.entrySet()) {
            Fact fact = one.getKey();
            int chance = random.nextInt(100);
            if (chance < 72) {
                Set<String> said = new HashSet<>(Set.of(any(one.getValue())));
                if (chance < 6) {
                    said.add(any(one.getValue()));
                }
                said.forEach(value -> readings.add(reading(fact, value)));
                values.put(fact, List.copyOf(said));
                if (said.size() > 1) {
                    torn.add(fact);
                }
            } else {
                if (chance < 76 && fact.isDay()) {
                    readings.add(reading(fact, random.nextBoolean() ? "1970-01-01" : "2013-02-31"));
                    odd.add(fact);
                }
                values.put(fact, unread(fact, one.getValue()));
            }
        }
        Set<Fact> read = EnumSet.noneOf(Fact.class);
        readings.stream().map(Reading::fact).filter(fact -> !odd.contains(fact)).forEach(read::add);
        return new Phone(readings, values, read, torn, odd);
    }

    /** What a fact may be where nobody read it: what anybody asks for, and what nobody does. */
    private static List<String> unread(Fact fact, List<String> pool) {
        Set<String> all = new TreeSet<>(pool);
        all.addAll(BESIDES.getOrDefault(fact, List.of()));
        return List.copyOf(all);
    }

    /** Sources by chance, two of them for readings that disagree. */
    private Reading reading(Fact fact, String value) {
        Source source =
                any(List.of(Source.PROPERTY_LISTING, Source.TYPED, Source.DOWNLOAD_SCREEN, Source.ABOUT_SCREEN));
        return Sample.reading(fact, value, source, "somewhere", 1, Sample.NOW);
    }

    Catalogue catalogue(int routes) {
        List<Route> all = new ArrayList<>();
        for (int i = 0; i < routes; i++) {
            all.add(someRoute("r" + i));
        }
        List<Danger> dangers = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            Danger.Severity severity =
                    any(List.of(Danger.Severity.STOP, Danger.Severity.STOP, Danger.Severity.CAUTION));
            Danger.IfUnknown ifUnknown = any(List.of(Danger.IfUnknown.ASK, Danger.IfUnknown.PASS));
            dangers.add(new Danger(
                    "d" + i,
                    condition(1),
                    Set.of(any(List.of(Act.WIPE, Act.WIPE, Act.ANYTHING))),
                    severity,
                    // One that its author passes over while nobody knows is no question of worlds.
                    Optional.of(severity == Danger.Severity.STOP ? Danger.IfUnknown.ASK : ifUnknown),
                    "For this test.",
                    "invented for this test"));
        }
        return new Catalogue(List.of(), all, Rulers.none(), HOLES, dangers);
    }

    private Route someRoute(String id) {
        Sample sample = route(id)
                .writing(any(List.of(
                        PartitionClass.APP,
                        PartitionClass.SYSTEM,
                        PartitionClass.RECOVERY,
                        PartitionClass.BOOTLOADER)));
        sample.costing(0, 1, random.nextInt(3) == 0);
        for (int i = random.nextInt(3); i > 0; i--) {
            sample.target(target());
        }
        for (int i = random.nextInt(4) - 2; i > 0; i--) {
            sample.excluding(build(), "It is closed there.");
        }
        for (int i = random.nextInt(3); i > 0; i--) {
            sample.needs(condition(Math.max(0, random.nextInt(6) - 3)));
        }
        Fact made = any(List.of(Fact.ROOT, Fact.RECOVERY, Fact.LOCK, Fact.OS_VERSION, Fact.CARD));
        return sample.making(made, any(POOL.get(made)));
    }

    private Route.Target target() {
        List<String> builds = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            builds.add(build());
        }
        return new Route.Target(
                random.nextInt(6) == 0 ? "KQ-*" : any(POOL.get(Fact.MODEL)),
                perhaps(Fact.OS_VERSION, 60),
                perhaps(Fact.BOOTLOADER, 25),
                builds,
                random.nextInt(4) == 0 ? Optional.of("Somebody says so.") : ANY,
                perhaps(Fact.CARRIER, 15));
    }

    private Optional<String> perhaps(Fact fact, int percent) {
        return random.nextInt(100) < percent ? Optional.of(any(POOL.get(fact))) : ANY;
    }

    private String build() {
        return any(POOL.get(any(List.of(Fact.BUILD_NUMBER, Fact.INCREMENTAL, Fact.BUILD_ID))));
    }

    private Condition condition(int depth) {
        return switch (depth == 0 ? 9 : random.nextInt(10)) {
            case 0, 1 -> new Condition.Not(condition(depth - 1), ANY);
            case 2, 3 -> new Condition.AllOf(List.of(condition(depth - 1), condition(depth - 1)));
            case 4, 5 -> new Condition.AnyOf(List.of(condition(depth - 1), condition(depth - 1)));
            default -> leaf();
        };
    }

    private Condition leaf() {
        return switch (random.nextInt(8)) {
            case 0 -> between(any(List.of(Fact.OS_VERSION, Fact.KERNEL_RELEASE, Fact.BATTERY_PERCENT)));
            case 1 -> dated(any(List.of(Fact.BUILD_DATE, Fact.KERNEL_BUILT, Fact.PATCH_LEVEL)));
            case 2 -> new Condition.HoleOpen(any(HOLES).id(), ANY);
            case 3 -> new Condition.Like(Fact.BUILD_NUMBER, List.of(any(List.of("NB-*", "NB-101", "NB-10*"))), ANY);
            case 4 -> new Condition.OneOf(Fact.CARRIER, List.of(any(POOL.get(Fact.CARRIER))), ANY);
            default -> {
                Fact fact =
                        any(List.of(Fact.LOCK, Fact.RECOVERY, Fact.ROOT, Fact.CARD, Fact.ENCRYPTION, Fact.KERNEL_KIND));
                yield new Condition.OneOf(fact, List.of(any(POOL.get(fact))), ANY);
            }
        };
    }

    private Condition between(Fact fact) {
        Optional<String> bound = Optional.of(any(POOL.get(fact)));
        return random.nextBoolean()
                ? new Condition.Between(fact, bound, ANY, ANY)
                : new Condition.Between(fact, ANY, bound, ANY);
    }

    private Condition dated(Fact fact) {
        Optional<String> bound = Optional.of(fact == Fact.PATCH_LEVEL ? "2016-03-01" : any(POOL.get(fact)));
        return random.nextBoolean()
                ? new Condition.Dated(fact, bound, ANY, ANY)
                : new Condition.Dated(fact, ANY, bound, ANY);
    }

    <T> T any(List<T> some) {
        return some.get(random.nextInt(some.size()));
    }
}
