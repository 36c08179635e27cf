package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
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
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Plan;

/** A rehearsal played by hand, without a window: keys, cable and ticks as a person would do them. */
class PracticeTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    @TempDir
    private Path top;

    private final HandPlay hands = new HandPlay();
    private Session real;
    private Practice practice;

    @BeforeEach
    void layOutTheDemo() throws Exception {
        Path folder = top.resolve("demo");
        DemoWorkspace.create(HOME, folder, top.resolve("cache"), Clock.systemUTC());
        real = new Session(folder, top.resolve("cache"), DrawerFile.benchOf(folder), Clock.systemUTC(), hands.drawing);
        hands.real = real;
        hands.run(real::open);
        hands.run(() -> real.pick(real.snapshot().get().drawer().stream()
                .map(DrawerEntry::phone)
                .filter(phone -> phone.nickname().startsWith("Hive 3"))
                .findFirst()
                .orElseThrow()));
        hands.run(() -> real.readings().takeTyped(Fact.RECOVERY, "stock"));
        hands.run(() -> real.wish(Goal.ofKey("root+recovery").orElseThrow()));
    }

    @AfterEach
    void end() {
        hands.close();
    }

    /** Whether the stock OS puts its own recovery back is drawn; so the seed is one that draws what is wanted. */
    private void lay(boolean repairs) throws Exception {
        Desk desk = real.snapshot().get().desk().orElseThrow();
        long seed = LongStream.range(1, 100)
                .filter(one -> OnBench.of("", desk.outlook(), one).nature().selfRepair() == repairs)
                .findFirst()
                .orElseThrow();
        Plan plan = desk.answer().plans().stream()
                .filter(one -> one.title().startsWith("Moss on the phone"))
                .findFirst()
                .orElseThrow();
        hands.run(() -> real.rehearsals().practise(desk, plan, seed, Optional.empty()));
        hands.takeUp();
        practice = hands.practice;
    }

    @Test
    void aPhoneIsRootedOnTheBenchAndNothingOfItIsReal() throws Exception {
        Desk before = real.snapshot().get().desk().orElseThrow();
        List<String> kept = kept();
        lay(false);
        hands.workToTheEnd();
        assertThat(hands.view().verdict()).contains("The goal is reached, on the phone itself.");
        assertThat(hands.view().slips()).isEmpty();
        assertThat(hands.ask(practice::truth))
                .containsEntry(Fact.ROOT, "permanent")
                .containsEntry(Fact.RECOVERY, "custom");
        Map<Fact, String> claims = new EnumMap<>(Fact.class);
        hands.job().orElseThrow().readings().forEach(claim -> claims.put(claim.fact(), claim.value()));
        assertThat(hands.ask(practice::truth))
                .as("what the job claims in the end")
                .containsAllEntriesOf(claims);
        assertThat(real.snapshot().get().desk()).as("the real phone").contains(before);
        hands.run(real.rehearsals()::leave);
        Desk after = real.snapshot().get().desk().orElseThrow();
        assertThat(after.dossier()).isEqualTo(before.dossier());
        assertThat(after.isRehearsed(before.answer().plans().stream()
                        .filter(one -> one.title().startsWith("Moss on the phone"))
                        .findFirst()
                        .orElseThrow()))
                .isTrue();
        try (Stream<Path> left = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
            String own = "mobrak-" + ProcessHandle.current().pid();
            assertThat(left.filter(file -> file.getFileName().toString().startsWith(own)))
                    .as("the copy is gone")
                    .isEmpty();
        }
        assertThat(kept()).as("nothing is kept of it").isEqualTo(kept);
    }

    /** What is kept of catalogues. */
    private List<String> kept() {
        return List.of(
                Objects.requireNonNull(top.resolve("cache").toFile().list((cache, name) -> name.endsWith(".cbor"))));
    }

    @Test
    void aCableThatIsPulledAmidAWriteBreaksItOffAndThePhoneIsBroughtBack() throws Exception {
        lay(false);
        hands.workUpTo("Write the recovery");
        Step write = hands.next();
        hands.run(() -> practice.session().job().begin(write, "OV-L210F"));
        hands.run(() -> practice.pass(5));
        assertThat(hands.view().busyWith()).contains("Write the recovery");
        assertThat(hands.view().share()).isBetween(0.01, 0.9);
        hands.run(() -> practice.plug(Lead.NONE));
        assertThat(hands.view().told()).isEqualTo("the port is gone in the middle of the work");
        assertThat(hands.view().wire().port()).isFalse();
        assertThat(hands.view().busyWith()).isEmpty();
        hands.run(() -> practice.session().job().missed(write, ""));
        hands.run(() -> practice.plug(Lead.DATA));
        assertThat(hands.view().offers())
                .extracting(BenchView.Offer::words)
                .containsExactly("Once more: Write the recovery");
        hands.run(() -> practice.take(Doing.DO_IT));
        hands.rest();
        hands.tick();
        hands.workToTheEnd();
        assertThat(hands.view().verdict()).contains("The goal is reached, on the phone itself.");
        assertThat(hands.view().slips()).isEmpty();
    }

    @Test
    void aRecoveryThatTheStockSystemPutsBackIsFoundByItsProofAndWrittenAgain() throws Exception {
        lay(true);
        hands.workUpTo("Into the recovery");
        hands.run(() -> practice.restart(false));
        hands.rest();
        hands.doNext();
        hands.tick();
        assertThat(hands.view().screen()).as("the OS had started first").isEqualTo("the stock recovery’s menu");
        hands.run(() -> practice.take(Doing.LOOK));
        assertThat(hands.view().told()).startsWith("That is not what is seen.");
        assertThat(hands.view().offers()).extracting(BenchView.Offer::words).contains("Once more: Write the recovery");
        hands.hold(KeyChord.parse("hold volume-down + home + power until the warning; press volume-up"));
        assertThat(hands.view().mode()).isEqualTo("download");
        hands.run(() -> practice.take(Doing.DO_AGAIN));
        hands.rest();
        hands.hold(
                KeyChord.parse("hold volume-up + home + power until the logo; hold volume-up + home until the menu"));
        assertThat(hands.view().screen()).as("straight into it").isEqualTo("the custom recovery’s menu");
        hands.tick();
        hands.workToTheEnd();
        assertThat(hands.view().verdict()).contains("The goal is reached, on the phone itself.");
        assertThat(hands.view().slips()).isEmpty();
    }

    @Test
    void whatIsTickedInHasteIsToldAtTheEnd() throws Exception {
        Desk desk = real.snapshot().get().desk().orElseThrow();
        hands.run(() -> real.rehearsals()
                .practise(desk, desk.answer().plans().get(0), 1, Optional.of(Fault.WRONG_VARIANT_FILE)));
        hands.takeUp();
        practice = hands.practice;
        hands.workUpTo("Package: key-recovery-l210.tar");
        hands.run(() -> practice.take(Doing.LOOK_AT_THE_FILE));
        assertThat(hands.view().told()).contains("never write it");
        assertThat(hands.view().offers()).extracting(BenchView.Offer::doing).contains(Doing.FETCH_ANEW);
        hands.tick();
        assertThat(hands.view().slips()).singleElement().asString().startsWith("A look into the file would have told:");
        assertThat(List.of(hands.view().wire().lead())).containsExactly(Lead.DATA);
    }

    /** Asked for twice in a hurry, one is laid; and a tool that does another thing is not taken for one that worked. */
    @Test
    void aToolWhoseListHasChangedDoesAnotherThingOnce() throws Exception {
        Desk desk = real.snapshot().get().desk().orElseThrow();
        hands.run(() -> {
            for (int hurry = 0; hurry < 2; hurry++) {
                real.rehearsals()
                        .practise(desk, desk.answer().plans().get(0), 3, Optional.of(Fault.SCRIPTED_TOOL_MENU_CHANGED));
            }
        });
        hands.run(() -> {});
        hands.takeUp();
        practice = hands.practice;
        try (Stream<Path> all = Files.walk(Path.of(System.getProperty("java.io.tmpdir")), 2)) {
            String own = "mobrak-" + ProcessHandle.current().pid();
            assertThat(all.filter(file ->
                            file.endsWith("rehearsal") && file.toString().contains(own)))
                    .as("copies of the workspace")
                    .hasSize(1);
        }
        while (!hands.view().told().startsWith("the tool did something else")) {
            hands.doNext();
            if (!hands.view().told().startsWith("the tool did something else")) {
                hands.tick();
            }
        }
        hands.run(() -> practice.take(Doing.DO_IT));
        hands.rest();
        hands.tick();
        assertThat(hands.view().slips()).isEmpty();
    }
}
