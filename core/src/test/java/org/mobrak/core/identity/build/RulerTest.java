package org.mobrak.core.identity.build;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.BuildGrammar.Kind;
import org.mobrak.core.identity.build.BuildGrammar.Piece;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.Ruler.Segment;

class RulerTest {
    private static final Path CATALOGUE = Path.of(System.getProperty("mobrak.home"), "demo", "catalogue");

    private static Rulers rulers;

    @BeforeAll
    static void read() throws IOException {
        rulers = CatalogueLoader.load(CATALOGUE).catalogue().rulers();
    }

    @Test
    void takesABuildNumberApartByItsMakersGrammar() {
        Ruler ruler = number("Orvane", "LN2-F09-131022");
        assertThat(ruler.segments().stream().filter(Segment::isPart))
                .extracting(Segment::label, Segment::text, Segment::meaning)
                .containsExactly(
                        tuple("Phone", "LN2", "Lantern 2"),
                        tuple("Market", "F", "Fennlink"),
                        tuple("Bootloader revision", "09", ""),
                        tuple("Built", "131022", "2013-10-22"));
        assertThat(ruler.segments().stream().map(Segment::text).collect(Collectors.joining()))
                .isEqualTo("LN2-F09-131022");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "Orvane; LN2-F09-131022; LN2-F09-131022; The two are the same build.",
                "Orvane; LN2-F09-131022; LN2-F08-130611; revision is 08, below this phone's 09: the phone will refuse it.",
                "Orvane; LN2-F08-130611; LN2-F09-131022; goes up from 08 to 09: once it is on the phone there is no way back.",
                "Orvane; LN2-F08-130611; LN2-F08-130612; Newer than this phone's: built 2013-06-12 against 2013-06-11.",
                "Orvane; LN2-F09-131022; LN2-E09-131022; Another carrier: open market, not Fennlink.",
                "Orvane; LN2-F09-131022; LQ2-F09-131022; Another phone: Lantern 2, four cores, not Lantern 2.",
                "Vessmar; VP70.E3CK07; VP70.E3DA01; Newer than this phone's: year 2015 against 2014.",
                "Tessaro; J5-511-0382; J5-444-0382; Differs in os version: 4.4.4, not 5.1.1.",
                "Tessaro; J5-511-0382; J5-511-0371; Older than this phone's: serial 0371 against 0382.",
            })
    void tellsWhatDifferencesMean(String maker, String own, String other, String sentence) throws IOException {
        Overlay overlay = Overlay.of(number(maker, own), number(maker, other)).orElseThrow();
        assertThat(overlay.sentences()).anyMatch(said -> said.contains(sentence));
        assertThat(overlay.differing().isEmpty()).isEqualTo(own.equals(other));
    }

    /** Whatever two builds of one form are laid over each other: they differ alike from both sides, and age turns round. */
    @Test
    void layingOverIsTheSameFromBothSides() {
        List<String> builds =
                List.of("LN2-F09-131022", "LN2-F08-130611", "LN2-E09-131022", "LQ2-E03-130902", "LN2-F09-131023");
        for (String one : builds) {
            for (String other : builds) {
                Overlay there = Overlay.of(number("Orvane", one), number("Orvane", other))
                        .orElseThrow();
                Overlay back = Overlay.of(number("Orvane", other), number("Orvane", one))
                        .orElseThrow();
                assertThat(there.differing()).isEqualTo(back.differing());
                assertThat(says(there, "Newer")).isEqualTo(says(back, "Older"));
                assertThat(says(there, "no way back")).isEqualTo(says(back, "refuse it"));
            }
        }
    }

    private static boolean says(Overlay overlay, String words) {
        return overlay.sentences().stream().anyMatch(sentence -> sentence.contains(words));
    }

    @Test
    void givesNoRulerForAnotherMakersStringOrAnImpossibleDate() {
        assertThat(rulers.of(Fact.BUILD_NUMBER, "LN2-F09-131022", Optional.of("Tessaro")))
                .isEmpty();
        assertThat(rulers.of(Fact.BUILD_NUMBER, "LN2-F09-131322", Optional.of("Orvane")))
                .isEmpty();
        assertThat(rulers.of(Fact.BUILD_NUMBER, "LN2-F09-131022", Optional.empty()))
                .isPresent();
        assertThat(Overlay.of(number("Orvane", "LN2-F09-131022"), number("Tessaro", "J5-511-0382")))
                .isEmpty();
    }

    @Test
    void splitsAFingerprint() {
        Fingerprint print = Fingerprint.of("orvane/l2n/l2:4.1.2/JZO54K/LN2F09:user/release-keys")
                .orElseThrow();
        assertThat(print.parts())
                .containsEntry(Fact.PRODUCT, "l2n")
                .containsEntry(Fact.DEVICE, "l2")
                .containsEntry(Fact.OS_VERSION, "4.1.2")
                .containsEntry(Fact.BUILD_ID, "JZO54K")
                .containsEntry(Fact.BUILD_TAGS, "release-keys");
        assertThat(Fingerprint.of("orvane/l2n:4.1.2")).isEmpty();
    }

    /** Twenty-four segments that could each take up anything: without memory this would run for years, so it ends at all. */
    @Test
    @Timeout(value = 3, unit = TimeUnit.MINUTES)
    void aGrammarMadeToRunForEverDoesNot() {
        Piece greedy =
                new Piece(Optional.empty(), "x", Role.OTHER, Kind.LETTERS, List.of(1, 24), Map.of(), Optional.empty());
        BuildGrammar hostile =
                new BuildGrammar("h", "H", Fact.BUILD_NUMBER, List.of(), Collections.nCopies(24, greedy));
        assertThat(hostile.ruler("a".repeat(300) + "!")).isEmpty();
    }

    private Ruler number(String maker, String text) {
        return rulers.of(Fact.BUILD_NUMBER, text, Optional.of(maker)).orElseThrow();
    }
}
