package org.mobrak.desktop.shell;

import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.function.DoubleConsumer;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import org.mobrak.app.Session;

/** Light or dark, and how large the letters are; both are remembered with the workspace. */
final class Look {
    private static final double SMALLEST = 11;
    static final double USUAL = 14;
    /** Twice the usual: Web Content Accessibility Guidelines 2.1, success criterion 1.4.4. */
    private static final double LARGEST = 2 * USUAL;

    private static final String SYSTEM = "system";

    private static final List<String> FONTS = List.of(
            "inter-latin-400-normal",
            "inter-latin-700-normal",
            "noto-sans-mono-latin-400-normal",
            "noto-sans-mono-latin-700-normal");

    private final Scene scene;
    private final Session session;
    private final DoubleConsumer letters;
    private double size = USUAL;
    private boolean dark;

    /** @param letters is told how large they are, in pixels, whenever that changes */
    Look(Scene scene, Session session, DoubleConsumer letters) {
        this.scene = scene;
        this.session = session;
        this.letters = letters;
        FONTS.forEach(font -> Font.loadFont(resource("fonts/" + font + ".woff"), USUAL));
    }

    /** Gives the scene its looks, on the thread that draws; what is hung into it afterwards is held against them once. */
    void begin() {
        scene.getStylesheets().setAll(resource("light.css"), resource("mobrak.css"));
        theme(false);
    }

    /** Gives any scene the usual looks. */
    static void dress(Scene other) {
        FONTS.forEach(font -> Font.loadFont(resource("fonts/" + font + ".woff"), USUAL));
        other.getStylesheets().setAll(resource("light.css"), resource("mobrak.css"));
    }

    /** Puts the look back that the workspace remembers. */
    void recall() {
        session.recall("look.dark", word -> {
            if (word.equals(SYSTEM)) {
                asTheSystem();
                return;
            }
            dark = Boolean.parseBoolean(word);
            apply();
        });
        session.recall("look.size", word -> {
            size = Math.min(LARGEST, Math.max(SMALLEST, Double.parseDouble(word)));
            apply();
        });
    }

    /** Takes {@code light}, {@code dark} or {@code system}. */
    void choose(String word) {
        if (word.equals(SYSTEM)) {
            session.remember("look.dark", SYSTEM);
            asTheSystem();
        } else {
            setDark(word.equals("dark"));
        }
    }

    private void asTheSystem() {
        session.program().askSystemLook(Path.of(System.getProperty("user.home", ".")), System.getenv(), isDark -> {
            dark = isDark;
            apply();
        });
    }

    void setDark(boolean wanted) {
        dark = wanted;
        session.remember("look.dark", String.valueOf(dark));
        apply();
    }

    void toggle() {
        setDark(!dark);
    }

    void grow(int steps) {
        size = steps == 0 ? USUAL : Math.min(LARGEST, Math.max(SMALLEST, size + steps));
        session.remember("look.size", String.valueOf(size));
        apply();
    }

    /** Only what is otherwise than before: a style sheet that is set anew is held against every node of the window again. */
    private void apply() {
        String colours = resource(dark ? "dark.css" : "light.css");
        if (!scene.getStylesheets().get(0).equals(colours)) {
            theme(dark);
            scene.getStylesheets().set(0, colours);
        }
        letters();
    }

    /** The scene's root is as large as the letters are wanted. */
    void letters() {
        // The usual size stands in the style sheet, which is compiled; this would have to be parsed.
        scene.getRoot().setStyle(size == USUAL ? "" : "-fx-font-size: " + size + "px;");
        letters.accept(size);
    }

    /** The theme of the toolkit's own parts; it must be there before anything is drawn. */
    static void theme(boolean dark) {
        Application.setUserAgentStylesheet(resource(dark ? "theme-dark.css" : "theme-light.css"));
    }

    private static String resource(String name) {
        return Objects.requireNonNull(Look.class.getResource("/org/mobrak/desktop/" + name))
                .toExternalForm();
    }
}
