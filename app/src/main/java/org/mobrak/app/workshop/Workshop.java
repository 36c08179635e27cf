package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.EntryCheck;
import org.mobrak.core.catalogue.file.EntryYaml;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.catalogue.file.GrammarTrial;
import org.mobrak.core.catalogue.file.Trial;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.learn.GrammarProposal;
import org.mobrak.core.learn.GuideView;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.Questions;
import org.mobrak.core.learn.form.Form;
import org.mobrak.core.learn.form.Saying;

/** What lies on the workshop's table, and what is done with it; on the worker thread only. */
public final class Workshop {
    private static final Set<String> DEADLY = Set.of("bootloader", "radio", "partition-table");

    private static final int LONG_PIECE = 30;

    private final WorkshopPlace place;
    private Optional<Table> table;

    /** Something that makes another draft of one. */
    private interface Change {
        Draft of(Draft draft) throws Refusal;
    }

    public Workshop(WorkshopPlace place) {
        this.place = place;
        this.table = Table.parse(place.kept());
    }

    /** Reads guides as one; what lay on the table makes way, and undo brings it back. */
    public void read(List<Learner.Source> sources) {
        set("reading a guide", Optional.of(Table.of(sources, place.today())));
    }

    /** Lays a route of the catalogue on the table. */
    public void open(String id) throws IOException, Refusal {
        Path file = EntryYaml.find(place.folder(), "routes", id)
                .orElseThrow(() -> new Refusal("The catalogue has no route “" + id + "”."));
        Draft opened = Draft.of(EntryYaml.read(file)).savedAs(name(file));
        set("opening “" + opened.name() + "”", Optional.of(Table.of(opened)));
    }

    private String name(Path file) {
        return place.folder().relativize(file).toString().replace('\\', '/');
    }

    public void clear() {
        set("clearing the table", Optional.empty());
    }

    public void choose(int index) throws Refusal {
        Table now = onTable().choosing(index);
        table = Optional.of(now);
        keep();
    }

    /**
     * Puts a value into a field.
     *
     * @param inAll in every draft on the table, and not just in the one that is looked at
     */
    public void change(String field, String value, boolean inAll) throws Refusal {
        change("changing “" + field + "”", inAll, draft -> draft.with(Form.with(draft.route(), field, value)));
    }

    /** Leaves a question open, or takes that back. */
    public void leaveOpen(String field, boolean inAll) throws Refusal {
        change("leaving a question open", inAll, draft -> draft.leaving(field));
    }

    public void call(String maker, String shopName, boolean inAll) throws Refusal {
        change("naming the phones", inAll, draft -> draft.of(maker.strip(), shopName.strip()));
    }

    /** Lets a piece of the guide count as what the person says it is. */
    public void say(Saying what, String piece) throws Refusal {
        change(
                "saying what “%s” is".formatted(shortened(piece)),
                false,
                draft -> draft.with(what.in(draft.route(), piece)));
    }

    private static String shortened(String piece) {
        String line = piece.strip().replaceAll("\\s+", " ");
        return line.length() <= LONG_PIECE ? line : line.substring(0, LONG_PIECE) + "…";
    }

    public void addStep(String text) throws Refusal {
        change("adding a step", false, draft -> draft.with(Form.withStep(draft.route(), text)));
    }

    public void addFile(String name) throws Refusal {
        change("adding a file", false, draft -> draft.with(Form.withFile(draft.route(), name)));
    }

    /** Takes a step or a file out, by any of its fields. */
    public void takeOut(String field) throws Refusal {
        change("taking a part out", false, draft -> draft.with(Form.without(draft.route(), field)));
    }

    private void change(String what, boolean inAll, Change change) throws Refusal {
        Table now = onTable();
        Table then = now.with(change.of(now.draft()));
        for (int i = 0; inAll && i < now.drafts().size(); i++) {
            then = then.with(i, change.of(now.drafts().get(i)));
        }
        set(what, Optional.of(then));
    }

    private Table onTable() throws Refusal {
        return table.orElseThrow(() -> new Refusal("Paste a guide first."));
    }

