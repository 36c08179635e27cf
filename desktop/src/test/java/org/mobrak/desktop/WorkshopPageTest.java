package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import org.fxmisc.richtext.StyleClassedTextArea;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.workshop.WorkshopView;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.learn.form.Saying;
import org.mobrak.core.logbook.Workspace;

/** A newcomer with a guide and a phone that no catalogue has, through the real window. */
class WorkshopPageTest {
    private static final String GUIDE = """
            Permanent root for the Wren 2

            Model numbers: KQ-W21, KQ-W21B. OS version 4.2.2 only.
            Fits the grey one, the KQ W24, too.
            Battery at least 50%.

            Files
            wren2-kernel.tar.md5
            MD5: 9f86d081884c7d659a2feaa0c55ad015

            Steps
            1. Switch the phone off completely.
            2. Hold volume down + home + power until a warning appears, press volume up.
            3. Write wren2-kernel.tar.md5 in download mode.
            4. Restart and check that root is there with a proof app.
            """;

    @TempDir
    private Path top;

    private Path folder;
    private Desktop desktop;

    @BeforeEach
    void openAnEmptyWorkspace() throws Exception {
        folder = top.resolve("own");
        Workspace.create(folder, List.of(Desktop.HOME.resolve("catalogue")));
        desktop = Desktop.open(folder);
    }

    @AfterEach
    void close() {
        desktop.close();
    }

    private WorkshopView.OnTable draft() {
        return desktop.session().workshop().view().get().orElseThrow().draft().orElseThrow();
    }

    private void copy(String text) {
        desktop.robot().interact(() -> {
            ClipboardContent content = new ClipboardContent();
            content.putString(text);
            Clipboard.getSystemClipboard().setContent(content);
        });
    }

    /** Types into a field and leaves it with Enter. */
    private void type(String id, String text) {
        desktop.robot().interact(() -> {
            TextInputControl field = desktop.robot().lookup("#" + id).query();
            field.requestFocus();
            field.setText(text);
        });
        desktop.press(KeyCode.ENTER);
    }

    private void select(String piece) {
        StyleClassedTextArea guide = desktop.find("guide");
        int start = guide.getText().indexOf(piece);
        desktop.robot().interact(() -> guide.selectRange(start, start + piece.length()));
    }

