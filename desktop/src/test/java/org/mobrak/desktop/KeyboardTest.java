package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DataFormat;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Desk;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.proof.RootProof;

/** From nothing to a proved root without a mouse: every control is come to by the keyboard, and left by it again. */
class KeyboardTest {
    private static final int MOST_TABS = 250;

    @TempDir
    private Path top;

    private Desktop desktop;

    @Test
    void theWholeJobIsDoneByTheKeyboardAlone() throws Exception {
        Path folder = top.resolve("ours");
        Workspace.create(folder, List.of(Desktop.HOME.resolve("catalogue"), Desktop.HOME.resolve("demo/catalogue")));
        try (Desktop opened = Desktop.open(folder)) {
            desktop = opened;
            desktop.press(KeyCode.CONTROL, KeyCode.N);
            type("Ours");
            desktop.press(KeyCode.ENTER);
            paste("hive-07-system.prop");
            paste("hive-07-banner.txt");
            answerWhatIsAsked();
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            go("start");
            desktop.press(KeyCode.SPACE);
            desktop.until("the sheet is there", () -> desktop.runningJob().isPresent());
            while (next().isPresent()) {
                doStep(next().get());
            }
            go("end-worked");
            desktop.press(KeyCode.SPACE);
            desktop.until("the job is over", () -> desktop.runningJob().isEmpty());
            prove();
        }
    }

    private void prove() {
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT5);
        for (String seen : List.of("saw-uid0", "saw-restart", "saw-uid0")) {
            go(seen);
            desktop.press(KeyCode.SPACE);
        }
        desktop.until(
                "proved",
                () -> desktop.session()
                        .aftercare()
                        .view()
                        .get()
                        .filter(view -> view.proof().state() == RootProof.State.PERMANENT)
                        .isPresent());
    }

    private Optional<Step> next() {
        return desktop.runningJob().flatMap(Job::next);
    }

    private void doStep(Step step) {
        long before = desktop.runningJob().orElseThrow().tickedCount();
        step.gate()
                .filter(gate -> desktop.isShown("gate-value"))
                .ifPresent(gate -> fillGate(gate.atLeast()
                        .map(String::valueOf)
                        .orElseGet(() -> gate.is().get(0))));
        if (step.file().isPresent() && desktop.find("tick").isDisabled()) {
            go("pass");
            desktop.press(KeyCode.SPACE);
            go("override-reason");
            type("compared elsewhere");
            go("override");
            desktop.press(KeyCode.SPACE);
        }
        if (desktop.isShown("confirm")) {
            go("confirm");
            type(desktop.session().snapshot().get().desk().orElseThrow().confirmation());
        }
        go("tick");
        desktop.press(KeyCode.SPACE);
        assertThat(desktop.runningJob().orElseThrow().tickedCount())
                .as(step.title())
                .isEqualTo(before + 1);
    }

    private void fillGate(String value) {
        go("gate-value");
        put("gate-value", value);
        if (desktop.isShown("gate-value") && !(desktop.find("gate-value") instanceof ComboBox<?>)) {
            desktop.press(KeyCode.ENTER);
        }
        desktop.rest();
    }

    /** Types into a field, or goes down a list of words. */
    private void put(String id, String value) {
        if (desktop.find(id) instanceof ComboBox<?> words) {
            for (int down = 0; down < words.getItems().size() && !value.equals(words.getValue()); down++) {
                desktop.press(KeyCode.DOWN);
            }
            desktop.until("chosen", () -> !desktop.isShown(id) || value.equals(words.getValue()));
        } else {
            type(value);
        }
    }

    /** One after the other, what the page says would help most, until there is a plan; a phone nobody has touched. */
    private void answerWhatIsAsked() {
        while (desk().answer().plans().isEmpty()) {
            Fact asked = desk().next().get(0).fact();
            go("typed-" + asked.key() + "-" + asked.usual().orElse("yes"));
            desktop.press(KeyCode.SPACE);
            desktop.until("noted", () -> desk().identity().facts().value(asked).isPresent());
        }
    }

    private Desk desk() {
        return desktop.session().snapshot().get().desk().orElseThrow();
    }

    private void paste(String reading) throws Exception {
        String text = Files.readString(Desktop.HOME.resolve("demo/readings/" + reading));
        desktop.robot().interact(() -> Clipboard.getSystemClipboard().setContent(Map.of(DataFormat.PLAIN_TEXT, text)));
        // What is pasted into a field stays in it.
        go("facts");
        desktop.press(KeyCode.CONTROL, KeyCode.V);
    }

    private void type(String words) {
        desktop.robot().write(words);
        desktop.rest();
    }

    private Optional<Node> focused() {
        return Optional.ofNullable(desktop.stage().getScene().getFocusOwner());
    }

    /** Tab after tab until a control has the keyboard; nothing on the way may keep it. */
    private void go(String id) {
        desktop.until(
                id + " is there", () -> desktop.isShown(id) && !desktop.find(id).isDisabled());
        Optional<Node> before = Optional.empty();
        for (int tab = 0; tab < MOST_TABS; tab++) {
            if (focused().filter(node -> id.equals(node.getId())).isPresent()) {
                return;
            }
            before = focused();
            desktop.robot().push(KeyCode.TAB);
            assertThat(focused()).as("the keyboard gets away from %s", before).isNotEqualTo(before);
        }
        throw new AssertionError("The keyboard does not come to " + id + "; it is at " + focused());
    }
}
