package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Catalogues;
import org.mobrak.app.Outlook;
import org.mobrak.app.Wish;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchTruth;

/** One's own hands: too short, too long, one key missing, the wrong one let go. */
class DrillTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    @TempDir
    private static Path cache;

    private static Outlook outlook;
    private static Drill.Lesson download;
    private static Drill.Lesson recovery;

    @BeforeAll
    static void findLessons() throws IOException {
        Catalogues catalogues = new Catalogues(HOME, cache);
        try (BenchFiles files = new BenchFiles()) {
            BenchTruth phone = catalogues.bench(List.of()).stream()
                    .filter(one -> one.id().equals("hive-06"))
                    .findFirst()
                    .orElseThrow();
            outlook = new Rehearsals(catalogues.load(List.of()).catalogue(), files)
                    .outlook(phone, new Wish(Goal.RECOVERY, Optional.empty(), Limits.none()));
        }
        List<Drill.Lesson> lessons =
                Drill.lessons(outlook.sheet(outlook.answer().plans().get(0)));
        download = lessons.stream()
                .filter(one -> one.target() == Mode.DOWNLOAD)
                .findFirst()
                .orElseThrow();
        recovery = lessons.stream()
                .filter(one -> one.target() == Mode.RECOVERY)
                .findFirst()
                .orElseThrow();
    }

    private static Drill holding(Drill.Lesson lesson, double seconds, Key... keys) {
        Drill drill = new Drill(outlook, lesson);
        for (Key key : keys) {
            drill.press(key);
        }
        drill.pass(seconds);
        return drill;
    }

    private static void letGo(Drill drill, Key... keys) {
        for (Key key : keys) {
            drill.release(key);
        }
    }

    @Test
    void aChordThatSitsLeadsThere() {
        Drill drill = holding(download, 2.5, Key.VOLUME_DOWN, Key.HOME, Key.POWER);
        assertThat(drill.screen()).isEqualTo("the warning");
        assertThat(drill.verdict()).contains("Now let go");
        letGo(drill, Key.VOLUME_DOWN, Key.HOME, Key.POWER);
        drill.press(Key.VOLUME_UP);
        assertThat(drill.isThere()).isTrue();
        assertThat(drill.verdict()).isEqualTo("That is it: the download screen.");
        drill.again();
        assertThat(drill.isOver()).isFalse();
        assertThat(drill.screen()).isEqualTo("dark");
    }

    @Test
    void handsThatSlipAreToldWhatTheyDid() {
        Drill early = holding(download, 1, Key.VOLUME_DOWN, Key.HOME, Key.POWER);
        letGo(early, Key.VOLUME_DOWN, Key.HOME, Key.POWER);
        assertThat(early.verdict()).isEqualTo("Nothing happened: volume-down was let go 1.0 s too early.");
        Drill without = holding(download, 1, Key.VOLUME_DOWN, Key.POWER);
        letGo(without, Key.VOLUME_DOWN, Key.POWER);
        assertThat(without.verdict()).isEqualTo("Nothing happened: home was missing.");
        Drill late = holding(download, 0.8, Key.VOLUME_DOWN, Key.POWER);
        late.press(Key.HOME);
        late.pass(1.5);
        letGo(late, Key.POWER, Key.HOME, Key.VOLUME_DOWN);
        assertThat(late.verdict()).isEqualTo("Nothing happened: volume-down was let go 0.5 s too early.");
        Drill back = holding(download, 2.5, Key.VOLUME_DOWN, Key.HOME, Key.POWER);
        letGo(back, Key.VOLUME_DOWN, Key.HOME, Key.POWER);
        back.press(Key.VOLUME_DOWN);
        assertThat(back.isThere()).isFalse();
        assertThat(back.verdict()).startsWith("It started as usual");
        assertThat(holding(download, 3, Key.POWER).verdict())
                .startsWith("It started as usual: volume-down was missing.");
        Drill other = holding(download, 2.5, Key.VOLUME_UP, Key.HOME, Key.POWER);
        letGo(other, Key.POWER);
        other.pass(3);
        assertThat(other.verdict()).startsWith("It went somewhere else: a recovery");
    }

    @Test
    void theRecoveryWantsOneKeyLetGoAtTheLogo() {
        Drill drill = holding(recovery, 2.5, Key.VOLUME_UP, Key.HOME, Key.POWER);
        assertThat(drill.screen()).isEqualTo("the logo");
        letGo(drill, Key.POWER);
        drill.pass(2.5);
        assertThat(drill.isThere()).isTrue();
        assertThat(drill.held()).as("the others are still down").containsExactlyInAnyOrder(Key.VOLUME_UP, Key.HOME);
    }

    /** Boxes as in a card file: what sits comes back after 1, 3, 7 and 21 days, what does not at once. */
    @Test
    void whatSitsIsAskedAgainAfterLongerAndLonger() {
        String chord = KeyChord.parse("hold volume-up + power for 3 s").text();
        LocalDate day = LocalDate.of(2026, 11, 26);
        DrillRecords records = DrillRecords.none();
        assertThat(records.isDue(chord, day)).as("never tried").isTrue();
        for (int days : List.of(1, 3, 7, 21, 21)) {
            records = records.after(chord, true, day);
            assertThat(records.of(chord).orElseThrow().due()).isEqualTo(day.plusDays(days));
            assertThat(records.isDue(chord, day.plusDays(days - 1))).isFalse();
            assertThat(records.isDue(chord, day.plusDays(days))).isTrue();
        }
        DrillRecords missed = records.after(chord, false, day);
        assertThat(missed.isDue(chord, day)).isTrue();
        assertThat(missed.of(chord)).contains(new DrillRecord(0, day, 6, 5));
        assertThat(DrillRecords.parse(missed.text())).isEqualTo(missed);
        assertThat(DrillRecords.parse("hold power\t9\t2026-11-26\t1\t1\nno line\n" + missed.text()))
                .as("what cannot be read is forgotten")
                .isEqualTo(missed);
    }
}
