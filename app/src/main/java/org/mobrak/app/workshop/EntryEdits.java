package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.file.EntryCheck;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.catalogue.file.GrammarTrial;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.learn.GrammarProposal;
import org.mobrak.core.learn.PhoneDraft;

/** What else than drafts is put into the catalogue: grammars, phones, and any entry as text; on the worker thread only. */
public final class EntryEdits {
    private final WorkshopPlace place;

    public EntryEdits(WorkshopPlace place) {
        this.place = place;
    }

    /** Keeps how a maker composes its build numbers, if that takes apart all it was made of. */
    public String keepGrammar(GrammarProposal proposal, String maker, String fact) throws IOException, Refusal {
        ObjectNode entry = proposal.entry(maker, fact);
        GrammarTrial trial = GrammarTrial.of(entry);
        if (trial.grammar().isEmpty()) {
            throw new Refusal(trial.faults().get(0).text());
        }
        List<String> failed = GrammarProposal.failed(trial.grammar().get(), proposal.builds());
        if (!failed.isEmpty()) {
            throw new Refusal(
                    "Parted so, %s is not taken apart; give another segment another role.".formatted(failed.get(0)));
        }
        keepEntry("grammars", entry, "keeping a grammar");
        return entry.path("id").asText();
    }

    /** Adds the phone on the desk to the catalogue, by what it says of itself. */
    public String addPhone(String maker, String shopName) throws IOException, Refusal {
        WorkshopPlace.Known phone =
                place.phones().stream().findFirst().orElseThrow(() -> new Refusal("Lay a phone on the desk first."));
        ObjectNode family = PhoneDraft.of(phone.identity().facts(), phone.texts())
                .orElseThrow(() -> new Refusal("The phone's model number is not known; read it first."));
        called(family, "maker", maker, "maker");
        called(family, "shopName", shopName, "shop name");
        String model = family.at("/variants/0/model").asText();
        if (place.catalogue().phone(model).isPresent()) {
            throw new Refusal("The catalogue knows " + model + " already.");
        }
        keepEntry("phones", family, "adding " + model);
        return model;
    }

    /** What a person says goes before what the phone says. */
    private static void called(ObjectNode family, String field, String typed, String what) throws Refusal {
        if (!typed.isBlank()) {
            family.put(field, typed.strip());
        }
        if (!family.has(field)) {
            throw new Refusal("Say the phone's " + what + "; nothing that was read names it.");
        }
    }

    /** The files of the catalogue. */
    public List<String> entries() throws IOException {
        return EntryCheck.names(place.folder());
    }

    /** A file of the catalogue as text. */
    public OpenEntry openText(String name) throws IOException {
        String text = Files.readString(place.folder().resolve(name));
        return new OpenEntry(name, text, EntryCheck.of(name, text));
    }

    /** Writes the text of a file anew; one with a fault is not written, and what was typed stays with whoever typed it. */
    public OpenEntry saveText(String name, String text) throws IOException, Refusal {
        Optional<Fault> fault = EntryCheck.of(name, text).stream()
                .filter(one -> !one.isWarning())
                .findFirst();
        if (fault.isPresent()) {
            throw new Refusal("Not saved: " + fault.get().text());
        }
        SavedEntries saved = new SavedEntries(place.folder());
        saved.writeText(place.folder().resolve(name), text);
        place.changed();
        saved.undoable(place, "changing " + name, () -> {}, () -> {});
        return openText(name);
    }

    private void keepEntry(String kind, ObjectNode entry, String what) throws IOException {
        SavedEntries saved = new SavedEntries(place.folder());
        saved.write(kind, entry, Optional.empty());
        place.changed();
        saved.undoable(place, what, () -> {}, () -> {});
    }
}
