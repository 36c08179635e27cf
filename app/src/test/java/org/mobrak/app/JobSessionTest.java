package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;

/** A job without a window: habits, notes and pictures, what is worked out once, and a rehearsal that leaves no trace. */
class JobSessionTest extends DemoSessions {
    @Test
    void habitsNotesAndPicturesGoWithTheJobAndHabitsWithTheNextOne() throws Exception {
        Path picture = Files.writeString(top.resolve("logo.jpg"), "not really a picture");
        try (Session session = openDemo("Hive 6")) {
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "stock"));
            does(session, one -> one.wish(Goal.RECOVERY));
            Outlook before = desk(session).outlook();
            does(
                    session,
                    one -> one.files()
                            .photo(
                                    before.sheet(before.answer().plans().get(0))
                                            .steps()
                                            .get(0),
                                    picture));
            assertThat(session.notice().get()).map(Notice::text).contains("No job runs on this phone.");
            assertThat(desk(session).outlook()).as("nothing was planned anew").isSameAs(before);
            does(session, one -> one.job().start(desk(one).answer().plans().get(0)));
            Step keys = job(session).sheet().steps().stream()
                    .filter(step ->
                            step.how().filter(how -> !how.or().isEmpty()).isPresent())
                    .findFirst()
                    .orElseThrow();
            does(session, one -> one.job().choose(Habit.PLUG));
            does(session, one -> one.job().note(keys, "  warm at the back "));
            does(session, one -> one.files().photo(keys, picture));
            assertThat(job(session).shown(keys).text()).contains("service plug");
            assertThat(job(session).events())
                    .hasAtLeastOneElementOfType(Event.Chosen.class)
                    .anySatisfy(event -> assertThat(event)
                            .isInstanceOfSatisfying(
                                    Event.Noted.class,
                                    noted -> assertThat(noted.note()).isEqualTo("warm at the back")))
                    .anySatisfy(event -> assertThat(event).isInstanceOfSatisfying(Event.Photo.class, photo -> {
                        assertThat(photo.path()).isEqualTo(picture.toString());
                        assertThat(photo.sha256()).hasSize(64);
                    }));
            does(session, one -> one.job().seen("download"));
            assertThat(job(session).state().mode()).contains("download");
            does(session, one -> one.job().end(Event.End.STOPPED, ""));
            does(session, one -> one.job().start(desk(one).answer().plans().get(0)));
            assertThat(job(session).state().habits())
                    .as("done as the last time")
                    .contains(Habit.PLUG);
        }
    }

    @Test
    void aRehearsalReachesItsGoalAndIsNowhereWrittenDown() throws Exception {
        try (Session session = openDemo("Hive 3")) {
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "stock"));
            does(session, one -> one.wish(Goal.RECOVERY));
            Desk before = desk(session);
            does(
                    session,
                    one -> one.rehearsals()
                            .rehearse(before, before.answer().plans().get(0), 1, Optional.empty(), Person.CAREFUL));
            assertThat(session.rehearsals().report().get()).map(Report::end).contains(Report.End.GOAL);
            assertThat(before.isRehearsed(before.answer().plans().get(0))).isFalse();
            assertThat(desk(session).isRehearsed(before.answer().plans().get(0)))
                    .isTrue();
            assertThat(desk(session).dossier()).as("the phone is as it was").isEqualTo(before.dossier());
            assertThat(List.of(desk(session).dossier().jobs())).containsExactly(List.of());
        }
    }

    @Test
    void aCommandThatIsRefusedLeavesNoStepToUndo() throws Exception {
        try (Session session = openDemo("Hive 3")) {
            does(session, one -> one.readings().takeTyped(Fact.CARD, "yes"));
            assertThat(session.snapshot().get().undo()).isPresent();
            var undo = session.snapshot().get().undo();
            int texts = desk(session).dossier().intakes().size();
            does(session, one -> one.readings().takeByHand(new TreeMap<>(Map.of(Fact.CARD, "no", Fact.LOCK, "ajar"))));
            assertThat(session.notice().get()).map(Notice::bad).contains(true);
            assertThat(desk(session).dossier().intakes()).as("all or none").hasSize(texts);
            assertThat(session.snapshot().get().undo()).isEqualTo(undo);
            does(session, Session::undo);
            assertThat(desk(session).identity().facts().value(Fact.CARD)).isEmpty();
        }
    }

    /** The demo as an earlier Mobrak laid it out: its cable said other things of its phones. */
    @Test
    void aCableThatCannotBeReadIsToldAndKeepsNothingFromWorking() throws Exception {
        Path folder = top.resolve("demo");
        DemoWorkspace.create(HOME, folder, top.resolve("cache"), Clock.systemUTC());
        Path drawer = folder.resolve("bench/drawer.yaml");
        Files.writeString(drawer, Files.readString(drawer).replace("mode: os", "mode: os, rooted: true"));
        try (Session session =
                new Session(folder, top.resolve("cache"), DrawerFile.benchOf(folder), Clock.systemUTC(), drawing)) {
            does(session, Session::open);
            does(session, Session::settle);
            assertThat(session.notice().get())
                    .map(Notice::text)
                    .hasValueSatisfying(text -> assertThat(text).contains("Open a fresh demo"));
            assertThat(session.snapshot().get().bench()).isEmpty();
            does(session, one -> one.readings().takeTyped(Fact.CARD, "yes"));
            assertThat(session.notice().get()).map(Notice::bad).as("told once").isNotEqualTo(Optional.of(true));
        }
    }
}
