package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.mobrak.app.Outlook;
import org.mobrak.app.PhoneInquiry;
import org.mobrak.app.Wish;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.job.Card;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.bench.BenchTruth;

/** Rehearsals of the phones of a bench: one, or every phone with every goal and plan. */
public final class Rehearsals {
    /** How much quicker or slower a phone may be than its description (our own choice). */
    private static final double QUICKEST = 0.8;

    private static final double SLOWEST = 1.4;

    private final Catalogue catalogue;
    private final BenchFiles files;

    public Rehearsals(Catalogue catalogue, BenchFiles files) {
        this.catalogue = catalogue;
        this.files = files;
    }

    /** What would be believed of a bench phone by whoever read all that it says of itself. */
    public Outlook outlook(BenchTruth phone, Wish wish) {
        Map<Fact, String> believed = new EnumMap<>(Fact.class);
        believed.putAll(phone.truth());
        believed.putAll(phone.says());
        List<Reading> said = believed.entrySet().stream()
                .map(one -> new Reading(one.getKey(), one.getValue(), new Origin.Typed(), Instant.EPOCH))
                .toList();
        return Outlook.of(catalogue, new PhoneInquiry(catalogue, Instant.EPOCH).identify(List.of(), said), wish);
    }

    /**
     * Plays one plan.
     *
     * @param seed draws what no description says: how quick this one phone is
     */
    public Report rehearse(Setting setting, long seed, List<Fault.At> faults, Person person) throws IOException {
        double factor = new SplittableRandom(seed).nextDouble(QUICKEST, SLOWEST);
        BenchTruth phone = setting.phone().with(setting.phone().nature().slower(factor));
        return person == Person.LITERAL
                ? new LiteralHand(setting, phone, files, faults).play(Card.of(setting.sheet()))
                : new Rehearsal(setting, phone, files, faults, person).run();
    }

    /** Plays a card that may say other things than its sheet, by its words alone. */
    Report literally(Setting setting, Card card, long seed, List<Fault.At> faults) throws IOException {
        double factor = new SplittableRandom(seed).nextDouble(QUICKEST, SLOWEST);
        BenchTruth phone = setting.phone();
        return new LiteralHand(setting, phone.with(phone.nature().slower(factor)), files, faults).play(card);
    }

    /** Plays a plan for a phone of the drawer on the bench. */
    public static Report ofDrawer(
            String nickname, Outlook outlook, Plan plan, long seed, List<Fault.At> faults, Person person)
            throws IOException {
        try (BenchFiles files = new BenchFiles()) {
            Setting setting = new Setting(outlook, plan, OnBench.of(nickname, outlook, seed));
            return new Rehearsals(outlook.catalogue(), files).rehearse(setting, seed, faults, person);
        }
    }

    /** Every phone with every goal and plan, once without a fault and once with each at its usual place. */
    public List<Report> all(List<BenchTruth> phones, long seed, Person person) throws IOException {
        List<Report> reports = new ArrayList<>();
        for (BenchTruth phone : phones) {
            for (Goal goal : Goal.usual()) {
                Outlook outlook = outlook(phone, new Wish(goal, Optional.empty(), Limits.none()));
                for (Plan plan : outlook.answer().plans()) {
                    Setting setting = new Setting(outlook, plan, phone);
                    reports.add(rehearse(setting, seed, List.of(), person));
                    for (Fault fault : Fault.values()) {
                        List<Fault.At> one = List.of(new Fault.At(fault, Optional.empty()));
                        reports.add(rehearse(setting, seed, one, person));
                    }
                }
            }
        }
        return reports;
    }
}
