package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.UnreadableInput;

/**
 * Keeps other programs of the same person out of a workspace, and remembers which folder it was. It lies outside of the workspace, under
 * a name made of the real path, since a folder may come from somebody else.
 */
final class WorkspaceLock implements AutoCloseable {
    /** In the workspace: that there has been a logbook. It goes and comes with the folder, and is never written over. */
    private static final String MARK = "workspace.lock";

    private static final byte[] HAS_A_LOGBOOK = "has a logbook\n".getBytes(StandardCharsets.US_ASCII);

    private static final int LONGEST = 64 << 10;

    private final Path folder;
    private final FileChannel channel;
    private Note note;

    private WorkspaceLock(Path folder, FileChannel channel) throws IOException {
        this.folder = folder;
        this.channel = channel;
        this.note = Note.of(channel);
    }

    /**
     * What is kept of a folder, a line each.
     *
     * @param folder which one it was by the file system's own number; empty where nobody agreed to open it yet
     */
    private record Note(String path, String folder) {
        static Note of(FileChannel channel) throws IOException {
            ByteBuffer bytes = ByteBuffer.allocate((int) Math.min(LONGEST, channel.size()));
            channel.read(bytes, 0);
            List<String> lines =
                    new String(bytes.array(), StandardCharsets.UTF_8).lines().toList();
            return new Note(line(lines, 0), line(lines, 1));
        }

        private static String line(List<String> lines, int number) {
            return number < lines.size() ? lines.get(number) : "";
        }

        byte[] bytes() {
            return (path + "\n" + folder + "\n").getBytes(StandardCharsets.UTF_8);
        }
    }

    /**
     * Holds a workspace. An {@link UnreadableInput} tells who else does.
     *
     * @param cache a folder of the person's own
     */
    static WorkspaceLock of(Path folder, Path cache) throws IOException {
        Path place = PrivateFolder.make(cache.resolve("workspaces"));
        sweep(place);
        Path file = place.resolve(Checksum.of(folder.toRealPath().toString()));
        FileChannel channel = FileChannel.open(
                file,
                StandardOpenOption.CREATE,
                StandardOpenOption.READ,
                StandardOpenOption.WRITE,
                LinkOption.NOFOLLOW_LINKS);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                return new WorkspaceLock(folder, channel);
            }
        } catch (OverlappingFileLockException sameProgram) {
            // Told like a lock of another program.
        } catch (IOException | RuntimeException failed) {
            channel.close();
            throw failed;
        }
        channel.close();
        throw new UnreadableInput(folder + " is open in another Mobrak; close that one first.");
    }

    /** Of folders that were only for trying, and are gone, nothing need be kept. */
    private static void sweep(Path place) throws IOException {
        Path temporary = Path.of(System.getProperty("java.io.tmpdir"));
        try (DirectoryStream<Path> all = Files.newDirectoryStream(place)) {
            for (Path file : all) {
                try (FileChannel channel = FileChannel.open(
                                file, StandardOpenOption.READ, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS);
                        FileLock lock = channel.tryLock()) {
                    Path folder = Path.of(Note.of(channel).path());
                    if (lock != null && folder.startsWith(temporary) && Files.notExists(folder)) {
                        Files.deleteIfExists(file);
                    }
                } catch (IOException | OverlappingFileLockException | InvalidPathException inUse) {
                    continue;
                }
            }
        }
    }

    /** Whether there has been a logbook here before. */
    boolean hadLogbook() throws IOException {
        Path mark = folder.resolve(MARK);
        boolean marked = Files.isRegularFile(mark, LinkOption.NOFOLLOW_LINKS) && Files.size(mark) > 0;
        return marked || !Backups.of(folder).isEmpty();
    }

    /** From now on an empty drawer is told apart from a logbook that went missing. */
    void mark() throws IOException {
        Path mark = folder.resolve(MARK);
        if (Files.notExists(mark, LinkOption.NOFOLLOW_LINKS)) {
            Files.write(mark, HAS_A_LOGBOOK, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        }
    }

    /** Whether this very folder was opened here before, or the person agreed to it; one without a logbook is nobody's yet. */
    boolean isTrusted() throws IOException {
        return Files.notExists(folder.resolve("logbook.db"), LinkOption.NOFOLLOW_LINKS)
                || note.folder().equals(number(folder));
    }

    void trust() throws IOException {
        write(new Note(folder.toRealPath().toString(), number(folder)));
    }

    /** What the file system calls the folder, whoever moves it; its owner goes with it. */
    private static String number(Path folder) throws IOException {
        Path real = folder.toRealPath();
        Optional<Object> inode =
                real.getFileSystem().supportedFileAttributeViews().contains("unix")
                        ? Optional.of(Files.getAttribute(real, "unix:ino"))
                        : Optional.empty();
        return inode.map(String::valueOf).orElse("known") + " " + Files.getOwner(real);
    }

    private void write(Note other) throws IOException {
        if (!other.equals(note)) {
            byte[] bytes = other.bytes();
            channel.write(ByteBuffer.wrap(bytes), 0);
            channel.truncate(bytes.length);
            note = other;
        }
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
