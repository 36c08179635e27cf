package org.mobrak.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** What is known after a route, row by row of its definition. */
class AftermathTest {
    private static final Facts BEFORE = facts(
            "osVersion=4.1.2",
            "buildNumber=B1",
            "buildId=JZO54K",
            "incremental=7",
            "fingerprint=a/b/c:4.1.2/JZO54K/7:user/release-keys",
            "patchLevel=2016-01-01",
            "buildDate=2013-10-22",
            "kernelRelease=3.0.31",
            "kernelBuilt=2013-10-22",
            "kernelKind=stock",
            "baseband=R1",
            "bootloader=L1",
            "recovery=stock",
            "root=permanent",
            "lock=unlocked");

    @ParameterizedTest
    @CsvSource({
        "SYSTEM, osVersion buildNumber buildId incremental fingerprint patchLevel buildDate",
        "KERNEL, kernelRelease kernelBuilt kernelKind",
        "RADIO, baseband",
        "BOOTLOADER, bootloader",
        "RECOVERY, recovery",
        "DATA, ''",
        "APP, ''",
        "UNKNOWN, osVersion buildNumber buildId incremental fingerprint patchLevel buildDate kernelRelease kernelBuilt kernelKind baseband bootloader recovery",
    })
    void whatAWriteIsKnownByIsForgotten(PartitionClass written, String forgotten) {
        Route write = route("write").replacing(written).making(Map.of());
        Facts after = BEFORE.after(Aftermath.of(write, BEFORE));
        for (Fact fact : BEFORE.values().keySet()) {
            assertThat(after.value(fact).isEmpty())
                    .as("%s after %s", fact, written)
                    .isEqualTo(Arrays.asList(forgotten.split(" ")).contains(fact.key()));
        }
    }

    @Test
    void whatTheRouteSaysOrKeepsIsKnown() {
        Route update = route("update")
                .replacing(PartitionClass.SYSTEM)
                .making(Map.of(Fact.OS_VERSION, "4.3", Fact.UPDATE, "installed"));
        Facts after = BEFORE.after(Aftermath.of(update, BEFORE));
        assertThat(after.value(Fact.OS_VERSION)).contains("4.3");
        assertThat(after.value(Fact.BUILD_NUMBER)).isEmpty();
        assertThat(after.value(Fact.KERNEL_RELEASE)).contains("3.0.31");
        assertThat(after.isAbsent(Fact.PATCH_LEVEL))
                .as("an OS too old to have one")
                .isTrue();
        Route adds = route("adds").making(Fact.ROOT, "permanent");
        assertThat(BEFORE.after(Aftermath.of(adds, BEFORE)).values()).isEqualTo(BEFORE.values());
    }

    @Test
    void aWipeEmptiesTheInternalStorage() {
        Facts full = facts(
                "filesCopied=yes",
                "usbDebugging=on",
                "unknownSources=absent",
                "oemUnlock=on",
                "imageBackup=taken",
                "appBackup=verified",
                "dataFree=1000",
                "card=yes");
        Route wipe = route("wipe").costing(0, 1, true).making(Fact.LOCK, "unlocked");
        Map<Fact, String> after = full.after(Aftermath.of(wipe, full)).values();
        assertThat(after)
                .containsEntry(Fact.FILES_COPIED, "no")
                .containsEntry(Fact.USB_DEBUGGING, "off")
                .containsEntry(Fact.UNKNOWN_SOURCES, "absent")
                .containsEntry(Fact.OEM_UNLOCK, "off")
                .containsEntry(Fact.IMAGE_BACKUP, "none")
                .containsEntry(Fact.APP_BACKUP, "verified")
                .containsEntry(Fact.CARD, "yes")
                .doesNotContainKey(Fact.DATA_FREE);
    }

    @Test
    void theCounterGoesUpAndAFuseBlowsOnce() {
        Route package_ = route("package")
                .marking("notice at every start")
                .making(Map.of(Fact.CUSTOM_WRITES, "+2", Fact.WARRANTY_FUSE, "blown"));
        Facts three = facts("customWrites=3", "warrantyFuse=blown");
        assertThat(Aftermath.of(package_, three)).containsEntry(Fact.CUSTOM_WRITES, Optional.of("5"));
        assertThat(Aftermath.of(package_, Facts.none())).containsEntry(Fact.CUSTOM_WRITES, Optional.empty());
        assertThat(package_.marks())
                .extracting(Mark::words)
                .containsExactly("notice at every start", "warranty fuse blown", "custom-write counter up");
        assertThat(package_.marks()).filteredOn(mark -> mark.isBorneBy(three)).hasSize(1);
        assertThat(package_.marks()).noneMatch(mark -> mark.isBorneBy(facts("warrantyFuse=intact")));
    }

    @Test
    void aLightWipeIsAChoice() {
        Route.Changes both =
                new Route.Changes(Map.of(Fact.OS_KIND, "custom"), List.of(), List.of(), List.of(), true, true);
        Route full = route("os")
                .changing(both)
                .step(Phase.DO, "wipe all", Route.Wipe.FULL)
                .step(Phase.DO, "wipe little", Route.Wipe.LIGHT)
                .making(Map.of());
        assertThat(full.steps()).extracting(RouteStep::title).containsExactly("wipe all");
        Route light = full.withLightWipe();
        assertThat(light.steps()).extracting(RouteStep::title).containsExactly("wipe little");
        assertThat(light.changes().wipesData()).isFalse();
        assertThat(Aftermath.of(light, facts("filesCopied=yes"))).doesNotContainKey(Fact.FILES_COPIED);
    }
}
