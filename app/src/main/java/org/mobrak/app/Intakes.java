package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.check.PhoneSorting;
import org.mobrak.core.identity.check.PhoneSorting.Heap;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;

/**
 * Phones and texts that come in. What is not surely of the phone on the desk is asked about before anything is mixed. On the worker
 * thread only, as all that stands on the workbench.
 */
final class Intakes {
    private final Logbook logbook;
    private final UndoStack undo;
    private final PickedPhone picked;
    private final ReadingEdits readings;
    private final OnDesk<Identity> identity;
    private final Clock clock;

    Intakes(
            Logbook logbook,
            UndoStack undo,
            PickedPhone picked,
            ReadingEdits readings,
            OnDesk<Identity> identity,
            Clock clock) {
        this.logbook = logbook;
        this.undo = undo;
        this.picked = picked;
        this.readings = readings;
        this.identity = identity;
        this.clock = clock;
    }

    void addPhone(String nickname) throws Refusal {
        if (nickname.isBlank()) {
            throw new Refusal("The phone needs a name, for example the hive it will go to.");
        }
        Optional<PhoneRecord> before = picked.get();
        PhoneRecord added = logbook.addPhone(nickname.strip(), clock.instant());
        picked.lay(added);
        picked.keep();
        undoableAdding("adding “" + added.nickname() + "”", List.of(added), before);
    }

    private void undoableAdding(String name, List<PhoneRecord> added, Optional<PhoneRecord> before) {
        undo.did(new UndoStack.Step(
                name,
                () -> {
                    added.forEach(phone -> logbook.withdraw(phone, clock.instant()));
                    picked.put(before);
                },
                () -> {
                    added.forEach(logbook::restore);
                    picked.put(Optional.of(added.get(added.size() - 1)));
                }));
    }

    /** All named files or none: the first that cannot be read stops it before anything is kept. */
    Outcome takeFiles(List<Path> files) throws IOException, Refusal {
        FilePicker found = FilePicker.read(files);
        Outcome outcome = offer(found.texts());
        if (found.passedOver() == 0 || !(outcome instanceof Outcome.Told told)) {
            return outcome;
        }
        String more = " %d files held no reading and were passed over.".formatted(found.passedOver());
        return new Outcome.Told(new Notice(told.notice().bad(), told.notice().text() + more));
    }

    /** Takes texts in, unless they are not all of the phone on the desk; then it asks before anything is mixed. */
    Outcome offer(List<RawText> texts) throws Refusal {
        List<Heap> heaps = PhoneSorting.sort(texts, logbook.texts());
        if (picked.get().isEmpty()) {
            return new Outcome.Told(takeAsNew(heaps, ""));
        }
        Facts facts = identity.get().facts();
        if (heaps.size() < 2 && !PhoneSorting.isAnotherPhone(facts, texts, logbook.texts())) {
            return new Outcome.Told(readings.take(texts));
        }
        return new Outcome.Asked(Question.about(heaps, picked.orRefuse(), facts.value(Fact.MODEL)));
    }

    /**
     * A {@link Refusal} where a text is not surely of the phone on the desk: what one phone shows proves nothing of another. A phone
     * whose model number was rewritten says again what it said before, so that is what counts.
     */
    void mustBeOnDesk(RawText text) throws Refusal {
        Ledger known = identity.get().ledger();
        Facts other = PhoneSorting.facts(List.of(text), logbook.texts());
        Optional<String> says = other.value(Fact.MODEL);
        boolean saidBefore = says.isPresent()
                && known.of(Fact.MODEL).stream()
                        .anyMatch(reading -> reading.value().equals(says.get()));
        // Of many phones of one model only the serial number tells which it is, where the phone says it.
        boolean sameOne = other.value(Fact.SERIAL).isEmpty()
                || other.value(Fact.SERIAL).equals(known.facts().value(Fact.SERIAL));
        if (!saidBefore || !sameOne) {
            throw new Refusal(
                    "The phone on the cable says that it is %s, and no reading of the phone on the desk says just that. Nothing was noted; take a reading of it over the cable first."
                            .formatted(Stream.concat(says.stream(), other.value(Fact.SERIAL).stream())
                                    .collect(Collectors.joining(", ", "", says.isEmpty() ? "nobody it names" : ""))));
        }
    }

    Notice answer(Question question, Question.Answer answer) throws Refusal {
        return switch (answer) {
            case LEAVE -> new Notice(false, "Left as it was; nothing was taken in.");
            case SAME_PHONE -> takeAsSame(question);
            case NEW_PHONES -> takeAsNew(question.heaps(), "New: ");
        };
    }

    /** Another phone may lie on the desk by now. */
    private Notice takeAsSame(Question question) throws Refusal {
        if (!picked.is(question.phone())) {
            picked.lay(question.phone());
            picked.keep();
        }
        return readings.take(
                question.heaps().stream().flatMap(heap -> heap.texts().stream()).toList());
    }

    /** @param prefix what their names begin with */
    private Notice takeAsNew(List<Heap> heaps, String prefix) {
        Optional<PhoneRecord> before = picked.get();
        List<PhoneRecord> added = new ArrayList<>();
        for (Heap heap : heaps) {
            PhoneRecord phone = logbook.addPhone(prefix + Question.nameOf(heap), clock.instant());
            heap.texts().forEach(text -> logbook.take(phone, text, clock.instant()));
            added.add(phone);
        }
        picked.lay(added.get(added.size() - 1));
        picked.keep();
        String count = added.size() == 1 ? "1 phone" : added.size() + " phones";
        undoableAdding("adding " + count, added, before);
        return new Notice(false, count + " put in the drawer.");
    }
}
