package org.mobrak.core.logbook.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.api.Test;

/** The time of a hit is that of the clock on the wall. */
class HitTest {
    @Test
    void inTheFarWestItIsStillTheDayBefore() {
        Hit hit = new Hit(1, "Hive 1", Hit.Kind.JOB, "2026-12-01T05:30:00Z", "");
        assertThat(hit.told(ZoneId.of("Pacific/Honolulu"))).isEqualTo("2026-11-30 19:30");
        assertThat(hit.day(ZoneId.of("Pacific/Honolulu"))).contains(LocalDate.of(2026, 11, 30));
        assertThat(hit.day(ZoneId.of("UTC"))).contains(LocalDate.of(2026, 12, 1));
        assertThat(new Hit(1, "", Hit.Kind.JOB, "", "").told(ZoneId.of("UTC"))).isEmpty();
    }
}
