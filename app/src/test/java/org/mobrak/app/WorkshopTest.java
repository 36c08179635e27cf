package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.workshop.Since;
import org.mobrak.app.workshop.WorkshopView;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.learn.GrammarProposal;
import org.mobrak.core.learn.GuideView;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.Questions;
import org.mobrak.core.learn.form.Saying;
import org.mobrak.core.learn.reading.Understood;
import org.mobrak.core.plan.Goal;

/** From a guide for a phone that no catalogue knows to a plan. */
class WorkshopTest extends DemoSessions {
    private static final String GUIDE = """
            Permanent root for the Wren 2

            Model numbers: KQ-W21, KQ-W21B. OS version 4.2.2 only.
            Not for KQ-W29, that one has another chipset.

            You need
            - battery at least 50%
            - USB debugging on

            Files
            wren2-kernel.tar.md5
            MD5: 9f86d081884c7d659a2feaa0c55ad015

            Steps
            1. Switch the phone off completely.
            2. Hold volume down + home + power until a warning appears, press volume up.
            3. Write wren2-kernel.tar.md5 in download mode.
            4. Restart and check that root is there with a proof app.
            """;

    private static WorkshopView view(Session session) {
        return session.workshop().view().get().orElseThrow();
    }

    private static WorkshopView.OnTable draft(Session session) {
        return view(session).draft().orElseThrow();
    }

    private void fill(Session session, String field, String value) throws Exception {
        does(session, one -> one.workshop().change(field, value, false));
    }

    private static List<String> open(Session session) {
        return draft(session).open().stream().map(Questions.Question::field).toList();
    }

    private static List<String> routes(Session session) {
        return desk(session).catalogue().routes().stream().map(Route::id).toList();
    }

    @Test
    void aGuideForAnUnknownPhoneIsReadAnsweredTriedConfirmedPlannedAndTakenBack() throws Exception {
        Session first = openDemo("Hive 3");
        does(first, one -> one.addPhone("Grandmother's"));
        does(
                first,
                one -> one.readings()
                        .takePasted("Model number: KQ-W21\nOS version: 4.2.2\nBuild number: WREN2.0312\n"));
        does(first, one -> one.wish(Goal.ROOT));
        assertThat(desk(first).answer().plans()).isEmpty();
        does(first, one -> one.workshop().readPasted(GUIDE));

        assertThat(view(first).drafts()).containsExactly("Permanent root for the Wren 2");
        assertThat(view(first).guide().lines().get(2).marks())
                .as("what was understood, in the text")
                .extracting(mark -> view(first).guide().lines().get(2).text().substring(mark.start(), mark.end()))
                .containsExactly("KQ-W21", "KQ-W21B", "4.2.2");
        assertThat(draft(first).form().field("models").orElseThrow().value()).isEqualTo("KQ-W21\nKQ-W21B");
        assertThat(draft(first).form().field("excludedModels").orElseThrow().value())
                .isEqualTo("KQ-W29");
        assertThat(draft(first)
                        .form()
                        .field("file:0:md5")
                        .orElseThrow()
                        .read()
                        .map(Lesson.Evidence::line)
                        .orElseThrow())
                .isEqualTo(12);
        assertThat(open(first))
                .as("what a safe route needs, and what its sheet would not say")
                .containsExactly("wipesData", "costs:handsOn", "file:0:slot");
        assertThat(draft(first).newModels()).containsExactly("KQ-W21", "KQ-W21B");

        does(first, one -> one.workshop().confirm(false));
        assertThat(first.notice().get().orElseThrow().text()).contains("3 open questions");
        fill(first, "costs:handsOn", "ten");
        assertThat(first.notice().get().orElseThrow().text()).contains("no whole number");
        fill(first, "costs:handsOn", "5 10 20");
        fill(first, "costs:waiting", "4");
        fill(first, "wipesData", "no");
        fill(first, "file:0:slot", "KERNEL");
        does(first, one -> one.workshop().call("Kestrin", "Wren 2", false));
        assertThat(open(first)).isEmpty();
        assertThat(draft(first).faults()).isEmpty();
        assertThat(draft(first).phones())
                .filteredOn(phone -> phone.nickname().startsWith("Grandmother"))
                .extracting(WorkshopView.OnPhone::verdict)
                .containsExactly(Verdict.FITS);
        assertThat(draft(first).trial().orElseThrow().steps()).isNotEmpty();
        does(first, one -> one.workshop().rehearse(1, Person.CAREFUL));
        assertThat(first.workshop().report().get().orElseThrow().reached()).isTrue();

        does(first, one -> one.workshop().saveDraft());
        String id = "permanent-root-for-the-wren-2";
        Path file = top.resolve("demo/catalogue/routes/" + id + ".yaml");
        assertThat(file).content().contains("draft: true");
        assertThat(routes(first)).as("a draft is never planned with").doesNotContain(id);
        first.close();
        Session session = open(top.resolve("demo"), "Grandmother's");
        does(session, one -> one.workshop().choose(0));
        assertThat(open(session)).as("nothing that was answered is lost").isEmpty();

        does(session, one -> one.workshop().confirm(false));
        assertThat(routes(session)).contains(id);
        assertThat(desk(session).answer().plans().get(0).routes())
                .extracting(Route::id)
                .contains(id);
        assertThat(desk(session)
                        .catalogue()
                        .phone("KQ-W21B")
                        .orElseThrow()
                        .family()
                        .shopName())
                .isEqualTo("Wren 2");
        does(session, Session::undo);
        assertThat(routes(session)).doesNotContain(id);
        assertThat(file).content().contains("draft: true");
        does(session, Session::redo);
        assertThat(routes(session)).contains(id);

        does(session, one -> one.workshop().open(id));
        fill(session, "step:0:sign", "The screen is black.");
        does(session, one -> one.workshop().confirm(false));
        assertThat(file).content().contains("The screen is black.");
        session.close();
    }

