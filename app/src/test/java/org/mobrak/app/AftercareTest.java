package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.apache.commons.io.file.PathUtils;
import org.junit.jupiter.api.Test;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.app.aftercare.Notes;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Step;
import org.mobrak.core.mend.patch.PropertyPatch;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Takeback;
import org.mobrak.core.proof.Comparison;
import org.mobrak.core.proof.RootProof;
import org.mobrak.core.proof.Seen;
import org.mobrak.core.proof.Strictness;

/** What comes after the work, without a window. */
class AftercareTest extends DemoSessions {

    private static AftercareView view(Session session) {
        return session.aftercare().view().get().orElseThrow();
    }

    /** Looking is quiet: whoever waits for it asks something behind it. */
    private void look(Session session) throws Exception {
        does(session, one -> one.aftercare().look());
        does(session, one -> one.remember("looked", "yes"));
        does(session, one -> one.readings().takeTyped(Fact.CABLE, "data"));
        does(session, Session::undo);
    }

    @Test
    void whatWasSeenIsKeptWithThePhoneAcrossSessionsAndNotWithAnother() throws Exception {
        try (Session session = openDemo("Hive 8")) {
            does(session, one -> one.aftercare().saw(Seen.GRANTED));
            does(session, one -> one.aftercare().saw(Seen.RESTART));
            does(session, one -> one.aftercare().saw(Seen.GRANTED));
            does(session, one -> one.aftercare().judgeBy(Strictness.LENIENT));
            does(session, one -> one.aftercare().turn("ota-fails"));
            does(session, one -> one.aftercare().answer("update-ends", "in-the-recovery"));
            assertThat(view(session).proof().state()).isEqualTo(RootProof.State.PERMANENT);
            pick(session, "Hive 9");
            look(session);
            assertThat(view(session).timeline()).isEmpty();
            assertThat(view(session).notes()).isEqualTo(Notes.none());
        }
        try (Session session = open(top.resolve("demo"), "Hive 8")) {
            look(session);
            assertThat(view(session).timeline()).containsExactly(Seen.GRANTED, Seen.RESTART, Seen.GRANTED);
            assertThat(view(session).notes().strictness()).isEqualTo(Strictness.LENIENT);
            assertThat(view(session).notes().answers()).containsEntry("update-ends", "in-the-recovery");
            assertThat(view(session).diagnosis().causes().get(0).cause().id()).isEqualTo("custom-recovery-in-the-way");
            does(session, one -> one.aftercare().turn("ota-fails"));
            assertThat(view(session).notes().answers())
                    .as("without a symptom they are about nothing")
                    .isEmpty();
            does(session, Session::undo);
            look(session);
            assertThat(view(session).notes().answers()).hasSize(1);
        }
    }

