package org.mobrak.app;

import org.jspecify.annotations.Nullable;

/** Work that can be stopped, before it begins or while it runs. Either way it is told that it ended. */
final class Work implements Runnable {
    private final Runnable work;
    private final Runnable whenStoppedBefore;
    private @Nullable Thread runner;
    private boolean stopped;

    /**
     * A task.
     *
     * @param work is interrupted when it is stopped
     * @param whenStoppedBefore runs in its place if it was stopped before its turn came
     */
    Work(Runnable work, Runnable whenStoppedBefore) {
        this.work = work;
        this.whenStoppedBefore = whenStoppedBefore;
    }

    synchronized void stop() {
        stopped = true;
        if (runner != null) {
            runner.interrupt();
        }
    }

    @Override
    public void run() {
        if (!begin()) {
            whenStoppedBefore.run();
            return;
        }
        try {
            work.run();
        } finally {
            end();
        }
    }

    private synchronized boolean begin() {
        runner = stopped ? null : Thread.currentThread();
        return !stopped;
    }

    /** The mark of an interrupt must not meet what the thread does next. */
    private synchronized void end() {
        runner = null;
        Thread.interrupted();
    }
}
