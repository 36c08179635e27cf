package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.PhoneLink;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One user at one workspace. Methods are called on the thread that draws and return at once; the work is done on one worker
 * thread, in order, and shows in the next snapshot.
 */
public final class Session implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Session.class);

    private final Path folder;
    private final Path cache;
    private final PhoneLink link;
    private final Clock clock;
    private final Executor drawing;
    private final FilesFrom filesFrom;
    private final Workers workers;
    private final FileDesk files;
    private final RehearsalDesk rehearsals;
    private final AftercareDesk aftercare;
    private final WorkshopDesk workshop;
    private final LogbookDesk logbook;
    private final HistoryDesk history;
    private final BrowseDesk browse;
    private final ProgramDesk program;
    private final ReadingDesk readings;
    private final JobDesk job;

    private final AtomicBoolean closed = new AtomicBoolean();
    private final AtomicBoolean weighed = new AtomicBoolean();
    private final Observed<Boolean> settled = new Observed<>(false);
    private final Observed<Glance> glance = new Observed<>(null);

    // These belong to the worker thread.
    private @Nullable Workbench opened;
    /** What follows from who is there is not told with it. */
    private boolean entering;

    private Optional<Wish> withoutPhone = Optional.empty();

    /**
     * A session on a workspace.
     *
     * @param cache where what was read of catalogues may be kept, outside of the workspace
     * @param drawing runs what is to be done on the thread that draws
     */
    public Session(Path folder, Path cache, PhoneLink link, Clock clock, Executor drawing) {
        this(folder, cache, link, clock, drawing, FilesFrom.SHELF);
    }

    /** A session whose jobs take their files from elsewhere. */
    public Session(Path folder, Path cache, PhoneLink link, Clock clock, Executor drawing, FilesFrom filesFrom) {
        this.folder = folder;
        this.cache = cache;
        this.link = link;
        this.clock = clock;
        this.drawing = drawing;
        this.filesFrom = filesFrom;
        this.workers = new Workers(this::look, this::together, drawing);
        this.files = new FileDesk(workers, () -> opened, folder, clock);
        this.aftercare = new AftercareDesk(workers, () -> opened, link);
        this.workshop = new WorkshopDesk(workers, () -> opened);
        this.logbook = new LogbookDesk(workers, () -> opened, cache);
        this.history = new HistoryDesk(workers, () -> opened);
        this.browse = new BrowseDesk(workers, () -> opened);
        this.program = new ProgramDesk(workers, () -> opened);
        this.readings = new ReadingDesk(workers, this::bench, link, files, drawing);
        this.job = new JobDesk(workers, this::bench, this::wish);
        this.rehearsals =
                new RehearsalDesk(workers, () -> bench().logbook(), new Practice.Place(folder, cache, clock, drawing));
    }

    /** The time by which events are written down. */
    public Instant now() {
        return clock.instant();
    }

    /** Who was there when the workspace was opened, told before the first snapshot; null until then. */
    public Observed<Glance> glance() {
        return glance;
    }

    /** What the window shows; null until the workspace is open. */
    public Observed<Snapshot> snapshot() {
        return workers.snapshot;
    }

    public Observed<Optional<Notice>> notice() {
        return workers.notice;
    }

    /** What the user must decide before it goes on; empty mostly. */
    public Observed<Optional<Question>> question() {
        return workers.question;
    }

    /** What the worker is doing, in a few words; empty while it rests. */
    public Observed<Optional<String>> work() {
        return workers.work;
    }

    /** How far the reading of a file has come; empty while none is read. */
    public Observed<Optional<Progress>> progress() {
        return workers.progress;
    }

    /** What the phone on the desk says of itself. */
    public ReadingDesk readings() {
        return readings;
    }

    /** The job of the phone on the desk. */
    public JobDesk job() {
        return job;
    }

    /** What is rehearsed. */
    public RehearsalDesk rehearsals() {
        return rehearsals;
    }

    /** What comes after the work. */
    public AftercareDesk aftercare() {
        return aftercare;
    }

    /** The logbook as a whole. */
    public LogbookDesk logbook() {
        return logbook;
    }

    /** How a person likes to work, and what the program wrote down of itself. */
    public ProgramDesk program() {
        return program;
    }

    /** What the logbook tells when it is read as a whole. */
    public HistoryDesk history() {
        return history;
    }

    /** The catalogue looked through. */
    public BrowseDesk browse() {
        return browse;
    }

    /** From a guide to a route. */
    public WorkshopDesk workshop() {
        return workshop;
    }

    /** What is done with files. */
    public FileDesk files() {
        return files;
    }

    /** Opens the workspace and shows how everything stands. */
    public void open() {
        enter();
        weigh();
    }

    /** Opens the workspace as far as it tells who is there. */
    public void enter() {
        workers.change("Opening the workspace", () -> {
            opened = Workbench.open(folder, cache, link, clock, filesFrom);
            Glance first = opened.phones().glance();
            entering = true;
            workers.draw(() -> glance.set(first));
        });
    }

    /** Works out what follows from who is there; once is enough. */
    public void weigh() {
        if (!weighed.getAndSet(true)) {
            workers.change("Looking for the ways", this::recall);
        }
    }

    private void recall() throws IOException {
        // What could not be opened was told.
        if (opened != null) {
            opened.weigh();
            rehearsals.recall();
            program.recall();
        }
    }

    /** Begins what nobody waits for; told when there is something to be seen. */
    public void settle() {
        workers.change("Looking at the cable", this::begin);
        settled.set(true);
    }

    /** Whether what nobody waits for was begun. */
    public Observed<Boolean> settled() {
        return settled;
    }

    private void begin() throws IOException {
        if (opened == null) {
            return;
        }
        bench().lookThrough(found -> drawing.execute(() -> tellDamage(found)));
        bench().backUp();
        bench().cable().begin();
    }

    /** Puts an earlier copy of the logbook in its place; what is there now is kept. */
    public void bringBack(Path copy) {
        workers.read(
                "Bringing the copy back",
                () -> workers.fromWorker(() -> {
                    // The workspace is given free for it, and opened again whatever comes of it.
                    bench().close();
                    try {
                        return Workspace.putBack(folder, cache, copy, String.valueOf(clock.millis()));
                    } finally {
                        opened = Workbench.open(folder, cache, link, clock, filesFrom);
                    }
                }),
                kept -> {
                    begin();
                    return Outcome.told("The logbook is as it was in " + copy.getFileName()
                            + ". What was there is kept in " + kept + ".");
                });
    }

    private void tellDamage(Finding found) {
        workers.tell("Looking through the logbook", () -> bench().damaged(found));
    }

    public void pick(PhoneRecord phone) {
        workers.change("Looking at " + phone.nickname(), () -> bench().picked().lay(phone));
        workers.quietly(() ->
                Optional.ofNullable(opened).ifPresent(open -> open.picked().keep()));
    }

    public void addPhone(String nickname) {
        workers.change("Adding a phone", () -> bench().intakes().addPhone(nickname));
    }

    public void undo() {
        workers.change("Undoing", () -> bench().undo());
    }

    public void redo() {
        workers.change("Redoing", () -> bench().redo());
    }

    /** What is wanted of the phone on the desk; every phone has its own. */
    public void wish(Goal goal) {
        wish(wish -> new Wish(goal, wish.school(), wish.limits()));
    }

    public void wish(Optional<School> school) {
        wish(wish -> new Wish(wish.goal(), school, wish.limits()));
    }

    public void wish(Limits limits) {
        wish(wish -> new Wish(wish.goal(), wish.school(), limits));
    }

    private void wish(UnaryOperator<Wish> other) {
        workers.change("Weighing the ways", () -> {
            Wish wish = other.apply(wish());
            Optional<PhoneRecord> phone = bench().picked().get();
            phone.ifPresent(one -> Wishes.keep(bench().logbook(), one, wish));
            withoutPhone = phone.isPresent() ? withoutPhone : Optional.of(wish);
        });
    }

    private Wish wish() {
        return bench().picked().get().isEmpty()
                ? withoutPhone.orElseGet(Wish::usual)
                : Wishes.of(bench().logbook(), bench().picked().get());
    }

    /** Saves a plan on one page, as HTML or Markdown by the file's ending. */
    public void saveBrief(Plan plan, Path file) {
        workers.tell("Saving the brief", () -> bench().saveBrief(plan, file, wish()));
    }

    /** A plan on one page as plain text, for printing; dated today. */
    public String briefOf(Desk desk, Plan plan) {
        return desk.brief(plan, LocalDate.now(clock)).text();
    }

    /** Tells the user something that no work brought about. */
    public void tell(String text) {
        workers.notice.set(Optional.of(new Notice(true, text)));
    }

    /** Holds another catalogue, a folder or a zip, against this workspace's. */
    public void compareCatalogue(Path other) {
        workers.change("Comparing catalogues", () -> bench().compareCatalogue(other));
    }

    /** Reads this workspace's catalogue again: somebody changed its files with another program. */
    public void readCatalogueAgain() {
        workers.tell("Reading the catalogue", () -> bench().readCatalogueAgain());
    }

    /** Takes entries of the catalogue that was compared. */
    public void takeEntries(List<Difference> entries) {
        workers.tell("Taking entries", () -> bench().takeEntries(entries));
    }

    /** Puts the other catalogue away. */
    public void leaveCatalogue() {
        workers.change("Putting the other catalogue away", () -> bench().leaveCatalogue());
    }

    /** Remembers how the desk was left. */
    public void remember(String name, String value) {
        workers.quietly(() ->
                Optional.ofNullable(opened).ifPresent(open -> open.logbook().putSetting(name, value)));
    }

    /** What was remembered, told on the thread that draws. */
    public void recall(String name, Consumer<String> whoever) {
        workers.quietly(() -> Optional.ofNullable(opened)
                .flatMap(open -> open.logbook().setting(name))
                .ifPresent(value -> drawing.execute(() -> whoever.accept(value))));
    }

    /** Stops what is running; what was on disk by then stays. */
    public void cancel() {
        workers.cancel();
    }

    /** Tells something that came about elsewhere. */
    public void tell(Notice notice) {
        workers.notice.set(Optional.of(notice));
    }

    public void dismiss() {
        workers.notice.set(Optional.empty());
    }

    /** Waits for the work in hand, then gives the workspace free; once is enough. */
    @Override
    public void close() {
        if (closed.getAndSet(true)) {
            return;
        }
        workers.quietly(rehearsals::close);
        workers.quietly(this::closeBench);
        workers.close();
        files.close();
    }

    private void closeBench() {
        try {
            if (opened != null) {
                opened.close();
            }
        } catch (IOException unimportant) {
            LOG.warn("The lock could not be given back; it ends with the program", unimportant);
        }
    }

    /** On the worker thread: the workbench; there is none before the workspace is open. */
    private Workbench bench() {
        return Objects.requireNonNull(opened, "the workspace is not open");
    }

    /** On the worker thread. One command is one unit of work: what it did before it failed is not kept. */
    private Outcome together(Callable<Outcome> command) throws Exception {
        return opened == null ? command.call() : opened.together(command);
    }

    /** On the worker thread. */
    private Optional<Snapshot> look() {
        if (entering) {
            entering = false;
            return Optional.empty();
        }
        return Optional.ofNullable(opened).map(open -> open.look(wish()));
    }
}
