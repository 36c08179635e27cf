package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Snapshot.PastJob;
import org.mobrak.core.job.Event;
import org.mobrak.core.logbook.Backups;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.history.Timeline;

/** The logbook as a whole, through the real window. */
class LogbookPageTest {
    @TempDir
    private Path top;

    private Path demo;

    @BeforeEach
    void layOut() throws Exception {
        demo = top.resolve("demo");
        Demo.in(demo);
    }

    @Test
    void everythingIsSearchedAndASlipIsProposedAnotherWord() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.fill("search-logbook", "LN2-F0");
            desktop.until("found", () -> desktop.isShown("found"));
            desktop.assertShows("Hive 3, orchard wall");
            desktop.fill("search-logbook", "orchrad");
            desktop.assertShows("Did you mean “orchard”?");
            desktop.click("proposal-orchard");
            desktop.until("the other word is searched", () -> desktop.isShown("found"));
            desktop.click("hit-0");
            desktop.until(
                    "the phone lies on the desk",
                    () -> desktop.text("phone-name").equals("Hive 3, orchard wall"));
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.fill("search-logbook", "");
            desktop.until("the jobs are back", () -> desktop.isShown("jobs"));
            desktop.click("due");
            desktop.until("what is due", () -> desktop.isShown("due-today"));
            desktop.assertShows("Hive 10");
            desktop.fill("remind-what", "The unlock licence ends");
            Button remind = desktop.find("remind");
            desktop.robot().interact(remind::fire);
            desktop.until("it is noted", () -> desktop.shows("noted by yourself"));
            desktop.press(KeyCode.CONTROL, KeyCode.Z);
            desktop.robot().interact(() -> desktop.session().logbook().askWhatIsDue());
            desktop.until("it is undone", () -> !desktop.shows("noted by yourself"));
            Path calendar = top.resolve("phones.ics");
            desktop.robot().interact(() -> desktop.session().logbook().saveCalendar(calendar));
            desktop.until("a calendar", () -> Files.exists(calendar) && desktop.shows("Saved: "));
            assertThat(calendar).content().contains("BEGIN:VEVENT");
            desktop.click("put-due-away");
            desktop.until("the jobs are back", () -> desktop.isShown("jobs"));
        }
    }

    @Test
    void aWorkspaceGoesOutAndComesIntoAnotherThroughALook() throws Exception {
        Path zip = top.resolve("demo.zip");
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.robot().interact(() -> desktop.session().logbook().export(zip, false, false));
            desktop.assertShows("with 15 phones");
            Path page = top.resolve("case.html");
            desktop.robot().interact(() -> desktop.session().logbook().report(page));
            desktop.until("a page to be read", () -> Files.exists(page) && desktop.shows("Saved: "));
            assertThat(page).content().contains("<h1>", "What was done");
            desktop.robot().interact(() -> desktop.session().logbook().report(top.resolve("case.doc")));
            desktop.assertShows("is none of .html, .md and .csv");
        }
        Path own = top.resolve("own");
        Workspace.create(own, List.of(Desktop.HOME.resolve("catalogue")));
        try (Desktop desktop = Desktop.open(own)) {
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.drop("search-logbook", zip);
            desktop.robot().interact(() -> desktop.session().logbook().lookAt(zip));
            desktop.until("offered", () -> desktop.isShown("offered"));
            assertThat(desktop.session().snapshot().get().drawer())
                    .as("nothing is taken yet")
                    .isEmpty();
            desktop.robot().interact(() -> desktop.session().logbook().take(Set.of()));
            desktop.assertShows("Taken in: 15 phones");
            assertThat(desktop.session().snapshot().get().drawer()).hasSize(15);
            assertThat(desktop.session().snapshot().get().past()).hasSize(1);
            desktop.robot().interact(() -> desktop.session().logbook().lookAt(zip));
            desktop.until(
                    "looked at once more, and the same again adds nothing",
                    () -> desktop.robot()
                            .lookup("#take-export")
                            .tryQuery()
                            .filter(Node::isDisabled)
                            .isPresent());
        }
    }

    @Test
    void aCopyOfTheDayIsMadeAndBringsTheLogbookBack() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.until("a copy of the day", () -> !Backups.of(demo).isEmpty());
            Path copy = Backups.of(demo).get(0);
            desktop.robot().interact(() -> desktop.session().addPhone("A later one"));
            desktop.until(
                    "added", () -> desktop.session().snapshot().get().drawer().size() == 16);
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.robot().interact(() -> desktop.session().logbook().listCopies());
            MenuButton copies = desktop.find("copies");
            desktop.until("the copy is offered", () -> !copies.getItems().get(0).isDisable());
            desktop.robot().interact(() -> copies.getItems().get(0).fire());
            desktop.click("bring-copy-back");
            desktop.until(
                    "as it was",
                    () -> desktop.session().snapshot().get().drawer().size() == 15);
            desktop.assertShows("What was there is kept in");
            assertThat(copy).exists();
            try (var kept = Files.walk(demo.resolve("backups"))) {
                assertThat(kept.map(file -> file.getFileName().toString())).contains("logbook.db");
            }
            desktop.robot().interact(() -> desktop.session().addPhone("Goes on"));
            desktop.until(
                    "the work goes on",
                    () -> desktop.session().snapshot().get().drawer().size() == 16);
        }
    }

    /** The year of another club, job by job, over time and in numbers. */
    @Test
    void aYearIsSeenJobAgainstJobOverTimeAndInNumbers() throws Exception {
        try (Desktop desktop = Desktop.open(demo)) {
            desktop.press(KeyCode.CONTROL, KeyCode.DIGIT6);
            desktop.robot()
                    .interact(() -> desktop.session().logbook().lookAt(demo.resolve("bench/friend/club-year.zip")));
            desktop.until("offered", () -> desktop.isShown("offered"));
            desktop.robot().interact(() -> desktop.session().logbook().take(Set.of()));
            desktop.assertShows("Taken in: 12 phones");
            ListView<PastJob> jobs = desktop.find("jobs");
            int all = jobs.getItems().size();
            ComboBox<?> end = desktop.find("filter-end");
            desktop.robot().interact(() -> end.getSelectionModel().select(2));
            assertThat(jobs.getItems())
                    .hasSizeBetween(2, all - 1)
                    .allMatch(past -> past.job().end().orElseThrow().end() == Event.End.FAILED);
            desktop.robot().interact(() -> jobs.getSelectionModel().selectRange(0, 2));
            desktop.assertShows("Only what differs");
            desktop.click("filter-clear");
            assertThat(jobs.getItems()).hasSize(all);
            desktop.click("face-numbers");
            desktop.assertShows("Wilson's 95 % interval");
            desktop.assertShows("; expected by now ");
            desktop.click("face-time");
            ListView<Timeline> lives = desktop.find("lives");
            desktop.until("all lives are drawn", () -> lives.getItems().size() == 27);
            Timeline pond = lives.getItems().stream()
                    .filter(life -> life.phone().nickname().startsWith("Pond 3"))
                    .findFirst()
                    .orElseThrow();
            desktop.robot().interact(() -> {
                lives.requestFocus();
                lives.getSelectionModel().select(pond);
            });
            desktop.press(KeyCode.PLUS);
            desktop.press(KeyCode.RIGHT);
            desktop.until(
                    "the first day of its life",
                    () -> desktop.session()
                            .history()
                            .then()
                            .get()
                            .filter(then -> then.at().equals(pond.marks().get(0).at()))
                            .isPresent());
            desktop.assertShows("What was known then");
        }
    }
}
