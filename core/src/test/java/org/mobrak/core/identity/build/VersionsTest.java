package org.mobrak.core.identity.build;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.maven.artifact.versioning.ComparableVersion;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Orders of OS versions and kernel releases, and releases against API levels. */
class VersionsTest {
    /**
     * The platform's published table “Codenames, Tags, and Build Numbers”; the values were written down from memory, and those
     * from 4.1 to 8.1 were then held against the table of releases in Robolectric 4.3.1 (class DefaultSdkProvider).
     */
    @ParameterizedTest
    @CsvSource({
        "2.2.3, 8", "2.3.2, 9", "2.3.6, 10", "3.0.1, 11", "3.1, 12", "3.2.6, 13", "4.0.2, 14", "4.0.4, 15", "4.1.2, 16",
        "4.2.2, 17", "4.3.1, 18", "4.4.4, 19", "5.0.2, 21", "5.1.1, 22", "6.0.1, 23", "7.0, 24", "7.1.2, 25",
                "8.1.0, 27"
    })
    void knowsWhichApiLevelAReleaseHas(String release, int level) {
        assertThat(ReleaseTable.apiLevelOf(release)).contains(level);
    }

    @ParameterizedTest
    @CsvSource({
        "4.1.2, 4.1.10, -1",
        "4.1, 4.1.0, 0",
        "5, 4.4.4, 1",
        "3.4.0-g12ab, 3.4.1-g00aa, -1",
        "3.4.0-a, 3.4.0-b,",
        "3.4.0-a, 3.4.0-a, 0",
        "new, 4.1,",
    })
    void ordersByNumbersAndNothingElse(String a, String b, Integer order) {
        assertThat(VersionOrder.compare(a, b).stream()
                        .map(Integer::signum)
                        .boxed()
                        .findFirst()
                        .orElse(null))
                .isEqualTo(order);
    }

    /** Where there are only numbers, Maven's own version order is an independent reference. */
    @Test
    void ordersNumbersLikeAGeneralVersionLibrary() {
        Random random = new Random(5);
        for (int round = 0; round < 2_000; round++) {
            String a = version(random);
            String b = version(random);
            int expected = Integer.signum(new ComparableVersion(a).compareTo(new ComparableVersion(b)));
            assertThat(VersionOrder.compare(a, b).stream()
                            .map(Integer::signum)
                            .boxed()
                            .toList())
                    .as("%s against %s", a, b)
                    .containsExactly(expected);
        }
    }

    private static String version(Random random) {
        return IntStream.range(0, 1 + random.nextInt(4))
                .mapToObj(part -> String.valueOf(random.nextInt(part == 0 ? 5 : 12)))
                .collect(Collectors.joining("."));
    }

    /**
     * Published ordering rules that a kernel release must follow too: Semantic Versioning 2.0.0, item 11 (its own example chain),
     * and the kernel's own numbering, in which 3.10 came after 3.9 and 3.0 after 2.6.39.
     */
    @ParameterizedTest
    @CsvSource({"1.0.0 2.0.0 2.1.0 2.1.1", "2.6.32 2.6.39 3.0 3.0.31 3.4 3.9 3.10 3.10.49 4.4"})
    void ordersThePublishedChains(String chain) {
        String[] versions = chain.split(" ");
        for (int i = 0; i < versions.length; i++) {
            for (int j = 0; j < versions.length; j++) {
                assertThat(VersionOrder.compare(versions[i], versions[j]).orElseThrow())
                        .as("%s against %s", versions[i], versions[j])
                        .isEqualTo(Integer.compare(i, j));
            }
        }
    }
}
