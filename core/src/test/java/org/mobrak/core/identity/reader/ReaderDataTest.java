package org.mobrak.core.identity.reader;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Source;

/** The tables that the readers go by. */
class ReaderDataTest {

    @Test
    void everyLabelStandsForOneThingInItsFormAndEveryMeaningIsAllowed() {
        List<LabelledForm> forms = LabelledForm.shipped();
        assertThat(forms)
                .extracting(LabelledForm::source)
                .containsExactlyInAnyOrder(
                        Source.ABOUT_SCREEN, Source.DOWNLOAD_SCREEN, Source.BOOTLOADER_VARIABLES, Source.LABEL);
        for (LabelledForm form : forms) {
            assertThat(form.rules().keySet()).doesNotContainAnyElementsOf(form.marks());
            form.rules().forEach((label, rule) -> {
                assertThat(label).isEqualTo(label.toLowerCase(Locale.ROOT));
                assertThat(rule.values().values())
                        .as("%s: %s", form.source(), label)
                        .allMatch(meaning ->
                                rule.fact().domain().objection(meaning).isEmpty());
            });
        }
    }

    /** Zone names of RFC 5322, §4.3, and others that name one zone; the JDK's time zone data is the reference. */
    @ParameterizedTest
    @CsvSource({
        "UTC, Z, 1",
        "GMT, Z, 1",
        "EST, America/New_York, 1",
        "EDT, America/New_York, 7",
        "CDT, America/Chicago, 7",
        "MST, America/Denver, 1",
        "MDT, America/Denver, 7",
        "PST, America/Los_Angeles, 1",
        "PDT, America/Los_Angeles, 7",
        "KST, Asia/Seoul, 1",
        "JST, Asia/Tokyo, 1",
        "CET, Europe/Berlin, 1",
        "CEST, Europe/Berlin, 7",
        "EET, Europe/Helsinki, 1",
        "EEST, Europe/Helsinki, 7",
        "HKT, Asia/Hong_Kong, 1",
    })
    void zoneNamesOfOldBuildersMeanWhatTheTimeZoneDataSays(String name, String zone, int month) {
        String date = "Sun %s  1 10:00:00 %s 2012".formatted(month == 7 ? "Jul" : "Jan", name);
        OffsetDateTime read = OffsetDateTime.parse(BannerDate.in(date).orElseThrow());
        ZonedDateTime expected = ZonedDateTime.of(2012, month, 1, 10, 0, 0, 0, ZoneId.of(zone));
        assertThat(read.toInstant()).isEqualTo(expected.toInstant());
    }

    @ParameterizedTest
    @CsvSource({"CST", "IST", "XYZ"})
    void namesOfSeveralZonesGiveTheLocalTimeOnly(String name) {
        assertThat(BannerDate.in("Sun Jan  1 10:00:00 " + name + " 2012")).contains("2012-01-01T10:00:00");
        assertThat(BannerDate.in("Sun Jan  1 10:00:00 +0530 2012"))
                .map(OffsetDateTime::parse)
                .map(OffsetDateTime::getOffset)
                .contains(ZoneOffset.ofHoursMinutes(5, 30));
    }

    /** A fact that says “property listing: KEY” must be readable from that very key. */
    @Test
    void theKeysThatPeopleAreSentToAreRead() {
        Pattern sent = Pattern.compile("Property listing: (\\S+)");
        Set<Fact> checked = new HashSet<>();
        for (Fact fact : Fact.values()) {
            Matcher key = sent.matcher(fact.whereToRead());
            if (key.find()) {
                String value = fact.domain().objection("1").isEmpty()
                        ? "1"
                        : fact.domain().words().get(0);
                assertThat(PropertyKeys.isKey(key.group(1))).as(key.group(1)).isTrue();
                assertThat(PropertyKeys.read(key.group(1), value).orElseThrow().fact())
                        .isEqualTo(fact);
                checked.add(fact);
            }
        }
        assertThat(checked).hasSizeGreaterThan(10);
    }

    @Test
    void everySourceHasAWordAndAReasonOfItsOwn() {
        assertThat(Arrays.stream(Source.values()).map(Source::word)).doesNotHaveDuplicates();
        assertThat(Arrays.stream(Source.values()).map(Source::reason)).allMatch(reason -> reason.length() > 10);
    }
}