    private void set(String what, Optional<Table> then) {
        Optional<Table> before = table;
        put(then);
        place.did(what, () -> put(before), () -> put(then));
    }

    private void put(Optional<Table> now) {
        table = now;
        keep();
    }

    private void keep() {
        place.keep(table.map(now -> now.text(place.today())).orElse(""));
    }

    // Saving.

    /** Saves the draft as one; it is told by the catalogue's check and never planned with. */
    public Path saveDraft() throws IOException, Refusal {
        Draft draft = onTable().draft();
        ObjectNode route = draft.route().deepCopy();
        route.put("draft", true);
        return save(List.of(draft.with(route)), "saving a draft").get(0);
    }

    /**
     * Confirms drafts: from now on they are planned with.
     *
     * @param all every draft on the table, or only the one that is looked at
     */
    public List<Path> confirm(boolean all) throws IOException, Refusal {
        List<Draft> drafts = all ? onTable().drafts() : List.of(onTable().draft());
        Catalogue catalogue = place.catalogue();
        List<Draft> confirmed = new ArrayList<>();
        for (Draft draft : drafts) {
            refuseIfOpen(draft);
            Trial trial =
                    Trial.of(draft.route(), draft.family(catalogue).stream().toList(), catalogue);
            Optional<Trial.Found> fault = trial.found().stream()
                    .filter(one -> !one.fault().isWarning())
                    .findFirst();
            if (fault.isPresent()) {
                throw new Refusal("“%s” is not sound yet: %s %s"
                        .formatted(
                                draft.name(),
                                fault.get().fault().what(),
                                fault.get().fault().remedy()));
            }
            ObjectNode route = draft.route().deepCopy();
            route.remove("draft");
            confirmed.add(draft.with(route));
        }
        return save(
                confirmed,
                "confirming " + (confirmed.size() == 1 ? confirmed.get(0).name() : "all drafts"));
    }

    private static void refuseIfOpen(Draft draft) throws Refusal {
        if (!draft.open().isEmpty()) {
            throw new Refusal("“%s” has %d open questions. Answer them, or say that you leave them open. The first: %s"
                    .formatted(
                            draft.name(),
                            draft.open().size(),
                            draft.open().get(0).ask()));
        }
        boolean deadly = draft.left().contains("file:0:sha256")
                && draft.route()
                        .at("/changes/writes")
                        .toString()
                        .matches(".*\"(?:" + String.join("|", DEADLY) + ")\".*");
        if (deadly) {
            throw new Refusal(
                    "“%s” writes what a phone does not survive a wrong file of. Without a checksum it stays a draft."
                            .formatted(draft.name()));
        }
    }

    /** All files or none. */
    private List<Path> save(List<Draft> drafts, String what) throws IOException, Refusal {
        SavedEntries saved = new SavedEntries(place.folder());
        List<Path> routes = new ArrayList<>();
        Table now = onTable();
        try {
            for (Draft draft : drafts) {
                Optional<ObjectNode> family = draft.family(place.catalogue());
                if (family.isPresent() && !draft.route().path("draft").asBoolean()) {
                    saved.write("phones", family.get(), Optional.empty());
                }
                Path file = saved.write("routes", draft.route(), draft.file());
                routes.add(file);
                now = saved(now, draft, file);
            }
        } catch (IOException failed) {
            saved.undo();
            throw failed;
        }
        Optional<Table> before = table;
        Optional<Table> after = Optional.of(now);
        place.changed();
        put(after);
        place.did(
                what,
                () -> {
                    saved.undo();
                    trying(place::changed);
                    put(before);
                },
                () -> {
                    saved.redo();
                    trying(place::changed);
                    put(after);
                });
        return routes;
    }

    private Table saved(Table now, Draft draft, Path file) {
        Table then = now;
        for (int i = 0; i < now.drafts().size(); i++) {
            if (now.drafts().get(i).id().equals(draft.id())) {
                then = then.with(i, draft.savedAs(name(file)));
            }
        }
        return then;
    }

    private interface OnDisk {
        void run() throws IOException;
    }

