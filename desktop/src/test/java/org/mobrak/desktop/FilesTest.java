package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Desk;
import org.mobrak.app.DrawerEntry;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.gather.GatherItem;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.Standing;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Plan;

/** Gathering and looking into files through the real window, with the files of the demo dropped on it. */
class FilesTest {
    private static final String RECOVERY = "key-recovery-l210.tar";

    @TempDir
    private Path top;

    private Path files;
    private Desktop desktop;

    @BeforeEach
    void openTheDemo() throws Exception {
        Path folder = top.resolve("demo");
        Demo.in(folder);
        files = folder.resolve("bench/files");
        desktop = Desktop.open(folder);
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().contains("orchard wall"));
        desktop.robot()
                .interact(() -> desktop.session().wish(Goal.ofKey("recovery").orElseThrow()));
        desktop.rest();
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT3);
    }

    @AfterEach
    void close() {
        desktop.close();
    }

    private Desk desk() {
        return desktop.session().snapshot().get().desk().orElseThrow();
    }

    private List<Kept> kept() {
        return desk().stock().kept();
    }

    private Standing standing(String title) {
        ListView<GatherItem> items = desktop.find("gather-items");
        return items.getItems().stream()
                .filter(item -> item.need().title().equals(title))
                .map(GatherItem::standing)
                .findFirst()
                .orElseThrow();
    }

    private void drop(String id, String... names) {
        desktop.drop(id, Stream.of(names).map(files::resolve).toArray(Path[]::new));
        desktop.rest();
    }

    @Test
    void filesDroppedOnTheListFindTheirPlaceByContent() {
        desktop.pick(
                "gather-items", GatherItem.class, item -> item.need().title().equals(RECOVERY));
        assertThat(standing(RECOVERY)).as("the download that broke off").isEqualTo(Standing.WRONG);
        desktop.assertShows("The route's file is 71,680 bytes long; this one is 28,672.");
        assertThat(desktop.text("gather-sums"))
                .contains("0 of 6 had, 1 wrong, 1 missing")
                .contains("under a minute");

        drop("gather-items", "l210_rec_FINAL(2).tar", "bench-flasher-3.07.zip");
        assertThat(standing(RECOVERY)).isEqualTo(Standing.HAVE);
        assertThat(standing("bench-flasher-3.07.zip")).isEqualTo(Standing.HAVE);
        assertThat(desktop.text("gather-sums")).startsWith("2 of 6 had, 4 unchecked");
        desktop.assertShows("Its SHA-256 is the one the route gives: it is that file, to the byte.");

        desktop.click("keep-for-job");
        Kept copy = kept().get(kept().size() - 1);
        assertThat(copy.path())
                .hasFileName("02 " + RECOVERY)
                .hasSameBinaryContentAs(files.resolve("l210_rec_FINAL(2).tar"));
        assertThat(copy.path().getParent().getFileName().toString()).contains("hive-3-orchard-wall, custom-recovery");
        desktop.assertShows("In the job's folder");
        assertThat(copy.path().resolveSibling("SHA256SUMS")).content().contains("  02 " + RECOVERY);

        drop("gather-detail", "l210_rec_FINAL(2).tar");
        desktop.assertShows("The same bytes lie at");

        desktop.pick(
                "gather-items", GatherItem.class, item -> item.need().title().startsWith("Cable"));
        desktop.click("have-it");
        assertThat(standing("Cable: data or factory")).isEqualTo(Standing.HAVE);
    }

    @Test
    void theSistersPackageIsStoppedOnTheTable() {
        desktop.click("face-table");
        drop("kept-files", "root-package-from-the-thread.zip");
        desktop.assertShows("It says it is for lantern2q: that is the OV-L215, another variant. Never write it");
        desktop.assertShows("It would write the bootloader (the script's package_extract_file)");
        assertThat(desktop.<Node>find("partition-strip").getAccessibleText()).contains("system, loader");
        assertThat(desktop.<Node>find("nest").getAccessibleText())
                .contains("6 parts in root-package-from-the-thread.zip");
        assertThat(desktop.<TextField>find("digest-sha256").getText()).hasSize(64);

        desktop.fill(
                "said-digest",
                "MD5: " + desktop.<TextField>find("digest-md5").getText().toUpperCase(Locale.ROOT));
        desktop.assertShows("The same as its MD5.");
        desktop.fill("said-digest", "root-package-from-the-thread.zip: " + "0".repeat(40));
        desktop.assertShows("Not the same as its SHA-1");
        desktop.fill("said-digest", "from the thread");
        desktop.assertShows("There is no checksum in that.");

        ComboBox<Kept> other = desktop.find("compare-with");
        Kept truncated = other.getItems().stream()
                .filter(file -> file.material().name().equals(RECOVERY))
                .findFirst()
                .orElseThrow();
        desktop.robot().interact(() -> other.setValue(truncated));
        desktop.rest();
        desktop.assertShows("Beside " + RECOVERY);

        desktop.press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(kept()).noneMatch(file -> file.material().name().startsWith("root-package"));
        desktop.assertShows("No file lies on the table");
    }

    @Test
    void aStockCopyIsRegisteredVerifiedAndFoundDamaged() throws IOException {
        desktop.click("face-copies");
        desktop.assertShows("No copy of the stock recovery is registered.");
        drop("come-back", "LN2-F09-131022-stock.tar.md5");
        desktop.click("face-table");
        MenuButton register = desktop.find("register-copy");
        desktop.robot().interact(() -> register.getItems().get(1).fire());
        desktop.rest();
        desktop.click("face-copies");
        desktop.assertShows("but nobody has looked whether it is still whole. Verify it.");

        desktop.pick(
                "stock-copies", StockCopy.class, copy -> copy.covers().word().equals("recovery"));
        desktop.click("verify-copy");
        desktop.assertShows("Back from “LN2-F09-131022-stock.tar.md5” (LN2-F09-131022), which is whole.");

        Path firmware = files.resolve("LN2-F09-131022-stock.tar.md5");
        byte[] bytes = Files.readAllBytes(firmware);
        bytes[100_000] ^= 1;
        var then = Files.getLastModifiedTime(firmware);
        Files.write(firmware, bytes);
        Files.setLastModifiedTime(firmware, then);
        desktop.click("verify-copy");
        desktop.assertShows("is damaged: its SHA-256 is another.");
        desktop.assertShows("Take another before you write.");
        desktop.click("unregister-copy");
        desktop.assertShows("No copy of the stock recovery is registered.");

        desktop.click("face-table");
        desktop.assertShows("It would write the bootloader (the member loader.img)");
        desktop.pick(
                "phones", DrawerEntry.class, entry -> entry.phone().nickname().contains("bean row"));
        desktop.assertShows("It would write “loader” (the member loader.img), and neither this phone's list");
    }

    @Test
    void aLargeFileShowsHowFarItIsAndCanBeLeft() throws IOException {
        Path large = top.resolve("firmware.bin");
        try (RandomAccessFile file = new RandomAccessFile(large.toFile(), "rw")) {
            file.setLength(40L << 30);
        }
        int before = kept().size();
        desktop.drop("gather-items", large);
        desktop.until("it says how far it is", () -> desktop.shows(" MB/s, "));
        assertThat(desktop.text("doing")).contains("Looking into firmware.bin");
        desktop.robot().clickOn("#cancel");
        desktop.rest();
        desktop.assertShows("Looking into firmware.bin was cancelled; nothing was changed.");
        assertThat(kept()).hasSize(before);
        drop("gather-items", "bench-flasher-3.07.zip");
        assertThat(kept()).hasSize(before + 1);
    }

    /** Nobody gave a checksum for the package; there is something in it of which nobody knows where it goes. */
    @Test
    void aFileThatWritesMoreAsksForMoreBattery() {
        desktop.robot().interact(() -> desktop.session().wish(Goal.ROOT));
        desktop.rest();
        ComboBox<Plan> plans = desktop.find("gather-plan");
        Plan wanted = plans.getItems().stream()
                .filter(plan -> plan.title().equals("Root package in download mode"))
                .findFirst()
                .orElseThrow();
        desktop.robot().interact(() -> plans.setValue(wanted));
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT2);
        desktop.assertShows("Root package in download mode");
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        assertThat(plans.getValue())
                .as("the plan chosen is the same on both pages")
                .isEqualTo(wanted);
        desktop.assertShows("0 of 6 there");
        assertThat(standing("Battery percent: at least 50")).isEqualTo(Standing.UNCHECKED);
        drop("gather-items", "lantern2-root-412.tar.md5");
        desktop.robot().interact(() -> desktop.session().job().start(wanted));
        desktop.rest();
        desktop.pick(
                "gather-items", GatherItem.class, item -> item.need().title().equals("Battery percent: at least 90"));
        desktop.assertShows("lantern2-root-412.tar.md5 writes a partition of unknown name");
        desktop.fill("bench-value", "64");
        TextField percent = desktop.find("bench-value");
        desktop.robot().interact(() -> percent.fireEvent(new ActionEvent()));
        desktop.rest();
        desktop.assertShows("Battery percent is 64; it must be 90 or more.");
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        desktop.assertShows("Battery percent: at least 90");
        var battery = desktop.runningJob()
                .orElseThrow()
                .sheet()
                .asking(Fact.BATTERY_PERCENT)
                .orElseThrow();
        desktop.runningJob()
                .orElseThrow()
                .sheet()
                .of(Phase.GATHER)
                .forEach(step ->
                        desktop.robot().interact(() -> desktop.session().job().tick(step)));
        desktop.rest();
        desktop.robot().interact(() -> desktop.session().job().tick(battery));
        desktop.rest();
        desktop.assertShows("Battery percent is 64; it must be 90 or more.");
        assertThat(desktop.runningJob().orElseThrow().isTicked(battery)).isFalse();
    }

    @Test
    void aFileIsTakenOnTrustOnlyWithAReasonThatIsKept() {
        desktop.robot()
                .interact(() ->
                        desktop.session().job().start(desk().answer().plans().get(0)));
        desktop.rest();
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        while (desktop.runningJob()
                .flatMap(Job::next)
                .flatMap(Step::file)
                .filter(file -> file.name().equals(RECOVERY))
                .isEmpty()) {
            desktop.tickNext();
        }
        long before = desktop.runningJob().orElseThrow().tickedCount();
        assertThat(desktop.find("tick").isDisabled()).isTrue();
        desktop.click("pass");
        desktop.fill("override-reason", "compared on another computer");
        desktop.click("override");
        desktop.assertShows("compared on another computer");
        desktop.click("tick");
        assertThat(desktop.runningJob().orElseThrow().tickedCount()).isEqualTo(before + 1);
    }

    @Test
    void aWrongFileKeepsItsStepFromBeingTicked() {
        desktop.robot()
                .interact(() ->
                        desktop.session().job().start(desk().answer().plans().get(0)));
        desktop.rest();
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        var step = desktop.runningJob().orElseThrow().sheet().steps().stream()
                .filter(one ->
                        one.file().filter(file -> file.name().equals(RECOVERY)).isPresent())
                .findFirst()
                .orElseThrow();
        desktop.robot().interact(() -> desktop.session().job().tick(step));
        desktop.rest();
        desktop.assertShows("The file on the bench is wrong:");
        assertThat(desktop.runningJob().orElseThrow().isTicked(step)).isFalse();
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT3);
        drop("gather-items", "l210_rec_FINAL(2).tar");
        desktop.robot().interact(() -> desktop.session().job().tick(step));
        desktop.rest();
        assertThat(desktop.runningJob().orElseThrow().isTicked(step)).isTrue();
        Spinner<Integer> rate = desktop.find("rate");
        desktop.robot().interact(() -> rate.getValueFactory().setValue(1));
        assertThat(desktop.text("gather-sums")).contains("how much there is to fetch is not known");
    }
}
