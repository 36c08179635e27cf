package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;

/**
 * What this person's computer knows of a workspace's folder: whether this very one was made, opened or agreed to here. Kept outside of
 * it, under a name made of its real path, since a folder may come from somebody else.
 */
final class KnownFolder {
    private static final int LONGEST = 64 << 10;
    private static final String NOTE = ".known";

    private final Path folder;
    private final Path note;

    private KnownFolder(Path folder, Path note) {
        this.folder = folder;
        this.note = note;
    }

    /** @param cache a folder of the person's own */
    static KnownFolder of(Path folder, Path cache) throws IOException {
        return new KnownFolder(folder, place(folder, cache, NOTE));
    }

    /** Where something about a folder is kept. */
    static Path place(Path folder, Path cache, String ending) throws IOException {
        return PrivateFolder.make(cache.resolve("workspaces"))
                .resolve(Checksum.of(folder.toRealPath().toString()) + ending);
    }

    /** One without a logbook is nobody's yet. */
    boolean isTrusted() throws IOException {
        return Files.notExists(folder.resolve("logbook.db"), LinkOption.NOFOLLOW_LINKS)
                || lines(note).equals(List.of(folder.toRealPath().toString(), number(folder)));
    }

    void trust() throws IOException {
        if (!lines(note).equals(List.of(folder.toRealPath().toString(), number(folder)))) {
            Output.write(note, folder.toRealPath() + "\n" + number(folder) + "\n");
            sweep(Objects.requireNonNull(note.getParent()));
        }
    }

    private static List<String> lines(Path note) throws IOException {
        boolean plain = Files.isRegularFile(note, LinkOption.NOFOLLOW_LINKS) && Files.size(note) < LONGEST;
        return plain
                ? new String(Files.readAllBytes(note), StandardCharsets.UTF_8)
                        .lines()
                        .toList()
                : List.of();
    }

    /** What the file system calls the folder, whoever moves it; its owner goes with it. */
    private static String number(Path folder) throws IOException {
        Path real = folder.toRealPath();
        String inode = real.getFileSystem().supportedFileAttributeViews().contains("unix")
                ? String.valueOf(Files.getAttribute(real, "unix:ino"))
                : "known";
        return inode + " " + Files.getOwner(real);
    }

    /** Of folders that were only for trying, and are gone, nothing need be kept. */
    private static void sweep(Path place) throws IOException {
        Path temporary = Path.of(System.getProperty("java.io.tmpdir"));
        try (DirectoryStream<Path> notes = Files.newDirectoryStream(place, "*" + NOTE)) {
            for (Path one : notes) {
                List<String> lines = lines(one);
                if (!lines.isEmpty() && isGone(lines.get(0), temporary)) {
                    Files.deleteIfExists(one);
                    Files.deleteIfExists(
                            one.resolveSibling(one.getFileName().toString().replace(NOTE, WorkspaceLock.ENDING)));
                }
            }
        }
    }

    private static boolean isGone(String path, Path temporary) {
        try {
            Path folder = Path.of(path);
            return folder.startsWith(temporary) && Files.notExists(folder);
        } catch (InvalidPathException noPath) {
            return true;
        }
    }
}
