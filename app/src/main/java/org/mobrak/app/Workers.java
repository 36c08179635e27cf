package org.mobrak.app;

import java.io.IOException;
import java.nio.channels.ClosedByInterruptException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.FullDisk;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The session's threads, and what the window sees of them. The worker changes the logbook, one thing after the other; the reader
 * reads files that may be large, and a thread for the cable waits for phones that may never answer, so that the rest of the work
 * goes on meanwhile. Methods are called on the thread that
 * draws unless they say otherwise.
 */
final class Workers implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Workers.class);
    private static final int PATIENCE_SECONDS = 10;

    final Observed<Snapshot> snapshot = new Observed<>(null);
    final Observed<Optional<Notice>> notice = new Observed<>(Optional.empty());
    final Observed<Optional<Question>> question = new Observed<>(Optional.empty());
    final Observed<Optional<Progress>> progress = new Observed<>(Optional.empty());
    final Observed<Optional<String>> work = new Observed<>(Optional.empty());

    private final ExecutorService worker = Executors.newSingleThreadExecutor(task -> new Thread(task, "worker"));
    private final ExecutorService reader = Executors.newSingleThreadExecutor(task -> new Thread(task, "reader"));
    private final ExecutorService cable = Executors.newSingleThreadExecutor(task -> new Thread(task, "cable"));
    private final Supplier<Optional<Snapshot>> look;
    private final Unit unit;
    private final Executor drawing;

    // These belong to the thread that draws.
    private final Deque<Handle> asked = new ArrayDeque<>();
    private final Deque<Question> questions = new ArrayDeque<>();

    /** Something that was asked for and is not done yet; it can be stopped whatever was asked since. */
    private static final class Handle {
        private final String what;
        private @Nullable Work work;

        Handle(String what) {
            this.what = what;
        }
    }

    /** What comes of an answer or of what was read, on the worker thread; it may be a question to the user. */
    interface Following<T> {
        Outcome follow(T answer) throws IOException, Refusal;
    }

    /** Does a command so that it is done or not begun. */
    interface Unit {
        Outcome run(Callable<Outcome> command) throws Exception;
    }

    /**
     * The two threads.
     *
     * @param look how everything stands, asked on the worker thread after each change
     * @param unit does a command, all of it or nothing
     * @param drawing runs what is to be done on the thread that draws
     */
    Workers(Supplier<Optional<Snapshot>> look, Unit unit, Executor drawing) {
        this.look = look;
        this.unit = unit;
        this.drawing = drawing;
    }

    /** Makes a change; what it gives is told, if it gives anything. */
    void ask(String what, Callable<Outcome> change) {
        notice.set(Optional.empty());
        Handle handle = new Handle(what);
        handle.work = new Work(() -> finish(handle, change), () -> finish(handle, Workers::cancelled));
        start(worker, handle);
    }

    /** Makes a change and tells what came of it. */
    void tell(String what, Callable<Notice> change) {
        ask(what, () -> new Outcome.Told(change.call()));
    }

    /** Something that has nothing to tell when it went well. */
    interface Quiet {
        void run() throws IOException, Refusal;
    }

    /** Makes a change that has nothing to tell when it went well. */
    void change(String what, Quiet change) {
        ask(what, () -> {
            change.run();
            return Outcome.NOTHING;
        });
    }

    /** Reads on the reader's thread, then changes on the worker's; a reading that was cancelled changes nothing. */
    <T> void read(String what, Callable<T> reading, Following<T> keeping) {
        apart(reader, what, reading, keeping);
    }

    /** Asks a phone, which takes as long as it takes; then changes on the worker's thread. */
    <T> void askPhone(String what, Callable<T> asking, Following<T> following) {
        apart(cable, what, asking, following);
    }

    private <T> void apart(ExecutorService thread, String what, Callable<T> first, Following<T> then) {
        notice.set(Optional.empty());
        Handle handle = new Handle(what);
        handle.work = new Work(
                () -> {
                    Callable<Outcome> change = afterwards(first, then);
                    worker.execute(() -> finish(handle, change));
                    drawing.execute(() -> progress.set(Optional.empty()));
                },
                () -> worker.execute(() -> finish(handle, Workers::cancelled)));
        start(thread, handle);
    }

    private void start(ExecutorService thread, Handle handle) {
        asked.add(handle);
        tellWork();
        try {
            thread.execute(handle.work);
        } catch (RejectedExecutionException closed) {
            LOG.debug("A window that is closing asked for {}; nobody waits for it", handle.what, closed);
            asked.remove(handle);
            tellWork();
        }
    }

    /** What is shown as being done is what was asked first of what is not done yet. */
    private void tellWork() {
        work.set(Optional.ofNullable(asked.peek()).map(handle -> handle.what));
    }

    /** What remains to be done once the reading is over; of one that failed, to tell so. */
    private static <T> Callable<Outcome> afterwards(Callable<T> first, Following<T> then) {
        try {
            T found = first.call();
            return () -> then.follow(found);
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

    /** Does something on the thread that draws. */
    void draw(Runnable task) {
        drawing.execute(task);
    }

    /** Does something on the worker thread that the window need not wait for. */
    void quietly(Runnable task) {
        try {
            worker.execute(() -> attempt(task));
        } catch (RejectedExecutionException closed) {
            LOG.debug("A window that is closing asked once more; nobody waits for the answer", closed);
        }
    }

    private static void attempt(Runnable task) {
        try {
            task.run();
        } catch (RuntimeException | StackOverflowError broken) {
            LOG.error("A quiet look failed", broken);
        }
    }

    /** Asks something of the worker thread, from the reader's. */
    <T> T fromWorker(Callable<T> question) throws IOException, Refusal {
        try {
            return worker.submit(question).get();
        } catch (InterruptedException cancelled) {
            throw new ClosedByInterruptException();
        } catch (ExecutionException failed) {
            // What is meant for the user stays so.
            if (failed.getCause() instanceof Refusal refused) {
                throw refused;
            }
            if (failed.getCause() instanceof IOException unreadable) {
                throw unreadable;
            }
            throw new IllegalStateException(failed.getCause());
        }
    }

    /** Stops what is shown as being done, also when other things were asked since; what was on disk by then stays. */
    void cancel() {
        Optional.ofNullable(asked.peek())
                .flatMap(handle -> Optional.ofNullable(handle.work))
                .ifPresent(Work::stop);
    }

    /** The question that was open is answered, or need not be; the next one comes up. */
    Optional<Question> closeQuestion() {
        Optional<Question> closed = Optional.ofNullable(questions.poll());
        question.set(Optional.ofNullable(questions.peek()));
        return closed;
    }

    /** On the worker thread: makes a change and shows how everything stands after it. */
    private void finish(Handle handle, Callable<Outcome> change) {
        Optional<Outcome> outcome = attempt(handle.what, change);
        // A cancelled task leaves its mark on the thread, and the database must not see it.
        Thread.interrupted();
        try {
            Optional<Snapshot> next = look.get();
            drawing.execute(() -> show(handle, next, outcome));
        } catch (RuntimeException | Error unreadable) {
            // What was shown last stays; the window must not seem to wait for ever.
            Optional<Outcome> told = told(handle.what, unreadable);
            drawing.execute(() -> show(handle, Optional.empty(), told));
        }
    }

    private void show(Handle handle, Optional<Snapshot> next, Optional<Outcome> outcome) {
        next.ifPresent(snapshot::set);
        outcome.ifPresent(known -> {
            if (known instanceof Outcome.Told told) {
                notice.set(Optional.of(told.notice()));
            } else if (known instanceof Outcome.Asked one) {
                questions.add(one.question());
                question.set(Optional.of(questions.peek()));
            }
        });
        asked.remove(handle);
        tellWork();
    }

    private Optional<Outcome> attempt(String what, Callable<Outcome> change) {
        try {
            return Optional.of(unit.run(change));
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
        if (failed instanceof Refusal || failed instanceof IOException) {
            LOG.info("{}: {}", what, failed.getMessage());
            return told(true, String.valueOf(failed.getMessage()));
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
        cable.shutdownNow();
        worker.shutdown();
        try {
            reader.awaitTermination(PATIENCE_SECONDS, TimeUnit.SECONDS);
            cable.awaitTermination(PATIENCE_SECONDS, TimeUnit.SECONDS);
            if (!worker.awaitTermination(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                worker.shutdownNow();
            }
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
