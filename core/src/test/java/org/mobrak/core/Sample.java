package org.mobrak.core;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Minutes;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.Route.NeededFile;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.TypedReading;

/** Small routes and facts to test with. */
public final class Sample {
    public static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");

    private final List<Route.Target> phones = new ArrayList<>();
    private final List<Route.Exclusion> excluded = new ArrayList<>();
    private final List<Condition> requires = new ArrayList<>();
    private final List<PartitionClass> writes = new ArrayList<>(List.of(PartitionClass.SYSTEM));
    private final List<String> marks = new ArrayList<>();
    private final List<Route.Report> reports = new ArrayList<>();
    private final List<Route.Gate> gates = new ArrayList<>();
    private final List<Route.RouteStep> steps = new ArrayList<>();
    private final String id;
    private String family = "family";
    private double minutes = 10;
    private double money;
    private boolean wipes;

    private Sample(String id) {
        this.id = id;
    }

    public static Sample route(String id) {
        return new Sample(id);
    }

    public static Facts facts(String... said) {
        List<Reading> readings =
                Arrays.stream(said).map(word -> TypedReading.parse(word, NOW)).toList();
        return new Ledger(readings).facts();
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
        return new NeededFile(name, "Package", bytes, none, none, sha256, none, partition, keepZipped, none, holds);
    }

    public Sample asHousekeeping() {
        family = "housekeeping";
        return this;
    }

    public Sample target(String model, String osVersion, String... builds) {
        phones.add(new Route.Target(model, Optional.of(osVersion), Optional.empty(), List.of(builds)));
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
        for (int i = 0; i < worked + failed; i++) {
            reports.add(new Route.Report("any", "any", i < worked, "2014-01-01"));
        }
        return this;
    }

    public Sample gate(Fact fact, int atLeast) {
        gates.add(new Route.Gate(fact, List.of(), Optional.of(atLeast), "because"));
        return this;
    }

    public Sample gate(Fact fact, String value) {
        gates.add(new Route.Gate(fact, List.of(value), Optional.empty(), "because"));
        return this;
    }

    public Sample step(Route.Phase phase, String title) {
        Optional<String> none = Optional.empty();
        steps.add(new Route.RouteStep(
                phase, title, title, none, none, none, Optional.empty(), Optional.empty(), none, false));
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
                new Route.Changes(effects, writes, marks, wipes),
                new Route.Costs(time, new Minutes(0, 0, 0), Optional.of(new Route.Money(money, "USD"))),
                new Route.Work(List.of(), List.of(), gates, steps),
                reports,
                null,
                Optional.empty());
    }
}
