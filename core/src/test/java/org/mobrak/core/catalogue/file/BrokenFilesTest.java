package org.mobrak.core.catalogue.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.Entry.Read;

/** Whatever stands in a file, it is either an entry or a fault with a remedy; never an exception, and never for long. */
class BrokenFilesTest {
    private static final Path ROUTES = Path.of(System.getProperty("mobrak.home"), "demo", "catalogue", "routes");
    private static final String MARKS = "{}[]:,&*!|>'\"%@`#-?\t\n 0~";

    @TempDir
    private Path folder;

    private final EntryReader<Route> reader = new EntryReader<>("route.schema.json", Route.class);
    private final List<String> good = new ArrayList<>();

    @BeforeEach
    void readTheShippedRoutes() throws IOException {
        try (Stream<Path> files = Files.list(ROUTES)) {
            for (Path file : files.sorted().toList()) {
                good.add(Files.readString(file));
            }
        }
        Files.createDirectory(folder.resolve("routes"));
    }

    @Test
    void aFileWithAnythingWrongInItIsTold() throws IOException {
        Random random = new Random(20261125);
        int faulty = 0;
        for (int round = 0; round < 1_500; round++) {
            String text = good.get(random.nextInt(good.size()));
            for (int wounds = 1 + random.nextInt(3); wounds > 0; wounds--) {
                text = wounded(text, random);
            }
            Read<Route> read = read(text.getBytes(StandardCharsets.UTF_8));
            assertThat(read.entry().isPresent() == read.faults().isEmpty())
                    .as("%s", text)
                    .isTrue();
            read.faults().forEach(fault -> {
                assertThat(fault.what()).isNotBlank();
                assertThat(fault.remedy()).isNotBlank();
                assertThat(fault.line()).isBetween(0, 400);
            });
            faulty += read.faults().isEmpty() ? 0 : 1;
        }
        assertThat(faulty).isGreaterThan(300);
    }

    private static String wounded(String text, Random random) {
        int at = random.nextInt(text.length());
        int to = Math.min(text.length(), at + 1 + random.nextInt(12));
        return switch (random.nextInt(5)) {
                    case 0 -> text.substring(0, at);
                    case 1 -> text.substring(0, at) + text.substring(to);
                    case 2 -> text.substring(0, to) + text.substring(at);
                    case 3 -> text.substring(0, at) + MARKS.charAt(random.nextInt(MARKS.length())) + text.substring(at);
                    default -> text.substring(0, at) + (char) (1 + random.nextInt(0xFFF)) + text.substring(at);
                }
                + (at == 0 ? "x" : "");
    }

    @Test
    void bytesThatAreNoTextAreTold() {
        Random random = new Random(3);
        for (int round = 0; round < 200; round++) {
            byte[] bytes = new byte[random.nextInt(400)];
            random.nextBytes(bytes);
            assertThatCode(() -> assertThat(read(bytes).entry()).isEmpty()).doesNotThrowAnyException();
        }
    }

    @Test
    void fiftyMegabytesAreNotReadToTheEnd() throws IOException {
        byte[] large = new byte[50 << 20];
        Arrays.fill(large, (byte) ' ');
        Read<Route> read = read(large);
        assertThat(read.faults()).singleElement().satisfies(fault -> {
            assertThat(fault.what()).contains("larger than 2 MiB");
            assertThat(fault.remedy()).isEqualTo("Split it.");
        });
    }

    /** What an alias stands for counts each time, one inside of itself is not known, and there may be only a few. */
    @Test
    void aliasesAreBounded() throws IOException {
        String values = "a: &a [" + "x,\n ".repeat(90_000) + "x]\n";
        assertThat(read((values + "b: [*a, *a, *a]\n").getBytes(StandardCharsets.UTF_8))
                        .faults())
                .extracting(Fault::what)
                .containsExactly("The file holds too many values, or too deep ones.");
        assertThat(read(("a: &a x\nb: [" + "*a, ".repeat(21) + "*a]\n").getBytes(StandardCharsets.UTF_8))
                        .faults())
                .extracting(Fault::what)
                .containsExactly("The file holds too many aliases.");
        assertThat(read("a: &a [*a]\n".getBytes(StandardCharsets.UTF_8)).faults())
                .extracting(Fault::what)
                .containsExactly("Found undefined alias a.");
        assertThat(read("a: 1\n---\na: 2\n".getBytes(StandardCharsets.UTF_8)).faults())
                .extracting(Fault::what)
                .containsExactly("The file holds more than one document.");
    }

    private Read<Route> read(byte[] bytes) throws IOException {
        Path file = Files.write(folder.resolve("routes/one.yaml"), bytes);
        return reader.read(folder, file);
    }
}
