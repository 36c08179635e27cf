package org.mobrak.desktop.parts;

import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import org.mobrak.core.identity.VisibleText;

/** Lines of text in the few voices the screens have. */
public final class Texts {
    private Texts() {}

    public static Label plain(String text) {
        return voiced(text, "text-plain");
    }

    /** A heading within a page. */
    public static Label heading(String text) {
        return voiced(text, "text-heading");
    }

    /** What stands back: sources, hints, units. */
    public static Label soft(String text) {
        return voiced(text, "text-soft");
    }

    /** Build strings, model numbers and other text to be compared letter by letter. */
    public static Label exact(String text) {
        return voiced(text, "text-exact");
    }

    /** A text that runs over as many lines as it needs and is never cut. */
    public static Label wrapped(Label label) {
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    private static Label voiced(String text, String style) {
        Label label = new Label(VisibleText.of(text));
        label.getStyleClass().add(style);
        return label;
    }
}
