package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.app.aftercare.Aftercare;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.app.aftercare.Place;
import org.mobrak.app.workshop.EntryEdits;
import org.mobrak.app.workshop.Workshop;
import org.mobrak.app.workshop.WorkshopPlace;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.check.PhoneSorting;
import org.mobrak.core.identity.check.PhoneSorting.Heap;
import org.mobrak.core.identity.reader.RawText;
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
import org.mobrak.core.proof.Strictness;
import org.mobrak.link.PhoneLink;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The work itself, on the worker thread only. Each method changes what is on disk and gives what to tell the user; a refusal
 * is an exception whose message is for the user.
 */
final class Workbench implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Workbench.class);
    private static final String LAST_PHONE = "phone";

    private final Workspace workspace;
    private final CatalogueComparison shelf;
    private final FileRegister bin;
    private final ReadingEdits readings;
    private final PhoneLink link;
    private List<String> cable = List.of();
    private boolean watching;
    private final Clock clock;
    private final FilesFrom filesFrom;
    private final UndoStack undo = new UndoStack();
    private final OutlookMemory memory = new OutlookMemory();
    private final ReportBook reports;
    private final ReminderEdits reminders;
    private final JobEdits jobs;
    private final Aftercare aftercare = new Aftercare(new DeskPlace());
    private final Workshop workshop;
    private final EntryEdits entryEdits;
    private final Instant opened;
    private final Map<Long, Dossier> dossiers = new HashMap<>();
    private final Map<Long, DrawerEntry> entries = new HashMap<>();
    /** What is wrong with the logbook. Only another program makes rows that cannot be read, so looking once is enough. */
    private final List<Finding> unread;

    private Optional<PhoneRecord> picked;

    private Workbench(Workspace workspace, PhoneLink link, Clock clock, FilesFrom filesFrom) {
        this.workspace = workspace;
        this.shelf = new CatalogueComparison(workspace);
        this.bin = new FileRegister(workspace.logbook().materials(), undo);
        this.readings = new ReadingEdits(workspace.logbook(), undo, this::phone, this::now);
        this.jobs = new JobEdits(workspace.logbook(), undo, this::desk, this::now);
        this.reports = new ReportBook(workspace.logbook());
        this.reminders = new ReminderEdits(workspace.logbook(), undo, this::phone, clock.getZone());
        this.link = link;
        this.clock = clock;
        this.filesFrom = filesFrom;
        this.opened = clock.instant();
        WorkshopPlace table = new WorkshopAtDesk(workspace, undo, clock, this::phonesOfTheDrawer, this::forget);
        this.workshop = new Workshop(table);
        this.entryEdits = new EntryEdits(table);
        this.unread = new ArrayList<>(logbook().unread());
        String last = logbook().setting(LAST_PHONE).orElse("");
        List<PhoneRecord> phones = logbook().phones();
        this.picked = phones.stream()
                .filter(phone -> String.valueOf(phone.id()).equals(last))
                .findFirst()
                .or(() -> phones.stream().findFirst());
    }

    /** Opens a workspace with the phone on the desk that was there last. */
    static Workbench open(Path folder, Path cache, PhoneLink link, Clock clock, FilesFrom filesFrom)
            throws IOException {
        return new Workbench(Workspace.open(folder, cache), link, clock, filesFrom);
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
        unread.add(0, found);
        return new Notice(true, found.message());
    }

    Logbook logbook() {
        return workspace.logbook();
    }

    /** All of a command or nothing: what it wrote, what it remembers to undo and which phone it picked. */
    <T> T together(Callable<T> command) throws Exception {
        Optional<PhoneRecord> before = picked;
        UndoStack.Mark mark = undo.mark();
        try {
            return logbook().together(command);
        } catch (Exception | Error failed) {
            picked = before;
            undo.backTo(mark);
            throw failed;
        }
    }

    void lay(PhoneRecord phone) {
        picked = Optional.of(phone);
        undo.forget();
        logbook().putSetting(LAST_PHONE, String.valueOf(phone.id()));
    }

    void addPhone(String nickname) throws Refusal {
        if (nickname.isBlank()) {
            throw new Refusal("The phone needs a name, for example the hive it will go to.");
        }
        Optional<PhoneRecord> before = picked;
        PhoneRecord added = logbook().addPhone(nickname.strip(), now());
        lay(added);
        undoableAdding("adding “" + added.nickname() + "”", List.of(added), before);
    }

    private void undoableAdding(String name, List<PhoneRecord> added, Optional<PhoneRecord> before) {
        undo.did(new UndoStack.Step(
                name,
                () -> {
                    added.forEach(phone -> logbook().withdraw(phone, now()));
                    picked = before;
                },
                () -> {
                    added.forEach(logbook()::restore);
                    picked = Optional.of(added.get(added.size() - 1));
                }));
    }

    /** All named files or none: the first that cannot be read stops it before anything is kept. */
    Outcome takeFiles(List<Path> files) throws IOException, Refusal {
        FilePicker picked = FilePicker.read(files);
        Outcome outcome = offer(picked.texts());
        if (picked.passedOver() == 0 || !(outcome instanceof Outcome.Told told)) {
            return outcome;
        }
        String more = " %d files held no reading and were passed over.".formatted(picked.passedOver());
        return new Outcome.Told(new Notice(told.notice().bad(), told.notice().text() + more));
    }

    /** Takes texts in, unless they are not all of the phone on the desk; then it asks before anything is mixed. */
    Outcome offer(List<RawText> texts) throws Refusal {
        List<Heap> heaps = PhoneSorting.sort(texts, logbook().texts());
        if (picked.isEmpty()) {
            return new Outcome.Told(takeAsNew(heaps, ""));
        }
        Facts facts = identity().facts();
        if (heaps.size() < 2
                && !PhoneSorting.isAnotherPhone(facts, texts, logbook().texts())) {
            return new Outcome.Told(readings.take(texts));
        }
        return new Outcome.Asked(Question.about(heaps, phone(), facts.value(Fact.MODEL)));
    }

    /**
     * A {@link Refusal} where a text is not surely of the phone on the desk: what one phone shows proves nothing of another. A phone
     * whose model number was rewritten says again what it said before, so that is what counts.
     */
    void mustBeOnDesk(RawText text) throws Refusal {
        Ledger known = identity().ledger();
        Facts other = PhoneSorting.facts(List.of(text), logbook().texts());
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
        if (picked.filter(question.phone()::equals).isEmpty()) {
            lay(question.phone());
        }
        return readings.take(
                question.heaps().stream().flatMap(heap -> heap.texts().stream()).toList());
    }

    /** @param prefix what their names begin with */
    private Notice takeAsNew(List<Heap> heaps, String prefix) {
        Optional<PhoneRecord> before = picked;
        List<PhoneRecord> added = new ArrayList<>();
        for (Heap heap : heaps) {
            PhoneRecord phone = logbook().addPhone(prefix + Question.nameOf(heap), now());
            heap.texts().forEach(text -> logbook().take(phone, text, now()));
            added.add(phone);
        }
        lay(added.get(added.size() - 1));
        String count = added.size() == 1 ? "1 phone" : added.size() + " phones";
        undoableAdding("adding " + count, added, before);
        return new Notice(false, count + " put in the drawer.");
    }

    void undo() {
        undo.undo();
    }

    void redo() {
        undo.redo();
    }

    Optional<PhoneRecord> picked() {
        return picked;
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
        shelf.compare(other);
    }

    void leaveCatalogue() throws IOException {
        shelf.close();
    }

    Notice takeEntries(List<Difference> entries) throws IOException, Refusal {
        undo.did(shelf.take(entries, LocalDate.now(clock), this::forget));
        forget();
        String count = entries.size() == 1 ? "1 entry" : entries.size() + " entries";
        return new Notice(false, count + " taken. Undo puts everything back as it was.");
    }

    /** The catalogue is another one. */
    private void forget() {
        dossiers.clear();
        aftercare.forgetCatalogue();
    }

    void start(Plan plan, Wish wish) throws Refusal {
        Facts facts = identity().facts();
        JobPlan keeping = JobPlan.of(
                plan,
                wish.school().map(school -> school.name().toLowerCase(Locale.ROOT)),
                wish.limits().words(),
                facts);
        Job job = logbook().start(phone(), keeping, RunSheet.of(plan, catalogue(), facts), now());
        jobs.keepToHabits(job);
        jobs.noteDemands(wish);
        undo.forget();
    }

    /** Files that were looked into lie on the shelf now; the running job may ask for more because of them. */
    Notice keep(List<Inspection> found) throws IOException, Refusal {
        Notice notice = bin.keep(found, now());
        if (picked.isPresent()) {
            jobs.noteDemands(Wishes.of(logbook(), picked));
        }
        return notice;
    }

    /** Rows and entries came in from elsewhere: what was remembered of them is over, and what was done before cannot be taken back. */
    void joined() throws IOException {
        workspace.reloadCatalogue();
        undo.forget();
        forget();
        unread.clear();
        unread.addAll(logbook().unread());
    }

    ReadingEdits readings() {
        return readings;
    }

    FileRegister bin() {
        return bin;
    }

    Path folder() {
        return workspace.folder();
    }

    /** What the partitions of the phone on the desk are called. */
    PartitionNames partitionNames() {
        return PartitionNames.of(picked.map(logbook()::dossier)
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
        return bin.register(phone(), file, covers, facts.value(Fact.MODEL).orElse(""), build, now());
    }

    void photo(Step step, Path picture, String sha256) throws Refusal {
        jobs.note(
                at -> new Event.Photo(at, step.id(), picture.toAbsolutePath().toString(), sha256),
                Wishes.of(logbook(), picked));
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
                .sorted(Comparator.comparing(
                        phone -> picked.filter(phone::equals).isEmpty()))
                .map(phone -> {
                    Dossier dossier = dossier(phone);
                    Identity identity = memory.identity(catalogue(), dossier);
                    return new WorkshopPlace.Known(
                            phone.nickname(), identity, identity.facts().value(Fact.MODEL), dossier.countingTexts());
                })
                .toList();
    }

    /** The phone on the desk after the work; empty where none lies there, or what is known of troubles cannot be read. */
    Optional<AftercareView> lookAfter() throws IOException, Refusal {
        return picked.isEmpty() ? Optional.empty() : Optional.of(aftercare.look());
    }

    /** What aftercare may know and keep. */
    private final class DeskPlace implements Place {
        @Override
        public Dossier dossier() throws Refusal {
            return Workbench.this.dossier();
        }

        @Override
        public Facts facts() throws Refusal {
            return identity().facts();
        }

        @Override
        public Catalogue catalogue() {
            return Workbench.this.catalogue();
        }

        @Override
        public Troubles troubles() throws IOException {
            return workspace.troubles();
        }

        @Override
        public List<StockCopy> copies() throws Refusal {
            return bin.copies(phone());
        }

        @Override
        public String kept() throws Refusal {
            return logbook().setting(name(phone())).orElse("");
        }

        @Override
        public void keep(String what, UnaryOperator<String> change) throws Refusal {
            String name = name(phone());
            String before = kept();
            String after = change.apply(before);
            logbook().putSetting(name, after);
            undo.did(new UndoStack.Step(
                    what,
                    () -> logbook().putSetting(name, before),
                    () -> logbook().putSetting(name, after)));
        }

        private static String name(PhoneRecord phone) {
            return "aftercare." + phone.id();
        }

        @Override
        public Strictness usualProof() {
            return Preferences.proof(logbook().setting(Preferences.PROOF));
        }

        @Override
        public Instant now() {
            return Workbench.this.now();
        }
    }

    /** The phone on the desk as it is shown, for whoever must judge by it. */
    private Desk desk(Wish wish) throws Refusal {
        return desk(dossier(), wish);
    }

    /** From now on it is looked which phones hang on the cable; until then none are shown, and nobody waits for a cable to begin. */
    void lookAtCable() throws IOException {
        cable = link.seen();
        watching = true;
    }

    /** Phones come and go; what a cable said last stays where it says nothing. */
    private List<String> onCable() {
        if (watching) {
            try {
                cable = link.seen();
            } catch (IOException silent) {
                LOG.info("The cable cannot be asked: {}", silent.getMessage());
            }
        }
        return cable;
    }

    /** Names that tell of persons: what phones are called, and their serial numbers. */
    List<String> names() {
        return logbook().phones().stream()
                .flatMap(phone -> Stream.concat(
                        Stream.of(phone.nickname()),
                        memory.identity(catalogue(), dossier(phone)).facts().value(Fact.SERIAL).stream()))
                .toList();
    }

    /** Everything as it stands on disk now. */
    Snapshot look(Wish wish) {
        List<PhoneRecord> phones = logbook().phones();
        reports.read(phones.stream().map(this::dossier).toList());
        List<Dossier> dossiers = phones.stream().map(this::current).toList();
        Optional<Desk> desk = picked.flatMap(phone -> dossiers.stream()
                        .filter(dossier -> dossier.phone().equals(phone))
                        .findFirst())
                .map(dossier -> desk(dossier, wish));
        PartitionNames names = PartitionNames.of(desk.flatMap(Desk::known));
        return new Snapshot(
                workspace.folder(),
                dossiers.stream()
                        .map(dossier -> entries.get(dossier.phone().id()))
                        .toList(),
                List.copyOf(unread),
                desk,
                past(dossiers),
                onCable(),
                shelf.look(),
                bin.table(desk.map(one -> one.stock().kept()).orElseGet(bin::kept))
                        .map(table -> table.by(names)),
                undo.nextUndo(),
                undo.nextRedo());
    }

    private Desk desk(Dossier dossier, Wish wish) {
        Desk.Stock stock = new Desk.Stock(bin.kept(), bin.copies(dossier.phone()), filesFrom);
        return Desk.of(
                dossier,
                memory.outlook(catalogue(), dossier, wish),
                stock,
                RehearsedPlans.of(logbook(), dossier.phone()),
                opened);
    }

    /** Only the phone on the desk changes; the others are as they were when they last lay there. */
    private Dossier dossier(PhoneRecord phone) {
        boolean onDesk = picked.filter(phone::equals).isPresent();
        if (onDesk || !dossiers.containsKey(phone.id())) {
            dossiers.put(phone.id(), logbook().dossier(phone));
            entries.remove(phone.id());
        }
        return Objects.requireNonNull(dossiers.get(phone.id()));
    }

    private Dossier current(PhoneRecord phone) {
        Dossier dossier = Objects.requireNonNull(dossiers.get(phone.id()));
        entries.computeIfAbsent(phone.id(), id -> DrawerEntry.of(dossier, memory.identity(catalogue(), dossier)));
        return dossier;
    }

    private List<Snapshot.PastJob> past(List<Dossier> dossiers) {
        return dossiers.stream()
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
        return logbook().phones().stream().map(this::dossier).toList();
    }

    /** What all jobs come to. */
    Tally tally() {
        List<Job> jobs =
                dossiers().stream().flatMap(dossier -> dossier.jobs().stream()).toList();
        return Tally.of(jobs, catalogue());
    }

    /** What was known of a phone at a time. */
    Map<Fact, String> known(PhoneRecord phone, Instant at) {
        return Timeline.known(dossier(phone), at).values();
    }

    private Catalogue catalogue() {
        return reports.told(workspace.catalogue().catalogue());
    }

    /** Other people's reports, taken in as evidence. */
    Notice takeReports(Path file) throws IOException {
        return reports.take(file, undo, this::forget);
    }

    private PhoneRecord phone() throws Refusal {
        return picked.orElseThrow(() -> new Refusal("Add a phone to the drawer first."));
    }

    private Identity identity() throws Refusal {
        return memory.identity(catalogue(), dossier());
    }

    private Dossier dossier() throws Refusal {
        return logbook().dossier(phone());
    }

    Instant now() {
        return clock.instant();
    }

    @Override
    public void close() throws IOException {
        shelf.close();
        workspace.close();
    }
}
