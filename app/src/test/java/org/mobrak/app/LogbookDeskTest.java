package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.logbook.Backups;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.search.Hit;
import org.mobrak.core.logbook.transfer.Imported;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.proof.Seen;
import org.mobrak.core.proof.Strictness;

/** The logbook as a whole, without a window. */
class LogbookDeskTest extends DemoSessions {
    private static String told(Session session) {
        return session.notice().get().orElseThrow().text();
    }

    private static List<String> found(Session session) {
        return session.logbook().found().get().orElseThrow().hits().stream()
                .map(Hit::nickname)
                .distinct()
                .toList();
    }

    @Test
    void whatWasReadAMomentAgoIsFoundAndWithoutWordsTheSearchIsOver() throws Exception {
        Session session = openDemo("Hive 3");
        does(session, one -> one.logbook().search("kettle"));
        assertThat(found(session)).isEmpty();
        does(session, one -> one.readings().takePasted("Model number: OV-L210F\nBaseband version: KETTLE-7\n"));
        does(session, one -> one.logbook().search("kettle"));
        assertThat(found(session)).containsExactly("Hive 3, orchard wall");
        does(session, Session::undo);
        does(session, one -> one.logbook().search("kettle"));
        assertThat(found(session)).as("a text that was taken back").isEmpty();
        does(session, one -> one.logbook().search("  "));
        assertThat(session.logbook().found().get()).isEmpty();
        session.close();
    }

    @Test
    void whatIsNotedOfAPhoneGoesAlongWithIt() throws Exception {
        Session session = openDemo("Hive 3");
        does(session, one -> one.wish(Goal.RECOVERY));
        does(session, one -> one.aftercare().saw(Seen.ICON));
        Path zip = top.resolve("hive-3.zip");
        does(session, one -> one.logbook().export(zip, true, false));
        assertThat(told(session)).contains("with 1 phones");
        does(session, one -> one.logbook().export(top.resolve("no/folder/x.zip"), false, false));
        assertThat(told(session)).contains("its folder is not there");
        session.close();

        Path own = top.resolve("own");
        Workspace.create(own, List.of(top.resolve("demo/catalogue")));
        Session other = open(own, "nobody");
        does(other, one -> one.logbook().lookAt(zip));
        LogbookDesk.Offer offer = other.logbook().offer().get().orElseThrow();
        assertThat(offer.would().phones()).extracting(Imported.Phone::becomes).containsExactly(Imported.Becomes.NEW);
        does(other, one -> one.logbook().leave());
        assertThat(other.logbook().offer().get()).isEmpty();
        does(other, one -> one.logbook().take(Set.of()));
        assertThat(other.snapshot().get().drawer())
                .as("what was left is not taken")
                .isEmpty();
        does(other, one -> one.logbook().lookAt(zip));
        does(other, one -> one.logbook().take(Set.of()));
        pick(other, "Hive 3");
        assertThat(desk(other).wish().goal()).isEqualTo(Goal.RECOVERY);
        does(other, one -> one.aftercare().judgeBy(Strictness.LENIENT));
        assertThat(other.aftercare().view().get().orElseThrow().timeline()).containsExactly(Seen.ICON);
        other.close();
    }

    @Test
    void somebodysExportJoinsWhatIsHereAndUndoDoesNotReachBehindIt() throws Exception {
        Session session = openDemo("Hive 3");
        Path zip = top.resolve("demo.zip");
        does(session, one -> one.logbook().export(zip, false, false));
        does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "custom"));
        does(session, one -> one.logbook().lookAt(zip));
        assertThat(session.logbook().offer().get().orElseThrow().would().changesNothing())
                .as("all of it is here")
                .isTrue();
        does(session, one -> one.logbook().take(Set.of()));
        assertThat(told(session)).contains("0 rows");
        assertThat(session.snapshot().get().undo()).isEmpty();
        assertThat(desk(session).identity().facts().value(Fact.RECOVERY)).contains("custom");
        Path noZip = Files.writeString(top.resolve("no.zip"), "no zip");
        does(session, one -> one.logbook().lookAt(noZip));
        assertThat(told(session)).contains("is no zip");
        assertThat(session.logbook().offer().get()).isEmpty();
        session.close();
    }

    @Test
    void aCopyComesBackAndTheSessionGoesOn() throws Exception {
        Session session = openDemo("Hive 3");
        Path demo = top.resolve("demo");
        while (Backups.of(demo).isEmpty()) {
            Thread.sleep(1);
        }
        does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "custom"));
        Path copy = Backups.of(demo).get(0);
        does(session, one -> one.bringBack(demo.resolve("logbook.db")));
        assertThat(told(session)).contains("none of this workspace's copies");
        assertThat(desk(session).identity().facts().value(Fact.RECOVERY)).contains("custom");
        does(session, one -> one.bringBack(copy));
        assertThat(told(session)).contains("is as it was");
        pick(session, "Hive 3");
        assertThat(desk(session).identity().facts().value(Fact.RECOVERY)).isNotEqualTo(Optional.of("custom"));
        does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "custom"));
        assertThat(desk(session).identity().facts().value(Fact.RECOVERY)).contains("custom");
        does(session, one -> one.logbook().search("orchard"));
        assertThat(found(session)).contains("Hive 3, orchard wall");
        session.close();
    }
}
