package org.mobrak.core.logbook.transfer;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.MappingIterator;
import java.io.Closeable;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.apache.commons.io.input.BoundedInputStream;
import org.mobrak.core.identity.UnreadableInput;

/** A zip that says it is an export: every name in it is one that exports have, and nothing in it grows without bound. */
final class ExportZip implements Closeable {
    private static final long MOST_BYTES = 4L << 30;
    private static final long MOST_INSIDE = 64L << 30;
    private static final int MOST_ROWS = 2_000_000;
    private static final int MOST_ENTRIES = 200_000;
    /** No entry of a catalogue is larger, going out or coming in. */
    static final int MOST_OF_AN_ENTRY = 16 << 20;
    /** So much any workspace may hold; what is more must be worth its zip: text packs to a tenth, seldom to a hundredth. */
    private static final long SMALL_WORKSPACE = 32L << 20;

    private static final int MOST_PACKED = 400;

    private static final int SMALL = 1 << 20;
    private static final String SETTINGS = "settings.jsonl";
    private static final String CATALOGUE = "catalogue/";
    private static final int DEEPEST = 6;
    private static final Pattern PART = Pattern.compile("[\\p{L}\\p{N}_ +()-][\\p{L}\\p{M}\\p{N}._ +()-]{0,120}");

    private final Path file;
    private final ZipFile zip;
    private final List<String> catalogue = new ArrayList<>();
    private long rows;

    private ExportZip(Path file, ZipFile zip) {
        this.file = file;
        this.zip = zip;
    }

    /** Something that takes one row. */
    interface Taker {
        void take(JsonNode row) throws IOException;
    }

