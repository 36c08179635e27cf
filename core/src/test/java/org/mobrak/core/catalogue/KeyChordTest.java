package org.mobrak.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;

class KeyChordTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "hold volume-down + home + power until the warning; press volume-up",
                "hold power for 10 s",
                "hold all until the screen goes black; hold volume-up until the menu",
                "hold volume-down until the cable is in"
            })
    void isWrittenAsItWasRead(String text) {
        assertThat(KeyChord.parse(text).text()).isEqualTo(text);
    }

    @Test
    void theShortFormOfOlderCataloguesIsReadToo() {
        assertThat(KeyChord.parse("volume-up + power").strokes())
                .containsExactly(
                        new Stroke(List.of(Key.VOLUME_UP, Key.POWER), false, Optional.empty(), Optional.empty()));
        assertThat(KeyChord.parse("volume-down while plugging in").text())
                .isEqualTo("hold volume-down until the cable is in");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "hold", "hold the big one", "press volume-up;", "hold power for ever", "power +"})
    void whatIsNoChordIsRefusedInWords(String text) {
        assertThatThrownBy(() -> KeyChord.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }
}
