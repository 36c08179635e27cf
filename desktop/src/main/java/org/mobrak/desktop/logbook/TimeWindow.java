package org.mobrak.desktop.logbook;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The stretch of time that is seen.
 *
 * @param from its beginning, at the left
 * @param until its end, at the right; later than the beginning
 */
record TimeWindow(Instant from, Instant until) {
    private static final Duration SHORTEST = Duration.ofHours(1);
    private static final Duration LONGEST = Duration.ofDays(365 * 20L);
    private static final int MOST_TICKS = 9;

    /** Steps of an axis, from fine to coarse: how many of what, and how a day or time is told then. */
    private static final List<Step> STEPS = List.of(
            new Step(10, ChronoUnit.MINUTES, "HH:mm"),
            new Step(1, ChronoUnit.HOURS, "HH:mm"),
            new Step(6, ChronoUnit.HOURS, "d MMM HH:mm"),
            new Step(1, ChronoUnit.DAYS, "d MMM"),
            new Step(7, ChronoUnit.DAYS, "d MMM"),
            new Step(1, ChronoUnit.MONTHS, "MMM yyyy"),
            new Step(2, ChronoUnit.MONTHS, "MMM yyyy"),
            new Step(3, ChronoUnit.MONTHS, "MMM yyyy"),
            new Step(12, ChronoUnit.MONTHS, "yyyy"),
            new Step(60, ChronoUnit.MONTHS, "yyyy"));

    private record Step(int count, ChronoUnit unit, String pattern) {
        double seconds() {
            return (double) count * unit.getDuration().toSeconds();
        }

        /** Where counting begins: at a day, a month or a year, so that the lines are round times. */
        ZonedDateTime first(ZonedDateTime from) {
            ZonedDateTime day = from.truncatedTo(ChronoUnit.DAYS);
            if (unit != ChronoUnit.MONTHS) {
                return day;
            }
            return count == 1 ? day.withDayOfMonth(1) : day.withDayOfYear(1);
        }
    }

    /** A line of the axis. */
    record Tick(Instant at, String label) {}

    /** A little wider than what is to be seen. */
    static TimeWindow around(Instant first, Instant last) {
        Duration margin = Duration.between(first, last).dividedBy(40).plusMinutes(30);
        return new TimeWindow(first.minus(margin), last.plus(margin));
    }

    private Duration length() {
        return Duration.between(from, until);
    }

    /** How far into the window a time lies: 0 at its beginning, 1 at its end. */
    double share(Instant at) {
        return (double) Duration.between(from, at).toMillis() / length().toMillis();
    }

    /** The time that lies so far into the window. */
    Instant at(double share) {
        return from.plusMillis(Math.round(share * length().toMillis()));
    }

    /**
     * Nearer or farther.
     *
     * @param factor below 1 to see less of the time
     * @param around stays where it is
     */
    TimeWindow zoomed(double factor, Instant around) {
        double wanted = length().toMillis() * factor;
        double millis = Math.max(SHORTEST.toMillis(), Math.min(LONGEST.toMillis(), wanted));
        Instant begin = around.minusMillis(Math.round(share(around) * millis));
        return new TimeWindow(begin, begin.plusMillis(Math.round(millis)));
    }

    /** Earlier or later by a part of what is seen. */
    TimeWindow moved(double part) {
        long millis = Math.round(part * length().toMillis());
        return new TimeWindow(from.plusMillis(millis), until.plusMillis(millis));
    }

    /** The same length, with a time in it. */
    TimeWindow with(Instant at) {
        double share = share(at);
        return share >= 0 && share <= 1 ? this : moved(share - 0.5);
    }

    /** The lines of an axis, round times all of them. */
    List<Tick> ticks(ZoneId zone) {
        double seconds = length().toSeconds();
        Step step = STEPS.stream()
                .filter(one -> seconds / one.seconds() <= MOST_TICKS)
                .findFirst()
                .orElse(STEPS.get(STEPS.size() - 1));
        DateTimeFormatter form = DateTimeFormatter.ofPattern(step.pattern(), Locale.ENGLISH);
        List<Tick> ticks = new ArrayList<>();
        for (ZonedDateTime at = step.first(from.atZone(zone));
                !at.toInstant().isAfter(until);
                at = at.plus(step.count(), step.unit())) {
            if (!at.toInstant().isBefore(from)) {
                ticks.add(new Tick(at.toInstant(), form.format(at)));
            }
        }
        return ticks;
    }
}
