package org.mobrak.desktop.logbook;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TimeWindowTest {
    private static final Instant NOON = Instant.parse("2026-03-15T12:00:00Z");

    private static TimeWindow of(Duration length) {
        return new TimeWindow(NOON, NOON.plus(length));
    }

    @Test
    void aTimeLiesWhereItsShareIsAndComesBackFromThere() {
        TimeWindow day = of(Duration.ofDays(1));
        assertThat(day.share(NOON)).isZero();
        assertThat(day.share(NOON.plus(Duration.ofHours(6)))).isEqualTo(0.25);
        assertThat(day.at(0.25)).isEqualTo(NOON.plus(Duration.ofHours(6)));
    }

    @Test
    void whatIsPointedAtStaysWhereItIsHoweverNearOneGoes() {
        TimeWindow window = of(Duration.ofDays(400));
        Instant pointed = window.at(0.3);
        for (int i = 0; i < 60; i++) {
            window = window.zoomed(0.6, pointed);
            assertThat(window.share(pointed)).isCloseTo(0.3, within(1e-3));
        }
        assertThat(Duration.between(window.from(), window.until()))
                .as("an hour is near enough")
                .isEqualTo(Duration.ofHours(1));
        for (int i = 0; i < 80; i++) {
            window = window.zoomed(1 / 0.6, pointed);
        }
        assertThat(Duration.between(window.from(), window.until()).toDays()).isEqualTo(20 * 365L);
    }

    @Test
    void itMovesByPartsAndOnlyAsFarAsItMust() {
        TimeWindow day = of(Duration.ofDays(1));
        assertThat(day.moved(0.5).from()).isEqualTo(NOON.plus(Duration.ofHours(12)));
        assertThat(day.with(NOON.plus(Duration.ofHours(3)))).isSameAs(day);
        assertThat(day.with(NOON.plus(Duration.ofDays(9))).share(NOON.plus(Duration.ofDays(9))))
                .isEqualTo(0.5);
    }

    @ParameterizedTest
    @CsvSource({
        "PT1H,12:10",
        "PT8H,13:00",
        "PT48H,15 Mar 18:00",
        "P9D,16 Mar",
        "P40D,22 Mar",
        "P200D,Apr 2026",
        "P400D,May 2026"
    })
    void theAxisHasRoundTimesAndNotTooManyOfThem(Duration length, String first) {
        List<TimeWindow.Tick> ticks = of(length).ticks(ZoneOffset.UTC);
        assertThat(ticks).hasSizeBetween(3, 11);
        assertThat(ticks).extracting(TimeWindow.Tick::label).contains(first);
        assertThat(ticks)
                .allMatch(tick -> of(length).share(tick.at()) >= 0 && of(length).share(tick.at()) <= 1);
    }

    /** A day has 23 or 25 hours twice a year; the axis still has midnights. */
    @Test
    void daysBeginAtMidnightAlsoWhereTheClockIsChanged() {
        ZoneId zone = ZoneId.of("Europe/Berlin");
        assertThat(new TimeWindow(Instant.parse("2026-03-27T12:00:00Z"), Instant.parse("2026-04-01T12:00:00Z"))
                        .ticks(zone))
                .extracting(tick -> tick.at().atZone(zone).getHour())
                .containsOnly(0);
    }

    @Test
    void oneTimeAloneHasAWindowAroundIt() {
        TimeWindow around = TimeWindow.around(NOON, NOON);
        assertThat(around.share(NOON)).isEqualTo(0.5);
        assertThat(around.ticks(ZoneOffset.UTC)).isNotEmpty();
    }
}
