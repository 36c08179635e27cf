package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep.Remedy;
import org.mobrak.core.job.Card;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState;
import org.mobrak.link.bench.BenchTruth;

/**
 * Somebody who has the printed card and the phone, and knows nothing of the trade: does what the card says, in its order, and
 * nothing else. Where the card is silent this hand is stuck. What a tool or a package does to a phone is looked up by the id of
 * the box, as the real tool would know it; what to do is taken from the card alone.
 */
public final class LiteralHand {
    private static final int MOST_TRIES = 3;
    private static final double MINUTE = 60;

    private final Plan plan;
    private final BenchTruth phone;
    private final Faults faults;
    private final Diary diary = new Diary();
    private final Hands hands;
    private final PaperBench bench;
    private final Map<String, Step> boxes = new HashMap<>();
    private final List<Stuck> silent = new ArrayList<>();
    /** The phone as it was where the hand was stuck first. */
    private Optional<BenchState> lost = Optional.empty();

    /**
     * A hand at a bench.
     *
     * @param phone the setting's, as quick as it is this time
     */
    LiteralHand(Setting setting, BenchTruth phone, BenchFiles files, List<Fault.At> faults) {
        this.plan = setting.plan();
        this.phone = phone;
        this.faults = Faults.placed(faults, setting.sheet());
        this.hands = new Hands(phone, diary);
        this.bench = new PaperBench(setting, hands, new StepWork(setting, hands), files, diary);
        setting.sheet().steps().forEach(step -> boxes.put(step.id(), step));
    }

    /**
     * Does what the card says, to its end or to where it is silent. From there somebody who knows the trade helps past each silent
     * place, so that all of them are told; the report is of the hand that was stuck.
     */
    Report play(Card card) throws IOException {
        for (Card.Entry entry : card.entries()) {
            if (entry.phase() == Phase.TIDY) {
                continue;
            }
            diary.at(entry.id());
            note("step", entry.title());
            Optional<Report.End> end = take(entry, card);
            if (hands.state().mode() == Mode.DEAD) {
                end = Optional.of(Report.End.DEAD);
            }
            Optional<Stuck> lack = bench.lack();
            if (lack.isPresent()) {
                note("stuck", lack.get().missing());
                silent.add(lack.get());
                lost = lost.or(() -> Optional.of(hands.state()));
                bench.helpPast(box(entry));
            } else if (end.isPresent()) {
                return report(end.get());
            }
        }
        diary.at("");
        Report.End left = hands.state().mode() == Mode.OS ? Report.End.CAME_BACK : Report.End.GAVE_UP;
        return report(bench.isReached() ? Report.End.GOAL : left);
    }

    private Optional<Report.End> take(Card.Entry entry, Card card) throws IOException {
        Step box = box(entry);
        Set<Fault> now = new HashSet<>(faults.at(box));
        for (Fault fault : now) {
            note("fault", fault.word());
            fault.before(hands.state().battery()).ifPresent(hands::does);
        }
        for (int tries = 1; ; tries++) {
            double begun = hands.state().seconds();
            boolean went = follow(entry, box, now);
            if (bench.lack().isPresent()) {
                return Optional.of(Report.End.STUCK);
            }
            if (hands.state().mode() == Mode.DEAD) {
                return Optional.of(Report.End.DEAD);
            }
            now.stream().flatMap(fault -> fault.after().stream()).forEach(hands::does);
            now.clear();
            if (went && bench.sees(entry, box, begun)) {
                bench.passed(box);
                return Optional.empty();
            }
            if (bench.lack().isPresent()) {
                return Optional.of(Report.End.STUCK);
            }
            diary.caught(hands.state().seconds(), "sign: " + entry.sign().orElse(entry.title()));
            if (entry.orders().get(0) instanceof Card.Compare) {
                return Optional.of(Report.End.STOPPED_AT_GATE);
            }
            if (tries == MOST_TRIES) {
                bench.lacks(
                        entry,
                        Stuck.Kind.CIRCULAR_REMEDY,
                        "What it says to do does not bring “" + entry.sign().orElse("") + "”.");
                return Optional.of(Report.End.STUCK);
            }
            if (!help(entry, card, tries)) {
                return Optional.of(Report.End.STUCK);
            }
        }
    }

    private Step box(Card.Entry entry) {
        return Objects.requireNonNull(boxes.get(entry.id()));
    }

    /** Does the orders of a box; gives whether they went. */
    private boolean follow(Card.Entry entry, Step box, Set<Fault> now) throws IOException {
        boolean went = true;
        for (Card.Order order : entry.orders()) {
            if (bench.lack().isEmpty() && went) {
                went = bench.order(order, entry, box, now);
            }
        }
        return went;
    }

    /** Does the remedy that is printed; gives whether there is one that hands can follow. */
    private boolean help(Card.Entry entry, Card card, int turn) throws IOException {
        List<Remedy> all = entry.remedies();
        if (all.isEmpty()) {
            bench.lacks(
                    entry,
                    Stuck.Kind.NO_REMEDY,
                    "What to do where “" + entry.sign().orElse(entry.title()) + "” is not seen.");
            return false;
        }
        Remedy chosen = all.get((turn - 1) % all.size());
        note("remedy", chosen.what());
        PrintedRemedy said = PrintedRemedy.of(chosen.what());
        if (said.deeds().contains(PrintedRemedy.Deed.INTO_RECOVERY)
                && said.keys().isEmpty()) {
            bench.lacks(entry, Stuck.Kind.NO_KEYS, "The keys into the recovery, in its remedy.");
            return false;
        }
        if (said.isSilent()) {
            bench.lacks(entry, Stuck.Kind.NO_REMEDY, "A remedy that hands can do: “" + chosen.what() + "”.");
            return false;
        }
        bench.mend(said);
        if (said.from().isPresent()) {
            for (Card.Entry again : since(said.from().get(), entry, card)) {
                follow(again, box(again), Set.of());
            }
        }
        return bench.lack().isEmpty();
    }

    private static List<Card.Entry> since(String title, Card.Entry until, Card card) {
        List<Card.Entry> before = card.entries().subList(0, card.entries().indexOf(until));
        int first = before.stream().map(Card.Entry::title).toList().lastIndexOf(title);
        return first < 0 ? List.of() : before.subList(first, before.size());
    }

    private void note(String kind, String text) {
        diary.note(hands.state().seconds(), kind, text);
    }

    private Report report(Report.End last) {
        Report.End end = silent.isEmpty() ? last : Report.End.STUCK;
        BenchState state = lost.orElse(hands.state());
        note("end", end.word());
        return new Report(
                phone.id(),
                plan.goal().key(),
                plan.routes().stream().map(Route::id).toList(),
                faults.words(),
                end,
                end == Report.End.GOAL,
                state.seconds() / MINUTE,
                diary.happened(),
                state.facts(),
                Map.of(),
                diary.caught(),
                silent);
    }
}
