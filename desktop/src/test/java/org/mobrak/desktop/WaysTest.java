package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.collections.ObservableList;
import javafx.css.PseudoClass;
import javafx.event.ActionEvent;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.control.TitledPane;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Desk;
import org.mobrak.app.DrawerEntry;
import org.mobrak.core.catalogue.browse.BrowsedEntry;
import org.mobrak.core.catalogue.browse.EntryKind;
import org.mobrak.core.fit.School;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;

/** Weighing the ways of the demo phones through the real window: goal, plans, board, map, brief, and another's catalogue. */
class WaysTest {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    @TempDir
    private Path top;

    private Desktop desktop;

    @BeforeEach
    void openTheDemo() throws Exception {
        Path folder = top.resolve("demo");
        Demo.in(folder);
        desktop = Desktop.open(folder);
    }

    @AfterEach
    void close() {
        desktop.close();
    }

    private void lay(String phone) {
        desktop.pick(
                "phones",
                DrawerEntry.class,
                entry -> phone.startsWith("Hive")
                        ? entry.phone().nickname().startsWith(phone + ",")
                        : entry.name().contains(phone));
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
    }

    private Desk desk() {
        return desktop.session().snapshot().get().desk().orElseThrow();
    }

    private boolean isChosen(String id) {
        return desktop.find(id).getPseudoClassStates().contains(CHOSEN);
    }

    @Test
    void fromGoalToBoardToMapToPlanToBrief() throws Exception {
        lay("Hive 3");
        desktop.assertShows("5 plans lead there; the mildest is Teasel toolkit.");
        ComboBox<Goal> goal = desktop.find("goal");
        assertThat(goal.getItems())
                .contains(Goal.ROOT, Goal.ofKey("mend:store-missing").orElseThrow());
        desktop.click("mark-3");
        assertThat(isChosen("mark-3")).isTrue();
        desktop.click("face-routes");
        ListView<Object> routes = desktop.find("routes");
        assertThat(routes.getSelectionModel().getSelectedItem().toString())
                .as("the board shows the plan that was chosen in the plot")
                .contains("id=" + desk().answer().plans().get(2).routes().get(0).id());
        compareTwoRoutes();
        desktop.click("face-map");
        desktop.robot()
                .interact(() -> desktop.<Button>find("map-teasel-toolkit").fire());
        assertThat(isChosen("map-teasel-toolkit")).isTrue();
        assertThat(desktop.text("map-said")).startsWith("Teasel toolkit – fits.");
        refusedWaysSayWhy();
        desktop.click("face-plans");
        Plan chosen = desk().answer().plans().stream()
                .filter(plan -> plan.title().equals("Teasel toolkit"))
                .findFirst()
                .orElseThrow();
        TitledPane risk = desktop.find("figure-risk-points");
        desktop.robot().interact(() -> risk.setExpanded(true));
        desktop.assertShows("system, 3 × (1 − ");
        Path brief = top.resolve("brief.html");
        desktop.robot().interact(() -> desktop.session().saveBrief(chosen, brief));
        desktop.rest();
        desktop.assertShows("Saved: " + brief);
        assertThat(Files.readString(brief)).contains("<h1>Hive 3, orchard wall (OV-L210F)</h1>", "Teasel toolkit");
    }

    private void compareTwoRoutes() {
        desktop.fill("search", "");
        desktop.click("compare");
        desktop.pick("routes", Object.class, row -> row.toString().contains("id=larch-toolkit"));
        desktop.find("compare-table");
        desktop.assertShows("reports on this very build say it worked");
        desktop.click("compare");
        desktop.fill("search", "sister variant");
        ListView<Object> routes = desktop.find("routes");
        assertThat(routes.getItems()).hasSizeGreaterThan(20);
        assertThat(routes.getItems().get(0).toString())
                .contains("REFUSED", "count=" + (routes.getItems().size() - 1));
        desktop.pick("routes", Object.class, row -> row.toString().contains("id=sedge-exploit-app"));
        desktop.assertShows("a sister variant's file can brick a phone");
        desktop.fill("search", "");
    }

