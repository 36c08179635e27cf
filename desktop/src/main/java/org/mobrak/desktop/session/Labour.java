package org.mobrak.desktop.session;

import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.mobrak.core.logbook.FullDisk;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The session's two threads, and what the window sees of them. The worker changes the logbook, one thing after the other; the
 * reader reads files that may be large, so that the rest of the work goes on meanwhile. Methods are called on the thread that
 * draws unless they say otherwise.
 */
final class Labour implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Labour.class);
    private static final int PATIENCE_SECONDS = 10;

    final ReadOnlyObjectWrapper<Snapshot> snapshot = new ReadOnlyObjectWrapper<>();
    final ReadOnlyObjectWrapper<Optional<Notice>> notice = new ReadOnlyObjectWrapper<>(Optional.empty());
    final ReadOnlyObjectWrapper<Optional<Question>> question = new ReadOnlyObjectWrapper<>(Optional.empty());
    final ReadOnlyObjectWrapper<Optional<Progress>> progress = new ReadOnlyObjectWrapper<>(Optional.empty());
    final ReadOnlyObjectWrapper<Optional<String>> work = new ReadOnlyObjectWrapper<>(Optional.empty());

    private final ExecutorService worker = Executors.newSingleThreadExecutor(task -> new Thread(task, "worker"));
    private final ExecutorService reader = Executors.newSingleThreadExecutor(task -> new Thread(task, "reader"));
    private final Supplier<Optional<Snapshot>> look;
    private int pending;
    private Task latest;

    /** What is done with what was read, on the worker thread; null where there is nothing to tell. */
    interface Keeping<T> {
        Notice keep(T found) throws IOException;
    }

    /**
     * The two threads.
     *
     * @param look how everything stands, asked on the worker thread after each change
     */
    Labour(Supplier<Optional<Snapshot>> look) {
        this.look = look;
    }

    /** Makes a change; what it gives is told, if it gives anything. */
    void ask(String what, Callable<Outcome> change) {
        begin(what);
        start(worker, new Task(() -> finish(what, change), () -> finish(what, Labour::cancelled)));
    }

    /** Reads on the reader's thread, then changes on the worker's; a reading that was cancelled changes nothing. */
    <T> void read(String what, Callable<T> reading, Keeping<T> keeping) {
        begin(what);
        start(
                reader,
                new Task(
                        () -> {
                            Callable<Outcome> change = afterwards(reading, keeping);
                            worker.execute(() -> finish(what, change));
                            Platform.runLater(() -> progress.set(Optional.empty()));
                        },
                        () -> worker.execute(() -> finish(what, Labour::cancelled))));
    }

    private void start(ExecutorService thread, Task task) {
        latest = task;
        thread.execute(task);
    }

    /** What remains to be done once the reading is over; of one that failed, to tell so. */
    private static <T> Callable<Outcome> afterwards(Callable<T> reading, Keeping<T> keeping) {
        try {
            T found = reading.call();
            return () -> Optional.ofNullable(keeping.keep(found))
                    .map(Outcome.Told::new)
                    .orElse(null);
        } catch (Exception failed) {
            return () -> {
                throw failed;
            };
        } catch (Error broken) {
            return () -> {
                throw new IllegalStateException(broken.toString(), broken);
            };
        }
    }

    private static Outcome cancelled() throws InterruptedException {
        throw new InterruptedException("stopped by the user");
    }

    /** Does something on the worker thread that the window need not wait for. */
    void quietly(Runnable task) {
        worker.execute(task);
    }

    /** Asks something of the worker thread, from the reader's. */
    <T> T fromWorker(Callable<T> question) throws IOException {
        try {
            return worker.submit(question).get();
        } catch (InterruptedException cancelled) {
            throw new ClosedByInterruptException();
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed.getCause());
        }
    }

    /** Stops what is running; what was on disk by then stays. */
    void cancel() {
        Optional.ofNullable(latest).ifPresent(Task::stop);
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
        try {
            Optional<Snapshot> next = look.get();
            Platform.runLater(() -> show(next, outcome));
        } catch (RuntimeException | Error unreadable) {
            // What was shown last stays; the window must not seem to wait for ever.
            Optional<Outcome> told = told(what, unreadable);
            Platform.runLater(() -> show(Optional.empty(), told));
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
        } catch (Exception | Error failed) {
            return told(what, failed);
        }
    }

    private static Optional<Outcome> told(String what, Throwable failed) {
        Optional<String> full = FullDisk.explains(failed);
        if (full.isPresent()) {
            LOG.warn(what, failed);
            return told(true, full.get());
        }
        boolean refused = failed instanceof IOException
                || failed instanceof IllegalArgumentException
                || failed instanceof IllegalStateException;
        if (refused) {
            LOG.info("{}: {}", what, failed.getMessage());
            return told(true, failed.getMessage());
        }
        LOG.error(what, failed);
        return told(true, what + " failed; the log says why. Nothing was lost.");
    }

    private static Optional<Outcome> told(boolean bad, String text) {
        return Optional.of(new Outcome.Told(new Notice(bad, text)));
    }

    /** Stops reading and waits for the work in hand. */
    @Override
    public void close() {
        reader.shutdownNow();
        worker.shutdown();
        try {
            reader.awaitTermination(PATIENCE_SECONDS, TimeUnit.SECONDS);
            if (!worker.awaitTermination(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                worker.shutdownNow();
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