    /** A guide read again shows what is otherwise; lines that nobody understood are looked at before it counts. */
    @Test
    void whatWasNotUnderstoodStandsInTheWayAndAThreadReadAgainShowsWhatIsNew() throws Exception {
        Session session = openDemo("Hive 3");
        String guide = """
                Root for the QV-31 without a computer

                OS version 4.4.2. Battery at least 50 %.
                qv-root.apk, md5 9f86d081884c7d659a2feaa0c55ad015

                1. Install qv-root.apk
                2. Open it and tap root
                3. Wait 2 minutes

                You must have the blue rabbit beside the phone.
                It needs a rainy day.
                """;
        does(session, one -> one.workshop().readPasted(guide));
        assertThat(view(session).unplaced()).extracting(GuideView.Line::number).containsExactly(10, 11);
        assertThat(view(session).guide().lines().get(6).role()).isEqualTo(Understood.Role.STEP);
        assertThat(view(session).since().isNothing()).isTrue();

        does(session, one -> one.workshop().confirm(false));
        assertThat(session.notice().get().orElseThrow().text()).contains("2 lines", "line 10");
        String file = view(session).unplaced().get(0).file();
        does(session, one -> one.workshop().say(Saying.DANGER, "the blue rabbit", file, 10));
        assertThat(view(session).unplaced())
                .as("what was placed is no longer in the way")
                .extracting(GuideView.Line::number)
                .containsExactly(11);
        does(session, one -> one.workshop().waveOff(file, 11));
        assertThat(view(session).unplaced()).isEmpty();
        does(session, Session::undo);
        does(session, one -> one.workshop().choose(0));
        assertThat(view(session).unplaced()).hasSize(1);
        does(session, one -> one.workshop().waveOffAll());
        does(session, one -> one.workshop().confirm(false));
        assertThat(session.notice().get().orElseThrow().text()).contains("open questions");

        does(session, one -> one.workshop().answer("costs:waiting", "Wait 2 minutes", file, 8));
        assertThat(draft(session).form().field("costs:waiting").orElseThrow().value())
                .as("words of the text answer a question")
                .startsWith("2");

        does(session, one -> one.workshop().readPasted(guide + "EDIT: not for the QV-33.\n"));
        assertThat(view(session).since().fresh())
                .extracting(Since.Fresh::text)
                .containsExactly("EDIT: not for the QV-33.");
        assertThat(view(session).since().gone()).isEmpty();
        assertThat(draft(session).form().field("excludedModels").orElseThrow().value())
                .isEqualTo("QV-33");
        does(session, one -> one.workshop().readPasted("Recovery for the AB-10\n\n1. Write ab.img\n2. Start it\n"));
        assertThat(view(session).since().isNothing()).as("another guide").isTrue();
        session.close();
    }

