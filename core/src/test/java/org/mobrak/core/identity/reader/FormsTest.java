package org.mobrak.core.identity.reader;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;

/** Everything a person can get hold of besides listings; a bar stands for a line end. */
class FormsTest {
    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "ABOUT_SCREEN; Model number: KQ-T5|OS version: 2.3.6|Battery level: 41%; {model=KQ-T5, osVersion=2.3.6, batteryPercent=41}",
                "ABOUT_SCREEN; Model number|KQ-T5||Build number|T5-W-236118|Status; {model=KQ-T5, buildNumber=T5-W-236118}",
                "ABOUT_SCREEN; Kernel version|2.6.35.7-t5-118|kbuild@kq-farm #1|Wed Mar 7 11:18:52 UTC 2012|Build number|T5; {kernelRelease=2.6.35.7-t5-118, kernelBuilt=2012-03-07T11:18:52Z, kernelBuilder=kbuild@kq-farm, buildNumber=T5}",
                "ABOUT_SCREEN; Modellnummer: KQ-T5|Security patch level: 1 June 2016; {model=KQ-T5, patchLevel=2016-06-01}",
                "ABOUT_SCREEN; MODEL NUMBER = KQ-T5|Somesuch version = 4.4.4 (x); {model=KQ-T5, osVersion=4.4.4}",
                "BOOTLOADER_VARIABLES; (bootloader) product: tern|(bootloader) version-bootloader: T5B-07|(bootloader) unlocked: yes|finished. total time: 0.010s; {device=tern, bootloader=T5B-07, lock=unlocked}",
                "BOOTLOADER_VARIABLES; product: tern|serialno: 4d00|secure: yes|unlocked: no|max-download-size: 0x1000; {device=tern, serial=4d00, lock=locked}",
                "DOWNLOAD_SCREEN; DOWNLOAD MODE|PRODUCT NAME: OV-L210F|CURRENT BINARY: Custom|CUSTOM BINARY DOWNLOAD: Yes (3 counts)|WARRANTY BIT: 0x1|DEVICE STATE - unlocked; {model=OV-L210F, kernelKind=custom, customWrites=3, warrantyFuse=blown, lock=unlocked}",
                "LABEL; MODEL NO.: OV-L210F|S/N 4d00lant91c2|Made in Nowhere; {model=OV-L210F}",
                "LABEL; Model: OV-L210F|S/N: 4d00lant91c2|IMEI: 00000; {model=OV-L210F, serial=4d00lant91c2}",
                "BATTERY_STATUS; level: 87|scale: 100|voltage: 4012|temperature: 312|health: 2; {batteryPercent=87, batteryVoltage=4.012, batteryTemperature=31.2, batteryHealth=good}",
                "BATTERY_STATUS; level: 128|scale: 255|temperature: -45; {batteryPercent=50, batteryTemperature=-4.5}",
                "VOLUMES; Filesystem Size Used Free Blksize|/data 1.5G 1.0G 512.0M 4096|/mnt/sdcard 7.4G 1.0G 6.4G 32768; {dataFree=536870912, cardFree=6871947674}",
                "VOLUMES; Filesystem 1K-blocks Used Available Use% Mounted on|/dev/block/x 1000 400 600 40% /data|tmpfs 10 0 10 0% /dev; {dataFree=614400}",
                "ROOT_PROOF; shell@tern:/ # id|uid=0(root) gid=0(root) groups=0(root); {root=temporary}",
            })
    void readsEachForm(Source source, String text, String expected) {
        Parsed parsed = parse(text);
        Map<String, String> values = parsed.readings().stream()
                .collect(Collectors.toMap(r -> r.fact().key(), Reading::value));
        assertThat(values).isEqualTo(map(expected));
        assertThat(parsed.readings()).extracting(Reading::source).containsOnly(source);
    }

    private static Map<String, String> map(String text) {
        return List.of(text.substring(1, text.length() - 1).split(", ")).stream()
                .map(pair -> pair.split("=", 2))
                .collect(Collectors.toMap(pair -> pair[0], pair -> pair[1]));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "uid=2000(shell) gid=2000(shell)|[ro.build.id]: [GRK39F]; shell-not-root",
                "level: 400|scale: 100|temperature: 250; impossible-value",
                "level: -5|scale: 100|temperature: 250; impossible-value",
                "level: 40|scale: 100|health: 9; impossible-value",
                "PRODUCT: OV-L210F|CURRENT BINARY: perhaps|DOWNLOAD MODE; impossible-value",
                "[ro.product.model]: [KQ\u001B[31m-T5]|[ro.build.id]: [GRK39F]; control-characters",
            })
    void tellsWhatCannotBe(String text, String code) {
        Parsed parsed = parse(text);
        assertThat(parsed.findings()).extracting(Finding::code).containsExactly(code);
        assertThat(parsed.readings()).extracting(Reading::value).noneMatch(value -> value.contains("\u001B"));
    }

    @Test
    void oneTextMayMixFormsAndEachReadingKeepsItsLine() {
        Parsed parsed = parse("$ list|[ro.product.model]: [KQ-T5]|$ id|uid=0(root) gid=0(root)|"
                + "Linux version 2.6.35.7 (a@b) (gcc version 4.4.1 ) #7 PREEMPT Wed Mar 7 11:18:52 UTC 2012|"
                + "level: 50|scale: 100|health: 2");
        assertThat(parsed.readings())
                .extracting(Reading::source, Reading::line)
                .contains(
                        tuple(Source.PROPERTY_LISTING, 2),
                        tuple(Source.ROOT_PROOF, 4),
                        tuple(Source.KERNEL_BANNER, 5),
                        tuple(Source.BATTERY_STATUS, 6));
        assertThat(parsed.readings())
                .filteredOn(reading -> reading.fact() == Fact.KERNEL_BUILD)
                .extracting(Reading::value)
                .containsExactly("#7 PREEMPT");
    }

    /** Newer systems name the model only in a partition's namespace; a vendor partition of another age is no contradiction. */
    @Test
    void keysOfPartitionsSpeakOnlyWhereTheSystemsOwnIsMissing() {
        Parsed parsed = parse("[ro.product.vendor.model]: [OX-M10V]|[ro.product.system.model]: [OX-M10]|"
                + "[ro.build.id]: [NRD90M]|[ro.vendor.build.id]: [NRD89X]");
        assertThat(parsed.readings()).extracting(Reading::value).containsExactly("NRD90M", "OX-M10");
        assertThat(parsed.readings().get(1).line()).isEqualTo(2);
    }

    @Test
    void oneLabelInALongLetterIsACoincidence() {
        String letter = "Dear all,|".repeat(20) + "model: the one with bees on it|" + "yours|".repeat(5);
        assertThat(ReadingParser.looksLikeReadings(letter.replace('|', '\n'))).isFalse();
        assertThat(ReadingParser.looksLikeReadings("Model: KQ-T5")).isTrue();
    }

    private static Parsed parse(String text) {
        return ReadingParser.parse(new RawText(TextIntake.PASTED, text.replace('|', '\n'), List.of()), NOW);
    }
}
