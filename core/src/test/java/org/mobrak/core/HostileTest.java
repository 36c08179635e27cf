package org.mobrak.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.identity.build.VersionOrder;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.material.ChecksumList;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.reader.Inspector;

/** The small inputs that fuzzing kept, each of which goes another way through a reader, and what it found. */
class HostileTest {
    private static final Path KEPT = Path.of("src/test/resources/hostile");

    @TempDir
    private Path folder;

    @ParameterizedTest
    @ValueSource(strings = {"boot", "chip", "kernel", "sparse", "ext4", "elf", "tar", "zip", "packed", "update"})
    void anyBytesAreLookedIntoAndLeaveNothingBehind(String kind) throws IOException {
        Inspector inspector = new Inspector(folder, Runnable::run, PartitionNames.usual());
        for (byte[] bytes : kept(kind)) {
            assertThat(inspector
                            .inspect(kind, new SeekableInMemoryByteChannel(bytes))
                            .root()
                            .kind())
                    .isNotNull();
        }
        assertThat(folder).isEmptyDirectory();
    }

    @ParameterizedTest
    @ValueSource(strings = {"readings", "identify"})
    void anyTextIsReadOrRefused(String kind) throws IOException {
        for (byte[] bytes : kept(kind)) {
            try {
                Parsed parsed =
                        ReadingParser.parse(TextIntake.of(kind, new ByteArrayInputStream(bytes)), Instant.EPOCH);
                assertThat(new Ledger(parsed.readings()).facts()).isNotNull();
            } catch (UnreadableInput refused) {
                assertThat(refused).hasMessageStartingWith(kind);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"checksums", "patterns", "versions"})
    void smallLanguagesKeepTheirLaws(String kind) throws IOException {
        for (byte[] bytes : kept(kind)) {
            String text = new String(bytes, StandardCharsets.UTF_8);
            int end = Math.max(0, text.indexOf('\n'));
            String one = text.substring(0, end);
            String other = text.substring(end);
            assertThat(TextPattern.matches(one, new TextPattern(one).example('x')))
                    .isTrue();
            assertThat(VersionOrder.compare(one, other).isPresent())
                    .isEqualTo(VersionOrder.compare(other, one).isPresent());
            assertThat(ChecksumList.parse(text).lines())
                    .allMatch(line -> line.value().matches("[0-9a-f]+"));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"yaml", "grammars"})
    void anyFileOfACatalogueIsTakenOrHasFaults(String kind) throws IOException {
        int number = 0;
        for (String place : List.of("routes", "phones", "grammars")) {
            Files.createDirectories(folder.resolve(place));
            for (byte[] bytes : kept(kind)) {
                Files.write(folder.resolve(place).resolve("kept%03d.yaml".formatted(number++)), bytes);
            }
        }
        assertThat(CatalogueLoader.load(folder).faults()).allMatch(fault -> fault.line() >= 0);
    }

    private static List<byte[]> kept(String kind) throws IOException {
        try (Stream<Path> files = Files.list(KEPT.resolve(kind))) {
            List<Path> sorted = files.sorted().toList();
            List<byte[]> all = new ArrayList<>();
            for (Path file : sorted) {
                all.add(Files.readAllBytes(file));
            }
            assertThat(all).isNotEmpty();
            return all;
        }
    }
}
