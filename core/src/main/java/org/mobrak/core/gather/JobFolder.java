package org.mobrak.core.gather;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.material.ChecksumList;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Watch;
import org.mobrak.core.plan.Transfer;

/** Where the files of one job are kept together: a folder whose name sorts by day, files whose names sort by their turn. */
public final class JobFolder {
    private static final int STEP = 1 << 18;
    private static final String PART = ".part";
    /** The name by which such lists are known. */
    private static final String CHECKSUMS = "SHA256SUMS";

    private final Path folder;

    private JobFolder(Path folder) {
        this.folder = folder;
    }

    /**
     * The folder of a job; it is made when the first file comes.
     *
     * @param files the folder that holds all jobs' folders
     */
    public static JobFolder of(Path files, LocalDate day, String phone, String goal) {
        return new JobFolder(files.resolve("%s %s, %s".formatted(day, plain(phone), plain(goal))));
    }

    /** What every file system takes. */
    private static String plain(String text) {
        return text.toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{Nd}]+", "-")
                .replaceAll("^-|-$", "");
    }

    public Path path() {
        return folder;
    }

    /** Where a file goes: its turn, then its own name, which flashers and people know it by. */
    public Path place(int turn, String name) {
        return folder.resolve("%02d %s".formatted(turn, name.replaceAll("[/\\\\:*?\"<>|\\p{Cntrl}]", "-")));
    }

    /**
     * Copies a file to its place. A copy that fails or is cancelled leaves nothing behind.
     *
     * @throws UnreadableInput if there is no room, or the file system cannot hold a file so large
     * @throws java.nio.channels.ClosedByInterruptException if the thread was interrupted
     */
    public Path keep(Path from, Path place, Watch watch) throws IOException {
        make();
        checkRoom(Files.size(from), Files.getFileStore(folder));
        Path part = part(place);
        try {
            copy(from, part, watch);
            Files.setLastModifiedTime(part, Files.getLastModifiedTime(from));
            return Files.move(part, place, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** Writes a checksum list of the files that lie here, which {@code sha256sum -c} accepts within the folder. */
    public void writeChecksums(List<Kept> kept) throws IOException {
        List<ChecksumList.Line> lines = kept.stream()
                .filter(file -> file.path().startsWith(folder) && file.isThere())
                .flatMap(file -> file.material().digests().of(Digest.SHA256).stream()
                        .map(value -> new ChecksumList.Line(
                                Optional.of(folder.relativize(file.path()).toString()), Digest.SHA256, value)))
                .sorted(Comparator.comparing(line -> line.name().orElse("")))
                .toList();
        make();
        Path part = part(folder.resolve(CHECKSUMS));
        try {
            Files.writeString(part, ChecksumList.write(lines), StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
            Files.move(
                    part,
                    folder.resolve(CHECKSUMS),
                    StandardCopyOption.REPLACE_EXISTING,
                    StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** Nothing is written through a link: a folder from somebody else could point it at the user's own files. */
    private void make() throws IOException {
        for (Path part : List.of(folder.getParent(), folder)) {
            if (Files.isSymbolicLink(part)) {
                throw new UnreadableInput(part + " is a link and may lead anywhere; put a real folder in its place.");
            }
        }
        Files.createDirectories(folder);
    }

    /** Where a file grows before it takes its name; whatever lies there, a link too, is taken away and not written into. */
    private static Path part(Path place) throws IOException {
        Path part = place.resolveSibling(place.getFileName() + PART);
        Files.deleteIfExists(part);
        return part;
    }

    private void checkRoom(long bytes, FileStore store) throws IOException {
        if (store.getUsableSpace() < bytes) {
            throw new UnreadableInput("%s has %,d bytes free and %,d are needed; make room, then try again."
                    .formatted(folder, store.getUsableSpace(), bytes));
        }
        if (bytes > Transfer.FAT32_MOST && store.type().toLowerCase(Locale.ROOT).matches(".*(fat|msdos).*")) {
            throw new UnreadableInput(
                    folder + " is on a FAT file system, which holds no file of 4 GiB or more; choose another place.");
        }
    }

    private static void copy(Path from, Path to, Watch watch) throws IOException {
        // Channels, unlike streams, can be interrupted.
        try (InputStream in = Channels.newInputStream(FileChannel.open(from, StandardOpenOption.READ));
                OutputStream out = Channels.newOutputStream(
                        FileChannel.open(to, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE))) {
            byte[] step = new byte[STEP];
            for (int read = in.read(step); read >= 0; read = in.read(step)) {
                out.write(step, 0, read);
                watch.read(read);
            }
        }
    }
}
