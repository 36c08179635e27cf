package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.identity.Fact;

/** What single words, figures and lines of a guide are taken for. */
class WordsTest {
    private static final Wordings WORDS = Wordings.shipped();

    private static List<Clause> clauses(String text) {
        return Clause.of(new GuideLine("x", 1, text, GuideLine.Kind.TEXT, List.of()), WORDS);
    }

    private static Clause clause(String text) {
        return clauses(text).get(0);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "OV-L210, L215 and OV-L216; OV-L210 OV-L215 OV-L216",
                "OV-L210/F/N; OV-L210 OV-L210F OV-L210N",
                "OV-L210F/L215; OV-L210F OV-L215",
                "TS-J440* in all suffixes; TS-J440*",
                "build LN2-F09-131022 and JZO54K; ",
                "the SHA-256 in UTF-8; ",
                "get ov-l210_rec.zip or OV-L210.zip; ",
                "2012-10-22 at 12.30; ",
                "an LCD-TV and a USB-C plug; ",
            })
    void modelNumbersAreToldByTheirShape(String text, String wanted) {
        List<String> models = Models.in(text, false).stream()
                .filter(found -> !found.isBuild() && !found.alike())
                .map(Models.Found::value)
                .toList();
        assertThat(String.join(" ", models)).isEqualTo(wanted == null ? "" : wanted);
    }

    @Test
    void buildsAndLookAlikesAreNoModels() {
        assertThat(Models.in("LN2-F09-131022, JZO54K", false))
                .extracting(Models.Found::isBuild)
                .containsExactly(true, true);
        assertThat(Models.in("\u041eV-L210", false))
                .extracting(Models.Found::alike)
                .containsExactly(true);
        assertThat(Models.in("AB123 and XY99", true))
                .extracting(Models.Found::value)
                .containsExactly("AB123");
        assertThat(Models.in("AB123", false)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "charge the battery to 60 %; 60",
                "battery: at least 50 percent; 50",
                "never start below 70 % battery; 70",
                "if the battery is below 40 % charge it; 40",
                "50 % battery is not enough; ",
                "100 % sure; ",
                "battery 3 % left; ",
                "at least half a battery; 50",
                "the battery is new; ",
            })
    void aBatteryIsOnlyWhatTheTextSaysOfOne(String text, Integer wanted) {
        assertThat(Figures.battery(clause(text), false)).isEqualTo(Optional.ofNullable(wanted));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "about five minutes, don't panic; 5; ",
                "takes 5 to 10 minutes; 10; ",
                "2-3 min; 3; ",
                "if it takes longer than 20 minutes; ; 20",
                "three minutes, more than ten minutes is too long; 3; 10",
                "ten minutes, more than three minutes is odd; 10; ",
                "a few minutes; ; ",
                "takes a quarter of an hour; 15; ",
                "done in under a minute; 1; ",
                "if nothing has moved after 5 minutes pull the plug; ; 5",
                "it restarts after 5 minutes; 5; ",
                "version 5 mini; ; ",
            })
    void aWaitIsOnlyWhatTheTextSaysOfOne(String text, Integer normal, Integer worry) {
        Figures.Wait wait = Figures.minutes(text);
        assertThat(wait.normal()).isEqualTo(Optional.ofNullable(normal));
        assertThat(wait.worry()).isEqualTo(Optional.ofNullable(worry));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "for OS 4.1.2; 4.1.2; ; ",
                "OS version 4.1 to 4.3; ; 4.1; 4.3",
                "OS 4.4.2 or newer; ; 4.4.2; ",
                "up to OS 6.0; ; ; 6.0",
                "OS 5.1.x; 5.1.x; ; ",
                "with flasher 3.07; ; ; ",
                "flasher version 3.07; ; ; ",
                "the app 2.4 works; ; ; ",
                "it weighs 1.5 kg; ; ; ",
            })
    void anOsVersionIsNotThatOfATool(String text, String exact, String atLeast, String atMost) {
        Optional<Figures.Versions> found =
                Figures.osVersions(clause(text), WORDS).stream().findFirst();
        assertThat(found.flatMap(Figures.Versions::exact)).isEqualTo(Optional.ofNullable(exact));
        assertThat(found.flatMap(Figures.Versions::atLeast)).isEqualTo(Optional.ofNullable(atLeast));
        assertThat(found.flatMap(Figures.Versions::atMost)).isEqualTo(Optional.ofNullable(atMost));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "hold vol down and power; hold volume-down + power",
                "hold volume up + home + power until the logo, then let go; hold volume-up + home + power until the logo",
                "press and hold the power key; hold power",
                "boot to recovery (phone off, volume up and power); hold volume-up + power",
                "reboot with volume down and power held until the menu comes; hold volume-down + power until the menu comes",
                "hold power for 10 seconds; hold power for 10 s",
                "hold the door; ",
            })
    void keysAreThoseOfAPhone(String text, String wanted) {
        Optional<String> keys = Figures.keys(text);
        assertThat(keys)
                .isEqualTo(Optional.ofNullable(wanted == null || wanted.isBlank() ? null : wanted.replace(',', ';')));
    }

    @Test
    void whatStandsBehindATurnIsAnotherThing() {
        assertThat(clauses("Works on OV-L210 but not on OV-L215."))
                .extracting(Clause::excluding)
                .startsWith(false)
                .endsWith(true);
        assertThat(clauses("Unlike OV-L215, the OV-L210 has one"))
                .extracting(Clause::excluding)
                .contains(true);
        assertThat(clause("not only for OV-L210").negated()).isFalse();
        assertThat(clause("Don\u2019t use it").negated()).isTrue();
        assertThat(clause("nothing to note").negated())
                .as("a word within a word")
                .isFalse();
    }

    @Test
    void aChecksumIsWhatItsLengthAndItsLabelSay() {
        String hex = "9f86d081884c7d659a2feaa0c55ad015";
        assertThat(FileMentions.sums("md5: " + hex).get(0).kind()).contains("md5");
        assertThat(FileMentions.sums("sha1: " + hex).get(0).kind())
                .as("the label says another")
                .isEmpty();
        assertThat(FileMentions.sums(hex + "00").get(0).kind())
                .as("no checksum is so long")
                .isEmpty();
        assertThat(FileMentions.sums("1234567890123456789012345678"))
                .as("a number")
                .isEmpty();
        assertThat(FileMentions.names("get a-1.tar.md5, b(2).zip and see x.html"))
                .containsExactly("a-1.tar.md5", "b(2).zip");
        assertThat(FileMentions.bytes("7,340,032 bytes")).contains(7_340_032L);
        assertThat(FileMentions.bytes("7 MB")).isEmpty();
    }

    @Test
    void linesLoseTheirMarkupAndKeepTheirNumbers() {
        String text = "# Head\n\n- item\n2) second\n> quoted\n[b]bold[/b] and ~~gone~~ words\na | b | c\n";
        List<GuideLine> lines =
                GuideText.of("x", text.getBytes(StandardCharsets.UTF_8)).lines();
        assertThat(lines)
                .extracting(GuideLine::kind)
                .containsExactly(
                        GuideLine.Kind.HEADING,
                        GuideLine.Kind.TEXT,
                        GuideLine.Kind.ITEM,
                        GuideLine.Kind.NUMBERED,
                        GuideLine.Kind.QUOTE,
                        GuideLine.Kind.TEXT,
                        GuideLine.Kind.ROW,
                        GuideLine.Kind.TEXT);
        assertThat(lines.get(5).text()).contains("bold").doesNotContain("gone", "[b]");
        assertThat(lines.get(6).cells()).containsExactly("a", "b", "c");
        assertThat(lines.get(6).number()).isEqualTo(7);
    }

    @Test
    void everyWordingIsOfAFactAndAStateThatThereIs() {
        WORDS.requires()
                .forEach(one -> assertThat(one.of().domain().objection(one.is()))
                        .as(one.fact())
                        .isEmpty());
        WORDS.gates()
                .forEach(one -> assertThat(one.of().domain().objection(one.is()))
                        .as(one.fact())
                        .isEmpty());
        WORDS.effects().stream()
                .filter(one -> one.of() != Fact.CUSTOM_WRITES)
                .forEach(one -> assertThat(one.of().domain().objection(one.value()))
                        .as(one.fact())
                        .isEmpty());
        WORDS.sections()
                .values()
                .forEach(phrases ->
                        assertThat(phrases).allMatch(phrase -> phrase.equals(phrase.toLowerCase(Locale.ROOT))));
    }
}
