package org.mobrak.core.catalogue.file;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.ProviderNotFoundException;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipError;
import java.util.zip.ZipFile;
import org.mobrak.core.identity.UnreadableInput;

/** Somebody's catalogue in a zip, looked into without unpacking it. */
final class CatalogueZip implements Closeable {
    private final FileSystem files;
    private final Set<String> twice;

    private CatalogueZip(FileSystem files, Set<String> twice) {
        this.files = files;
        this.twice = twice;
    }

    /** Opens a zip; an {@link UnreadableInput} tells that it is none. */
    static CatalogueZip open(Path file) throws IOException {
        try {
            return new CatalogueZip(FileSystems.newFileSystem(file, Map.of()), twice(file));
        } catch (ProviderNotFoundException | ZipError | IOException notZip) {
            throw new UnreadableInput(file + " is neither a catalogue folder nor a zip of one.");
        }
    }

    /** The names that several members bear: as a file system the archive shows one of them and keeps quiet about the rest. */
    private static Set<String> twice(Path file) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            Set<String> seen = new HashSet<>();
            return zip.stream()
                    .map(ZipEntry::getName)
                    .filter(name -> !seen.add(name))
                    .collect(Collectors.toSet());
        }
    }

    /** The catalogue's folder: in a zip it may stand in one of its own. */
    Path root() throws IOException {
        Path top = files.getPath("/");
        try (Stream<Path> inside = Files.list(top)) {
            List<Path> folders = inside.filter(Files::isDirectory).toList();
            boolean nested = folders.size() == 1
                    && Entries.KINDS.stream()
                            .noneMatch(kind ->
                                    folders.get(0).getFileName().toString().startsWith(kind));
            return nested ? folders.get(0) : top;
        }
    }

    /** The catalogue's files, by their path in its folder, that stand in the archive more than once. */
    Set<String> twice() throws IOException {
        Path root = root();
        return twice.stream()
                .map(name -> files.getPath("/").resolve(name).normalize())
                .filter(file -> file.startsWith(root))
                .map(file -> root.relativize(file).toString())
                .collect(Collectors.toSet());
    }

    @Override
    public void close() throws IOException {
        files.close();
    }
}
