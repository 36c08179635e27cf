package org.mobrak.core.material;

/**
 * Follows long reading. It is called on the thread that reads; that thread is interrupted to cancel, and the reader then ends
 * with a {@link java.nio.channels.ClosedByInterruptException}.
 */
@FunctionalInterface
public interface Watch {
    /** For whoever does not look. */
    Watch NONE = bytes -> {};

    /** So many more bytes were read. */
    void read(long bytes);
}
