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
    /** By so much clocks may differ, with time zones set wrong; our own choice. */
    private static final Duration AHEAD = Duration.ofDays(1);
    /** Before this there was no Mobrak: a clock that says less has lost its time. */
    private static final Instant OLDEST_CLOCK = Instant.parse("2026-01-01T00:00:00Z");

    private Duration lag = Duration.ZERO;

    /**
     * The time under which an entry is kept, not before the last one's. Where that one was written down by a clock far ahead of this,
     * this one keeps its own time: else it would bear that of a year that has not come. The order of entries is in the chain.
     */
    synchronized Instant place(Instant clock, Optional<Instant> last) {
        if (last.isEmpty() || isAhead(last.get(), clock) || !clock.isBefore(last.get())) {
            lag = Duration.ZERO;
        } else if (clock.plus(lag).isBefore(last.get())) {
            lag = Duration.between(clock, last.get()).plus(STEP);
        }
        return clock.plus(lag);
    }

    /** The same for an entry that must not bear the last one's time, or nobody would know which came first. */
    Instant placeAfter(Instant clock, Optional<Instant> last) {
        Instant at = place(clock, last);
        return last.filter(before -> !before.isBefore(at) && !isAhead(before, clock))
                .map(before -> before.plus(STEP))
                .orElse(at);
    }

    /** Whether a time is so much later than a clock that one of the two is wrong. */
    static boolean isAhead(Instant last, Instant clock) {
        return clock.isAfter(OLDEST_CLOCK) && last.isAfter(clock.plus(AHEAD));
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
