package org.mobrak.app;

import java.time.Duration;
import java.util.Locale;
import java.util.Optional;

/**
 * How far the reading of a file has come.
 *
 * @param read bytes, of {@code total}
 * @param elapsed since it began
 */
public record Progress(String name, long read, long total, Duration elapsed) {
    private static final double MEGA = 1e6;
    private static final double MILLIS = 1000;

    /** From 0 to 1. */
    public double part() {
        return total == 0 ? 1 : Math.min(1, read / (double) total);
    }

    /** Bytes a second; empty as long as too little has gone by to tell. */
    public Optional<Double> rate() {
        return elapsed.toMillis() < 200 || read == 0
                ? Optional.empty()
                : Optional.of(read * MILLIS / elapsed.toMillis());
    }

    /** For a person: how much, how fast, how long still. */
    public String words() {
        String much = String.format(Locale.ROOT, "%.0f of %.0f MB", read / MEGA, total / MEGA);
        return much + rate().map(this::speed).orElse("");
    }

    private String speed(double rate) {
        long seconds = Math.round((total - read) / rate);
        String left = seconds < 60 ? seconds + " s" : (seconds + 30) / 60 + " min";
        return String.format(Locale.ROOT, ", %.0f MB/s, %s left", rate / MEGA, left);
    }
}