    @Test
    void aJobSpeaksForItselfInProofAndComparison() throws Exception {
        try (Session session = openDemo("Hive 11")) {
            does(session, one -> one.readings().takeTyped(Fact.LOCK, "locked"));
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "stock"));
            does(session, one -> one.wish(Goal.RECOVERY));
            does(session, one -> one.job().start(desk(one).answer().plans().get(0)));
            walk(session);
            look(session);
            does(session, one -> one.job().end(Event.End.WORKED, "all well"));
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "custom"));
            does(session, one -> one.readings().takeTyped(Fact.BASEBAND, "J540-9.9.99"));
            look(session);
            AftercareView.JobOutcome outcome = view(session).jobs().get(0);
            assertThat(outcome.comparison().of(Comparison.Outcome.AS_PLANNED))
                    .extracting(Comparison.Change::fact)
                    .contains(Fact.RECOVERY);
            assertThat(outcome.comparison().of(Comparison.Outcome.UNEXPECTED))
                    .extracting(Comparison.Change::fact)
                    .containsExactly(Fact.BASEBAND);
            Path report = top.resolve("report.csv");
            does(session, one -> one.aftercare().saveReport(outcome.job(), report));
            assertThat(Files.readString(report)).contains(",worked,,").doesNotContain("Hive 11", "all well");
        }
    }

    /** As an honest person does it, gate by gate and step by step. */
    private void walk(Session session) throws Exception {
        while (job(session).next().isPresent()) {
            Step next = job(session).next().orElseThrow();
            next.gate()
                    .ifPresent(gate -> open(
                            session,
                            gate.fact(),
                            gate.atLeast()
                                    .map(String::valueOf)
                                    .orElseGet(() -> gate.is().get(0))));
            if (next.file().isPresent()
                    && desk(session).objectionToTick(job(session), next).isPresent()) {
                does(session, one -> one.job().override(next, "compared elsewhere"));
            }
            does(session, one -> one.job().tick(next, desk(one).confirmation()));
            assertThat(session.notice().get().filter(Notice::bad))
                    .as(next.title())
                    .isEmpty();
        }
    }

    @Test
    void whatAJobChangedIsPlannedBackAndWhatNeverComesBackIsSaid() throws Exception {
        try (Session session = openDemo("Hive 11")) {
            does(session, one -> one.readings().takeTyped(Fact.LOCK, "locked"));
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "stock"));
            does(session, one -> one.readings().takeTyped(Fact.WARRANTY_FUSE, "intact"));
            does(session, one -> one.wish(Goal.RECOVERY));
            look(session);
            assertThat(view(session).takingBack()).isEmpty();
            does(session, one -> one.job().start(desk(one).answer().plans().get(0)));
            walk(session);
            does(session, one -> one.job().end(Event.End.WORKED, ""));
            look(session);
            AftercareView.TakingBack back = view(session).takingBack().orElseThrow();
            assertThat(back.all())
                    .filteredOn(one -> one.fact() == Fact.RECOVERY)
                    .extracting(Takeback::standing)
                    .containsExactly(Takeback.Standing.BY_A_PLAN);
            assertThat(back.all())
                    .filteredOn(one -> one.standing() == Takeback.Standing.NEVER)
                    .as("the unlock wiped the data; a backup was noted on the way, so only that can be said")
                    .isEmpty();
            assertThat(back.all())
                    .filteredOn(one -> one.fact() == Fact.LOCK)
                    .extracting(Takeback::standing)
                    .as("no route locks it again")
                    .containsExactly(Takeback.Standing.NO_PLAN);
            Goal goal = back.goal().orElseThrow();
            assertThat(Goal.ofKey(goal.key())).contains(goal);
            assertThat(goal.key()).isEqualTo("as:recovery=stock");
            does(session, one -> one.wish(goal));
            does(session, one -> one.job().start(desk(one).answer().plans().get(0)));
            walk(session);
            does(session, one -> one.job().end(Event.End.WORKED, ""));
            assertThat(desk(session).identity().facts().value(Fact.RECOVERY)).contains("stock");
        }
    }

    private void open(Session session, Fact fact, String value) {
        try {
            does(session, one -> one.readings().takeTyped(fact, value));
        } catch (Exception failed) {
            throw new IllegalStateException(failed);
        }
    }

    @Test
    void aFileIsChangedOnlyWhereItIsSavedAndWhatIsWrongLeavesWhatLayOpen() throws Exception {
        try (Session session = openDemo("Hive 5")) {
            Path file = top.resolve("demo/bench/after/hive-05-system.prop");
            String before = Files.readString(file);
            does(session, one -> one.aftercare().change("a", "b", "c"));
            assertThat(session.notice().get()).map(Notice::text).contains("Open a property file first.");
            does(session, one -> one.aftercare().openProperties(file));
            does(session, one -> one.aftercare().save(top.resolve("nothing")));
            assertThat(session.notice().get()).map(Notice::text).contains("There is no change to save.");
            does(session, one -> one.aftercare().change("ro.tessaro.state.custom", "0", "2"));
            assertThat(status(session)).contains(PropertyPatch.Status.UNEXPECTED);
            does(session, one -> one.aftercare().change("ro.tessaro.state.custom", "0", "1"));
            assertThat(status(session)).contains(PropertyPatch.Status.PATCHED);
            does(session, one -> one.aftercare().bringBack());
            assertThat(session.notice().get())
                    .map(Notice::text)
                    .get()
                    .asString()
                    .contains("Take the file off the phone");
            does(session, one -> one.aftercare().saveDiff(top.resolve("x.diff")));
            assertThat(top.resolve("x.diff")).content().contains("+ro.tessaro.state.custom=0");
            does(session, one -> one.aftercare().save(top.resolve("nowhere/x.prop")));
            assertThat(session.notice().get().filter(Notice::bad)).isPresent();
            assertThat(view(session).notes().patches())
                    .as("what was not written is not kept")
                    .isEmpty();
            does(session, one -> one.aftercare().save(top.resolve("x.prop")));
            assertThat(view(session).notes().patches()).hasSize(1);
            assertThat(file).hasContent(before);
            does(session, one -> one.aftercare().openPasted("ro.tessaro.state.custom=0\n"));
            assertThat(view(session).file().flatMap(AftercareView.OpenFile::recognised))
                    .map(AftercareView.Recognised::applied)
                    .contains(true);
            does(session, one -> one.aftercare().putFileAway());
            assertThat(view(session).file()).isEmpty();
        }
    }

    private static Optional<PropertyPatch.Status> status(Session session) {
        return view(session).file().flatMap(AftercareView.OpenFile::patch).map(PropertyPatch::status);
    }

    @Test
    void whatMendsBecomesTheGoalAndACatalogueWithoutSymptomsStillServes() throws Exception {
        try (Session session = openDemo("Hive 11")) {
            does(session, one -> one.aftercare().turn("black-screen"));
            assertThat(view(session).diagnosis().next())
                    .as("first what may forbid the rest")
                    .map(next -> next.question().stop())
                    .contains(true);
            does(
                    session,
                    one -> one.aftercare()
                            .mend(
                                    "black-screen",
                                    desk(one).wish().school(),
                                    desk(one).wish().limits()));
            assertThat(desk(session).wish().goal().key()).isEqualTo("mend:black-screen");
            assertThat(desk(session).identity().facts().value(Fact.TROUBLE)).contains("black-screen");
            assertThat(desk(session).answer().plans()).isNotEmpty();
        }
        for (String kind : List.of("symptoms", "causes", "questions", "apps")) {
            PathUtils.deleteDirectory(top.resolve("demo/catalogue").resolve(kind));
        }
        try (Session session = open(top.resolve("demo"), "Hive 11")) {
            look(session);
            assertThat(view(session).known()).isEmpty();
            assertThat(view(session).diagnosis().causes()).isEmpty();
        }
    }
}
