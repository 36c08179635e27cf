package org.mobrak.app.aftercare;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.mobrak.app.AppInventory;
import org.mobrak.app.ProofWords;
import org.mobrak.app.PropertyEdit;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.mend.Complaint;
import org.mobrak.core.mend.Diagnosis;
import org.mobrak.core.mend.Diagnostics;
import org.mobrak.core.mend.patch.PropertyChange;
import org.mobrak.core.mend.patch.PropertyPatch;
import org.mobrak.core.proof.AppChanges;
import org.mobrak.core.proof.AppList;
import org.mobrak.core.proof.Comparison;
import org.mobrak.core.proof.Ladder;
import org.mobrak.core.proof.Seen;
import org.mobrak.core.proof.Strictness;

/** What is noted and tried after the work, of the phone on the desk; on the worker thread only. */
public final class Aftercare {
    private static final int MOST_LINES_SHOWN = 5_000;

    private final Place place;
    private Optional<Troubles> troubles = Optional.empty();
    private long phone = -1;
    private Optional<PropertyEdit> file = Optional.empty();
    /** The phone on the cable that the file was taken off. */
    private Optional<String> source = Optional.empty();

    private Optional<Listing> before = Optional.empty();
    private Optional<Listing> after = Optional.empty();

    private record Listing(String name, AppList apps) {}

    public Aftercare(Place place) {
        this.place = place;
    }

    /** Everything as it stands; what lay open of another phone is put away. */
    public AftercareView look() throws IOException, Refusal {
        long id = turnToThePhone();
        Notes notes = notes();
        JobOutcomes outcomes = new JobOutcomes(place.dossier(), place.catalogue());
        List<AftercareView.JobOutcome> jobs = outcomes.compared();
        List<Seen> timeline = outcomes.timeline(notes);
        return new AftercareView(
                id,
                notes,
                timeline,
                Ladder.climb(timeline, place.facts(), notes.strictness()),
                place.facts().value(Fact.ROOT),
                jobs,
                troubles().symptoms(),
                diagnosis(notes, outcomes.done(), jobs.stream().findFirst().map(AftercareView.JobOutcome::comparison)),
                file.map(edit -> opened(edit, source, notes)),
                inventory(),
                new BackAgain(place).look());
    }

    /** What lay open of another phone is put away. */
    private long turnToThePhone() throws Refusal {
        long id = place.dossier().phone().id();
        if (id != phone) {
            phone = id;
            file = Optional.empty();
            source = Optional.empty();
            before = Optional.empty();
            after = Optional.empty();
        }
        return id;
    }

    private Diagnosis diagnosis(Notes notes, List<String> done, Optional<Comparison> last) throws IOException, Refusal {
        Diagnostics diagnostics = new Diagnostics(place.catalogue(), troubles());
        List<String> said = notes.symptoms().stream()
                .filter(id -> known().symptom(id).isPresent())
                .toList();
        Complaint told = new Complaint(said, notes.answers(), done, place.facts(), last);
        return diagnostics.diagnose(diagnostics.complete(told));
    }

    private Troubles known() {
        return troubles.orElseThrow();
    }

    private Troubles troubles() throws IOException {
        if (troubles.isEmpty()) {
            troubles = Optional.of(place.troubles());
        }
        return troubles.get();
    }

    /** The catalogue is another one now. */
    public void forgetCatalogue() {
        troubles = Optional.empty();
    }

    private Notes notes() throws Refusal {
        return Notes.parse(place.kept(), place.usualProof());
    }

    private void note(String what, UnaryOperator<Notes> change) throws Refusal {
        place.keep(
                what,
                kept -> change.apply(Notes.parse(kept, place.usualProof())).text());
    }

    public void saw(Seen what) throws Refusal {
        note("seeing “" + what.word() + "”", notes -> notes.saw(what, place.now()));
    }

    /** Takes what a manager or a proof app says; each line counts as the one thing it says. */
    public void heard(String text) throws IOException, Refusal {
        List<Seen> said = ProofWords.of("The text", text);
        note("what an app says", notes -> {
            Notes now = notes;
            for (Seen what : said) {
                now = now.saw(what, place.now());
            }
            return now;
        });
    }

    public void judgeBy(Strictness strictness) throws Refusal {
        note("judging proof " + strictness.word(), notes -> notes.by(strictness));
    }

    /** Adds a symptom, or takes it away. */
    public void turn(String symptom) throws Refusal {
        note("symptom “" + symptom + "”", notes -> notes.turned(symptom));
    }

    public void answer(String question, String answer) throws Refusal {
        note("an answer", notes -> notes.answered(question, answer));
    }

    public void takeBackAnswer(String question) throws Refusal {
        note("taking an answer back", notes -> notes.unanswered(question));
    }

    // A property file.

    public void open(Path path) throws IOException, Refusal {
        opened(PropertyEdit.open(path));
    }

