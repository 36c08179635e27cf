package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Rectangle2D;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where the window comes up, and what its title says. */
class WindowPlacesTest {
    private static final Rectangle2D SMALL = new Rectangle2D(0, 0, 1280, 800);
    private static final Rectangle2D LARGE = new Rectangle2D(1280, 0, 2560, 1440);

    @Test
    void theFirstTimeItTakesMostOfTheScreenAndNeverMoreThanCanBeReadAcross() {
        assertThat(WindowPlaces.place(Optional.empty(), List.of(SMALL)))
                .isEqualTo(new WindowPlaces.Place(26, 16, 1228, 768, false));
        WindowPlaces.Place large = WindowPlaces.place(Optional.empty(), List.of(LARGE));
        assertThat(large.width()).isEqualTo(1440);
        assertThat(large.height()).isEqualTo(900);
        assertThat(large.x()).isGreaterThan(1280);
    }

    @Test
    void itComesUpWhereItWasUnlessItCouldNotBeReachedThere() {
        WindowPlaces.Place before = new WindowPlaces.Place(1400, 100, 1200, 900, true);
        assertThat(WindowPlaces.place(Optional.of(before), List.of(SMALL, LARGE)))
                .isEqualTo(before);
        assertThat(WindowPlaces.place(Optional.of(before), List.of(SMALL)))
                .as("the other screen is gone")
                .isEqualTo(WindowPlaces.place(Optional.empty(), List.of(SMALL)));
        assertThat(WindowPlaces.Place.read(before.written())).contains(before);
        assertThat(WindowPlaces.Place.read("12 x")).as("damaged").isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "demo-20261201-032658-9626, , demo – Mobrak",
        "demo-2, , demo 2 – Mobrak",
        "phones-2013, , phones 2013 – Mobrak",
        "demo-20261201, 'Hive 3, orchard wall', 'Hive 3, orchard wall (demo) – Mobrak'"
    })
    void theTitleIsInWords(String folder, String phone, String title) {
        assertThat(MobrakApp.title(Optional.ofNullable(phone), Path.of("/somewhere", folder)))
                .isEqualTo(title);
    }
}
