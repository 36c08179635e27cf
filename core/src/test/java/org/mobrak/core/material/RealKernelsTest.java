package org.mobrak.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.mobrak.core.material.reader.Inspector;

/**
 * Real ARM kernels: those of Debian's armhf packages, fetched by {@code benchmarks/kernels.sh}; run by {@code mvn
 * -Preal-kernels}. A kernel's file is named after its release, which is what its banner must say.
 */
@EnabledIfSystemProperty(named = "mobrak.kernels", matches = ".+")
class RealKernelsTest {
    @Test
    void theBannerSaysTheReleaseInTheFilesName() throws IOException {
        Path folder = Path.of(System.getProperty("mobrak.kernels"));
        List<Path> kernels;
        try (Stream<Path> files = Files.list(folder)) {
            kernels = files.sorted().toList();
        }
        assertThat(kernels).isNotEmpty();
        for (Path kernel : kernels) {
            Inspection found =
                    new Inspector(folder, Runnable::run, PartitionNames.usual()).inspect(kernel, Set.of(), Watch.NONE);
            About.Kernel about = found.kernel().orElseThrow();
            assertThat("vmlinuz-" + about.release().orElseThrow())
                    .isEqualTo(kernel.getFileName().toString());
            assertThat(about.layout()).isEqualTo(About.Layout.ZIMAGE);
            assertThat(about.compression()).isNotEqualTo("none");
            assertThat(about.banner().orElseThrow()).contains(" #1 ");
            assertThat(found.findings()).isEmpty();
        }
    }
}