    private void refusedWaysSayWhy() {
        ObservableList<Node> drawn = desktop.<Pane>find("map").getChildren();
        Node refused = drawn.stream()
                .filter(node -> node.getStyleClass().contains("map-label-refused"))
                .findFirst()
                .orElseThrow();
        desktop.robot().interact(() -> ((Button) refused).fire());
        assertThat(desktop.text("map-said")).contains("refused. ");
        desktop.robot()
                .interact(() -> desktop.<Button>find("map-teasel-toolkit").fire());
    }

    @Test
    void limitsAssumptionsAndWhatIsWithinReachAreTold() {
        lay("OX-M10");
        desktop.assertShows("One plan leads there: Unlock the Meadow → Touch recovery for the Meadow");
        desktop.assertShows("Bootloader lock locked → unlocked");
        desktop.robot().clickOn("#limit-data");
        desktop.rest();
        desktop.assertShows(
                "Limit “no data loss”: “Unlock the Meadow” and “Touch recovery for the Meadow” wipe the data.");
        lay("VM-P70");
        desktop.assertShows("No plan leads there yet.");
        desktop.assertShows("It takes for granted");
        desktop.assertShows("To know it, read ");
        lay("OX-M10");
        desktop.assertShows("“Unlock the Meadow” and “Touch recovery for the Meadow” wipe the data.");
        desktop.robot().clickOn("#limit-data");
        desktop.rest();
        desktop.assertShows("One plan leads there: Unlock the Meadow");
    }

