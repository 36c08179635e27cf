package org.mobrak.app;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.rehearsal.Rehearsals;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.app.workshop.EntryEdits;
import org.mobrak.app.workshop.OpenEntry;
import org.mobrak.app.workshop.Tryout;
import org.mobrak.app.workshop.Workshop;
import org.mobrak.app.workshop.WorkshopView;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.learn.GrammarProposal;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.form.Saying;
import org.mobrak.core.logbook.Output;

/** From a guide to a route. Called on the thread that draws; nothing is worked out until somebody looks. */
public final class WorkshopDesk {
    private static final String PASTED = "pasted text";

    private final Workers workers;
    private final Supplier<Workbench> bench;
    private final Observed<Optional<WorkshopView>> view = new Observed<>(Optional.empty());
    private final Observed<Optional<GrammarProposal>> proposal = new Observed<>(Optional.empty());
    private final Observed<List<String>> entries = new Observed<>(List.of());
    private final Observed<Optional<OpenEntry>> entry = new Observed<>(Optional.empty());
    private final Observed<Optional<Report>> report = new Observed<>(Optional.empty());

    /** Something that may be refused. */
    private interface Change {
        String make(Workshop workshop) throws IOException, Refusal;
    }

    /** The same for what is no draft. */
    private interface Edit {
        String make(EntryEdits edits) throws IOException, Refusal;
    }

    WorkshopDesk(Workers workers, Supplier<Workbench> bench) {
        this.workers = workers;
        this.bench = bench;
    }

    /** How a maker's build numbers seem to be composed; empty until some were taken apart. */
    public Observed<Optional<GrammarProposal>> proposal() {
        return proposal;
    }

    /** The files of the workspace's catalogue; empty until they were listed. */
    public Observed<List<String>> entries() {
        return entries;
    }

    /** The file that lies open as text. */
    public Observed<Optional<OpenEntry>> entry() {
        return entry;
    }

    public void listEntries() {
        workers.ask("Listing the catalogue", () -> {
            List<String> now = bench.get().entryEdits().entries();
            workers.draw(() -> entries.set(now));
            return Outcome.NOTHING;
        });
    }

    public void openText(String name) {
        workers.ask("Opening " + name, () -> {
            OpenEntry now = bench.get().entryEdits().openText(name);
            workers.draw(() -> entry.set(Optional.of(now)));
            return Outcome.NOTHING;
        });
    }

    /** Saves a file's text; a text with a fault is told and not saved. */
    public void saveText(String name, String text) {
        workers.ask("Saving " + name, () -> {
            OpenEntry now = bench.get().entryEdits().saveText(name, text);
            workers.draw(() -> entry.set(Optional.of(now)));
            show();
            return Outcome.told("Saved: " + name + ". Undo takes it back.");
        });
    }

    /** Writes the text of an entry as a file for somebody else. */
    public void exportText(String text, Path out) {
        workers.ask("Saving a copy", () -> {
            Output.write(out, text);
            return Outcome.told("Saved: " + out);
        });
    }

    /** Takes build numbers of one maker apart. */
    public void takeApart(List<String> builds) {
        workers.ask("Taking build numbers apart", () -> {
            GrammarProposal now = GrammarProposal.of(builds);
            workers.draw(() -> proposal.set(Optional.of(now)));
            return Outcome.NOTHING;
        });
    }

    /** Gives a segment another role. */
    public void isOf(int segment, Role role) {
        proposal.set(proposal.get().map(now -> now.with(segment, role)));
    }

    /** Keeps the proposal as the maker's grammar. */
    public void keepGrammar(String maker, String fact) {
        Optional<GrammarProposal> now = proposal.get();
        edit(
                "Keeping the grammar",
                edits -> "Kept as "
                        + edits.keepGrammar(
                                now.orElseThrow(() -> new Refusal("Take some build numbers apart first.")), maker, fact)
                        + ". The build numbers of this maker are taken apart so from now on.");
    }

    /** Adds the phone on the desk to the catalogue. */
    public void addPhone(String maker, String shopName) {
        edit(
                "Adding the phone to the catalogue",
                edits -> edits.addPhone(maker, shopName) + " is in the catalogue now. Undo takes that back.");
    }

    /** What lies on the table; empty while nothing does, or nobody looked. */
    public Observed<Optional<WorkshopView>> view() {
        return view;
    }

    /** How the draft did on the bench the last time; empty until it was tried as it is now. */
    public Observed<Optional<Report>> report() {
        return report;
    }

    /** Works everything out, quietly. */
    public void look() {
        workers.quietly(this::show);
    }

    /** On the worker thread. */
    private void show() {
        Optional<WorkshopView> now =
                Optional.ofNullable(bench.get()).flatMap(open -> open.workshop().look());
        workers.draw(() -> {
            if (!view.get().equals(now)) {
                report.set(Optional.empty());
                view.set(now);
            }
        });
    }

