package org.mobrak.core.learn.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.learn.page.Pages;
import org.mobrak.core.learn.page.Text;

/** What words, figures and sentences of a guide are taken for. How people write: common practice, no published source. */
class WordsTest {
    private static List<Sentence> sentences(String text) {
        return Sentences.of(List.of(Pages.of("x", text.getBytes(StandardCharsets.UTF_8))))
                .sentences();
    }

    private static String models(String text) {
        Map<String, ModelsReading.Named> models =
                new ModelsReading(sentences(text), List.of()).read().models();
        return models.values().stream()
                .map(named -> named.value() + " " + named.stance())
                .collect(Collectors.joining(", "));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Root for the OV-L210, OV-L215 and OV-L216; OV-L210 FOR, OV-L215 FOR, OV-L216 FOR",
                "For models SK-500 to SK-502; SK-500 FOR, SK-501 FOR, SK-502 FOR",
                "4070X/XD/XE, 4072 work. NOT the 4075E; 4070X FOR, 4070XD FOR, 4070XE FOR, 4072 FOR, 4075E AGAINST",
                "Only V1280T. The V1280 has half the memory, you will kill it.; V1280T FOR, V1280 AGAINST",
                "Root for the QV-31, not for QV-33; QV-31 FOR, QV-33 AGAINST",
                "For the QV-31. Owners of the QV-33: it has another loader.; QV-31 FOR, QV-33 AGAINST",
                "For the QV-31. Nobody tried it on the QV-35.; QV-31 FOR, QV-35 UNSURE",
                "Not only for JK-1000 but also JK-1010; JK-1000 FOR, JK-1010 FOR",
                "Works on QV-31. There is a QV-31 Lite too, it has no switch.; QV-31 FOR, QV-31 Lite AGAINST",
                "the SHA-256 in UTF-8 on a USB3 stick of 16GB, 2012-10-22; ",
                "get ov-l210_rec.zip or OV-L210.zip; ",
            })
    void phonesAreInOrOutByTheWordsAboutThem(String text, String wanted) {
        assertThat(models(text)).isEqualTo(wanted == null ? "" : wanted);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "it takes up to 12 minutes; 12 false",
                "if the bar has not moved for 25 minutes something is wrong; 25 true",
                "first boot 10-12 min, after 20 minutes call me; 12 false, 20 true",
                "half an hour on the charger; 30 false",
                "give it a quarter of an hour; 15 false",
                "it lasts three or four minutes; 4 false",
                "takes an hour; 60 false",
                "five seconds; ",
                "version 4.1.2 of 2012; ",
            })
    void waitsAreWholeMinutesAndWorryComesAfter(String text, String wanted) {
        String spans = Durations.in(text).stream()
                .map(span -> span.minutes() + " " + span.worry())
                .collect(Collectors.joining(", "));
        assertThat(spans).isEqualTo(wanted == null ? "" : wanted);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Battery at least 50 %.; 50",
                "It refuses to run when the charge is below 30 %.; 30",
                "Charge to 65 percent or more.; 65",
                "I charged to 80 (I'd call 60 % the minimum).; 60",
                "batt 22, on charger till 55, want min 50; 50",
                "Battery said 82, I would not go below 70 %.; 70",
                "They write sixty percent on the battery.; 60",
                "Don't do it if your battery isn't over eighty.; 80",
                "battery at least half full; 50",
                "Battery life: the light goes red at 15 percent.; ",
                "My battery was at 64 %.; ",
                "The battery lasts 20 hours, 40 % of the time.; ",
            })
    void whatIsAskedOfTheBatteryIsNotWhatSomebodyHad(String text, String wanted) {
        String asked = Charge.in(sentences("Root for the QV-31\n\n" + text.replace(';', ',')))
                .read()
                .map(read -> String.valueOf(read.value()))
                .orElse("");
        assertThat(asked).isEqualTo(wanted == null ? "" : wanted);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "hold volume down + home + power until a warning appears, press volume up|hold volume-down + home + power until a warning; press volume-up",
                "vol dn + home + pwr|hold volume-down + home + power",
                "both vols, plug in while you hold them|hold volume-up + volume-down",
                "hold the camera key and connect the cable|hold camera until the cable is in",
                "go with volume to the line and press power|",
                "press volume up to confirm|",
                "do not touch power|",
            })
    void keysAreChordsOfTheCatalogue(String text, String chord) {
        assertThat(Chords.chord(text).orElse("")).isEqualTo(chord == null ? "" : chord);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "it is the b v seven twenty t; it is the BV720T",
                "four point oh point four; 4.0.4",
                "eighty one percent; 81 percent",
                "slip way one point three; slip way 1.3",
                "i'm on fifty seconds; i'm on 50 seconds",
                "the k r n field; the KRN field",
                "don't touch it; don't touch it",
            })
    void whatWasSpelledOutIsWritten(String said, String written) {
        assertThat(new Spoken().written(Text.of("x", 1, said)).value()).isEqualTo(written);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Install the package.",
                "Now turn the phone off.",
                "I pressed the button and waited.",
                "You then open the app.",
                "Next, the tablet is connected with its cable.",
                "When the logo shows, let go of the key.",
            })
    void ordersStoriesAndPassivesAreThingsToDo(String text) {
        assertThat(Acts.isAct(sentences("Title of this\n\n" + text).get(1))).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"Do not touch power.", "Never lock it again.", "The screen is lovely.", "Is it dead?"})
    void whatIsForbiddenOrToldIsNot(String text) {
        assertThat(Acts.isAct(sentences("Title of this\n\n" + text).get(1))).isFalse();
    }

    @Test
    void whoCorrectsHimselfTakesBackWhatHeSaid() {
        List<Sentence> said = sentences(
                "Way to root\n\nHold volume up and power. No wait, that's the recovery. Hold volume down and power.");
        assertThat(said).extracting(Sentence::takenBack).containsExactly(false, true, false, false);
    }

    @Test
    void anAnchorNeverPassesOverWhatTheWordsWouldFind() {
        List<String> wordings = List.of(
                "brick(?:s|ed)?",
                "(?:re)?boot(?:s|ed)? it",
                "ok(?:ay)?",
                "not?",
                "(?:a|an|the)? ?card",
                "md5",
                "/min",
                "no (?:way|root)",
                "u ?root");
        for (String wording : wordings) {
            Anchors anchors = new Anchors(List.of(wording));
            for (String text : List.of(
                    "it bricks",
                    "bricked",
                    "reboot it",
                    "boot it",
                    "okay",
                    "ok",
                    "no",
                    "not",
                    "the card",
                    "card",
                    "md5",
                    "2/min",
                    "no way",
                    "u root")) {
                if (Cue.of(wording).matcher(text).find()) {
                    assertThat(anchors.mayBeIn(text))
                            .as("%s in %s", wording, text)
                            .isTrue();
                }
            }
        }
    }

    @Test
    void aChecksumBelongsToTheFileItStandsWithAndAWithdrawnOneToNone() {
        String good = "9f86d081884c7d659a2feaa0c55ad015";
        String bad = "60303ae22b998861bce3b28f33eec1be";
        List<Sentence> text = sentences("Files for it\n\nGet qv-kernel.tar, md5 " + good
                + ". An earlier edition listed the sum " + bad + ". The old qv-old.tar is withdrawn, delete it.\n");
        FilesReading files = new FilesReading(text).read(List.of());
        assertThat(files.kept()).extracting(FileRead::value).containsExactly("qv-kernel.tar");
        assertThat(files.kept().get(0).sums.get("md5").value()).isEqualTo(good);
    }
}