    @Test
    void aTableOfFourHundredModelsBecomesOneRouteThatKnowsThemAll() throws Exception {
        String rows = IntStream.range(0, 400)
                .mapToObj(row -> "KQ-T%03d,4.4.2".formatted(row))
                .collect(Collectors.joining("\n"));
        Path table = Files.writeString(
                top.resolve("list.csv"),
                "Permanent root with tern-kernel.tar, MD5 9f86d081884c7d659a2feaa0c55ad015\nmodel,OS version\n" + rows
                        + "\n\nSteps:\n1. Write tern-kernel.tar in download mode.\n2. Check root with a proof app.\n");
        Session session = openDemo("Hive 3");
        does(session, one -> one.workshop().readFiles(List.of(table)));
        assertThat(draft(session).form().field("models").orElseThrow().value().lines())
                .hasSize(400);
        for (String field : open(session)) {
            does(session, one -> one.workshop().leaveOpen(field, false));
        }
        fill(session, "writes", "kernel");
        fill(session, "effect:root", "permanent");
        fill(session, "costs:handsOn", "5");
        fill(session, "costs:waiting", "5");
        does(session, one -> one.workshop().confirm(false));
        assertThat(session.notice().get().orElseThrow().text()).contains("planned with");
        assertThat(desk(session).catalogue().phone("KQ-T399")).isPresent();
        does(session, one -> one.addPhone("Tern"));
        does(
                session,
                one -> one.readings().takePasted("Model number: KQ-T217\nOS version: 4.4.2\nBuild number: TERN.1\n"));
        assertThat(desk(session).answer().plans()).isNotEmpty();
        session.close();
    }

    @Test
    void whatTeachesNothingAndWhatWouldKillIsTold() throws Exception {
        Session session = openDemo("Hive 3");
        does(session, one -> one.workshop().readPasted("The rain fell softly on the heather.\nNobody came."));
        assertThat(view(session).draft()).isEmpty();
        assertThat(view(session).warnings()).extracting(Lesson.Warning::code).containsExactly("nothing-learnt");
        does(
                session,
                one -> one.workshop()
                        .readPasted(GUIDE.replace("wren2-kernel", "wren2-bootloader")
                                .replace("MD5: 9f86d081884c7d659a2feaa0c55ad015\n", "")));
        fill(session, "writes", "bootloader");
        for (String field : open(session)) {
            does(session, one -> one.workshop().leaveOpen(field, false));
        }
        fill(session, "costs:handsOn", "5");
        fill(session, "costs:waiting", "5");
        does(session, one -> one.workshop().confirm(false));
        assertThat(session.notice().get().orElseThrow().text()).contains("Without a checksum it stays a draft");
        assertThat(session.notice().get().orElseThrow().bad()).isTrue();
        session.close();
    }

    private static final String PAIR = """
            Two files, two phones
            Root the Ruff 2 (RF-20): ruff2-kernel.tar, md5 b6d81b360a5672d80c27430f39153e2c
            Root the Ruff 2 S (RF-20S): ruff2s-kernel.tar, md5 31c13f47ad87dd7baa2d558a91e0fbb9
            Both: OS 4.4, battery 50% at least.
            1. Write the file for your phone in download mode.
            2. Check root with a proof app.
            """;

    @Test
    void whatIsForAllDraftsIsSaidOnceAndAllAreConfirmedOrNone() throws Exception {
        Session session = openDemo("Hive 3");
        does(session, one -> one.workshop().readPasted(PAIR));
        assertThat(view(session).drafts()).hasSize(2);
        does(session, one -> one.workshop().choose(1));
        assertThat(draft(session).form().field("models").orElseThrow().value()).isEqualTo("RF-20S");
        for (String field : open(session)) {
            does(session, one -> one.workshop().leaveOpen(field, true));
        }
        does(session, one -> one.workshop().change("effect:root", "permanent", true));
        does(session, one -> one.workshop().change("costs:handsOn", "5", true));
        does(session, one -> one.workshop().change("costs:waiting", "5", true));
        does(session, one -> one.workshop().call("Kestrin", "Ruff", true));
        fill(session, "file:0:md5", "not a sum");
        does(session, one -> one.workshop().confirm(true));
        assertThat(session.notice().get().orElseThrow().text()).contains("is not sound yet");
        try (var routes = Files.list(top.resolve("demo/catalogue/routes"))) {
            assertThat(routes.map(file -> file.getFileName().toString()))
                    .as("neither of them is there")
                    .noneMatch(name -> name.startsWith("two-files"));
        }
        fill(session, "file:0:md5", "31c13f47ad87dd7baa2d558a91e0fbb9");
        does(session, one -> one.workshop().confirm(true));
        assertThat(session.notice().get().orElseThrow().text()).contains("2 routes are");
        assertThat(desk(session)
                        .catalogue()
                        .phone("RF-20")
                        .orElseThrow()
                        .family()
                        .shopName())
                .isEqualTo("Ruff");
        assertThat(desk(session).catalogue().phone("RF-20S")).isPresent();
        does(session, Session::undo);
        assertThat(desk(session).catalogue().phone("RF-20S")).isEmpty();
        session.close();
    }

