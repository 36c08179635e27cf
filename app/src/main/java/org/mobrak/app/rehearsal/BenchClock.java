package org.mobrak.app.rehearsal;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** A clock that stands still until it is told to go on: the bench's time. */
final class BenchClock extends Clock {
    private final Instant begin;
    // Told on one thread, read by those who write events down.
    private volatile double seconds;

    BenchClock(Instant begin) {
        this.begin = begin;
    }

    void forward(double more) {
        seconds += more;
    }

    /** Since the rehearsal began. */
    double seconds() {
        return seconds;
    }

    @Override
    public Instant instant() {
        return begin.plusMillis(Math.round(seconds * 1000));
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return this;
    }
}