    /** With something unknown, the plan for a phone nobody has touched comes first; what it supposes is noted in one click. */
    @Test
    void whatAPlanSupposesIsNotedInOneClick() {
        lay("TS-J540");
        desktop.assertShows("If the bootloader lock is locked (as usual):");
        desktop.assertShows("If the bootloader lock is unlocked:");
        desktop.assertShows("Look first. Bootloader lock: Bootloader screen.");
        desktop.click("it-is-so");
        assertThat(desk().identity().facts().value(Fact.LOCK)).contains("locked");
        desktop.assertShows("One plan leads there: Unlock the Juniper");
        desktop.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk().identity().facts().value(Fact.LOCK)).isEmpty();
    }

    /** No model number, one that no route names, and two: each is said before anything else. */
    @Test
    void whichPhoneItIsComesBeforeAnyPlan() {
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().startsWith("Hive 2,"));
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.assertShows("Read the model number first");
        desktop.fill("model-number", "OV-L215");
        desktop.robot().interact(() -> desktop.<TextField>find("model-number").fireEvent(new ActionEvent()));
        desktop.rest();
        assertThat(desk().identity().facts().value(Fact.MODEL)).contains("OV-L215");
        assertThat(desktop.robot().lookup("#recognition").tryQuery()).isEmpty();
        lay("VM-P90");
        desktop.assertShows("No route in the catalogue names model number VM-P90.");
        TitledPane file = desktop.find("unnamed-as-file");
        desktop.robot().interact(() -> file.setExpanded(true));
        desktop.click("copy-starter");
        String[] starter = new String[1];
        desktop.robot()
                .interact(() -> starter[0] = Clipboard.getSystemClipboard().getString());
        assertThat(starter[0]).contains("id: vm-p90", "- {model: \"VM-P90\"}");
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().startsWith("Hive 5,"));
        desktop.assertShows("Two sources name different phones, TS-J440 and TS-J540.");
        assertThat(desk().fits())
                .filteredOn(fit -> fit.route().writesPartitions())
                .noneMatch(fit -> fit.verdict() == Verdict.FITS || fit.verdict() == Verdict.CAUTION);
    }

    /** What the catalogue says is read without knowing how its files are written. */
    @Test
    void theCatalogueIsLookedThrough() {
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        ListView<BrowsedEntry> entries = desktop.find("browse-entries");
        desktop.until("listed", () -> entries.getItems().size() > 100);
        desktop.fill("browse-words", "cve-2013-6282");
        desktop.pick("browse-entries", BrowsedEntry.class, entry -> entry.kind() == EntryKind.HOLE);
        desktop.until("what it says", () -> desktop.isShown("browse-says"));
        desktop.assertShows("Published");
        desktop.until("who names it", () -> desktop.isShown("browse-used-by"));
        desktop.robot()
                .interact(() -> ((Hyperlink) desktop.stage().getScene().lookup("#browse-used-by .hyperlink")).fire());
        desktop.until(
                "the route lies open",
                () -> desktop.robot().lookup("#browse-head .label").queryAllAs(Labeled.class).stream()
                        .anyMatch(label -> label.getText().startsWith("Route: ")));
        desktop.click("browse-edit");
        desktop.until("the route is on the table", () -> desktop.isShown("confirm-draft"));
    }

    @Test
    void aFileThatWasChangedElsewhereIsReadAgain() throws Exception {
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        desktop.click("face-friends");
        desktop.assertShows("No faults");
        Files.writeString(top.resolve("demo/catalogue/routes/half-written.yaml"), "id: half-written\n");
        desktop.click("read-again");
        desktop.assertShows("The catalogue was read again, as its files are now.");
        assertThat(desktop.isShown("own-catalogue")).isTrue();
        desktop.until(
                "its faults are told",
                () -> desktop.session().snapshot().get().catalogue().faults().size() > 0);
    }

    @Test
    void anothersEntriesAreTakenOneByOneAndPutBack() {
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT7);
        desktop.click("face-friends");
        desktop.assertShows("No other catalogue is open");
        Path friend = Desktop.HOME.resolve("demo/friend");
        desktop.robot().interact(() -> desktop.session().compareCatalogue(friend));
        desktop.rest();
        ListView<Object> entries = desktop.find("entries");
        assertThat(entries.getItems()).extracting(Object::toString).hasSize(2);
        desktop.assertShows("The route can brick a phone for good and names no phone.");
        desktop.pick("entries", Object.class, row -> row.toString().contains("teasel"));
        desktop.assertShows("costs/handsOn/1: 13 became 10");
        desktop.click("take-entries");
        desktop.assertShows("1 entry taken.");
        assertThat(desk().fits()).extracting(fit -> fit.route().id()).contains("sorrel-exploit-app");
        lookAtTheOrigin();
        desktop.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk().fits()).extracting(fit -> fit.route().id()).doesNotContain("sorrel-exploit-app");
        desktop.click("leave-catalogue");
        desktop.assertShows("No other catalogue is open");
        desktop.robot().interact(() -> desktop.session().compareCatalogue(Desktop.HOME.resolve("docs")));
        desktop.rest();
        desktop.assertShows("is no catalogue");
    }

    /** Where an entry came from is shown with the route. */
    private void lookAtTheOrigin() {
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.click("face-routes");
        desktop.pick("routes", Object.class, row -> row.toString().contains("id=sorrel-exploit-app"));
        desktop.assertShows("Taken from the catalogue “friend” on ");
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT7);
    }

    @Test
    void theWishIsThePhonesOwnAndCanBeSetByHand() {
        lay("Hive 3");
        ComboBox<Optional<Goal>> also = desktop.find("also");
        desktop.robot().interact(() -> also.setValue(Optional.of(Goal.RECOVERY)));
        desktop.rest();
        assertThat(desk().wish().goal()).isEqualTo(Goal.ofKey("root+recovery").orElseThrow());
        assertThat(also.getItems()).as("what contradicts is not offered").doesNotContain(Optional.of(Goal.STOCK));
        desktop.robot().clickOn("#limit-minutes");
        desktop.rest();
        assertThat(desk().wish().limits().minutes()).hasValue(30);
        assertThat(desk().answer().plans())
                .isNotEmpty()
                .allSatisfy(plan -> assertThat(plan.cost().minutes()).isLessThanOrEqualTo(30));
        Spinner<Integer> minutes = desktop.find("minutes");
        desktop.robot().interact(() -> minutes.getValueFactory().setValue(5));
        desktop.rest();
        desktop.assertShows("Limit of 5 minutes: the work takes about");
        lay("OX-M10");
        assertThat(desk().wish().limits()).isEqualTo(Limits.none());
        assertThat(desk().wish().goal()).isEqualTo(Goal.ROOT);
        lay("Hive 3");
        assertThat(desk().wish().limits().minutes())
                .as("this phone's wish was kept")
                .hasValue(5);
        desktop.robot().clickOn("#limit-minutes");
        ComboBox<Object> school = desktop.find("school");
        desktop.robot().interact(() -> school.getSelectionModel().select(1));
        desktop.rest();
        assertThat(desk().wish().school()).contains(School.EXACT);
        desktop.click("face-routes");
        desktop.pick("routes", Object.class, row -> row.toString().contains("id=moss-exploit-app"));
        desktop.assertShows("by the exact school it must be left alone");
    }

    /** Large letters, a small window, and only the keyboard: nothing is cut that must be read, and plans can be chosen. */
    @Test
    void worksWithLargeLettersAndByKeyboard() {
        lay("Hive 3");
        for (int i = 0; i < 4; i++) {
            desktop.press(KeyCode.CONTROL, KeyCode.PLUS);
        }
        Button third = desktop.find("mark-3");
        desktop.robot().interact(third::requestFocus);
        desktop.press(KeyCode.SPACE);
        assertThat(isChosen("mark-3")).isTrue();
        desktop.click("face-map");
        Pane map = desktop.find("map");
        List<Bounds> labels = map.getChildren().stream()
                .filter(Button.class::isInstance)
                .map(Node::getBoundsInParent)
                .toList();
        for (int i = 0; i < labels.size(); i++) {
            assertThat(labels.subList(i + 1, labels.size())).noneMatch(labels.get(i)::intersects);
        }
        Button label = desktop.find("map-larch-toolkit");
        desktop.robot().interact(label::requestFocus);
        desktop.press(KeyCode.SPACE);
        assertThat(desktop.text("map-said")).startsWith("Larch toolkit – caution.");
        desktop.click("face-plans");
        assertThat(isChosen("mark-" + (1 + titles().indexOf("Larch toolkit")))).isTrue();
    }

    private List<String> titles() {
        return desk().answer().plans().stream().map(Plan::title).toList();
    }

    @Test
    void whatIsWithinReachIsAClickAwayAndMoreIsBehindMore() {
        lay("OV-L310");
        ComboBox<Goal> goal = desktop.find("goal");
        desktop.robot().interact(() -> goal.setValue(Goal.CUSTOM_OS));
        desktop.rest();
        desktop.assertShows("No plan leads there yet.");
        desktop.assertShows("Within reach instead, the nearest first");
        desktop.click("face-map");
        assertThat(desktop.<Pane>find("map").getChildren())
                .as("now and the goal, at least")
                .isNotEmpty();
        desktop.click("face-plans");
        Goal nearest = desk().answer().reachable().get(0);
        desktop.click("instead-" + nearest.key());
        assertThat(goal.getValue()).isEqualTo(nearest);
        assertThat(desk().answer().plans()).isNotEmpty();
        desktop.assertShows("Write the run sheet");
    }

    @Test
    void aBriefThatCannotBePrintedOrSavedSaysWhatToDo() {
        lay("Hive 3");
        MenuButton brief = desktop.find("brief");
        assertThat(brief.getItems())
                .extracting(MenuItem::getId)
                .containsExactly("brief-html", "brief-md", "brief-print");
        desktop.robot().interact(() -> brief.getItems().get(2).fire());
        desktop.assertShows("No printer is set up here. Save the brief as a page");
        Plan plan = desk().answer().plans().get(0);
        Path nowhere = top.resolve("no such folder/brief.md");
        desktop.robot().interact(() -> desktop.session().saveBrief(plan, nowhere));
        desktop.rest();
        desktop.assertShows("brief.md cannot be written; its folder is not there. Make it, or name another.");
        assertThat(nowhere).doesNotExist();
    }
}