    @Test
    void whatTheCatalogueHasAlreadyIsToldAndNoFileIsWrittenOver() throws Exception {
        Session session = openDemo("Hive 3");
        Route known = desk(session).catalogue().routes().stream()
                .filter(route -> !route.fits().phones().isEmpty()
                        && "custom".equals(route.changes().effects().get(Fact.RECOVERY)))
                .findFirst()
                .orElseThrow();
        String model = known.fits().phones().get(0).model();
        does(
                session,
                one -> one.workshop()
                        .readPasted(
                                "Custom recovery for " + model
                                        + "\nOS 4.4\n1. Write rec.tar in download mode.\n2. Go straight into the new recovery.\n"));
        assertThat(draft(session).alike())
                .anyMatch(words -> words.contains(known.name()) && words.contains("other files"));
        String id = draft(session)
                .form()
                .field("name")
                .orElseThrow()
                .value()
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-");
        Path taken = Files.writeString(top.resolve("demo/catalogue/routes/" + id + ".yaml"), "id: somebody-elses\n");
        does(session, one -> one.workshop().saveDraft());
        assertThat(taken).content().isEqualTo("id: somebody-elses\n");
        assertThat(top.resolve("demo/catalogue/routes/" + id + "-2.yaml"))
                .content()
                .contains("draft: true");
        does(session, Session::undo);
        assertThat(top.resolve("demo/catalogue/routes/" + id + "-2.yaml")).doesNotExist();
        Path copy = top.resolve("for-a-friend.yaml");
        does(session, one -> one.workshop().export(copy));
        assertThat(copy).content().contains(model);
        does(session, Session::undo);
        does(session, one -> one.workshop().change("name", "x", false));
        assertThat(session.notice().get().orElseThrow().text()).contains("Paste a guide first");
        does(session, one -> one.workshop().open("no-such-route"));
        assertThat(session.notice().get().orElseThrow().text()).contains("has no route");
        session.close();
    }

    private static String told(Session session) {
        return session.notice().get().orElseThrow().text();
    }

    @Test
    void buildNumbersAndPhonesThatCannotComeInAreRefusedWithTheReason() throws Exception {
        Session session = openDemo("Hive 3");
        does(session, one -> one.workshop().keepGrammar("Lowmere", "buildNumber"));
        assertThat(told(session)).contains("Take some build numbers apart first");
        does(session, one -> one.workshop().takeApart(List.of("A-1", "A-2")));
        assertThat(told(session)).contains("at least three");
        does(session, one -> one.workshop().takeApart(List.of("LW4-E02-131105", "LW4-F07-140212", "LW4-E11-140630")));
        GrammarProposal proposal = session.workshop().proposal().get().orElseThrow();
        int revision = proposal.segments().stream()
                .map(GrammarProposal.Segment::role)
                .toList()
                .indexOf(Role.OTHER);
        does(session, one -> one.workshop().isOf(revision, Role.BOOTLOADER_REVISION));
        does(session, one -> one.workshop().keepGrammar("", "buildNumber"));
        assertThat(told(session)).contains("Say whose build numbers these are");
        does(session, one -> one.workshop().keepGrammar("Lowmere", "buildNumber"));
        assertThat(told(session)).contains("lowmere-buildnumber");
        assertThat(top.resolve("demo/catalogue/grammars/lowmere-buildnumber.yaml"))
                .content()
                .contains("bootloader_revision");
        does(session, Session::undo);
        assertThat(top.resolve("demo/catalogue/grammars/lowmere-buildnumber.yaml"))
                .doesNotExist();

        does(session, one -> one.workshop().addPhone("Kestrin", "Wren"));
        assertThat(told(session)).as("the demo knows it").contains("knows OV-L210F already");
        does(session, one -> one.addPhone("Nobody knows"));
        does(session, one -> one.workshop().addPhone("Kestrin", "Wren"));
        assertThat(told(session)).contains("model number is not known");
        does(session, one -> one.readings().takePasted("Model number: LW-9\nBuild number: LW9-E02-131105\n"));
        does(session, one -> one.workshop().addPhone("", "Wader"));
        assertThat(told(session)).contains("Say the phone's maker");
        does(session, one -> one.workshop().addPhone("Lowmere", "Wader"));
        assertThat(told(session)).contains("LW-9 is in the catalogue now");
        assertThat(desk(session)
                        .catalogue()
                        .phone("LW-9")
                        .orElseThrow()
                        .family()
                        .maker())
                .isEqualTo("Lowmere");
        session.close();
    }

