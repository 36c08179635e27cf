package org.mobrak.desktop.session;

import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.mobrak.core.catalogue.Difference;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.fit.School;
import org.mobrak.core.gather.JobFolder;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.job.JournalEntry;
import org.mobrak.core.job.SheetStep;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.PartitionNames;
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
    private final PhoneLink link;
    private final Clock clock;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(task -> new Thread(task, "worker"));
    private final ReadOnlyObjectWrapper<Snapshot> snapshot = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Optional<Notice>> notice = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Question>> question = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Progress>> progress = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<String>> work = new ReadOnlyObjectWrapper<>(Optional.empty());

    /** Large files are read on a thread of their own, so that the rest of the work goes on. */
    private final ExecutorService reader = Executors.newSingleThreadExecutor(task -> new Thread(task, "reader"));

    // This belongs to the reader's thread.
    private FileReading files;

    // These belong to the worker thread.
    private Workbench bench;
    private final Map<Optional<PhoneRecord>, Desk.Wish> wishes = new HashMap<>();

    // These belong to the thread that draws.
    private int pending;
    private Task latest;

    /** Something that has nothing to tell when it went well. */
    private interface Quiet {
        void run() throws IOException;
    }

    public Session(Path folder, PhoneLink link, Clock clock) {
        this.folder = folder;
        this.link = link;
        this.clock = clock;
    }

    /** What the window shows; null until the workspace is open. */
    public ReadOnlyObjectProperty<Snapshot> snapshot() {
        return snapshot.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<Notice>> notice() {
        return notice.getReadOnlyProperty();
    }

    /** What the user must decide before it goes on; empty mostly. */
    public ReadOnlyObjectProperty<Optional<Question>> question() {
        return question.getReadOnlyProperty();
    }

    /** What the worker is doing, in a few words; empty while it rests. */
    public ReadOnlyObjectProperty<Optional<String>> work() {
        return work.getReadOnlyProperty();
    }

    /** How far the reading of a file has come; empty while none is read. */
    public ReadOnlyObjectProperty<Optional<Progress>> progress() {
        return progress.getReadOnlyProperty();
    }

    public void open() {
        change("Opening the workspace", () -> bench = Workbench.open(folder, link, clock));
    }

    public void pick(PhoneRecord phone) {
        change("Looking at " + phone.nickname(), () -> bench.lay(phone));
    }

    public void addPhone(String nickname) {
        change("Adding a phone", () -> bench.addPhone(nickname));
    }

    /** Takes a text in from the clipboard or a text field. */
    public void takePasted(String text) {
        asking("Reading the text", () -> bench.offer(List.of(TextIntake.pasted(text))));
    }

    public void takeFiles(List<Path> files) {
        String what = files.size() == 1 ? files.get(0).getFileName().toString() : files.size() + " files";
        asking("Reading " + what, () -> bench.takeFiles(files));
    }

    public void takeTyped(Fact fact, String value) {
        telling("Noting " + fact.label(), () -> bench.takeTyped(fact, value));
    }

    /** Asks a phone on the cable for everything it can say. */
    public void takeFromCable(String seen) {
        asking("Asking " + seen, () -> bench.takeFromCable(seen));
    }

    /** Notes several things that a person read, all or none. */
    public void takeByHand(Map<Fact, String> said) {
        telling("Noting the readings", () -> bench.takeByHand(said));
    }

    /** No longer lets a reading count; it is kept, with the reason. */
    public void setAside(Reading reading, String reason) {
        telling("Setting a reading aside", () -> bench.setAside(reading, reason));
    }

    /** Lets a reading that was set aside count again. */
    public void letCount(Reading reading) {
        telling("Letting a reading count", () -> bench.letCount(reading));
    }

    /** Sets a misread reading aside and notes what it should have said. */
    public void correct(Reading reading, String value) {
        telling("Correcting a reading", () -> bench.correct(reading, value));
    }

    /** Answers the question that is open. */
    public void answer(Question.Answer answer) {
        Question asked = question.get().orElseThrow();
        telling("Putting the readings away", () -> bench.answer(asked, answer));
    }

    public void undo() {
        change("Undoing", () -> bench.undo());
    }

    public void redo() {
        change("Redoing", () -> bench.redo());
    }

    /** What is wanted of the phone on the desk; every phone has its own. */
    public void wish(Goal goal) {
        wish(wish -> new Desk.Wish(goal, wish.school(), wish.limits()));
    }

    public void wish(Optional<School> school) {
        wish(wish -> new Desk.Wish(wish.goal(), school, wish.limits()));
    }

    public void wish(Limits limits) {
        wish(wish -> new Desk.Wish(wish.goal(), wish.school(), limits));
    }

    private void wish(UnaryOperator<Desk.Wish> other) {
        change("Weighing the ways", () -> wishes.put(bench.picked(), other.apply(wish())));
    }

    private Desk.Wish wish() {
        return wishes.getOrDefault(bench.picked(), Desk.Wish.usual());
    }

    /** Saves a plan on one page, as HTML or Markdown by the file's ending. */
    public void saveBrief(Plan plan, Path file) {
        telling("Saving the brief", () -> bench.saveBrief(plan, file, wish()));
    }

    /** A plan on one page as plain text, for printing; dated today. */
    public String briefOf(Desk desk, Plan plan) {
        return desk.brief(plan, LocalDate.now(clock)).text();
    }

    /** Tells the user something that no work brought about. */
    public void tell(String text) {
        notice.set(Optional.of(new Notice(true, text)));
    }

    /** Holds another catalogue, a folder or a zip, against this workspace's. */
    public void compareCatalogue(Path other) {
        change("Comparing catalogues", () -> bench.compareCatalogue(other));
    }

    /** Takes entries of the catalogue that was compared. */
    public void takeEntries(List<Difference> entries) {
        telling("Taking entries", () -> bench.takeEntries(entries));
    }

    /** Puts the other catalogue away. */
    public void leaveCatalogue() {
        change("Putting the other catalogue away", () -> bench.leaveCatalogue());
    }

    /** Looks into files, remembers what was found and lays the last of them on the table. */
    public void lookInto(List<Path> named) {
        String what = named.size() == 1
                ? "Looking into " + named.get(0).getFileName()
                : "Looking into " + named.size() + " files";
        reading(
                what,
                (read, names) -> read.inspect(named, names),
                found -> bench.bin().keep(found, bench.now()));
    }

    /** Lays a file on the table that was looked into before. */
    public void lay(Kept file) {
        reading("Opening " + file.material().name(), (read, names) -> read.headers(file.path(), names), found -> {
            bench.bin().lay(file, found.with(file.material().digests()));
            return null;
        });
    }

    /** Holds another file against the one on the table. */
    public void layBeside(Kept other) {
        reading("Opening " + other.material().name(), (read, names) -> read.headers(other.path(), names), found -> {
            bench.bin().layBeside(found.with(other.material().digests()));
            return null;
        });
    }

    /** Puts a file away that was looked into; it stays on the disk. */
    public void putAway(Kept file) {
        change("Putting " + file.material().name() + " away", () -> bench.bin().putAway(file, bench.now()));
    }

    /** Copies a file into the job's folder, under a name that sorts by its turn, and goes on with the copy. */
    public void keepForJob(Kept file, int turn, String name, JobFolder folder) {
        Path place = folder.place(turn, name);
        reading(
                "Copying " + name,
                (read, names) -> read.keep(
                        folder,
                        file.path(),
                        place,
                        file.material().digests().of(Digest.SHA256).orElse(""),
                        names),
                found -> {
                    bench.bin().keep(List.of(found), bench.now());
                    return new Notice(false, "Kept as " + place);
                });
    }

    /** Registers a file as a copy that brings the phone on the desk back. */
    public void registerCopy(Kept file, PartitionClass covers) {
        telling("Registering a copy", () -> bench.register(file, covers));
    }

    /** Reads a copy whole and holds its digest against the one it was registered with. */
    public void verifyCopy(StockCopy copy) {
        String registered = copy.file().material().digests().of(Digest.SHA256).orElse("");
        reading(
                "Verifying " + copy.file().material().name(),
                (read, names) -> read.digest(copy.file().path()),
                digests -> bench.bin()
                        .checked(copy, digests.agrees(Digest.SHA256, registered).orElse(false), bench.now()));
    }

    public void unregisterCopy(StockCopy copy) {
        telling("Taking a copy off the register", () -> bench.bin().unregister(copy, bench.now()));
    }

    /** Where the files of a job for the phone on the desk are kept. */
    public JobFolder jobFolder(Desk desk) {
        return JobFolder.of(
                Bin.files(folder),
                desk.dossier()
                        .runningJob()
                        .map(job -> LocalDate.ofInstant(job.startedAt(), clock.getZone()))
                        .orElseGet(() -> LocalDate.now(clock)),
                desk.dossier().phone().nickname(),
                desk.answer().goal().label());
    }

    /** Writes the run sheet of a plan and starts the job. */
    public void start(Plan plan) {
        change("Writing the run sheet", () -> bench.start(plan));
    }

    /** Ticks a step, if it may be ticked; the snapshot shows it only when it is on disk. */
    public void tick(SheetStep step) {
        change("Noting the tick", () -> bench.tick(step, wish()));
    }

    public void untick(SheetStep step) {
        change("Taking the tick back", () -> bench.untick(step));
    }

    /** Ends the job on the desk; it goes to the logbook for good. */
    public void end(JournalEntry.Kind kind, String note) {
        telling("Closing the job", () -> bench.end(kind, note));
    }

    /** Remembers how the desk was left. */
    public void remember(String name, String value) {
        worker.execute(() ->
                Optional.ofNullable(bench).ifPresent(open -> open.logbook().putSetting(name, value)));
    }

    /** What was remembered, told on the thread that draws. */
    public void recall(String name, Consumer<String> whoever) {
        worker.execute(() -> Optional.ofNullable(bench)
                .flatMap(open -> open.logbook().setting(name))
                .ifPresent(value -> Platform.runLater(() -> whoever.accept(value))));
    }

    /** Stops what is running; what was on disk by then stays. */
    public void cancel() {
        Optional.ofNullable(latest).ifPresent(Task::stop);
    }

    public void dismiss() {
        notice.set(Optional.empty());
    }

    /** Waits for the work in hand, then gives the workspace free. */
    @Override
    public void close() {
        reader.shutdownNow();
        worker.execute(this::closeBench);
        worker.shutdown();
        try {
            reader.awaitTermination(10, TimeUnit.SECONDS);
            closeFiles();
            if (!worker.awaitTermination(10, TimeUnit.SECONDS)) {
                worker.shutdownNow();
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }

    private void closeFiles() {
        try {
            if (files != null) {
                files.close();
            }
        } catch (IOException unimportant) {
            LOG.warn("The temporary folder could not be removed", unimportant);
        }
    }

    private void closeBench() {
        try {
            if (bench != null) {
                bench.close();
            }
        } catch (IOException unimportant) {
            LOG.warn("The lock could not be given back; it ends with the program", unimportant);
        }
    }

    private void change(String what, Quiet change) {
        telling(what, () -> {
            change.run();
            return null;
        });
    }

    private void telling(String what, Callable<Notice> change) {
        asking(
                what,
                () -> Optional.ofNullable(change.call()).map(Outcome.Told::new).orElse(null));
    }

    private void asking(String what, Callable<Outcome> change) {
        begin(what);
        latest = new Task(() -> finish(what, change), () -> finish(what, Session::cancelled));
        worker.execute(latest);
    }

    private void begin(String what) {
        notice.set(Optional.empty());
        question.set(Optional.empty());
        pending++;
        work.set(Optional.of(what));
    }

    /** On the worker thread: makes a change and shows how everything stands after it. */
    private void finish(String what, Callable<Outcome> change) {
        Optional<Outcome> outcome = attempt(what, change);
        // A cancelled task leaves its mark on the thread, and the database must not see it.
        Thread.interrupted();
        Optional<Snapshot> next = Optional.ofNullable(bench).map(open -> open.look(wish()));
        Platform.runLater(() -> show(next, outcome));
    }

    /** Something that reads files. */
    private interface Read<T> {
        T read(FileReading files, PartitionNames names) throws IOException;
    }

    /** What is done with what was read, on the worker thread. */
    private interface Keeping<T> {
        Notice keep(T found) throws IOException;
    }

    /** Reads on the reader's thread, then changes on the worker's; a reading that was cancelled changes nothing. */
    private <T> void reading(String what, Read<T> reading, Keeping<T> keeping) {
        begin(what);
        latest = new Task(
                () -> {
                    Callable<Outcome> change = read(reading, keeping);
                    worker.execute(() -> finish(what, change));
                    Platform.runLater(() -> progress.set(Optional.empty()));
                },
                () -> worker.execute(() -> finish(what, Session::cancelled)));
        reader.execute(latest);
    }

    /** What remains to be done once the reading is over; of one that failed, to tell so. */
    private <T> Callable<Outcome> read(Read<T> reading, Keeping<T> keeping) {
        try {
            T found = reading.read(files(), partitionNames());
            return () -> Optional.ofNullable(keeping.keep(found))
                    .map(Outcome.Told::new)
                    .orElse(null);
        } catch (IOException | RuntimeException failed) {
            return () -> {
                throw failed;
            };
        }
    }

    private static Outcome cancelled() throws InterruptedException {
        throw new InterruptedException("stopped by the user");
    }

    private FileReading files() throws IOException {
        if (files == null) {
            files = new FileReading(clock, now -> Platform.runLater(() -> progress.set(Optional.of(now))));
        }
        return files;
    }

    private PartitionNames partitionNames() throws IOException {
        try {
            return worker.submit(() -> bench.partitionNames()).get();
        } catch (InterruptedException cancelled) {
            throw new ClosedByInterruptException();
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed.getCause());
        }
    }

    private void show(Optional<Snapshot> next, Optional<Outcome> outcome) {
        next.ifPresent(snapshot::set);
        outcome.ifPresent(known -> {
            if (known instanceof Outcome.Told told) {
                notice.set(Optional.of(told.notice()));
            } else if (known instanceof Outcome.Asked asked) {
                question.set(Optional.of(asked.question()));
            }
        });
        pending--;
        if (pending == 0) {
            work.set(Optional.empty());
        }
    }

    private static Optional<Outcome> attempt(String what, Callable<Outcome> change) {
        try {
            return Optional.ofNullable(change.call());
        } catch (ClosedByInterruptException | InterruptedException cancelled) {
            return told(false, what + " was cancelled; nothing was changed.");
        } catch (IOException | IllegalArgumentException | IllegalStateException refused) {
            LOG.info("{}: {}", what, refused.getMessage());
            return told(true, refused.getMessage());
        } catch (Exception unexpected) {
            LOG.error(what, unexpected);
            return told(true, what + " failed; the log says why. Nothing was lost.");
        }
    }

    private static Optional<Outcome> told(boolean bad, String text) {
        return Optional.of(new Outcome.Told(new Notice(bad, text)));
    }
}
