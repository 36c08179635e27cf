package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.catalogue.PartitionClass;

/** What partitions are called; common practice, no published source beyond the platform's documentation. */
class PartitionNamesTest {
    private final PartitionNames names = PartitionNames.usual();

    @ParameterizedTest
    @CsvSource({
        "boot.img, boot, KERNEL",
        "images/Recovery.IMG, recovery, RECOVERY",
        "/dev/block/bus/by-name/recovery, recovery, RECOVERY",
        "system.img.ext4.lz4, system, SYSTEM",
        "system.new.dat.br, system, SYSTEM",
        "boot_a, boot, KERNEL",
        "modem.bin, modem, RADIO",
        "/system, system, SYSTEM",
        "/data/, data, DATA",
        "u-boot.bin, u-boot, BOOTLOADER",
        "gpt.bin, gpt, PARTITION_TABLE",
        "mystery.bin, mystery, UNKNOWN",
        "boot.something.img, boot.something, UNKNOWN"
    })
    void placesAndTheirPartitions(String place, String partition, PartitionClass kind) {
        assertThat(names.partition(place).replaceFirst("^/", "")).isEqualTo(partition);
        assertThat(names.classOf(partition)).isEqualTo(kind);
        assertThat(names.knows(partition)).isEqualTo(kind != PartitionClass.UNKNOWN);
    }

    @Test
    void aPhonesOwnNamesWin() {
        PartitionNames own = names.with(Map.of("Mystery", PartitionClass.BOOTLOADER, "boot", PartitionClass.DATA));
        assertThat(own.classOf("mystery")).isEqualTo(PartitionClass.BOOTLOADER);
        assertThat(own.classOf("boot")).isEqualTo(PartitionClass.DATA);
        assertThat(own.classOf("recovery")).isEqualTo(PartitionClass.RECOVERY);
        assertThat(names.classOf("boot")).isEqualTo(PartitionClass.KERNEL);
    }
}
