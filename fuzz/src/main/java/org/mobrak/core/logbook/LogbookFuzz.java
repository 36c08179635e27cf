package org.mobrak.core.logbook;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.fuzz.Checks;
import org.springframework.dao.DataAccessException;

/** What comes with a workspace from somebody: pages of its logbook, a journal beside it, and the cells of its rows. */
public final class LogbookFuzz {
    private static final List<String> COLUMNS = List.of("sheet", "event", "findings", "found", "taken_at", "path");
    private static final int PATCH = 5;

    private LogbookFuzz() {}

    /** A folder in memory with a small logbook. */
    private static final class Place {
        private static final Path FOLDER = make();
        private static final byte[] WHOLE = whole();

        private static Path make() {
            try {
                return Files.createTempDirectory(Path.of("/dev/shm"), "logbook");
            } catch (IOException none) {
                throw new UncheckedIOException(none);
            }
        }

        private static byte[] whole() {
            try {
                Path workspace = Files.createDirectories(FOLDER.resolve("own"));
                Files.createDirectories(workspace.resolve("catalogue/routes"));
                try (Workspace open = Workspace.open(workspace, FOLDER.resolve("cache"))) {
                    for (int phone = 0; phone < 3; phone++) {
                        PhoneRecord record = open.logbook().addPhone("Hive " + phone, Instant.EPOCH);
                        open.logbook().take(record, TypedReading.parse("root=none", Instant.EPOCH));
                    }
                }
                return Files.readAllBytes(workspace.resolve("logbook.db"));
            } catch (IOException | Refusal failed) {
                throw new IllegalStateException(failed);
            }
        }
    }

    /** Bytes of the logbook are others: four say where, one says what. It is refused, or all of it can be asked for. */
    public static final class Pages {
        private Pages() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) throws IOException {
            byte[] bytes = Place.WHOLE.clone();
            ByteBuffer patches = ByteBuffer.wrap(input);
            while (patches.remaining() >= PATCH) {
                bytes[Math.floorMod(patches.getInt(), bytes.length)] = patches.get();
            }
            Path file = Files.write(Place.FOLDER.resolve("pages.db"), bytes);
            try {
                new LogbookGuard(file).check(true);
                read(file);
            } catch (UnreadableInput refused) {
                Checks.hold(
                        refused.getMessage().contains("logbook")
                                || !refused.getMessage().isBlank(),
                        "no words");
            }
            Files.deleteIfExists(Place.FOLDER.resolve("pages.db-journal"));
        }
    }

    /** A journal beside a whole logbook. */
    public static final class Journal {
        private Journal() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) throws IOException {
            Path file = Place.FOLDER.resolve("journal.db");
            Files.write(file, Place.WHOLE);
            Files.write(Place.FOLDER.resolve("journal.db-journal"), input);
            try {
                new LogbookGuard(file).check(true);
                read(file);
            } catch (UnreadableInput refused) {
                Checks.hold(!refused.getMessage().isBlank(), "no words");
            }
        }
    }

    private static void read(Path file) {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file)) {
            Logbook logbook = new Logbook(connection);
            logbook.phones().forEach(logbook::dossier);
            IntegrityCheck.of(file);
        } catch (SQLException | DataAccessException broken) {
            // Told to the person as a logbook that cannot be read.
            return;
        }
    }

    /** Called by the fuzzer for each input: the first byte says which cell the rest is. */
    public static void fuzzerTestOneInput(byte[] input) {
        if (input.length > 1) {
            String text = new String(input, 1, input.length - 1, StandardCharsets.UTF_8);
            CellCheck.isReadable(COLUMNS.get(Math.floorMod(input[0], COLUMNS.size())), text);
        }
    }
}
