package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.TimeoutException;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** Whether what is written can be read. */
class LookTest {
    private static final Pattern COLOUR = Pattern.compile("(-mb-[a-z-]+): (#[0-9a-f]{6});");
    private static final List<String> GROUNDS = List.of("-mb-bench", "-mb-sheet", "-mb-well", "-mb-accent-wash");

    /** A program is built in one place and started in another. */
    @Test
    void noCompiledSheetKnowsWhereItWasMade() throws Exception {
        for (String sheet : List.of("light", "dark", "mobrak", "theme-light", "theme-dark")) {
            try (InputStream in = Objects.requireNonNull(
                    LookTest.class.getResourceAsStream("/org/mobrak/desktop/" + sheet + ".bss"))) {
                assertThat(new String(in.readAllBytes(), StandardCharsets.ISO_8859_1))
                        .as(sheet)
                        .doesNotContain("file:");
            }
        }
    }

    /** The build leaves out rules for controls that no page has; none that a page has, nor its small windows, may go with them. */
    @ParameterizedTest
    @ValueSource(strings = {"light", "dark"})
    void theThemeKeepsItsRulesForWhatPagesHave(String sheet) throws IOException {
        Set<String> leftOut = selectors("/atlantafx/base/theme/primer-" + sheet + ".css");
        leftOut.removeAll(selectors("/org/mobrak/desktop/theme-" + sheet + ".css"));
        Pattern ofPages = Pattern.compile(
                "\\.(button|label|text|text-(input|field|area)|list-(view|cell)|combo-box[a-z-]*|check-(box|menu-item)"
                        + "|date-picker[a-z-]*|spinner|titled-pane|hyperlink|split-pane|scroll-(bar|pane)|tooltip|context-menu"
                        + "|menu|menu-(item|button)|toggle-button|progress-bar|separator|ikonli-font-icon|root)(?![-\\w]).*");
        assertThat(leftOut).hasSizeGreaterThan(500).noneMatch(ofPages.asMatchPredicate());
    }

    private static Set<String> selectors(String sheet) throws IOException {
        try (InputStream in = Objects.requireNonNull(LookTest.class.getResourceAsStream(sheet))) {
            String rules = new String(in.readAllBytes(), StandardCharsets.UTF_8).replaceAll("(?s)/\\*.*?\\*/", "");
            return Pattern.compile("([^{}]+)\\{[^{}]*\\}")
                    .matcher(rules)
                    .results()
                    .flatMap(rule -> Stream.of(rule.group(1).split(",")))
                    .map(selector -> selector.strip().replaceAll("\\s+", " "))
                    .collect(Collectors.toCollection(HashSet::new));
        }
    }

    /** Web Content Accessibility Guidelines 2.1, success criteria 1.4.3 (text, 4.5:1) and 1.4.11 (signs, 3:1). */
    @ParameterizedTest
    @ValueSource(strings = {"light.css", "dark.css"})
    void textAndSignsStandOutFromEveryGround(String sheet) throws IOException {
        Map<String, Color> colours = colours(sheet);
        for (String ground : GROUNDS) {
            for (String text : List.of(
                    "-mb-ink", "-mb-ink-soft", "-mb-accent", "-mb-fits", "-mb-caution", "-mb-step", "-mb-refused")) {
                assertThat(contrast(colours.get(text), colours.get(ground)))
                        .as("%s on %s in %s", text, ground, sheet)
                        .isGreaterThanOrEqualTo(4.5);
            }
        }
        assertThat(contrast(colours.get("-mb-on-accent"), colours.get("-mb-accent")))
                .isGreaterThanOrEqualTo(4.5);
        assertThat(contrast(colours.get("-mb-ink"), colours.get("-mb-caution-wash")))
                .isGreaterThanOrEqualTo(4.5);
        assertThat(contrast(colours.get("-mb-refused"), colours.get("-mb-refused-wash")))
                .isGreaterThanOrEqualTo(4.5);
        assertThat(colours.keySet()).isEqualTo(colours("light.css").keySet());
    }

    /** The guidelines' own bounds: black on white is 21:1, a colour on itself 1:1. */
    @Test
    void contrastIsMeasuredAsTheGuidelinesDo() {
        assertThat(contrast(Color.BLACK, Color.WHITE)).isCloseTo(21, within(1e-9));
        assertThat(contrast(Color.web("#777777"), Color.WHITE)).isCloseTo(4.48, within(0.01));
        assertThat(contrast(Color.TEAL, Color.TEAL)).isEqualTo(1);
    }

    /** Letters that are taken for each other must differ in at least a twelfth of their ink, at the size of the lists. */
    @ParameterizedTest
    @CsvSource({"0, O", "1, l", "1, I", "l, I", "5, S", "8, B", "2, Z", "6, G"})
    void lettersTakenForEachOtherDiffer(String one, String other) throws TimeoutException {
        FxToolkit.registerPrimaryStage();
        WaitForAsyncUtils.waitForAsyncFx(20_000, () -> {
            WritableImage first = drawn(one);
            WritableImage second = drawn(other);
            double ink = ink(first) + ink(second);
            assertThat(difference(first, second) / ink)
                    .as("%s against %s", one, other)
                    .isGreaterThan(1 / 12.0);
        });
    }

    private static WritableImage drawn(String letter) {
        Font font = Font.loadFont(LookTest.class.getResourceAsStream("fonts/noto-sans-mono-latin-400-normal.woff"), 14);
        assertThat(font.getFamily()).isEqualTo("Noto Sans Mono");
        Text text = new Text(4, 20, letter);
        text.setFont(font);
        return new Scene(new Group(text), 20, 28).snapshot(null);
    }

    private static double ink(WritableImage image) {
        return difference(image, new Scene(new Group(), 20, 28).snapshot(null));
    }

    private static double difference(WritableImage a, WritableImage b) {
        PixelReader first = a.getPixelReader();
        PixelReader second = b.getPixelReader();
        double sum = 0;
        for (int x = 0; x < a.getWidth(); x++) {
            for (int y = 0; y < a.getHeight(); y++) {
                sum += Math.abs(first.getColor(x, y).getBrightness()
                        - second.getColor(x, y).getBrightness());
            }
        }
        return sum;
    }

    private static Map<String, Color> colours(String sheet) throws IOException {
        try (InputStream in = LookTest.class.getResourceAsStream(sheet)) {
            return COLOUR.matcher(new String(in.readAllBytes(), StandardCharsets.UTF_8))
                    .results()
                    .collect(Collectors.toMap(found -> found.group(1), found -> Color.web(found.group(2))));
        }
    }

    private static double contrast(Color a, Color b) {
        double lighter = Math.max(luminance(a), luminance(b));
        double darker = Math.min(luminance(a), luminance(b));
        return (lighter + 0.05) / (darker + 0.05);
    }

    /** Relative luminance as the guidelines define it, from sRGB. */
    private static double luminance(Color colour) {
        return 0.2126 * linear(colour.getRed())
                + 0.7152 * linear(colour.getGreen())
                + 0.0722 * linear(colour.getBlue());
    }

    private static double linear(double channel) {
        return channel <= 0.03928 ? channel / 12.92 : Math.pow((channel + 0.055) / 1.055, 2.4);
    }
}
