package org.mobrak.desktop;

import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Properties;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;
import org.mobrak.desktop.parts.Drawn;
import org.slf4j.LoggerFactory;

/** Where the window stood and how large it was, for each arrangement of screens; a file of the user's own. */
final class WindowPlaces {
    /** The part of the work area that a window takes which was never moved; our own choice. */
    private static final double MOST_OF_IT = 0.96;

    private static final double LEAST_WIDTH = 1024;
    private static final double LEAST_HEIGHT = 700;
    /** Pulses after which a window that is shown has the size it was given. */
    private static final int SETTLED = 30;

    private static final double WIDEST = 1440;
    private static final double TALLEST = 900;
    /** So much of the window must be on a screen that it can be seen and moved. */
    private static final double ENOUGH_TO_HOLD = 120;

    private final Path file;

    /** @param data the folder of the user's own */
    WindowPlaces(Path data) {
        file = data.resolve("window.properties");
    }

    /** The window's outside, in the toolkit's pixels. */
    record Place(double x, double y, double width, double height, boolean maximised) {
        static Place of(Stage stage) {
            return new Place(stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight(), stage.isMaximized());
        }

        /**
         * Gives a window that is not shown yet its place. A window manager may answer the size of the window's first moment, before it
         * has this one, and the toolkit then shrinks to the least that is allowed; so that is this size until the window is there.
         */
        void give(Stage stage, Runnable settled) {
            stage.setMinWidth(width);
            stage.setMinHeight(height);
            move(stage);
            stage.setOnShown(shown -> Drawn.after(SETTLED, () -> {
                stage.setMinWidth(Math.min(LEAST_WIDTH, width));
                stage.setMinHeight(Math.min(LEAST_HEIGHT, height));
                settled.run();
                // Only a window that has its size knows what to go back to when it is made smaller again.
                stage.setMaximized(maximised);
            }));
        }

        /** Moves a window here, in this size. */
        void move(Stage stage) {
            stage.setX(x);
            stage.setY(y);
            stage.setWidth(width);
            stage.setHeight(height);
        }

        /** The same place, as large as the screen or not. */
        Place maximised(boolean now) {
            return new Place(x, y, width, height, now);
        }

        /** Where it was not moved from where it came up, what was asked for holds: a frame shifts it by a little each time. */
        Place withoutShift(Place asked, Place cameUp) {
            return new Place(
                    x == cameUp.x ? asked.x : x,
                    y == cameUp.y ? asked.y : y,
                    width == cameUp.width ? asked.width : width,
                    height == cameUp.height ? asked.height : height,
                    maximised);
        }

        String written() {
            return "%.0f %.0f %.0f %.0f %b".formatted(x, y, width, height, maximised);
        }

        static Optional<Place> read(String line) {
            String[] parts = line.split(" ");
            try {
                return Optional.of(new Place(
                        Integer.parseInt(parts[0]),
                        Integer.parseInt(parts[1]),
                        Integer.parseInt(parts[2]),
                        Integer.parseInt(parts[3]),
                        Boolean.parseBoolean(parts[4])));
            } catch (NumberFormatException | ArrayIndexOutOfBoundsException damaged) {
                return Optional.empty();
            }
        }
    }

    /** Where the window goes now: where it was on these screens, if it can be reached there, else in the middle of the first. */
    static Place place(Optional<Place> before, List<Rectangle2D> workAreas) {
        return before.filter(place -> workAreas.stream().anyMatch(area -> holds(area, place)))
                .orElseGet(() -> usual(workAreas.get(0)));
    }

    private static Place usual(Rectangle2D area) {
        return middle(area, WIDEST, TALLEST);
    }

    /** A window of another size in the middle of the first screen. */
    static Place middle(double width, double height) {
        return middle(workAreas().get(0), width, height);
    }

    private static Place middle(Rectangle2D area, double widest, double tallest) {
        double width = Math.min(widest, Math.floor(area.getWidth() * MOST_OF_IT));
        double height = Math.min(tallest, Math.floor(area.getHeight() * MOST_OF_IT));
        return new Place(
                Math.floor(area.getMinX() + (area.getWidth() - width) / 2),
                Math.floor(area.getMinY() + (area.getHeight() - height) / 2),
                width,
                height,
                false);
    }

    /** The upper edge is what a window is moved by. */
    private static boolean holds(Rectangle2D area, Place place) {
        double seen = Math.min(area.getMaxX(), place.x() + place.width()) - Math.max(area.getMinX(), place.x());
        return seen >= ENOUGH_TO_HOLD
                && place.y() >= area.getMinY() - 1
                && place.y() <= area.getMaxY() - ENOUGH_TO_HOLD
                && place.width() <= area.getWidth() + 1
                && place.height() <= area.getHeight() + 1;
    }

    /** Puts a window that is not shown yet where it was, and keeps in mind where it stands when it is hidden. */
    void follow(Stage stage) {
        Place asked = place(remembered(screens()), workAreas());
        AtomicReference<Place> cameUp = new AtomicReference<>(asked);
        asked.give(stage, () -> cameUp.set(Place.of(stage)));
        SizeBefore size = SizeBefore.of(stage, asked);
        stage.setOnHiding(hiding -> {
            Place now = stage.isMaximized() ? size.place().maximised(true) : Place.of(stage);
            remember(screens(), now.withoutShift(asked, Objects.requireNonNull(cameUp.get())));
        });
    }

    /** Keeps in mind where a window stands. */
    void keep(Place now) {
        String screens = screens();
        // One that is as large as the screen keeps the size that it came up with.
        Place begun = place(remembered(screens), workAreas());
        remember(screens, now.maximised() ? begun.maximised(true) : now);
    }

    /** What a window may take of each screen, the first one first. */
    static List<Rectangle2D> workAreas() {
        return Screen.getScreens().stream().map(Screen::getVisualBounds).toList();
    }

    private void remember(String screens, Place kept) {
        try {
            Properties all = read();
            all.setProperty(screens, kept.written());
            Files.createDirectories(file.getParent());
            Path beside = Files.createTempFile(file.getParent(), ".window-", ".tmp");
            try {
                try (Writer out = Files.newBufferedWriter(beside)) {
                    all.store(out, "Where the window stood, by the screens there were");
                }
                Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(beside);
            }
        } catch (IOException unwritable) {
            LoggerFactory.getLogger(WindowPlaces.class).warn("The window's place cannot be kept", unwritable);
        }
    }

    private Optional<Place> remembered(String screens) {
        return Optional.ofNullable(read().getProperty(screens)).flatMap(Place::read);
    }

    private Properties read() {
        Properties all = new Properties();
        try (Reader in = Files.newBufferedReader(file)) {
            all.load(in);
        } catch (IOException | IllegalArgumentException none) {
            // Nothing was kept yet, or it is damaged: the window begins as it does for the first time.
            return new Properties();
        }
        return all;
    }

    private static String screens() {
        return Screen.getScreens().stream()
                .map(Screen::getBounds)
                .map(area -> Arrays.stream(
                                new double[] {area.getMinX(), area.getMinY(), area.getWidth(), area.getHeight()})
                        .mapToObj(part -> String.valueOf(Math.round(part)))
                        .collect(Collectors.joining("x")))
                .collect(Collectors.joining("_"));
    }
}
