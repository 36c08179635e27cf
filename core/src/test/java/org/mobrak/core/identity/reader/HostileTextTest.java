package org.mobrak.core.identity.reader;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.UnreadableInput;

/** The demo's own readings, damaged at random with a fixed seed: whatever comes, it is read or refused, and never worse. */
class HostileTextTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final int ROUNDS = 1_500;
    private static final String NASTY = "[]:=()#@.-\0\r\n\t \u001B\u202E\uFEFF0O5SéО9";

    @Test
    void damagedTextIsReadOrRefusedButNeverWorse() throws IOException {
        Catalogue catalogue = Sample.shipped();
        List<String> texts = texts();
        Random random = new Random(17);
        int read = 0;
        for (int round = 0; round < ROUNDS; round++) {
            String text = damaged(texts.get(random.nextInt(texts.size())), random);
            try {
                RawText raw = TextIntake.pasted(text);
                Parsed parsed = ReadingParser.parse(raw, Instant.EPOCH);
                long lines = raw.text().split("\r\n|\r|\n", -1).length;
                assertThat(parsed.readings()).allMatch(reading -> reading.line() <= lines);
                assertThat(parsed)
                        .as("the same text gives the same")
                        .isEqualTo(ReadingParser.parse(raw, Instant.EPOCH));
                Identity.of(catalogue, new Ledger(parsed.readings()), parsed.findings());
                read++;
            } catch (UnreadableInput refused) {
                assertThat(refused.getMessage()).startsWith(TextIntake.PASTED).doesNotContain("\n");
            }
        }
        assertThat(read).as("most of them can still be read").isGreaterThan(ROUNDS / 2);
    }

    private static List<String> texts() throws IOException {
        try (Stream<Path> files = Files.list(HOME.resolve("demo/readings"))) {
            List<Path> sorted = files.sorted().toList();
            return sorted.stream().map(HostileTextTest::text).toList();
        }
    }

    private static String text(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException impossible) {
            throw new java.io.UncheckedIOException(impossible);
        }
    }

    /** Cuts, doubles and sprinkles. */
    private static String damaged(String text, Random random) {
        StringBuilder damaged = new StringBuilder(text);
        for (int blow = 0; blow < 6; blow++) {
            int at = random.nextInt(damaged.length() + 1);
            int end = Math.min(damaged.length(), at + random.nextInt(30));
            switch (random.nextInt(4)) {
                case 0 -> damaged.delete(at, end);
                case 1 -> damaged.insert(at, damaged.substring(at, end));
                case 2 -> damaged.insert(at, NASTY.charAt(random.nextInt(NASTY.length())));
                default -> damaged.setLength(Math.max(1, damaged.length() - random.nextInt(20)));
            }
        }
        return damaged.toString();
    }
}