    private void change(String what, Change change) {
        workers.ask(what, () -> {
            String told = change.make(bench.get().workshop());
            show();
            return told.isEmpty() ? Outcome.NOTHING : Outcome.told(told);
        });
    }

    private void edit(String what, Edit edit) {
        workers.ask(what, () -> {
            String told = edit.make(bench.get().entryEdits());
            show();
            return Outcome.told(told);
        });
    }

    /** Something that gives guides. */
    private interface Guides {
        List<Learner.Source> read() throws IOException;
    }

    /** Reads a guide that was pasted. */
    public void readPasted(String text) {
        read(() -> List.of(new Learner.Source(PASTED, text.getBytes(StandardCharsets.UTF_8))));
    }

    /** Reads files as one guide. */
    public void readFiles(List<Path> files) {
        read(() -> {
            List<Learner.Source> sources = new ArrayList<>();
            for (Path file : files) {
                sources.add(Learning.source(file));
            }
            return sources;
        });
    }

    /** A long guide takes seconds to learn, and a job's ticks do not wait for it. */
    private void read(Guides guides) {
        workers.read(
                "Reading the guide",
                () -> {
                    List<Learner.Source> sources = guides.read();
                    LocalDate day =
                            workers.fromWorker(() -> bench.get().workshop().today());
                    return new Learnt(sources, new Learner().learn(sources, day));
                },
                learnt -> {
                    bench.get().workshop().lay(learnt.sources(), learnt.lesson());
                    show();
                    return Outcome.NOTHING;
                });
    }

    private record Learnt(List<Learner.Source> sources, Lesson lesson) {}

    /** Lays a route of the catalogue on the table. */
    public void open(String route) {
        change("Opening a route", workshop -> {
            workshop.open(route);
            return "";
        });
    }

    public void clear() {
        change("Clearing the table", workshop -> {
            workshop.clear();
            return "";
        });
    }

    public void choose(int draft) {
        change("Turning to another draft", workshop -> {
            workshop.choose(draft);
            return "";
        });
    }

    public void change(String field, String value, boolean inAll) {
        change("Changing the draft", workshop -> {
            workshop.change(field, value, inAll);
            return "";
        });
    }

    public void leaveOpen(String field, boolean inAll) {
        change("Leaving a question open", workshop -> {
            workshop.leaveOpen(field, inAll);
            return "";
        });
    }

    /** Names phones that the catalogue does not know yet. */
    public void call(String maker, String shopName, boolean inAll) {
        change("Naming the phones", workshop -> {
            workshop.call(maker, shopName, inAll);
            return "";
        });
    }

    /** Lets a piece of the guide count as what the person says it is. */
    public void say(Saying what, String piece, String file, int from) {
        change("Taking a piece of the guide", workshop -> {
            workshop.say(what, piece, file, from);
            return "";
        });
    }

    /** Answers a question of the draft with words of the guide. */
    public void answer(String field, String words, String file, int line) {
        change("Answering from the guide", workshop -> {
            workshop.answer(field, words, file, line);
            return "";
        });
    }

    /** Waves a line off that looks like an order or a condition and says nothing for the draft. */
    public void waveOff(String file, int line) {
        change("Waving a line off", workshop -> {
            workshop.waveOff(file, line);
            return "";
        });
    }

    public void waveOffAll() {
        change("Waving lines off", workshop -> {
            workshop.waveOffAll();
            return "";
        });
    }

    public void addStep(String text) {
        change("Adding a step", workshop -> {
            workshop.addStep(text);
            return "";
        });
    }

    public void addFile(String name) {
        change("Adding a file", workshop -> {
            workshop.addFile(name);
            return "";
        });
    }

    public void takeOut(String field) {
        change("Taking a part out", workshop -> {
            workshop.takeOut(field);
            return "";
        });
    }

    public void saveDraft() {
        change(
                "Saving the draft",
                workshop -> "Saved as a draft: " + workshop.saveDraft().getFileName()
                        + ". Nothing is planned with it before you confirm it.");
    }

    public void confirm(boolean all) {
        change("Confirming", workshop -> {
            int count = workshop.confirm(all).size();
            return (count == 1 ? "The route is" : count + " routes are")
                    + " in the catalogue and planned with from now on. Undo takes that back.";
        });
    }

    public void export(Path out) {
        change("Saving a copy", workshop -> {
            workshop.export(out);
            return "Saved: " + out;
        });
    }

    /** Plays the draft on the bench, as it stands; nothing of it is kept. */
    public void rehearse(long seed, Person person) {
        workers.read(
                "Rehearsing the draft",
                () -> {
                    Tryout tryout =
                            workers.fromWorker(() -> bench.get().workshop().tryout());
                    return Rehearsals.ofDrawer(
                            tryout.name(), tryout.outlook(), tryout.plan().orElseThrow(), seed, List.of(), person);
                },
                went -> {
                    workers.draw(() -> report.set(Optional.of(went)));
                    return Outcome.NOTHING;
                });
    }
}
