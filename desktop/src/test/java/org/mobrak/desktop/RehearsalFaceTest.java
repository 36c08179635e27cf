package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.rehearsal.Fault;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.plan.Goal;

/** A phone of the drawer on the bench: the plan is played, a damaged file is caught, and nothing of it is in the logbook. */
class RehearsalFaceTest {
    @TempDir
    private Path top;

    @Test
    void aPlanIsRehearsedWithAFaultAndLeavesNoTrace() throws Exception {
        Path folder = top.resolve("demo");
        Demo.in(folder);
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().contains("orchard wall"));
            desktop.robot().interact(() -> desktop.session().readings().takeTyped(Fact.RECOVERY, "stock"));
            desktop.rest();
            desktop.robot().interact(() -> desktop.session().wish(Goal.RECOVERY));
            desktop.rest();
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            desktop.assertShows("Not rehearsed yet.");
            desktop.click("face-rehearsal");
            desktop.assertShows("On the bench, no real job: nothing here reaches the logbook.");
            desktop.click("rehearse");
            desktop.rest();
            desktop.assertShows("The goal is reached.");
            assertThat(desktop.<ListView<?>>find("rehearsal-events").getItems()).hasSizeGreaterThan(10);
            desktop.click("rehearse-literally");
            desktop.rest();
            desktop.assertShows("it is as the card says");
            desktop.assertShows("The goal is reached.");
            ComboBox<Optional<Fault>> fault = desktop.find("fault");
            desktop.robot().interact(() -> fault.setValue(Optional.of(Fault.DAMAGED_FILE)));
            CheckBox hasty = desktop.find("hasty");
            desktop.robot().interact(() -> hasty.setSelected(true));
            desktop.click("rehearse");
            desktop.rest();
            desktop.assertShows("file check:");
            drill(desktop);
            whatNow(desktop);
            desktop.click("face-plans");
            desktop.assertShows("Rehearsed to its goal.");
            assertThat(desktop.session()
                            .snapshot()
                            .get()
                            .desk()
                            .orElseThrow()
                            .dossier()
                            .jobs())
                    .isEmpty();
        }
    }

    /** One chooses, and sees what each choice would have brought. */
    private static void whatNow(Desktop desktop) {
        desktop.robot()
                .interact(() -> desktop.<ToggleButton>find("practise-mishaps").fire());
        assertThat(desktop.text("practise-mishaps")).isEqualTo("Mishaps: 8 today");
        String before = desktop.text("mishap");
        desktop.robot().interact(() -> desktop.<Button>find("answer-0").fire());
        desktop.assertShows("You chose: ");
        desktop.assertShows("The work goes on.");
        desktop.assertShows("of 1 times; again ");
        desktop.robot().interact(() -> desktop.<Button>find("next-mishap").fire());
        assertThat(desktop.text("mishap")).isNotEqualTo(before);
        assertThat(desktop.isShown("answer-2")).isTrue();
        assertThat(desktop.text("practise-mishaps")).matches("Mishaps: [78] today");
    }

    /** Keys really go down and up again, by the keyboard, while real time passes. */
    private static void drill(Desktop desktop) throws Exception {
        desktop.robot().interact(() -> desktop.find("bench-volume-down").requestFocus());
        desktop.robot().press(KeyCode.DOWN, KeyCode.P);
        desktop.robot().release(KeyCode.DOWN, KeyCode.P);
        desktop.assertShows("Nothing happened: home was missing.");
        desktop.robot().press(KeyCode.DOWN, KeyCode.H, KeyCode.P);
        desktop.assertShows("The warning is there.");
        desktop.robot().release(KeyCode.DOWN, KeyCode.H, KeyCode.P);
        desktop.robot().press(KeyCode.UP);
        desktop.robot().release(KeyCode.UP);
        desktop.assertShows("That is it: the download screen.");
        desktop.assertShows("It sat 1 of 1 times; again on ");
        desktop.click("drill-again");
        desktop.robot().interact(() -> desktop.find("bench-volume-down").requestFocus());
        desktop.robot().press(KeyCode.P);
        desktop.assertShows("It started as usual");
        desktop.assertShows("It sat 1 of 2 times; again today.");
        desktop.assertShows("today  ·  Into download mode");
        desktop.robot().release(KeyCode.P);
    }
}
