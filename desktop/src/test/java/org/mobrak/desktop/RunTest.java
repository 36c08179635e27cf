package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;

/** One job through all that can come in between: a gate that is passed, a missed sign, a rest, and a way without return. */
class RunTest {
    @TempDir
    private Path top;

    @Test
    void aJobThroughAGateAMissedSignARestartAndItsEnd() throws Exception {
        Path folder = top.resolve("demo");
        Demo.in(folder);
        try (Desktop desktop = Desktop.open(folder)) {
            begin(desktop);
            passTheBattery(desktop);
            untilTheWayWithoutReturn(desktop);
            assertThat(desktop.find("begin").isDisabled())
                    .as("not confirmed yet")
                    .isTrue();
            desktop.fill("confirm", "TS-J54");
            assertThat(desktop.find("begin").isDisabled()).as("another phone").isTrue();
            desktop.fill("confirm", "ts-j540");
            desktop.click("begin");
            desktop.assertShows("all is well; leave phone and cable alone");
            assertThat(value(desktop, Fact.LOCK))
                    .as("while it is being done nobody knows")
                    .isEmpty();
            desktop.click("missed");
            desktop.assertShows("If it says that unlocking is not allowed, the switch is off.");
            Button seen = desktop.find("seen-flash-console");
            desktop.robot().interact(seen::fire);
            desktop.assertShows("Noted last: It shows the flash console.");
            desktop.fill("step-note", "warm at the back");
            TextField note = desktop.find("step-note");
            desktop.robot().interact(() -> note.fireEvent(new ActionEvent()));
            desktop.assertShows("warm at the back");
        }
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT4);
            desktop.assertShows("What state is the phone in now?");
            desktop.click("mode-flash-console");
            assertThat(desktop.isShown("mode-question")).isFalse();
            desktop.assertShows("all is well; leave phone and cable alone");
            desktop.press(KeyCode.SPACE);
            assertThat(value(desktop, Fact.LOCK)).contains("unlocked");
            desktop.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(value(desktop, Fact.LOCK)).isEmpty();
            desktop.press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
            assertThat(value(desktop, Fact.LOCK)).contains("unlocked");
            desktop.assertShows("changed by now: the bootloader lock unlocked");
            desktop.click("pause");
            desktop.assertShows("What state is the phone in now?");
            desktop.click("mode-os");
            Button stop = desktop.find("end-stopped");
            desktop.robot().interact(stop::fire);
            desktop.rest();
            desktop.assertShows("Hive 11, roof of the mill: stopped");
            assertThat(value(desktop, Fact.LOCK)).as("whatever way it ended").contains("unlocked");
            assertThat(desktop.session().snapshot().get().past().get(0).job().events())
                    .hasAtLeastOneElementOfType(Event.Overridden.class)
                    .hasAtLeastOneElementOfType(Event.SignMissed.class)
                    .hasAtLeastOneElementOfType(Event.Resumed.class);
        }
    }

    private static Optional<String> value(Desktop desktop, Fact fact) {
        return desktop.session()
                .snapshot()
                .get()
                .desk()
                .orElseThrow()
                .identity()
                .facts()
                .value(fact);
    }

    private static void begin(Desktop desktop) {
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().contains("roof of the mill"));
        for (String said : List.of("locked", "stock")) {
            Fact fact = said.equals("stock") ? Fact.RECOVERY : Fact.LOCK;
            desktop.robot().interact(() -> desktop.session().readings().takeTyped(fact, said));
            desktop.rest();
        }
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.startFirstPlan();
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT4);
    }

    private static void passTheBattery(Desktop desktop) {
        while (!next(desktop).title().startsWith("Battery percent")) {
            // The battery is read last of all.
            next(desktop).gate().ifPresent(gate -> {
                desktop.robot()
                        .interact(() -> desktop.session()
                                .readings()
                                .takeTyped(gate.fact(), gate.is().get(0)));
                desktop.rest();
            });
            desktop.tickNext();
        }
        desktop.robot().interact(() -> desktop.session().readings().takeTyped(Fact.BATTERY_PERCENT, "12"));
        desktop.rest();
        desktop.assertShows("Battery percent is 12; it must be 50 or more.");
        assertThat(desktop.find("tick").isDisabled()).isTrue();
        desktop.click("pass");
        desktop.fill("override-reason", "on the bench supply");
        desktop.click("override");
        desktop.click("tick");
    }

    private static void untilTheWayWithoutReturn(Desktop desktop) {
        while (!next(desktop).hasNoReturn()) {
            desktop.tickNext();
        }
    }

    private static Step next(Desktop desktop) {
        return desktop.runningJob().flatMap(Job::next).orElseThrow();
    }
}
