package org.mobrak.desktop.journey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.desktop.shell.Page;

/** What people do in their first ten minutes, as they do it; a picture of each end lies in {@code target/journeys}. */
@Tag("journey")
class JourneyTest {
    private static final String LISTING = """
            [ro.product.model]: [KQ-W21]
            [ro.product.manufacturer]: [Kestriq]
            [ro.build.version.release]: [4.2.2]
            [ro.build.display.id]: [WREN2.0312]
            """;
    private static final String GUIDE = """
            Permanent root for the Wren 2

            Model numbers: KQ-W21, KQ-W21B. OS version 4.2.2 only.
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

    private Person person;

    private void sitDown(String screen) throws Exception {
        person = new Person(top, screen);
    }

    @AfterEach
    void leave() {
        person.close();
    }

    @Test
    void fromAnEmptyWorkspaceToAProvedPhoneAndAnExport() throws Exception {
        sitDown("1280x800");
        person.start("open", top.resolve("own").toString());
        person.reads("Three ways to begin");
        assertThat(person.window().text()).isEqualTo("own – Mobrak");
        assertThat(person.window().width()).isGreaterThan(0.9 * 1280);
        assertThat(person.window().height()).isGreaterThan(0.9 * 800);
        person.picture("1-empty");
        nameAndPaste();
        person.key("ctrl+2");
        person.reads("No route names this phone yet");
        person.picture("2-unknown");
        person.press("Make a route from a guide");
        person.copy(GUIDE);
        person.click("begin-with-guide");
        person.reads("questions are open");
        person.picture("3-guide");
        answer();
        person.click("confirm-draft");
        person.reads("planned with from now on");
        person.key("ctrl+2");
        person.reads("One plan leads there");
        person.picture("4-plan");
        person.click("face-rehearsal");
        person.click("rehearse");
        person.reads("It took");
        person.picture("5-rehearsal");
        person.click("face-plans");
        person.scrollTo("start");
        person.click("start");
        person.sees("steps");
        person.picture("6-run-sheet");
        walk();
        person.click("end-worked");
        person.until("the job is over", () -> !person.seesNow("How did it end"));
        person.key("ctrl+5");
        see("saw-uid0", "step 5 of 6");
        see("saw-restart", "restart");
        see("saw-uid0", "step 6 of 6");
        person.reads("Rooted, and it lasts");
        person.picture("7-proof");
        Path zip = top.resolve("phones.zip");
        person.key("ctrl+6");
        person.click("export");
        // The first line of its menu: everything.
        person.key("Down", "Return");
        save(zip);
        person.picture("8-export");
    }

    /** Says what was seen, and looks that it was taken before the next thing is said. */
    private void see(String button, String then) throws Exception {
        person.scrollTo(button);
        long before = counted(then);
        person.click(button);
        person.until("“" + then + "” was taken", () -> counted(then) > before);
    }

    private long counted(String words) {
        return person.all()
                .filter(one -> one.text().toLowerCase(Locale.ROOT).contains(words))
                .count();
    }

    private void nameAndPaste() throws Exception {
        person.click("nickname");
        person.type("Box phone");
        person.key("Return");
        person.until(
                "the cursor is where a reading goes",
                () -> person.focus().filter(seen -> seen.id().equals("paste")).isPresent());
        person.copy(LISTING);
        person.key("ctrl+v");
        person.reads("KQ-W21");
        person.until("the window says so", () -> person.window().text().startsWith("Box phone"));
    }

    private void answer() throws Exception {
        // What is open leads to its field.
        person.clickWords("Is data lost?");
        person.click("field-wipesData");
        // The list hangs open: not said, yes, no.
        person.key("Down", "Down", "Return");
        person.wheelUp("draft-form");
        person.clickWords("How long does it take");
        number("field-costs-handsOn", "10");
        number("field-costs-waiting", "5");
        person.reads("Nothing is open");
    }

    private void number(String field, String value) throws Exception {
        person.click(field);
        person.key("ctrl+a");
        person.type(value);
        person.key("Return");
    }

    /** Every step as the sheet says it: its gate read, its file compared elsewhere, the phone named where it asks for it. */
    private void walk() throws Exception {
        for (int step = 0; step < 40 && !isDone(); step++) {
            String before = progress();
            if (sees("gate-value")) {
                person.click("gate-value");
                person.type(person.seesNow("Compare once more before") ? "KQ-W21" : "90");
                person.key("Return");
                person.until("the gate is open", () -> !sees("gate-value"));
            }
            if (disabled("tick") && sees("pass")) {
                person.click("pass");
                person.sees("override-reason");
                person.click("override-reason");
                person.type("compared elsewhere");
                person.click("override");
                person.until("passed", () -> !disabled("tick"));
            }
            if (sees("confirm")) {
                person.click("confirm");
                person.type("KQ-W21");
            }
            person.scrollTo("tick");
            person.click("tick");
            person.until("it is ticked", () -> isDone() || !progress().equals(before));
        }
    }

    private boolean isDone() {
        return sees("end-worked") && !disabled("end-worked");
    }

    private String progress() {
        return person.all()
                .filter(seen -> seen.text().matches("[0-9]+ of [0-9]+ done"))
                .map(Person.Seen::text)
                .findFirst()
                .orElse("");
    }

    private boolean sees(String id) {
        return person.all().anyMatch(seen -> seen.id().equals(id));
    }

    private boolean disabled(String id) {
        return person.all().anyMatch(seen -> seen.id().equals(id) && seen.disabled());
    }

    /** The dialogue is the computer's own, so it is typed into without being looked at. */
    private void save(Path file) throws Exception {
        for (int attempt = 0; attempt < 3 && !Files.exists(file); attempt++) {
            Thread.sleep(2_000);
            person.key("ctrl+a");
            person.type(file.toString());
            person.key("Return");
            for (int wait = 0; wait < 50 && !Files.exists(file); wait++) {
                Thread.sleep(100);
            }
        }
        assertThat(file).exists();
    }

    @Test
    void fiveTasksInTheDemo() throws Exception {
        sitDown("1280x800");
        person.start("demo", top.resolve("demo-20260101-010101-77").toString());
        person.reads("Hive 1, gatepost");
        person.until("the title is in words", () -> person.window().text().endsWith("(demo) – Mobrak"));
        person.key("ctrl+f");
        person.type("hive 3");
        person.key("Return");
        person.until("the phone that was named", () -> person.window().text().startsWith("Hive 3,"));
        person.key("ctrl+k");
        person.type("rehearsal");
        person.picture("9-palette");
        person.key("Return");
        person.sees("rehearse");
        person.key("ctrl+k");
        person.type("take back");
        person.key("Return");
        person.reads("Nothing to take back");
        person.key("ctrl+7");
        person.click("browse-words");
        person.type("cve-2013-6282");
        person.clickWords("Hole: CVE-2013-6282");
        person.reads("What it says");
        person.picture("9-catalogue");
        person.click("nickname");
        person.copy(LISTING);
        person.key("ctrl+v");
        person.reads("You pasted 4 lines into a field for one");
        person.picture("10-pasted-lines");
        person.press("Cancel");
        person.key("ctrl+4");
        person.press("Choose a plan");
        person.reads("mildest");
    }

    @Test
    void byTheKeyboardAlone() throws Exception {
        sitDown("1280x800");
        person.start("open", top.resolve("own").toString());
        person.reads("Three ways to begin");
        person.key("ctrl+n");
        person.type("Box phone");
        person.key("Return");
        person.copy(LISTING);
        person.until(
                "the cursor is where a reading goes",
                () -> person.focus().filter(seen -> seen.id().equals("paste")).isPresent());
        person.key("ctrl+v");
        person.reads("KQ-W21");
        person.key("Tab");
        person.until(
                "Tab leaves the box",
                () -> person.focus().filter(seen -> !seen.id().equals("paste")).isPresent());
        person.key("ctrl+k");
        person.type("paste a guide");
        person.copy(GUIDE);
        person.key("Return");
        person.key("ctrl+8");
        person.key("ctrl+v");
        person.reads("questions are open");
        person.key("F1");
        person.sees("help");
        person.key("Escape");
        person.until("help is away", () -> !sees("help"));
        person.picture("11-keyboard");
    }

    @ParameterizedTest
    @ValueSource(strings = {"us", "de", "fr"})
    void theKeysAreWhereTheKeyboardHasThem(String layout) throws Exception {
        sitDown("1280x800");
        person.start("demo", top.resolve("demo").toString());
        person.reads("Hive 1, gatepost");
        person.layout(layout);
        double usual = height();
        for (String larger : List.of("ctrl+plus", "ctrl+KP_Add", "ctrl+equal")) {
            person.key(larger);
            person.until(larger + " enlarges", () -> height() > usual + 0.5);
            person.key(larger.equals("ctrl+KP_Add") ? "ctrl+KP_Subtract" : "ctrl+minus");
            person.until("and back", () -> Math.abs(height() - usual) < 0.5);
        }
        person.key("ctrl+plus", "ctrl+plus", "ctrl+0");
        person.until("as usual", () -> Math.abs(height() - usual) < 0.5);
        person.key("ctrl+slash");
        person.reads("All keys");
        person.key("Escape");
        for (Page page : Page.values()) {
            person.key("ctrl+" + (page.ordinal() + 1));
            person.reads(page.cautions().get(0));
        }
        person.key("ctrl+KP_1");
        person.reads(Page.READINGS.cautions().get(0));
        person.key("ctrl+comma");
        person.reads("What it looks like");
        person.key("Escape", "ctrl+k");
        person.sees("palette-words");
        person.key("Escape", "F8");
        person.picture("12-keys-" + layout);
    }

    private double height() {
        return person.all()
                .filter(seen -> seen.id().equals("phone-name"))
                .mapToDouble(Person.Seen::height)
                .findFirst()
                .orElse(0);
    }

    @Test
    void onASmallScreenInTheDarkWithLettersTwiceAsLarge() throws Exception {
        sitDown("1024x700");
        person.start("demo", top.resolve("demo").toString());
        person.reads("Hive 1, gatepost");
        Person.Seen window = person.window();
        assertThat(window.width()).isLessThanOrEqualTo(1024);
        assertThat(window.height()).isLessThanOrEqualTo(700);
        person.copy(GUIDE);
        person.key("ctrl+8");
        person.key("ctrl+v");
        person.sees("guide");
        person.sees("draft-form");
        Person.Seen guide = seen("guide");
        assertThat(seen("draft-form").x()).as("beside each other").isGreaterThan(guide.x() + guide.width() - 40);
        assertThat(guide.height()).as("not four lines").isGreaterThan(250);
        person.picture("13-small");
        person.key("F8");
        double usual = height();
        for (int i = 0; i < 14; i++) {
            person.key("ctrl+plus");
        }
        person.until("the letters are as large as asked", () -> height() > 1.9 * usual);
        person.picture("14-large-dark");
        person.key("ctrl+1");
        person.scrollTo("facts");
        person.sees("facts");
        person.picture("15-large-dark-readings");
    }

    private Person.Seen seen(String id) {
        return person.all().filter(one -> one.id().equals(id)).findFirst().orElseThrow();
    }

    @Test
    void theWindowStaysWhereItWasAndSaysWhyAWorkspaceCannotBeOpened() throws Exception {
        sitDown("1280x800");
        String own = top.resolve("own").toString();
        person.start("open", own);
        person.reads("Three ways to begin");
        person.until("it is smaller", () -> {
            person.resize(1060, 720);
            return Math.abs(person.window().width() - 1060) < 40;
        });
        Person.Seen before = person.window();
        person.closeWindow();
        person.start("open", own);
        person.reads("Three ways to begin");
        person.until("as it was", () -> Math.abs(person.window().width() - before.width()) < 3);
        assertThat(person.window().height()).isCloseTo(before.height(), within(3.0));
        person.doubleClickTitle();
        person.until("as large as the screen", () -> person.window().width() > 1270);
        person.closeWindow();
        person.start("open", own);
        person.reads("Three ways to begin");
        person.until("as large again", () -> person.window().width() > 1270);
        person.doubleClickTitle();
        person.until("as it was before", () -> Math.abs(person.window().width() - before.width()) < 3);
        person.closeWindow();
        Path file = Files.writeString(top.resolve("no-folder"), "a file");
        person.start("open", file.toString());
        person.reads("This workspace cannot be opened");
        person.picture("16-refused");
        person.press("Open a fresh demo");
        person.reads("Hive 1, gatepost");
    }
}