    @Test
    void anEmptyWorkspaceShowsHowToBeginAndAGuideBecomesAPlanAndARehearsal() {
        desktop.assertShows("Three ways to begin");
        copy(GUIDE);
        desktop.click("begin-with-guide");
        desktop.assertShows("3 questions are open");
        desktop.assertShows("Which slot of the flasher is wren2-kernel.tar.md5 for?");
        StyleClassedTextArea guide = desktop.find("guide");
        assertThat(guide.getStyleOfChar(guide.getText().indexOf("KQ-W21"))).contains("read-phones", "sure-certain");

        String read = draft().form().field("hazards").orElseThrow().value();
        select("KQ W24");
        desktop.robot().interact(() -> desktop.session().workshop().say(Saying.DANGER, "KQ W24", "guide", 1));
        desktop.until(
                "a piece has a meaning",
                () -> draft().form().field("hazards").orElseThrow().value().contains("KQ W24"));
        desktop.press(KeyCode.CONTROL, KeyCode.Z);
        desktop.until(
                "taken back",
                () -> draft().form().field("hazards").orElseThrow().value().equals(read));
        desktop.click("meaning");
        desktop.click("meaning-danger");
        desktop.until(
                "the menu does the same",
                () -> draft().form().field("hazards").orElseThrow().value().endsWith("KQ W24"));

        ComboBox<String> lost = desktop.find("field-wipesData");
        desktop.robot().interact(() -> lost.setValue("no"));
        desktop.assertShows("2 questions are open");
        type("field-costs-handsOn", "twenty");
        desktop.assertShows("“twenty” is no whole number");
        type("field-costs-handsOn", "10");
        desktop.until("the other figure is asked", () -> desktop.isShown("leave-costs-waiting"));
        type("field-costs-waiting", "5");
        type("field-file-0-slot", "KERNEL");
        desktop.until(
                "nothing is open",
                () -> draft().open().isEmpty() && draft().faults().isEmpty());
        desktop.fill("new-maker", "Kestrin");
        desktop.fill("new-shop-name", "Wren 2");
        desktop.robot().interact(() -> desktop.session().workshop().call("Kestrin", "Wren 2", false));
        desktop.until("they have a name", () -> draft().shopName().equals("Wren 2"));

        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT1);
        copy("Model number: KQ-W21\nOS version: 4.2.2\nBuild number: WREN2.0312\n");
        desktop.press(KeyCode.CONTROL, KeyCode.V);
        desktop.until(
                "the phone lies on the desk", () -> desktop.text("phone-model").equals("KQ-W21"));
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT8);
        desktop.assertShows("It fits 1 phone of the drawer");
        desktop.click("face-try");
        desktop.click("rehearse-draft");
        desktop.assertShows("On the bench it led to its goal");
        desktop.click("try-literally");
        desktop.until(
                "it is played by its words alone",
                () -> desktop.session()
                        .workshop()
                        .report()
                        .get()
                        .filter(report -> report.reached() && report.claimed().isEmpty())
                        .isPresent());

        desktop.click("save-draft");
        desktop.assertShows("Nothing is planned with it");
        assertThat(routes()).doesNotContain("permanent-root-for-the-wren-2");
        desktop.click("confirm-draft");
        desktop.assertShows("planned with from now on");
        assertThat(routes()).contains("permanent-root-for-the-wren-2");
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.until(
                "there is a plan",
                () -> desktop.session()
                                .snapshot()
                                .get()
                                .desk()
                                .orElseThrow()
                                .answer()
                                .plans()
                                .size()
                        > 0);
        desktop.startFirstPlan();
        assertThat(desktop.runningJob()).isPresent();
    }

    private List<String> routes() {
        return desktop.session().snapshot().get().desk().orElseThrow().catalogue().routes().stream()
                .map(Route::id)
                .toList();
    }

    @Test
    void marksAndFieldsLeadToEachOtherStepsComeAndGoAndAPoemTeachesNothing() throws Exception {
        Path file = Files.writeString(top.resolve("wren.txt"), GUIDE);
        desktop.drop("three-ways", file);
        desktop.robot().interact(() -> desktop.session().workshop().readFiles(List.of(file)));
        desktop.until("read", () -> desktop.isShown("guide"));
        StyleClassedTextArea guide = desktop.find("guide");
        desktop.robot().interact(() -> {
            guide.moveTo(guide.getText().indexOf("9f86") + 2);
            guide.requestFocus();
        });
        desktop.press(KeyCode.ENTER);
        assertThat(desktop.find("field-file-0-md5").isFocused()).isTrue();
        int steps = count("step:");
        desktop.robot().interact(() -> desktop.session().workshop().addStep("Let it start"));
        desktop.until("a step more", () -> count("step:") > steps);
        desktop.click("undo");
        desktop.until("taken back", () -> count("step:") == steps);
        type("field-name", "Root for the Wren 2, old kernel");
        desktop.until(
                "renamed",
                () -> draft().form()
                        .field("name")
                        .map(field -> field.value().endsWith("kernel"))
                        .equals(Optional.of(true)));
        assertThat(desktop.isShown("leave-wipesData")).isTrue();
        desktop.robot().interact(() -> desktop.session().workshop().leaveOpen("wipesData", false));
        desktop.until("left open", () -> draft().left().contains("wipesData"));

        copy("The rain fell softly on the heather.\nNobody came.");
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT8);
        desktop.click("paste-guide");
        desktop.assertShows("Nothing was learnt from it");
        desktop.click("undo");
        desktop.until(
                "the guide is back",
                () -> desktop.session()
                        .workshop()
                        .view()
                        .get()
                        .orElseThrow()
                        .draft()
                        .isPresent());
        desktop.click("clear-table");
        desktop.assertShows("Three ways to begin");
    }

    @Test
    void aMakersBuildNumbersAndAPhoneThatNobodyKnowsComeIntoTheCatalogue() {
        desktop.click("begin-with-builds");
        desktop.fill("builds", "LW4-E02-131105\nLW4-F07-140212");
        desktop.click("take-apart");
        desktop.assertShows("at least three different build numbers");
        desktop.fill("builds", "LW4-E02-131105\nLW4-F07-140212\nLW4-E11-140630");
        desktop.click("take-apart");
        desktop.until("the day is seen", () -> desktop.shows("each is a day that there was"));
        desktop.fill("grammar-maker", "Lowmere");
        desktop.click("keep-grammar");
        desktop.assertShows("Kept as lowmere-buildnumber");
        assertThat(folder.resolve("catalogue/grammars/lowmere-buildnumber.yaml"))
                .exists();
        copy(
                "ro.product.manufacturer=Lowmere\nro.product.model=LW-4\nro.build.display.id=LW4-E09-140401\nro.product.device=lw4\n");
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT1);
        desktop.press(KeyCode.CONTROL, KeyCode.V);
        desktop.until(
                "the phone lies on the desk", () -> desktop.text("phone-model").equals("LW-4"));
        desktop.until(
                "its build tells when it was made",
                () -> desktop.session()
                        .snapshot()
                        .get()
                        .desk()
                        .orElseThrow()
                        .catalogue()
                        .rulers()
                        .of(Fact.BUILD_NUMBER, "LW4-E09-140401", Optional.of("Lowmere"))
                        .isPresent());
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT8);
        desktop.click("back-to-begin");
        desktop.fill("unknown-shop-name", "Wader 4");
        desktop.click("add-unknown");
        desktop.assertShows("LW-4 is in the catalogue now");
        desktop.click("undo");
        desktop.until(
                "taken back",
                () -> desktop.session()
                        .snapshot()
                        .get()
                        .desk()
                        .orElseThrow()
                        .catalogue()
                        .phone("LW-4")
                        .isEmpty());
    }

    @Test
    void anyEntryIsChangedAsTextAndAFaultInItIsToldAndNotSaved() throws Exception {
        desktop.click("begin-with-entries");
        desktop.fill("search-entries", "black-screen");
        desktop.pick("entry-files", String.class, name -> name.startsWith("symptoms/"));
        Path file = folder.resolve("catalogue/symptoms/black-screen.yaml");
        String before = Files.readString(file);
        desktop.until("it lies open", () -> text("entry-text").equals(before));
        desktop.fill("entry-text", "id: [");
        desktop.click("save-entry");
        desktop.assertShows("Not saved: symptoms/black-screen.yaml");
        assertThat(text("entry-text")).as("what was typed stays").isEqualTo("id: [");
        desktop.fill("entry-text", before + "\n# Seen once more.\n");
        desktop.click("save-entry");
        desktop.assertShows("Saved: symptoms/black-screen.yaml");
        assertThat(file).content().endsWith("# Seen once more.\n");
        desktop.click("undo");
        desktop.until("taken back", () -> Files.readString(file).equals(before));
        desktop.fill("search-entries", "routes/");
        desktop.pick("entry-files", String.class, name -> name.startsWith("routes/mend-full-wipe"));
        desktop.click("entry-as-form");
        desktop.until("it lies on the table", () -> draft().confirmed());
        assertThat(draft().form().field("name").orElseThrow().value()).isNotBlank();
    }

    private String text(String id) {
        return desktop.<TextInputControl>find(id).getText();
    }

    private long countFields(String prefix) {
        return draft().form().fields().stream()
                .filter(field -> field.id().startsWith(prefix))
                .count();
    }

    private int count(String prefix) {
        return (int) countFields(prefix);
    }
}
