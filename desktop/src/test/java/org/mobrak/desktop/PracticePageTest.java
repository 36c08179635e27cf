package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Desk;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.rehearsal.BenchView.Lead;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.plan.Goal;

/** A rehearsal played in the window: keys really go down and up again while the bench's time goes by. */
class PracticePageTest {
    /** With these the stock OS of this phone does or does not put its own recovery back. */
    private static final long KEEPS = 3;

    private static final long REPAIRS = 1;
    private static final String MODEL = "OV-L210F";

    @TempDir
    private Path top;

    private Desktop desktop;
    private BenchHands hands;

    @BeforeEach
    void openTheDemo() throws Exception {
        Path folder = top.resolve("demo");
        Demo.in(folder);
        desktop = Desktop.open(folder);
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().contains("orchard wall"));
        desktop.robot().interact(() -> desktop.session().readings().takeTyped(Fact.RECOVERY, "stock"));
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
        hands = new BenchHands(desktop, desktop::click);
    }

    @Test
    void aNewcomerRootsAPhoneOnTheBenchWithTheirOwnHands() {
        desktop.robot().interact(() -> desktop.session().wish(Goal.ofKey("root").orElseThrow()));
        desktop.rest();
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.click("face-rehearsal");
        desktop.click("practise");
        // The space bar means the step that is next, and no button that leaves.
        Node tick = desktop.find("tick");
        desktop.until("the step has the keyboard", tick::isFocused);
        Labeled count = desktop.find("step-count");
        for (int done = 1; done <= 3; done++) {
            int ticked = done;
            desktop.press(KeyCode.SPACE);
            desktop.until("the space bar ticks", () -> count.getText().startsWith(ticked + " of "));
        }
        hands = new BenchHands(desktop, desktop::click);
        desktop.assertShows("Nothing here is real, and nothing of it reaches the logbook.");
        hands.workToTheEnd();
        desktop.assertShows("The goal is reached, on the phone itself.");
        assertThat(hands.practice().truth()).containsEntry(Fact.ROOT, "permanent");
        assertThat(hands.view().slips()).isEmpty();
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
        hands.workUpTo("Write the recovery");
        desktop.fill("confirm", MODEL);
        hands.click("begin");
        desktop.until("a part is written", () -> hands.view().share() > 0.01);
        ComboBox<Lead> cable = desktop.find("bench-cable");
        desktop.robot().interact(() -> cable.setValue(Lead.NONE));
        desktop.assertShows("the port is gone in the middle of the work");
        desktop.assertShows("Computer: no phone");
        hands.click("missed");
        desktop.robot().interact(() -> cable.setValue(Lead.DATA));
        desktop.assertShows("Computer: sees it");
        hands.click("bench-do-it");
        hands.skip();
        hands.tick();
        hands.workToTheEnd();
        desktop.assertShows("The goal is reached, on the phone itself.");
    }

    @Test
    void aRecoveryIsLostBecauseTheSystemStartedFirstAndIsWrittenAgain() {
        lay("recovery", REPAIRS);
        hands.workUpTo("Into the recovery");
        desktop.robot().interact(() -> hands.practice().restart(false));
        hands.skip();
        hands.doNext();
        hands.tick();
        desktop.assertShows("the stock recovery’s menu");
        hands.click("bench-look");
        desktop.assertShows("That is not what is seen.");
        hands.hold(KeyChord.parse("hold volume-down + home + power until the warning; press volume-up"));
        assertThat(hands.view().mode()).isEqualTo("download");
        hands.click("bench-do-again");
        hands.skip();
        hands.hold(
                KeyChord.parse("hold volume-up + home + power until the logo; hold volume-up + home until the menu"));
        desktop.assertShows("the custom recovery’s menu");
        hands.tick();
        hands.workToTheEnd();
        desktop.assertShows("The goal is reached, on the phone itself.");
    }
}
