package org.mobrak.core.identity.reader;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;

class ReadingParserTest {
    private static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");
    private static final Path READINGS =
            Path.of(System.getProperty("mobrak.home")).resolve("demo").resolve("readings");

    @Test
    void bothFormsOfAListingSayTheSame() {
        Parsed listing =
                parse("[ro.product.model]: [KQ-T5]\n[ro.build.version.release]: [2.3.6]\n[ro.carrier]: [unknown]\n");
        Parsed file =
                parse("# comment\nimport /other.prop\n  ro.product.model = KQ-T5 \nro.build.version.release=2.3.6\n");
        assertThat(values(listing))
                .isEqualTo(values(file))
                .containsExactlyInAnyOrderEntriesOf(Map.of(Fact.MODEL, "KQ-T5", Fact.OS_VERSION, "2.3.6"));
        assertThat(listing.readings()).extracting(Reading::source).containsOnly(Source.PROPERTY_LISTING);
        assertThat(file.readings()).extracting(Reading::line).containsExactly(3, 4);
    }

    /**
     * The platform's property files are lines of {@code key=value} with {@code #} comments; within that, the JDK's {@link
     * Properties} is an independent reader of the same form.
     */
    @Test
    void agreesWithAnIndependentReaderOfPropertyFiles() throws IOException {
        String text = Files.readString(READINGS.resolve("hive-07-system.prop"));
        Properties reference = new Properties();
        reference.load(new StringReader(text));
        Map<Fact, String> values = values(parse(text));
        assertThat(values).hasSizeGreaterThan(10);
        assertThat(values.get(Fact.FINGERPRINT)).isEqualTo(reference.getProperty("ro.build.fingerprint"));
        assertThat(values.get(Fact.BUILD_NUMBER)).isEqualTo(reference.getProperty("ro.build.display.id"));
        long seconds = Long.parseLong(reference.getProperty("ro.build.date.utc"));
        assertThat(values.get(Fact.BUILD_DATE))
                .isEqualTo(Instant.ofEpochSecond(seconds).toString());
    }

    /** The form is that of the kernel's own banner; builder and compiler are invented. */
    @ParameterizedTest
    @CsvSource({
        "'Linux version 3.0.31-412087 (a@b) (gcc version 4.4.3 (GCC) ) #1 SMP PREEMPT Tue Oct 22 09:31:04 UTC 2013', 3.0.31-412087, 2013-10-22T09:31:04Z",
        "'<5>[    0.0] Linux version 2.6.35.7-x (a@b) (gcc 4) #5 Wed Mar  7 11:18:52 KST 2012', 2.6.35.7-x, 2012-03-07T11:18:52+09:00",
        "'Linux version 2.6.35.7-x (a@b) (gcc 4) #5 Wed Mar  7 11:18:52 CST 2012', 2.6.35.7-x, 2012-03-07T11:18:52",
        "'Linux version 3.4.0 (a@b) #1 Mon Feb 31 11:18:52 UTC 2012', 3.4.0,",
    })
    void readsTheKernelsBanner(String banner, String release, String built) {
        Map<Fact, String> values = values(parse(banner));
        assertThat(values.get(Fact.KERNEL_RELEASE)).isEqualTo(release);
        assertThat(values.get(Fact.KERNEL_BUILT)).isEqualTo(built);
    }

    @Test
    void lineEndsAndOtherLinesChangeNothing() {
        Parsed parsed =
                parse("shell@tern:/ $ show\r\n[ro.build.id]: [GRK39F]\r\n[ro.product.model]: [KQ-T5]\r\n\r\nbye");
        assertThat(values(parsed)).containsEntry(Fact.BUILD_ID, "GRK39F").containsEntry(Fact.MODEL, "KQ-T5");
        assertThat(parsed.findings()).isEmpty();
    }

    @Test
    void aValueOverSeveralLinesIsOneValue() {
        Parsed parsed = parse("[gsm.version.baseband]: [T5-R118\nT5-R119]\n[ro.build.id]: [GRK39F]\n");
        assertThat(values(parsed))
                .containsEntry(Fact.BASEBAND, "T5-R118\nT5-R119")
                .containsEntry(Fact.BUILD_ID, "GRK39F");
    }

    @ParameterizedTest
    @CsvSource({
        "'[ro.product.model]: [KQ-T5]|[ro.build.id]: [GRK3', cut-listing",
        "'[ro.product.model]: [KQ-T5]|[ro.build.i', cut-listing",
        "'ro.product.model=KQ-T5|ro.build.display.id', cut-listing",
        "'ro.product.model=KQ-T5|ro.build.id=GRK39F', no-last-line-end",
        "'[ro.product.model]: [KQ-T5]|[ro.build.version.sdk]: [ten]|', impossible-value",
        "'[ro.product.model]: [KQ-T5]|[ro.product.model]: [KQ-T5B]|', duplicate-key",
        "'[some.other.key]: [KQ-T5]|', no-known-fact",
    })
    void keepsWhatIsWholeAndSaysWhatIsNot(String text, String code) {
        Parsed parsed = ReadingParser.parse(new RawText("file.txt", text.replace('|', '\n'), List.of()), NOW);
        assertThat(parsed.findings()).extracting(Finding::code).containsExactly(code);
        assertThat(parsed.findings().get(0).message()).startsWith("file.txt");
        boolean known = !code.equals("no-known-fact");
        assertThat(values(parsed).containsKey(Fact.MODEL)).isEqualTo(known);
        assertThat(values(parsed)).doesNotContainValue("GRK3").doesNotContainValue("ten");
    }

    @Test
    void aKeyThatStandsTwiceMakesAConflictInWhichTheFirstLeads() {
        Parsed parsed =
                parse("[ro.product.model]: [KQ-T5]\n[ro.product.model]: [KQ-T5B]\n[ro.product.model]: [KQ-T5]\n");
        assertThat(new Ledger(parsed.readings()).facts().belief(Fact.MODEL)).isInstanceOf(Belief.Conflicting.class);
        assertThat(new Ledger(parsed.readings()).facts().value(Fact.MODEL)).contains("KQ-T5");
    }

    private static Parsed parse(String text) {
        return ReadingParser.parse(new RawText(TextIntake.PASTED, text, List.of()), NOW);
    }

    private static Map<Fact, String> values(Parsed parsed) {
        return parsed.readings().stream()
                .collect(Collectors.toMap(Reading::fact, Reading::value, (first, second) -> first));
    }
}
