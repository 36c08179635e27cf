package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.app.DrawerEntry;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;

/** Who is this phone, exactly? Asked through the real window. */
class IdentifyTest {
    private static final Path READINGS = Desktop.HOME.resolve("demo/readings");

    @TempDir
    private Path top;

    private Path folder;

    @BeforeEach
    void layOutTheDemo() throws Exception {
        folder = top.resolve("demo");
        Demo.in(folder);
    }

    @Test
    void aMisreadModelIsAskedAboutCorrectedAndUndone() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.fill("nickname", "Hive 20");
            desktop.click("add-phone");
            desktop.fill("paste", "Model number: OV-L21OF\nOS version: 4.1.2\n");
            desktop.click("take");
            desktop.assertShows("Did you mean OV-L210F?");
            assertThat(identity(desktop).facts().value(Fact.SHOP_NAME))
                    .as("never a silent match")
                    .isEmpty();
            desktop.robot().clickOn("It is OV-L210F");
            desktop.rest();
            assertThat(identity(desktop).facts().belief(Fact.MODEL)).isInstanceOf(Belief.Certain.class);
            assertThat(identity(desktop).facts().value(Fact.SHOP_NAME)).contains("Lantern 2");
            desktop.click("undo");
            assertThat(desktop.text("phone-model")).isEqualTo("OV-L21OF");
            desktop.click("undo");
            desktop.click("undo");
            assertThat(drawer(desktop)).as("adding the phone is undone too").hasSize(15);
        }
    }

    @Test
    void whatIsTypedByHandIsCheckedBeforeAnythingIsKept() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            pick(desktop, "Hive 2");
            desktop.assertShows("Which of 3 variants is it?");
            desktop.click("by-hand");
            assertThat(desktop.find("hand-model").isFocused()).isTrue();
            desktop.press(KeyCode.ESCAPE);
            assertThat(desktop.find("by-hand").isFocused())
                    .as("thought better of it")
                    .isTrue();
            desktop.press(KeyCode.SPACE);
            desktop.fill("hand-baseband", "L215-M03");
            desktop.fill("hand-batteryPercent", "400");
            desktop.click("hand-note");
            desktop.assertShows("Battery percent must be a whole number from 0 to 100, not “400”.");
            desktop.fill("hand-batteryPercent", "64");
            desktop.choose("hand-batteryBody", "flat");
            desktop.click("hand-note");
            assertThat(identity(desktop).facts().value(Fact.BATTERY_BODY)).contains("flat");
            assertThat(identity(desktop).candidates().variants()).hasSize(1);
            desktop.click("undo");
            assertThat(identity(desktop).candidates().variants()).hasSize(3);
        }
    }

    @Test
    void aPortedOsIsShownSideBySideAndAReadingIsSetAside() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            pick(desktop, "Hive 5");
            desktop.assertShows("Sources disagree: Model number");
            desktop.assertShows("“TS-J440” leads: the firmware itself draws it");
            desktop.assertShows("The OS was ported from another phone");
            Hyperlink settle = desktop.robot()
                    .lookup((Node node) -> node instanceof Hyperlink)
                    .query();
            desktop.robot().interact(settle::fire);
            desktop.robot().interact(() -> asideButton(desktop, 1).fire());
            desktop.press(KeyCode.ESCAPE);
            assertThat(desktop.isShown("aside-reason"))
                    .as("thought better of it")
                    .isFalse();
            desktop.robot().interact(() -> asideButton(desktop, 1).fire());
            ComboBox<String> reason = desktop.find("aside-reason");
            desktop.robot().interact(() -> reason.getEditor().setText("the OS was ported"));
            desktop.click("aside");
            desktop.assertShows("Set aside: the OS was ported");
            assertThat(identity(desktop).facts().belief(Fact.MODEL)).isInstanceOf(Belief.Certain.class);
            desktop.robot().clickOn("Let it count");
            desktop.rest();
            assertThat(identity(desktop).facts().belief(Fact.MODEL)).isInstanceOf(Belief.Conflicting.class);
            desktop.click("undo");
            assertThat(identity(desktop).facts().belief(Fact.MODEL)).isInstanceOf(Belief.Certain.class);
        }
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.pick("facts", Object.class, row -> row.toString().contains("fact=MODEL"));
            desktop.assertShows("Set aside: the OS was ported");
        }
    }

    private static Button asideButton(Desktop desktop, int index) {
        return desktop.robot()
                .lookup((Node node) -> node instanceof Button button && "Set aside…".equals(button.getText()))
                .nth(index)
                .query();
    }

    @Test
    void theRulerTakesStringsApartAndLaysAnotherOverThem() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            pick(desktop, "Hive 3");
            desktop.assertShows("Bootloader revision");
            desktop.click("lay-over");
            ComboBox<String> other = desktop.find("other-build");
            assertThat(other.getItems()).contains("LN2-F08-130611");
            desktop.choose("other-build", "LN2-F08-130611");
            desktop.assertShows("The bootloader revision is 08, below this phone's 09: the phone will refuse it.");
            desktop.choose("other-build", "J5-511-0382");
            desktop.assertShows("“J5-511-0382” is not built like this build number.");
            desktop.robot().interact(other::requestFocus);
            desktop.press(KeyCode.ESCAPE);
            assertThat(desktop.shows("is not built like")).as("put away again").isFalse();
            assertThat(desktop.find("lay-over").isFocused()).isTrue();
            ToggleButton buildId = desktop.find("ruler-build-id");
            desktop.robot().interact(buildId::fire);
            desktop.assertShows("2012, quarter 3");
            desktop.assertShows("2012-08-23");
        }
    }

    @Test
    void anotherPhonesListingIsAskedAboutBeforeItIsMixed() throws Exception {
        String listing = Files.readString(READINGS.resolve("hive-11-listing.txt"));
        try (Desktop desktop = Desktop.open(folder)) {
            pick(desktop, "Hive 3");
            var before = desktop.session().snapshot().get();
            desktop.fill("paste", listing);
            desktop.click("take");
            assertThat(desktop.text("question"))
                    .contains("another phone: TS-J540")
                    .contains("OV-L210F");
            desktop.click("answer-leave");
            assertThat(desktop.session().snapshot().get()).isEqualTo(before);
            assertThat(desktop.<TextArea>find("paste").getText())
                    .as("nothing is lost")
                    .isEqualTo(listing);
            desktop.click("take");
            desktop.click("answer-new");
            assertThat(desktop.text("phone-name")).isEqualTo("New: TS-J540");
            assertThat(drawer(desktop)).hasSize(16);
            desktop.click("undo");
            assertThat(drawer(desktop)).hasSize(15);
            assertThat(desktop.text("phone-model")).isEqualTo("OV-L210F");
        }
    }

    @Test
    void whoeverInsistsMayMixAndTakeItBack() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            pick(desktop, "Hive 3");
            desktop.fill("paste", Files.readString(READINGS.resolve("hive-11-listing.txt")));
            desktop.click("take");
            desktop.click("answer-same");
            desktop.assertShows("These readings are of two phones");
            assertThat(drawer(desktop))
                    .hasSize(15)
                    .extracting(DrawerEntry::waitsFor)
                    .contains("stop: another phone");
            desktop.click("undo");
            assertThat(identity(desktop).findings()).isEmpty();
        }
    }

    @Test
    void aFolderWithoutReadingsIsToldAndChangesNothing() throws Exception {
        Path letters = Files.createDirectory(top.resolve("letters"));
        Files.writeString(letters.resolve("one.txt"), "bring honey");
        Files.write(letters.resolve("two.jpg"), new byte[3_000]);
        try (Desktop desktop = Desktop.open(folder)) {
            var before = desktop.session().snapshot().get();
            desktop.robot().interact(() -> desktop.session().readings().takeFiles(List.of(letters)));
            desktop.rest();
            assertThat(desktop.text("notice"))
                    .contains("no file holds a reading")
                    .contains("2 files looked at");
            assertThat(desktop.session().snapshot().get()).isEqualTo(before);
            Files.copy(READINGS.resolve("hive-01-about.txt"), letters.resolve("three.txt"));
            desktop.robot().interact(() -> desktop.session().readings().takeFiles(List.of(letters)));
            desktop.rest();
            assertThat(desktop.text("notice")).contains("2 files held no reading and were passed over");
        }
    }

    @Test
    void aFolderOfTwoPhonesBecomesTwoPhones() throws Exception {
        Path club = Files.createDirectory(top.resolve("club"));
        for (String name : List.of("hive-04-listing.txt", "hive-12-listing.txt", "hive-12-shell.txt")) {
            Files.copy(READINGS.resolve(name), club.resolve(name));
        }
        Files.writeString(club.resolve("notes.txt"), "bring honey");
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.robot().interact(() -> desktop.session().readings().takeFiles(List.of(club)));
            desktop.rest();
            assertThat(desktop.text("question")).contains("2 phones: OV-L310, TS-J610");
            desktop.click("answer-new");
            assertThat(drawer(desktop)).hasSize(17);
            assertThat(identity(desktop).facts().value(Fact.ROOT))
                    .as("the shell went with its listing")
                    .contains("temporary");
        }
    }

    @Test
    void aSwollenBatteryStopsEverything() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            pick(desktop, "Hive 10");
            desktop.assertShows("The battery is swollen, and is overheated, as the phone says. Stop");
            assertThat(drawer(desktop)).extracting(DrawerEntry::waitsFor).contains("stop: battery swollen");
            assertThat(desktop.session().snapshot().get().desk().orElseThrow().fits())
                    .extracting(RouteFit::verdict)
                    .containsOnly(Verdict.REFUSED);
        }
    }

    /** One paste for each form; what it says and from where can be seen behind the fact. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "[ro.product.model]: [KQ-T5]; MODEL; property list",
                "ro.product.model=KQ-T5; MODEL; property file",
                "Linux version 3.0.31 (a@b) #1 Tue Oct 22 09:31:04 UTC 2013; KERNEL_RELEASE; kernel banner",
                "Model number|KQ-T5|Build number|T5-W-236118; BUILD_NUMBER; about screen",
                "(bootloader) product: tern|(bootloader) unlocked: yes; LOCK; bootloader variables",
                "DOWNLOAD MODE|CUSTOM WRITES: 3; CUSTOM_WRITES; download-mode screen",
                "MODEL: KQ-T5|S/N: 3a80; SERIAL; label",
                "level: 40|scale: 100|temperature: 251; BATTERY_TEMPERATURE; battery status",
                "Filesystem Size Used Free Blksize|/data 1.5G 1.0G 512.0M 4096; DATA_FREE; volume listing",
                "uid=0(root) gid=0(root); ROOT; root proof",
            })
    void everyFormIsTakenThroughTheWindow(String text, Fact fact, String source) throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.fill("nickname", "Hive 20");
            desktop.click("add-phone");
            desktop.fill("paste", text.replace('|', '\n'));
            desktop.click("take");
            desktop.pick("facts", Object.class, row -> row.toString().contains("fact=" + fact.name() + ","));
            desktop.assertShows(source + ": Pasted text, line ");
            assertThat(desktop.<TextArea>find("paste").getText())
                    .as("kept, so cleared")
                    .isEmpty();
        }
    }

    @Test
    void everyCheckIsToldInTheWindow() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.fill("nickname", "Hive 20");
            desktop.click("add-phone");
            desktop.fill("paste", """
                    [ro.product.model]: [OV-L210F]
                    [ro.product.manufacturer]: [Orvane]
                    [ro.build.id]: [KTU84P]
                    [ro.build.version.release]: [4.1.2]
                    [ro.build.version.sdk]: [19]
                    [ro.build.date.utc]: [1382434215]
                    [ro.build.version.security_patch]: [2016-04-01]
                    [ro.build.display.id]: [LN2-F09-131022]
                    [ro.bootloader]: [LN2F-B08]
                    [ro.build.tags]: [test-keys]
                    [ro.build.fingerprint]: [o/l2n/l2:4.1.1/JZO54K/1:user/test-keys]
                    [gsm.version.baseband]: [L215-M03]
                    Linux version 3.0.31 (hobby@shed) #1 Sat Feb 14 22:17:45 CET 2015
                    level: 40
                    scale: 100
                    temperature: 455
                    """);
            desktop.click("take");
            for (String words : List.of(
                    "is of the family of OS version 4.4",
                    "the build date is 2013-10-22, before it",
                    "belongs to API level 16",
                    "the fingerprint says 4.1.1",
                    "later than the build of 2013-10-22 can hold",
                    "The kernel was built on 2015-02-14 by hobby@shed",
                    "This is no stock OS",
                    "names bootloader revision 09, but the bootloader says 08",
                    "it is that of OV-L215",
                    "The battery has 45.5 °C",
                    "How sure: likely")) {
                desktop.assertShows(words);
            }
        }
    }

    @Test
    void aDrawerOfManyPhonesStaysQuick() throws Exception {
        try (Workspace workspace = Workspace.open(folder, Desktop.cache(folder))) {
            for (int i = 0; i < 300; i++) {
                PhoneRecord phone = workspace.logbook().addPhone("Spare " + i, Instant.now());
                workspace.logbook().take(phone, TypedReading.parse("model=KQ-T5", Instant.now()));
            }
        }
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().equals("Spare 299"));
            assertThat(desktop.text("phone-name")).isEqualTo("Spare 299");
            desktop.robot().interact(() -> desktop.session().readings().takeTyped(Fact.LOCK, "unlocked"));
            desktop.rest();
            assertThat(drawer(desktop)).hasSize(315);
            assertThat(drawer(desktop).get(314).marks()).containsExactly(DrawerEntry.Mark.UNLOCKED);
            assertThat(drawer(desktop).get(313).marks()).isEmpty();
        }
    }

    private static void pick(Desktop desktop, String nickname) {
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().startsWith(nickname + ","));
    }

    private static Identity identity(Desktop desktop) {
        return desktop.session().snapshot().get().desk().orElseThrow().identity();
    }

    private static List<DrawerEntry> drawer(Desktop desktop) {
        return desktop.session().snapshot().get().drawer();
    }
}
