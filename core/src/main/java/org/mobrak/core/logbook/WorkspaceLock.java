package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.mobrak.core.identity.UnreadableInput;

/**
 * Keeps other programs of the same person out of a workspace. Its file lies outside, and nothing else is ever read from it: on some
 * systems a file that is closed gives away all locks of the program on it.
 */
final class WorkspaceLock implements AutoCloseable {
    static final String ENDING = ".lock";
    /** In the workspace: that there has been a logbook. It goes and comes with the folder, and is never written over. */
    private static final String MARK = "workspace.lock";

    private static final byte[] HAS_A_LOGBOOK = "has a logbook\n".getBytes(StandardCharsets.US_ASCII);

    private final Path folder;
    private final FileChannel channel;

    private WorkspaceLock(Path folder, FileChannel channel) {
        this.folder = folder;
        this.channel = channel;
    }

    /**
     * Holds a workspace. An {@link UnreadableInput} tells that somebody else does.
     *
     * @param cache a folder of the person's own
     */
    static WorkspaceLock of(Path folder, Path cache) throws IOException {
        FileChannel channel = FileChannel.open(
                KnownFolder.place(folder, cache, ENDING),
                StandardOpenOption.CREATE,
                StandardOpenOption.WRITE,
                LinkOption.NOFOLLOW_LINKS);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                return new WorkspaceLock(folder, channel);
            }
        } catch (OverlappingFileLockException sameProgram) {
            // Told like a lock of another program.
        }
        channel.close();
        throw new UnreadableInput(folder + " is open in another Mobrak; close that one first.");
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

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