    public void openPasted(String text) throws IOException, Refusal {
        opened(PropertyEdit.of("pasted.prop", text.getBytes(StandardCharsets.UTF_8)));
    }

    /** Opens what was taken off a phone on the cable. */
    public void openPulled(String seen, byte[] content) throws IOException, Refusal {
        opened(PropertyEdit.of("build.prop of " + seen, content));
        source = Optional.of(seen);
    }

    /** The change that is to be brought back to the phone its file was taken off. */
    public Pulled pulled() throws Refusal {
        String seen = source.orElseThrow(() -> new Refusal("Take the file off the phone on the cable first."));
        return new Pulled(seen, changed());
    }

    /** A changed file and the phone it comes from. */
    public record Pulled(String phone, PropertyEdit edit) {}

    /** The change is on the phone; what lies there now is what lies open. */
    public void brought() throws Refusal, IOException {
        PropertyEdit edit = changed();
        keep(edit);
        file = Optional.of(PropertyEdit.of(
                edit.name(), edit.patch().flatMap(PropertyPatch::bytes).orElseThrow()));
    }

    /** What is no property file is told, and what lay open stays. */
    private void opened(PropertyEdit edit) throws IOException, Refusal {
        turnToThePhone();
        Optional<String> objection = edit.objection();
        if (objection.isPresent()) {
            throw new UnreadableInput(edit.name() + " is no property file. " + objection.get());
        }
        file = Optional.of(edit);
        source = Optional.empty();
    }

    public void putFileAway() {
        file = Optional.empty();
    }

    /** Tries a change; nothing is written. */
    public void change(String key, String value, String expected) throws Refusal {
        PropertyEdit opened = file.orElseThrow(() -> new Refusal("Open a property file first."));
        file = Optional.of(opened.with(PropertyChange.parse(key.strip() + "=" + value, expected)));
    }

    /** Writes the changed file and keeps with the phone what was changed. */
    public Path save(Path out) throws IOException, Refusal {
        PropertyEdit edit = changed();
        edit.writeTo(out);
        keep(edit);
        return out;
    }

    private void keep(PropertyEdit edit) throws Refusal {
        PropertyPatch patch = edit.patch().orElseThrow();
        note(
                "keeping a change of " + patch.change().key(),
                notes -> notes.patched(new Notes.Patched(
                        edit.name(),
                        patch.change().key(),
                        patch.change().expected(),
                        patch.change().value(),
                        edit.sha256Before(),
                        edit.sha256After().orElseThrow(),
                        place.now())));
    }

    public void saveDiff(Path out) throws IOException, Refusal {
        changed().writeDiff(out);
    }

    private PropertyEdit changed() throws Refusal {
        return file.filter(edit -> edit.patch()
                        .filter(patch -> patch.status() == PropertyPatch.Status.PATCHED)
                        .isPresent())
                .orElseThrow(() -> new Refusal("There is no change to save."));
    }

    private static AftercareView.OpenFile opened(PropertyEdit edit, Optional<String> source, Notes notes) {
        return new AftercareView.OpenFile(
                edit.name(), source, edit.lines(MOST_LINES_SHOWN), edit.patch(), recognised(edit, notes));
    }

    /** The last change made to such a key of this phone, and whether this file still has it. */
    private static Optional<AftercareView.Recognised> recognised(PropertyEdit edit, Notes notes) {
        for (int i = notes.patches().size() - 1; i >= 0; i--) {
            Notes.Patched patch = notes.patches().get(i);
            Optional<PropertyPatch.Status> status = edit.tried(patch.key(), patch.after(), patch.before());
            if (status.filter(one -> one == PropertyPatch.Status.ALREADY || one == PropertyPatch.Status.PATCHED)
                    .isPresent()) {
                return Optional.of(new AftercareView.Recognised(patch, status.get() == PropertyPatch.Status.ALREADY));
            }
        }
        return Optional.empty();
    }

    // Apps.

    public void appsBefore(Path list) throws IOException, Refusal {
        turnToThePhone();
        before = Optional.of(new Listing(list.getFileName().toString(), AppInventory.read(list)));
    }

    public void appsAfter(Path list) throws IOException, Refusal {
        turnToThePhone();
        after = Optional.of(new Listing(list.getFileName().toString(), AppInventory.read(list)));
    }

    private Optional<AftercareView.Inventory> inventory() throws IOException {
        if (before.isEmpty() && after.isEmpty()) {
            return Optional.empty();
        }
        Optional<AppChanges> changes =
                before.flatMap(first -> after.map(second -> AppChanges.of(first.apps(), second.apps())));
        Troubles all = troubles();
        List<AftercareView.Gone> gone = changes.stream()
                .flatMap(found -> found.gone().stream())
                .map(app -> new AftercareView.Gone(app, all.reliedOnBy(app)))
                .toList();
        return Optional.of(
                new AftercareView.Inventory(before.map(Listing::name), after.map(Listing::name), changes, gone));
    }
}
