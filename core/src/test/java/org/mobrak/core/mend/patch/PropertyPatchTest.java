package org.mobrak.core.mend.patch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Refusal;

/**
 * The line rules are those of the platform's published property loader; the diff's form is that of IEEE Std 1003.1-2017, utility
 * {@code diff}, and the system's own {@code patch} applies and undoes it.
 */
class PropertyPatchTest {
    private static final List<String> ENDS = List.of("\n", "\r\n", "\n\n");
    private static final List<String> LINES = List.of(
            "",
            "# remark",
            "ro.b=2",
            " ro.c = 3 ",
            "import /x.prop",
            "no equals",
            "ro.a.more=1",
            "k\u00e4=\u00fc",
            "ro.aa=1");

    @TempDir
    Path folder;

    private static PropertyPatch patch(String text, String set, String expected) throws Refusal {
        return PropertyPatch.of(
                PropertyFile.of(text.getBytes(StandardCharsets.UTF_8)), PropertyChange.parse(set, expected));
    }

    @ParameterizedTest
    @CsvSource(
            quoteCharacter = '\'',
            value = {
                "'ro.a=1\n', patched, 'ro.a=0\n'",
                "'# x\n  ro.a =1\r\nro.b=2', patched, '# x\n  ro.a =0\r\nro.b=2'",
                "'ro.b=2\nro.a=1', patched, 'ro.b=2\nro.a=0'",
                "'ro.a=0\n', already, ''",
                "'', missing, ''",
                "'#ro.a=1\n', missing, ''",
                "'import ro.a=1\n', missing, ''",
                "'\ufeffro.a=1\n', missing, ''",
                "'ro.aa=1\nro.a.b=1\nro.a\n', missing, ''",
                "'ro.a=1\nro.a=2\n', twice, ''",
                "'ro.a=0\n ro.a =0\n', twice, ''",
                "'ro.a=2\n', unexpected, ''",
                "'ro.a= 1\n', unexpected, ''",
                "'ro.a=1 \n', unexpected, ''",
            })
    void changesTheOneValueOrSaysWhyNot(String text, String status, String after) throws Refusal {
        PropertyPatch found = patch(text, "ro.a=0", "1");
        assertThat(found.status().word()).isEqualTo(status);
        assertThat(found.bytes().map(bytes -> new String(bytes, StandardCharsets.UTF_8)))
                .isEqualTo(Optional.of(after).filter(some -> !some.isEmpty()));
        if (!status.equals("patched") && !status.equals("already")) {
            assertThat(found.findings().get(0).message()).isNotBlank();
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "ro.a",
                "=1",
                " ro.a=1",
                "ro.a =1",
                "ro.a=1 ",
                "ro.a=1\t2",
                "ro.a=1\n",
                "ro.a=\u0085",
                "#ro.a=1",
                "import x=1"
            })
    void whatNoLineCanHoldIsRefused(String set) {
        assertThatThrownBy(() -> PropertyChange.parse(set, "1")).isInstanceOf(Refusal.class);
    }

    @Test
    void theTrapsAreTold() throws Refusal {
        assertThat(patch("ro.a=1\u2028\r\n#ro.a=3", "ro.a=x\u2028y", "1\u2028").findings())
                .extracting(Finding::code)
                .contains("carriage-returns", "key-commented", "mode-and-owner", "restart-needed", "update-undoes");
        assertThat(patch("a=1", "a=" + "x".repeat(92), "1").findings())
                .extracting(Finding::code)
                .contains("value-long", "no-last-line-feed")
                .doesNotContain("restart-needed");
        assertThat(patch("\ufeffro.a=1\n", "ro.a=0", "1").findings())
                .extracting(Finding::code)
                .contains("byte-order-mark");
        byte[] wide = "ro.a=1\n".getBytes(StandardCharsets.UTF_16);
        assertThat(patch("ro.a=1\u0000\n", "ro.a=0", "1").status()).isEqualTo(PropertyPatch.Status.NOT_PROPERTIES);
        assertThat(PropertyPatch.of(PropertyFile.of(wide), PropertyChange.parse("ro.a=0", "1"))
                        .status())
                .isEqualTo(PropertyPatch.Status.NOT_PROPERTIES);
    }

