package org.mobrak.core.gather;

import java.time.Instant;
import java.util.Optional;
import org.mobrak.core.catalogue.PartitionClass;

/**
 * A copy that can bring a phone back: an image taken from it, or its maker's firmware.
 *
 * @param id the logbook's number
 * @param covers what it can put back
 * @param model whose it is
 * @param build the build it is of
 * @param check how the last look at it went; empty if nobody has looked since it was registered
 */
public record StockCopy(
        long id, long phoneId, PartitionClass covers, String model, String build, Kept file, Optional<Check> check) {
    /** A look at a copy: whether its digest was still the one it was registered with. */
    public record Check(Instant at, boolean whole) {}

    /** Whether it lies there and the last look found it whole. */
    public boolean isVerified() {
        return file.isThere() && check.filter(Check::whole).isPresent();
    }

    /** Whether a look found it damaged. */
    public boolean isDamaged() {
        return check.filter(looked -> !looked.whole()).isPresent();
    }
}
