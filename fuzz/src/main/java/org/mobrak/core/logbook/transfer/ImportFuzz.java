package org.mobrak.core.logbook.transfer;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.fuzz.Checks;

/** A zip that says it is an export, and what it says of itself. */
public final class ImportFuzz {
    private ImportFuzz() {}

    private static final class Place {
        private static final Path FILE = make();

        private static Path make() {
            try {
                return Files.createTempFile(Path.of("/dev/shm"), "import", ".zip");
            } catch (IOException none) {
                throw new UncheckedIOException(none);
            }
        }
    }

    /** The input up to its first line's end is the manifest; the rest are rows of phones. */
    public static final class Manifests {
        private Manifests() {}

        /** Called by the fuzzer for each input. */
        public static void fuzzerTestOneInput(byte[] input) throws IOException {
            String text = new String(input, StandardCharsets.UTF_8);
            int end = Math.max(0, text.indexOf('\n'));
            try (OutputStream file = Files.newOutputStream(Place.FILE);
                    ZipOutputStream zip = new ZipOutputStream(file)) {
                zip.setLevel(0);
                add(zip, Manifest.FILE, text.substring(0, end));
                for (Part part : Part.values()) {
                    add(zip, part.file(), part == Part.PHONES ? text.substring(end) : "");
                }
            }
            look();
        }

        private static void add(ZipOutputStream zip, String name, String content) throws IOException {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content.getBytes(StandardCharsets.UTF_8));
            zip.closeEntry();
        }
    }

    /** Called by the fuzzer for each input: the zip itself. */
    public static void fuzzerTestOneInput(byte[] input) throws IOException {
        Files.write(Place.FILE, input);
        look();
    }

    private static void look() throws IOException {
        try (ExportZip zip = ExportZip.open(Place.FILE)) {
            for (Part part : Part.values()) {
                zip.rows(part, row -> Checks.hold(row.isObject(), "a row that is none"));
            }
            for (String name : zip.catalogue()) {
                zip.content(name);
            }
        } catch (UnreadableInput refused) {
            Checks.hold(!refused.getMessage().isBlank(), "a refusal without words");
        }
    }
}