    @Test
    void theSystemsPatchAppliesTheDiffAndUndoesItToTheByte() throws Exception {
        Random random = new Random(15);
        for (int round = 0; round < 60; round++) {
            byte[] before = randomFile(random);
            PropertyPatch found =
                    PropertyPatch.of(PropertyFile.of(before), PropertyChange.parse("ro.a=new value", "old"));
            assertThat(found.status()).isEqualTo(PropertyPatch.Status.PATCHED);
            byte[] after = found.bytes().orElseThrow();
            Path file = Files.write(folder.resolve("my file.prop"), before);
            Path diff = Files.write(
                    folder.resolve("x.diff"), found.diff().orElseThrow().of("a/my file.prop", "b/my file.prop"));
            run("-p1", "-i", diff.toString());
            assertThat(Files.readAllBytes(file)).as("round %d", round).isEqualTo(after);
            run("-R", "-p1", "-i", diff.toString());
            assertThat(Files.readAllBytes(file)).as("round %d undone", round).isEqualTo(before);
            assertThat(PropertyPatch.of(PropertyFile.of(after), found.change().back())
                            .bytes())
                    .hasValue(before);
            assertThat(Arrays.mismatch(before, after)).isPositive();
        }
    }

    /** Lines of every kind with the wanted one somewhere, ends of every kind, and now and then bytes that are no text. */
    private static byte[] randomFile(Random random) {
        StringBuilder text = new StringBuilder();
        int lines = random.nextInt(12);
        int wanted = random.nextInt(lines + 1);
        String end = ENDS.get(random.nextInt(2));
        for (int i = 0; i <= lines; i++) {
            String line = i == wanted ? "ro.a=old" : LINES.get(random.nextInt(LINES.size()));
            boolean bare = i == lines && random.nextBoolean();
            text.append(line)
                    .append(bare && !line.isEmpty() ? "" : random.nextInt(9) == 0 ? ENDS.get(random.nextInt(3)) : end);
        }
        return text.toString().getBytes(random.nextInt(4) == 0 ? StandardCharsets.ISO_8859_1 : StandardCharsets.UTF_8);
    }

    private void run(String... arguments) throws IOException, InterruptedException {
        assumeTrue(Files.isExecutable(Path.of("/usr/bin/patch")), "the system has no patch");
        List<String> command = new ArrayList<>(List.of("patch", "--quiet", "--force"));
        command.addAll(List.of(arguments));
        Process process = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(10, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
        assertThat(said).as("no fuzz, no offset").isBlank();
    }

    @Test
    void everyCharacterOfALineIsSeenAndItsKeyIsKnown() {
        List<PropertyLine> lines = PropertyFile.of(
                        " ro.build.id = A\u202eB  \r\n# x\tremark\nro.product.model=\n\nplain"
                                .getBytes(StandardCharsets.UTF_8))
                .lines(4);
        assertThat(lines).extracting(PropertyLine::number).containsExactly(1, 2, 3, 4);
        assertThat(lines.get(0).shown()).isEqualTo("\u00b7ro.build.id = A\\u202EB\u00b7\u00b7\u240d");
        assertThat(lines.get(0).key()).contains("ro.build.id");
        assertThat(lines.get(0).value()).as("exactly as it stands").isEqualTo(" A\u202eB  ");
        assertThat(lines.get(0).meaning()).contains("Build id");
        assertThat(lines.get(1).shown()).isEqualTo("# x\u2192remark");
        assertThat(lines.get(1).key()).isEmpty();
        assertThat(lines.get(2).value()).isEmpty();
    }
}
