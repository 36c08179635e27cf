package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.mend.patch.PropertyLine;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.proof.RootProof;
import org.mobrak.core.proof.Rung;
import org.mobrak.core.proof.Seen;

/** What comes after the work, through the real window. */
class AfterTest {
    @TempDir
    private Path top;

    private Path demo;
    private Desktop desktop;

    @BeforeEach
    void openTheDemo() throws Exception {
        demo = top.resolve("demo");
        Demo.in(demo);
        desktop = Desktop.open(demo);
    }

    @AfterEach
    void close() {
        desktop.close();
    }

    private void lay(String nickname) {
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().startsWith(nickname + ","));
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT5);
        desktop.until("the page is filled", () -> desktop.shows("rung"));
    }

    private AftercareView view() {
        return desktop.session().aftercare().view().get().orElseThrow();
    }

    @Test
    void rootIsClimbedRungByRungAndUndoTakesANoteBack() {
        lay("Hive 8");
        assertThat(desktop.text("claim")).isEqualTo("Unknown");
        desktop.click("saw-icon");
        desktop.until(
                "an icon is no proof", () -> desktop.shows("An icon shows that an app was installed and no more."));
        desktop.click("saw-granted");
        desktop.until("temporary", () -> desktop.text("claim").equals("Temporary"));
        desktop.click("saw-restart");
        desktop.until("noted", () -> view().timeline().size() == 3);
        assertThat(desktop.text("claim")).isEqualTo("Temporary");
        desktop.click("saw-uid0");
        desktop.until("permanent", () -> desktop.text("claim").equals("Permanent"));
        desktop.press(KeyCode.CONTROL, KeyCode.Z);
        desktop.until("taken back", () -> desktop.text("claim").equals("Temporary"));
        desktop.fill("proof-words", "Root access: missing");
        desktop.robot().interact(() -> ((Button) desktop.find("take-proof-words")).fire());
        desktop.until("what the app says counts", () -> desktop.text("claim").equals("None"));
        desktop.press(KeyCode.CONTROL, KeyCode.Z);
        desktop.until("taken back", () -> desktop.text("claim").equals("Temporary"));
        desktop.click("proof-lenient");
        desktop.until("by the other school", () -> desktop.text("claim").equals("Permanent"));
        desktop.click("note-claim");
        desktop.until(
                "a reading",
                () -> desktop.session()
                        .snapshot()
                        .get()
                        .desk()
                        .flatMap(desk -> desk.identity().facts().value(Fact.ROOT))
                        .filter("permanent"::equals)
                        .isPresent());
    }

    @Test
    void aRefusedAppIsDiagnosedItsPropertyPatchedKnownAgainAndMadeAgainAfterAnUpdate() throws Exception {
        lay("Hive 5");
        desktop.click("face-trouble");
        desktop.fill("say-it", "my bank app will not start");
        desktop.click("symptom-app-refuses-custom-state");
        desktop.until("a question", () -> desktop.isShown("next-question"));
        desktop.until("the complaint is asked for", () -> desktop.isShown("answer-state-of-the-phone"));
        desktop.click("answer-state-of-the-phone");
        desktop.until(
                "the property leads",
                () -> view().diagnosis().causes().get(0).cause().id().equals("custom-state-property"));
        assertThat(desktop.isShown("mend-mend-custom-state")).isTrue();

        desktop.click("face-property");
        Path file = demo.resolve("bench/after/hive-05-system.prop");
        desktop.drop("property-lines", file);
        desktop.until("the file lies open", () -> view().file().isPresent());
        desktop.fill("search-keys", "state.custom=1");
        desktop.pick("property-lines", PropertyLine.class, line -> line.key().isPresent());
        assertThat(((TextField) desktop.find("patch-expected")).getText()).isEqualTo("1");
        desktop.fill("patch-value", "0");
        desktop.click("try-patch");
        desktop.until("what comes of it", () -> desktop.shows("One value changes, and nothing else"));
        Path changed = top.resolve("system.prop");
        desktop.robot().interact(() -> desktop.session().aftercare().save(changed));
        desktop.until("saved", () -> view().notes().patches().size() == 1);
        assertThat(Files.readString(changed))
                .isEqualTo(
                        Files.readString(file).replace("\nro.tessaro.state.custom=1", "\nro.tessaro.state.custom=0"));
        desktop.drop("property-lines", changed);
        desktop.until("known again", () -> desktop.shows("This file has your change"));
        desktop.drop("property-lines", file);
        desktop.until("gone with the update", () -> desktop.isShown("patch-again"));
        desktop.click("patch-again");
        desktop.until("made again", () -> desktop.isShown("save-patched"));
        Path binary = Files.write(top.resolve("boot.img"), new byte[100]);
        desktop.drop("property-lines", binary);
        desktop.until("refused", () -> desktop.shows("boot.img is no property file"));
        assertThat(view().file().orElseThrow().name()).as("what lay open stays").isEqualTo("hive-05-system.prop");
        desktop.click("put-property-away");
        desktop.until("put away", () -> view().file().isEmpty());
    }

    /** Plays the plan that is chosen, to its goal. */
    private void rehearse() {
        desktop.click("face-rehearsal");
        desktop.click("rehearse");
        desktop.until(
                "played to its goal",
                () -> desktop.session()
                        .rehearsals()
                        .report()
                        .get()
                        .filter(Report::reached)
                        .isPresent());
    }

    @Test
    void aPhoneIsPlannedBackToHowItWasAndTheWayBackIsRehearsed() {
        lay("Hive 7");
        desktop.click("face-back");
        desktop.until("what was changed", () -> desktop.shows("back to none by"));
        desktop.assertShows("It was not read before; this is the usual state.");
        desktop.click("plan-the-way-back");
        desktop.until("the ways are weighed", () -> desktop.isShown("face-rehearsal"));
        desktop.until(
                "a plan",
                () -> desktop.session()
                        .snapshot()
                        .get()
                        .desk()
                        .filter(desk -> desk.wish().goal().key().equals("as:root=none")
                                && !desk.answer().plans().isEmpty())
                        .isPresent());
        assertThat(((ComboBox<?>) desktop.find("goal")).getValue())
                .as("a goal that no list offers is shown all the same")
                .isEqualTo(Goal.ofKey("as:root=none").orElseThrow());
        rehearse();
    }

    @Test
    void aPhoneOnWhichNothingWasDoneSaysSo() {
        lay("Hive 8");
        desktop.click("face-back");
        desktop.assertShows("Nothing to take back");
        assertThat(desktop.isShown("plan-the-way-back")).isFalse();
    }

    @Test
    void whatMendsATroubleIsPlannedAndRehearsedLikeAnyOtherWay() {
        lay("Hive 7");
        desktop.robot().interact(() -> {
            desktop.session().readings().takeTyped(Fact.ROOT, "permanent");
            desktop.session().readings().takeTyped(Fact.ROOT_MANAGER, "present");
        });
        desktop.rest();
        desktop.click("face-trouble");
        desktop.robot().interact(() -> desktop.session().aftercare().turn("app-refuses-custom-state"));
        desktop.until("a mend", () -> desktop.isShown("mend-mend-custom-state"));
        desktop.robot().interact(() -> ((ButtonBase) desktop.find("mend-mend-custom-state")).fire());
        desktop.until("the ways are weighed", () -> desktop.isShown("face-rehearsal"));
        desktop.until(
                "a plan mends it",
                () -> desktop.session().snapshot().get().desk().orElseThrow().answer().plans().stream()
                        .anyMatch(plan -> plan.routes().stream()
                                .anyMatch(route -> route.id().equals("mend-custom-state"))));
        rehearse();
    }

    @Test
    void aPropertyIsTakenOffThePhoneChangedBroughtBackAndProvedByARestart() {
        lay("Hive 5");
        desktop.click("face-property");
        pull("the phone with the willow leaf");
        desktop.until("taken off", () -> view().file().isPresent());
        desktop.fill("search-keys", "state.custom=1");
        desktop.pick("property-lines", PropertyLine.class, line -> line.key().isPresent());
        desktop.fill("patch-value", "0");
        desktop.click("try-patch");
        desktop.until("to be brought back", () -> desktop.isShown("bring-back"));
        desktop.click("bring-back");
        desktop.until("proved", () -> desktop.shows("and proved: the phone says ro.tessaro.state.custom=0"));
        desktop.until("known again", () -> desktop.shows("This file has your change"));
        pull("the phone in the grey sock");
        desktop.until("off", () -> desktop.shows("It is switched off."));
        pull("the phone that lets nobody in");
        desktop.until("shut", () -> desktop.shows("Switch USB debugging on"));
        pull("the phone with the orange sticker");
        desktop.until("no such file", () -> desktop.shows("It has no file"));
    }

    /** Without a root binary nobody was asked, so there is no manager that denied anything. */
    @Test
    void aShellWithoutARootBinaryProvesNothing() {
        lay("Hive 3");
        desktop.click("face-proof");
        choose("ask-for-root", "the phone with the orange sticker");
        desktop.until("told", () -> desktop.shows("there is no root binary"));
        assertThat(view().timeline()).isEmpty();
    }

    @Test
    void aPhoneOnTheCableClimbsTheLadderByItselfAndNoOtherPhoneDoes() {
        lay("Hive 5");
        desktop.click("face-proof");
        choose("ask-for-root", "the phone with the orange sticker");
        desktop.until("another phone", () -> desktop.shows("Nothing was noted"));
        assertThat(view().proof().rung()).isZero();
        choose("ask-for-root", "the phone with the willow leaf");
        desktop.until("its highest user", () -> view().proof().rung() == Rung.SHELL.number());
        choose("restart-on-cable", "the phone with the willow leaf");
        desktop.until("restarted", () -> view().timeline().contains(Seen.RESTART));
        choose("ask-for-root", "the phone with the willow leaf");
        desktop.until("it lasts", () -> view().proof().state() == RootProof.State.PERMANENT);
    }

    private void pull(String phone) {
        choose("pull-properties", phone);
    }

    private void choose(String id, String phone) {
        MenuButton menu = desktop.find(id);
        desktop.robot()
                .interact(() -> menu.getItems().stream()
                        .filter(item -> item.getText().equals(phone))
                        .findFirst()
                        .orElseThrow()
                        .fire());
    }

    @Test
    void aRootThatNobodyGuardsIsFoundAndAWayWeighedThatClosesIt() {
        lay("Hive 12");
        desktop.robot().interact(() -> desktop.session().readings().takeTyped(Fact.ROOT_MANAGER, "none"));
        desktop.click("face-trouble");
        desktop.until(
                "shown by the facts",
                () -> view().diagnosis().symptoms().stream()
                        .anyMatch(one -> one.id().equals("root-without-manager")));
        assertThat(desktop.find("symptom-root-without-manager").isDisabled())
                .as("nobody can unsay it")
                .isTrue();
        desktop.click("mend-mend-install-manager");
        desktop.until(
                "weighed",
                () -> desktop.session()
                        .snapshot()
                        .get()
                        .desk()
                        .orElseThrow()
                        .wish()
                        .goal()
                        .equals(Goal.ofKey("mend:root-without-manager").orElseThrow()));
        desktop.until("on the page of ways", () -> desktop.shows("Install a root manager"));
    }

    @Test
    void appsThatAreGoneAreToldWithWhatReliedOnThem() {
        lay("Hive 5");
        desktop.click("face-apps");
        desktop.until("waits", () -> desktop.shows("Two listings are wanted"));
        Path after = demo.resolve("bench/after");
        desktop.drop("apps-before", after.resolve("hive-05-apps-before.txt"), after.resolve("hive-05-apps-after.txt"));
        desktop.until("compared", () -> desktop.isShown("apps-gone"));
        desktop.assertShows("org.tessaro.alarmservice");
        desktop.assertShows("These rely on it and may fail: org.tessaro.calendar, org.tessaro.clock.");
        desktop.assertShows("org.tessaro.updates");
        assertThat(List.of(view().apps().orElseThrow().changes().orElseThrow().disabled()))
                .isNotEmpty();
    }

    @Test
    void anEndedJobIsLaidBesideWhatWasReadSinceAndReported() throws Exception {
        lay("Hive 7");
        desktop.click("face-compare");
        desktop.until("nothing was read since", () -> desktop.shows("Nothing was read since"));
        desktop.robot().interact(() -> desktop.session().readings().takeTyped(Fact.ROOT, "permanent"));
        desktop.until("as meant", () -> desktop.shows("As meant"));
        desktop.robot().interact(() -> desktop.session().readings().takeTyped(Fact.KERNEL_RELEASE, "9.9.9-other"));
        desktop.until("not meant", () -> desktop.shows("The kernel was not among what was written."));
        Path report = top.resolve("report.csv");
        desktop.robot()
                .interact(() -> desktop.session()
                        .aftercare()
                        .saveReport(view().jobs().get(0).job(), report));
        desktop.until("saved", () -> Files.exists(report) && desktop.shows("Saved: "));
        String line = Files.readString(report).lines().skip(1).findFirst().orElseThrow();
        assertThat(line)
                .startsWith("wick-exploit-app,KQ-T5,")
                .contains(",worked,,")
                .doesNotContain("Hive", "heather", top.toString());
        int own = reports();
        Files.writeString(report, Files.readString(report).replace(",worked,,", ",failed,in the middle,"));
        desktop.robot().interact(() -> desktop.session().aftercare().takeReports(report));
        desktop.until("counts at once", () -> reports() == own + 1);
        desktop.press(KeyCode.CONTROL, KeyCode.Z);
        desktop.until("undone", () -> reports() == own);
        desktop.robot().interact(() -> desktop.session().aftercare().takeReports(demo.resolve("bench/drawer.yaml")));
        desktop.until("refused", () -> desktop.shows("drawer.yaml: "));
    }

    /** How many people reported of the demo's finished route, oneself included. */
    private int reports() {
        return desktop.session()
                .snapshot()
                .get()
                .desk()
                .orElseThrow()
                .catalogue()
                .route("wick-exploit-app")
                .orElseThrow()
                .reports()
                .size();
    }
}
