package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Clock;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Desk;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.app.rehearsal.BenchView;
import org.mobrak.app.rehearsal.BenchView.Doing;
import org.mobrak.app.rehearsal.BenchView.Lead;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;
import org.testfx.util.WaitForAsyncUtils;

/** A rehearsal played in the window: keys really go down and up again while the bench's time goes by. */
class PracticePageTest {
    private static final Map<Key, KeyCode> CODES =
            Map.of(Key.VOLUME_UP, KeyCode.UP, Key.VOLUME_DOWN, KeyCode.DOWN, Key.POWER, KeyCode.P, Key.HOME, KeyCode.H);
    /** With these the stock OS of this phone does or does not put its own recovery back. */
    private static final long KEEPS = 3;

    private static final long REPAIRS = 1;
    private static final String MODEL = "OV-L210F";

    @TempDir
    private Path top;

    private Desktop desktop;
    private Practice practice;

    @BeforeEach
    void openTheDemo() throws Exception {
        Path folder = top.resolve("demo");
        DemoWorkspace.create(Desktop.HOME, folder, Desktop.cache(folder), Clock.systemUTC());
        desktop = Desktop.open(folder);
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().contains("orchard wall"));
        desktop.robot().interact(() -> desktop.session().takeTyped(Fact.RECOVERY, "stock"));
        desktop.rest();
    }

    @AfterEach
    void close() {
        desktop.close();
    }

    private Desk desk() {
        return desktop.session().snapshot().get().desk().orElseThrow();
    }

    private void lay(String goal, long seed) {
        desktop.robot().interact(() -> desktop.session().wish(Goal.ofKey(goal).orElseThrow()));
        desktop.rest();
        desktop.robot()
                .interact(() -> desktop.session()
                        .rehearsals()
                        .practise(desk(), desk().answer().plans().get(0), seed, Optional.empty()));
        laid();
    }

    private void laid() {
        desktop.until(
                "the phone lies on the bench",
                () -> desktop.session().rehearsals().practice().get().isPresent());
        practice = desktop.session().rehearsals().practice().get().orElseThrow();
        desktop.until("the sheet is written", () -> job().isPresent());
        rest();
    }

    private Optional<Job> job() {
        return Optional.ofNullable(practice.session().snapshot().get())
                .flatMap(snapshot -> snapshot.desk())
                .flatMap(one -> one.dossier().runningJob());
    }

    private Step next() {
        return job().flatMap(Job::next).orElseThrow();
    }

    /** What belongs to the thread that draws is read there. */
    private <T> T ask(Callable<T> question) {
        return WaitForAsyncUtils.waitForAsyncFx(10_000, question);
    }

    private BenchView view() {
        return ask(practice::view);
    }

    private boolean offers(Doing doing) {
        return view().offers().stream().anyMatch(offer -> offer.doing() == doing);
    }

    private boolean isShown(String id) {
        return ask(() -> desktop.isShown(id));
    }

    private void rest() {
        desktop.until(
                "the rehearsal's session rests",
                () -> practice.session().work().get().isEmpty());
        desktop.rest();
    }

    private void click(String id) {
        desktop.click(id);
        rest();
    }

    /** Until the phone waits for somebody, with the waits skipped. */
    private void skip() {
        while (view().busyWith().isPresent()) {
            click("skip-wait");
        }
    }

    private void fromTheMenu(String words) {
        MenuButton menu = desktop.find("bench-menu");
        desktop.robot()
                .interact(() -> menu.getItems().stream()
                        .filter(item -> item.getText().equals(words))
                        .findFirst()
                        .orElseThrow()
                        .fire());
        skip();
    }

    /** Plays a chord by the keyboard, from a phone that is off; a stroke is over when the phone answers to it, and keys of the next stay down. */
    private void hold(KeyChord chord) {
        fromTheMenu("Switch it off");
        Set<Key> down = EnumSet.noneOf(Key.class);
        for (Stroke stroke : chord.strokes()) {
            String before = view().mode();
            letGo(down, stroke.keys());
            stroke.keys().stream()
                    .filter(key -> !down.contains(key))
                    .map(CODES::get)
                    .forEach(desktop.robot()::press);
            down.addAll(stroke.keys());
            desktop.until(
                    "the phone answers to " + stroke.text(),
                    () -> !view().mode().equals(before)
                            || view().busyWith().isPresent()
                            || stroke.until().filter(view().told()::equals).isPresent());
        }
        letGo(down, List.of());
        skip();
    }

    private void letGo(Set<Key> down, List<Key> but) {
        down.stream().filter(key -> !but.contains(key)).map(CODES::get).forEach(desktop.robot()::release);
        down.retainAll(but);
    }

    /** Does the step that is next with the bench's buttons, keys and the sheet's own. */
    private void doNext() {
        Step step = next();
        if (step instanceof Step.Ready ready) {
            click("bench-note-it");
            Desk standing = practice.session().snapshot().get().desk().orElseThrow();
            if (job().orElseThrow()
                    .objectionToTick(ready, standing.identity().facts())
                    .isPresent()) {
                click("bench-see-to-it");
                click("bench-note-it");
            }
        } else if (!(step instanceof Step.Fetch)) {
            ask(practice::chord).ifPresent(this::hold);
            if (step.hasNoReturn()) {
                desktop.fill("confirm", MODEL);
            }
            if (isShown("begin")) {
                click("begin");
            } else if (offers(Doing.DO_IT)) {
                click("bench-do-it");
            }
            skip();
        }
    }

    private void tick() {
        long before = job().orElseThrow().tickedCount();
        String title = next().title();
        desktop.until(
                "“" + title + "” can be ticked",
                () -> desktop.robot()
                        .lookup("#tick")
                        .tryQuery()
                        .filter(button -> !button.isDisabled())
                        .isPresent());
        click("tick");
        desktop.until(
                "it is ticked",
                () -> job().filter(one -> one.tickedCount() == before + 1).isPresent());
    }

    private void workUpTo(String title) {
        while (!next().title().equals(title)) {
            doNext();
            tick();
        }
    }

    @Test
    void aNewcomerRootsAPhoneOnTheBenchWithTheirOwnHands() {
        desktop.robot().interact(() -> desktop.session().wish(Goal.ofKey("root").orElseThrow()));
        desktop.rest();
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.click("face-rehearsal");
        desktop.click("practise");
        laid();
        desktop.assertShows("Nothing here is real, and nothing of it reaches the logbook.");
        while (job().flatMap(Job::next).isPresent()) {
            doNext();
            tick();
        }
        desktop.assertShows("The goal is reached, on the phone itself.");
        assertThat(practice.truth()).containsEntry(Fact.ROOT, "permanent");
        assertThat(view().slips()).isEmpty();
        desktop.click("leave-rehearsal");
        assertThat(desktop.isShown("practice")).isFalse();
        assertThat(desk().dossier().jobs()).isEmpty();
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.click("face-plans");
        desktop.assertShows("Rehearsed to its goal.");
    }

    @Test
    void theCableIsPulledAmidAWriteAndTheWriteIsDoneAgain() {
        lay("recovery", KEEPS);
        workUpTo("Start");
        desktop.fill("confirm", MODEL);
        click("begin");
        desktop.until("a part is written", () -> view().share() > 0.01);
        ComboBox<Lead> cable = desktop.find("bench-cable");
        desktop.robot().interact(() -> cable.setValue(Lead.NONE));
        desktop.assertShows("the port is gone in the middle of the work");
        desktop.assertShows("Computer: no phone");
        click("missed");
        desktop.robot().interact(() -> cable.setValue(Lead.DATA));
        desktop.assertShows("Computer: sees it");
        click("bench-do-it");
        skip();
        tick();
        while (job().flatMap(Job::next).isPresent()) {
            doNext();
            tick();
        }
        desktop.assertShows("The goal is reached, on the phone itself.");
    }

    @Test
    void aRecoveryIsLostBecauseTheSystemStartedFirstAndIsWrittenAgain() {
        lay("recovery", REPAIRS);
        workUpTo("The recovery starts");
        doNext();
        desktop.assertShows("the stock recovery’s menu");
        click("bench-look");
        desktop.assertShows("That is not what is seen.");
        hold(KeyChord.parse("hold volume-down + home + power until the warning; press volume-up"));
        assertThat(view().mode()).isEqualTo("download");
        click("bench-do-again");
        skip();
        hold(practice.chord().orElseThrow());
        desktop.assertShows("the custom recovery’s menu");
        tick();
        desktop.assertShows("The goal is reached, on the phone itself.");
    }
}
