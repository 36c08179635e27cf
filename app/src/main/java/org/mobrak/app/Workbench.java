package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.app.aftercare.Aftercare;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.app.workshop.EntryEdits;
import org.mobrak.app.workshop.Workshop;
import org.mobrak.app.workshop.WorkshopPlace;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.catalogue.match.Identity;
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
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.history.Tally;
import org.mobrak.core.logbook.history.Timeline;
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
    private final OutlookMemory memory = new OutlookMemory();
    private final ReportBook reports;
    private final ReminderEdits reminders;
    private final JobEdits jobs;
    private final Aftercare aftercare;
    private final Workshop workshop;
    private final EntryEdits entryEdits;
    private final Instant opened;
    private final Dossiers dossiers;
    /** What is wrong with the logbook. Only another program makes rows that cannot be read, so looking once is enough. */
    private Optional<List<Finding>> unread = Optional.empty();

    private Workbench(Workspace workspace, PhoneLink link, Clock clock, FilesFrom filesFrom) {
        this.workspace = workspace;
        this.picked = new PickedPhone(workspace.logbook(), undo);
        this.dossiers = new Dossiers(workspace.logbook(), picked);
        this.comparison = new CatalogueComparison(workspace);
        this.files = new FileRegister(workspace.logbook().materials(), undo);
        this.readings = new ReadingEdits(workspace.logbook(), undo, picked, this::now);
        this.jobs = new JobEdits(workspace.logbook(), undo, this::desk, this::now);
        this.reports = new ReportBook(workspace.logbook());
        this.reminders = new ReminderEdits(workspace.logbook(), undo, picked, clock.getZone());
        this.cable = new CableWatch(link);
        this.intakes = new Intakes(workspace.logbook(), undo, picked, readings, this::identity, clock);
        this.aftercare = new Aftercare(
                new AfterAtDesk(workspace, files, undo, picked, this::dossier, this::identity, this::catalogue, clock));
        this.clock = clock;
        this.filesFrom = filesFrom;
        this.opened = clock.instant();
        WorkshopPlace table = new WorkshopAtDesk(workspace, undo, clock, this::phonesOfTheDrawer, this::forget);
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
            bench.dossiers.all();
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
        Brief brief = desk(dossier(), wish).brief(plan, LocalDate.now(clock));
        boolean markdown = file.toString().endsWith(".md");
        try {
            Files.writeString(file, markdown ? brief.markdown() : brief.html());
        } catch (IOException refused) {
            throw new IOException(file + " cannot be written; choose another folder.", refused);
        }
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
        return new CaseReport(dossier(), identity().facts(), clock.getZone(), now());
    }

    void compareCatalogue(Path other) throws IOException {
        comparison.compare(other);
    }

    void leaveCatalogue() throws IOException {
        comparison.close();
    }

    Notice takeEntries(List<Difference> entries) throws IOException, Refusal {
        undo.did(comparison.take(entries, LocalDate.now(clock), this::forget));
        forget();
        String count = entries.size() == 1 ? "1 entry" : entries.size() + " entries";
        return new Notice(false, count + " taken. Undo puts everything back as it was.");
    }

    /** The catalogue is another one. */
    private void forget() {
        dossiers.forget();
        aftercare.forgetCatalogue();
    }

    void start(Plan plan, Wish wish) throws Refusal {
        Facts facts = identity().facts();
        JobPlan keeping = JobPlan.of(
                plan,
                wish.school().map(school -> school.name().toLowerCase(Locale.ROOT)),
                wish.limits().words(),
                facts);
        Job job = logbook().start(picked.orRefuse(), keeping, RunSheet.of(plan, catalogue(), facts), now());
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

    /** What the partitions of the phone on the desk are called. */
    PartitionNames partitionNames() {
        return PartitionNames.of(picked.get()
                .map(logbook()::dossier)
                .flatMap(dossier -> Desk.known(
                        catalogue(), memory.identity(catalogue(), dossier).facts())));
    }

    /** Registers a file as a copy that brings the phone on the desk back; it is of the build the phone runs. */
    Notice register(Kept file, PartitionClass covers) throws Refusal {
        Facts facts = identity().facts();
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

    /** The phone on the desk first. */
    private List<WorkshopPlace.Known> phonesOfTheDrawer() {
        return logbook().phones().stream()
                .sorted(Comparator.comparing(phone -> !picked.is(phone)))
                .map(phone -> {
                    Dossier dossier = dossiers.of(phone);
                    Identity identity = identity(dossier);
                    return new WorkshopPlace.Known(
                            phone.nickname(), identity, identity.facts().value(Fact.MODEL), dossier.countingTexts());
                })
                .toList();
    }

    /** The phone on the desk after the work; empty where none lies there, or what is known of troubles cannot be read. */
    Optional<AftercareView> lookAfter() throws IOException, Refusal {
        return picked.get().isEmpty() ? Optional.empty() : Optional.of(aftercare.look());
    }

    /** The phone on the desk as it is shown, for whoever must judge by it. */
    private Desk desk(Wish wish) throws Refusal {
        return desk(dossier(), wish);
    }

    /** Names that tell of persons: what phones are called, and their serial numbers. */
    List<String> names() {
        return logbook().phones().stream()
                .flatMap(phone -> Stream.concat(
                        Stream.of(phone.nickname()), identity(dossiers.of(phone)).facts().value(Fact.SERIAL).stream()))
                .toList();
    }

    /** Who is there; it takes no routes to say that. */
    Glance glance() throws IOException {
        Catalogue known = workspace.whoIsKnown();
        List<Dossier> all = dossiers.all();
        return new Glance(
                entries(all, dossier -> memory.identity(known, dossier)),
                onDesk(all).map(dossier -> new Glance.Phone(dossier, memory.identity(known, dossier))));
    }

    /** Reads what it takes to look for ways. */
    void weigh() throws IOException {
        workspace.awaitCatalogue();
    }

    private List<DrawerEntry> entries(List<Dossier> all, Function<Dossier, Identity> who) {
        return all.stream().map(dossier -> dossiers.entry(dossier, who)).toList();
    }

    private Optional<Dossier> onDesk(List<Dossier> all) {
        return picked.get()
                .flatMap(phone -> all.stream()
                        .filter(dossier -> dossier.phone().equals(phone))
                        .findFirst());
    }

    /** Everything as it stands on disk now. */
    Snapshot look(Wish wish) {
        List<Dossier> all = dossiers.all();
        reports.read(all);
        Optional<Desk> desk = onDesk(all).map(dossier -> desk(dossier, wish));
        PartitionNames names = PartitionNames.of(desk.flatMap(Desk::known));
        return new Snapshot(
                workspace.folder(),
                entries(all, this::identity),
                unread(),
                desk,
                past(all),
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
                dossier,
                memory.outlook(catalogue(), dossier, wish),
                stock,
                RehearsedPlans.of(logbook(), dossier.phone()),
                opened);
    }

    private List<Snapshot.PastJob> past(List<Dossier> all) {
        return all.stream()
                .flatMap(dossier -> dossier.jobs().stream()
                        .filter(job -> job.end().isPresent())
                        .map(job -> new Snapshot.PastJob(dossier.phone(), job, families(job))))
                .sorted(Comparator.comparing((Snapshot.PastJob past) ->
                                past.job().end().orElseThrow().at())
                        .reversed())
                .toList();
    }

    private Set<String> families(Job job) {
        return job.plan().routes().stream()
                .flatMap(planned -> catalogue().route(planned.id()).stream())
                .map(Route::family)
                .collect(Collectors.toSet());
    }

    /** Everything on disk, phone by phone. */
    List<Dossier> dossiers() {
        return dossiers.all();
    }

    /** What all jobs come to. */
    Tally tally() {
        List<Job> jobs =
                dossiers().stream().flatMap(dossier -> dossier.jobs().stream()).toList();
        return Tally.of(jobs, catalogue());
    }

    /** What was known of a phone at a time. */
    Map<Fact, String> known(PhoneRecord phone, Instant at) {
        return Timeline.known(dossiers.of(phone), at).values();
    }

    private Catalogue catalogue() {
        return reports.told(workspace.catalogue().catalogue());
    }

    /** Other people's reports, taken in as evidence. */
    Notice takeReports(Path file) throws IOException {
        return reports.take(file, undo, this::forget);
    }

    private Identity identity() throws Refusal {
        return identity(dossier());
    }

    private Identity identity(Dossier dossier) {
        return memory.identity(catalogue(), dossier);
    }

    private Dossier dossier() throws Refusal {
        return logbook().dossier(picked.orRefuse());
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
