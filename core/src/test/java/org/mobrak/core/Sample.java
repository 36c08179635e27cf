package org.mobrak.core;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Minutes;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.CatalogueLoader.Folders;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.Source;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;

/** Small routes and facts to test with. */
public final class Sample {
    public static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");

    private final List<Route.Target> phones = new ArrayList<>();
    private final List<Route.Exclusion> excluded = new ArrayList<>();
    private final List<Condition> requires = new ArrayList<>();
    private final List<PartitionClass> keeps = new ArrayList<>(List.of(PartitionClass.SYSTEM));
    private final List<PartitionClass> writes = new ArrayList<>(List.of(PartitionClass.SYSTEM));
    private final List<String> marks = new ArrayList<>();
    private final List<Route.Report> reports = new ArrayList<>();
    private final List<Gate> gates = new ArrayList<>();
    private final List<RouteStep> steps = new ArrayList<>();
    private final String id;
    private String family = "family";
    private double minutes = 10;
    private double money;
    private boolean wipes;
    private Optional<Route.Changes> changes = Optional.empty();

    private Sample(String id) {
        this.id = id;
    }

    public static Sample route(String id) {
        return new Sample(id);
    }

    /** A reading from some source. */
    public static Reading reading(Fact fact, String value, Source source, String file, int line, Instant at) {
        Origin origin = source == Source.TYPED ? new Origin.Typed() : new Origin.Text(source, file, line);
        return new Reading(fact, value, origin, at);
    }

    /** Where the project's folders are. */
    public static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    /** What ships: the general catalogue and the demo's. */
    public static final Folders SHIPPED_FOLDERS =
            new Folders(List.of(HOME.resolve("catalogue"), HOME.resolve("demo/catalogue")), Optional.empty());

    public static Catalogue shipped() throws IOException {
        return CatalogueLoader.load(SHIPPED_FOLDERS).catalogue();
    }

    /** What the readings of each demo device add up to, in the order of their names. */
    public static List<Facts> demoPhones(Catalogue catalogue) throws IOException {
        return demoIdentities(catalogue).stream().map(Identity::facts).toList();
    }

    /** Who each demo device is. */
    public static List<Identity> demoIdentities(Catalogue catalogue) throws IOException {
        Map<String, List<Reading>> readings = new TreeMap<>();
        try (Stream<Path> files = Files.list(HOME.resolve("demo/readings"))) {
            for (Path file : files.sorted().toList()) {
                String name = file.getFileName().toString();
                readings.computeIfAbsent(name.substring(0, name.lastIndexOf('-')), fresh -> new ArrayList<>())
                        .addAll(ReadingParser.parse(TextIntake.of(file), NOW).readings());
            }
        }
        return readings.values().stream()
                .map(of -> Identity.of(catalogue, new Ledger(of), List.of()))
                .toList();
    }

    /** A copy of what ships in one folder, to break things in. */
    public static Path copyOfShipped(Path folder) throws IOException {
        for (Path own : SHIPPED_FOLDERS.own()) {
            PathUtils.copyDirectory(own, folder);
        }
        return folder;
    }

    public static Facts facts(String... said) {
        return new Ledger(Arrays.stream(said).map(Sample::typed).toList()).facts();
    }

    private static Reading typed(String word) {
        try {
            return TypedReading.parse(word, NOW);
        } catch (Refusal wrong) {
            throw new IllegalArgumentException(wrong);
        }
    }

    /** A file that a route needs, with as much as is given of it. */
    public static NeededFile file(
            String name,
            Optional<Long> bytes,
            Optional<String> sha256,
            Optional<PartitionClass> partition,
            Optional<Boolean> keepZipped,
            Map<Fact, String> holds) {
        Optional<String> none = Optional.empty();
        return new NeededFile(
                name, "Package", bytes, none, none, sha256, none, partition, keepZipped, none, none, holds);
    }

    public Sample asHousekeeping() {
        family = "housekeeping";
        return this;
    }

