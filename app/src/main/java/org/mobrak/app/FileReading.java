package org.mobrak.app;

import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import org.mobrak.core.gather.JobFolder;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.FolderFiles;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Digests;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.Scratch;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.reader.Inspector;

/** Reads files that may be large, a few at once, and tells how far it has come. An interrupt of the caller stops it. */
final class FileReading implements AutoCloseable {
    private static final Set<Digest> DIGESTS = EnumSet.allOf(Digest.class);
    private static final int AT_ONCE = 2;
    private static final int MOST_FILES = 500;
    private static final int MOST_DEPTH = 6;
    private static final Duration BEAT = Duration.ofMillis(100);

    private final Scratch scratch;
    private final Path temporary;
    private final Clock clock;
    private final Consumer<Progress> listener;
    private final ExecutorService arithmetic = Executors.newCachedThreadPool(FileReading::quiet);

    FileReading(Clock clock, Consumer<Progress> listener) throws IOException {
        this.scratch = Scratches.make();
        this.temporary = scratch.path();
        this.clock = clock;
        this.listener = listener;
    }

    private static Thread quiet(Runnable task) {
        Thread thread = new Thread(task, "digests");
        thread.setDaemon(true);
        return thread;
    }

    /** All named files looked into, folders opened, a few at once; the first that cannot be read stops it. */
    List<Inspection> inspect(List<Path> named, PartitionNames names) throws IOException {
        List<Path> files = files(named);
        Inspector inspector = new Inspector(temporary, arithmetic, names);
        Watch watch = watch(files);
        ExecutorService looking = Executors.newFixedThreadPool(AT_ONCE, FileReading::quiet);
        try {
            List<Future<Inspection>> running = files.stream()
                    .map(file -> looking.submit(() -> inspector.inspect(file, DIGESTS, watch)))
                    .toList();
            List<Inspection> found = new ArrayList<>();
            for (Future<Inspection> one : running) {
                found.add(one.get());
            }
            return found;
        } catch (InterruptedException cancelled) {
            throw new ClosedByInterruptException();
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof IOException unreadable) {
                throw unreadable;
            }
            throw new IllegalStateException(failed.getCause());
        } finally {
            // Interrupts those that still read; each closes its file.
            looking.shutdownNow();
        }
    }

    /** Only the headers of a file, which is quick. */
    Inspection headers(Path file, PartitionNames names) throws IOException {
        return new Inspector(temporary, arithmetic, names).inspect(file, Set.of(), Watch.NONE);
    }

    Digests digest(Path file) throws IOException {
        return new Inspector(temporary, arithmetic, PartitionNames.usual())
                .digest(file, EnumSet.of(Digest.SHA256), watch(List.of(file)));
    }

    /** A copy in a job's folder, read back; a copy that is not the same to the byte is removed again. */
    Inspection keep(JobFolder folder, Path from, Path place, String sha256, PartitionNames names) throws IOException {
        Path copy = folder.keep(from, place, watch(List.of(from)));
        try {
            Inspection read = inspect(List.of(copy), names).get(0);
            if (read.digests()
                    .flatMap(digests -> digests.agrees(Digest.SHA256, sha256))
                    .orElse(false)) {
                return read;
            }
        } catch (ClosedByInterruptException cancelled) {
            Files.delete(copy);
            throw cancelled;
        }
        Files.delete(copy);
        throw new UnreadableInput("The copy in %s was not the same as %s and was removed; check the disk and try again."
                .formatted(folder.path(), from));
    }

    private static List<Path> files(List<Path> named) throws IOException {
        List<Path> files = new ArrayList<>();
        for (Path path : named) {
            if (Files.isDirectory(path)) {
                files.addAll(FolderFiles.of(path, MOST_DEPTH, MOST_FILES));
            } else {
                files.add(path);
            }
        }
        if (files.size() > MOST_FILES) {
            throw new UnreadableInput("There are %,d files in there, more than %d; take a folder further in."
                    .formatted(files.size(), MOST_FILES));
        }
        return files;
    }

    /** Tells at most ten times a second, since the screen cannot show more; several threads may read. */
    private Watch watch(List<Path> files) throws IOException {
        String name = files.size() == 1 ? files.get(0).getFileName().toString() : files.size() + " files";
        long total = 0;
        for (Path file : files) {
            total += Files.exists(file) ? Files.size(file) : 0;
        }
        return new Beat(name, total, clock.instant());
    }

    /** Counts what was read. */
    private final class Beat implements Watch {
        private final String name;
        private final long total;
        private final Instant begun;
        private Instant told;
        private long read;

        Beat(String name, long total, Instant begun) {
            this.name = name;
            this.total = total;
            this.begun = begun;
            this.told = begun;
        }

        @Override
        public synchronized void read(long bytes) {
            read += bytes;
            Instant now = clock.instant();
            if (Duration.between(told, now).compareTo(BEAT) >= 0) {
                told = now;
                listener.accept(new Progress(name, read, total, Duration.between(begun, now)));
            }
        }
    }

    @Override
    public void close() throws IOException {
        arithmetic.shutdownNow();
        scratch.close();
    }
}
