package org.mobrak.core.identity.reader;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.mobrak.core.identity.reader.PartitionListing.Named;

/** Forms of the Linux kernel's documentation: proc(5) for {@code /proc/partitions}, and {@code /proc/mtd}. */
class PartitionListingTest {

    @Test
    void linksAndTheKernelsListGiveNamesAndSizesInTheOrderOfTheStorage() {
        String text = """
                lrwxrwxrwx 1 root root 21 1970-01-01 00:00 system -> /dev/block/mmcblk0p12
                lrwxrwxrwx 1 root root 20 1970-01-01 00:00 boot -> /dev/block/mmcblk0p5
                recovery -> mmcblk0p6
                boot -> /dev/block/mmcblk0p5
                major minor  #blocks  name

                 179        0   15388672 mmcblk0
                 179        5       8192 mmcblk0p5
                 179       12    2457600 mmcblk0p12
                """;
        assertThat(PartitionListing.in(text))
                .containsExactly(
                        new Named("boot", Optional.of(8192L * 1024)),
                        new Named("recovery", Optional.empty()),
                        new Named("system", Optional.of(2_457_600L * 1024)));
    }

    @Test
    void flashAreasHaveTheirSizesInHexadecimalBytes() {
        String text = """
                dev:    size   erasesize  name
                mtd0: 00040000 00020000 "misc"
                mtd10: 00500000 00020000 "recovery"
                mtd2: 00280000 00020000 "boot"
                """;
        assertThat(PartitionListing.in(text))
                .containsExactly(
                        new Named("misc", Optional.of(262_144L)),
                        new Named("boot", Optional.of(2_621_440L)),
                        new Named("recovery", Optional.of(5_242_880L)));
    }

    @Test
    void noTextMakesItFailOrTakesLong() {
        Random random = new Random(3);
        String letters = " ->/devblock0123mtd:\"p\t\u202e\n";
        for (int round = 0; round < 3_000; round++) {
            StringBuilder text = new StringBuilder();
            int length = random.nextInt(400);
            for (int i = 0; i < length; i++) {
                text.append(letters.charAt(random.nextInt(letters.length())));
            }
            assertThatCode(() -> PartitionListing.in(text.toString())).doesNotThrowAnyException();
        }
        assertThat(PartitionListing.in("a ".repeat(500_000) + "-> /dev/block/mmcblk0p1"))
                .isEmpty();
        assertThat(PartitionListing.in("1 ".repeat(500_000))).isEqualTo(List.of());
    }
}
