package org.mobrak.core.logbook;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.mobrak.core.identity.Finding;

/**
 * Keeps the times in the logbook in the order of its entries. A clock that was set back would else make a later entry look like
 * an earlier one, and what was read before would go on counting. Entries are moved together, so that what was taken at one time
 * stays at one time.
 */
final class Sequence {
    private static final Duration STEP = Duration.ofMillis(1);

    private Duration lag = Duration.ZERO;

    /** The time under which an entry is kept, never before the last one's. */
    synchronized Instant place(Instant clock, Optional<Instant> last) {
        if (last.isEmpty() || !clock.isBefore(last.get())) {
            lag = Duration.ZERO;
        } else if (clock.plus(lag).isBefore(last.get())) {
            lag = Duration.between(clock, last.get()).plus(STEP);
        }
        return clock.plus(lag);
    }

    /** Says that an entry is kept under another time than the clock said; empty where it is not. */
    static Optional<Finding> oddClock(Instant clock, Instant kept) {
        return clock.equals(kept)
                ? Optional.empty()
                : Optional.of(Finding.caution(
                        "odd-clock",
                        "The computer's clock said %s, which is before the entry that came last. This one is kept after it; set the clock right."
                                .formatted(clock)));
    }
}
