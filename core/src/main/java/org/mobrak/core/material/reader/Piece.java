package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.SeekableByteChannel;
import java.util.Optional;
import java.util.OptionalLong;
import org.apache.commons.io.input.BoundedInputStream;

/**
 * A piece of a file that is about to be looked at.
 *
 * @param path the names from the file down to it, for messages
 * @param bytes its size, where its holder says so
 * @param in its bytes, once
 * @param random its bytes in any order, where it is a file of its own
 * @param depth how many holders it is in
 */
record Piece(String path, String name, OptionalLong bytes, Feed in, Optional<SeekableByteChannel> random, int depth) {

    /** A piece within this one, read from a stream of its own. */
    Piece inside(String member, OptionalLong size, InputStream from) {
        return new Piece(path + " › " + member, member, size, new Feed(from), Optional.empty(), depth + 1);
    }

    /** A piece of a known size that begins where this piece's stream stands. */
    Piece section(String member, long size) throws IOException {
        InputStream part = BoundedInputStream.builder()
                .setInputStream(in)
                .setMaxCount(size)
                .setPropagateClose(false)
                .get();
        return inside(member, OptionalLong.of(size), part);
    }
}