    private static void trying(OnDisk work) {
        try {
            work.run();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
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
        ObjectNode family = PhoneEntry.of(phone.identity().facts(), maker, shopName);
        String model = family.at("/variants/0/model").asText();
        if (place.catalogue().phone(model).isPresent()) {
            throw new Refusal("The catalogue knows " + model + " already.");
        }
        keepEntry("phones", family, "adding " + model);
        return model;
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
        place.did(
                "changing " + name,
                () -> {
                    saved.undo();
                    trying(place::changed);
                },
                () -> {
                    saved.redo();
                    trying(place::changed);
                });
        return openText(name);
    }

    private void keepEntry(String kind, ObjectNode entry, String what) throws IOException {
        SavedEntries saved = new SavedEntries(place.folder());
        saved.write(kind, entry, Optional.empty());
        place.changed();
        place.did(
                what,
                () -> {
                    saved.undo();
                    trying(place::changed);
                },
                () -> {
                    saved.redo();
                    trying(place::changed);
                });
    }

    /** Writes the draft as a file for somebody else. */
    public void export(Path out) throws IOException, Refusal {
        Files.writeString(out, EntryYaml.of(onTable().draft().route()));
    }

    // Looking.

    /** Everything as it stands; empty while nothing lies on the table. */
    public Optional<WorkshopView> look() {
        return table.map(this::look);
    }

    private WorkshopView look(Table now) {
        String base = "/routes/" + now.chosen();
        List<Lesson.Evidence> own = now.lesson().evidence().stream()
                .filter(said -> said.path().startsWith(base + "/"))
                .toList();
        return new WorkshopView(
                GuideView.of(now.sources(), own),
                now.lesson().warnings(),
                now.drafts().stream().map(Draft::name).toList(),
                now.chosen(),
                now.drafts().isEmpty()
                        ? Optional.empty()
                        : Optional.of(look(now.drafts().get(now.chosen()), Evidences.within(own, base))));
    }

    private WorkshopView.OnTable look(Draft draft, Map<String, Lesson.Evidence> evidence) {
        Catalogue catalogue = place.catalogue();
        Trial trial = Trial.of(draft.route(), draft.family(catalogue).stream().toList(), catalogue);
        return new WorkshopView.OnTable(
                Form.of(draft.route(), evidence),
                draft.maker(),
                draft.shopName(),
                draft.newModels(catalogue),
                draft.open(),
                draft.left(),
                told(trial, draft),
                Alike.of(draft.route(), catalogue),
                trial.catalogue()
                        .map(with -> Tryout.verdicts(with, trial.route().orElseThrow(), place.phones()))
                        .orElse(List.of()),
                tried(trial).map(Workshop::shown),
                draft.file(),
                draft.file().isPresent() && !draft.route().path("draft").asBoolean());
    }

    /** What a question asks already is not told a second time as a fault. */
    private static List<Trial.Found> told(Trial trial, Draft draft) {
        return trial.found().stream()
                .filter(found ->
                        Questions.of(draft.route()).stream().noneMatch(question -> isLackOf(question.path(), found)))
                .toList();
    }

    private static boolean isLackOf(String path, Trial.Found found) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        return found.fault().what().contains("required property '" + name + "'");
    }

    private Optional<Tryout> tried(Trial trial) {
        return trial.catalogue().map(with -> Tryout.of(with, trial.route().orElseThrow(), place.phones()));
    }

    private static WorkshopView.Trying shown(Tryout tryout) {
        return new WorkshopView.Trying(
                tryout.name(),
                tryout.outlook().wish().goal().label(),
                tryout.plan().map(plan -> tryout.outlook().sheet(plan).steps()).orElse(List.of()),
                tryout.plan().isPresent()
                        ? ""
                        : tryout.outlook().answer().blockers().stream()
                                .findFirst()
                                .orElse("No plan takes it."));
    }

    /** The draft on a phone, ready to be rehearsed. */
    public Tryout tryout() throws Refusal {
        Draft draft = onTable().draft();
        Catalogue catalogue = place.catalogue();
        return tried(Trial.of(draft.route(), draft.family(catalogue).stream().toList(), catalogue))
                .filter(tryout -> tryout.plan().isPresent())
                .orElseThrow(() -> new Refusal("No plan takes this draft yet; the page says what is in the way."));
    }
}
