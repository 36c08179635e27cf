package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.mobrak.app.aftercare.Aftercare;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.app.workshop.EntryEdits;
import org.mobrak.app.workshop.Workshop;
import org.mobrak.app.workshop.WorkshopPlace;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.CaseReport;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.Output;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.plan.Brief;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.PhoneLink;

/**
 * The work itself, on the worker thread only. Each method changes what is on disk and gives what to tell the user; a refusal
 * is an exception whose message is for the user.
 */
final class Workbench implements AutoCloseable {
    private final Workspace workspace;
    private final CatalogueComparison comparison;
    private final FileRegister files;
    private final ReadingEdits readings;
    private final CableWatch cable;
    private final Clock clock;
    private final FilesFrom filesFrom;
    private final UndoStack undo = new UndoStack();
    private final PickedPhone picked;
    private final Intakes intakes;
    private final Identities phones;
    private final ReminderEdits reminders;
    private final JobEdits jobs;
    private final Aftercare aftercare;
    private final Workshop workshop;
    private final EntryEdits entryEdits;
    private final Instant opened;
    /** What is wrong with the logbook. Only another program makes rows that cannot be read, so looking once is enough. */
    private Optional<List<Finding>> unread = Optional.empty();

    private Workbench(Workspace workspace, PhoneLink link, Clock clock, FilesFrom filesFrom) {
        this.workspace = workspace;
        this.picked = new PickedPhone(workspace.logbook(), undo);
        this.phones = new Identities(workspace, picked);
        this.comparison = new CatalogueComparison(workspace);
        this.files = new FileRegister(workspace.logbook().materials(), undo);
        this.readings = new ReadingEdits(workspace.logbook(), undo, picked, this::now);
        this.jobs = new JobEdits(workspace.logbook(), undo, this::desk, this::now);
        this.reminders = new ReminderEdits(workspace.logbook(), undo, picked, clock.getZone());
        this.cable = new CableWatch(link);
        this.intakes = new Intakes(workspace.logbook(), undo, picked, readings, phones::identity, clock);
        this.aftercare = new Aftercare(new AfterAtDesk(workspace, files, undo, picked, phones, clock));
        this.clock = clock;
        this.filesFrom = filesFrom;
        this.opened = clock.instant();
        WorkshopPlace table = new WorkshopAtDesk(workspace, undo, clock, phones::inTheDrawer, this::forget);
        this.workshop = new Workshop(table);
        this.entryEdits = new EntryEdits(table);
    }

    /** Opens a workspace with the phone on the desk that was there last. */
    static Workbench open(Path folder, Path cache, PhoneLink link, Clock clock, FilesFrom filesFrom)
            throws IOException {
        Workspace workspace = Workspace.begin(folder, cache);
        try {
            Workbench bench = new Workbench(workspace, link, clock, filesFrom);
            // What phones told can be read while the catalogue is.
            bench.phones.all();
            workspace.whoIsKnown();
            return bench;
        } catch (IOException | RuntimeException failed) {
            workspace.close();
            throw failed;
        }
    }

    /**
     * Begins to look through the whole logbook beside the work.
     *
     * @param damaged is told what was found, on a thread of its own
     */
    void lookThrough(Consumer<Finding> damaged) {
        workspace.lookThrough(damaged);
    }

    /** Makes the day's copy of the logbook, beside the work. */
    void backUp() {
        workspace.backUp(LocalDate.now(clock));
    }

    /** Keeps in sight what is wrong with the logbook. */
    Notice damaged(Finding found) {
        unread = Optional.of(Stream.concat(Stream.of(found), unread().stream()).toList());
        return new Notice(true, found.message());
    }

    Logbook logbook() {
        return workspace.logbook();
    }

    /** All of a command or nothing: what it wrote, what it remembers to undo and which phone it picked. */
    <T> T together(Callable<T> command) throws Exception {
        Optional<PhoneRecord> before = picked.get();
        UndoStack.Mark mark = undo.mark();
        try {
            return logbook().together(command);
        } catch (Exception | Error failed) {
            picked.put(before);
            undo.backTo(mark);
            throw failed;
        }
    }

    void undo() {
        undo.undo();
    }

    void redo() {
        undo.redo();
    }

    PickedPhone picked() {
        return picked;
    }

    Intakes intakes() {
        return intakes;
    }

    CableWatch cable() {
        return cable;
    }

    Notice saveBrief(Plan plan, Path file, Wish wish) throws IOException, Refusal {
        Brief brief = desk(phones.dossier(), wish).brief(plan, LocalDate.now(clock));
        boolean markdown = file.toString().endsWith(".md");
        Output.write(file, markdown ? brief.markdown() : brief.html());
        return new Notice(false, "Saved: " + file);
    }

    LocalDate today() {
        return LocalDate.now(clock);
    }

    /** What is to be done again, and what a person wants to be reminded of. */
    ReminderEdits reminders() {
        return reminders;
    }

    /** What is known of the phone on the desk and was done to it. */
    CaseReport caseReport() throws Refusal {
        return new CaseReport(phones.dossier(), phones.identity().facts(), clock.getZone(), now());
    }

    void compareCatalogue(Path other) throws IOException {
        comparison.compare(other);
    }

