package org.mobrak.core.material.reader;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedByInterruptException;
import java.nio.channels.SeekableByteChannel;

/**
 * A channel from which only so much may be read until it is set free: a library that reads a directory into memory cannot
 * be made to read gigabytes. Reading only.
 */
final class BoundedChannel implements SeekableByteChannel {
    private final SeekableByteChannel channel;
    private final long most;
    private long read;
    private boolean free;

    BoundedChannel(SeekableByteChannel channel, long most) {
        this.channel = channel;
        this.most = most;
    }

    /** From now on without a bound. */
    void free() {
        free = true;
    }

    @Override
    public int read(ByteBuffer into) throws IOException {
        int count = readChannel(into);
        read += Math.max(0, count);
        if (!free && read > most) {
            throw new Broken(
                    "too-many-members", "its directory is larger than %d MiB and was not read".formatted(most >> 20));
        }
        return count;
    }

    private int readChannel(ByteBuffer into) throws IOException {
        try {
            return channel.read(into);
        } catch (ClosedByInterruptException cancelled) {
            throw cancelled;
        } catch (IOException failed) {
            throw new SourceFailed("The file could not be read: " + failed.getMessage(), failed);
        }
    }

    @Override
    public int write(ByteBuffer from) {
        throw new UnsupportedOperationException("for reading only");
    }

    @Override
    public long position() throws IOException {
        return channel.position();
    }

    @Override
    public SeekableByteChannel position(long place) throws IOException {
        channel.position(place);
        return this;
    }

    @Override
    public long size() throws IOException {
        return channel.size();
    }

    @Override
    public SeekableByteChannel truncate(long size) {
        throw new UnsupportedOperationException("for reading only");
    }

    @Override
    public boolean isOpen() {
        return channel.isOpen();
    }

    /** Does nothing: the library closes what it reads when it is collected as garbage, and the channel is not its own. */
    @Override
    public void close() {}
}
