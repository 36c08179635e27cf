package org.mobrak.link.bench;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Increase;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState.Inside;
import org.mobrak.link.bench.Stimulus.Image;
import org.mobrak.link.bench.Stimulus.Task;

/** What a piece of work does to a phone, rightly or wrongly. */
final class Works {
    /** These are sent whole before the first byte is written, so that a cable that falls out leaves the old one (our own choice). */
    private static final Set<PartitionClass> SENT_FIRST =
            Set.of(PartitionClass.BOOTLOADER, PartitionClass.PARTITION_TABLE);

    /** The symptom, as the catalogue calls it. */
    static final String APP_REFUSES = "app-refuses-custom-state";

    private static final int LEAST_PERCENT = 1;

    private final BenchTruth phone;

    Works(BenchTruth phone) {
        this.phone = phone;
    }

    static boolean isSentFirst(PartitionClass where) {
        return SENT_FIRST.contains(where);
    }

    Turn on(Task task, BenchState before) {
        Optional<String> refusal = refusal(task, before);
        if (refusal.isPresent()) {
            return Turn.shows(before.later(5), false, refusal.get());
        }
        if (task.broken().isPresent() && task.byComputer()) {
            return brokenOff(
                    task, before.working(phone, task.seconds() * task.broken().getAsDouble()));
        }
        BenchState after = before.working(phone, task.seconds());
        if (after.battery() < LEAST_PERCENT) {
            return wentOff(task, after);
        }
        return written(task, after);
    }

    /** Why nothing happens at all. */
    private Optional<String> refusal(Task task, BenchState before) {
        if (!task.needs().isEmpty() && !task.needs().contains(before.mode())) {
            return Optional.of(
                    "nothing happens; the phone shows " + before.mode().screen());
        }
        if (task.byComputer() && !before.hasPort()) {
            return Optional.of("the computer shows no port");
        }
        if (!task.rightPlace()) {
            return Optional.of("the tool did something else and came back to its list");
        }
        if (task.suits() == Truth.NO && task.images().isEmpty()) {
            return Optional.of("it says that this phone is not supported");
        }
        if (before.asksForPassword() && before.mode() == Mode.RECOVERY && !task.wipes()) {
            return Optional.of("it asks for a password and gives nothing of its storage");
        }
        return Optional.empty();
    }

    /** The cable fell out amid the work. */
    private Turn brokenOff(Task task, BenchState state) {
        Set<PartitionClass> half = EnumSet.noneOf(PartitionClass.class);
        half.addAll(task.images().keySet());
        half.removeAll(SENT_FIRST);
        BenchState cut = state.with(new BenchState.Wire(Cable.NONE, state.wire().driver()))
                .with(state.inside().broken(half, Set.of()));
        return Turn.shows(cut, false, "the port is gone in the middle of the work");
    }

    /** The battery ended amid the work. */
    private static Turn wentOff(Task task, BenchState state) {
        Inside half = state.inside().broken(task.images().keySet(), Set.of());
        return Turn.shows(state.with(half).in(Mode.OFF), false, "the screen goes dark in the middle of the work");
    }

    private Turn written(Task task, BenchState state) {
        Set<PartitionClass> wrong = EnumSet.noneOf(PartitionClass.class);
        Set<PartitionClass> right = EnumSet.noneOf(PartitionClass.class);
        task.images().forEach((where, image) -> (image == Image.RIGHT ? right : wrong).add(where));
        Inside inside = state.inside().broken(wrong, right);
        if (!wrong.isEmpty()) {
            // The tool is content: it wrote what it was given. What it is worth shows at the next start.
            return Turn.shows(state.with(inside), true, "the tool reports success");
        }
        if (task.suits() == Truth.NO) {
            return Turn.shows(state, false, "it is refused: this phone takes nothing of the kind");
        }
        Inside after = sealed(task, inside, upset(inside, inside.knowing(effects(task, inside))))
                .next(false, inside.wiped() || task.wipes());
        boolean recovery = task.images().containsKey(PartitionClass.RECOVERY);
        return Turn.shows(
                state.with(after.repairing(after.repairs(), after.fresh() || recovery)), true, "it reports success");
    }

    /** Opening the lock may seal the storage; formatting it ends that. */
    private Inside sealed(Task task, Inside before, Inside after) {
        boolean opened = before.is(Fact.LOCK, "locked") && after.is(Fact.LOCK, "unlocked");
        return after.sealing(opened ? phone.nature().seals() : before.sealed() && !task.wipes());
    }

    /** An app that ran until now may refuse what the work has changed; it shows at the next start. */
    private Inside upset(Inside before, Inside after) {
        boolean newly = phone.nature().refusing(after.facts()).isPresent()
                && phone.nature().refusing(before.facts()).isEmpty();
        return newly ? after.knowing(Map.of(Fact.TROUBLE, APP_REFUSES)) : after;
    }

    private static Map<Fact, String> effects(Task task, Inside inside) {
        Map<Fact, String> now = new EnumMap<>(Fact.class);
        task.effects()
                .forEach((fact, effect) -> Increase.resolved(
                                effect, Optional.ofNullable(inside.facts().get(fact)))
                        .ifPresent(value -> now.put(fact, value)));
        return now;
    }
}
