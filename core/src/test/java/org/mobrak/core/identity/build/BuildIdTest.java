package org.mobrak.core.identity.build;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.Sample;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.identity.build.Ruler.Segment;
import org.mobrak.core.identity.check.CrossChecks;

class BuildIdTest {

    /** The worked example of the platform's published rule (“Codenames, Tags, and Build Numbers”): F85 is June 24, 2010. */
    @Test
    void decodesThePublishedExample() {
        BuildId id = BuildId.of("FRF85B").orElseThrow();
        assertThat(id.date()).isEqualTo(LocalDate.of(2010, 6, 24));
        assertThat(id.versions()).containsExactly("2.2");
        assertThat(id.ruler().segments()).extracting(Segment::text).containsExactly("F", "R", "F", "85", "B");
    }

    /**
     * What the property files say that artifacts of a well-known test framework carry on Maven Central
     * (org.robolectric:android-all, the versions beginning with the release, file build.prop), read on 2026-11-25. The day of the
     * id is the rule's, worked out by hand; the rest stands in the files.
     */
    @ParameterizedTest
    @CsvSource({
        "JZO54K, 2012-08-23, 4.1.2, 16, , 2017-10-05T20:29:51Z",
        "KRT16M, 2013-10-16, 4.4, 19, , 2017-10-06T18:31:32Z",
        "LRX22L, 2014-10-22, 5.0.2, 21, , 2017-10-23T18:15:27Z",
        "LMY48I, 2015-02-17, 5.1.1, 22, , 2017-10-05T22:50:54Z",
        "MMB29M, 2015-10-29, 6.0.1, 23, 2015-12-01, 2017-10-06T03:15:58Z",
        "NRD90M, 2016-06-29, 7.0, 24, 2016-08-05, 2017-10-20T18:40:34Z",
        "OPR6.170623.013, 2017-06-23, 8.0.0, 26, 2017-08-05, 2017-10-26T21:25:06Z",
        "OSM2.180218.001, 2018-02-18, 8.1.0, 27, 2018-04-05, 2018-02-19T05:33:16Z",
        "PKR1.180725.002, 2018-07-25, 9, 28, 2018-09-05, 2018-07-25T23:53:41Z",
        "QPP6.190730.006, 2019-07-30, 10, 29, 2019-08-01, 2019-08-15T00:25:39Z",
        "RPB2.200611.009.A4, 2020-06-11, 11, 30, 2020-07-05,",
        "UP1A.231105.001.A1, 2023-11-05, 14, 34, 2023-11-05,",
    })
    void agreesWithRealPropertyFiles(
            String text, LocalDate day, String release, int level, String patched, String built) {
        BuildId id = BuildId.of(text).orElseThrow();
        assertThat(id.date()).isEqualTo(day);
        assertThat(id.agreesWith(release)).isTrue();
        assertThat(ReleaseTable.apiLevelOf(release)).contains(level);
        List<Reading> readings = new ArrayList<>(List.of(
                reading(Fact.BUILD_ID, text),
                reading(Fact.OS_VERSION, release),
                reading(Fact.API_LEVEL, String.valueOf(level))));
        Optional.ofNullable(patched).ifPresent(date -> readings.add(reading(Fact.PATCH_LEVEL, date)));
        Optional.ofNullable(built).ifPresent(date -> readings.add(reading(Fact.BUILD_DATE, date)));
        Ledger ledger = new Ledger(readings);
        assertThat(CrossChecks.of(ledger, ledger.facts(), Rulers.none()))
                .as("nothing about an honest build is more than a hint")
                .allMatch(finding -> finding.sure() == Finding.Sureness.HINT);
    }

    /** Quarters have 90 to 92 days; a day past the end, a month 13 and other texts are no build ids. */
    @ParameterizedTest
    @ValueSource(
            strings = {"FRF92", "FRE91", "JZO00K", "JZO93", "OPR6.171332.013", "M_2022_07", "jzo54k", "JZO54KKK", ""})
    void refusesWhatIsNone(String text) {
        assertThat(BuildId.of(text)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "FRA90, 2009-03-31",
        "IMM92, 2012-03-31:none",
        "JZO92, 2012-09-30",
        "LMZ91, 2015-06-30",
        "MPZ44Q, 2015-05-14",
        "MRA58K, 2015-08-27",
        "NMF26, 2016-10-26"
    })
    void theLettersBeginAgainPastZAndTheFamilyDecides(String text, String day) {
        Optional<LocalDate> date = BuildId.of(text).map(BuildId::date);
        assertThat(date).isEqualTo(day.endsWith("none") ? Optional.empty() : Optional.of(LocalDate.parse(day)));
    }

    /** Every day from 2009 to 2021, written by the rule with the JDK's own quarters, comes back. */
    @Test
    void everyDayComesBack() {
        LocalDate first = LocalDate.of(2009, 1, 1);
        for (LocalDate day = first; day.getYear() < 2021; day = day.plusDays(1)) {
            long quarter = IsoFields.QUARTER_YEARS.between(first, day);
            char family = quarter < 26 ? 'J' : 'P';
            String text = "%sR%s%02d".formatted(family, (char) ('A' + quarter % 26), day.get(IsoFields.DAY_OF_QUARTER));
            assertThat(BuildId.of(text).map(BuildId::date)).as(text).contains(day);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"FRF85B", "MRA58", "OPR6.170623.013", "RPB2.200611.009.A4"})
    void theSegmentsPutTogetherAreTheText(String text) {
        Ruler ruler = BuildId.of(text).orElseThrow().ruler();
        assertThat(ruler.segments().stream().map(Segment::text).collect(Collectors.joining()))
                .isEqualTo(text);
    }

    private static Reading reading(Fact fact, String value) {
        return Sample.reading(
                fact, value, Source.PROPERTY_FILE, "build.prop", 1, Instant.parse("2026-11-25T09:00:00Z"));
    }
}
