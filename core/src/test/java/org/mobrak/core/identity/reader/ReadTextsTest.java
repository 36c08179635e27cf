package org.mobrak.core.identity.reader;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.mobrak.core.identity.Reading;

class ReadTextsTest {
    private static final Instant MONDAY = Instant.parse("2026-11-23T09:00:00Z");
    private static final RawText TEXT =
            new RawText("listing.txt", "[ro.product.model]: [KQ-T5]\n[ro.build.version.release]: [2.3.6]\n", List.of());

    @Test
    void aTextIsReadOnceAndTakenAtEachTimeItIsAskedFor() {
        ReadTexts texts = new ReadTexts();
        Parsed first = texts.of(TEXT, MONDAY);
        assertThat(first).isEqualTo(ReadingParser.parse(TEXT, MONDAY));
        assertThat(texts.of(new RawText(TEXT.name(), TEXT.text(), List.of()), MONDAY))
                .as("the very same, not read anew")
                .isSameAs(first);
        Parsed later = texts.of(TEXT, MONDAY.plusSeconds(60));
        assertThat(later).isEqualTo(ReadingParser.parse(TEXT, MONDAY.plusSeconds(60)));
        assertThat(later.readings()).extracting(Reading::takenAt).containsOnly(MONDAY.plusSeconds(60));
    }

    @Test
    void manyTextsAreForgottenAndReadAgain() {
        ReadTexts texts = new ReadTexts();
        Parsed first = texts.of(TEXT, MONDAY);
        for (int i = 0; i < 600; i++) {
            texts.of(new RawText("other " + i, "[ro.product.model]: [OV-L" + i + "]", List.of()), MONDAY);
        }
        assertThat(texts.of(TEXT, MONDAY)).isEqualTo(first).isNotSameAs(first);
    }
}
