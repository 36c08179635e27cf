package org.mobrak.app.workshop;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.mobrak.app.workshop.WorkshopPlace.Piece;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.EntryYaml;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.form.Form;
import org.mobrak.core.learn.form.Saying;
import org.mobrak.core.logbook.Output;

/** What lies on the workshop's table, and what is done with it; on the worker thread only. */
public final class Workshop {
    private static final int LONG_PIECE = 30;

    private final WorkshopPlace place;
    private final Looking looking;
    /** Null until somebody asks: what was kept is learnt anew then, and opening a workspace must not wait for that. */
    private @Nullable Optional<Table> table;

    private List<Learner.Source> kept = List.of();

    /** Something that makes another draft of one. */
    private interface Change {
        Draft of(Draft draft) throws Refusal;
    }

    public Workshop(WorkshopPlace place) {
        this.place = place;
        this.looking = new Looking(place);
    }

    /** The day by which guides are learnt. */
    public LocalDate today() {
        return place.today();
    }

    /**
     * Lays what was learnt on the table; what lay there makes way, and undo brings it back.
     *
     * @param lesson of these guides, read as one
     */
    public void lay(List<Learner.Source> sources, Lesson lesson) {
        Since since = table().map(before -> Since.of(before.sources(), sources)).orElse(Since.NOTHING);
        set("reading a guide", Optional.of(Table.of(sources, lesson).since(since)));
    }

    private Optional<Table> table() {
        Optional<Table> now = table == null ? Table.parse(place.kept(Piece.DRAFTS), place.kept(Piece.GUIDES)) : table;
        table = now;
        return now;
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
        change("naming the phones", inAll, draft -> draft.called(maker.strip(), shopName.strip()));
    }

    /**
     * Lets a piece of the guide count as what the person says it is; its lines are placed so.
     *
     * @param from the first line of the piece, in the guide of that name
     */
    public void say(Saying what, String piece, String file, int from) throws Refusal {
        Table now = onTable();
        int lines = (int) piece.strip().lines().count();
        List<Table.Place> placed = IntStream.range(from, from + Math.max(1, lines))
                .mapToObj(line -> new Table.Place(file, line))
                .toList();
        Draft said = now.draft().with(what.in(now.draft().route(), piece));
        set(
                "saying what “%s” is".formatted(shortened(piece)),
                Optional.of(now.with(said).settling(placed)));
    }

    /** Answers a question with words of the guide; of an amount only the figures count. */
    public void answer(String field, String words, String file, int line) throws Refusal {
        Optional<Saying> saying = Saying.of(field);
        if (saying.isPresent()) {
            say(saying.get(), words, file, line);
            return;
        }
        Matcher figures = FIGURES.matcher(words);
        boolean amount = field.startsWith("gate:battery") || field.startsWith("costs:");
        String value = amount && figures.find() ? figures.group() : words.strip();
        Table now = onTable();
        Draft said = now.draft().with(Form.with(now.draft().route(), field, value));
        set("answering from the guide", Optional.of(now.with(said).settling(List.of(new Table.Place(file, line)))));
    }

    private static final Pattern FIGURES = Pattern.compile("\\d{1,4}");

    /** Waves lines off that look like orders or conditions and say nothing for the draft. */
    public void waveOff(String file, int line) throws Refusal {
        set("waving a line off", Optional.of(onTable().settling(List.of(new Table.Place(file, line)))));
    }

    public void waveOffAll() throws Refusal {
        Table now = onTable();
        set("waving lines off", Optional.of(now.settling(now.unplaced())));
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
        return table().orElseThrow(() -> new Refusal("Paste a guide first."));
    }

    private void set(String what, Optional<Table> then) {
        Optional<Table> before = table();
        put(then);
        place.did(what, () -> put(before), () -> put(then));
    }

    private void put(Optional<Table> now) {
        table = now;
        keep();
    }

    /** The guides are written only where others lie there than before. */
    private void keep() {
        List<Learner.Source> guides = table().map(Table::sources).orElse(List.of());
        if (!guides.equals(kept)) {
            place.keep(Piece.GUIDES, Table.guides(guides));
            kept = guides;
        }
        place.keep(Piece.DRAFTS, table().map(now -> now.text(place.today())).orElse(""));
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
        Confirming.refuseUnplaced(onTable());
        Catalogue catalogue = place.catalogue();
        List<Draft> confirmed = new ArrayList<>();
        for (Draft draft : drafts) {
            confirmed.add(Confirming.sound(draft, looking.open(draft), catalogue));
        }
        return save(
                confirmed,
                "confirming " + (confirmed.size() == 1 ? confirmed.get(0).name() : "all drafts"));
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
        Optional<Table> before = table();
        Optional<Table> after = Optional.of(now);
        place.changed();
        put(after);
        saved.undoable(place, what, () -> put(before), () -> put(after));
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

    /** Writes the draft as a file for somebody else. */
    public void export(Path out) throws IOException, Refusal {
        Output.write(out, EntryYaml.of(onTable().draft().route()));
    }

    /** Everything as it stands; empty while nothing lies on the table. */
    public Optional<WorkshopView> look() {
        return table().map(looking::at);
    }

    /** The draft on a phone, ready to be rehearsed. */
    public Tryout tryout() throws Refusal {
        return looking.tried(onTable().draft())
                .filter(tryout -> tryout.plan().isPresent())
                .orElseThrow(() -> new Refusal("No plan takes this draft yet; the page says what is in the way."));
    }
}
