package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Desk;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.app.rehearsal.BenchView.Doing;
import org.mobrak.app.rehearsal.BenchView.Lead;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;

/** A rehearsal played by hand, without a window: keys, cable and ticks as a person would do them. */
class PracticeTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    @TempDir
    private Path top;

    private final ExecutorService drawing = Executors.newSingleThreadExecutor();
    private Session real;
    private Practice practice;

    @BeforeEach
    void layOutTheDemo() throws Exception {
        Path folder = top.resolve("demo");
        DemoWorkspace.create(HOME, folder, top.resolve("cache"), Clock.systemUTC());
        real = new Session(folder, top.resolve("cache"), DrawerFile.benchOf(folder), Clock.systemUTC(), drawing);
        run(real::open);
        run(() -> real.pick(real.snapshot().get().drawer().stream()
                .map(DrawerEntry::phone)
                .filter(phone -> phone.nickname().startsWith("Hive 3"))
                .findFirst()
                .orElseThrow()));
        run(() -> real.takeTyped(Fact.RECOVERY, "stock"));
        run(() -> real.wish(Goal.ofKey("root+recovery").orElseThrow()));
    }

    @AfterEach
    void end() {
        real.close();
        drawing.shutdownNow();
    }

    private <T> T ask(Callable<T> question) throws Exception {
        return drawing.submit(question).get(60, TimeUnit.SECONDS);
    }

    /** Does something on the thread that draws, and waits until neither session has anything left to do. */
    private void run(Runnable command) throws Exception {
        ask(() -> {
            command.run();
            return null;
        });
        while (ask(() -> real.work().get().isPresent()
                || practice != null && practice.session().work().get().isPresent())) {
            Thread.onSpinWait();
        }
    }

    /** Whether the stock OS puts its own recovery back is drawn; so the seed is one that draws what is wanted. */
    private void lay(boolean repairs) throws Exception {
        Desk desk = real.snapshot().get().desk().orElseThrow();
        long seed = LongStream.range(1, 100)
                .filter(one -> OnBench.of("", desk.outlook(), one).nature().selfRepair() == repairs)
                .findFirst()
                .orElseThrow();
        run(() -> real.rehearsals().practise(desk, desk.answer().plans().get(0), seed, Optional.empty()));
        practice = real.rehearsals().practice().get().orElseThrow();
        run(() -> {});
    }

    private Optional<Job> job() {
        return practice.session()
                .snapshot()
                .get()
                .desk()
                .flatMap(desk -> desk.dossier().runningJob());
    }

    private Step next() {
        return job().flatMap(Job::next).orElseThrow();
    }

    private BenchView view() throws Exception {
        return ask(practice::view);
    }

    /** Until the phone waits for somebody again. */
    private void rest() throws Exception {
        run(() -> practice.pass(0.1));
        while (view().busyWith().isPresent()) {
            run(practice::skip);
        }
    }

    private void hold(KeyChord chord) throws Exception {
        run(practice::switchOff);
        rest();
        for (Stroke stroke : chord.strokes()) {
            run(() -> practice.keys().stream()
                    .filter(key -> !stroke.keys().contains(key))
                    .forEach(practice::release));
            run(() -> stroke.keys().forEach(practice::press));
            for (int tenth = 0; tenth < (stroke.pressed() ? 3 : 25); tenth++) {
                run(() -> practice.pass(0.1));
            }
        }
        run(practice::releaseAll);
        rest();
    }

    /** Does the step that is next as its sheet says, up to its tick. */
    private void doNext() throws Exception {
        Step step = next();
        if (step instanceof Step.Ready ready) {
            seeTo(ready);
        } else if (!(step instanceof Step.Fetch)) {
            Optional<KeyChord> chord = ask(practice::chord);
            if (chord.isPresent()) {
                hold(chord.get());
            }
            if (step.how().flatMap(Step.Doing::normalMinutes).isPresent() || step.hasNoReturn()) {
                run(() -> practice.session().begin(step, "OV-L210F"));
            } else if (view().offers().stream().anyMatch(offer -> offer.doing() == Doing.DO_IT)) {
                run(() -> practice.take(Doing.DO_IT));
            }
            rest();
        }
    }

    private void seeTo(Step.Ready ready) throws Exception {
        run(() -> practice.take(Doing.NOTE_IT));
        Desk desk = practice.session().snapshot().get().desk().orElseThrow();
        if (job().orElseThrow().objectionToTick(ready, desk.identity().facts()).isPresent()) {
            run(() -> practice.take(Doing.SEE_TO_IT));
            run(() -> practice.take(Doing.NOTE_IT));
        }
    }

    private void tick() throws Exception {
        Step step = next();
        long before = job().orElseThrow().tickedCount();
        run(() -> practice.session().tick(step, "OV-L210F"));
        assertThat(job().orElseThrow().tickedCount())
                .as(step.title() + ": " + practice.session().notice().get() + view().told())
                .isEqualTo(before + 1);
    }

    private void workUpTo(String title) throws Exception {
        while (!next().title().equals(title)) {
            doNext();
            tick();
        }
    }

    private void workToTheEnd() throws Exception {
        while (job().flatMap(Job::next).isPresent()) {
            doNext();
            tick();
        }
    }

    @Test
    void aPhoneIsRootedOnTheBenchAndNothingOfItIsReal() throws Exception {
        Desk before = real.snapshot().get().desk().orElseThrow();
        lay(false);
        workToTheEnd();
        assertThat(view().verdict()).contains("The goal is reached, on the phone itself.");
        assertThat(view().slips()).isEmpty();
        assertThat(ask(practice::truth)).containsEntry(Fact.ROOT, "permanent").containsEntry(Fact.RECOVERY, "custom");
        Map<Fact, String> claims = new EnumMap<>(Fact.class);
        job().orElseThrow().readings().forEach(claim -> claims.put(claim.fact(), claim.value()));
        assertThat(ask(practice::truth)).as("what the job claims in the end").containsAllEntriesOf(claims);
        assertThat(real.snapshot().get().desk()).as("the real phone").contains(before);
        run(real.rehearsals()::leave);
        Desk after = real.snapshot().get().desk().orElseThrow();
        assertThat(after.dossier()).isEqualTo(before.dossier());
        assertThat(after.isRehearsed(before.answer().plans().get(0))).isTrue();
        try (Stream<Path> left = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
            String own = "mobrak-" + ProcessHandle.current().pid();
            assertThat(left.filter(file -> file.getFileName().toString().startsWith(own)))
                    .as("the copy is gone")
                    .isEmpty();
        }
    }

    @Test
    void aCableThatIsPulledAmidAWriteBreaksItOffAndThePhoneIsBroughtBack() throws Exception {
        lay(false);
        workUpTo("Start");
        Step write = next();
        run(() -> practice.session().begin(write, "OV-L210F"));
        run(() -> practice.pass(5));
        assertThat(view().busyWith()).contains("Start");
        assertThat(view().share()).isBetween(0.01, 0.9);
        run(() -> practice.plug(Lead.NONE));
        assertThat(view().told()).isEqualTo("the port is gone in the middle of the work");
        assertThat(view().wire().port()).isFalse();
        assertThat(view().busyWith()).isEmpty();
        run(() -> practice.session().missed(write, ""));
        run(() -> practice.plug(Lead.DATA));
        assertThat(view().offers()).extracting(BenchView.Offer::words).containsExactly("Once more: Start");
        run(() -> practice.take(Doing.DO_IT));
        rest();
        tick();
        workToTheEnd();
        assertThat(view().verdict()).contains("The goal is reached, on the phone itself.");
        assertThat(view().slips()).isEmpty();
    }

    @Test
    void aRecoveryThatTheStockSystemPutsBackIsFoundByItsProofAndWrittenAgain() throws Exception {
        lay(true);
        workUpTo("The recovery starts");
        doNext();
        assertThat(view().screen()).as("the OS had started first").isEqualTo("the stock recovery’s menu");
        run(() -> practice.take(Doing.LOOK));
        assertThat(view().told()).startsWith("That is not what is seen.");
        assertThat(view().offers()).extracting(BenchView.Offer::words).contains("Once more: Start");
        hold(KeyChord.parse("hold volume-down + home + power until the warning; press volume-up"));
        assertThat(view().mode()).isEqualTo("download");
        run(() -> practice.take(Doing.DO_AGAIN));
        rest();
        hold(ask(practice::chord).orElseThrow());
        assertThat(view().screen()).as("straight into it").isEqualTo("the custom recovery’s menu");
        tick();
        assertThat(view().verdict()).contains("The goal is reached, on the phone itself.");
        assertThat(view().slips()).isEmpty();
    }

    @Test
    void whatIsTickedInHasteIsToldAtTheEnd() throws Exception {
        Desk desk = real.snapshot().get().desk().orElseThrow();
        run(() -> real.rehearsals()
                .practise(desk, desk.answer().plans().get(0), 1, Optional.of(Fault.WRONG_VARIANT_FILE)));
        practice = real.rehearsals().practice().get().orElseThrow();
        run(() -> {});
        workUpTo("Package: key-recovery-l210.tar");
        run(() -> practice.take(Doing.LOOK_AT_THE_FILE));
        assertThat(view().told()).contains("never write it");
        assertThat(view().offers()).extracting(BenchView.Offer::doing).contains(Doing.FETCH_ANEW);
        tick();
        assertThat(view().slips()).singleElement().asString().startsWith("A look into the file would have told:");
        assertThat(List.of(view().wire().lead())).containsExactly(Lead.DATA);
    }

    /** Asked for twice in a hurry, one is laid; and a tool that does another thing is not taken for one that worked. */
    @Test
    void aToolWhoseListHasChangedDoesAnotherThingOnce() throws Exception {
        Desk desk = real.snapshot().get().desk().orElseThrow();
        run(() -> {
            for (int hurry = 0; hurry < 2; hurry++) {
                real.rehearsals()
                        .practise(desk, desk.answer().plans().get(0), 3, Optional.of(Fault.SCRIPTED_TOOL_MENU_CHANGED));
            }
        });
        run(() -> {});
        practice = real.rehearsals().practice().get().orElseThrow();
        run(() -> {});
        try (Stream<Path> all = Files.walk(Path.of(System.getProperty("java.io.tmpdir")), 2)) {
            String own = "mobrak-" + ProcessHandle.current().pid();
            assertThat(all.filter(file ->
                            file.endsWith("rehearsal") && file.toString().contains(own)))
                    .as("copies of the workspace")
                    .hasSize(1);
        }
        while (!view().told().startsWith("the tool did something else")) {
            doNext();
            if (!view().told().startsWith("the tool did something else")) {
                tick();
            }
        }
        run(() -> practice.take(Doing.DO_IT));
        rest();
        tick();
        assertThat(view().slips()).isEmpty();
    }
}
