package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Work that is stopped tells that it ended, and how far it is said in words. */
class WorkTest {
    private final List<String> told = new ArrayList<>();

    @Test
    void stoppedBeforeItsTurnItDoesTheOtherThing() {
        Work task = new Work(() -> told.add("worked"), () -> told.add("stopped before"));
        task.stop();
        task.run();
        assertThat(told).containsExactly("stopped before");
    }

    @Test
    void stoppedWhileItRunsItIsInterruptedAndLeavesNoMark() throws Exception {
        CountDownLatch running = new CountDownLatch(1);
        AtomicBoolean interrupted = new AtomicBoolean();
        AtomicBoolean marked = new AtomicBoolean();
        Work task = new Work(
                () -> {
                    running.countDown();
                    try {
                        new CountDownLatch(1).await();
                    } catch (InterruptedException stopped) {
                        interrupted.set(true);
                        Thread.currentThread().interrupt();
                    }
                },
                () -> told.add("stopped before"));
        ExecutorService thread = Executors.newSingleThreadExecutor();
        thread.execute(task);
        thread.execute(() -> marked.set(Thread.currentThread().isInterrupted()));
        assertThat(running.await(10, TimeUnit.SECONDS)).isTrue();
        task.stop();
        thread.shutdown();
        assertThat(thread.awaitTermination(10, TimeUnit.SECONDS)).isTrue();
        assertThat(interrupted).isTrue();
        assertThat(marked).isFalse();
        assertThat(told).isEmpty();
    }

    @Test
    void stoppedTooLateItChangesNothing() {
        Work task = new Work(() -> told.add("worked"), () -> told.add("stopped before"));
        task.run();
        task.stop();
        assertThat(told).containsExactly("worked");
        assertThat(Thread.currentThread().isInterrupted()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "500000000 | 2000000000 | 5000 | 500 of 2000 MB, 100 MB/s, 15 s left",
                "10000000 | 2000000000 | 1000 | 10 of 2000 MB, 10 MB/s, 3 min left",
                "500000000 | 2000000000 | 100 | 500 of 2000 MB",
                "0 | 0 | 0 | 0 of 0 MB"
            })
    void howFarItIsInWords(long read, long total, long millis, String words) {
        Progress progress = new Progress("firmware.bin", read, total, Duration.ofMillis(millis));
        assertThat(progress.words()).isEqualTo(words);
        assertThat(progress.part()).isBetween(0.0, 1.0);
    }
}