    public Sample target(String model, String osVersion, String... builds) {
        phones.add(new Route.Target(model, Optional.of(osVersion), Optional.empty(), List.of(builds)));
        return this;
    }

    public Sample target(Route.Target target) {
        phones.add(target);
        return this;
    }

    public Sample anyBuild(String model, String osVersion, String who) {
        phones.add(new Route.Target(
                model, Optional.of(osVersion), Optional.empty(), List.of(), Optional.of(who), Optional.empty()));
        return this;
    }

    public Sample bootloader(String model, String bootloader, String... builds) {
        phones.add(new Route.Target(model, Optional.empty(), Optional.of(bootloader), List.of(builds)));
        return this;
    }

    public Sample excluding(String build, String because) {
        excluded.add(new Route.Exclusion(build, because));
        return this;
    }

    public Sample needs(Condition condition) {
        requires.add(condition);
        return this;
    }

    public Sample needs(Fact fact, String... values) {
        return needs(new Condition.OneOf(fact, List.of(values), Optional.empty()));
    }

    public Sample writing(PartitionClass partition) {
        writes.set(0, partition);
        keeps.set(0, partition);
        return this;
    }

    /** What it writes is new: nothing of it is known any more but what its effects say. */
    public Sample replacing(PartitionClass... partitions) {
        writes.clear();
        writes.addAll(List.of(partitions));
        keeps.clear();
        return this;
    }

    public Sample marking(String mark) {
        marks.add(mark);
        return this;
    }

    public Sample costing(double price, double usualMinutes, boolean wipesData) {
        money = price;
        minutes = usualMinutes;
        wipes = wipesData;
        return this;
    }

    public Sample reported(int worked, int failed) {
        return reported("any", "any", worked, failed);
    }

    public Sample reported(String model, String build, int worked, int failed) {
        for (int i = 0; i < worked + failed; i++) {
            reports.add(new Route.Report(model, build, i < worked, "2014-01-01"));
        }
        return this;
    }

    public Sample gate(Fact fact, int atLeast) {
        gates.add(new Gate(fact, List.of(), Optional.of(atLeast), "because"));
        return this;
    }

    public Sample gate(Fact fact, String value) {
        gates.add(new Gate(fact, List.of(value), Optional.empty(), "because"));
        return this;
    }

    public Sample step(Phase phase, String title) {
        return step(phase, title, Optional.empty());
    }

    public Sample step(Phase phase, String title, Route.Wipe wipe) {
        return step(phase, title, Optional.of(wipe));
    }

    private Sample step(Phase phase, String title, Optional<Route.Wipe> wipe) {
        Optional<String> none = Optional.empty();
        Optional<Integer> no = Optional.empty();
        steps.add(new RouteStep(
                phase,
                title,
                title,
                none,
                none,
                Optional.empty(),
                none,
                no,
                no,
                none,
                List.of(),
                List.of(),
                Map.of(),
                no,
                false,
                wipe,
                Optional.empty(),
                List.of(),
                Optional.empty()));
        return this;
    }

    /** What it changes in full; its effects are these and no others. */
    public Sample changing(Route.Changes all) {
        changes = Optional.of(all);
        return this;
    }

    public Route making(Fact fact, String value) {
        return making(Map.of(fact, value));
    }

    public Route making(Map<Fact, String> effects) {
        Minutes time = new Minutes(minutes, minutes, minutes);
        return new Route(
                id,
                "Route " + id,
                family,
                "summary",
                new Route.Scope(phones, excluded, requires),
                changes.orElseGet(() -> new Route.Changes(effects, writes, keeps, marks, wipes, false)),
                new Route.Costs(time, new Minutes(0, 0, 0), Optional.of(new Money(BigDecimal.valueOf(money), "USD"))),
                new Route.Work(List.of(), List.of(), gates, steps),
                reports,
                null,
                Optional.empty());
    }
}
