package org.mobrak.core.identity.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadTexts;

class CrossChecksTest {
    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");

    /** Each line is a phone whose readings hold one thing that cannot be, or none at all. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "buildId=JZO54K, buildDate=2013-10-22T09:30:15Z, osVersion=4.1.2, apiLevel=16; ",
                "buildId=JZO54K, buildDate=2012-08-20T00:00:00Z; build-id-date",
                "buildId=JZO54K, buildDate=2017-10-05T00:00:00Z; build-id-date",
                "buildId=JZO99K; build-id-invalid",
                "buildId=KTU84P, osVersion=5.1; build-id-release",
                "osVersion=4.1.2, apiLevel=19; api-level-release",
                "fingerprint=a/b/c:4.1.2/JZO54K/1:user/release-keys, osVersion=4.1.2, device=c, product=b; ",
                "fingerprint=a/b/c:4.1.2/JZO54K/1:user/release-keys, osVersion=4.1.1; fingerprint-part",
                "fingerprint=a/b/c:4.1.2/JZO54K/1:user/release-keys, incremental=2; fingerprint-part",
                "patchLevel=2016-04-01, buildDate=2016-04-20T00:00:00Z; ",
                "patchLevel=2016-09-01, buildDate=2016-04-20T00:00:00Z; patch-level-build-date",
                "patchLevel=2015-09-01, buildDate=2016-10-20T00:00:00Z; patch-level-build-date",
                "kernelBuilt=2013-10-22T09:31:04Z, buildDate=2013-10-22T09:30:15Z; ",
                "kernelBuilt=2015-02-14T22:17:45+01:00, buildDate=2013-09-02T08:55:02Z; kernel-replaced",
                "kernelBuilt=2012-02-14T22:17:45, buildDate=2013-09-02T08:55:02Z; kernel-older",
                "buildDate=2031-01-01T00:00:00Z; impossible-date",
                "buildDate=1970-01-01T00:00:00Z; impossible-date",
                "buildDate=yesterday; impossible-date",
                "patchLevel=2014-01-01; impossible-date",
                "buildTags=test-keys, buildType=eng, debuggable=yes; not-stock",
                "maker=Orvane, buildNumber=LN2-F09-131022, bootloader=LN2F-B08; bootloader-revision",
                "maker=Orvane, buildNumber=LN2-F09-131022, bootloader=LN2F-B09; ",
                "model=OV-L210F, baseband=L210-M07; baseband-model",
                "model=OV-L210F, baseband=L210F-M07; ",
                "model=OV-L21OF; did-you-mean",
                "model=OVL2I0F; did-you-mean",
                "model=XX-1; unlisted-model",
                "model=ОV-L210F; unlisted-model other-script",
                "batteryBody=swollen; battery-swollen",
                "batteryHealth=overheated; battery-health",
                "batteryTemperature=44.5; battery-warm",
                "batteryTemperature=55; battery-hot",
            })
    void findsWhatCannotBe(String said, String codes) throws IOException {
        List<Reading> readings = new ArrayList<>();
        for (String pair : said.split(", ")) {
            String[] parts = pair.split("=", 2);
            readings.add(reading(Fact.ofKey(parts[0]).orElseThrow(), parts[1], Source.PROPERTY_LISTING, NOW));
        }
        assertThat(findings(readings))
                .extracting(Finding::code)
                .containsExactlyInAnyOrder(codes == null ? new String[0] : codes.split(" "));
    }

    @Test
    void aModelThatOsAndFirmwareTellDifferentlyIsAPortedOs() throws IOException {
        List<Finding> found = findings(List.of(
                reading(Fact.MODEL, "TS-J540", Source.ABOUT_SCREEN, NOW),
                reading(Fact.MODEL, "TS-J440", Source.DOWNLOAD_SCREEN, NOW)));
        assertThat(found).extracting(Finding::code).containsExactly("ported-os");
        assertThat(found.get(0).message()).contains("files must be made for TS-J440");
        assertThat(found.get(0).sure()).isEqualTo(Finding.Sureness.LIKELY);
    }

    @Test
    void aConflictTellsBothSidesAndWhyOneLeads() throws IOException {
        List<Finding> found = findings(List.of(
                reading(Fact.MAKER, "Kestriq", Source.TYPED, NOW),
                reading(Fact.MAKER, "Orvane", Source.PROPERTY_LISTING, NOW)));
        assertThat(found).hasSize(1);
        assertThat(found.get(0).message())
                .contains("“Orvane” (here, line 1) against “Kestriq” (typed in)")
                .contains("the running system answers it");
    }

    @Test
    void twoDaysTellOfAChangeAndOneDayOfAConflict() throws IOException {
        Reading before = reading(Fact.OS_VERSION, "4.1.1", Source.ABOUT_SCREEN, NOW.minus(Duration.ofDays(30)));
        Reading now = reading(Fact.OS_VERSION, "4.1.2", Source.PROPERTY_LISTING, NOW);
        List<Finding> changed = findings(List.of(before, now));
        assertThat(changed).extracting(Finding::code).containsExactly("changed");
        assertThat(changed.get(0).message()).contains("was “4.1.1” on 2026-10-26 and is “4.1.2” now");
        Reading minutesAgo = reading(Fact.OS_VERSION, "4.1.1", Source.ABOUT_SCREEN, NOW.minusSeconds(300));
        assertThat(findings(List.of(minutesAgo, now))).extracting(Finding::code).containsExactly("conflict");
        assertThat(new Ledger(List.of(minutesAgo.aside("misread"), now)).facts().value(Fact.OS_VERSION))
                .contains("4.1.2");
        assertThat(findings(List.of(minutesAgo.aside("misread"), now))).isEmpty();
    }

    @Test
    void twoPhonesInOneHeapAreToldAndSorted() throws IOException {
        RawText one = text("[ro.product.model]: [KQ-T5]\n[ro.serialno]: [1]\n", "a-listing");
        RawText other = text("[ro.product.model]: [KQ-T5B]\n[ro.serialno]: [2]\n", "b-listing");
        RawText banner = text("Linux version 2.6.35.7 (a@b) #1 Wed Mar 7 11:18:52 UTC 2012", "b-banner");
        assertThat(PhoneSorting.sort(List.of(one, banner, other), new ReadTexts()))
                .containsExactly(
                        new PhoneSorting.Heap("KQ-T5", List.of(one)),
                        new PhoneSorting.Heap("KQ-T5B", List.of(other, banner)));
        Ledger first = new Ledger(List.of(
                reading(Fact.MODEL, "KQ-T5", Source.PROPERTY_LISTING, NOW),
                reading(Fact.SERIAL, "1", Source.PROPERTY_LISTING, NOW)));
        assertThat(PhoneSorting.isAnotherPhone(first.facts(), List.of(other), new ReadTexts()))
                .isTrue();
        assertThat(PhoneSorting.isAnotherPhone(first.facts(), List.of(one, banner), new ReadTexts()))
                .isFalse();
        Ledger mixed = first.with(List.of(
                reading(Fact.MODEL, "KQ-T5B", Source.PROPERTY_LISTING, NOW),
                reading(Fact.SERIAL, "2", Source.PROPERTY_LISTING, NOW)));
        assertThat(findings(mixed.readings())).extracting(Finding::code).contains("another-phone");
    }

    private static RawText text(String text, String name) {
        return new RawText(name, text, List.of());
    }

    private static List<Finding> findings(List<Reading> readings) throws IOException {
        Catalogue catalogue = Sample.shipped();
        return Identity.of(catalogue, new Ledger(readings), List.of()).findings();
    }

    private static Reading reading(Fact fact, String value, Source source, Instant at) {
        return Sample.reading(fact, value, source, "here", 1, at);
    }
}
