package org.mobrak.desktop;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.slf4j.LoggerFactory;

/** Ends a start in which no window comes: the reason goes into the log, a line to whoever waits. */
final class StartWatch {
    private static final long LONGEST_SECONDS = 90;
    private static final int NO_WINDOW = 4;

    private final CountDownLatch there = new CountDownLatch(1);

    private StartWatch() {}

    /** @param starting the thread that asks for the window */
    static StartWatch over(Thread starting) {
        StartWatch watch = new StartWatch();
        Thread guard = new Thread(() -> watch.watch(starting), "start-watch");
        guard.setDaemon(true);
        guard.start();
        return watch;
    }

    void windowIsThere() {
        there.countDown();
    }

    private void watch(Thread starting) {
        try {
            if (!there.await(LONGEST_SECONDS, TimeUnit.SECONDS)) {
                LoggerFactory.getLogger(StartWatch.class).error("No window came; {} waits. {}", starting, stacks());
                System.err.println(
                        "mobrak: no window came within a minute and a half; the log says where it stood. Start it again.");
                Runtime.getRuntime().halt(NO_WINDOW);
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
    }

    private static String stacks() {
        return Thread.getAllStackTraces().entrySet().stream()
                .map(StartWatch::told)
                .collect(Collectors.joining("\n"));
    }

    private static String told(Map.Entry<Thread, StackTraceElement[]> one) {
        return one.getKey() + ": " + Arrays.toString(one.getValue());
    }
}
