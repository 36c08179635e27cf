package org.mobrak.app;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.logbook.Intake;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.SetAside;

/** What the user does to the readings of the phone on the desk, each with the step that undoes it; on the worker thread only. */
final class ReadingEdits {
    private final Logbook logbook;
    private final UndoStack undo;
    private final PickedPhone picked;
    private final Supplier<Instant> now;

    ReadingEdits(Logbook logbook, UndoStack undo, PickedPhone picked, Supplier<Instant> now) {
        this.logbook = logbook;
        this.undo = undo;
        this.picked = picked;
        this.now = now;
    }

    /** Takes texts of this phone in. */
    Notice take(List<RawText> texts) throws Refusal {
        Instant at = now.get();
        List<Long> intakes = new ArrayList<>();
        List<Parsed> parsed = new ArrayList<>();
        for (RawText text : texts) {
            parsed.add(logbook.texts().of(text, at));
            intakes.add(logbook.take(picked.orRefuse(), text, at));
        }
        String name = texts.size() == 1 ? texts.get(0).name() : texts.size() + " texts";
        undoable(name, intakes);
        return Notice.taken(name, parsed);
    }

    /** Notes what a person read, all of it or none. */
    Notice takeByHand(Map<Fact, String> said) throws Refusal {
        Instant at = now.get();
        PhoneRecord of = picked.orRefuse();
        List<Long> intakes = new ArrayList<>();
        for (Map.Entry<Fact, String> one : said.entrySet()) {
            intakes.add(logbook.take(of, TypedReading.parse(TypedReading.text(one.getKey(), one.getValue()), at)));
        }
        undoable(intakes.size() + " readings by hand", intakes);
        return new Notice(false, "%d readings noted.".formatted(intakes.size()));
    }

    /** No longer lets a reading count, for a reason. */
    Notice setAside(Reading reading, String reason) throws Refusal {
        long entry = logbook.setAside(
                picked.orRefuse(), reading, reason.isBlank() ? "no reason given" : reason.strip(), now.get());
        undo.did(new UndoStack.Step(
                "setting “" + reading.value() + "” aside",
                () -> logbook.takeBackAside(entry, now.get()),
                () -> logbook.repeatAside(entry)));
        return new Notice(false, "Set aside: " + reading.fact().label() + " “" + reading.value() + "”.");
    }

    /** Lets a reading count again. */
    Notice letCount(Reading reading) throws Refusal {
        SetAside entry = logbook.dossier(picked.orRefuse())
                .asideOf(reading)
                .orElseThrow(() -> new Refusal("This reading counts already."));
        logbook.takeBackAside(entry.id(), now.get());
        undo.did(new UndoStack.Step(
                "letting “" + reading.value() + "” count",
                () -> logbook.repeatAside(entry.id()),
                () -> logbook.takeBackAside(entry.id(), now.get())));
        return new Notice(false, "It counts again: " + reading.fact().label() + " “" + reading.value() + "”.");
    }

    /** Notes what a reading should have said and sets what it did say aside. */
    Notice correct(Reading reading, String value) throws Refusal {
        Reading typed = TypedReading.parse(TypedReading.text(reading.fact(), value), now.get());
        long aside = logbook.setAside(picked.orRefuse(), reading, "misread", now.get());
        long intake = logbook.take(picked.orRefuse(), typed);
        undo.did(new UndoStack.Step(
                reading.fact().label() + " " + value,
                () -> {
                    logbook.withdraw(intake, now.get());
                    logbook.takeBackAside(aside, now.get());
                },
                () -> {
                    logbook.repeatAside(aside);
                    logbook.restore(intake);
                }));
        return new Notice(false, "Corrected: " + reading.fact().label() + " is " + value + ".");
    }

    /** Takes a text out; it stays in the logbook and no longer counts. */
    Notice takeOut(Intake text) {
        logbook.withdraw(text.id(), now.get());
        undo.did(new UndoStack.Step(
                "taking out “" + text.name() + "”",
                () -> logbook.restore(text.id()),
                () -> logbook.withdraw(text.id(), now.get())));
        return new Notice(
                false, "Taken out: " + text.name() + ". It is kept in the logbook; undo lets it count again.");
    }

    Notice takeTyped(Fact fact, String value) throws Refusal {
        long intake = logbook.take(picked.orRefuse(), TypedReading.parse(TypedReading.text(fact, value), now.get()));
        undoable(fact.label() + " " + value, List.of(intake));
        return new Notice(false, "Noted: " + fact.label() + " is " + value + ".");
    }

    private void undoable(String name, List<Long> intakes) {
        undo.did(new UndoStack.Step(
                name,
                () -> intakes.forEach(intake -> logbook.withdraw(intake, now.get())),
                () -> intakes.forEach(logbook::restore)));
    }
}