    static ExportZip open(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new UnreadableInput(file + " is no file; name the zip that was exported.");
        }
        try {
            ExportZip opened = new ExportZip(file, new ZipFile(file.toFile()));
            try {
                opened.check();
                return opened;
            } catch (IOException | RuntimeException refused) {
                opened.close();
                throw refused;
            }
        } catch (ZipException | EOFException | IllegalArgumentException noZip) {
            // The library tells of names that are no UTF-8, and of a directory that points behind the end, in ways of
            // its own.
            throw new UnreadableInput(file + " is no zip, or not all of one: " + noZip.getMessage() + ".");
        }
    }

    private void check() throws IOException {
        Set<String> seen = new HashSet<>();
        long bytes = 0;
        long insideBytes = 0;
        for (ZipEntry entry : (Iterable<ZipEntry>) zip.stream().map(ZipEntry.class::cast)::iterator) {
            String name = entry.getName();
            if (!seen.add(name)) {
                throw refused("holds “" + name + "” twice");
            }
            boolean part = Part.ofFile(name).isPresent() || name.equals(SETTINGS) || name.equals(Manifest.FILE);
            boolean ofTheCatalogue = isOfTheCatalogue(name);
            boolean inside = isInside(name);
            if (!part && !ofTheCatalogue && !inside || entry.isDirectory()) {
                throw refused("holds “" + name + "”, which no export has");
            }
            if (ofTheCatalogue) {
                catalogue.add(name);
            }
            bytes += inside ? 0 : Math.max(0, entry.getSize());
            insideBytes += inside ? Math.max(0, entry.getSize()) : 0;
            long most = Math.min(MOST_BYTES, Math.max(SMALL_WORKSPACE, MOST_PACKED * Files.size(file)));
            if (bytes > most || insideBytes > MOST_INSIDE || catalogue.size() > MOST_ENTRIES) {
                throw refused("would grow far beyond what a workspace holds");
            }
        }
        manifest();
        for (Part part : Part.values()) {
            if (zip.getEntry(part.file()) == null) {
                throw refused("lacks “" + part.file() + "”");
            }
        }
    }

    /** No part of such a name leads out of its folder or begins with a dot. */
    static boolean isOfTheCatalogue(String name) {
        if (!name.startsWith(CATALOGUE)) {
            return false;
        }
        String[] parts = name.substring(CATALOGUE.length()).split("/", -1);
        return parts.length < DEEPEST
                && Arrays.stream(parts).allMatch(part -> PART.matcher(part).matches());
    }

    private static boolean isInside(String name) {
        return name.startsWith(CarriedFiles.INSIDE)
                && PART.matcher(name.substring(CarriedFiles.INSIDE.length())).matches();
    }

    private void manifest() throws IOException {
        ZipEntry entry = zip.getEntry(Manifest.FILE);
        if (entry == null) {
            throw refused("has no “" + Manifest.FILE + "”");
        }
        try (Reader in = text(bounded(entry, SMALL))) {
            Manifest manifest = Export.MAPPER.readValue(in, Manifest.class);
            if (manifest == null || !Manifest.FORMAT.equals(manifest.format())) {
                throw refused("is of another form");
            }
            if (manifest.version() > Manifest.VERSION) {
                throw new UnreadableInput(file + " was written by a newer Mobrak; import it with that one.");
            }
        } catch (JsonProcessingException broken) {
            throw refused("has a “" + Manifest.FILE + "” that cannot be read");
        }
    }

    UnreadableInput refused(String why) {
        return new UnreadableInput(file + " is no export of a workspace: it " + why + ". Nothing was changed.");
    }

    /** The names of the catalogue's files, with their folder. */
    List<String> catalogue() {
        return List.copyOf(catalogue);
    }

    /** A file that came along; empty where it did not. */
    Optional<InputStream> inside(String name) throws IOException {
        ZipEntry entry = isInside(name) ? zip.getEntry(name) : null;
        return entry == null ? Optional.empty() : Optional.of(bounded(entry, MOST_INSIDE));
    }

    byte[] content(String name) throws IOException {
        try (InputStream in = bounded(zip.getEntry(name), MOST_OF_AN_ENTRY)) {
            return in.readAllBytes();
        }
    }

    /** Gives each row of a kind to its taker. */
    void rows(Part part, Taker taker) throws IOException {
        rows(part.file(), taker);
    }

    void settings(Taker taker) throws IOException {
        if (zip.getEntry(SETTINGS) != null) {
            rows(SETTINGS, taker);
        }
    }

    private void rows(String name, Taker taker) throws IOException {
        ZipEntry entry = zip.getEntry(name);
        try (Reader in = text(bounded(entry, MOST_BYTES));
                MappingIterator<JsonNode> all =
                        Export.MAPPER.readerFor(JsonNode.class).readValues(in)) {
            while (all.hasNext()) {
                JsonNode row = all.next();
                rows++;
                if (rows > MOST_ROWS) {
                    throw refused("holds more than " + MOST_ROWS + " rows");
                }
                if (!row.isObject()) {
                    throw refused("holds something else than rows in “" + name + "”");
                }
                taker.take(row);
            }
        } catch (JsonProcessingException broken) {
            throw refused("cannot be read in “" + name + "”, line "
                    + broken.getLocation().getLineNr());
        } catch (RuntimeException wrapped) {
            // The iterator hands on what it cannot throw.
            if (wrapped.getCause() instanceof JsonProcessingException broken) {
                throw refused("cannot be read in “" + name + "”, line "
                        + broken.getLocation().getLineNr());
            }
            throw wrapped;
        }
    }

    /** All of an export is UTF-8; bytes that are not become marks, and are told where they stand. */
    private static Reader text(InputStream in) {
        return new InputStreamReader(in, StandardCharsets.UTF_8);
    }

    /** What an entry says of its size is not believed: where more comes it is refused. */
    private InputStream bounded(ZipEntry entry, long limit) throws IOException {
        long most = entry.getSize() < 0 ? limit : Math.min(limit, entry.getSize() + 1);
        return BoundedInputStream.builder()
                .setInputStream(zip.getInputStream(entry))
                .setMaxCount(most)
                .setOnMaxCount((max, count) -> {
                    throw refused("would grow far beyond what a workspace holds");
                })
                .get();
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}
