package org.mobrak.app.rehearsal;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.mobrak.app.Outlook;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.bench.BenchTruth;

/** What many rehearsals of one plan on one phone have in common, worked out once. Safe to use from several threads. */
public final class Setting {
    private final Outlook outlook;
    private final Plan plan;
    private final RunSheet sheet;
    private final BenchTruth phone;
    private final BenchFiles.Bench bench;
    private final Map<Asked, Truth> judged = new ConcurrentHashMap<>();

    /** A route, and all that is so of the phone. */
    private record Asked(String route, Map<Fact, String> facts) {}

    /**
     * A plan and a phone.
     *
     * @param outlook what is believed of the phone, and what follows from it
     * @param phone as it truly is
     */
    public Setting(Outlook outlook, Plan plan, BenchTruth phone) {
        this.outlook = outlook;
        this.plan = plan;
        this.sheet = outlook.sheet(plan);
        this.phone = BenchWays.of(phone, outlook.catalogue(), phone.id().hashCode());
        String model = outlook.facts().value(Fact.MODEL).orElse("");
        this.bench = new BenchFiles.Bench(
                model, PartitionNames.of(outlook.catalogue().phone(model)));
    }

    public Outlook outlook() {
        return outlook;
    }

    public Plan plan() {
        return plan;
    }

    public RunSheet sheet() {
        return sheet;
    }

    public BenchTruth phone() {
        return phone;
    }

    /**
     * For what files are made.
     *
     * @param code the phone's own word for itself
     */
    record Device(String code, BenchFiles.Bench bench) {}

    Device device() {
        return new Device(phone.truth().getOrDefault(Fact.DEVICE, phone.id()), bench);
    }

    /** Whether a route suits the phone as it truly is. */
    Truth suits(Route route, Map<Fact, String> facts) {
        return judged.computeIfAbsent(new Asked(route.id(), facts), asked -> judge(route, facts));
    }

    /** What somebody would know who knew the truth. */
    Facts facts(Map<Fact, String> truth) {
        List<Reading> readings = truth.entrySet().stream()
                .map(one -> new Reading(one.getKey(), one.getValue(), new Origin.Typed(), Instant.EPOCH))
                .toList();
        return new Ledger(readings).facts();
    }

    private Truth judge(Route route, Map<Fact, String> facts) {
        RouteFit fit = FitCheck.alone(
                outlook.catalogue(), route, facts(facts), outlook.wish().school());
        boolean refused = fit.verdict() == Verdict.REFUSED || fit.verdict() == Verdict.NEEDS_STEP;
        return refused ? Truth.NO : Truth.YES;
    }
}