    @Test
    void anEntryAsTextIsCheckedBeforeItIsSavedAndUndoBringsItBack() throws Exception {
        Session session = openDemo("Hive 3");
        does(session, one -> one.workshop().listEntries());
        assertThat(session.workshop().entries().get())
                .hasSizeGreaterThan(100)
                .anyMatch(name -> name.startsWith("phones/"))
                .anyMatch(name -> name.startsWith("causes/"));
        String name = session.workshop().entries().get().stream()
                .filter(one -> one.startsWith("phones/"))
                .findFirst()
                .orElseThrow();
        Path file = top.resolve("demo/catalogue").resolve(name);
        String before = Files.readString(file);
        does(session, one -> one.workshop().openText(name));
        assertThat(session.workshop().entry().get().orElseThrow().text()).isEqualTo(before);
        assertThat(session.workshop().entry().get().orElseThrow().isRoute()).isFalse();
        does(session, one -> one.workshop().saveText(name, before.replace("maker:", "makre:")));
        assertThat(told(session)).startsWith("Not saved: " + name);
        assertThat(file).content().isEqualTo(before);
        does(session, one -> one.workshop().saveText(name, before + "# seen\n"));
        assertThat(file).content().endsWith("# seen\n");
        does(session, Session::undo);
        assertThat(file).content().isEqualTo(before);
        does(session, Session::redo);
        assertThat(file).content().endsWith("# seen\n");
        does(session, one -> one.workshop().exportText("text", top.resolve("copy.yaml")));
        assertThat(top.resolve("copy.yaml")).content().isEqualTo("text");
        does(session, one -> one.workshop().openText("phones/no-such.yaml"));
        assertThat(session.notice().get().orElseThrow().bad()).isTrue();
        session.close();
    }

    /** What recordings do not agree on is open beside the text until somebody decides it; taking a step out decides it too. */
    @Test
    void recordingsLaidSideBySideAskWhatTheyDoNotAgreeOn() throws Exception {
        Path careful = Files.writeString(top.resolve("careful.txt"), """
                0:02 root for the Wren 2, model KQ-W21, system 4.2.2
                0:10 copy wren-root.zip to the card and leave it zipped
                0:20 battery at fifty percent at least
                0:30 hold volume up and power until the bird, that is the recovery
                0:50 install from card, pick wren-root.zip
                1:10 it takes two minutes
                3:30 reboot the phone and check with the root app
                """);
        Path other = Files.writeString(top.resolve("other.txt"), """
                0:01 the KQ-W21 again, 4.2.2
                0:12 copy wren-root.zip to the card, leave it zipped
                0:20 battery at seventy percent at least
                0:40 hold volume down and power until the bird, that is the recovery
                0:55 install from card, pick wren-root.zip
                1:20 it takes five minutes
                3:10 wipe the cache in the recovery
                6:40 reboot the phone and check with the root app
                """);
        Session session = openDemo("Hive 3");
        does(session, one -> one.workshop().readFiles(List.of(careful, other)));
        assertThat(view(session).drafts()).hasSize(1);
        Map<String, String> asked = draft(session).open().stream()
                .collect(Collectors.toMap(Questions.Question::field, Questions.Question::ask));
        assertThat(asked.get("gate:batteryPercent")).contains("50 (careful.txt)", "70 (other.txt)");
        String keys = asked.keySet().stream()
                .filter(field -> field.endsWith(":keys"))
                .findFirst()
                .orElseThrow();
        assertThat(asked.get(keys))
                .contains("volume-up + power", "volume-down + power", "careful.txt at 0:30", "other.txt at 0:40");
        String wipe = asked.entrySet().stream()
                .filter(one -> one.getValue().contains("other.txt at 3:10"))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();

        does(session, one -> one.workshop().takeOut(wipe));
        fill(session, "gate:batteryPercent", "60");
        assertThat(draft(session).open())
                .extracting(Questions.Question::ask)
                .noneMatch(ask -> ask.contains("other.txt at 3:10") || ask.contains("70 (other.txt)"));
        does(session, one -> one.workshop().leaveOpen(keys, false));
        assertThat(open(session)).doesNotContain(keys);
        session.close();
    }
}
