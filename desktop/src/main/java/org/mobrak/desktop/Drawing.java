package org.mobrak.desktop;

import java.util.ArrayDeque;
import java.util.Queue;
import java.util.concurrent.Executor;
import javafx.application.Platform;

/** The thread that draws, also before there is one: what is to be drawn then waits until the toolkit has started. */
final class Drawing implements Executor {
    private final Queue<Runnable> waiting = new ArrayDeque<>();
    private boolean started;

    @Override
    public synchronized void execute(Runnable task) {
        if (started) {
            Platform.runLater(task);
        } else {
            waiting.add(task);
        }
    }

    /** The toolkit has started. */
    synchronized void begin() {
        started = true;
        waiting.forEach(Platform::runLater);
        waiting.clear();
    }
}
