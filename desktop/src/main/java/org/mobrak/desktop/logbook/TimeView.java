package org.mobrak.desktop.logbook;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Which time is seen, and which one is pointed at; all rows of the picture follow it. */
final class TimeView {
    private static final double NEARER = 0.6;

    private final ZoneId zone;
    private final List<Runnable> followers = new ArrayList<>();
    private TimeWindow window = TimeWindow.around(Instant.EPOCH, Instant.EPOCH);
    private Optional<Instant> pointed = Optional.empty();

    /** @param zone in which days begin */
    TimeView(ZoneId zone) {
        this.zone = zone;
    }

    TimeWindow window() {
        return window;
    }

    /** The lines of the axis. */
    List<TimeWindow.Tick> ticks() {
        return window.ticks(zone);
    }

    /** The time that is pointed at. */
    Optional<Instant> pointed() {
        return pointed;
    }

    /** Is called whenever something else is seen or pointed at. */
    void follow(Runnable follower) {
        followers.add(follower);
    }

    void leave(Runnable follower) {
        followers.remove(follower);
    }

    void see(TimeWindow now) {
        window = now;
        tell();
    }

    void point(Instant at) {
        pointed = Optional.of(at);
        window = window.with(at);
        tell();
    }

    /** Sees less of the time around what is pointed at, or around the middle. */
    void nearer() {
        see(window.zoomed(NEARER, middle()));
    }

    void farther() {
        see(window.zoomed(1 / NEARER, middle()));
    }

    private Instant middle() {
        return pointed.filter(at -> window.share(at) >= 0 && window.share(at) <= 1)
                .orElse(window.at(0.5));
    }

    private void tell() {
        List.copyOf(followers).forEach(Runnable::run);
    }
}
