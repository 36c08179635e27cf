package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.gather.JobFolder;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.job.Step;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.PartitionNames;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What the user does with files: looking into them, gathering them for a job, registering copies. Like the session's, the methods
 * are called on the thread that draws and return at once.
 */
public final class FileDesk implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(FileDesk.class);

    private final Workers workers;
    private final Supplier<Workbench> bench;
    private final Path folder;
    private final Clock clock;

    // This belongs to the reader's thread.
    private @Nullable FileReading files;

    /**
     * The files of a session.
     *
     * @param bench the workbench, asked on the worker thread only
     * @param folder the workspace's
     */
    FileDesk(Workers workers, Supplier<Workbench> bench, Path folder, Clock clock) {
        this.workers = workers;
        this.bench = bench;
        this.folder = folder;
        this.clock = clock;
    }

    /** Something that reads files. */
    private interface Read<T> {
        T read(FileReading files, PartitionNames names) throws IOException;
    }

    /** Looks into files, remembers what was found and lays the last of them on the table. */
    public void lookInto(List<Path> named) {
        String what = named.size() == 1
                ? "Looking into " + named.get(0).getFileName()
                : "Looking into " + named.size() + " files";
        reading(
                what,
                (read, names) -> read.inspect(named, names),
                found -> new Outcome.Told(bench.get().keep(found)));
    }

    /** Lays a file on the table that was looked into before. */
    public void lay(Kept file) {
        reading("Opening " + file.material().name(), (read, names) -> read.headers(file.path(), names), found -> {
            bench.get().files().lay(file, found.with(file.material().digests()));
            return Outcome.NOTHING;
        });
    }

    /** Holds another file against the one on the table. */
    public void layBeside(Kept other) {
        reading("Opening " + other.material().name(), (read, names) -> read.headers(other.path(), names), found -> {
            bench.get().files().layBeside(found.with(other.material().digests()));
            return Outcome.NOTHING;
        });
    }

    /** Puts a file away that was looked into; it stays on the disk. */
    public void putAway(Kept file) {
        workers.ask("Putting " + file.material().name() + " away", () -> {
            bench.get().files().putAway(file, bench.get().now());
            return Outcome.NOTHING;
        });
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
                    bench.get().keep(List.of(found));
                    folder.writeChecksums(bench.get().files().kept());
                    return Outcome.told("Kept as " + place + ", and noted in the folder's SHA256SUMS.");
                });
    }

    /** Notes a picture beside a step of the running job; it stays where it lies, and its digest says later whether it is the same. */
    public void photo(Step step, Path picture) {
        reading("Reading " + picture.getFileName(), (read, names) -> read.digest(picture), digests -> {
            bench.get().photo(step, picture, digests.of(Digest.SHA256).orElseThrow());
            return Outcome.told("Noted: " + picture.getFileName() + ".");
        });
    }

    /** Registers a file as a copy that brings the phone on the desk back. */
    public void registerCopy(Kept file, PartitionClass covers) {
        workers.tell("Registering a copy", () -> bench.get().register(file, covers));
    }

    /** Reads a copy whole and holds its digest against the one it was registered with. */
    public void verifyCopy(StockCopy copy) {
        String registered = copy.file().material().digests().of(Digest.SHA256).orElse("");
        reading(
                "Verifying " + copy.file().material().name(),
                (read, names) -> read.digest(copy.file().path()),
                digests -> new Outcome.Told(bench.get()
                        .files()
                        .checked(
                                copy,
                                digests.agrees(Digest.SHA256, registered).orElse(false),
                                bench.get().now())));
    }

    public void unregisterCopy(StockCopy copy) {
        workers.tell(
                "Taking a copy off the register",
                () -> bench.get().files().unregister(copy, bench.get().now()));
    }

    /** Where the files of a job for the phone on the desk are kept. */
    public JobFolder jobFolder(Desk desk) {
        return JobFolder.of(
                FileRegister.files(folder),
                desk.dossier()
                        .runningJob()
                        .map(job -> LocalDate.ofInstant(job.startedAt(), clock.getZone()))
                        .orElseGet(() -> LocalDate.now(clock)),
                desk.dossier().phone().nickname(),
                desk.answer().goal().label());
    }

    /** How many bytes are free where the workspace lies, now: it changes with whatever else the computer does. */
    public long free() {
        return folder.toFile().getUsableSpace();
    }

    private <T> void reading(String what, Read<T> read, Workers.Following<T> keeping) {
        workers.read(
                what,
                () -> read.read(
                        files(), workers.fromWorker(() -> bench.get().phones().partitionNames())),
                keeping);
    }

    private FileReading files() throws IOException {
        if (files == null) {
            files = new FileReading(clock, now -> workers.draw(() -> workers.progress.set(Optional.of(now))));
        }
        return files;
    }

    /** Removes the private folder; the threads must have ended. */
    @Override
    public void close() {
        try {
            if (files != null) {
                files.close();
            }
        } catch (IOException unimportant) {
            LOG.warn("The temporary folder could not be removed", unimportant);
        }
    }
}
