package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.ByteBuffer;
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
 * Keeps other programs out of a workspace. Its file may come from somebody else: it is opened only where it is a plain file that nothing
 * else is a name of, and what stands in it is never overwritten.
 */
final class WorkspaceLock implements AutoCloseable {
    private static final byte[] HAD_A_LOGBOOK = "has a logbook\n".getBytes(StandardCharsets.US_ASCII);
    private static final String NAME = "workspace.lock";

    private final FileChannel channel;

    private WorkspaceLock(FileChannel channel) {
        this.channel = channel;
    }

    /** An {@link UnreadableInput} tells who holds the workspace, or what is wrong with its file. */
    static WorkspaceLock of(Path folder) throws IOException {
        Path file = folder.resolve(NAME);
        if (Files.exists(file, LinkOption.NOFOLLOW_LINKS)) {
            check(file);
        }
        FileChannel channel =
                FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE, LinkOption.NOFOLLOW_LINKS);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                return new WorkspaceLock(channel);
            }
        } catch (OverlappingFileLockException sameProgram) {
            // Told like a lock of another program.
        }
        channel.close();
        throw new UnreadableInput(folder + " is open in another Mobrak; close that one first.");
    }

    private static void check(Path file) throws IOException {
        boolean shared = file.getFileSystem().supportedFileAttributeViews().contains("unix")
                && ((Number) Files.getAttribute(file, "unix:nlink", LinkOption.NOFOLLOW_LINKS)).intValue() > 1;
        if (shared || !Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
            throw new UnreadableInput(
                    file
                            + " is a link or a device and no file of its own; it is not opened. Delete it, then open the folder again.");
        }
    }

    /** Whether there has been a logbook here before. */
    boolean isKnown() throws IOException {
        return channel.size() > 0;
    }

    /** From now on an empty drawer is told apart from a logbook that went missing. */
    void mark() throws IOException {
        if (!isKnown()) {
            channel.write(ByteBuffer.wrap(HAD_A_LOGBOOK), 0);
        }
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
