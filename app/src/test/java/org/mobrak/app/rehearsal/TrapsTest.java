package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.app.Catalogues;
import org.mobrak.app.Outlook;
import org.mobrak.app.Wish;
import org.mobrak.app.rehearsal.Report.End;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.link.bench.BenchTruth;

/** The traps of the trade, each met on the bench: what it looks like, what notices it, and how it ends. */
class TrapsTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    @TempDir
    private static Path cache;

    private static Catalogues catalogues;
    private static BenchFiles files;
    private static Rehearsals rehearsals;

    @BeforeAll
    static void layOut() throws IOException {
        catalogues = new Catalogues(HOME, cache);
        files = new BenchFiles();
        rehearsals = new Rehearsals(catalogues.load(List.of()).catalogue(), files);
    }

    @AfterAll
    static void putAway() throws IOException {
        files.close();
    }

    private static Report rehearse(String id, String goal, Person person, Fault... faults) throws IOException {
        BenchTruth phone = catalogues.bench(List.of()).stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow();
        Outlook outlook =
                rehearsals.outlook(phone, new Wish(Goal.ofKey(goal).orElseThrow(), Optional.empty(), Limits.none()));
        Setting setting = new Setting(outlook, outlook.answer().plans().get(0), phone);
        List<Fault.At> at = List.of(faults).stream()
                .map(fault -> new Fault.At(fault, Optional.empty()))
                .toList();
        return rehearsals.rehearse(setting, 5, at, person);
    }

    /** The sheet goes straight into it, and leaves it so that it stays. */
    @Test
    void aRecoveryThatTheStockSystemWouldPutBackStays() throws IOException {
        Report report = rehearse("hive-06", "recovery", Person.CAREFUL, Fault.STOCK_RECOVERY_RETURNS);
        assertThat(report.end()).isEqualTo(End.GOAL);
        assertThat(report.events())
                .extracting(Report.Happened::text)
                .contains("the custom recovery’s screen", "the usual start screen")
                .doesNotContain("the stock recovery’s screen");
    }

    @Test
    void aRecoveryThatTheStockSystemHasPutBackIsWrittenAgainAsTheCardSays() throws IOException {
        Report report =
                rehearse("hive-06", "recovery", Person.CAREFUL, Fault.STOCK_RECOVERY_RETURNS, Fault.RESTARTS_BY_ITSELF);
        assertThat(report.end()).as("%s", report.events()).isEqualTo(End.GOAL);
        assertThat(report.caught()).anyMatch(by -> by.startsWith("sign: ") && by.contains("ecovery"));
        assertThat(report.events())
                .extracting(Report.Happened::text)
                .contains("the stock recovery’s screen", "the custom recovery’s screen");
    }

    @ParameterizedTest
    @CsvSource({
        "LOW_BATTERY, recovery, gate: Battery percent",
        "DRIVER_MISSING, recovery, sign: ",
        "CABLE_DROP, recovery, sign: ",
        "DAMAGED_FILE, recovery, file check: ",
        "WRONG_VARIANT_FILE, recovery, file check: ",
        "KEYS_WRONG, recovery, sign: ",
        "BLACK_SCREEN, recovery, sign: ",
        "LOOPS_AT_LOGO, recovery, sign: "
    })
    void eachFaultIsNoticedAndTheGoalReachedAllTheSame(Fault fault, String goal, String by) throws IOException {
        Report report = rehearse("hive-06", goal, Person.CAREFUL, fault);
        assertThat(report.end()).as("%s", report.events()).isEqualTo(End.GOAL);
        assertThat(report.events()).extracting(Report.Happened::kind).contains("fault");
        if (fault != Fault.BLACK_SCREEN) {
            assertThat(report.caught()).as("%s", report.events()).anyMatch(one -> one.startsWith(by));
        }
        assertThat(report.facts()).containsEntry(Fact.RECOVERY, "custom").containsEntry(Fact.WARRANTY_FUSE, "blown");
    }

    @Test
    void aSwollenBatteryAndAWrongLabelStopTheWorkBeforeAnythingIsWritten() throws IOException {
        Report label = rehearse("hive-08", "stock", Person.CAREFUL);
        assertThat(label.end()).isEqualTo(End.STOPPED_AT_GATE);
        assertThat(label.facts()).containsEntry(Fact.ROOT, "permanent");
        assertThat(label.caught()).anyMatch(by -> by.startsWith("gate: Model number"));
    }

    @Test
    void timeGoesByAndTheBatteryWithIt() throws IOException {
        Report report = rehearse("hive-11", "root", Person.CAREFUL);
        assertThat(report.end()).isEqualTo(End.GOAL);
        assertThat(report.minutes()).isGreaterThan(10);
        assertThat(report.events()).isSortedAccordingTo((one, other) -> Double.compare(one.seconds(), other.seconds()));
        assertThat(Integer.parseInt(report.facts().get(Fact.BATTERY_PERCENT))).isBetween(1, 100);
        assertThat(report.facts()).containsEntry(Fact.LOCK, "unlocked").containsEntry(Fact.ROOT, "permanent");
    }
}
