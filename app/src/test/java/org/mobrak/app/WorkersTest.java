package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.mobrak.core.logbook.PhoneRecord;

class WorkersTest {
    private static final PhoneRecord PHONE = new PhoneRecord(1, "Hive 1", Instant.EPOCH);

    /** Stands for the thread that draws. */
    private final ExecutorService drawing = Executors.newSingleThreadExecutor();

    private final Workers workers = new Workers(Optional::empty, Callable::call, drawing);
    private final List<String> told = new ArrayList<>();

    @AfterEach
    void end() {
        workers.close();
        drawing.shutdownNow();
    }

    private <T> T drawn(Callable<T> work) throws Exception {
        return drawing.submit(work).get(20, TimeUnit.SECONDS);
    }

    private void rest() throws Exception {
        while (drawn(() -> workers.work.get().isPresent())) {
            Thread.sleep(1);
        }
    }

    private void listen() throws Exception {
        drawn(() -> {
            workers.notice.addListener((source, before, now) -> now.ifPresent(notice -> told.add(notice.text())));
            return null;
        });
    }

    @Test
    void cancelStopsWhatIsShownAlsoWhenOtherThingsWereAskedSince() throws Exception {
        listen();
        CountDownLatch reading = new CountDownLatch(1);
        drawn(() -> {
            workers.read(
                    "Reading a large file",
                    () -> {
                        reading.countDown();
                        new CountDownLatch(1).await();
                        return "never";
                    },
                    found -> Outcome.told("kept"));
            return null;
        });
        reading.await();
        drawn(() -> {
            workers.ask("Noting the tick", () -> Outcome.told("ticked"));
            return null;
        });
        assertThat(drawn(() -> workers.work.get())).contains("Reading a large file");
        drawn(() -> {
            workers.cancel();
            return null;
        });
        rest();
        assertThat(told)
                .as("a slow reading does not keep a tick waiting, and is not taken for a result")
                .containsExactly("ticked", "Reading a large file was cancelled; nothing was changed.");
    }

    @Test
    void aQuietLookThatFailsStopsNothingThatIsAskedAfterIt() throws Exception {
        listen();
        drawn(() -> {
            workers.quietly(() -> {
                throw new IllegalStateException("a page that cannot be worked out");
            });
            workers.ask("Noting the tick", () -> Outcome.told("ticked"));
            return null;
        });
        rest();
        assertThat(told).containsExactly("ticked");
    }

    @Test
    void aPhoneThatNeverAnswersKeepsNeitherFilesNorTicksWaiting() throws Exception {
        listen();
        CountDownLatch asking = new CountDownLatch(1);
        drawn(() -> {
            workers.askPhone(
                    "Asking the silent one",
                    () -> {
                        asking.countDown();
                        new CountDownLatch(1).await();
                        return "never";
                    },
                    answer -> Outcome.told(answer));
            return null;
        });
        asking.await();
        drawn(() -> {
            workers.read("Reading a file", () -> "a file", Outcome::told);
            workers.ask("Noting the tick", () -> Outcome.told("ticked"));
            return null;
        });
        while (drawn(() -> told.size()) < 2) {
            Thread.sleep(1);
        }
        assertThat(told).containsExactlyInAnyOrder("a file", "ticked");
        assertThat(drawn(() -> workers.work.get())).contains("Asking the silent one");
    }

    @Test
    void aSecondQuestionWaitsUntilTheFirstIsAnswered() throws Exception {
        drawn(() -> {
            workers.ask("Reading", () -> new Outcome.Asked(new Question(PHONE, "first", List.of())));
            workers.ask("Reading", () -> new Outcome.Asked(new Question(PHONE, "second", List.of())));
            return null;
        });
        rest();
        assertThat(drawn(() -> workers.closeQuestion())).map(Question::text).contains("first");
        assertThat(drawn(() -> workers.question.get())).map(Question::text).contains("second");
        assertThat(drawn(() -> workers.closeQuestion())).map(Question::text).contains("second");
        assertThat(drawn(() -> workers.question.get())).isEmpty();
    }

    @Test
    void aDefectIsALineAndTheNextThingIsDone() throws Exception {
        listen();
        drawn(() -> {
            workers.ask("Breaking", () -> {
                throw new StackOverflowError();
            });
            workers.ask("Going on", () -> Outcome.told("went on"));
            return null;
        });
        rest();
        assertThat(told).containsExactly("Breaking failed; the log says why. Nothing was lost.", "went on");
    }

    @Test
    void anUndoThatFailsIsStillThereToTryAgain() {
        UndoStack undo = new UndoStack();
        List<String> done = new ArrayList<>();
        boolean[] fails = {true};
        undo.did(new UndoStack.Step(
                "a tick",
                () -> {
                    if (fails[0]) {
                        throw new IllegalStateException("the disk is full");
                    }
                    done.add("undone");
                },
                () -> done.add("again")));
        assertThatThrownBy(undo::undo).hasMessage("the disk is full");
        assertThat(undo.nextUndo()).contains("a tick");
        fails[0] = false;
        undo.undo();
        undo.redo();
        assertThat(done).containsExactly("undone", "again");
    }
}
