package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.link.PhoneLink;

/** What goes wrong at a desk: bad files, second thoughts, a phone that does not answer, a small screen. */
class TroubleTest {
    private static final String GUIDE =
            "Root for KQ-W21, KQ-W21B and KQ-W23\n1. Install wren-root.apk and wait about 3 minutes\n2. Check that root is there\n";

    @TempDir
    private Path top;

    private Path folder;

    @BeforeEach
    void layOutTheDemo() throws Exception {
        folder = top.resolve("demo");
        Demo.in(folder);
    }

    @Test
    void badFilesChangeNothingAndSayWhy() throws Exception {
        Path good = Files.writeString(top.resolve("good.txt"), "[ro.product.model]: [KQ-T5]\n");
        Path binary = Files.write(top.resolve("binary.img"), new byte[5_000]);
        Path cut = Files.writeString(top.resolve("cut.txt"), "[gsm.version.baseband]: [L210F-M08]\n[ro.build.id]: [JZ");
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().startsWith("Hive 3,"));
            var before = desktop.session().snapshot().get();
            desktop.robot().interact(() -> desktop.session().readings().takeFiles(List.of(good, binary)));
            desktop.rest();
            assertThat(desktop.text("notice")).contains("binary.img is a binary file");
            assertThat(desktop.session().snapshot().get()).isEqualTo(before);
            desktop.fill("paste", "Dear beekeepers, the phone is on its way.");
            desktop.click("take");
            assertThat(desktop.text("notice")).contains("holds no reading Mobrak knows");
            desktop.robot().interact(() -> desktop.session().readings().takeFiles(List.of(cut)));
            desktop.rest();
            assertThat(desktop.text("notice"))
                    .contains("1 reading taken from “cut.txt”")
                    .contains("breaks off in the value of ro.build.id");
            desktop.assertShows("What is odd");
            desktop.assertShows("Baseband was “L210F-M07-1309”");
        }
    }

    @Test
    void aPhoneIsFoundInAFullDrawer() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            ListView<DrawerEntry> phones = desktop.find("phones");
            int all = phones.getItems().size();
            desktop.press(KeyCode.CONTROL, KeyCode.F);
            assertThat(desktop.<Node>find("find-phone").isFocused()).isTrue();
            desktop.fill("find-phone", " ROOTED heather");
            assertThat(phones.getItems())
                    .singleElement()
                    .satisfies(entry -> assertThat(entry.phone().nickname()).contains("heather field"));
            desktop.press(KeyCode.ENTER);
            desktop.rest();
            assertThat(desktop.session()
                            .snapshot()
                            .get()
                            .desk()
                            .orElseThrow()
                            .dossier()
                            .phone()
                            .nickname())
                    .contains("heather field");
            desktop.fill("find-phone", "heather zebra");
            desktop.assertShows("No phone like that");
            desktop.press(KeyCode.ESCAPE);
            assertThat(phones.getItems()).hasSize(all);
            assertThat(phones.getSelectionModel().getSelectedItem().phone().nickname())
                    .contains("heather field");
        }
    }

    @Test
    void editsAreUndoneAndDoneAgain() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.pick("phones", DrawerEntry.class, entry -> entry.name().contains("TS-J540"));
            desktop.robot().interact(() -> desktop.session().readings().takeTyped(Fact.LOCK, "locked"));
            desktop.rest();
            desktop.assertShows("Noted: Bootloader lock is locked.");
            desktop.click("undo");
            assertThat(lock(desktop)).isEmpty();
            desktop.click("redo");
            assertThat(lock(desktop)).contains("locked");
            Node facts = desktop.find("facts");
            desktop.robot().interact(facts::requestFocus);
            desktop.press(KeyCode.CONTROL, KeyCode.Z);
            assertThat(lock(desktop)).isEmpty();
            assertThat(desktop.find("undo").isDisabled()).isTrue();
        }
    }

    @Test
    void oneTextThatCannotBeReadIsTakenOutAndANameCannotTurnItsModelRound() throws Exception {
        try (Workspace workspace = Workspace.open(folder, Desktop.cache(folder))) {
            Logbook logbook = workspace.logbook();
            PhoneRecord phone = logbook.addPhone("Wall\u202E 9", Instant.EPOCH);
            logbook.take(phone, TypedReading.parse("model=TS-J540", Instant.EPOCH));
            logbook.take(phone, TypedReading.parse("root=none", Instant.EPOCH));
        }
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("logbook.db"));
                Statement statement = connection.createStatement()) {
            statement.execute(
                    "UPDATE intake SET text = 'root=' || printf('%.2000c', '1') WHERE taken_at LIKE '1970%' AND text LIKE 'root%'");
        }
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.pick(
                    "phones",
                    DrawerEntry.class,
                    entry -> entry.phone().nickname().equals("Wall\\u202E 9"));
            assertThat(desktop.text("phone-model")).isEqualTo("TS-J540");
            desktop.assertShows("A text that cannot be read: typed in");
            desktop.click("take-out");
            desktop.assertShows("Taken out: typed in");
            assertThat(desktop.robot().lookup("#take-out").tryQuery()).isEmpty();
            desktop.click("undo");
            desktop.assertShows("A text that cannot be read: typed in");
        }
    }

    private static Optional<String> lock(Desktop desktop) {
        return desktop.session()
                .snapshot()
                .get()
                .desk()
                .orElseThrow()
                .identity()
                .facts()
                .value(Fact.LOCK);
    }

    @Test
    void askingAPhoneThatDoesNotAnswerCanBeCancelled() throws Exception {
        PhoneLink silent = mock(PhoneLink.class);
        when(silent.seen()).thenReturn(List.of("the silent one"));
        when(silent.send(any(), any())).thenReturn(new CompletableFuture<>());
        try (Desktop desktop = Desktop.open(folder, silent)) {
            desktop.robot().clickOn("#cable");
            desktop.robot().clickOn("the silent one");
            desktop.assertShows("Asking the silent one");
            desktop.robot().clickOn("#cancel");
            desktop.rest();
            assertThat(desktop.text("notice")).isEqualTo("Asking the silent one was cancelled; nothing was changed.");
        }
    }

    @Test
    void aPhoneOnTheBenchAnswersOverTheCable() throws Exception {
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.fill("nickname", "Hive 12");
            desktop.click("add-phone");
            desktop.robot().clickOn("#cable");
            desktop.robot().clickOn("the phone in the grey sock");
            desktop.rest();
            assertThat(desktop.text("notice"))
                    .isEqualTo("It is switched off. Switch it on, wait for its start screen and ask again.");
            desktop.robot().clickOn("#cable");
            desktop.robot().clickOn("the phone with the cracked corner");
            desktop.rest();
            assertThat(desktop.text("phone-model")).isEqualTo("TS-J540");
        }
    }

    @Test
    void atTheSmallestWindowWithLargerLettersEveryButtonIsWholeAndManyFaultsScroll() throws Exception {
        for (int bad = 0; bad < 30; bad++) {
            Files.writeString(folder.resolve("catalogue/routes/bad-%02d.yaml".formatted(bad)), "id: [");
        }
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.robot().interact(() -> {
                desktop.stage().setWidth(1024);
                desktop.stage().setHeight(700);
            });
            desktop.robot().interact(() -> desktop.session().workshop().readPasted(GUIDE));
            desktop.click("larger");
            desktop.click("light-or-dark");
            assertEveryPageIsWhole(desktop);
            aNameFromRightToLeftAndTooLong(desktop);
            desktop.robot().interact(() -> {
                desktop.stage().setWidth(2560);
                desktop.stage().setHeight(1440);
            });
            assertEveryPageIsWhole(desktop);
            desktop.robot().interact(() -> {
                desktop.stage().setWidth(1024);
                desktop.stage().setHeight(700);
            });
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
            VBox plans = desktop.find("plans");
            double room = ((Region) plans.getParent()).getWidth();
            assertThat(plans.getChildren())
                    .isNotEmpty()
                    .allSatisfy(card ->
                            assertThat(card.getBoundsInParent().getMaxX()).isLessThanOrEqualTo(room + 1));
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT7);
            desktop.click("face-friends");
            ScrollPane own = desktop.find("own-catalogue");
            assertThat(own.getContent().getLayoutBounds().getHeight()).isGreaterThan(own.getHeight());
            assertAllIsReachedWithLettersTwiceAsLarge(desktop);
        }
        try (Desktop desktop = Desktop.open(folder)) {
            desktop.until(
                    "the look is remembered",
                    () -> desktop.stage().getScene().getRoot().getStyle().contains("28")
                            && desktop.stage()
                                    .getScene()
                                    .getStylesheets()
                                    .get(0)
                                    .endsWith("dark.css"));
        }
    }

    private static void assertEveryPageIsWhole(Desktop desktop) {
        for (KeyCode page : Desktop.PAGES) {
            desktop.press(KeyCode.CONTROL, page);
            assertButtonsAreWhole(desktop);
        }
    }

    /** Such a phone lies on the desk for once round the pages; then the one that lay there before. */
    private static void aNameFromRightToLeftAndTooLong(Desktop desktop) {
        PhoneRecord before = desktop.session()
                .snapshot()
                .get()
                .desk()
                .orElseThrow()
                .dossier()
                .phone();
        desktop.robot().interact(() -> desktop.session().addPhone("הטלפון הישן של סבתא, ".repeat(6)));
        desktop.rest();
        assertEveryPageIsWhole(desktop);
        desktop.robot().interact(() -> desktop.session().pick(before));
        desktop.rest();
    }

    /** Web Content Accessibility Guidelines 2.1, success criterion 1.4.4: text at 200 % without loss of content or function. */
    private static void assertAllIsReachedWithLettersTwiceAsLarge(Desktop desktop) {
        for (int step = 0; step < 13; step++) {
            desktop.press(KeyCode.CONTROL, KeyCode.EQUALS);
        }
        ScrollPane room = (ScrollPane) desktop.stage().getScene().getRoot().lookup(".room");
        assertThat(desktop.stage().getScene().getRoot().getStyle()).contains("28");
        assertThat(desktop.isShown("phones")).as("the drawer makes way").isFalse();
        for (KeyCode page : List.of(
                KeyCode.DIGIT1,
                KeyCode.DIGIT2,
                KeyCode.DIGIT3,
                KeyCode.DIGIT5,
                KeyCode.DIGIT6,
                KeyCode.DIGIT7,
                KeyCode.DIGIT8)) {
            desktop.press(KeyCode.CONTROL, page);
            Node content = room.getContent();
            assertThat(desktop.robot()
                            .from(content)
                            .lookup((Node node) -> node instanceof ButtonBase || node instanceof ListView)
                            .queryAllAs(Node.class))
                    .filteredOn(Desktop::isSeen)
                    .filteredOn(node -> !scrolls(node.getParent(), content))
                    .allSatisfy(node -> {
                        Bounds place = content.sceneToLocal(node.localToScene(node.getBoundsInLocal()));
                        assertThat(place.getMaxX())
                                .as(node.toString())
                                .isLessThanOrEqualTo(content.getLayoutBounds().getWidth() + 1);
                        assertThat(place.getMaxY())
                                .as(node.toString())
                                .isLessThanOrEqualTo(content.getLayoutBounds().getHeight() + 1);
                    });
        }
        desktop.press(KeyCode.CONTROL, KeyCode.F);
        assertThat(desktop.<Node>find("find-phone").isFocused())
                .as("and is called")
                .isTrue();
        desktop.press(KeyCode.F9);
        assertThat(desktop.isShown("phones")).isFalse();
        desktop.click("call-drawer");
        desktop.pick("phones", DrawerEntry.class, entry -> entry.name().contains("TS-J540"));
        assertThat(desktop.isShown("phones")).as("a phone was picked").isFalse();
    }

    /** What scrolls by itself within the page is reached there. */
    private static boolean scrolls(Node node, Node top) {
        for (Node here = node; here != null && here != top; here = here.getParent()) {
            if (here instanceof ScrollPane || here instanceof ListView) {
                return true;
            }
        }
        return false;
    }

    private static void assertButtonsAreWhole(Desktop desktop) {
        Set<ButtonBase> buttons = desktop.robot()
                .from(desktop.stage().getScene().getRoot())
                .lookup((Node node) -> node instanceof ButtonBase)
                .queryAllAs(ButtonBase.class);
        Bounds window = desktop.stage().getScene().getRoot().getLayoutBounds();
        assertThat(buttons).filteredOn(Desktop::isSeen).allSatisfy(button -> {
            Bounds place = button.localToScene(button.getBoundsInLocal());
            assertThat(place.getMaxX()).as(button.toString()).isLessThanOrEqualTo(window.getMaxX() + 1);
            assertThat(place.getMinY()).as(button.toString()).isGreaterThanOrEqualTo(0);
            double across = button.isWrapText() ? button.getWidth() : button.prefWidth(-1);
            assertThat(button.getWidth()).as("%s is cut", button).isGreaterThanOrEqualTo(Math.floor(across));
            assertThat(button.getHeight())
                    .as("%s is cut", button)
                    .isGreaterThanOrEqualTo(Math.floor(button.prefHeight(button.isWrapText() ? across : -1)));
        });
        assertThat(desktop.<Labeled>find("phone-name").isVisible()).isTrue();
    }
}
