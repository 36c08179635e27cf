package org.mobrak.desktop.parts;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Region;
import org.mobrak.core.identity.VisibleText;

/**
 * Lines of text in the few voices the screens have, and the one gate for text on its way to the window: whatever is shown of a
 * name, a file or a reading can be seen.
 */
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

    /** Lets a label, a button or a row of a list say something else. */
    public static void say(Labeled label, String text) {
        label.setText(VisibleText.of(text));
    }

    /** A text for a control that makes its own rows of it. */
    public static String oneLine(String text) {
        return VisibleText.oneLine(text);
    }

    /** What is read out instead of being seen. */
    public static void aloud(Node node, String text) {
        node.setAccessibleText(VisibleText.of(text));
    }

    /** What is told when one points at something. */
    public static Tooltip tip(String text) {
        return new Tooltip(VisibleText.of(text));
    }

    /** A line of a menu. */
    public static MenuItem item(String text) {
        return new MenuItem(VisibleText.oneLine(text));
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
