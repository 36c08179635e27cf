package org.mobrak.core.gather;

import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;

/**
 * A file that was looked into once.
 *
 * @param id the logbook's number
 * @param modified when it was last changed as it was looked into
 * @param seenAt when it was looked into
 * @param state whether it is still so
 */
public record Kept(long id, Path path, Material material, Instant modified, Instant seenAt, State state) {
    /** What has become of the file since. */
    public enum State {
        /** It lies there with the same size and time. */
        THERE,
        /** It lies there with another size or time. */
        CHANGED,
        /** It no longer lies there. */
        GONE
    }

    /** Whether two are the same to the byte; no where a digest is lacking. */
    public boolean isSame(Kept other) {
        Optional<String> own = material.digests().of(Digest.SHA256);
        return own.isPresent() && own.equals(other.material.digests().of(Digest.SHA256));
    }

    /** The same for a phone whose partitions are called so. */
    public Kept by(PartitionNames names) {
        return new Kept(id, path, material.by(names), modified, seenAt, state);
    }

    public boolean isThere() {
        return state == State.THERE;
    }
}
