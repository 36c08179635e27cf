package org.mobrak.app;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import org.apache.commons.io.function.IOFunction;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.FolderFiles;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Digests;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.Scratch;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.reader.Inspector;

/** Files that were named, looked into several at once, with a private temporary folder that goes with them. */
public final class NamedFiles implements AutoCloseable {
    /** The name that means standard input. */
    public static final String STANDARD_INPUT = "-";

    private static final int MOST_DEPTH = 16;
    private static final int MOST_FILES = 100_000;
    private static final int AT_ONCE = 2;

    private final InputStream standardInput;
    private final Consumer<String> teller;
    private final Scratch scratch;
    private final Path temporary;
    private final ExecutorService arithmetic = Executors.newCachedThreadPool(NamedFiles::quiet);
    private final ExecutorService looking = Executors.newFixedThreadPool(AT_ONCE, NamedFiles::quiet);

    private final Inspector inspector;
    private boolean complete = true;

    /**
     * Nothing is opened yet.
     *
     * @param teller is told of each file that cannot be read, in a sentence
     * @param names what the partitions of the phone are called
     */
    public NamedFiles(InputStream standardInput, Consumer<String> teller, PartitionNames names) throws IOException {
        this.standardInput = standardInput;
        this.teller = teller;
        this.scratch = Scratches.make();
        this.temporary = scratch.path();
        this.inspector = new Inspector(temporary, arithmetic, names);
    }

    private static Thread quiet(Runnable task) {
        Thread thread = new Thread(task);
        thread.setDaemon(true);
        return thread;
    }

    /** The files meant: folders opened, standard input laid into a file of the same name. */
    public List<Path> find(List<String> named) throws IOException {
        List<Path> files = new ArrayList<>();
        for (String name : named) {
            try {
                files.addAll(meant(name));
            } catch (UnreadableInput shut) {
                refuse(shut);
            }
        }
        return files;
    }

    private List<Path> meant(String name) throws IOException {
        if (name.equals(STANDARD_INPUT)) {
            Path copy = temporary.resolve(STANDARD_INPUT);
            Files.copy(standardInput, copy, StandardCopyOption.REPLACE_EXISTING);
            return List.of(copy);
        }
        Path path = Path.of(name);
        return Files.isDirectory(path) ? FolderFiles.of(path, MOST_DEPTH, MOST_FILES) : List.of(path);
    }

    private void refuse(IOException unreadable) {
        teller.accept(unreadable.getMessage());
        complete = false;
    }

    /** Whether all that was named could be read. */
    public boolean isComplete() {
        return complete;
    }

    /** What a file is called by whoever named it: the copy of standard input as that. */
    public Path shown(Path file) {
        return file.equals(temporary.resolve(STANDARD_INPUT)) ? Path.of(STANDARD_INPUT) : file;
    }

    /** What is done with each file's result; it may fail. */
    public interface Taker<T> {
        void take(Path file, T result) throws IOException;
    }

    /** Looks into all of them, in their order; one that cannot be read is told on standard error and left out. */
    public void inspect(List<Path> files, Set<Digest> wanted, Taker<Inspection> taker) throws IOException {
        each(files, file -> inspector.inspect(file, wanted, Watch.NONE), taker);
    }

    /** Works out digests of all of them, likewise. */
    public void digest(List<Path> files, Set<Digest> wanted, Taker<Digests> taker) throws IOException {
        each(files, file -> inspector.digest(file, wanted, Watch.NONE), taker);
    }

    /** A result is given away before many others are begun: those of a large folder would not all find room. */
    private <T> void each(List<Path> files, IOFunction<Path, T> work, Taker<T> taker) throws IOException {
        Queue<Map.Entry<Path, Future<T>>> running = new ArrayDeque<>();
        for (Path file : files) {
            running.add(Map.entry(file, looking.submit(() -> work.apply(file))));
            if (running.size() > AT_ONCE) {
                give(running.remove(), taker);
            }
        }
        while (!running.isEmpty()) {
            give(running.remove(), taker);
        }
    }

    private <T> void give(Map.Entry<Path, Future<T>> done, Taker<T> taker) throws IOException {
        Optional<T> result = result(done.getValue());
        if (result.isPresent()) {
            taker.take(done.getKey(), result.get());
        }
    }

    private <T> Optional<T> result(Future<T> running) throws IOException {
        try {
            return Optional.of(running.get());
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof IOException unreadable) {
                refuse(unreadable);
                return Optional.empty();
            }
            throw new IllegalStateException(failed.getCause());
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new UnreadableInput("Stopped before the end.");
        }
    }

    @Override
    public void close() throws IOException {
        looking.shutdownNow();
        arithmetic.shutdownNow();
        scratch.close();
    }
}
