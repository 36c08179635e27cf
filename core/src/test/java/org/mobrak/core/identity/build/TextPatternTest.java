package org.mobrak.core.identity.build;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TextPatternTest {
    @ParameterizedTest
    @CsvSource({
        "HD31-?4, HD31-44, true",
        "HD31-?4, HD31-4, false",
        "HD31-?4, HD31-444, false",
        "HD31*, HD31, true",
        "*-44, HD31-44, true",
        "*, '', true",
        "?, '', false",
        "hd31, HD31, false",
        "A.B, AxB, false",
    })
    void aStarIsAnyTextAndAQuestionMarkOneCharacter(String pattern, String value, boolean matches) {
        assertThat(TextPattern.matches(pattern, value)).isEqualTo(matches);
    }

    /** The platform's regular expressions are an independent reference, on texts short enough for them. */
    @Test
    void saysWhatRegularExpressionsSay() {
        Random random = new Random(20261126);
        int matching = 0;
        for (int round = 0; round < 20_000; round++) {
            String pattern = text(random, "ab*?", 7);
            String value = text(random, "ab", 9);
            boolean expected = Pattern.matches(pattern.replace("*", ".*").replace("?", "."), value);
            assertThat(TextPattern.matches(pattern, value))
                    .as("%s on %s", pattern, value)
                    .isEqualTo(expected);
            matching += expected ? 1 : 0;
            if (!pattern.isEmpty()) {
                assertThat(TextPattern.matches(pattern, new TextPattern(pattern).example('a')))
                        .as("an example of %s", pattern)
                        .isTrue();
            }
        }
        assertThat(matching).isBetween(1_000, 19_000);
    }

    /** With the usual ways of matching this takes longer than anybody lives; it ends at all. */
    @Test
    void aPatternMadeToRunForEverDoesNot() {
        assertThat(TextPattern.matches("*a".repeat(90) + "b", "a".repeat(100_000)))
                .isFalse();
    }

    private static String text(Random random, String letters, int most) {
        StringBuilder text = new StringBuilder();
        for (int length = random.nextInt(most); length > 0; length--) {
            text.append(letters.charAt(random.nextInt(letters.length())));
        }
        return text.toString();
    }
}