    void leaveCatalogue() throws IOException {
        comparison.close();
    }

    Notice readCatalogueAgain() throws IOException {
        workspace.reloadCatalogue();
        forget();
        return new Notice(false, "The catalogue was read again, as its files are now.");
    }

    Notice takeEntries(List<Difference> entries) throws IOException, Refusal {
        undo.did(comparison.take(entries, LocalDate.now(clock), this::forget));
        forget();
        String count = entries.size() == 1 ? "1 entry" : entries.size() + " entries";
        return new Notice(false, count + " taken. Undo puts everything back as it was.");
    }

    /** The catalogue is another one. */
    private void forget() {
        phones.forget();
        aftercare.forgetCatalogue();
    }

    void start(Plan plan, Wish wish) throws Refusal {
        Facts facts = phones.identity().facts();
        JobPlan keeping = JobPlan.of(
                plan,
                wish.school().map(school -> school.name().toLowerCase(Locale.ROOT)),
                wish.limits().words(),
                facts);
        Job job = logbook().start(picked.orRefuse(), keeping, RunSheet.of(plan, phones.catalogue(), facts), now());
        jobs.keepToHabits(job);
        jobs.noteDemands(wish);
        undo.forget();
    }

    /** Files that were looked into lie on the shelf now; the running job may ask for more because of them. */
    Notice keep(List<Inspection> found) throws IOException, Refusal {
        Notice notice = files.keep(found, now());
        if (picked.get().isPresent()) {
            jobs.noteDemands(Wishes.of(logbook(), picked.get()));
        }
        return notice;
    }

    /** Rows and entries came in from elsewhere: what was remembered of them is over, and what was done before cannot be taken back. */
    void joined() throws IOException {
        workspace.reloadCatalogue();
        undo.forget();
        forget();
        unread = Optional.empty();
    }

    ReadingEdits readings() {
        return readings;
    }

    FileRegister files() {
        return files;
    }

    Path folder() {
        return workspace.folder();
    }

    /** Registers a file as a copy that brings the phone on the desk back; it is of the build the phone runs. */
    Notice register(Kept file, PartitionClass covers) throws Refusal {
        Facts facts = phones.identity().facts();
        String build = facts.value(Fact.BUILD_NUMBER)
                .orElseThrow(
                        () -> new Refusal(
                                "The phone's build number is not known; read it first, or the copy cannot be told from another."));
        return files.register(
                picked.orRefuse(), file, covers, facts.value(Fact.MODEL).orElse(""), build, now());
    }

    void photo(Step step, Path picture, String sha256) throws Refusal {
        jobs.note(
                at -> new Event.Photo(at, step.id(), picture.toAbsolutePath().toString(), sha256),
                Wishes.of(logbook(), picked.get()));
    }

    JobEdits jobs() {
        return jobs;
    }

    Aftercare aftercare() {
        return aftercare;
    }

    Workshop workshop() {
        return workshop;
    }

    EntryEdits entryEdits() {
        return entryEdits;
    }

    /** The phone on the desk after the work; empty where none lies there, or what is known of troubles cannot be read. */
    Optional<AftercareView> lookAfter() throws IOException, Refusal {
        return picked.get().isEmpty() ? Optional.empty() : Optional.of(aftercare.look());
    }

    /** The phone on the desk as it is shown, for whoever must judge by it. */
    private Desk desk(Wish wish) throws Refusal {
        return desk(phones.dossier(), wish);
    }

    /** What is known of what goes wrong. */
    Troubles troubles() throws IOException {
        return workspace.troubles();
    }

    /** What is known of the phones in the drawer. */
    Identities phones() {
        return phones;
    }

    /** Reads what it takes to look for ways. */
    void weigh() throws IOException {
        workspace.awaitCatalogue();
    }

    /** Everything as it stands on disk now. */
    Snapshot look(Wish wish) {
        List<Dossier> all = phones.all();
        phones.readReports(all);
        Optional<Desk> desk = phones.onDesk(all).map(dossier -> desk(dossier, wish));
        PartitionNames names = PartitionNames.of(desk.flatMap(Desk::known));
        return new Snapshot(
                workspace.folder(),
                phones.entries(all),
                unread(),
                desk,
                phones.past(all),
                cable.seen(),
                comparison.look(),
                files.table(desk.map(one -> one.stock().kept()).orElseGet(files::kept))
                        .map(table -> table.by(names)),
                undo.nextUndo(),
                undo.nextRedo());
    }

    private List<Finding> unread() {
        List<Finding> found = unread.orElseGet(() -> List.copyOf(logbook().unread()));
        unread = Optional.of(found);
        return found;
    }

    private Desk desk(Dossier dossier, Wish wish) {
        Desk.Stock stock = new Desk.Stock(files.kept(), files.copies(dossier.phone()), filesFrom);
        return Desk.of(
                dossier, phones.outlook(dossier, wish), stock, RehearsedPlans.of(logbook(), dossier.phone()), opened);
    }

    /** Other people's reports, taken in as evidence. */
    Notice takeReports(Path file) throws IOException {
        return phones.takeReports(file, undo, this::forget);
    }

    Instant now() {
        return clock.instant();
    }

    @Override
    public void close() throws IOException {
        comparison.close();
        workspace.close();
    }
}
