package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is passed over is never heard, so only what can tell nothing may be. */
class TellingTest {
    private static final Telling TELLING = new Telling(Wordings.shipped());

    private static boolean tells(String text) {
        return TELLING.isIn(new GuideLine("x", 7, text, GuideLine.Kind.TEXT, List.of()));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "works on AB-10",
                "get ab.apk",
                "it is in root.zip",
                "md5: 900150983cd24fb0d6963f7d28e17f72",
                "wait about five minutes",
                "never flash it there",
                "don\u2019t use it there",
                "so, press the big key",
                "50 % is enough",
                "written in march, 3.5.2016",
                "on 2016 it was",
                "it bricks",
                "you lose your warranty"
            })
    void aLineWithAPhraseAFigureAFileOrSomethingToDoIsHeard(String text) {
        assertThat(tells(text)).as(text).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "yesterday my sister asked about her old one",
                "thanks a lot, that was kind",
                "the bees were loud that day.",
                "",
                "..."
            })
    void talkIsPassedOver(String text) {
        assertThat(tells(text)).as(text).isFalse();
    }
}
