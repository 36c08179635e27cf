package org.mobrak.core.material.reader;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.Channels;
import java.nio.channels.ClosedByInterruptException;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import org.apache.commons.io.input.BoundedInputStream;
import org.apache.commons.io.input.ProxyInputStream;
import org.mobrak.core.identity.UnreadableInput;

/** The file that is looked into, held open; it can tell whether it has changed since. */
final class SourceFile implements AutoCloseable {
    /** Enough for the headers of small members; whatever reads more at once goes past it. */
    private static final int BUFFER = 1 << 14;

    private final Path path;
    private final FileChannel channel;
    private final long bytes;
    private final FileTime changed;

    private SourceFile(Path path, FileChannel channel) throws IOException {
        this.path = path;
        this.channel = channel;
        this.bytes = channel.size();
        this.changed = Files.getLastModifiedTime(path);
    }

    /** Opens a plain file; an {@link UnreadableInput} tells in one line why another thing is none. */
    static SourceFile open(Path path) throws IOException {
        if (Files.notExists(path)) {
            throw new UnreadableInput(path + " does not exist; check the path.");
        }
        if (!Files.readAttributes(path, BasicFileAttributes.class).isRegularFile()) {
            throw new UnreadableInput(path + " is no plain file (a folder, a device or a pipe); name a file.");
        }
        try {
            return new SourceFile(path, FileChannel.open(path, StandardOpenOption.READ));
        } catch (AccessDeniedException denied) {
            throw new UnreadableInput(path + " may not be read by you; check its permissions.");
        }
    }

    long bytes() {
        return bytes;
    }

    FileChannel channel() {
        return channel;
    }

    /**
     * Its bytes from the start, as many as it had when it was opened: one that grows while it is read would have no end.
     * Skipping costs nothing.
     */
    InputStream stream() throws IOException {
        channel.position(0);
        InputStream bytes = new ProxyInputStream(Channels.newInputStream(channel)) {
            @Override
            protected void handleIOException(IOException failed) throws IOException {
                throw failed instanceof ClosedByInterruptException
                        ? failed
                        : new SourceFailed(path + " could not be read to its end: " + failed.getMessage(), failed);
            }
        };
        InputStream upToKnownEnd = BoundedInputStream.builder()
                .setInputStream(bytes)
                .setMaxCount(this.bytes)
                .get();
        return new BufferedInputStream(upToKnownEnd, BUFFER);
    }

    /** Whether its size or time is another than when it was opened. */
    boolean hasChanged() throws IOException {
        return Files.notExists(path)
                || Files.size(path) != bytes
                || !Files.getLastModifiedTime(path).equals(changed);
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
